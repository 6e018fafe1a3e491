import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { entries, signGroupWords } from '../shared/words';
import { padRow } from '../shared/padSizes';
import { SignButtons } from '../shared/SignButtons';
import { signsQuery } from './tables';

interface Props {
  dogId: string;
  seen: { id: string; signId: string }[];
  onTap: (signId: string) => void;
  onTakeBack: (seenId: string) => void;
  onStop: () => void;
}

const marks: Record<Schemas['SignGroup'], string> = { atEase: '○', unsure: '◔', worried: '◑', overThreshold: '⬣' };

/** What the dog shows, one tap each, in a tray over the pad: the goes stay where the thumb knows them. The worst stand first. */
export function Signs({ dogId, seen, onTap, onTakeBack, onStop }: Props) {
  const [open, setOpen] = useState(false);
  const signs = useQuery(signsQuery);
  const last = seen.at(-1);
  // Known by its name, or not shown: an id is no word.
  const name = signs.data?.find((s) => s.id === last?.signId)?.name;
  return (
    <Box as="section" aria-label={t`Signs`}>
      {/* Above what is tapped, so that neither Stop nor the goes move when it comes. */}
      {last && name && (
        <Button
          {...padRow}
          h="auto"
          w="full"
          variant="ghost"
          onClick={() => onTakeBack(last.id)}
        >{t`Take back the sign “${name}”`}</Button>
      )}
      {open && (
        <Box
          maxH="clamp(4.5rem, calc(100dvh - 27rem), 40vh)"
          overflowY="auto"
          pb="2"
          borderBottomWidth="1px"
          borderColor="border"
          mb="2"
        >
          <Groups dogId={dogId} seen={seen} onTap={onTap} />
        </Box>
      )}
      <Flex gap="2" align="center">
        <ItShows seen={seen} open={open} onOpen={setOpen} flex="1" />
        <Button {...padRow} colorPalette="brick" onClick={onStop}>{t`⬣ Stop`}</Button>
      </Flex>
    </Box>
  );
}

/** The same after a session, with nothing beside it that could move. */
export function SignTray({
  dogId,
  seen,
  onTap,
  onTakeBack,
}: {
  dogId: string;
  seen: Props['seen'];
  onTap: Props['onTap'];
  /** Null where what was seen has decided something. */
  onTakeBack: Props['onTakeBack'] | null;
}) {
  const [open, setOpen] = useState(false);
  const last = seen.at(-1);
  return (
    <Box as="section" aria-label={t`Signs`}>
      <Flex gap="2" wrap="wrap">
        <ItShows seen={seen} open={open} onOpen={setOpen} />
        {last && onTakeBack && (
          <Button {...padRow} variant="ghost" onClick={() => onTakeBack(last.id)}>{t`Take back the last sign`}</Button>
        )}
      </Flex>
      {open && (
        <Box mt="2">
          <Groups dogId={dogId} seen={seen} onTap={onTap} />
        </Box>
      )}
    </Box>
  );
}

/** Opens and closes what the dog can show. */
function ItShows({
  seen,
  open,
  onOpen,
  flex,
}: {
  seen: Props['seen'];
  open: boolean;
  onOpen: (open: boolean) => void;
  flex?: string;
}) {
  return (
    <Button
      flex={flex}
      {...padRow}
      variant="outline"
      borderColor="border.strong"
      aria-expanded={open}
      onClick={() => onOpen(!open)}
    >
      {open ? t`Close the signs` : seen.length === 0 ? t`It shows …` : t`It shows … (${seen.length} so far)`}
    </Button>
  );
}

function Groups({ dogId, seen, onTap }: Pick<Props, 'dogId' | 'seen' | 'onTap'>) {
  const signs = useQuery(signsQuery);
  return entries(signGroupWords)
    .reverse()
    .map(([group, words]) => (
      <Box key={group} mb="2">
        <Text fontWeight="700" fontSize="sm" color={group === 'overThreshold' ? 'stop' : 'fg'}>
          <span aria-hidden="true">{marks[group]}</span> {words}
        </Text>
        <SignButtons
          dogId={dogId}
          signs={(signs.data ?? [])
            .filter((s) => s.group === group)
            .map((s) => ({ ...s, grave: group === 'overThreshold' }))}
          seen={seen}
          onTap={onTap}
        />
      </Box>
    ));
}
