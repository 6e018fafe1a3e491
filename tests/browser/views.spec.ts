import type { Page, Request } from '@playwright/test';
import { beginSession, dogId, expect, expectNoViolations, newDog, test, type Round } from './support.js';

const rooms = [
  '',
  '/measure',
  '/measure/history',
  '/measure/photos',
  '/fit',
  '/fit/try',
  '/fit/order',
  '/fit/earlier',
  '/plan',
  '/wear',
  '/wear/log',
  '/wear/treats',
  '/wear/muzzle',
  '/wear/visits',
  '/card',
];

// Both schemes are one page in two sets of colours made of the same few tokens: in the dark one only those are judged again, where each is used.
for (const scheme of ['light', 'dark'] as const) {
  const axe = (page: Page) => expectNoViolations(page, scheme === 'dark' ? ['color-contrast'] : undefined);
  const looked = async (page: Page, path: string, then?: () => Promise<unknown> | undefined) => {
    await page.addInitScript((s) => localStorage.setItem('jaunty-badge.scheme', s), scheme);
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await then?.();
    await axe(page);
  };

  // Of long lists a part is judged: every row is made by the same code.
  const parts: Record<string, (page: Page) => Promise<unknown>> = {
    '/numbers': (page) => page.getByLabel('Find a number').fill('chin'),
    '/catalogue': (page) => page.getByLabel('Find a muzzle').fill('withy'),
  };

  // Room after room in one page, as a fitter goes: each is a step of its own, and one that fails is named.
  const lookedAll = async (page: Page, paths: string[]) => {
    for (const path of paths) await test.step(path, () => looked(page, path, () => parts[path]?.(page)));
  };

  test(`axe finds no violation in the practice's rooms, ${scheme}`, ({ page }) =>
    lookedAll(
      page,
      scheme === 'dark'
        ? ['/']
        : [
            '/',
            '/training',
            '/dogs/new',
            '/numbers',
            '/catalogue',
            '/van',
            '/keeping',
            '/practice',
            '/people',
            '/about',
            '/no/such/page',
          ],
    ));

  const ofDogs = {
    Otis: scheme === 'dark' ? ['', '/measure', '/fit', '/wear', '/wear/log'] : rooms,
    Dumpling: ['/measure', '/fit'],
  };
  for (const dog of scheme === 'dark' ? (['Otis'] as const) : (['Otis', 'Dumpling'] as const))
    test(`axe finds no violation in ${dog}'s rooms, ${scheme}`, async ({ page }) => {
      const id = await dogId(page, dog);
      await lookedAll(
        page,
        ofDogs[dog].map((room) => `/dogs/${id}${room}`),
      );
    });

  if (scheme === 'light') {
    test(`axe finds no violation among breeds found`, ({ page }) =>
      looked(page, '/breeds', async () => {
        await page.getByLabel('Find a breed').fill('pug');
        await expect(page.getByText(/^[1-9] breeds?$/)).toBeVisible();
      }));

    test(`axe finds no violation on a picture`, async ({ page }) => {
      const nettle = await dogId(page, 'Nettle');
      const photos = (await (await page.request.get(`/api/dogs/${nettle}/photos`)).json()) as { id: string }[];
      await looked(page, `/dogs/${nettle}/measure/photos/${photos[1]?.id}`, () =>
        expect(page.getByRole('application')).toBeVisible(),
      );
    });

    test(`axe finds no violation at string, ruler and walk-through`, async ({ page }) => {
      await looked(page, `/dogs/${await dogId(page, 'Nettle')}/measure`, async () => {
        await page.getByRole('button', { name: 'String and ruler' }).click();
        await page.getByText('More measures').click();
      });
      await page.getByRole('button', { name: 'Walk me through' }).click();
      await page.getByRole('button', { name: 'It is calm: begin' }).click();
      await expect(page.getByText('1 of 5')).toBeVisible();
      await axe(page);
    });
  }

  test(`axe finds no violation on the pad, ${scheme}`, async ({ page }) => {
    const own = await newDog(page, `Axe ${scheme}`);
    await looked(page, `/dogs/${own}/plan`);
    await beginSession(page);
    await page.getByRole('button', { name: /^It shows/ }).click();
    await page.getByRole('button', { name: 'Looks away' }).click();
    await page.getByRole('button', { name: 'Snaps' }).click();
    await expect(page.getByText('Over threshold: end now')).toBeVisible();
    await axe(page);
    await page.getByRole('button', { name: /End it here/ }).click();
    await expect(page.getByText('End now', { exact: true })).toBeVisible();
    await axe(page);
  });
}

const practice = ['/', '/training', '/dogs/new', '/breeds', '/catalogue', '/van', '/numbers', '/keeping', '/people'];

test.describe('on a phone', () => {
  test.use({ viewport: { width: 320, height: 700 }, hasTouch: true, isMobile: true });

  // 320 px is a screen of 1280 at 400 % as well.
  test('nothing runs off the side at 320 px, nor with a name of sixty letters without a space', async ({ page }) => {
    const long = await newDog(page, 'Wolfeschlegelsteinhausenbergerdorffwelchevoralternwarengewis');
    const otis = await dogId(page, 'Otis');
    for (const path of [...practice, '/practice', ...[long, otis].flatMap((id) => rooms.map((r) => `/dogs/${id}${r}`))])
      await test.step(path, async () => {
        await page.goto(path);
        await page.waitForLoadState('networkidle');
        expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(320);
      });
  });

  test('a thumb hits everything there is to tap', async ({ page }) => {
    const otis = await dogId(page, 'Otis');
    for (const path of [...practice, ...rooms.map((r) => `/dogs/${otis}${r}`)])
      await test.step(path, async () => {
        await page.goto(path);
        await page.waitForLoadState('networkidle');
        expect(await page.evaluate(tooSmall), path).toEqual([]);
      });
  });
});

/** What is tapped and smaller than 44 px: a link in a sentence is part of it, a stepper stands beside a field that is typed in. */
function tooSmall() {
  const tapped = 'a[href], button:not([data-scope=number-input]), select, textarea, summary, input:not([type=file])';
  return Array.from(document.querySelectorAll<HTMLElement>(tapped))
    .map((el) => (el.matches('[type=checkbox], [type=radio]') ? (el.closest('label') ?? el) : el))
    .filter(
      (el) =>
        !(
          el.matches('a') &&
          getComputedStyle(el).display.startsWith('inline') &&
          el.closest('p, td, dd, b, span, h1, h2, h3')
        ),
    )
    .map((el) => ({ el, box: el.getBoundingClientRect() }))
    .filter(({ box }) => box.width > 2 && Math.min(box.width, box.height) < 43.5)
    .map(
      ({ el, box }) =>
        `${el.tagName} ${Math.round(box.width)} × ${Math.round(box.height)} ${el.textContent || el.ariaLabel}`,
    )
    .filter((told) => !told.includes('Skip to the page'));
}

test('what is printed has nothing to press on it, and no heading parted from what it heads', async ({ page }) => {
  const otis = await dogId(page, 'Otis');
  await page.emulateMedia({ media: 'print' });
  for (const path of ['/', ...['', '/plan', '/wear', '/fit'].map((r) => `/dogs/${otis}${r}`)])
    await test.step(path, async () => {
      await page.goto(path);
      await page.waitForLoadState('networkidle');
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      const told = await page.evaluate(() => ({
        pressed: Array.from(document.querySelectorAll<HTMLElement>('main :is(button, input, select, a.chakra-button)'))
          .filter((el) => el.offsetWidth > 2 && !el.matches('[data-prints], [aria-pressed=true]'))
          .map((el) => el.outerHTML.slice(0, 120)),
        parted: Array.from(document.querySelectorAll('main h2')).filter(
          (h) => getComputedStyle(h).breakAfter !== 'avoid',
        ).length,
      }));
      expect(told, path).toEqual({ pressed: [], parted: 0 });
    });
  // The steps of a plan are pressed on a screen and read on paper.
  await page.goto(`/dogs/${otis}/plan`);
  await expect(page.getByRole('list', { name: 'Steps of the plan' }).getByRole('button').first()).toBeVisible();
});

test.describe('with addresses that lead nowhere', () => {
  test.use({ expectedErrors: [/404/] });
  test('an unknown dog and an unknown page say so and lead back', async ({ page }) => {
    await page.goto('/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff');
    await expect(page.getByText('No dog has this id.')).toBeVisible();
    await page.goto('/no/such/page');
    await page.getByRole('link', { name: 'Back to the round' }).click();
    await expect(page.getByRole('heading', { name: 'The round' })).toBeVisible();
  });
});

test('? opens a sheet of the keys, but not while something is typed', async ({ page }) => {
  await page.goto('/');
  const field = page.getByRole('searchbox', { name: 'Find a dog' });
  await field.fill('what');
  await field.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys' });
  await expect(field).toHaveValue('what?');
  await expect(sheet).toBeHidden();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('?');
  await expect(sheet).toContainText('Find a dog');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
});

test('what an address shows is fetched with its page, not found out one after another', async ({ page }) => {
  const id = await newDog(page, 'Ahead');
  for (const [path, names] of [
    [`/dogs/${id}/fit`, ['DogLayout', 'FitPage']],
    [`/dogs/${id}/wear`, ['DogLayout', 'WearPage']],
    [`/dogs/${id}/measure`, ['DogLayout', 'BenchPage']],
  ] as const) {
    const sent = await (await page.request.get(path)).text();
    const linked = [...sent.matchAll(/href="([^"]+[.](?:js|css))"/g)].map(([, at]) => at!);
    for (const name of names) expect(linked.filter((at) => at.includes(`/${name}-`))).toHaveLength(1);
    for (const at of linked) expect((await page.request.get(at)).ok(), at).toBe(true);
    // Whatever runs before the page can be seen was named in it.
    const asked: string[] = [];
    const note = (request: Request) => asked.push(new URL(request.url()).pathname);
    page.on('request', note);
    await page.goto(path, { waitUntil: 'commit' });
    await page.getByRole('heading', { level: 1, name: 'Ahead' }).waitFor();
    page.off('request', note);
    const late = asked.filter((at) => /[.]js$/.test(at) && names.some((name) => at.includes(`/${name}-`)));
    expect(late).toHaveLength(names.length);
    expect(asked.indexOf('/api/me')).toBeGreaterThan(Math.max(...late.map((at) => asked.indexOf(at))));
  }
  expect(await (await page.request.get('/van')).text()).not.toMatch(/FitPage|DogLayout/);
});

test('on a phone the links along the top take one row, with the one of the page in sight', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const row = page.getByRole('navigation', { name: 'Main' });
  // At first nobody knows whose links there are.
  for (const [path, name] of [
    ['/people', 'People'],
    ['/', 'Round'],
  ] as const) {
    await page.goto(path);
    const own = row.getByRole('link', { name, exact: true });
    await expect(own).toHaveAttribute('aria-current', 'page');
    await expect(own).toBeInViewport({ ratio: 1 });
    expect((await row.boundingBox())!.height).toBeLessThan(60);
  }
  // The others are drawn along, or reached by keys.
  await row.getByRole('link', { name: 'People', exact: true }).focus();
  await expect(row.getByRole('link', { name: 'People', exact: true })).toBeInViewport({ ratio: 1 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});

test('a day with ten dogs is one screen of a laptop: a line a dog, and little more for what else there is', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const { cards } = (await (await page.request.get('/api/round')).json()) as Round;
  await page.goto('/');
  const group = page.getByRole('region', { name: 'Cannot wait' });
  // What came from home stands above the first of them.
  expect((await group.boundingBox())!.y).toBeLessThan(240);
  expect(cards.length).toBeGreaterThan(5);
  for (const { id, name, things, done } of cards.slice(0, 10)) {
    const row = page
      .getByRole('main')
      .getByRole('listitem')
      .filter({ has: page.locator(`a[href="/dogs/${id}"]`, { hasText: name }) });
    const lines = Math.max(1, things.length + done.length);
    expect((await row.first().boundingBox())!.height, name).toBeLessThanOrEqual(20 + 30 * lines);
  }
});
