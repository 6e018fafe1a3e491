import { beforeEach, expect, test } from 'vitest';
import { fromDevice, keepOnDevice } from './device';
import { adopt, bare, isFree, keysHere, mine } from './tab';

beforeEach(() => localStorage.clear());

test('a key is this tab’s, and known without it', () => {
  expect(bare(mine('draft.visit/1.new'))).toBe('draft.visit/1.new');
  expect(isFree(mine('draft.visit/1.new'))).toBe(true);
});

test('what a closed tab left is taken over once, and goes before nothing of one’s own', () => {
  keepOnDevice('draft.visit/1.new@closed', 'left behind');
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

test('what an earlier release kept without a tab is taken over too', () => {
  keepOnDevice('draft.muzzle/withy', 'half typed');
  expect(adopt('draft.muzzle/withy')).toBe('half typed');
  expect(adopt('draft.muzzle/wit')).toBeNull();
});
