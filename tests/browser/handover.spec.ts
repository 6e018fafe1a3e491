import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { dataFolder, remove, serve } from './servers.js';
import { dogId, expect, expectNoViolations, newDog, test as base } from './support.js';

/** A practice of one's own: empty, and nobody else's. */
const own = base.extend<{ server: Awaited<ReturnType<typeof serve>> }>({
  server: async ({}, use) => {
    const server = await serve('own', undefined, false);
    await use(server);
    await server.remove();
  },
  baseURL: async ({ server }, use) => use(server.address),
});

const onRound = async (page: Page) =>
  ((await (await page.request.get('/api/round')).json()) as { cards: { name: string }[] }).cards.map((c) => c.name);

/** Begins a practice as somebody does who opens it for the first time. */
async function begin(page: Page, name: string) {
  await page.goto('/');
  await page.getByLabel('What the practice is called').fill(name);
  await page.getByLabel('Where you are rung; it stands on cards').fill('0555 014 001');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByText(`${name} has no dog on the round yet.`)).toBeVisible();
}

base.describe('at the door, on a phone', () => {
  base.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  base('a nurse reads in ten seconds what the dog wears and what it may', async ({ page }) => {
    const id = await dogId(page, 'Juno');
    await page.goto(`/cards/${id}/clinic`);
    const headline = page.getByRole('heading', { level: 1 });
    await expect(headline).toContainText(/At most|Not|Ask|No more/);
    // Without scrolling: how long, when to take it off, how it goes on, muzzle and hole.
    for (const part of ['How long', 'Off at once', 'How it goes on', 'What it wears']) {
      const heading = page.getByRole('heading', { name: part });
      await expect(heading).toBeVisible();
      const box = await heading.boundingBox();
      expect((box?.y ?? 999) + (box?.height ?? 0), part).toBeLessThan(844);
    }
    await expect(page.getByText(/hole \d+ of \d+/)).toBeInViewport();
    await expect(page.getByRole('link', { name: /^0555 014/ }).first()).toHaveAttribute('href', /^tel:0555014/);
    await expectNoViolations(page);
    // Text twice as large: nothing runs out of the page.
    await page.evaluate(() => (document.documentElement.style.fontSize = '200%'));
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});

base('each audience gets its own card, and the paper is chosen', async ({ page }) => {
  const id = await dogId(page, 'Admiral');
  await page.goto(`/dogs/${id}/card?for=clinic`);
  await expect(page.getByRole('heading', { name: 'Bites' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What can be done in it' })).toBeVisible();
  await page.getByRole('button', { name: 'Walker', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What can be done in it' })).toHaveCount(0);
  await page.getByLabel('Paper', { exact: true }).selectOption('a5');
  const print = page.getByRole('link', { name: 'Print it or keep it' });
  await expect(print).toHaveAttribute('href', `/api/dogs/${id}/card.pdf?for=walker&page=a5`);
  const pdf = await page.request.get((await print.getAttribute('href')) ?? '');
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  for (const name of ['Fit strip', 'Practice cup', 'Report', 'Calendar', 'Dossier']) {
    const address = await page.getByRole('link', { name, exact: true }).getAttribute('href');
    expect((await page.request.get(address ?? '')).ok(), name).toBe(true);
  }
});

base('what cannot be printed yet says what is missing', async ({ page }) => {
  const id = await newDog(page, 'Unmeasured', false);
  await page.goto(`/dogs/${id}/card`);
  const papers = page.getByRole('region', { name: 'Papers at 1:1' });
  await expect(papers.getByText(/The snout has to be measured first/).first()).toBeVisible();
  await expect(papers.getByRole('link')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Choose a muzzle first' })).toBeVisible();
});

own.describe('between two practices', () => {
  own.use({ expectedErrors: [/400 \(Bad Request\)/] });

  own('a dog goes to a colleague and comes back', async ({ page, server }) => {
    await begin(page, 'Upstream');
    const id = await newDog(page, 'Tarn');
    await page.goto(`/dogs/${id}/card`);
    const away = page.getByRole('region', { name: 'To somebody else' });
    await away.getByRole('button', { name: 'Hand Tarn over' }).click();
    await expect(away.getByText(/Say who has it now/)).toBeVisible();
    await away.getByLabel('Who has it from now on').fill('Downstream');
    await away.getByLabel('Anything else').fill('Moves to the coast.');
    await away.getByRole('button', { name: 'Hand Tarn over' }).click();
    await expect(away.getByText('Tarn is handed over.')).toBeVisible();
    await expect(away.getByText(/handed over to Downstream: Moves to the coast\./)).toBeVisible();
    expect(await onRound(page)).toEqual([]);
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      away.getByRole('link', { name: 'Its dossier' }).click(),
    ]);
    const path = join(server.folder, 'tarn.zip');
    await file.saveAs(path);

    // The colleague has a practice of another make of breeds and numbers: empty.
    const colleague = await serve('colleague', undefined, false);
    try {
      await begin2(page, colleague.address, path);
      expect(
        ((await (await page.request.get(`${colleague.address}/api/round`)).json()) as { cards: { name: string }[] })
          .cards,
      ).toHaveLength(1);
      // Weighed there; and back it comes.
      const weighed = (await (await page.request.get(`${colleague.address}/api/dogs/${id}`)).json()) as {
        dog: Record<string, unknown> & { version: number };
      };
      const put = await page.request.put(`${colleague.address}/api/dogs/${id}`, {
        data: { ...weighed.dog, bodyMassKg: 29.5 },
        headers: { 'If-Match': `"${weighed.dog.version}"` },
      });
      expect(put.ok(), await put.text()).toBe(true);
      writeFileSync(path, await (await page.request.get(`${colleague.address}/api/dogs/${id}/dossier.zip`)).body());
    } finally {
      await colleague.remove();
    }

    await page.goto('/keeping');
    const takeIn = page.getByRole('region', { name: 'Take in a dossier' });
    await takeIn.getByLabel('A dossier as a file').setInputFiles(path);
    await expect(takeIn.getByText('comes back')).toBeVisible();
    await expect(takeIn.getByText('bodyMassKg: here 28, in the file 29.5')).toBeVisible();
    await takeIn.getByLabel('Where they say something else').selectOption('theirs');
    await takeIn.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText('Taken in: Tarn.')).toBeVisible();
    await page.goto(`/dogs/${id}/card`);
    await expect(page.getByText('29.5 kg')).toBeVisible();
    await expect(page.getByRole('list', { name: 'Handed over so far' }).getByText(/taken back from/)).toBeVisible();
    expect(await onRound(page)).toEqual(['Tarn']);
  });
});

/** The colleague's side, through the addresses a page would ask: another origin, so not in this page. */
async function begin2(page: Page, address: string, path: string) {
  const preview = await page.request.post(`${address}/api/dossiers/preview`, {
    data: readFileSync(path),
    headers: { 'Content-Type': 'application/zip' },
  });
  expect(((await preview.json()) as { dogs: { isHere: boolean }[] }).dogs[0]?.isHere).toBe(false);
  const taken = await page.request.post(`${address}/api/dossiers`, {
    data: readFileSync(path),
    headers: { 'Content-Type': 'application/zip' },
  });
  expect(taken.ok(), await taken.text()).toBe(true);
}

own.describe('a practice of one’s own', () => {
  own.use({ expectedErrors: [/Failed to load resource|ERR_/] });

  own('begins empty, asks for its name, and is backed up, put back and undone', async ({ page, server }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByText('Give the practice a name.')).toBeVisible();
    await page.getByLabel('Where you are rung; it stands on cards').fill('call me');
    await page.getByLabel('What the practice is called').fill('Hill and Dale');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByText(/A telephone number has/)).toBeVisible();
    await expect(page.getByLabel('What the practice is called')).toHaveValue('Hill and Dale');
    await begin(page, 'Hill and Dale');
    for (const offer of ['The first dog', 'A size chart', 'Breeds'])
      await expect(
        page.getByRole('region', { name: 'To begin with' }).getByRole('link', { name: offer }),
      ).toBeVisible();
    await expectNoViolations(page);
    await page.getByRole('link', { name: 'The first dog' }).click();
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Pebble');
    await page
      .getByRole('button', { name: /Add|Keep|Save|Begin/ })
      .first()
      .click();
    await expect(page.getByRole('heading', { level: 1, name: /Pebble/ })).toBeVisible();

    // The invented catalogue is put away whole, and said to be invented before that.
    await page.goto('/keeping');
    await page.getByRole('button', { name: 'Put them all away' }).click();
    await expect(page.getByRole('button', { name: 'Bring them back' })).toBeVisible();
    await page.goto('/catalogue');
    await expect(page.getByText('0 models, 0 sizes')).toBeVisible();

    await page.goto('/keeping');
    await page.getByRole('button', { name: 'Make one now' }).click();
    await expect(page.getByText(/A backup is made and checked/)).toBeVisible();
    await newDog(page, 'Later', false);
    const back = page.getByRole('region', { name: 'Put a backup back' });
    await back.getByLabel('A backup of the folder').selectOption({ index: 1 });
    await expect(back.getByText('1 dog', { exact: true })).toBeVisible();
    await expect(back.getByText('2 dogs', { exact: true })).toBeVisible();
    await back.getByRole('button', { name: 'Put it in place' }).click();
    await expect(page.getByText('The backup is in place.')).toBeVisible();
    expect(await onRound(page)).toEqual(['Pebble']);
    await page.getByRole('button', { name: /Undo/ }).first().click();
    await expect(page.getByText('The practice from before is back.')).toBeVisible();
    expect((await onRound(page)).sort()).toEqual(['Later', 'Pebble']);

    // The server goes away in the middle: what was chosen stays, it is said, and afterwards it goes on.
    await back.getByLabel('A backup of the folder').selectOption({ index: 1 });
    await expect(back.getByText('1 dog', { exact: true })).toBeVisible();
    await server.stop();
    await back.getByRole('button', { name: 'Put it in place' }).click();
    await expect(back.getByText('The server cannot be reached just now.')).toBeVisible();
    const again = await serve('own', { port: server.port, folder: server.folder }, false);
    try {
      await back.getByRole('button', { name: 'Put it in place' }).click();
      await expect(page.getByText('The backup is in place.')).toBeVisible();
      expect(await onRound(page)).toEqual(['Pebble']);
    } finally {
      await again.stop();
    }
  });

  own('a practice moves to another machine in two steps, and a wrong file does nothing', async ({ page, server }) => {
    await begin(page, 'Old laptop');
    await newDog(page, 'Moved');
    expect(
      (
        await page.request.put('/api/backups/settings', {
          data: { nightly: true, encrypted: true, passphrase: 'three herons on a lock gate' },
          headers: {
            'If-Match': `"${((await (await page.request.get('/api/backups')).json()) as { version: number }).version}"`,
          },
        })
      ).ok(),
    ).toBe(true);
    await page.goto('/keeping');
    await page.getByRole('button', { name: 'Make one now' }).click();
    await expect(page.getByText('closed with a passphrase', { exact: true })).toBeVisible();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Take it along' }).click(),
    ]);
    const folder = dataFolder('stick');
    const path = join(folder, file.suggestedFilename());
    await file.saveAs(path);
    await server.stop();
    remove(server.folder);

    const anew = await serve('own', { port: server.port, folder: dataFolder('new-laptop') }, false);
    try {
      await page.goto('/');
      const bring = page.getByRole('region', { name: 'Put a backup back' });
      const wrong = join(folder, 'letter.txt');
      writeFileSync(wrong, 'Dear all');
      await bring.getByLabel('A backup as a file').setInputFiles(wrong);
      await expect(bring.getByText(/closed with a passphrase, or is none/)).toBeVisible();
      await bring.getByLabel('A backup as a file').setInputFiles(path);
      await expect(bring.getByText(file.suggestedFilename())).toBeVisible();
      await bring.getByLabel('Passphrase, where it is closed with one').fill('three geese');
      await bring.getByRole('button', { name: 'Look again' }).click();
      await expect(bring.getByText(/does not open with this passphrase/)).toBeVisible();
      await bring.getByLabel('Passphrase, where it is closed with one').fill('three herons on a lock gate');
      await bring.getByRole('button', { name: 'Look again' }).click();
      await expect(bring.getByText('Old laptop')).toBeVisible();
      await bring.getByRole('button', { name: 'Put it in place' }).click();
      await expect(page.getByText('Moved', { exact: true }).first()).toBeVisible();
    } finally {
      await anew.remove();
      remove(folder);
    }
  });
});
