import { existsSync, mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, devices, test, expect, type APIRequestContext, type Browser, type Page } from '@playwright/test';
import { launchOptions } from './chromium.mjs';
import { addPerson, dataFolder, hostCourse, remove, root, serve } from './servers.js';
import { expectNoViolations, type Round } from './support.js';

/** A practice that phones reach: whoever asks signs in. One for the file; each scene has dogs of its own. */
const password = 'a heron on the weir';
let practice: Awaited<ReturnType<typeof serve>>;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async () => {
  practice = await serve('phones', undefined, true, true);
  addPerson(practice.folder, 'Fern', password);
});
test.afterAll(() => practice.remove());

const phone = { ...devices['Pixel 7'], viewport: { width: 390, height: 844 } };

async function fitter(browser: Browser, address = practice.address): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: address, reducedMotion: 'reduce' })).newPage();
  await page.goto('/');
  await page.getByLabel('Your name').fill('Fern');
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { name: 'The round' })).toBeVisible();
  return page;
}

/** A dog that is in the middle of its training, of a name of its own. */
async function dogInTraining(of: APIRequestContext, name: string): Promise<string> {
  const made = await of.post('/api/dogs', {
    data: { name, breedIds: ['labrador-retriever'], bodyMassKg: 28, purposes: ['walks'], keeper: `Keeper of ${name}` },
  });
  const { id } = (await made.json()) as { id: string };
  // Every day is one of its week, whichever this is.
  const days = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
  const week = await of.post(`/api/dogs/${id}/plan/week`, {
    data: { days, sessionsPerDay: 1, by: null, readyAt: null },
    headers: { 'If-Match': '"0"' },
  });
  expect(week.ok(), await week.text()).toBe(true);
  return id;
}

async function codeFor(of: APIRequestContext, dog: string, kind = 'keeper') {
  const offered = await of.post(`/api/dogs/${dog}/pairings`, { data: { kind, until: null } });
  expect(offered.ok(), await offered.text()).toBe(true);
  return ((await offered.json()) as { code: string }).code;
}

interface Held {
  sets: { goes: unknown[] }[];
  openSet: { goes: unknown[] } | null;
}

const goesOf = async (of: APIRequestContext, dog: string) =>
  ((await (await of.get(`/api/dogs/${dog}/sessions`)).json()) as Held[])
    .flatMap(({ sets, openSet }) => [...sets, ...(openSet ? [openSet] : [])])
    .reduce((goes, set) => goes + set.goes.length, 0);

test('from the fitter’s screen to the first go on a keeper’s phone, reading nothing', async ({ browser }) => {
  const fern = await fitter(browser);
  const dog = await dogInTraining(fern.request, 'Pilchard');
  await fern.goto(`/dogs/${dog}`);
  await fern.getByRole('button', { name: 'Give it to its keeper' }).click();
  await fern.getByRole('button', { name: 'Make a code' }).click();
  const code = (await fern.getByText(/^[A-Z]{4}-[A-Z]{4}$/).textContent()) ?? '';
  await expect(fern.getByRole('img', { name: 'The same as a picture' })).toBeVisible();
  await expectNoViolations(fern);

  const page = await (await browser.newContext({ ...phone, baseURL: practice.address })).newPage();
  const begun = Date.now();
  await page.goto(`/pair#${code}`);
  // It stands in no history.
  await expect(page).toHaveURL(/\/pair$/);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('heading', { name: 'Pilchard' })).toBeVisible();
  await expectNoViolations(page);
  await page.getByRole('button', { name: 'Train', exact: true }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
  await page.getByRole('button', { name: /^Yes/ }).click();
  await expect.poll(() => goesOf(fern.request, dog)).toBe(1);
  // Two minutes are asked for; a person is slower than this, and has no more to do.
  expect(Date.now() - begun).toBeLessThan(120_000);

  // The fitter sees whose phone it is, when it was here, and what it did.
  await fern.reload();
  await expect(fern.getByRole('region', { name: 'Who has Pilchard on a phone' })).toContainText('Android phone');
  const deeds = fern.getByRole('region', { name: 'Who did what' });
  await expect(deeds).toContainText('Keeper of Pilchard');
  await expect(deeds).toContainText('a go, added');

  // What is not a keeper's is not there, whatever is typed.
  const otis = ((await (await fern.request.get('/api/round?count=2000')).json()) as Round).cards.find(
    (c) => c.name === 'Otis',
  )?.id;
  expect((await page.request.get(`/api/dogs/${otis}`)).status()).toBe(404);
  expect((await page.request.get('/api/round')).status()).toBe(403);
  await page.goto('/');
  await expect(page.getByRole('navigation', { name: 'Main' })).not.toContainText('Catalogue');
});

test('trained in flight mode, the browser restarted, and back: the fitter sees all of it once', async ({ browser }) => {
  const fern = await fitter(browser);
  const dog = await dogInTraining(fern.request, 'Sprat');
  const code = await codeFor(fern.request, dog);
  const profile = mkdtempSync(join(tmpdir(), 'jaunty-badge-phone-'));
  const open = async () => {
    const context = await chromium.launchPersistentContext(profile, {
      ...launchOptions,
      ...phone,
      baseURL: practice.address,
      serviceWorkers: 'allow',
    });
    return { context, page: context.pages()[0] ?? (await context.newPage()) };
  };
  let { context, page } = await open();
  await page.goto(`/pair#${code}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('heading', { name: 'Sprat' })).toBeVisible();
  // The product itself, and what the pad needs, are kept as soon as they were here.
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBeGreaterThan(0);
  await page.waitForTimeout(3000);
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByText('The server cannot be reached just now.')).toBeVisible();
  await page.getByRole('link', { name: 'Card', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Card: For the family' })).toBeVisible();
  await page.getByRole('link', { name: 'Wear', exact: true }).click();
  await expect(page.getByText('No muzzle is chosen yet.')).toBeVisible();
  await page.getByRole('link', { name: 'My dogs' }).click();
  await page.getByRole('button', { name: 'Train', exact: true }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
  const yes = page.getByRole('button', { name: /^Yes/ });
  for (let go = 1; go <= 3; go++) {
    await yes.click();
    await page.waitForTimeout(400);
  }
  expect(await goesOf(fern.request, dog)).toBe(0);
  await context.close();

  // The phone is off, and on again, still without a line: a cold start.
  ({ context, page } = await open());
  await context.setOffline(true);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Sprat' })).toBeVisible();
  await expect(page.getByText(/not sent yet/).first()).toBeVisible();
  await context.setOffline(false);
  await expect.poll(() => goesOf(fern.request, dog), { timeout: 60_000 }).toBe(3);
  await page.waitForTimeout(2500);
  expect(await goesOf(fern.request, dog)).toBe(3);
  await context.close();
  remove(profile);
});

test('a phone withdrawn while it is away: what it holds is looked at before it counts', async ({ browser }) => {
  const fern = await fitter(browser);
  const dog = await dogInTraining(fern.request, 'Whelk');
  const context = await browser.newContext({ ...phone, baseURL: practice.address });
  const page = await context.newPage();
  await page.goto(`/pair#${await codeFor(fern.request, dog)}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Train', exact: true }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
  const yes = page.getByRole('button', { name: /^Yes/ });
  await yes.click();
  await expect.poll(() => goesOf(fern.request, dog)).toBe(1);
  await context.setOffline(true);
  await yes.click();
  await page.waitForTimeout(600);

  await fern.goto('/people');
  await fern.getByRole('button', { name: /^Withdraw .* of Keeper of Whelk/ }).click();
  await expect(fern.getByText(/may come in no more/).first()).toBeVisible();
  await context.setOffline(false);
  // Nobody is shown out of a session: what is seen of a dog can be said to its end.
  await expect(page.getByText('What you tap here is kept, and looked at before it counts.')).toBeVisible();
  await expect(yes).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await expect(
    page.getByRole('main').getByText('This device may come in no more. Ask the fitter for a new code.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Send them to be looked at' }).click();
  await expect(page.getByRole('button', { name: 'Send them to be looked at' })).toBeHidden();
  expect(await goesOf(fern.request, dog)).toBe(1);

  await fern.goto('/');
  const tray = fern.getByRole('region', { name: 'To be looked at' });
  await expect(tray).toContainText('Whelk: 1 thing');
  await tray.getByRole('button', { name: 'Take it in' }).click();
  await expect.poll(() => goesOf(fern.request, dog)).toBe(2);
  await expect(tray).toBeHidden();
});

test('a dog panics in it on its keeper’s phone, where there is no line: off at once, and the fitter sees it', async ({
  browser,
}) => {
  const fern = await fitter(browser);
  const juno = ((await (await fern.request.get('/api/round?count=2000')).json()) as Round).cards.find(
    (c) => c.name === 'Juno',
  )!.id;
  const context = await browser.newContext({ ...phone, baseURL: practice.address });
  const page = await context.newPage();
  await page.goto(`/pair#${await codeFor(fern.request, juno)}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  const card = page.getByRole('region', { name: 'Juno' });
  await card
    .getByRole('link', { name: /^(Wear|Put the muzzle on)$/ })
    .first()
    .click();
  // The weather is read off where there is no line: until the server has heard of it no number of before is read, here or on the first page.
  await expect(page.getByRole('button', { name: 'Put on now' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Read it by hand' }).click();
  await page.getByLabel('Air, °C').fill('14');
  await page.getByLabel('Humidity, %').fill('60');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/^How long is said once/)).toBeVisible();
  await page.getByRole('link', { name: 'Jaunty Badge, home' }).click();
  await expect(card).toContainText('Not known just now');
  await expect(card).not.toContainText('At most');
  await context.setOffline(false);
  await expect(card).toContainText('At most');
  await card
    .getByRole('link', { name: /^(Wear|Put the muzzle on)$/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Put on now' }).click();
  await expect(page.getByRole('button', { name: 'Taken off' })).toBeVisible();
  // It is on, wherever one looks from.
  await page.getByRole('link', { name: 'Jaunty Badge, home' }).click();
  await card.getByRole('link', { name: 'See the clock' }).click();
  // On the walk there is no line, and the dog goes for its face with both paws. The picture is of this dog, and the whole tile is the button.
  await context.setOffline(true);
  await page.getByRole('button', { name: 'It shows …' }).click();
  const frantic = page.getByRole('button', { name: 'Frantic pawing' });
  await expect(frantic.locator('svg')).toBeVisible();
  expect((await frantic.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await frantic.click();
  await expect(page.getByRole('alert')).toHaveText('⬣ Take it off: over threshold');
  await page.getByRole('button', { name: '⬣ Stop' }).click();
  await expect(page.getByRole('button', { name: '⬣ Stop' })).toBeHidden();
  // What to do next is told there and then, without a line.
  await expect(page.getByText(/^No second wear today/)).toBeVisible();
  // The server, which works out how long, has not heard of it: no number of before is read without that.
  await expect(page.getByText(/^At most/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Put on now' })).toHaveCount(0);
  await expectNoViolations(page);
  // Nor on the first page, nor on coming back to it: what the server said before does not know of this wear.
  await page.getByRole('link', { name: 'Jaunty Badge, home' }).click();
  await expect(card).toContainText('⬣ It went badly: end here');
  await expect(card).not.toContainText(/At most|Train today/);
  await expect(card.getByRole('button', { name: /^(Train|Go on)$/ })).toHaveCount(0);
  await expectNoViolations(page);
  await card.getByRole('link', { name: 'What to do now' }).click();
  await expect(page.getByText(/^No second wear today/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Put on now' })).toHaveCount(0);
  await context.setOffline(false);
  await expect(page.getByText('⬣ No more today')).toBeVisible();
  await page.getByRole('link', { name: 'Jaunty Badge, home' }).click();
  await expect(card).not.toContainText('It went badly: end here');
  await expect(card).toContainText('⬣ ');

  await expect
    .poll(
      async () => {
        await fern.goto('/');
        return fern.getByRole('region', { name: 'New from home' }).textContent();
      },
      { timeout: 60_000 },
    )
    .toMatch(/Juno: .*over threshold/i);
});

test('two phones of one keeper train one dog: one session, every go once', async ({ browser }) => {
  const fern = await fitter(browser);
  const dog = await dogInTraining(fern.request, 'Cockle');
  const own = async () => {
    const page = await (await browser.newContext({ ...phone, baseURL: practice.address })).newPage();
    await page.goto(`/pair#${await codeFor(fern.request, dog)}`);
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByRole('heading', { name: 'Cockle' })).toBeVisible();
    return page;
  };
  const [one, other] = [await own(), await own()];
  await one.getByRole('button', { name: 'Train', exact: true }).click();
  await one.getByRole('button', { name: 'Well: begin' }).click();
  await one.getByRole('button', { name: /^Yes/ }).click();
  await expect.poll(() => goesOf(fern.request, dog)).toBe(1);
  // The other hand takes over on a page that was drawn before.
  await other.getByRole('button', { name: 'Train', exact: true }).click();
  await expect(other.getByRole('button', { name: /^Yes/ })).toBeVisible();
  await expect(other).toHaveURL(one.url());
  // Both at once.
  await Promise.all([
    one.getByRole('button', { name: /^Yes/ }).click(),
    other.getByRole('button', { name: 'Not yet' }).click(),
  ]);
  await expect.poll(() => goesOf(fern.request, dog)).toBe(3);
  await one.reload();
  await expect(one.getByRole('listitem', { name: 'good' })).toHaveCount(2);
  const said = await fern.request.get(`/api/dogs/${dog}/deeds`);
  expect(await said.text()).toContain('Keeper of Cockle');
});

test('a phone whose clock runs days behind: what it tells is of today', async ({ browser }) => {
  const fern = await fitter(browser);
  const dog = await dogInTraining(fern.request, 'Sundial');
  const context = await browser.newContext({ ...phone, baseURL: practice.address });
  const page = await context.newPage();
  await page.clock.setSystemTime(Date.now() - 3 * 86_400_000);
  await page.goto(`/pair#${await codeFor(fern.request, dog)}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Train', exact: true }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
  await page.getByRole('button', { name: /^Yes/ }).click();
  await expect.poll(() => goesOf(fern.request, dog)).toBe(1);
  // Set right in the middle of it, as a phone does that finds a line.
  await page.clock.setSystemTime(Date.now());
  await page.getByRole('button', { name: 'Not yet' }).click();
  await expect.poll(() => goesOf(fern.request, dog)).toBe(2);
  const held = (await (await fern.request.get(`/api/dogs/${dog}/sessions`)).json()) as { id: string }[];
  const { startedAt, openSet } = (await (await fern.request.get(`/api/sessions/${held[0]?.id}`)).json()) as {
    startedAt: string;
    openSet: { goes: { at: string }[] };
  };
  for (const at of [startedAt, ...openSet.goes.map((go) => go.at)])
    expect(Math.abs(Date.now() - Date.parse(at)), at).toBeLessThan(5 * 60_000);
});

test('a phone takes a second dog along in the middle of a session: no go is lost, nor by signing out where there is no line', async ({
  browser,
}) => {
  const fern = await fitter(browser);
  const [first, second] = [await dogInTraining(fern.request, 'Plover'), await dogInTraining(fern.request, 'Dabchick')];
  const context = await browser.newContext({ ...phone, baseURL: practice.address });
  const page = await context.newPage();
  await page.goto(`/pair#${await codeFor(fern.request, first)}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Train', exact: true }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
  await page.getByRole('button', { name: /^Yes/ }).click();
  await expect.poll(() => goesOf(fern.request, first)).toBe(1);
  // One more where there is no line; then somebody else takes the phone, and opens the link for the other dog.
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Yes/ }).click();
  await expect(page.getByRole('listitem', { name: 'good' })).toHaveCount(2);
  const code = await codeFor(fern.request, second);
  await context.setOffline(false);
  await page.goto(`/pair#${code}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('heading', { name: 'Dabchick' })).toBeVisible();
  // A phone that has a dog keeps it: one household, one person, two dogs.
  await expect(page.getByRole('heading', { name: 'Plover' })).toBeVisible();
  await expect.poll(() => goesOf(fern.request, first), { timeout: 30_000 }).toBe(2);
  const deeds = await (await fern.request.get(`/api/dogs/${first}/deeds`)).text();
  expect(deeds).toContain('Keeper of Plover');
  expect(deeds).not.toContain('Keeper of Dabchick');

  // On with the first dog, no line again, and whoever has the phone now signs out: it says that it cannot, and holds on to what waits.
  await page
    .getByRole('region', { name: 'Plover' })
    .getByRole('button', { name: /^(Train|Go on)/ })
    .click();
  await expect(page.getByRole('listitem', { name: 'good' })).toHaveCount(2);
  await page.goto('/me');
  const out = page.getByRole('button', { name: 'Sign out on this device' });
  await expect(out).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('listitem', { name: 'good' })).toHaveCount(2);
  await context.setOffline(true);
  await page.getByRole('button', { name: /^Yes/ }).click();
  await expect(page.getByRole('listitem', { name: 'good' })).toHaveCount(3);
  await page.goForward();
  await out.click();
  await expect(page.getByRole('alert').first()).toBeVisible();
  await context.setOffline(false);
  await expect.poll(() => goesOf(fern.request, first), { timeout: 30_000 }).toBe(3);
});

test('a note from home with a picture is read, answered, and seen to be read', async ({ browser }) => {
  const fern = await fitter(browser);
  const dog = await dogInTraining(fern.request, 'Mussel');
  const page = await (await browser.newContext({ ...phone, baseURL: practice.address })).newPage();
  await page.goto(`/pair#${await codeFor(fern.request, dog)}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('link', { name: 'Wear', exact: true }).click();
  // The first page has the same link, told of the first page, and stands until the other is there.
  await expect(page.getByRole('heading', { level: 1, name: /Mussel.*Wear/ })).toBeVisible();
  await page.getByRole('link', { name: 'Tell your fitter' }).click();
  await page.getByRole('textbox', { name: 'Your note' }).fill('She rubs her nose on the rug.');
  const picture = await (await fern.request.get('/api/demo-pictures/side')).body();
  await page.locator('input[type=file]').setInputFiles({ name: 'nose.jpg', mimeType: 'image/jpeg', buffer: picture });
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByText('○ Not read yet')).toBeVisible();

  await fern.goto('/');
  const news = fern.getByRole('region', { name: 'New from home' });
  await expect(news).toContainText('Mussel: a note');
  await news.getByRole('link', { name: 'Read: Mussel' }).click();
  await expect(fern.getByText('She rubs her nose on the rug.')).toBeVisible();
  await expect(fern.getByRole('img', { name: '1, sent with the note' })).toBeVisible();
  await expect(fern.getByRole('link', { name: 'Where it was written' })).toHaveAttribute('href', `/dogs/${dog}/wear`);
  await fern.getByRole('button', { name: 'Answer' }).click();
  await fern.getByRole('textbox', { name: 'Your answer' }).fill('Leave it off till I come on Friday.');
  await fern.getByRole('button', { name: 'Send' }).last().click();
  await expect(fern.getByText('○ Not read yet')).toBeVisible();
  await expectNoViolations(fern);

  await page.goto('/');
  await page.getByRole('link', { name: 'Notes: 1 new' }).click();
  await expect(page.getByText('Leave it off till I come on Friday.')).toBeVisible();
  await expect(page.getByText(/✓ Read by Fern/)).toBeVisible();
  await expectNoViolations(page);
  await fern.reload();
  await expect(fern.getByText(/✓ Read by Keeper of Mussel/)).toBeVisible();
});

test('a passkey is made, and lets in without a password; signing out empties the device', async ({ browser }) => {
  const fern = await fitter(browser);
  const cdp = await fern.context().newCDPSession(fern);
  await cdp.send('WebAuthn.enable');
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await fern.goto('/me');
  await fern.getByRole('button', { name: 'Make a passkey on this device' }).click();
  await expect(fern.getByRole('button', { name: 'Forget it' })).toBeVisible();
  await expectNoViolations(fern);
  await fern.getByRole('button', { name: 'Sign out on this device' }).click();
  await expect(fern.getByRole('button', { name: 'Use a passkey' })).toBeVisible();
  const kept = await fern.evaluate(() =>
    Object.keys(localStorage).filter((k) => /answers|unsaved|draft|begun|wear-on/.test(k)),
  );
  expect(kept).toEqual([]);
  await expectNoViolations(fern);
  await fern.getByRole('button', { name: 'Use a passkey' }).click();
  await expect(fern.getByRole('heading', { name: 'The round' })).toBeVisible();
});

test('a clinic reads one card, and is told when its link has run out', async ({ browser }) => {
  const folder = dataFolder('clinic');
  addPerson(folder, 'Fern', password);
  const host = await hostCourse(folder, 'http://localhost');
  const address = host.address.replace('127.0.0.1', 'localhost');
  const fern = await fitter(browser, address);
  const dog = await dogInTraining(fern.request, 'Limpet');
  const page = await (await browser.newContext({ ...phone, baseURL: address })).newPage();
  await page.goto(`/pair#${await codeFor(fern.request, dog, 'clinic')}`);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('heading', { name: 'Limpet' })).toBeVisible();
  await expect(page.getByText(/This page can be read until/)).toBeVisible();
  await expectNoViolations(page);
  expect((await page.request.get(`/api/dogs/${dog}`)).status()).toBe(403);
  await host.turn(Date.now() + 3 * 24 * 3_600_000);
  await page.reload();
  await expect(page.getByText('This link has run out. Ask the fitter for a new one.')).toBeVisible();
  await host.stop();
  remove(folder);
});

test('the keeper’s first page comes with 150 kB of script at most', () => {
  const built = join(root, 'src/JauntyBadge.Server/wwwroot/assets');
  const scripts = readdirSync(built).filter((file) => file.endsWith('.js'));
  // What the page starts with, what is fetched in steps, and the page itself; with all that each of them cannot do without.
  const needed = new Set<string>();
  const need = (file: string) => {
    if (needed.has(file)) return;
    needed.add(file);
    for (const [, on] of readFileSync(join(built, file), 'utf8').matchAll(
      /(?:from|import)\s*["'`]\.\/([^"'`]+\.js)["'`]/g,
    ))
      need(on!);
  };
  for (const part of ['index', 'theme', 'start', 'HomePage']) {
    const [file, ...others] = scripts.filter((script) => script.startsWith(`${part}-`));
    expect([file !== undefined, others], part).toEqual([true, []]);
    need(file!);
  }
  const sent = (file: string) =>
    statSync(join(built, existsSync(join(built, `${file}.br`)) ? `${file}.br` : file)).size;
  expect(needed.size).toBeGreaterThan(5);
  expect([...needed].reduce((sum, file) => sum + sent(file), 0)).toBeLessThanOrEqual(150_000);
});
