import { NativeSelect } from '@chakra-ui/react';
import { nativeSelectSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useUnit, type Unit } from '../shared/units';

/** What lengths are shown in, on this device. */
export function UnitChoice() {
  const { unit, setUnit } = useUnit();
  return (
    <NativeSelect.Root recipe={nativeSelectSlotRecipe} size="sm" width="5.4rem" flexShrink="0">
      <NativeSelect.Field
        aria-label={t`Show lengths in`}
        value={unit}
        onChange={(e) => setUnit(e.currentTarget.value as Unit)}
      >
        <option value="mm">mm</option>
        <option value="cm">cm</option>
        <option value="in">{t`inch`}</option>
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
