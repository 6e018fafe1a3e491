import { AxeBuilder } from '@axe-core/playwright';
import { test as base, expect, type Page } from '@playwright/test';
import { serve } from './servers.js';

/**
 * Every worker has a server and a practice of its own, so that no test meets what another is doing. Every test also watches its
 * pages: no console error, no page error, no request to anywhere else.
 */
export const test = base.extend<{ watched: undefined; expectedErrors: RegExp[] }, { practice: string }>({
  practice: [
    async ({}, use, worker) => {
      const server = await serve(`browser-${worker.parallelIndex}`);
      await use(server.address);
      await server.remove();
    },
    { scope: 'worker', timeout: 240_000 },
  ],
  baseURL: async ({ practice }, use) => use(practice),
  expectedErrors: [[], { option: true }],
  watched: [
    async ({ context, baseURL, expectedErrors }, use) => {
      const wrong: string[] = [];
      const note = (text: string) => {
        if (!expectedErrors.some((e) => e.test(text))) wrong.push(text);
      };
      context.on('console', (message) => {
        if (message.type() === 'error') note(`console: ${message.text()} (${message.location().url})`);
      });
      context.on('weberror', (error) => note(`page: ${error.error().message}`));
      context.on('request', (request) => {
        const url = new URL(request.url());
        if (url.protocol.startsWith('http') && url.origin !== baseURL) wrong.push(`foreign request: ${request.url()}`);
      });
      await use(undefined);
      expect(wrong).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** axe finds nothing on the page as it stands, by all its rules or by some. */
export async function expectNoViolations(page: Page, rules?: string[]) {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] });
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' | ')}`)).toEqual([]);
}

/** The muzzle sizes kept for a dog, the newest first, as the server has them: a notice that passes proves nothing. */
export async function expectChosen(page: Page, dog: string, sizes: (string | RegExp)[]) {
  await expect
    .poll(async () => {
      const choices = (await (await page.request.get(`/api/dogs/${dog}/choices`)).json()) as {
        sizeId: string;
        withdrawnAt: string | null;
      }[];
      return choices.filter((c) => c.withdrawnAt === null).map((c) => c.sizeId);
    })
    .toEqual(sizes.map((s) => (typeof s === 'string' ? s : expect.stringMatching(s))));
}

/** The round as the server tells it. */
export interface Round {
  cards: { id: string; name: string; things: unknown[]; done: string[] }[];
}

/** The ids of the demo practice's dogs. */
export const dogIds = async (page: Page) =>
  ((await (await page.request.get('/api/round?count=2000')).json()) as Round).cards.map((card) => card.id);

/** The id of a dog of the demo practice. */
export async function dogId(page: Page, name: string): Promise<string> {
  const { cards } = (await (await page.request.get('/api/round?count=2000')).json()) as Round;
  const found = cards.find((c) => c.name === name);
  if (!found) throw new Error(`${name} is not on the round.`);
  return found.id;
}

/** A dog of a test's own, measured well, so that tests do not get in each other's way. */
export async function newDog(page: Page, name: string, measured = true): Promise<string> {
  const made = await page.request.post('/api/dogs', {
    data: { name, breedIds: ['labrador-retriever'], bodyMassKg: 28, purposes: ['walks'] },
  });
  const { id } = (await made.json()) as { id: string };
  const readings: [string, string | null, string][] = [
    ['noseToInnerEye', 'left', '98'],
    ['noseToInnerEye', 'right', '100'],
    ['snoutGirth', null, '272'],
    ['snoutHeight', null, '80'],
    ['snoutWidth', null, '73'],
    ['jawToNose', null, '149'],
    ['neckGirth', null, '430'],
  ];
  if (measured) {
    for (const [measure, side, text] of readings)
      expect((await page.request.post(`/api/dogs/${id}/readings`, { data: { measure, side, text } })).ok()).toBe(true);
  }
  return id;
}

/** Sets something that nobody has set yet. */
export async function post(page: Page, path: string, data: object) {
  const answer = await page.request.post(path, { data, headers: { 'If-Match': '"0"' } });
  expect(answer.ok(), await answer.text()).toBe(true);
}

/** The version a dog is at, as If-Match names it. */
export async function versionOf(page: Page, id: string): Promise<string> {
  const { dog } = (await (await page.request.get(`/api/dogs/${id}`)).json()) as { dog: { version: number } };
  return `"${dog.version}"`;
}

/** Holds back what is asked for at an address; answers what lets it go. */
export async function holdBack(page: Page, address: string): Promise<() => void> {
  let letGo = () => {};
  const held = new Promise<void>((done) => (letGo = done));
  await page.route(address, async (route) => {
    await held;
    await route.continue();
  });
  return () => letGo();
}

/** Begins the session that the page offers, past the question how the dog is. */
export async function beginSession(page: Page) {
  await page.getByRole('button', { name: 'Start a session' }).click();
  await page.getByRole('button', { name: 'Well: begin' }).click();
}
