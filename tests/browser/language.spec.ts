import type { Page } from '@playwright/test';
import { dogId, dogIds, expect, test } from './support.js';

/** What somebody typed, and names: no translator's business. */
const typed = new Set(
  'name keeper clinicName cue bitesAbout place notes note takenBy who forWhat label sizeLabel model maker muzzle alsoCalled asTaken veterinarianSays setAside breeds'.split(
    ' ',
  ),
);
const ofDogs = [
  '',
  '/bench',
  '/choices',
  '/fits',
  '/inspections',
  '/try-ons',
  '/wears',
  '/appointments',
  '/habits',
  '/treats',
  '/sessions',
];
const rooms = ['', '/measure', '/fit', '/fit/order', '/plan', '/wear', '/wear/log', '/wear/muzzle', '/card'];

const gather = (value: unknown, into: Set<string>, key = ''): void => {
  if (typeof value === 'string' && (typed.has(key) || key === 'kept.reason')) into.add(value);
  // A wish of a muzzle that was kept stands as it was said then.
  else if (Array.isArray(value)) value.forEach((v) => gather(v, into, key));
  else if (value && typeof value === 'object')
    Object.entries(value).forEach(([k, v]) =>
      gather(v, into, key === 'criteria' && k === 'reason' ? 'kept.reason' : k),
    );
};

/** Names and typed words in the practice, the longest first; months, days and what is called the same everywhere. */
async function namesOf(page: Page, dogs: string[]) {
  const found = new Set<string>();
  const ask = async (path: string) => (await page.request.get(`/api/${path}`)).json() as unknown;
  for (const path of ['round?count=99', 'breeds', 'catalogue', 'catalogue/away', 'van', 'weather', 'own-practice'])
    gather(await ask(path), found);
  for (const dog of dogs) for (const path of ofDogs) gather(await ask(`dogs/${dog}${path}`), found);
  for (let day = 0; day < 370; day += 5)
    for (const form of ['long', 'short'] as const) {
      const at = new Date(2026, 0, 1 + day);
      found.add(at.toLocaleDateString('en-GB', { month: form })).add(at.toLocaleDateString('en-GB', { weekday: form }));
    }
  for (const name of ['Jaunty Badge', 'CSV', 'JSON', 'SVG', 'kcal', 'min']) found.add(name);
  // The browser's own names of countries and currencies.
  const { locales, currencies } = (await ask('writing')) as { locales: string[]; currencies: string[] };
  const name = (type: 'region' | 'currency', of: string) => new Intl.DisplayNames('en', { type }).of(of) ?? of;
  for (const locale of locales) found.add(name('region', locale.slice(3)));
  for (const currency of currencies) found.add(name('currency', currency));
  return [...found].filter((n) => n.length > 1).sort((a, b) => b.length - a.length);
}

/** Every text on the page and every name of its parts. */
const textsOf = (page: Page) =>
  page.evaluate(() => {
    const said: string[] = [];
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walk.nextNode()) {
      const at = walk.currentNode.parentElement;
      if (at && !at.closest('style, script, code, pre')) said.push(walk.currentNode.textContent ?? '');
    }
    for (const part of Array.from(document.querySelectorAll('[aria-label], [title], [placeholder], [alt]')))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt']) said.push(part.getAttribute(name) ?? '');
    return [...said, document.title];
  });

// The pseudo-language accents every letter that comes through a table of words: what reads plain is a name, or was forgotten.
for (const [title, dog, paths] of [
  ['the practice', null, ['/', '/training', '/dogs/new', '/catalogue', '/van', '/numbers', '/about']],
  ['Otis', 'Otis', rooms],
] as const)
  test(`no plain English is left in the rooms of ${title} in the pseudo-language`, async ({ page }) => {
    test.slow();
    const id = dog ? await dogId(page, dog) : null;
    const names = await namesOf(page, id ? [id] : await dogIds(page));
    const plain = new Set<string>();
    await page.goto('/?language=en-XA');
    for (const path of paths) {
      await page.goto(id ? `/dogs/${id}${path}` : path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.waitForLoadState('networkidle');
      for (const text of await textsOf(page)) {
        const rest = names.reduce((left, name) => left.replaceAll(name, ' '), text);
        if (/[A-Za-z]{3,}/.test(rest)) plain.add(`${path}: ${text}`);
      }
    }
    expect([...plain]).toEqual([]);
  });
