import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, words, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { keys } from '../shared/keys';
import { useDecides } from '../shared/me';
import { complain, notify } from '../shared/notices';
import { leaveAside, takeFromAside } from './aside';

type Aside = Schemas['AsideDto'];

/** What withdrawn phones still held: it counts once somebody took it in. */
export function AsideTray() {
  const queries = useQueryClient();
  const decides = useDecides();
  const tray = useQuery({
    queryKey: keys.aside(),
    queryFn: ({ signal }) => ask(api.GET('/api/aside', { signal })),
    enabled: decides,
  });
  const settle = useMutation({
    mutationFn: async ({ of, take }: { of: Aside[]; take: boolean }) => {
      for (const one of of) await (take ? takeFromAside(one) : leaveAside(one));
      return take;
    },
    onSuccess: async (taken) => {
      await queries.invalidateQueries();
      notify(taken ? t`Taken in, as yours.` : t`Left. It counts for nothing.`);
    },
    onError: (error) => complain(words(error)),
  });
  if (!tray.data || tray.data.length === 0) return null;
  const bySender = [...new Set(tray.data.map((a) => `${a.person} ${a.device} ${a.dog ?? ''}`))].map((key) =>
    tray.data.filter((a) => `${a.person} ${a.device} ${a.dog ?? ''}` === key),
  );
  return (
    <Box as="section" mb="8" aria-label={t`To be looked at`} borderInlineStartWidth="4px" borderColor="stop" ps="3">
      <Heading as="h2" size="lg">{t`To be looked at`}</Heading>
      <Text color="fg.muted">{t`Recorded on a phone that may come in no more. It counts only if you take it in.`}</Text>
      {bySender.map((of) => {
        const [first, last] = [of[0], of.at(-1)];
        if (!first || !last) return null;
        return (
          <Flex key={first.id} as="div" gap="3" py="2" wrap="wrap" align="center">
            <Text flex="1" minW="14rem">
              <b>{first.dog ?? t`A dog that was not theirs`}</b>
              {`: ${plural(of.length, { one: '# thing', other: '# things' })}, ${first.person}, ${first.device}, ${dateText(first.at, 'moment')}`}
            </Text>
            <Button
              variant="outline"
              borderColor="border.strong"
              disabled={first.dog === null}
              loading={settle.isPending}
              onClick={() => settle.mutate({ of, take: true })}
            >{t`Take it in`}</Button>
            <Button variant="ghost" onClick={() => settle.mutate({ of, take: false })}>{t`Leave it`}</Button>
          </Flex>
        );
      })}
    </Box>
  );
}
