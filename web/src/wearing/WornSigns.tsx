import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { SignButtons } from '../shared/SignButtons';
import { entries, signGroupWords } from '../shared/words';
import { wornSignsQuery } from './useWearing';

interface Props {
  dogId: string;
  seen: { id: string; signId: string }[];
  onTap: (signId: string) => void;
  onTakeBack: (seenId: string) => void;
}

/** What the dog shows in it, one tap each: trouble with breath, heat or swallowing is always in sight, the rest one tap away. */
export function WornSigns({ dogId, seen, onTap, onTakeBack }: Props) {
  const [open, setOpen] = useState(false);
  const signs = useQuery(wornSignsQuery).data?.signs ?? [];
  const last = seen.at(-1);
  const name = (id: string) => signs.find((s) => s.id === id)?.name ?? id;
  const buttons = (some: typeof signs) => (
    <SignButtons dogId={dogId} signs={some.map((s) => ({ ...s, grave: s.offNow }))} seen={seen} onTap={onTap} />
  );
  return (
    <Box as="section" aria-label={t`Signs`}>
      <Text fontWeight="700" fontSize="sm" color="stop">{t`⬣ Any of these: off now`}</Text>
      {buttons(signs.filter((s) => s.group === null))}
      <Flex gap="2" align="center" mt="3" wrap="wrap">
        <Button
          minH="11"
          variant="outline"
          borderColor="border.strong"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? t`Close the other signs` : t`It shows …`}
        </Button>
        {last && (
          <Button
            size="sm"
            minH="11"
            h="auto"
            whiteSpace="normal"
            variant="ghost"
            onClick={() => onTakeBack(last.id)}
          >{t`Take back the sign “${name(last.signId)}”`}</Button>
        )}
      </Flex>
      {open &&
        entries(signGroupWords)
          .reverse()
          .map(([group, words]) => (
            <Box key={group} mt="3">
              <Text fontWeight="700" fontSize="sm" color={group === 'overThreshold' ? 'stop' : 'fg'}>
                {words}
              </Text>
              {buttons(signs.filter((s) => s.group === group))}
            </Box>
          ))}
    </Box>
  );
}
