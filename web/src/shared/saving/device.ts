/** Things kept on this device until the server has them. Where the device keeps nothing, they are kept until the page is closed, which then asks. */
const memory = new Map<string, string>();
const listeners = new Set<() => void>();

/** Whether the device keeps anything at all: asked once, when the page comes up. */
const keeps = (() => {
  const probe = 'jaunty-badge.probe';
  try {
    localStorage.setItem(probe, probe);
    localStorage.removeItem(probe);
    return true;
  } catch {
    return false;
  }
})();

const changed = () => listeners.forEach((tell) => tell());

/** Tells when it may be otherwise whether something is lost when this page is closed. */
export const onForgetting = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

export function keepOnDevice(key: string, value: unknown) {
  const text = JSON.stringify(value);
  try {
    localStorage.setItem(key, text);
    memory.delete(key);
  } catch {
    memory.set(key, text);
    changed();
  }
}

export function fromDevice<T>(key: string): T | null {
  try {
    return JSON.parse(memory.get(key) ?? localStorage.getItem(key) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

export function dropFromDevice(key: string) {
  if (memory.delete(key)) changed();
  try {
    localStorage.removeItem(key);
  } catch {
    // What could not be kept need not be removed.
  }
}

/** The keys kept that begin so. */
export function keysOnDevice(prefix: string): string[] {
  const kept = [...memory.keys()];
  try {
    for (let i = 0; i < localStorage.length; i++) kept.push(localStorage.key(i) ?? '');
  } catch {
    // Nothing is kept on this device.
  }
  return [...new Set(kept.filter((key) => key.startsWith(prefix)))].sort();
}

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
export const forgetsAtTheEnd = () => !keeps || memory.size > 0;

/** Removes all that is kept here of the practice: drafts, what waits, answers. How this device looks stays. */
export async function emptyDevice() {
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
  try {
    localStorage.setItem(key, text);
    chosen.delete(key);
  } catch {
    chosen.set(key, text);
  }
}

export function setting(key: string): string | null {
  try {
    return chosen.get(key) ?? localStorage.getItem(key);
  } catch {
    return chosen.get(key) ?? null;
  }
}

window.addEventListener('beforeunload', (event) => {
  if (memory.size > 0) event.preventDefault();
});
