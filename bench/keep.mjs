// How long it takes to hand a dog over and to back a large practice up, and what the pad notices of it. node bench/keep.mjs [MORE] [ARCHIVED]; needs the Release build of
// server and bench. Loopback only.
import { execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const [more = 4990, archived = 5000] = process.argv.slice(2).map(Number);
const root = fileURLToPath(new URL('..', import.meta.url));
const built = (name, file) => join(root, 'artifacts/bin', name, 'release', file);
const address = 'http://127.0.0.1:5197';
const folder = mkdtempSync(join(tmpdir(), 'jaunty-badge-keep-'));
const json = async (path, init) => (await fetch(address + path, init)).json();
const send = (method, path, body) =>
  fetch(address + path, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
const sorted = (numbers) => [...numbers].sort((a, b) => a - b);
const median = (numbers) => sorted(numbers)[Math.floor(numbers.length / 2)];
const of99 = (numbers) => sorted(numbers)[Math.floor(numbers.length * 0.99)];
const timed = async (work) => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};

execFileSync(built('JauntyBadge.Bench', 'JauntyBadge.Bench'), ['practice', folder, String(more), String(archived), '50000'], { stdio: 'inherit' });
const server = spawn(
  'dotnet',
  [built('JauntyBadge.Server', 'JauntyBadge.Server.dll'), '--contentRoot', join(root, 'src/JauntyBadge.Server'), '--urls', address, '--data', folder],
  { stdio: ['ignore', 'ignore', 'inherit'] },
);
try {
  while (!(await fetch(`${address}/api/health`).then((a) => a.ok, () => false))) await new Promise((wait) => setTimeout(wait, 100));
  const size = statSync(join(folder, 'practice.db')).size;
  console.log(`${(size / 1e9).toFixed(2)} GB`);

  const round = await json('/api/round?count=2000');
  if (!round.cards) throw new Error(JSON.stringify(round));
  const { cards } = round;
  const demo = cards.filter((c) => !/\d/.test(c.name));
  const bytes = await Promise.all(demo.map(async (d) => (await (await fetch(`${address}/api/dogs/${d.id}/dossier.zip`)).arrayBuffer()).byteLength));
  const longest = demo[bytes.indexOf(Math.max(...bytes))];
  for (const [what, path] of [
    ['dossier', 'dossier.zip'],
    ['card, PDF', 'card.pdf?for=clinic&page=a4'],
    ['report, PDF', 'report.pdf'],
    ['practice cup, PDF', 'papers/cup.pdf'],
    ['calendar', 'calendar.ics'],
  ]) {
    const times = [];
    for (let i = 0; i < 20; i++) times.push(await timed(async () => (await fetch(`${address}/api/dogs/${longest.id}/${path}`)).arrayBuffer()));
    console.log(`${what} of ${longest.name}: median ${Math.round(median(times))} ms, first ${Math.round(times[0])} ms`);
  }

  const dog = await (await send('POST', '/api/dogs', { name: 'Padded', purposes: ['walks'] })).json();
  const session = await (await send('POST', `/api/dogs/${dog.id}/sessions`, {})).json();
  const { stepId, target } = session.openSet;
  const taps = async (until) => {
    const times = [];
    while (!until()) {
      times.push(await timed(() => send('PUT', `/api/sessions/${session.id}/goes/${randomUUID()}`, { set: 1, stepId, target, success: false })));
      await new Promise((wait) => setTimeout(wait, 100));
    }
    return times;
  };
  let until = performance.now() + 5000;
  const quiet = await taps(() => performance.now() > until);
  let done = false;
  let took = 0;
  const backup = timed(async () => {
    const made = await send('POST', '/api/backups', {});
    if (!made.ok) console.error(await made.text());
  }).then((ms) => ((took = ms), (done = true)));
  const during = await taps(() => done);
  await backup;
  console.log(`a go without a backup: median ${Math.round(median(quiet))} ms, 99 % ${Math.round(of99(quiet))} ms`);
  console.log(`backup: ${(took / 1000).toFixed(1)} s; a go meanwhile: ${during.length} taps, median ${Math.round(median(during))} ms, 99 % ${Math.round(of99(during))} ms`);
} finally {
  server.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
