import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { Amount } from '../shared/Amount';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { Conflict } from '../shared/saving/Conflict';
import { differences } from '../shared/saving/differences';
import { useDocument } from '../shared/saving/useDocument';
import { Slide } from '../shared/Slide';
import { entries, materialSchoolWords, visibilityWords } from '../shared/words';
import { settingsDocument } from './document';

type Settings = Schemas['FitSettingsDto'];
const weights = ['comfort', 'safety', 'feeding'] as const;
const weightWords = { comfort: t`Comfort`, safety: t`Safety`, feeding: t`Feeding` };

/** The practice's schools, its finger and what it weighs among muzzles that fit equally surely. Kept at every change. */
export function HowYouFit({ settings }: { settings: Settings }) {
  const { value, change, tryChange, state, theirs, keepMine, takeTheirs } = useDocument(
    settingsDocument,
    'practice',
    settings,
    t`how you fit`,
  );
  // A weight moves with the hand and is kept when it is let go.
  const [moving, setMoving] = useState<Partial<Record<(typeof weights)[number], number>>>({});
  const draft = { ...value, ...moving };
  return (
    <details open={theirs !== null || undefined}>
      <chakra.summary cursor="pointer" fontWeight="700">{t`How you fit`}</chakra.summary>
      <Flex gap="5" wrap="wrap" pt="2" align="end">
        <Box as="label">
          <Text fontSize="sm">{t`Material against bites`}</Text>
          <Choice
            size="sm"
            width="16rem"
            value={draft.material}
            options={entries(materialSchoolWords)}
            onChange={(material) => change({ ...value, material })}
          />
        </Box>
        <Box as="label">
          <Text fontSize="sm">{t`Colour`}</Text>
          <Choice
            size="sm"
            width="13rem"
            value={draft.visibility}
            options={entries(visibilityWords)}
            onChange={(visibility) => change({ ...value, visibility })}
          />
        </Box>
        <Amount
          label={t`Your finger, mm`}
          value={String(draft.fingerMm)}
          onKeep={(fingerMm) => tryChange({ ...value, fingerMm: fingerMm ?? value.fingerMm })}
        />
        {weights.map((name) => (
          <Slide
            key={name}
            label={weightWords[name]}
            width="8rem"
            max={5}
            value={draft[name]}
            onChange={(weight) => setMoving({ [name]: weight })}
            onEnd={(weight) => {
              setMoving({});
              change({ ...value, [name]: weight });
            }}
          />
        ))}
      </Flex>
      <Text fontSize="sm" color="fg.muted" mt="1">
        <Trans>
          For every dog of the practice. <span role="status">{state}</span>
        </Trans>
      </Text>
      {theirs && (
        <Conflict
          says={t`Someone else changed how you fit in the meantime.`}
          differences={differences(settingWords, value, settingsDocument.read(theirs))}
          keepMine={keepMine}
          takeTheirs={takeTheirs}
        />
      )}
    </details>
  );
}

const settingWords = {
  material: t`Material against bites`,
  visibility: t`Colour`,
  fingerMm: t`Your finger, mm`,
  ...weightWords,
} as const;
