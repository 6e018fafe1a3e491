import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { NoteForm } from '../shared/form/NoteForm';
import { hasDraft } from '../shared/saving/drafts';
import { Why } from '../shared/Why';
import { demandWords, topicWords } from '../shared/words';
import { useOverrule } from './useFits';

type BriefLine = Schemas['BriefLine'];

/** What the dog needs, by topic; each line can be overruled with a note. */
export function Needs({ brief, dogId }: { brief: Schemas['BriefDto']; dogId: string }) {
  const topics = [...new Set(brief.lines.map((l) => l.topic))];
  return (
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
                dogId={dogId}
                again={lines[i - 1]?.says === line.says}
              />
            ))}
          </Box>
        );
      })}
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
