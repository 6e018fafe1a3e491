import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { request, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { NoteForm } from '../shared/form/NoteForm';
import { keys } from '../shared/keys';
import { takeIn } from '../shared/takeIn';
import type { Session } from './useSession';

const titles: Record<Schemas['DecisionKind'], string> = {
  endNow: t`End now`,
  back: t`A step easier`,
  same: t`The same again`,
  raise: t`On to the next target`,
  passed: t`Step passed`,
  goOn: t`Not clear yet`,
};

/** What the rule made of the set just finished, and why; until training goes on it can be overruled with a note. */
export function DecisionBox({
  set,
  ended,
  overrule,
  session,
}: {
  set: Schemas['SetDto'];
  ended: boolean;
  overrule: Schemas['OverruleDto'] | null;
  session: Session;
}) {
  if (!set.decision) return null;
  const harm = set.decision === 'endNow';
  return (
    <Box role="status" my="3" borderInlineStartWidth="5px" borderColor={harm ? 'stop' : 'accent'} ps="4" py="1">
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
        <Overruling key={set.overruled} set={set} overrule={overrule} session={session} />
      )}
    </Box>
  );
}

function Overruling({
  set,
  overrule,
  session,
}: {
  set: Schemas['SetDto'];
  overrule: Schemas['OverruleDto'];
  session: Session;
}) {
  const [at, setAt] = useState(`${set.target}`);
  const queries = useQueryClient();
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
      <NoteForm<Session>
        size="sm"
        field="note"
        draft={`set/${session.id}.${set.number}`}
        label={t`Why? It stays on the record`}
        does={t`Go on there`}
        stands={(theirs) => {
          const note = theirs.sets.find((s) => s.number === set.number)?.overruled;
          return note ? t`This set is overruled already. ${note}` : t`Training has gone on since this set.`;
        }}
        change={(note, newest = set.version) => ({
          ...request(
            'post',
            '/api/sessions/{sessionId}/sets/{number}/overrule',
            { sessionId: session.id, number: set.number },
            { target: Number(at), note },
            newest,
          ),
          what: t`a set of ${session.dogName} overruled`,
          dogId: session.dogId,
          again: [keys.session(session.id)],
        })}
        onKept={(answer) => takeIn(queries, keys.session(session.id), answer)}
      />
    </chakra.details>
  );
}
