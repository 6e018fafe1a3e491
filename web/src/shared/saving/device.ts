import { createStore, del, entries, set, type UseStore } from 'idb-keyval';

/** Things kept on this device until the server has them. Where the device keeps nothing, they are kept until the page is closed, which then asks. */
const memory = new Map<string, string>();
const listeners = new Set<() => void>();

/** The small store, which may be blocked or full. */
const journal = {
  read: (key: string) => {
    try {
      return localStorage.getItem(key);
    } catch {
      return null;
    }
  },
  write: (key: string, text: string) => {
    try {
      localStorage.setItem(key, text);
      return true;
    } catch {
      return false;
    }
  },
  drop: (key: string) => {
    try {
      localStorage.removeItem(key);
    } catch {
      // What could not be kept need not be removed.
    }
  },
  keys: () => {
    const keys: string[] = [];
    try {
      for (let i = 0; i < localStorage.length; i++) keys.push(localStorage.key(i) ?? '');
    } catch {
      // Nothing is kept on this device.
    }
    return keys;
  },
};

const PROBE = 'jaunty-badge.probe';

/** Whether the device keeps anything at all: asked once, when the page comes up. */
const keeps = journal.write(PROBE, PROBE);
journal.drop(PROBE);

const changed = () => listeners.forEach((tell) => tell());

/** Tells when it may be otherwise whether something is lost when this page is closed. */
export const onForgetting = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

/**
 * What is kept lies in the browser's database (IndexedDB), which has room. The small store is its journal: a change is there at once and seen by every tab, and goes out of it as soon as the database has it.
 * Where one of the two is missing or full, the other does alone.
 */
const database = 'jaunty-badge';
const news = 'jaunty-badge.kept';
/** The device was emptied, and this page is left next. */
let emptied = false;
let shelf: UseStore | null = null;
let tabs: BroadcastChannel | null = null;
/** What the database holds, as far as this tab knows. */
const held = new Map<string, string>();

/** How this device looks, and who was here: small, and needed before the database is open. */
const isSetting = (key: string) =>
  /^jaunty-badge[.](scheme|unit|language|kind|name|writing|answers|probe|tab|pad|taken-by)/.test(key);

/** Opens the database, before anything kept is looked at; an earlier release kept it all in the small store, from where it moves. */
export async function openDevice() {
  try {
    const store = createStore(database, 'kept');
    for (const [key, text] of await entries<string, string>(store)) held.set(key, text);
    shelf = store;
  } catch {
    // There is none here: the small store does alone.
    return;
  }
  if ('BroadcastChannel' in globalThis) {
    tabs = new BroadcastChannel(news);
    tabs.addEventListener('message', ({ data }: MessageEvent<{ key: string; text: string | null }>) => {
      if (data.text === null) held.delete(data.key);
      else held.set(data.key, data.text);
    });
  }
  for (const key of journal.keys())
    if (key.startsWith('jaunty-badge.') && !isSetting(key)) void shelve(key, journal.read(key));
}

/** Puts what the journal has into the database. */
async function shelve(key: string, text: string | null) {
  if (!shelf || text === null) return;
  held.set(key, text);
  tabs?.postMessage({ key, text });
  try {
    await set(key, text, shelf);
  } catch {
    // No room there: it stays in the journal, or in this page.
    return;
  }
  // Written over meanwhile, the newer one is on its way too.
  if (journal.read(key) === text) journal.drop(key);
  if (memory.get(key) === text) {
    memory.delete(key);
    changed();
  }
}

export function keepOnDevice(key: string, value: unknown) {
  if (emptied) return;
  const text = JSON.stringify(value);
  if (journal.write(key, text)) memory.delete(key);
  else {
    memory.set(key, text);
    changed();
  }
  void shelve(key, text);
}

export function fromDevice<T>(key: string): T | null {
  try {
    return JSON.parse(memory.get(key) ?? journal.read(key) ?? held.get(key) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

export function dropFromDevice(key: string) {
  if (memory.delete(key)) changed();
  journal.drop(key);
  held.delete(key);
  if (!shelf) return;
  tabs?.postMessage({ key, text: null });
  void del(key, shelf).catch(() => undefined);
}

/** The keys kept that begin so. */
export const keysOnDevice = (prefix: string): string[] =>
  [...new Set([...memory.keys(), ...journal.keys(), ...held.keys()])].filter((key) => key.startsWith(prefix)).sort();

/** What the browser keeps of one tab, through a reload and no longer; nothing where it keeps nothing. */
export function ofTab(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}

export function keepOfTab(key: string, text: string) {
  try {
    sessionStorage.setItem(key, text);
  } catch {
    // The next page of this tab does without.
  }
}

/** Whether what waits is lost when this page is closed. */
export const forgetsAtTheEnd = () => (!keeps && shelf === null) || memory.size > 0;

/** Removes all that is kept here of the practice: drafts, what waits, answers. How this device looks stays. */
export async function emptyDevice() {
  // What the page still has in hand is kept no more.
  emptied = true;
  const stays = ['jaunty-badge.scheme', 'jaunty-badge.unit'];
  for (const key of keysOnDevice('jaunty-badge')) if (!stays.includes(key)) dropFromDevice(key);
  try {
    sessionStorage.clear();
  } catch {
    // Nothing is kept of this tab.
  }
  if ('caches' in window)
    for (const name of await caches.keys()) if (!name.includes('precache')) await caches.delete(name);
}

/** Choices of this device, such as its scheme: where it keeps nothing, until the page is closed, and nobody is asked about them. */
const chosen = new Map<string, string>();

export function keepSetting(key: string, text: string) {
  if (emptied) return;
  if (journal.write(key, text)) chosen.delete(key);
  else chosen.set(key, text);
}

export const setting = (key: string) => chosen.get(key) ?? journal.read(key);

window.addEventListener('beforeunload', (event) => {
  if (memory.size > 0) event.preventDefault();
});
