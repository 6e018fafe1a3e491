import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Amount } from '../shared/Amount';
import { words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { complain } from '../shared/notices';
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
  const change = (next: Settings) => {
    setDraft(next);
    keep(next).catch((error: unknown) => complain(words(error)));
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
        <Amount
          label="Your finger, mm"
          value={String(draft.fingerMm)}
          onKeep={async (fingerMm) => setDraft(await keep({ ...draft, fingerMm }))}
        />
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
