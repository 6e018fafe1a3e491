import { Box, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { ReactNode } from 'react';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { Why } from '../shared/Why';
import { entries, fitStyleWords, provenanceWords, purposeWords } from '../shared/words';
import { HowYouFit } from './HowYouFit';
import type { Question } from './useFits';

/** What the catalogue is judged for, and by which numbers. */
export function JudgedFor({
  fits,
  card,
  question,
  onChange,
}: {
  fits: Schemas['FitsDto'];
  card: Schemas['DogCardDto'];
  question: Question;
  onChange: (q: Question) => void;
}) {
  const { brief } = fits;
  const rests = fits.snout.filter((s) => s.provenance !== 'measured' && s.part !== 'fitLine');
  return (
    <>
      <Flex wrap="wrap" gap="4" align="end" mb="3">
        <Named label={t`For`}>
          <Choice
            size="sm"
            width="9.5rem"
            value={question.uses?.[0] ?? ''}
            none={t`All its purposes`}
            options={card.dog.purposes.map((p) => [p, t`${purposeWords[p]} only`])}
            onChange={(v) =>
              onChange({ ...question, uses: v ? [v] : null, minutes: null, warm: null, clinicHands: null })
            }
          />
        </Named>
        <Named label={t`Worn up to`}>
          <Choice
            size="sm"
            width="7.5rem"
            value={String(brief.minutes)}
            options={lengthsOfWear(brief.minutes)}
            onChange={(v) => onChange({ ...question, minutes: Number(v) })}
          />
        </Named>
        <Named label={t`Where`}>
          <Choice
            size="sm"
            width="12rem"
            value={brief.warm ? 'warm' : 'cool'}
            options={[
              ['warm', t`Warm or at exercise`],
              ['cool', t`Cool and calm`],
            ]}
            onChange={(v) => onChange({ ...question, warm: v === 'warm' })}
          />
        </Named>
        {brief.clinicOnly && (
          <Named label={t`Put on by`}>
            <Choice
              size="sm"
              width="11rem"
              value={brief.clinicHands ? 'clinic' : 'others'}
              options={[
                ['others', t`You or its keeper`],
                ['clinic', t`The clinic's own staff`],
              ]}
              onChange={(v) => onChange({ ...question, clinicHands: v === 'clinic' })}
            />
          </Named>
        )}
        <Named label={t`Fit style`}>
          <Choice
            size="sm"
            width="7.5rem"
            value={brief.fitStyle}
            options={entries(fitStyleWords)}
            onChange={(fitStyle) => onChange({ ...question, fitStyle, fingers: null })}
          />
        </Named>
        <Named label={t`Fingers`}>
          <Choice
            size="sm"
            width="5.5rem"
            value={String(brief.fingers)}
            options={[
              ['1', t`One`],
              ['2', t`Two`],
            ]}
            onChange={(v) => onChange({ ...question, fingers: Number(v) })}
          />
        </Named>
      </Flex>
      <Flex gap="6" my="3" wrap="wrap" align="start" justify="space-between">
        <Text maxW="44rem">
          <b>{brief.advice.says}.</b> {brief.advice.reason}{' '}
          <Why basis={brief.advice.basis} about={t`One muzzle or two`} />
        </Text>
        <HowYouFit settings={fits.settings} />
      </Flex>
      {rests.length > 0 && (
        <Text fontSize="sm" mt="2">
          <Trans>
            {rests.some((s) => s.provenance === 'assumed') && <b>{t`Take the missing readings before you order. `}</b>}
            Not read but worked out:{' '}
            {rests.map((s) => `${s.name.toLowerCase()} ${provenanceWords[s.provenance]} (${s.how})`).join('; ')}.
          </Trans>
        </Text>
      )}
    </>
  );
}

const lengthsOfWear = (now: number): [string, string][] =>
  [...new Set([5, 15, 30, 60, 120, now])].sort((a, b) => a - b).map((m) => [String(m), t`${m} minutes`]);

function Named({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box as="label">
      <Text as="span" fontSize="sm" color="fg.muted">
        {label}
      </Text>
      {children}
    </Box>
  );
}
