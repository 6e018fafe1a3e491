// Kills the server (SIGKILL) at random moments, starts among them, and looks after each whether anything acknowledged is lost
// and how long the next start takes to answer. node bench/kill.mjs [KILLS] [SEED]; needs the Release build. Loopback only.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const [kills = 200, seed = 1] = process.argv.slice(2).map(Number);
const LONGEST_START_MS = 10_000;
const root = fileURLToPath(new URL('..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'jaunty-badge-kills-'));
const address = 'http://127.0.0.1:5197';
let state = seed;
const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
const wait = (ms) => new Promise((done) => setTimeout(done, ms));
const start = () =>
  spawn(
    'dotnet',
    [join(root, 'artifacts/bin/JauntyBadge.Server/release/JauntyBadge.Server.dll'), '--contentRoot', join(root, 'src/JauntyBadge.Server'), '--urls', address, '--data', folder],
    { stdio: ['ignore', 'ignore', 'inherit'] },
  );
const gone = (child) =>
  new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done();
    child.once('exit', done);
    child.kill('SIGKILL');
  });
const answers = () => fetch(`${address}/api/health`).then((a) => a.ok, () => false);
const send = (method, path, body, id) =>
  fetch(address + path, {
    method,
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json', 'if-match': '"0"', ...(id ? { 'idempotency-key': id } : {}) },
  });
const minutesAgo = (minutes) => new Date(Date.now() - minutes * 60_000).toISOString();
const inDays = (days) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
/** Sent, and no answer: the server may have it or not. Sent again under the same id after the next start, it is there once. */
const unanswered = [];
let twice = 0;

const acknowledged = new Map();
let [slowest, inStart, lost] = [0, 0, 0];
for (let kill = 0; kill < kills; kill++) {
  const child = start();
  const began = Date.now();
  // A third of the kills fall into the start itself.
  if (random() < 1 / 3) {
    inStart++;
    await wait(random() * 2500);
    await gone(child);
    continue;
  }
  while (!(await answers())) {
    if (child.exitCode !== null) throw new Error(`kill ${kill}: the server refused to start (exit ${child.exitCode})`);
    if (Date.now() - began > 6 * LONGEST_START_MS) throw new Error(`kill ${kill}: no answer after a minute`);
    await wait(25);
  }
  slowest = Math.max(slowest, Date.now() - began);

  // Everything that was ever acknowledged must be there.
  const round = new Set((await (await fetch(`${address}/api/round?count=2000`)).json()).cards.map((c) => c.id));
  for (const [id, readings] of acknowledged) {
    if (!round.has(id)) lost++;
    else if (random() < 0.2 || readings.recent) {
      const bench = await (await fetch(`${address}/api/dogs/${id}/bench`)).json();
      lost += readings.ids.filter((r) => !bench.readings.some((b) => b.id === r)).length;
      for (const [kind, ids] of Object.entries(readings.others)) {
        const there = new Set((await (await fetch(`${address}/api/dogs/${id}/${kind}`)).json()).map((r) => r.id));
        lost += ids.filter((r) => !there.has(r)).length;
      }
      readings.recent = false;
    }
  }
  for (const { id, key } of unanswered.splice(0)) {
    const sent = { measure: 'snoutGirth', text: '272' };
    for (let again = 0; again < 2; again++) await send('POST', `/api/dogs/${id}/readings`, sent, key);
    const bench = await (await fetch(`${address}/api/dogs/${id}/bench`)).json();
    if (bench.readings.filter((r) => r.measure === 'snoutGirth').length !== 1) twice++;
  }

  let alive = true;
  const write = async () => {
    while (alive) {
      const id = crypto.randomUUID();
      try {
        if (!(await send('POST', '/api/dogs', { id, name: `Dog ${kill}` })).ok) continue;
        acknowledged.set(id, { ids: [], others: { wears: [], appointments: [] }, recent: true });
        for (let i = 0; i < 3 && alive; i++) {
          const reading = crypto.randomUUID();
          if ((await send('POST', `/api/dogs/${id}/readings`, { id: reading, measure: 'neckGirth', text: '430' })).ok) acknowledged.get(id).ids.push(reading);
        }
        const { others } = acknowledged.get(id);
        const [wear, visit, key] = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()];
        if ((await send('PUT', `/api/dogs/${id}/wears/${wear}`, { startedAt: minutesAgo(20), endedAt: minutesAgo(5), occasion: 'fun' })).ok) others.wears.push(wear);
        if ((await send('PUT', `/api/dogs/${id}/appointments/${visit}`, { day: inDays(30), kind: 'clinic' })).ok) others.appointments.push(visit);
        try {
          if (alive && !(await send('POST', `/api/dogs/${id}/readings`, { measure: 'snoutGirth', text: '272' }, key)).ok) unanswered.push({ id, key });
        } catch (error) {
          unanswered.push({ id, key });
          throw error;
        }
      } catch {
        // Killed under it: not acknowledged.
      }
    }
  };
  const writers = [write(), write(), write()];
  // The first write after a start takes its time: the kill falls before, in and after it.
  await wait(random() * 5000);
  await gone(child);
  alive = false;
  await Promise.all(writers);
}

const written = [...acknowledged.values()].reduce((sum, r) => sum + 1 + r.ids.length + r.others.wears.length + r.others.appointments.length, 0);
console.log(`${kills} kills, ${inStart} of them during a start; ${written} writes acknowledged, ${lost} lost, ${twice} kept twice; slowest start to an answer ${(slowest / 1000).toFixed(1)} s`);
rmSync(folder, { recursive: true, force: true });
process.exit(lost === 0 && twice === 0 && slowest <= LONGEST_START_MS ? 0 : 1);
