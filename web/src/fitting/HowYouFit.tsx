import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { Slide } from '../shared/Slide';
import { entries, materialSchoolWords, visibilityWords } from '../shared/words';
import { useFitSettings } from './useFits';

type Settings = Schemas['FitSettingsDto'];
const weights = ['comfort', 'safety', 'feeding'] as const;
const weightWords = { comfort: 'Comfort', safety: 'Safety', feeding: 'Feeding' };

/** The practice's schools, its finger and what it weighs among muzzles that fit equally surely. Kept at every change. */
export function HowYouFit({ settings }: { settings: Settings }) {
  const keep = useFitSettings();
  const [draft, setDraft] = useState(settings);
  const [finger, setFinger] = useState(String(settings.fingerMm));
  const change = (next: Settings) => {
    setDraft(next);
    keep.mutate(next);
  };
  return (
    <details>
      <chakra.summary cursor="pointer" fontWeight="700">
        How you fit
      </chakra.summary>
      <Flex gap="5" wrap="wrap" pt="2" align="end">
        <Box as="label">
          <Text fontSize="sm">Material against bites</Text>
          <Choice
            size="sm"
            width="16rem"
            value={draft.material}
            options={entries(materialSchoolWords)}
            onChange={(material) => change({ ...draft, material })}
          />
        </Box>
        <Box as="label">
          <Text fontSize="sm">Colour</Text>
          <Choice
            size="sm"
            width="13rem"
            value={draft.visibility}
            options={entries(visibilityWords)}
            onChange={(visibility) => change({ ...draft, visibility })}
          />
        </Box>
        <Box as="label">
          <Text fontSize="sm">Your finger, mm</Text>
          <Input
            size="sm"
            w="5rem"
            inputMode="decimal"
            value={finger}
            borderColor="border.strong"
            onChange={(e) => {
              setFinger(e.target.value);
              const mm = Number(e.target.value.replace(',', '.'));
              if (mm >= 8 && mm <= 30) change({ ...draft, fingerMm: mm });
            }}
          />
        </Box>
        {weights.map((name) => (
          <Slide
            key={name}
            label={weightWords[name]}
            width="8rem"
            max={5}
            value={draft[name]}
            onChange={(weight) => setDraft({ ...draft, [name]: weight })}
            onEnd={(weight) => change({ ...draft, [name]: weight })}
          />
        ))}
      </Flex>
      <Text fontSize="sm" color="fg.muted" mt="1">
        For every dog of the practice; saved as you change it.
      </Text>
    </details>
  );
}
