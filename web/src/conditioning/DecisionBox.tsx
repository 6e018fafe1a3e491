import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { NoteForm } from '../shared/form/NoteForm';

const titles: Record<Schemas['DecisionKind'], string> = {
  endNow: t`End now`,
  back: t`A step easier`,
  same: t`The same again`,
  raise: t`On to the next target`,
  passed: t`Step passed`,
  goOn: t`Not clear yet`,
};

type Overrule = (set: number, target: number, note: string) => Promise<unknown>;

/** What the rule made of the set just finished, and why; until training goes on it can be overruled with a note. */
export function DecisionBox({
  set,
  ended,
  overrule,
  onOverrule,
}: {
  set: Schemas['SetDto'];
  ended: boolean;
  overrule: Schemas['OverruleDto'] | null;
  onOverrule: Overrule;
}) {
  if (!set.decision) return null;
  const harm = set.decision === 'endNow';
  return (
    <Box role="status" my="3" borderLeftWidth="5px" borderColor={harm ? 'stop' : 'accent'} ps="4" py="1">
      <Flex align="baseline" gap="3" wrap="wrap">
        <Text
          fontFamily="heading"
          fontWeight="750"
          fontSize="2xl"
          lineHeight="1.2"
          color={harm ? 'stop' : 'fg'}
          textDecoration={set.overruled ? 'line-through' : undefined}
        >
          {titles[set.decision]}
        </Text>
        {ended && set.decision !== 'endNow' && <Text>{t`Enough for this session.`}</Text>}
      </Flex>
      {set.overruled && <Text fontWeight="700">{t`Overruled. ${set.overruled}`}</Text>}
      <Text>{set.reason}</Text>
      {set.ifStuck && <Text>{t`If stuck: ${set.ifStuck}`}</Text>}
      <Text fontSize="sm" color="fg.muted">
        {set.basis}
      </Text>
      {overrule?.set === set.number && (
        <Overruling key={set.overruled} target={set.target} overrule={overrule} onOverrule={onOverrule} />
      )}
    </Box>
  );
}

function Overruling({
  target,
  overrule,
  onOverrule,
}: {
  target: number;
  overrule: Schemas['OverruleDto'];
  onOverrule: Overrule;
}) {
  const [at, setAt] = useState(`${target}`);
  return (
    <chakra.details mt="1" fontSize="sm">
      <summary>{t`Overrule it`}</summary>
      <Box as="label" display="block" mt="2">
        <Text as="span" fontWeight="700">{t`${overrule.stepName}: go on at`}</Text>
        <Choice
          size="sm"
          value={at}
          options={overrule.rungs.map((r): [string, string] => [
            `${r.target}`,
            r.target < 0 ? t`easier: ${r.text}` : r.text,
          ])}
          onChange={setAt}
        />
      </Box>
      <NoteForm
        size="sm"
        field="note"
        label={t`Why? It stays on the record`}
        does={t`Go on there`}
        onSend={(note) => onOverrule(overrule.set, Number(at), note)}
      />
    </chakra.details>
  );
}
