import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { loadCalmly } from './useCalm';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

test('what nobody asked for loads one after another, each when there is time, whatever becomes of the others', async () => {
  const loaded: string[] = [];
  let arrive = () => {};
  const first = () => new Promise<void>((done) => ((arrive = done), loaded.push('first')));
  const lost = () => (loaded.push('lost'), Promise.reject(new Error('no line')));
  const last = () => (loaded.push('last'), Promise.resolve());
  const all = loadCalmly(first, lost, last);
  expect(loaded).toEqual([]);
  await vi.advanceTimersByTimeAsync(500);
  expect(loaded).toEqual(['first']);
  await vi.advanceTimersByTimeAsync(5000);
  expect(loaded).toEqual(['first']);
  arrive();
  await vi.advanceTimersByTimeAsync(500);
  expect(loaded).toEqual(['first', 'lost']);
  await vi.advanceTimersByTimeAsync(500);
  expect(loaded).toEqual(['first', 'lost', 'last']);
  await all;
});
