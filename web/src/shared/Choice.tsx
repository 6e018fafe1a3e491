import { NativeSelect } from '@chakra-ui/react';
import { nativeSelectSlotRecipe } from '@chakra-ui/react/theme';

/** One of a list. */
export function Choice<V extends string>({
  value,
  options,
  none,
  label,
  size = 'md',
  width,
  onChange,
}: {
  value: V | '';
  options: [V, string][];
  /** What stands for no choice, where there may be none. */
  none?: string;
  /** Its name, where no label stands beside it. */
  label?: string;
  size?: 'xs' | 'sm' | 'md';
  width?: string;
  onChange: (value: V) => void;
}) {
  return (
    <NativeSelect.Root recipe={nativeSelectSlotRecipe} size={size} w={width}>
      <NativeSelect.Field
        aria-label={label}
        value={value}
        onChange={(e) => onChange(e.currentTarget.value as V)}
        borderColor="border.strong"
      >
        {none !== undefined && <option value="">{none}</option>}
        {options.map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
