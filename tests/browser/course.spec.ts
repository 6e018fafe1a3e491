import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { dataFolder, hostCourse, remove, serverDll } from './servers.js';
import { expect, test as base } from './support.js';
import type { Page } from '@playwright/test';

/** A practice of its own, whose clock is turned with the page's, and a virtual dog that does what is tapped. */
const test = base.extend<{ host: Awaited<ReturnType<typeof hostCourse>>; folder: string }>({
  folder: async ({}, use) => {
    const folder = dataFolder('course');
    await use(folder);
    remove(folder);
  },
  host: async ({ folder }, use) => {
    const host = await hostCourse(folder);
    await use(host);
    await host.stop();
  },
  baseURL: async ({ host }, use) => use(host.address),
});
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const DAY = 24 * 60 * 60 * 1000;
const FIRST = Date.parse('2026-06-01T17:00:00Z');
const MOST_SESSIONS = 90;

/** On two days something frightens it at this step, whatever it has learned: training is stopped until somebody says what is different. */
const FRIGHTENED_AT = 'nose-all-in';

interface Plan {
  steps: {
    step: { id: string; stage: string; targets: string[] };
    state: string;
    passed: { how: string } | null;
  }[];
  notBefore: string | null;
  stop: { says: string } | null;
}
interface TrainingSet {
  number: number;
  stepId: string;
  target: number;
  holdTargets: number[] | null;
  goes: unknown[];
}
interface Session {
  sets: TrainingSet[];
  openSet: TrainingSet | null;
  goesInSet: number;
  isClear: boolean;
  endNow: boolean;
  after: { asksEasyGo: boolean; set: TrainingSet } | null;
}

/** So many sessions at either end are tapped on the pad; those between go the way the pad sends them, for what only a browser shows is seen by then. */
const BY_HAND = 2;

const read = async <T>(page: Page, path: string) => (await (await page.request.get(path)).json()) as T;

test('a virtual dog is trained on the pad from the first try until it wears its muzzle', async ({
  page,
  host,
  folder,
}) => {
  test.setTimeout(900_000);
  // The server's clock is turned to the page's, before anything is done there.
  const together = async () => host.turn(await page.evaluate(() => Date.now()));
  await page.clock.install({ time: FIRST });
  await host.turn(FIRST);
  const made = await page.request.post('/api/dogs', {
    data: {
      name: 'Whole way',
      breedIds: ['labrador-retriever'],
      bodyMassKg: 28,
      temperament: 'bold',
      purposes: ['walks'],
    },
  });
  const { id } = (await made.json()) as { id: string };
  const plan = () => read<Plan>(page, `/api/dogs/${id}/plan`);
  const { steps } = await plan();
  await host.dog('bold', steps.length, 2);
  const place = (stepId: string) => steps.findIndex((s) => s.step.id === stepId);
  const go = (stepId: string, target: number) =>
    host.go(place(stepId), target, (steps[place(stepId)]?.step.targets.length ?? 0) - 1);
  const signs = await read<{ id: string; name: string; group: string }[]>(page, '/api/signs');
  const send = async (method: 'POST' | 'PUT', path: string, data: object) => {
    const answer = await page.request.fetch(path, { method, data });
    expect(answer.ok(), `${method} ${path}: ${await answer.text()}`).toBe(true);
    return answer;
  };

  // Where to begin: one easy go of each stage, up to the first that does not go well and at ease.
  await page.goto(`/dogs/${id}/plan`);
  await host.day(0);
  const tries = await read<{ id: string }[]>(page, `/api/dogs/${id}/plan/begin`);
  await page.getByRole('button', { name: 'Find where to begin' }).tap();
  for (const [i, { id: stepId }] of tries.entries()) {
    await expect(page.getByText(`Try ${i + 1} of ${tries.length}, once`)).toBeVisible();
    const { good, sign } = await go(stepId, 0);
    const atEase = good && sign === 'atEase';
    await page.getByRole('button', { name: atEase ? 'Did it, at ease' : /^It hesitated/ }).tap();
    if (!atEase) break;
  }
  await expect(page.getByRole('region', { name: 'Find where to begin' })).toHaveCount(0);
  const skipped = (await plan()).steps.filter((s) => s.passed !== null);
  expect(skipped.map((s) => s.passed?.how)).toEqual(skipped.map(() => 'tried'));

  // By CSS what is asked for hundreds of times.
  const good = page.locator('button:has(kbd:text-is("g"))');
  const missed = page.locator('button:has(kbd:text-is("m"))');
  const goes = page.locator('ol[aria-label="Goes so far"] > li:not([aria-label="to come"])');
  const saved = page.locator('[role=status]', { hasText: 'Saved as it happens' });
  let [tapped, sessions, sets, frights, stops, events] = [0, 0, 0, 2, 0, 0];
  let trained = FIRST;
  for (let day = FIRST; ; day += DAY) {
    let now = await plan();
    if (now.stop) {
      stops++;
      expect(now.stop.says).toContain('Over threshold twice');
      await page.goto(`/dogs/${id}/plan`);
      await expect(page.getByRole('heading', { name: '⬣ Training is stopped' })).toBeVisible();
      await expect(page.getByRole('button', { name: /^Not before|^Start a session/ })).toBeDisabled();
      await page.getByLabel('What is different now').selectOption({ label: 'a stage back' });
      await page.getByLabel('In your own words; it stays on the record').fill('The vet found a sore tooth; it is out.');
      await page.getByRole('button', { name: 'Go on with training' }).tap();
      await expect(page.getByRole('heading', { name: '⬣ Training is stopped' })).toHaveCount(0);
      now = await plan();
    }
    const ahead = now.steps.filter((s) => s.state !== 'passed' && s.step.stage !== 'upkeep').length;
    if (ahead === 0) break;
    if (now.notBefore && Date.parse(now.notBefore) > day) continue;
    expect(++sessions, 'sessions until it is ready').toBeLessThanOrEqual(MOST_SESSIONS);
    await page.clock.setSystemTime(day);
    await together();
    await host.day(Math.round((day - trained) / DAY));
    trained = day;
    const byHand = sessions <= BY_HAND || ahead <= BY_HAND;
    let sessionId: string | undefined;
    if (byHand) {
      await page.goto(`/dogs/${id}/plan`);
      await page.getByRole('button', { name: 'Start a session' }).tap();
      await page.getByRole('button', { name: 'Well: begin' }).tap();
      await page.waitForURL(/\/sessions\//);
      sessionId = page.url().split('/').at(-1);
    } else sessionId = ((await (await send('POST', `/api/dogs/${id}/sessions`, {})).json()) as { id: string }).id;
    const address = `/api/sessions/${sessionId}`;
    for (let session = await read<Session>(page, address); session.openSet;) {
      const { openSet } = session;
      const done = openSet.goes.length;
      const went = await go(openSet.stepId, openSet.target);
      const fright = frights > 0 && openSet.stepId === FRIGHTENED_AT;
      if (fright) frights--;
      const { good: well, sign } = fright ? { good: false, sign: 'overThreshold' } : went;
      if (openSet.stepId === 'first-close') events++;
      const asked = openSet.holdTargets?.[done];
      const shown = signs.find((s) => s.group === sign);
      tapped++;
      if (byHand) {
        if (asked !== undefined) {
          await page.getByRole('button', { name: /start the hold/ }).tap();
          await page.clock.fastForward(Math.round(1000 * asked * (well ? 1 : 0.4)));
          await together();
        }
        await (well ? good : missed).tap();
        await expect(goes).toHaveCount(done + 1);
        if (sign !== 'atEase') {
          await page.getByRole('button', { name: /^It shows/ }).tap();
          await page.getByRole('button', { name: shown?.name }).tap();
        }
        await expect(saved).toBeVisible();
      } else {
        const where = { set: openSet.number, stepId: openSet.stepId, target: openSet.target };
        const heldMs = asked === undefined ? null : Math.round(1000 * asked * (well ? 1 : 0.4));
        await send('PUT', `${address}/goes/${randomUUID()}`, { ...where, success: well, heldMs });
        if (sign !== 'atEase') await send('PUT', `${address}/signs/${randomUUID()}`, { ...where, signId: shown?.id });
      }
      session = await read<Session>(page, address);
      if (!session.isClear && !session.endNow && done + 1 < session.goesInSet) continue;
      if (byHand) {
        await expect(good.or(page.getByRole('heading', { name: /^Over threshold/ }))).toBeVisible();
        await page.getByRole('button', { name: session.endNow ? 'End it here' : /^Finish the set/ }).tap();
      } else await send('POST', session.endNow ? `${address}/end` : `${address}/sets/${openSet.number}/finish`, {});
      sets++;
      await expect
        .poll(async () => (session = await read<Session>(page, address)).sets.at(-1)?.number)
        .toBe(openSet.number);
    }
    if (byHand) await expect(page.getByRole('link', { name: 'See the plan' })).toBeVisible();
    // What ends on a step back ends with one easy go.
    const { after } = await read<Session>(page, address);
    if (after?.asksEasyGo) {
      const { good: easy } = await go(after.set.stepId, after.set.target);
      const where = { set: after.set.number, stepId: after.set.stepId, target: after.set.target };
      await send('PUT', `${address}/goes/${randomUUID()}`, { ...where, success: easy, heldMs: null });
    }
  }

  // The first closing was no drill, and the fright was recognised.
  expect(stops).toBe(1);
  expect(events).toBeLessThanOrEqual(6);
  // What was skipped stays tried; everything else was trained, to the purpose's last step.
  const end = (await plan()).steps.filter((s) => s.step.stage !== 'upkeep');
  expect(end.map((s) => s.passed?.how)).toEqual(end.map((_, i) => (i < skipped.length ? 'tried' : 'trained')));
  // Every go is there, once, and the log alone gives the same decisions.
  const { sessions: kept } = await read<{ sessions: { goes: { of: number } }[] }>(page, `/api/dogs/${id}/progress`);
  expect(kept.length).toBe(sessions);
  expect(kept.reduce((sum, s) => sum + s.goes.of, 0)).toBe(tapped);
  await page.goto(`/dogs/${id}/plan`);
  await expect(page.getByRole('heading', { name: 'Happy wear' })).toBeVisible();
  await host.stop();
  expect(execFileSync('dotnet', [serverDll, 'replay', '--data', folder], { encoding: 'utf8' })).toContain(
    `${sets} sets decided anew, 0 differ.`,
  );
});
