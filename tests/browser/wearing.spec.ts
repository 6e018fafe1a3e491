import type { Page } from '@playwright/test';
import { dogId, expect, holdBack, newDog, post, test } from './support.js';

/** A dog that is far enough to wear its muzzle, with a cool reading of the weather. */
async function wearingDog(page: Page, name: string): Promise<string> {
  const id = await newDog(page, name);
  const { fits } = (await (await page.request.get(`/api/dogs/${id}/fits`)).json()) as { fits: { sizeId: string }[] };
  expect((await page.request.post(`/api/dogs/${id}/choice`, { data: { sizeId: fits[0]?.sizeId } })).ok()).toBe(true);
  const place = { stepId: 'place-lane', target: 0, note: 'Wears one from its last home.' };
  await post(page, `/api/dogs/${id}/plan/position`, place);
  await page.request.post('/api/weather/readings', { data: { airC: 12, humidityPercent: 60 } });
  return id;
}

const wears = async (page: Page, id: string) =>
  (await (await page.request.get(`/api/dogs/${id}/wears`)).json()) as {
    endedAt: string | null;
    seconds: number | null;
    overCap: boolean;
    occasion: string;
    signs: { signId: string }[];
    rubs: string[];
  }[];

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test.describe('put on away from the line', () => {
    test.use({ expectedErrors: [/ERR_INTERNET_DISCONNECTED/] });
    test('a wear is put on, runs past its cap, says take it off, and is in the log', async ({ page, context }) => {
      const id = await wearingDog(page, 'Longwear');
      // The phone's clock stands where the server's does when it is over.
      await page.clock.install({ time: Date.now() - 6 * 60_000 });
      await page.goto(`/dogs/${id}/wear`);
      // Nothing on record yet: it begins with five minutes.
      await expect(page.getByRole('status').getByText('At most 5 minutes, watched all the time')).toBeVisible();
      await page.getByRole('button', { name: 'Fun' }).click();
      // Where there is no line: it is told later by how long ago it was put on, and the server counts as the phone did.
      await context.setOffline(true);
      await page.getByRole('button', { name: 'Put on now' }).click();
      const clock = page.getByRole('timer');
      await expect(clock).toHaveText(/^[45]:\d\d$/);
      await page.clock.runFor(4 * 60_000 + 20_000);
      await expect(page.getByRole('heading', { name: 'Off soon: turn back' })).toBeVisible();
      await page.clock.runFor(60_000);
      await expect(page.getByRole('alert')).toHaveText('⬣ Take it off');
      await expect(clock).toHaveText(/^\+0:\d\d$/);

      // A reload forgets nothing, and goes on saying so.
      await context.setOffline(false);
      await expect.poll(async () => (await wears(page, id)).length).toBe(1);
      await page.reload();
      await expect(page.getByRole('alert')).toHaveText('⬣ Take it off');
      await page.getByRole('button', { name: 'It shows …' }).click();
      await page.getByRole('button', { name: 'Eats readily' }).click();
      await page.getByRole('button', { name: 'Taken off' }).click();
      await expect(page.getByText('Off, and noted.')).toBeVisible();
      await expect
        .poll(async () =>
          (await wears(page, id)).map((w) => [w.endedAt !== null, w.occasion, w.signs.map((s) => s.signId)]),
        )
        .toEqual([[true, 'fun', ['eats']]]);

      await page.getByRole('link', { name: 'Say more of it: marks, treats, where' }).click();
      await page.getByLabel('Bridge of the nose').check({ force: true });
      await page.getByRole('button', { name: 'Keep it' }).click();
      await expect(page.getByText('Marks: bridge of the nose')).toBeVisible();
      await page.getByRole('button', { name: 'Take out' }).click();
      await expect.poll(() => wears(page, id)).toEqual([]);
    });
  });

  test('a dog that panics in it: stopped, said to be bad, what to do, and no second one today', async ({ page }) => {
    const id = await wearingDog(page, 'Panicky');
    await page.goto(`/dogs/${id}/wear`);
    await page.getByRole('button', { name: 'Fun' }).click();
    await page.getByRole('button', { name: 'Put on now' }).click();
    const stop = page.getByRole('button', { name: '⬣ Stop' });
    const off = page.getByRole('button', { name: 'Taken off' });
    const where = await stop.boundingBox();
    expect((await off.boundingBox())?.height).toBe(where?.height);
    expect((await off.boundingBox())?.width).toBeCloseTo(where?.width ?? 0, 0);
    await page.getByRole('button', { name: 'It shows …' }).click();
    await page.getByRole('button', { name: 'Frantic pawing' }).click();
    await expect(page.getByRole('alert')).toHaveText('⬣ Take it off: over threshold');
    // Whatever is tapped or scrolled, Stop stays where the thumb knows it.
    await page.mouse.wheel(0, 2000);
    expect(await stop.boundingBox()).toEqual(where);
    await page.mouse.wheel(0, -4000);
    expect(await stop.boundingBox()).toEqual(where);
    await stop.click();
    const todo = page.getByRole('region', { name: 'It went badly: end here' });
    await expect(todo).toContainText('No second wear today');
    await expect(page.getByText('No more today')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Put on now' })).toBeDisabled();
    await page.getByRole('link', { name: 'Log and balance' }).click();
    await expect(page.getByRole('region', { name: 'Every wear' })).toContainText('it went badly · stopped');
  });

  test('a dog that overheats in it: off now, and what to do until a veterinarian sees it', async ({ page }) => {
    const id = await wearingDog(page, 'Overheated');
    await page.goto(`/dogs/${id}/wear`);
    await page.getByRole('button', { name: 'Put on now' }).click();
    await page.getByRole('button', { name: 'Gums or tongue pale, blue or dark red' }).click();
    await expect(page.getByRole('alert')).toHaveText('⬣ Off now');
    await expect(page.getByRole('timer')).toBeHidden();
    await expect(page.getByRole('region', { name: 'Until a veterinarian sees it' })).toContainText(
      'Ring the veterinarian ahead',
    );
    await page.getByRole('button', { name: 'Taken off' }).click();
    await expect(page.getByRole('region', { name: 'Until a veterinarian sees it' })).toBeVisible();
    await expect(page.getByText('No more today')).toBeVisible();
  });

  test('a clock set back in the middle does not lengthen a wear', async ({ page }) => {
    const id = await wearingDog(page, 'Clockwise');
    await page.goto(`/dogs/${id}/wear`);
    await page.getByRole('button', { name: 'Put on now' }).click();
    const clock = page.getByRole('timer');
    await expect(clock).toHaveText(/^4:5\d$/);
    // The phone's clock jumps back two hours while the page stands; the page's own count goes on.
    await page.evaluate(() => {
      const real = Date.now;
      Date.now = () => real() - 2 * 3_600_000;
    });
    await page.waitForTimeout(2500);
    await expect(clock).toHaveText(/^4:5\d$/);
    await page.getByRole('button', { name: 'Taken off' }).click();
    await expect(page.getByText('Off, and noted.')).toBeVisible();
    await expect.poll(async () => (await wears(page, id))[0]?.seconds ?? 999).toBeLessThan(30);
  });

  test('a muzzle that was forgotten: the round says how long over, and a person says when it came off', async ({
    page,
  }) => {
    const id = await wearingDog(page, 'Forgotten');
    const began = new Date(Date.now() - 50 * 3_600_000);
    const put = await page.request.put(`/api/dogs/${id}/wears/${crypto.randomUUID()}`, {
      headers: { 'If-Match': '"0"' },
      data: { startedAt: began.toISOString(), occasion: 'fun', capMinutes: 5 },
    });
    expect(put.ok()).toBe(true);
    await page.goto('/');
    const row = page.getByRole('listitem').filter({ hasText: 'Forgotten' });
    await expect(row.getByRole('alert')).toHaveText('⬣ 49 h over: take it off');
    await row.getByRole('link', { name: 'Say when it came off: Forgotten' }).click();
    await page.getByRole('button', { name: 'Taken off' }).click();
    const then = new Date(began.getTime() + 20 * 60_000);
    const local = new Date(then.getTime() - then.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
    await page.getByLabel('Taken off at').fill(local);
    await page.getByRole('button', { name: 'Then' }).click();
    await expect(page.getByText('Off, and noted.')).toBeVisible();
    await expect.poll(async () => (await wears(page, id))[0]?.endedAt).not.toBeNull();
    expect((await wears(page, id))[0]?.seconds).toBeLessThan(21 * 60);
  });

  test.describe('with the server away', () => {
    test.use({ expectedErrors: [/ERR_INTERNET_DISCONNECTED|Failed to load resource/] });
    test('a dog that panics while nobody is reached: what to do is at hand, and no second one', async ({
      page,
      context,
    }) => {
      const id = await wearingDog(page, 'Panics afar');
      await page.goto(`/dogs/${id}/wear`);
      await expect(page.getByRole('button', { name: 'Put on now' })).toBeEnabled();
      await page.waitForLoadState('networkidle');
      await context.setOffline(true);
      await page.getByRole('button', { name: 'Put on now' }).click();
      await page.getByRole('button', { name: 'Retches or gags' }).click();
      await expect(page.getByRole('region', { name: 'Until a veterinarian sees it' })).toBeVisible();
      await page.getByRole('button', { name: '⬣ Stop' }).click();
      await expect(page.getByRole('region', { name: 'It went badly: end here' })).toBeVisible();
      await expect(page.getByRole('button', { name: 'Put on now' })).toHaveCount(0);
      await context.setOffline(false);
      await expect(page.getByText('No more today')).toBeVisible();
      await expect
        .poll(async () => (await wears(page, id)).map((w) => w.signs.map((s) => s.signId)))
        .toEqual([['retches']]);
    });

    test('a wear begun, told of and ended is saved once when it is back', async ({ page, context }) => {
      const id = await wearingDog(page, 'Far pasture');
      await page.goto(`/dogs/${id}/wear`);
      await expect(page.getByRole('button', { name: 'Put on now' })).toBeEnabled();
      await page.waitForLoadState('networkidle');
      await context.setOffline(true);
      await page.getByRole('button', { name: 'Put on now' }).click();
      await page.getByRole('button', { name: 'It shows …' }).click();
      await page.getByRole('button', { name: 'Ears back' }).click();
      await page.getByRole('button', { name: 'Taken off' }).click();
      await expect(page.getByText('Off, and noted.')).toBeVisible();
      expect(await wears(page, id)).toEqual([]);
      await context.setOffline(false);
      await expect
        .poll(async () => (await wears(page, id)).map((w) => [w.endedAt !== null, w.signs.map((s) => s.signId)]))
        .toEqual([[true, ['ears-back']]]);
    });
  });
});

test.describe('with a wrong number', () => {
  test.use({ expectedErrors: [/400/] });
  test('the weather read by hand is what it is judged by', async ({ page }) => {
    const id = await wearingDog(page, 'Sultry');
    await page.goto(`/dogs/${id}/wear`);
    await page.getByRole('button', { name: 'Read it by hand' }).click();
    await page.getByLabel('Air, °C').fill('33');
    await page.getByLabel('Humidity, %').fill('wet');
    await page.getByRole('textbox', { name: 'Where' }).fill('Engine room');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('A humidity is 0 to 100 %.')).toBeVisible();
    await expect(page.getByLabel('Air, °C')).toHaveValue('33');
    await page.getByLabel('Humidity, %').fill('70');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('status').getByText('Not now')).toBeVisible();
    await expect(page.getByText('Engine room, read by hand', { exact: false })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Put on now' })).toBeDisabled();
  });
});

test('from breakfast to a finished thing: a failed muzzle is mended and inspected from the round', async ({ page }) => {
  const id = await wearingDog(page, 'Breakfast');
  await page.request.post(`/api/dogs/${id}/inspections`, { data: { failed: ['clip'], note: 'Does not click.' } });
  await page.goto('/');
  const cannotWait = page.getByRole('region', { name: 'Cannot wait' });
  await expect(cannotWait.getByRole('listitem').filter({ hasText: 'Breakfast' })).toContainText(
    'clip or buckle failed',
  );
  await page.getByRole('link', { name: 'Inspect: Breakfast' }).click();
  await expect(page.getByRole('alert')).toContainText('Out of use');
  for (const check of ['Strap', 'Clip or buckle', 'Edges', 'Bars and joints', 'Cleanliness'])
    await page.getByRole('group', { name: check }).getByRole('button', { name: 'Fine' }).click();
  await page.getByRole('button', { name: 'Keep this inspection' }).click();
  await expect(page.getByText('Next inspection')).toBeVisible();
  await page.goto('/');
  const row = page.getByRole('listitem').filter({ hasText: 'Breakfast' });
  await expect(row).toContainText('✓ Muzzle inspected: fine');
  await expect(cannotWait.getByRole('listitem').filter({ hasText: 'Breakfast' })).toHaveCount(0);
});

test('a visit warns before it sours, and a happy wear entered afterwards counts', async ({ page }) => {
  const id = await wearingDog(page, 'Visited');
  await page.goto(`/dogs/${id}/wear/visits`);
  await page.getByRole('button', { name: 'New appointment' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('A day, please, such as', { exact: false })).toBeVisible();
  const day = new Date(Date.now() + 5 * 86_400_000);
  await page.getByLabel('Day').fill(day.toISOString().slice(0, 10));
  await page.getByLabel('Where').fill('Wend Lock clinic');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Clinic, Wend Lock clinic')).toBeVisible();

  await page.getByRole('link', { name: 'Log and balance' }).click();
  await page.getByRole('button', { name: 'Enter one afterwards' }).click();
  await page.getByLabel('Put on at').fill('00:01');
  await page.getByLabel('Minutes').fill('lots');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('How many minutes was it on?')).toBeVisible();
  await page.getByLabel('Minutes').fill('2.5');
  await page.getByLabel('To the dog it was').selectOption('Fun');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Before it sours')).toBeVisible();
  await expect(page.getByText('After the clinic visit on', { exact: false })).toContainText('happy wear');
});

test('a dog’s record tells of every room and is narrowed to one', async ({ page }) => {
  const id = await wearingDog(page, 'Remembered');
  await page.request.post(`/api/dogs/${id}/inspections`, { data: { failed: [] } });
  await page.goto(`/dogs/${id}`);
  const record = page.getByRole('region', { name: 'Record' });
  await expect(record.getByRole('listitem')).toHaveCount(4);
  await record.getByRole('button', { name: 'Inspected' }).click();
  await expect(record.getByRole('listitem')).toHaveCount(1);
  await expect(record.getByRole('listitem')).toContainText('inspected: fine');
  await record.getByRole('button', { name: 'All', exact: true }).click();
  await record.getByRole('link', { name: 'Measured' }).click();
  await expect(page).toHaveURL(/measure\/history$/);
});

test('a log names its signs or waits for their names', async ({ page }) => {
  const letGo = await holdBack(page, '**/api/worn-signs');
  await page.goto(`/dogs/${await dogId(page, 'Otis')}/wear/log`);
  const log = page.getByRole('main');
  await expect(log.getByRole('listitem').first()).toBeVisible();
  await expect(log.getByText(/^It showed/)).toHaveCount(0);
  letGo();
  await expect(log.getByText(/^It showed: .*Eats/).first()).toBeVisible();
});

test.describe('with the server away', () => {
  test.use({ expectedErrors: [/ERR_INTERNET_DISCONNECTED/] });

  test('how long follows what is ticked, and is withheld where it is not known', async ({ page, context }) => {
    const id = await wearingDog(page, 'Out of reach');
    for (const place of ['The yard', 'The lane'])
      await page.request.post('/api/weather/readings', { data: { airC: 28, humidityPercent: 60, place } });
    await page.goto(`/dogs/${id}/wear`);
    const number = page.getByRole('status').filter({ hasText: /At most/ });
    const putOn = page.getByRole('button', { name: 'Put on now' });
    await page.getByLabel('Where').selectOption('The yard');
    await expect(page.getByText('28.0 °C, 60 % at')).toContainText('The yard');
    await expect(number.getByText('At most 2 minutes')).toBeVisible();
    await context.setOffline(true);

    // On ground that burns it is not worn in such heat, whoever can be asked.
    const ground = page.getByLabel(/^On tarmac or sand/);
    await ground.check({ force: true });
    await expect(page.getByText('⬣ Not now')).toBeVisible();
    await expect(putOn).toBeDisabled();
    await ground.uncheck({ force: true });
    await expect(number.getByText('At most 2 minutes')).toBeVisible();
    await expect(putOn).toBeEnabled();

    // What the weather is elsewhere was never asked.
    await page.getByLabel('Where').selectOption('The lane');
    await expect(page.getByText('This comes up as soon as the server is back.')).toBeVisible();
    await expect(number).toHaveCount(0);
    await expect(putOn).toHaveCount(0);
    await page.getByLabel('Where').selectOption('The yard');
    await expect(putOn).toBeEnabled();

    // It was bearable when the server last heard of it; who stands there knows better.
    await page.getByRole('button', { name: 'Read it by hand' }).click();
    await page.getByLabel('Air, °C').fill('33');
    await page.getByLabel('Humidity, %').fill('70');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('once the server has heard of the weather you read')).toBeVisible();
    await expect(number).toHaveCount(0);
    await expect(putOn).toHaveCount(0);
    await context.setOffline(false);
    await expect(page.getByText('⬣ Not now')).toBeVisible();
    await expect(putOn).toBeDisabled();
    await page.request.post('/api/weather/readings', { data: { airC: 12, humidityPercent: 60 } });
  });
});

test('the stops are put in order and stay so', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'In the order of my stops' }).click();
  const stops = page.getByRole('heading', { level: 2, name: /^\d+\. / });
  await expect(stops.first()).toHaveText(/^1\. /);
  const [first, second] = [(await stops.nth(0).textContent()) ?? '', (await stops.nth(1).textContent()) ?? ''];
  await page.getByRole('button', { name: `${second.slice(3)}: earlier` }).click();
  await expect(stops.first()).toHaveText(`1. ${second.slice(3)}`);
  await page.reload();
  await expect(stops.first()).toHaveText(`1. ${second.slice(3)}`);
  await expect(stops.nth(1)).toHaveText(`2. ${first.slice(3)}`);
});

test('a stop moves past the one that is seen before it, whatever lies between', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'In the order of my stops' }).click();
  const stops = page.getByRole('heading', { level: 2, name: /^\d+\. / });
  const { places } = (await (await page.request.get('/api/round/stops')).json()) as { places: string[] };
  // Both ends of the round, found by what they are called: the stops between are not on the screen.
  const [first, last] = [places[0] ?? '', places.at(-1) ?? ''];
  expect(places.length).toBeGreaterThan(3);
  const mark = `apart${Date.now()}`;
  for (const [i, place] of [first, last].entries()) await post(page, '/api/dogs', { name: `${mark} ${i}`, place });
  await page.getByRole('searchbox', { name: 'Find a dog' }).fill(mark);
  await expect(stops).toHaveText([`1. ${first}`, `${places.length}. ${last}`]);
  await page.getByRole('button', { name: `${last}: earlier` }).click();
  await expect(stops).toHaveText([`1. ${last}`, `2. ${first}`]);
  await page.getByRole('button', { name: `${last}: later` }).click();
  await expect(stops).toHaveText([`1. ${first}`, `2. ${last}`]);
});

test('the stops stand in order or not yet', async ({ page }) => {
  const letGo = await holdBack(page, '**/api/round?*by=stops*');
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Otis', exact: true })).toBeVisible();
  // What was listed by what cannot wait is not all there is of a place.
  await page.getByRole('button', { name: 'In the order of my stops' }).click();
  await expect(page.getByText('One moment…')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Otis', exact: true })).toHaveCount(0);
  letGo();
  await expect(page.getByRole('heading', { level: 2, name: /^2\. / })).toBeVisible();
});

test('what was moved as the page was left shows where it was moved, though the answer of before comes last', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'In the order of my stops' }).click();
  const stops = page.getByRole('heading', { level: 2, name: /^\d+\. / });
  const second = (await stops.nth(1).textContent()) ?? '';
  // It does not get away before the page is left; the next page asks before it sends, and hears after it has sent.
  let left = false;
  let held = false;
  const saved = page.waitForResponse((r) => r.url().endsWith('/stops') && r.request().method() === 'PUT');
  let tell = () => {};
  const asked = new Promise<void>((done) => (tell = done));
  await page.route('**/api/round/stops', async (route) => {
    if (route.request().method() === 'PUT') {
      if (!left) return route.abort();
      await asked;
      return route.continue();
    }
    if (!left || held) return route.continue();
    held = true;
    const before = await route.fetch();
    tell();
    await saved;
    return route.fulfill({ response: before });
  });
  await page.getByRole('button', { name: `${second.slice(3)}: earlier` }).click();
  await expect(stops.first()).toHaveText(`1. ${second.slice(3)}`);
  left = true;
  await page.reload();
  await saved;
  await expect(stops.first()).toHaveText(`1. ${second.slice(3)}`);
});

test('a wear a little past its cap is ended from the round', async ({ page }) => {
  const id = await wearingDog(page, 'Overdue');
  await page.request.put(`/api/dogs/${id}/wears/${crypto.randomUUID()}`, {
    headers: { 'If-Match': '"0"' },
    data: { startedAt: new Date(Date.now() - 17.5 * 60_000).toISOString(), occasion: 'fun', capMinutes: 5 },
  });
  await page.goto('/');
  const row = page.getByRole('listitem').filter({ hasText: 'Overdue' });
  await expect(row.getByRole('alert')).toHaveText('⬣ 12 min over: take it off');
  await row.getByRole('button', { name: 'Taken off: Overdue' }).click();
  await expect(row.getByRole('alert')).toHaveCount(0);
  await expect(row).toContainText('✓ Worn 17 minutes, fun');
});
