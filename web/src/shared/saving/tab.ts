import { newId } from '../ids';
import { dropFromDevice, fromDevice, keepOfTab, keepOnDevice, keysOnDevice, ofTab } from './device';

/**
 * What is typed in a tab is that tab's own, though all tabs of a browser keep their things in one place: each key ends with the tab's id. What a tab that is
 * closed left behind goes to the one that asks for it next. Whether a tab is still open the browser knows: it holds a lock as long as it is.
 */
const MARK = '@';
const LOCK = 'jaunty-badge.tab.';
const REMEMBERED = 'jaunty-badge.tab';
/** So long the page before a reload usually takes to let go, a page that lives to say so, and one that does not live to be gone. */
const LETS_GO_MS = 400;
const ANSWERS_MS = 1000;
const GONE_MS = 5000;
const LOOK_MS = 5000;

let tab = 'only';
/** Tabs that left something here and held no lock when that was looked at last; one that came since is none of them. */
let closed = new Set<string>();

export const thisTab = () => tab;

/** Takes an id for this tab, the same through a reload; a copy of a tab takes one of its own. Tells whenever another tab may have been closed. */
export async function claimTab(onLook: () => void) {
  if (!('locks' in navigator)) return;
  const pages = new BroadcastChannel(LOCK);
  const before = ofTab(REMEMBERED);
  // A lock that is held is a page's that lives, then this is a copy of it, or of the page before a reload, which takes its time to go.
  const isMine =
    before !== null &&
    ((await hold(before, LETS_GO_MS)) || (!(await lives(pages, before)) && (await hold(before, GONE_MS))));
  tab = isMine ? before : newId();
  if (!isMine) {
    await hold(tab, GONE_MS);
    keepOfTab(REMEMBERED, tab);
  }
  pages.addEventListener('message', ({ data }: MessageEvent<{ asks?: string }>) => {
    if (data.asks === tab) pages.postMessage({ lives: tab });
  });
  const look = async () => {
    const { held } = await navigator.locks.query();
    const open = new Set((held ?? []).map((lock) => (lock.name ?? '').slice(LOCK.length)));
    closed = new Set(
      keysOnDevice('')
        .map(tabOf)
        .filter((of): of is string => of !== null && !open.has(of)),
    );
    onLook();
  };
  await look();
  setInterval(() => void look(), LOOK_MS);
}

/** Whether a page of this id says that it lives. */
const lives = (pages: BroadcastChannel, id: string) =>
  new Promise<boolean>((known) => {
    const hear = ({ data }: MessageEvent<{ lives?: string }>) => {
      if (data.lives === id) known(true);
    };
    pages.addEventListener('message', hear);
    setTimeout(() => {
      pages.removeEventListener('message', hear);
      known(false);
    }, ANSWERS_MS);
    pages.postMessage({ asks: id });
  });

const hold = (id: string, within: number) =>
  new Promise<boolean>((held) => {
    navigator.locks
      .request(LOCK + id, { signal: AbortSignal.timeout(within) }, () => {
        held(true);
        return new Promise(() => undefined);
      })
      .catch(() => held(false));
  });

/** A key of this tab. */
export const mine = (key: string) => `${key}${MARK}${tab}`;

/** The tab a key belongs to; null for what belongs to all of them, or was kept by an earlier release. */
const tabOf = (key: string) => (key.includes(MARK) ? key.slice(key.lastIndexOf(MARK) + 1) : null);

/** A key without its tab. */
export const bare = (key: string) => (key.includes(MARK) ? key.slice(0, key.lastIndexOf(MARK)) : key);

/** Whether a key is this tab's, or belongs to none that may be open. */
export const isFree = (key: string) => {
  const of = tabOf(key);
  return of === null || of === tab || closed.has(of);
};

/** The keys that begin so, each without its tab, that are this tab's or nobody's. */
export const keysHere = (prefix: string) => [...new Set(keysOnDevice(prefix).filter(isFree).map(bare))];

/** What is kept under a key for this tab; what a closed one left there comes over. */
export function adopt<T>(key: string): T | null {
  const own = fromDevice<T>(mine(key));
  if (own !== null) return own;
  const left = keysOnDevice(key).find((k) => bare(k) === key && isFree(k));
  if (left === undefined) return null;
  const value = fromDevice<T>(left);
  if (value !== null) keepOnDevice(mine(key), value);
  dropFromDevice(left);
  return value;
}
