import type { BrowserContext, Page, Route } from '@playwright/test';
import { expect, newDog, post, test } from './support.js';

/** What a browser says of a request that got no answer. */
const noAnswer = [/Failed to load resource|ERR_(FAILED|INTERNET_DISCONNECTED|CONNECTION_REFUSED)/];

const isWrite = (route: Route) => route.request().method() !== 'GET' && !route.request().url().includes('/limit');

const get = async <T>(page: Page, path: string) => (await (await page.request.get(path)).json()) as T;

/** A dog that has a muzzle. */
async function fitted(page: Page, name: string) {
  const id = await newDog(page, name);
  const { fits } = await get<{ fits: { sizeId: string }[] }>(page, `/api/dogs/${id}/fits`);
  expect((await page.request.post(`/api/dogs/${id}/choice`, { data: { sizeId: fits[0]?.sizeId } })).ok()).toBe(true);
  return id;
}

/** Looks the muzzle over: every check is fine. */
async function allFine(page: Page) {
  const fine = page.getByRole('button', { name: 'Fine' });
  await expect(fine.first()).toBeVisible();
  for (const check of await fine.all()) await check.click();
}

/** One of each kind, typed and sent: what a fitter does in an afternoon at one dog. */
async function anAfternoon(page: Page, id: string) {
  await page.goto(`/dogs/${id}/plan`);
  await page.getByRole('button', { name: 'Change days or date' }).click();
  await page.getByRole('textbox', { name: 'Wanted by', exact: true }).fill('5 Nov 2027');
  await page.getByRole('button', { name: 'Keep these days' }).click();
  await page.getByRole('button', { name: 'Stay in, a little' }).click();
  await page.getByText('Train from here instead').click();
  await page.getByLabel('Why? It stays on the record').fill('Held it for its last owner.');
  await page.getByRole('button', { name: 'Set the plan here' }).click();

  await page.goto(`/dogs/${id}/measure`);
  const girth = page.getByRole('textbox', { name: 'Snout girth' });
  await girth.fill('274');
  await girth.press('Enter');
  await expect(girth).toHaveValue('');

  await page.goto(`/dogs/${id}/wear/visits`);
  await page.getByRole('button', { name: 'New appointment' }).click();
  await page.getByRole('textbox', { name: 'Day', exact: true }).fill('8 Nov 2027');
  await page.getByRole('textbox', { name: 'Where', exact: true }).fill('Harbour clinic');
  await page.getByRole('button', { name: 'Keep it' }).click();

  await page.goto(`/dogs/${id}/wear/log`);
  await page.getByRole('button', { name: 'Enter one afterwards' }).click();
  await page.getByRole('textbox', { name: 'Minutes', exact: true }).fill('12');
  await page.getByRole('textbox', { name: 'Who was with it', exact: true }).fill('Wren');
  // Whatever hour it is: it began an hour ago.
  const begun = new Date(Date.now() - 3_600_000);
  await page.getByRole('textbox', { name: 'Put on at', exact: true }).fill(begun.toTimeString().slice(0, 5));
  await page
    .getByRole('textbox', { name: 'Day', exact: true })
    .fill(begun.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }));
  await page.getByRole('button', { name: 'Keep it' }).click();

  await page.goto(`/dogs/${id}/wear/muzzle`);
  await allFine(page);
  await page.getByRole('button', { name: 'Keep this inspection' }).click();

  await page.goto(`/dogs/${id}/fit/try`);
  await page.getByRole('button', { name: 'Yes' }).first().click();
  await page.getByRole('button', { name: 'Keep this try-on' }).click();

  await page.goto(`/dogs/${id}/wear`);
  await page.getByRole('button', { name: 'Read it by hand' }).click();
  await page.getByRole('textbox', { name: 'Air, °C', exact: true }).fill('14');
  await page.getByRole('textbox', { name: 'Humidity, %', exact: true }).fill('55');
  await page.getByRole('textbox', { name: 'Where' }).fill(id);
  await page.getByRole('button', { name: 'Keep it' }).click();
}

/** How often each of them is on record. */
async function onRecord(page: Page, id: string) {
  const [bench, visits, wears, muzzle, tries, weather, outlook, plan] = await Promise.all([
    get<{ readings: { asTaken: string }[] }>(page, `/api/dogs/${id}/bench`),
    get<{ place: string }[]>(page, `/api/dogs/${id}/appointments`),
    get<{ who: string }[]>(page, `/api/dogs/${id}/wears`),
    get<{ inspections: unknown[] }>(page, `/api/dogs/${id}/inspections`),
    get<unknown[]>(page, `/api/dogs/${id}/try-ons`),
    get<{ latest: { place: string }[] }>(page, '/api/weather'),
    get<{ week: { by: string } }>(page, `/api/dogs/${id}/plan/outlook`),
    get<{ steps: { passed: { note: string } | null }[]; lastReason: string | null }>(page, `/api/dogs/${id}/plan`),
  ]);
  return {
    readings: bench.readings.filter((r) => r.asTaken.startsWith('274')).length,
    visits: visits.map((v) => v.place),
    wears: wears.map((w) => w.who),
    inspections: muzzle.inspections.length,
    tries: tries.length,
    weather: weather.latest.filter((w) => w.place === id).length,
    by: outlook.week.by,
    moved: plan.lastReason,
  };
}

const once = {
  readings: 1,
  visits: ['Harbour clinic'],
  wears: ['Wren'],
  inspections: 1,
  tries: 1,
  weather: 1,
  by: '2027-11-05',
  moved: 'Held it for its last owner.',
};

test.describe('while nothing gets through', () => {
  test.use({ expectedErrors: noAnswer });

  test('every form waits on the device, is seen from every page, and goes once from another one', async ({
    page,
    context,
  }) => {
    test.setTimeout(240_000);
    const id = await fitted(page, 'Dead spot');
    await context.route('**/api/**', (route) => (isWrite(route) ? route.abort() : route.continue()));
    await anAfternoon(page, id);
    await page.goto('/');
    const told = page.getByText(/^8 things not sent yet/);
    await expect(told).toBeVisible();
    await told.click();
    await expect(page.getByRole('link', { name: 'Dead spot: a reading: 274' })).toHaveAttribute(
      'href',
      `/dogs/${id}/measure`,
    );
    await page.getByRole('link', { name: 'Dead spot: an appointment on 8 Nov 2027' }).click();
    await expect(page.getByRole('textbox', { name: 'Where', exact: true })).toHaveValue('Harbour clinic');
    expect(await onRecord(page, id)).toMatchObject({ readings: 0, visits: [], wears: [], inspections: 0, tries: 0 });

    // The tablet is shut, and opened again where there is a network.
    await page.close();
    await context.unrouteAll();
    const next = await context.newPage();
    await next.goto('/');
    await expect.poll(() => onRecord(next, id), { timeout: 60_000 }).toEqual(once);
    await expect(next.getByText(/not sent yet/)).toHaveCount(0);
    await next.goto(`/dogs/${id}/wear/visits`);
    await expect(next.getByText('Harbour clinic')).toBeVisible();
    await expect(next.getByRole('textbox', { name: 'Where', exact: true })).toHaveCount(0);
  });

  test('what arrived though its answer was lost is kept once', async ({ page, context }) => {
    test.setTimeout(240_000);
    const id = await fitted(page, 'Lost answers');
    const lost = new Set<string>();
    await context.route('**/api/**', async (route) => {
      const path = new URL(route.request().url()).pathname;
      if (!isWrite(route) || lost.has(path)) return route.continue();
      lost.add(path);
      // The server has it; nobody here hears of it.
      await route.fetch();
      await route.abort();
    });
    await anAfternoon(page, id);
    await expect.poll(() => onRecord(page, id), { timeout: 60_000 }).toEqual(once);
    await expect(page.getByText(/not sent yet/)).toHaveCount(0);
    await page.waitForTimeout(3000);
    expect(await onRecord(page, id)).toEqual(once);
    expect(lost.size).toBeGreaterThanOrEqual(8);
    await context.unrouteAll();
  });
});

test.describe('refused when nobody looks any more', () => {
  test.use({ expectedErrors: [/Failed to load resource|ERR_FAILED|409/] });
  test('it is said on every page, and can be mended where it was typed', async ({ page, context }) => {
    const id = await fitted(page, 'Changed its mind');
    await context.route('**/api/**', (route) => (isWrite(route) ? route.abort() : route.continue()));
    await page.goto(`/dogs/${id}/wear/muzzle`);
    await allFine(page);
    await page.getByRole('textbox', { name: 'What was found' }).fill('Strap a little worn.');
    await page.getByRole('button', { name: 'Keep this inspection' }).click();
    await expect(page.getByText('1 thing not sent yet: Changed its mind: an inspection.')).toBeVisible();
    const [choice] = await get<{ id: string }[]>(page, `/api/dogs/${id}/choices`);
    await page.request.post(`/api/dogs/${id}/choice/${choice?.id}/withdraw`);
    await page.goto('/');
    await context.unrouteAll();
    await expect(
      page.getByText('Changed its mind: an inspection: not saved. No muzzle is chosen for this dog yet'),
    ).toBeVisible();
    await page.request.post(`/api/dogs/${id}/choice/${choice?.id}/restore`);
    await page.getByRole('link', { name: 'Changed its mind: an inspection' }).click();
    await expect(page.getByRole('textbox', { name: 'What was found' })).toHaveValue('Strap a little worn.');
    await page.getByRole('button', { name: 'Keep this inspection' }).click();
    await expect.poll(async () => (await onRecord(page, id)).inspections).toBe(1);
    await expect(page.getByText(/not sent yet/)).toHaveCount(0);
  });
});

test.describe('two tabs of one browser', () => {
  test.use({ expectedErrors: [/412/] });

  const visit = async (tab: Page, where: string) => {
    await tab.getByRole('button', { name: 'New appointment' }).click();
    await tab.getByRole('textbox', { name: 'Day', exact: true }).fill('8 Nov 2027');
    await tab.getByRole('textbox', { name: 'Where', exact: true }).fill(where);
  };

  test('at one form keep their own words, through a reload too', async ({ page, context }) => {
    const id = await newDog(page, 'Two tabs', false);
    const other = await context.newPage();
    for (const tab of [page, other]) await tab.goto(`/dogs/${id}/wear/visits`);
    await visit(page, 'The first tab');
    await visit(other, 'The second tab');
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Where', exact: true })).toHaveValue('The first tab');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('The first tab')).toBeVisible();
    await expect(other.getByRole('textbox', { name: 'Where', exact: true })).toHaveValue('The second tab');
    await other.reload();
    await expect(other.getByRole('textbox', { name: 'Where', exact: true })).toHaveValue('The second tab');
    await other.getByRole('button', { name: 'Keep it' }).click();
    await expect
      .poll(async () =>
        (await get<{ place: string }[]>(page, `/api/dogs/${id}/appointments`)).map((v) => v.place).sort(),
      )
      .toEqual(['The first tab', 'The second tab']);
  });

  test('at one dog: the second is asked, as it would be after another person', async ({ page, context }) => {
    const id = await newDog(page, 'One dog', false);
    const other = await context.newPage();
    for (const tab of [page, other]) await tab.goto(`/dogs/${id}?edit`);
    await page.getByLabel('Notes').fill('From the first tab.');
    const notes = async () => (await get<{ dog: { notes: string } }>(page, `/api/dogs/${id}`)).dog.notes;
    await expect.poll(notes).toBe('From the first tab.');
    await other.getByLabel('Notes').fill('From the second tab.');
    const asked = other.getByRole('alert').filter({ hasText: 'Someone else changed this dog' });
    await expect(asked.getByRole('cell', { name: 'From the first tab.' })).toBeVisible();
    await expect(page.getByLabel('Notes')).toHaveValue('From the first tab.');
    expect(await notes()).toBe('From the first tab.');
    await asked.getByRole('button', { name: 'Save mine over theirs' }).click();
    await expect.poll(notes).toBe('From the second tab.');
  });

  test('what a closed tab left half typed is found by the next; a copy of a tab is a tab of its own', async ({
    page,
    context,
  }) => {
    const id = await newDog(page, 'Closed tab', false);
    const closed = await context.newPage();
    await closed.goto(`/dogs/${id}/wear/visits`);
    await visit(closed, 'Half typed');
    await closed.close();
    await page.goto(`/dogs/${id}/wear/visits`);
    await expect(page.getByRole('textbox', { name: 'Where', exact: true })).toHaveValue('Half typed');

    const name = await page.evaluate(() => sessionStorage.getItem('jaunty-badge.tab') ?? '');
    const copy = await context.newPage();
    await copy.addInitScript((tab) => {
      if (!sessionStorage.getItem('jaunty-badge.tab')) sessionStorage.setItem('jaunty-badge.tab', tab);
    }, name);
    await copy.goto(`/dogs/${id}/wear/visits`);
    await expect(copy.getByRole('button', { name: 'New appointment' })).toBeVisible();
    expect(await copy.evaluate(() => sessionStorage.getItem('jaunty-badge.tab'))).not.toBe(name);
    await expect(copy.getByRole('textbox', { name: 'Where', exact: true })).toHaveCount(0);
  });
});

test.describe('two phones at one wear', () => {
  test.use({ expectedErrors: noAnswer });
  test('the one that was away is shown what the other told, and erases nothing', async ({ page, browser, context }) => {
    const id = await fitted(page, 'Two phones');
    await post(page, `/api/dogs/${id}/plan/position`, { stepId: 'place-lane', target: 0, note: 'Wears one already.' });
    await page.request.post('/api/weather/readings', { data: { airC: 12, humidityPercent: 60 } });
    await page.goto(`/dogs/${id}/wear`);
    await page.getByRole('button', { name: 'Put on now' }).click();
    const wear = async () =>
      (
        await get<
          {
            endedAt: string | null;
            note: string | null;
            treatPieces: number;
            place: string | null;
            signs: { signId: string }[];
          }[]
        >(page, `/api/dogs/${id}/wears`)
      )[0];
    await expect.poll(async () => (await wear()) !== undefined).toBe(true);
    await page.waitForLoadState('networkidle');

    const elsewhere = await browser.newContext({ baseURL: new URL(page.url()).origin });
    const other = await elsewhere.newPage();
    await other.goto(`/dogs/${id}/wear`);
    await context.setOffline(true);
    const seen = async (phone: Page, sign: string) => {
      await phone.getByRole('button', { name: 'It shows …' }).click();
      await phone.getByRole('button', { name: sign }).click();
    };
    await seen(page, 'Ears back');
    await seen(other, 'Looks away');
    await other.getByRole('button', { name: 'Taken off' }).click();
    await expect.poll(async () => (await wear())?.endedAt ?? null).not.toBeNull();
    await other.goto(`/dogs/${id}/wear/log`);
    await other.getByRole('button', { name: 'Correct' }).first().click();
    await other.getByRole('textbox', { name: 'Anything else', exact: true }).fill('Rubbed at the chin.');
    await other.getByRole('textbox', { name: 'Where', exact: true }).fill('The quay');
    await other.getByRole('textbox', { name: 'Treats, pieces', exact: true }).fill('6');
    await other.getByRole('button', { name: 'Keep it' }).click();
    await expect.poll(async () => (await wear())?.note).toBe('Rubbed at the chin.');

    await context.setOffline(false);
    const told = page.getByRole('status').filter({ hasText: 'told by another device meanwhile' });
    await expect(told).toContainText('Rubbed at the chin.');
    await expect(told).toContainText('The quay');
    await expect
      .poll(async () => {
        const now = await wear();
        return [now?.note, now?.place, now?.treatPieces, now?.signs.map((s) => s.signId).sort()];
      })
      .toEqual(['Rubbed at the chin.', 'The quay', 6, ['ears-back', 'looks-away']]);
    await page.getByRole('button', { name: 'Seen' }).click();
    await expect(told).toHaveCount(0);
    await elsewhere.close();
  });
});

/** A browser that keeps nothing: every use of its storage throws, or every write does. */
const keepsNothing = (context: BrowserContext, how: 'blocked' | 'full') =>
  context.addInitScript((kind) => {
    const refuse = () => {
      throw new DOMException('No room.', 'QuotaExceededError');
    };
    if (kind === 'full') {
      Storage.prototype.setItem = refuse;
      IDBObjectStore.prototype.put = refuse;
    } else
      for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
        Object.defineProperty(window, name, { get: refuse });
  }, how);

test.describe('a small store that is full', () => {
  test.use({ expectedErrors: noAnswer });
  test('with the small store full the database keeps what waits, through a reload', async ({ page, context }) => {
    const id = await fitted(page, 'Small store');
    await context.addInitScript(() => {
      Storage.prototype.setItem = () => {
        throw new DOMException('No room.', 'QuotaExceededError');
      };
    });
    await page.goto(`/dogs/${id}?edit`);
    await page.route('**/api/**', (route) => (isWrite(route) ? route.abort() : route.continue()));
    await page.getByLabel('Notes').fill('Typed where there is little room.');
    await expect(page.getByText(/not sent yet/).first()).toBeVisible();
    await expect(page.getByText(/keeps nothing on this device, or has no room left/)).toHaveCount(0);
    page.on('dialog', (dialog) => void dialog.accept());
    await page.reload();
    await expect(page.getByLabel('Notes')).toHaveValue('Typed where there is little room.');
    await page.unroute('**/api/**');
    await expect
      .poll(async () => (await get<{ dog: { notes: string | null } }>(page, `/api/dogs/${id}`)).dog.notes)
      .toBe('Typed where there is little room.');
  });
});

for (const how of ['blocked', 'full'] as const)
  test(`with the browser’s storage ${how} the work goes on, and what would be lost is said`, async ({
    page,
    context,
  }) => {
    const id = await fitted(page, `Storage ${how}`);
    await post(page, `/api/dogs/${id}/plan/position`, { stepId: 'hold-short', note: 'knows it' });
    await keepsNothing(context, how);
    await page.goto('/');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.goto(`/dogs/${id}/plan`);
    await page.getByRole('button', { name: 'Start a session' }).click();
    await page.getByRole('button', { name: 'Well: begin' }).click();
    await expect(page.getByRole('button', { name: /start the hold/ })).toBeVisible();
    await page.keyboard.press('h');
    await expect(page.getByRole('timer')).toBeVisible();
    await expect(page.getByText('1 s reached: mark it')).toBeVisible();
    await expect(page.getByText(/keeps nothing on this device, or has no room left/)).toBeVisible();
    await page.keyboard.press('g');
    await expect(page.getByText('Saved as it happens')).toBeVisible();
    const { openSessionId } = await get<{ openSessionId: string }>(page, `/api/dogs/${id}`);
    await expect
      .poll(
        async () =>
          (await get<{ openSet: { goes: { heldMs: number | null }[] } }>(page, `/api/sessions/${openSessionId}`))
            .openSet.goes.length,
      )
      .toBe(1);
    page.on('dialog', (dialog) => void dialog.accept());
    await page.goto(`/dogs/${id}/fit/try`);
    await page.getByRole('button', { name: 'Yes' }).first().click();
    await expect(page.getByText(/^1 of \d+ looked at/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep this try-on' }).click();
    await expect.poll(async () => (await get<unknown[]>(page, `/api/dogs/${id}/try-ons`)).length).toBe(1);
  });
