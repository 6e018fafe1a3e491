import {
  dehydrate,
  hydrate,
  onlineManager,
  type DehydratedState,
  type Query,
  type QueryClient,
} from '@tanstack/react-query';
import { fromDevice, keepSetting } from '../shared/saving/device';

const STORE = 'jaunty-badge.answers';
const DAY_MS = 24 * 60 * 60 * 1000;
const EVERY_MS = 1000;
const MOST = 60;

interface Kept {
  /** Another build may read other answers. */
  build: string;
  queries: DehydratedState['queries'];
}

/** What a dog in a muzzle, or at training, is seen by. */
const ofDog = new Set([
  'card',
  'wears',
  'wear-limit',
  'plan',
  'hand-card',
  'news',
  'treats',
  'next-session',
  'sign-pictures',
  'outlook',
]);
const besides = new Set(['me', 'home', 'round', 'worn-signs', 'signs', 'writing', 'weather', 'session']);
const isKept = ({ queryKey: [what, , of], state }: Query) =>
  state.status === 'success' && (what === 'dog' ? ofDog.has(String(of)) : besides.has(String(what)));

/** Keeps the last answers on this device, and the product itself, so that a reload while the server is away still shows them. */
export function comeUpWithoutTheServer(queries: QueryClient) {
  const build = document.querySelector<HTMLScriptElement>('script[type=module][src]')?.src ?? '';
  const stored = fromDevice<Kept>(STORE);
  let kept = stored?.build === build ? stored.queries : [];
  // Shown only where the server does not answer: whoever reaches it is told what is so now.
  const show = () => {
    hydrate(queries, { mutations: [], queries: kept });
    void queries.invalidateQueries({ refetchType: 'none' });
  };
  const forget = onlineManager.subscribe((online) => {
    if (online) return;
    forget();
    show();
  });
  // Something was asked for before, and got no answer.
  if (!onlineManager.isOnline()) {
    forget();
    show();
  }

  let waiting: number | undefined;
  queries.getQueryCache().subscribe(({ type }) => {
    if (type !== 'updated') return;
    waiting ??= window.setTimeout(() => {
      waiting = undefined;
      const now = dehydrate(queries, { shouldDehydrateQuery: isKept }).queries;
      const asked = new Set(now.map((q) => q.queryHash));
      kept = [...now, ...kept.filter((q) => !asked.has(q.queryHash))]
        .filter((q) => Date.now() - q.state.dataUpdatedAt < DAY_MS)
        .sort((a, b) => b.state.dataUpdatedAt - a.state.dataUpdatedAt)
        .slice(0, MOST);
      if (kept.length > 0) keepSetting(STORE, JSON.stringify({ build, queries: kept } satisfies Kept));
    }, EVERY_MS);
  });

  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  // Where there is none, the product only needs its server to come up.
  const register = () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register);
}
