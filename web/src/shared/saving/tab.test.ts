import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { fromDevice, keepOnDevice } from './device';
import { adopt, bare, claimTab, isFree, keysHere, mine } from './tab';

/** The tabs that are open, by the locks the browser says are held. */
let open: string[] = [];
const locks = {
  request: (name: string, _: unknown, hold: () => unknown) => {
    open.push(name.slice('jaunty-badge.tab.'.length));
    return Promise.resolve(hold());
  },
  query: () => Promise.resolve({ held: open.map((id) => ({ name: `jaunty-badge.tab.${id}` })) }),
};

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  open = [];
  Object.assign(navigator, { locks });
});

afterEach(() => vi.useRealTimers());

test('a key is this tab’s, and known without it', () => {
  expect(bare(mine('draft.visit/1.new'))).toBe('draft.visit/1.new');
  expect(isFree(mine('draft.visit/1.new'))).toBe(true);
});

test('what a closed tab left is taken over once, and goes before nothing of one’s own', async () => {
  keepOnDevice('draft.visit/1.new@closed', 'left behind');
  await claimTab(() => undefined);
  expect(keysHere('draft.visit/')).toEqual(['draft.visit/1.new']);
  expect(adopt('draft.visit/1.new')).toBe('left behind');
  expect([fromDevice('draft.visit/1.new@closed'), fromDevice(mine('draft.visit/1.new'))]).toEqual([
    null,
    'left behind',
  ]);
  keepOnDevice('draft.visit/1.new@another', 'of another');
  expect(adopt('draft.visit/1.new')).toBe('left behind');
  expect(fromDevice('draft.visit/1.new@another')).toBe('of another');
});

test('what an open tab has stays its own, also that of one which came since it was looked', async () => {
  open = ['other'];
  keepOnDevice('draft.visit/1.new@other', 'typed there');
  await claimTab(() => undefined);
  expect(adopt('draft.visit/1.new')).toBeNull();
  open.push('younger');
  keepOnDevice('draft.visit/1.new@younger', 'typed there too');
  expect([adopt('draft.visit/1.new'), keysHere('draft.visit/')]).toEqual([null, []]);

  // It is closed: whoever looks next finds it.
  open = open.filter((id) => id !== 'younger');
  await vi.advanceTimersByTimeAsync(6000);
  expect(adopt('draft.visit/1.new')).toBe('typed there too');
  expect(fromDevice('draft.visit/1.new@other')).toBe('typed there');
});

test('what an earlier release kept without a tab is taken over too', () => {
  keepOnDevice('draft.muzzle/withy', 'half typed');
  expect(adopt('draft.muzzle/withy')).toBe('half typed');
  expect(adopt('draft.muzzle/wit')).toBeNull();
});
