/** Just enough of a browser for the logic that keeps things on the device. */
const kept = new Map<string, string>();
const storage = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
  removeItem: (key: string) => void kept.delete(key),
  key: (place: number) => [...kept.keys()][place] ?? null,
  get length() {
    return kept.size;
  },
  clear: () => kept.clear(),
};
Object.assign(globalThis, {
  localStorage: storage,
  navigator: {},
  location: { search: '' },
  window: Object.assign(new EventTarget(), { localStorage: storage }),
});
