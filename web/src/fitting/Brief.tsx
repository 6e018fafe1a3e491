import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { memo, useState } from 'react';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { NoteForm } from '../shared/form/NoteForm';
import { hasDraft } from '../shared/saving/useKeptForm';
import { Why } from '../shared/Why';
import { demandWords, entries, purposeWords, fitStyleWords, topicWords, provenanceWords } from '../shared/words';
import { HowYouFit } from './HowYouFit';
import { useOverrule, type Question } from './useFits';

type BriefLine = Schemas['BriefLine'];

/** What the dog needs, line by line, before any muzzle is looked at; each line can be overruled with a note. */
export const Brief = memo(function Brief({
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
  const topics = [...new Set(brief.lines.map((l) => l.topic))];
  const rests = fits.snout.filter((s) => s.provenance !== 'measured' && s.part !== 'fitLine');
  return (
    <Box as="section" aria-label={t`The brief`}>
      <Line
        title={t`What ${card.dog.name} needs`}
        says={summaryOf(brief.lines)}
        open={brief.lines.some((l) => hasDraft(`overrule/${card.dog.id}.${l.id}`))}
      >
        <Box as="dl" css={{ columnWidth: '17rem', columnGap: '1.75rem' }}>
          {topics.map((topic) => {
            const lines = brief.lines.filter((l) => l.topic === topic);
            return (
              <Box key={topic} borderTopWidth="2px" borderColor="fg" pt="1" mb="2" css={{ breakInside: 'avoid' }}>
                <Text as="dt" fontSize="sm" color="fg.muted">
                  {topicWords[topic]}
                </Text>
                {lines.map((line, i) => (
                  <BriefRow
                    key={line.id}
                    line={line}
                    version={brief.overruled[line.id] ?? 0}
                    dogId={card.dog.id}
                    again={lines[i - 1]?.says === line.says}
                  />
                ))}
              </Box>
            );
          })}
        </Box>
      </Line>
      <Line title={t`Judged for`} says={askedOf(question, brief)}>
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
              {rests.some((s) => s.provenance === 'assumed') && (
                <b>{t`Take the missing readings before you order. `}</b>
              )}
              Not read but worked out:{' '}
              {rests.map((s) => `${s.name.toLowerCase()} ${provenanceWords[s.provenance]} (${s.how})`).join('; ')}.
            </Trans>
          </Text>
        )}
      </Line>
      {brief.clashes.map((clash) => (
        <Box key={clash.id} borderInlineStartWidth="4px" borderColor="accent" ps="3" mt="2" maxW="60rem">
          <Text>
            <b>{t`These pull apart. ${clash.says}`}</b> {clash.do}{' '}
            <Why basis={clash.basis} about={t`What pulls apart`} />
          </Text>
        </Box>
      ))}
    </Box>
  );
});

/** The brief in a breath: what never, what must be, what is wished for, and what of it does not bind. */
const summaryOf = (lines: BriefLine[]) => {
  const says = (of: (line: BriefLine) => boolean) => [...new Set(lines.filter(of).map((l) => l.says.toLowerCase()))];
  return [
    ...(['ruledOut', 'required', 'wanted'] as const).map((demand): [string, string[]] => [
      demandWords[demand],
      says((l) => l.demand === demand && !l.overruled),
    ]),
    [t`Overruled`, says((l) => Boolean(l.overruled))] as [string, string[]],
  ]
    .filter(([, found]) => found.length > 0)
    .map(([label, found]) => `${label.charAt(0).toUpperCase()}${label.slice(1)}: ${found.join(', ')}.`)
    .join(' ');
};

/** What the catalogue is judged for, in a breath. */
const askedOf = (question: Question, brief: Schemas['BriefDto']) =>
  [
    question.uses?.[0] ? t`${purposeWords[question.uses[0]]} only` : t`all its purposes`,
    t`up to ${brief.minutes} minutes`,
    brief.warm ? t`warm or at exercise` : t`cool and calm`,
    t`${fitStyleWords[brief.fitStyle]} fit`,
    brief.fingers === 1 ? t`one finger under it` : t`two fingers under it`,
    brief.advice.says,
  ]
    .join(' · ')
    .replace(/^./, (first) => first.toUpperCase());

/** One quiet line that unfolds. */
function Line({
  title,
  says,
  open = false,
  children,
}: {
  title: string;
  says: string;
  /** Something typed waits in it. */
  open?: boolean;
  children: React.ReactNode;
}) {
  const [openAtFirst] = useState(open);
  return (
    <chakra.details open={openAtFirst} css={{ '&[open] .says': { display: 'none' } }}>
      <chakra.summary cursor="pointer" whiteSpace="nowrap" overflow="hidden" textOverflow="ellipsis" py="0.5">
        <b>{title}:</b>{' '}
        <Text as="span" className="says" color="fg.muted">
          {says}
        </Text>
      </chakra.summary>
      <Box mt="2" mb="3">
        {children}
      </Box>
    </chakra.details>
  );
}

const lengthsOfWear = (now: number): [string, string][] =>
  [...new Set([5, 15, 30, 60, 120, now])].sort((a, b) => a - b).map((m) => [String(m), t`${m} minutes`]);

function Named({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box as="label">
      <Text as="span" fontSize="sm" color="fg.muted">
        {label}
      </Text>
      {children}
    </Box>
  );
}

function BriefRow({
  line,
  version,
  dogId,
  again,
}: {
  line: BriefLine;
  version: number;
  dogId: string;
  again: boolean;
}) {
  const { overruling, letStand } = useOverrule(dogId);
  const draft = `overrule/${dogId}.${line.id}`;
  const [asks, setAsks] = useState(() => hasDraft(draft));
  return (
    <Box as="dd" pb="1.5">
      <Flex gap="2" align="baseline" display={again && !line.overruled ? 'none' : 'flex'}>
        <chakra.span
          fontSize="xs"
          fontWeight="700"
          minW="2.6rem"
          color={line.demand === 'ruledOut' ? 'stop' : line.demand === 'required' ? 'fg' : 'fg.muted'}
        >
          {demandWords[line.demand]}
        </chakra.span>
        <Text flex="1" fontWeight="700" textDecoration={line.overruled ? 'line-through' : undefined} lineHeight="1.25">
          {line.says}
        </Text>
        <Why basis={line.basis} about={line.says} />
      </Flex>
      <Text fontSize="sm" ps="3.1rem" lineHeight="1.3">
        {line.reason}{' '}
        {line.canOverrule && !asks && (
          <chakra.button
            type="button"
            textDecoration="underline"
            color="fg.muted"
            cursor="pointer"
            aria-label={t`Overrule: ${line.says}`}
            onClick={() => setAsks(true)}
          >{t`overrule`}</chakra.button>
        )}
      </Text>
      {line.overruled && (
        <Text fontSize="sm" ps="3.1rem">
          <b>{t`Overruled: ${line.overruled}`}</b>{' '}
          <chakra.button
            type="button"
            textDecoration="underline"
            cursor="pointer"
            aria-label={t`Let it stand again: ${line.says}`}
            onClick={() => void letStand(line, version)}
          >{t`let it stand`}</chakra.button>
        </Text>
      )}
      {asks && (
        <Box ps="3.1rem">
          <NoteForm<Schemas['BriefDto']>
            size="sm"
            strong
            label={t`Why overrule: ${line.says}`}
            field="note"
            draft={draft}
            does={t`Overrule`}
            stands={(brief) => {
              const note = brief.lines.find((l) => l.id === line.id)?.overruled;
              return note ? t`The line is overruled already: ${note}.` : t`The line stands again.`;
            }}
            change={(note, newest = version) => overruling(line, note, newest)}
            onKept={() => setAsks(false)}
            onLeave={() => setAsks(false)}
          />
        </Box>
      )}
    </Box>
  );
}
