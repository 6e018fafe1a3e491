import { Combobox, createListCollection, Portal } from '@chakra-ui/react';
import { comboboxSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { shapeWords } from '../shared/words';
import { useBreeds } from './useBreeds';

/** One breed out of a couple of hundred, found by any words of its names, head shape or traits. */
export function BreedPicker({
  label,
  value,
  none,
  onChange,
}: {
  label: string;
  value: string;
  none: string;
  onChange: (id: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const all = useBreeds();
  const found = useBreeds(typed ?? '');
  const chosen = all.data?.find((b) => b.id === value);
  const collection = createListCollection({
    items: found.data ?? [],
    itemToString: (b) => b.name,
    itemToValue: (b) => b.id,
  });
  return (
    <Combobox.Root
      recipe={comboboxSlotRecipe}
      collection={collection}
      value={value === '' ? [] : [value]}
      inputValue={typed ?? chosen?.name ?? ''}
      openOnClick
      onInputValueChange={(e) => {
        if (e.reason === 'input-change') setTyped(e.inputValue);
      }}
      onValueChange={(e) => {
        setTyped(null);
        onChange(e.value[0] ?? '');
      }}
      onOpenChange={(e) => {
        if (!e.open) setTyped(null);
      }}
    >
      <Combobox.Control>
        <Combobox.Input placeholder={none} aria-label={label} borderColor="border.strong" />
        <Combobox.IndicatorGroup>
          <Combobox.ClearTrigger aria-label={t`Clear ${label.toLowerCase()}`} />
          <Combobox.Trigger aria-label={t`Open ${label.toLowerCase()}`} />
        </Combobox.IndicatorGroup>
      </Combobox.Control>
      <Portal>
        <Combobox.Positioner>
          <Combobox.Content bg="bg.panel" maxH="18rem">
            <Combobox.Empty>{t`No breed has these words.`}</Combobox.Empty>
            {collection.items.map((breed) => (
              <Combobox.Item item={breed} key={breed.id}>
                {breed.name} ({shapeWords[breed.shape].toLowerCase()})
                <Combobox.ItemIndicator />
              </Combobox.Item>
            ))}
          </Combobox.Content>
        </Combobox.Positioner>
      </Portal>
    </Combobox.Root>
  );
}
