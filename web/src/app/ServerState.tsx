import { Box, Button, chakra, Flex, Link, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { Link as RouterLink, useLocation } from 'react-router';
import { sessionsAstray } from '../conditioning/deliver';
import { outbox } from '../shared/queries';
import { forgetsAtTheEnd, onForgetting } from '../shared/saving/device';
import { useReachable } from '../shared/saving/server';
import { keys } from '../shared/keys';

const LOOK_MS = 60_000;

/** Which front end the server serves now: the name of its script carries a hash of what is in it. */
const served = async () =>
  /src="([^"]+index-[^"]+[.]js)"/.exec(await (await fetch('/', { cache: 'no-store' })).text())?.[1] ?? '';

const mine = () => document.querySelector<HTMLScriptElement>('script[type=module][src]')?.getAttribute('src') ?? '';

/** Lets the new one in the place of the old one, then loads it. */
async function loadTheNewOne() {
  const registration = await navigator.serviceWorker?.getRegistration();
  await registration?.update().catch(() => undefined);
  const next = registration?.waiting;
  if (next) {
    const changed = new Promise((done) =>
      navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }),
    );
    next.postMessage({ type: 'SKIP_WAITING' });
    await Promise.race([changed, new Promise((late) => setTimeout(late, 2000))]);
  }
  window.location.reload();
}

/** What stands between this page and the server: it cannot be reached, something is not saved yet, or the product was updated. */
export function ServerState() {
  const reachable = useReachable();
  const { pathname } = useLocation();
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const forgets = useSyncExternalStore(onForgetting, forgetsAtTheEnd);
  const unsaved = outbox.all();
  const stuck = unsaved.filter((u) => u.refused !== null || u.later !== null || !reachable);
  const news = outbox.news();
  const newest = useQuery({ queryKey: keys.served(), queryFn: served, refetchInterval: LOOK_MS, staleTime: LOOK_MS });
  // Never while somebody trains, or a muzzle is on: it is offered between.
  const busy = /^\/sessions\/|\/wear$/.test(pathname);
  const updated = !busy && newest.data !== undefined && newest.data !== '' && mine() !== '' && newest.data !== mine();
  const astray = sessionsAstray().filter((id) => !pathname.endsWith(id));
  if (reachable && stuck.length === 0 && news.length === 0 && !forgets && !updated && astray.length === 0) return null;
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
      {stuck.length > 0 && <Unsent stuck={stuck} reachable={reachable} />}
      {forgets && (
        <Text>{t`△ This browser keeps nothing on this device, or has no room left: what is not sent yet is lost when this page is closed.`}</Text>
      )}
      {news.map(({ what, says, heard }) => (
        <Flex key={what} gap="3" align="center" wrap="wrap">
          <Text>
            <Trans>
              <b>{what}, told by another device meanwhile.</b> {says.join('; ')}
            </Trans>
          </Text>
          <Button size="xs" variant="outline" borderColor="border.strong" onClick={heard}>{t`Seen`}</Button>
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
            onClick={() => void loadTheNewOne()}
          >{t`Load the new one`}</Button>
        </Flex>
      )}
    </Box>
  );
}

/** So many are named at once; more are listed when they are asked for. */
const FEW = 2;

/** What is not sent yet, each to be looked at where it was typed. */
function Unsent({ stuck, reachable }: { stuck: ReturnType<typeof outbox.all>; reachable: boolean }) {
  const refused = stuck.filter((u) => u.refused !== null);
  const later = stuck.find((u) => u.later !== null)?.later;
  const names = [...new Set(stuck.map((u) => u.what))];
  const count = plural(stuck.length, { one: '# thing not sent yet', other: '# things not sent yet' });
  return (
    <chakra.details open={refused.length > 0 || undefined}>
      <chakra.summary cursor="pointer">
        <b>{count}</b>
        {names.length <= FEW ? `: ${names.join(', ')}. ` : '. '}
        {/* Said above already where the server is away altogether. */}
        {refused.length < stuck.length && later && reachable ? t`${later} Kept on this device and tried again.` : ''}
      </chakra.summary>
      <ul>
        {stuck.map((u) => (
          <Flex as="li" key={u.id ?? u.what} gap="3" py="1" align="center" wrap="wrap">
            <Text>
              {u.page ? (
                <Link asChild textDecoration="underline" color="fg">
                  <RouterLink to={u.page}>{u.what}</RouterLink>
                </Link>
              ) : (
                u.what
              )}
              {u.refused !== null && t`: not saved. ${u.refused} Mend it where you typed it, or`}
            </Text>
            {u.refused !== null && (
              <Button
                size="xs"
                variant="outline"
                borderColor="border.strong"
                onClick={u.throwAway}
              >{t`Throw it away`}</Button>
            )}
          </Flex>
        ))}
      </ul>
    </chakra.details>
  );
}
