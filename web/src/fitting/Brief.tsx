import { Box, chakra, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { memo, Suspense, useState, type ReactNode } from 'react';
import type { Schemas } from '../shared/api';
import { late } from '../shared/late';
import { hasDraft } from '../shared/saving/drafts';
import { Why } from '../shared/Why';
import { demandWords, purposeWords, fitStyleWords } from '../shared/words';
import type { Question } from './useFits';

const Needs = late(() => import('./Needs').then((m) => m.Needs));
const JudgedFor = late(() => import('./JudgedFor').then((m) => m.JudgedFor));

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
  return (
    <Box as="section" aria-label={t`The brief`}>
      <Line
        title={t`What ${card.dog.name} needs`}
        says={summaryOf(brief.lines)}
        open={brief.lines.some((l) => hasDraft(`overrule/${card.dog.id}.${l.id}`))}
      >
        <Needs brief={brief} dogId={card.dog.id} />
      </Line>
      <Line title={t`Judged for`} says={askedOf(question, brief)}>
        <JudgedFor fits={fits} card={card} question={question} onChange={onChange} />
      </Line>
      {brief.clashes.map((clash) => (
        <Line key={clash.id} title={t`These pull apart`} says={clash.says} pulls>
          <Text maxW="60rem">
            <b>{clash.says}</b> {clash.do} <Why basis={clash.basis} about={t`What pulls apart`} />
          </Text>
        </Line>
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

/** One quiet line that unfolds; what is in it is made when it is opened. */
function Line({
  title,
  says,
  open = false,
  pulls = false,
  children,
}: {
  title: string;
  says: string;
  /** Something typed waits in it. */
  open?: boolean;
  /** It asks for a look. */
  pulls?: boolean;
  children: ReactNode;
}) {
  const [openAtFirst] = useState(open);
  const [opened, setOpened] = useState(open);
  return (
    <chakra.details
      open={openAtFirst}
      onToggle={(e) => e.currentTarget.open && setOpened(true)}
      {...(pulls && { borderInlineStartWidth: '4px', borderColor: 'accent', ps: '3', mt: '1' })}
      css={{ '&[open] .says': { display: 'none' } }}
    >
      <chakra.summary cursor="pointer" whiteSpace="nowrap" overflow="hidden" textOverflow="ellipsis" py="0.5">
        <b>{title}:</b>{' '}
        <Text as="span" className="says" color={pulls ? 'fg' : 'fg.muted'}>
          {says}
        </Text>
      </chakra.summary>
      <Box mt="2" mb="3">
        {opened && <Suspense>{children}</Suspense>}
      </Box>
    </chakra.details>
  );
}
