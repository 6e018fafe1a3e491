import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { request as requests } from '@playwright/test';
import { serve } from './servers.js';
import { beginSession, dogId, expect, newDog, test, type Round } from './support.js';

const noAnswer = [/Failed to load resource|ERR_(FAILED|CONNECTION_REFUSED|EMPTY_RESPONSE|CONNECTION_RESET)/];

test.describe('while the server does not answer', () => {
  test.use({ expectedErrors: noAnswer });

  test('what was typed is kept through a reload and another room, and sent when it is back', async ({ page }) => {
    const id = await newDog(page, 'Patient', false);
    const notes = async () =>
      ((await (await page.request.get(`/api/dogs/${id}`)).json()) as { dog: { notes: string | null } }).dog.notes;
    await page.goto(`/dogs/${id}?edit`);
    await page.route(`**/api/dogs/${id}`, (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    await page.getByLabel('Notes').fill('Typed in a dead spot.');
    await expect(page.getByText('1 thing not sent yet: Patient.')).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Notes')).toHaveValue('Typed in a dead spot.');
    expect(await notes()).toBeNull();
    await page.getByRole('link', { name: 'Measure alt' }).click();
    await expect(page.getByRole('textbox', { name: 'Snout girth' })).toBeVisible();
    await page.unrouteAll();
    await expect.poll(notes).toBe('Typed in a dead spot.');
    await expect(page.getByText('1 thing not sent yet: Patient.')).toHaveCount(0);
  });

  test('three marks on a picture are sent from another room', async ({ page }) => {
    const id = await dogId(page, 'Nettle');
    const photos = async () =>
      (await (await page.request.get(`/api/dogs/${id}/photos`)).json()) as { id: string; corners: unknown[] }[];
    const bare = (await photos()).find((p) => p.corners.length === 0);
    await page.goto(`/dogs/${id}/measure/photos/${bare?.id}`);
    const canvas = page.getByRole('application');
    await expect(canvas).toBeVisible();
    await page.route('**/api/dogs/*/photos/*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    for (const [x, y] of [
      [100, 100],
      [300, 100],
      [300, 220],
    ] as const)
      await canvas.click({ position: { x, y } });
    await expect(page.getByText('1 thing not sent yet: marks on a picture.')).toBeVisible();
    await page.getByRole('link', { name: 'Plan alt' }).click();
    await page.unrouteAll();
    await expect.poll(async () => (await photos()).find((p) => p.id === bare?.id)?.corners.length).toBe(3);
  });

  test('the corner for notices not loaded yet takes nothing with it, and tells when it is back', async ({ page }) => {
    const id = await newDog(page, 'Nobody hears', false);
    await page.route(/Toasts-.*[.]js|[/]api[/]health$/, (route) => route.abort());
    await page.goto(`/dogs/${id}?edit`);
    await expect(page.getByText('△ The server cannot be reached just now.')).toBeVisible();
    await expect(page.getByLabel('Notes')).toBeVisible();
    await page.unrouteAll();
    await expect(page.getByText('△ The server cannot be reached just now.')).toHaveCount(0);
    await page.getByRole('button', { name: 'Archive' }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
  });

  test('a room not loaded yet comes up once the server is back', async ({ browser }) => {
    test.setTimeout(300_000);
    const page = await (await browser.newContext()).newPage();
    const first = await serve('away');
    const api = await requests.newContext({ baseURL: first.address });
    const id = ((await (await api.get('/api/round')).json()) as Round).cards[0]?.id;
    await page.goto(`${first.address}/dogs/${id}?edit`);
    await expect(page.getByLabel('Notes')).toBeVisible();
    await first.stop();
    await page.getByLabel('Notes').fill('While it was away.');
    await expect(page.getByText('△ The server cannot be reached just now.')).toBeVisible();
    await page.getByRole('link', { name: 'Plan alt' }).click();
    const second = await serve('away', first);
    await expect(page.getByRole('list', { name: 'Steps of the plan' })).toBeVisible();
    await expect
      .poll(
        async () => ((await (await api.get(`/api/dogs/${id}`)).json()) as { dog: { notes: string | null } }).dog.notes,
      )
      .toBe('While it was away.');
    await expect(page.getByText('△ The server cannot be reached just now.')).toHaveCount(0);
    await page.context().close();
    await second.remove();
  });
});

test('a model half typed is there again after a reload, and leaving it asks first', async ({ page }) => {
  await page.goto('/catalogue');
  await page.getByRole('button', { name: 'Change Withy' }).click();
  await page.getByLabel('Maker').fill('Half typed');
  await page.reload();
  await expect(page.getByLabel('Maker')).toHaveValue('Half typed');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('button', { name: 'Stay' }).click();
  await expect(page.getByLabel('Maker')).toHaveValue('Half typed');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await page.reload();
  await expect(page.getByLabel('Maker')).toHaveCount(0);
});

test.describe('two hands', () => {
  test.use({ expectedErrors: [/412|409/] });

  test('at one van: the second is told what the first counted', async ({ page }) => {
    await page.request.put('/api/van/withy-5', { data: { count: 2 }, headers: { 'If-Match': '"0"' } });
    await page.goto('/van');
    const count = page.getByRole('spinbutton', { name: 'How many Withy 5' });
    await expect(count).toHaveValue('2');
    const van = (await (await page.request.get('/api/van')).json()) as {
      carried: { sizeId: string; version: number }[];
    };
    const version = van.carried.find((c) => c.sizeId === 'withy-5')?.version;
    const first = await page.request.put('/api/van/withy-5', {
      data: { count: 5 },
      headers: { 'If-Match': `"${version}"` },
    });
    expect(first.ok()).toBe(true);
    await count.fill('3');
    const told = page.getByRole('alert').filter({ hasText: 'Someone else counted in the meantime.' });
    await expect(told.getByRole('cell', { name: '5' })).toBeVisible();
    await told.getByRole('button', { name: 'Take theirs' }).click();
    await expect(count).toHaveValue('5');
  });

  test('at one pad: a go tapped in a set that is over is kept, and placed by a person', async ({ page }) => {
    const id = await newDog(page, 'Two pads');
    await page.goto(`/dogs/${id}/plan`);
    await beginSession(page);
    await page.getByRole('button', { name: /^Yes/ }).click();
    await expect(page.getByText('Saved as it happens')).toBeVisible();
    const { openSessionId } = (await (await page.request.get(`/api/dogs/${id}`)).json()) as { openSessionId: string };
    const session = async () =>
      (await (await page.request.get(`/api/sessions/${openSessionId}`)).json()) as {
        openSet: { number: number; goes: unknown[] };
      };
    await expect.poll(async () => (await session()).openSet.goes.length).toBe(1);
    await page.request.post(`/api/sessions/${openSessionId}/sets/1/finish`);
    await page.getByRole('button', { name: /^Yes/ }).click();
    await expect(page.getByText('A go (good) of set 1 was not counted')).toBeVisible();
    expect((await session()).openSet).toMatchObject({ number: 2, goes: [] });
    await page.getByRole('button', { name: 'Count it in set 2' }).click();
    await expect.poll(async () => (await session()).openSet.goes.length).toBe(1);
    await expect(page.getByText('was not counted')).toHaveCount(0);
  });
});

test.describe('another website', () => {
  test.use({ expectedErrors: [/403|Failed to load resource/] });
  test('open in the same browser writes nothing', async ({ page, browser, baseURL }) => {
    const id = await newDog(page, 'Target');
    const paths = [`/api/dogs/${id}/archive`, `/api/dogs/${id}/photos`, `/api/dogs/${id}/measuring-sets`];
    const elsewhere = createServer((_, answer) =>
      answer.setHeader('content-type', 'text/html').end('<title>elsewhere</title>'),
    );
    await new Promise<void>((up) => elsewhere.listen(0, '127.0.0.1', up));
    const other = await (await browser.newContext()).newPage();
    await other.goto(`http://127.0.0.1:${(elsewhere.address() as AddressInfo).port}/`);
    const tried: string[] = [];
    const answered: number[] = [];
    other.on('request', (r) => {
      const path = paths.find((p) => r.url().endsWith(p));
      if (path && r.method() === 'POST') tried.push(path);
    });
    other.on('response', (r) => {
      if (paths.some((p) => r.url().endsWith(p))) answered.push(r.status());
    });
    await other.evaluate(
      async ([address, bare, upload, begin]) => {
        const form = new FormData();
        form.append('file', new Blob(['x']), 'x.jpg');
        await fetch(`${address}${bare}`, { method: 'POST', mode: 'no-cors' }).catch(() => undefined);
        await fetch(`${address}${upload}`, { method: 'POST', mode: 'no-cors', body: form }).catch(() => undefined);
        const sheet = document.createElement('form');
        Object.assign(sheet, { method: 'post', action: `${address}${begin}` });
        document.body.append(sheet);
        sheet.submit();
      },
      [baseURL ?? '', ...paths],
    );
    await expect.poll(() => tried).toEqual(paths);
    await expect.poll(() => answered.at(-1)).toBe(403);
    expect(answered.every((status) => status === 403)).toBe(true);
    const card = (await (await page.request.get(`/api/dogs/${id}`)).json()) as { dog: { archived: boolean } };
    expect(card.dog.archived).toBe(false);
    expect(await (await page.request.get(`/api/dogs/${id}/photos`)).json()).toEqual([]);
    const { sets } = (await (await page.request.get(`/api/dogs/${id}/measuring-sets`)).json()) as { sets: unknown[] };
    expect(sets).toHaveLength(1);
    await other.context().close();
    elsewhere.close();
  });
});
