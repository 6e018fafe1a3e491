import { dehydrate, hydrate, type DehydratedState, type Query, type QueryClient } from '@tanstack/react-query';
import { keepSetting, setting } from '../shared/saving/device';

const STORE = 'jaunty-badge.answers';
const DAY_MS = 24 * 60 * 60 * 1000;
const EVERY_MS = 1000;

interface Kept {
  at: number;
  /** Another build may read other answers. */
  build: string;
  state: DehydratedState;
}

/** What a dog in a muzzle, or at training, is seen by. */
const ofDog = new Set(['card', 'wears', 'wear-limit', 'plan']);
const besides = new Set(['round', 'worn-signs', 'signs', 'writing', 'weather', 'session']);
const isKept = ({ queryKey: [what, , of], state }: Query) =>
  state.status === 'success' && (what === 'dog' ? ofDog.has(String(of)) : besides.has(String(what)));

/** Keeps the last answers on this device, and the product itself, so that a reload while the server is away still shows them. */
export function comeUpWithoutTheServer(queries: QueryClient) {
  const build = document.querySelector<HTMLScriptElement>('script[type=module][src]')?.src ?? '';
  const kept = JSON.parse(setting(STORE) ?? 'null') as Kept | null;
  if (kept?.build === build && Date.now() - kept.at < DAY_MS) hydrate(queries, kept.state);
  let waiting: number | undefined;
  queries.getQueryCache().subscribe(({ type }) => {
    if (type !== 'updated' && type !== 'removed') return;
    waiting ??= window.setTimeout(() => {
      waiting = undefined;
      const answers: Kept = { at: Date.now(), build, state: dehydrate(queries, { shouldDehydrateQuery: isKept }) };
      keepSetting(STORE, JSON.stringify(answers));
    }, EVERY_MS);
  });
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  // Where there is none, the product only needs its server to come up.
  const register = () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register);
}
