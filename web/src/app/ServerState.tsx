import { Box, Button, Flex, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { Link as RouterLink, useLocation } from 'react-router';
import { sessionsAstray } from '../conditioning/deliver';
import { outbox } from '../shared/queries';
import { useReachable } from '../shared/saving/server';
import { keys } from '../shared/keys';

const LOOK_MS = 60_000;

/** Which front end the server serves now: the name of its script carries a hash of what is in it. */
const served = async () =>
  /src="([^"]+index-[^"]+[.]js)"/.exec(await (await fetch('/', { cache: 'no-store' })).text())?.[1] ?? '';

const mine = () => document.querySelector<HTMLScriptElement>('script[type=module][src]')?.getAttribute('src') ?? '';

/** What stands between this page and the server: it cannot be reached, something is not saved yet, or the product was updated. */
export function ServerState() {
  const reachable = useReachable();
  const { pathname } = useLocation();
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const unsaved = outbox.all();
  const stuck = unsaved.filter((u) => u.trouble !== null || !reachable);
  const newest = useQuery({ queryKey: keys.served(), queryFn: served, refetchInterval: LOOK_MS, staleTime: LOOK_MS });
  const updated = newest.data !== undefined && newest.data !== '' && mine() !== '' && newest.data !== mine();
  const astray = sessionsAstray().filter((id) => !pathname.endsWith(id));
  if (reachable && stuck.length === 0 && !updated && astray.length === 0) return null;
  const refused = stuck.filter((u) => u.trouble?.kind === 'refused');
  const waiting = stuck.filter((u) => u.trouble?.kind !== 'refused');
  const names = [...new Set(waiting.map((u) => u.what))].join(', ');
  const why = stuck.find((u) => u.trouble?.kind === 'later')?.trouble?.says;
  return (
    <Box role="status" bg="bg.muted" borderBottomWidth="1px" borderColor="border" px={{ base: 4, md: 8 }} py="2">
      {!reachable && (
        <Text>
          <Trans>
            <b>△ The server cannot be reached just now.</b> What you enter is kept on this device and sent as soon as it
            is back.
          </Trans>
        </Text>
      )}
      {names !== '' && (
        <Text>
          <b>{t`Not saved yet:`}</b> {names}. {reachable && why ? t`${why} Kept on this device and tried again.` : ''}
        </Text>
      )}
      {refused.map((u) => (
        <Flex key={u.what} gap="3" align="center" wrap="wrap">
          <Text>
            <Trans>
              <b>Not saved yet:</b> {u.what}. {u.trouble?.says} Mend it where you typed it, or
            </Trans>
          </Text>
          <Button
            size="xs"
            variant="outline"
            borderColor="border.strong"
            onClick={u.throwAway}
          >{t`Throw it away`}</Button>
        </Flex>
      ))}
      {astray.map((id) => (
        <Text key={id}>
          <b>{t`△ Something of a training session was not counted.`}</b>{' '}
          <Link asChild textDecoration="underline" color="fg">
            <RouterLink to={`/sessions/${id}`}>{t`Say where it belongs`}</RouterLink>
          </Link>
        </Text>
      ))}
      {updated && (
        <Flex gap="3" align="center" wrap="wrap">
          <Text>{t`Jaunty Badge was updated. What you typed is kept.`}</Text>
          <Button
            size="xs"
            variant="outline"
            borderColor="border.strong"
            onClick={() => window.location.reload()}
          >{t`Load the new one`}</Button>
        </Flex>
      )}
    </Box>
  );
}
