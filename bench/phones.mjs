// Fifty keepers' phones train for a minute while the fitter looks at the round; then a thousand guesses at a password. It serves a practice of its own: node bench/phones.mjs [PORT]
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const [port = '5194'] = process.argv.slice(2);
const PHONES = 50;
const SECONDS = 60;
const root = new URL('..', import.meta.url).pathname;
const dll = join(root, 'artifacts/bin/JauntyBadge.Server/release/JauntyBadge.Server.dll');
const folder = mkdtempSync(join(tmpdir(), 'jaunty-badge-phones-'));
const address = `http://localhost:${port}`;
const server = spawn('dotnet', [dll, '--contentRoot', join(root, 'src/JauntyBadge.Server'), '--urls', `http://127.0.0.1:${port}`, '--data', folder, '--demo', 'true', '--public-url', address], { stdio: ['ignore', 'ignore', 'inherit'] });
for (let tries = 0; tries < 600; tries++) {
  if (await fetch(`${address}/api/health`).then((a) => a.ok, () => false)) break;
  await new Promise((wait) => setTimeout(wait, 200));
}
const password = 'a heron on the weir';
spawnSync('dotnet', [dll, 'person', 'add', 'Fern', '--kind', 'fitter', '--password-stdin', 'true', '--data', folder], { input: `${password}\n` });

/** A browser of its own. */
function visitor() {
  let cookie = '';
  return async (method, path, body) => {
    const begun = performance.now();
    const answer = await fetch(address + path, {
      method,
      headers: { ...(cookie ? { cookie } : {}), ...(body ? { 'content-type': 'application/json' } : {}), ...(method === 'POST' ? { 'if-match': '"0"' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    for (const set of answer.headers.getSetCookie()) cookie = set.split(';')[0];
    const text = await answer.text();
    return { status: answer.status, took: performance.now() - begun, json: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : null };
  };
}

const told = (numbers) => {
  const sorted = [...numbers].sort((a, b) => a - b);
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))].toFixed(0);
  return `median ${at(0.5)} ms, 99 % within ${at(0.99)} ms, worst ${at(1)} ms (${sorted.length})`;
};

const fern = visitor();
await fern('POST', '/api/sign-in', { name: 'Fern', password });
const phones = [];
for (let i = 0; i < PHONES; i++) {
  const { json: dog } = await fern('POST', '/api/dogs', { name: `Dog ${i}`, breedIds: ['labrador-retriever'], bodyMassKg: 28, purposes: ['walks'] });
  const { json: offered } = await fern('POST', `/api/dogs/${dog.id}/pairings`, { kind: 'keeper' });
  const phone = visitor();
  const paired = await phone('POST', '/api/pair', { code: offered.code, device: `Phone ${i}` });
  if (paired.status !== 200) throw new Error(`phone ${i}: ${paired.status} ${JSON.stringify(paired.json)}`);
  const { json: session } = await phone('POST', `/api/dogs/${dog.id}/sessions`);
  const { number: set, stepId, target } = session.openSet;
  phones.push({ phone, dog: dog.id, session: session.id, where: { set, stepId, target }, kept: [], sent: 0 });
}

// What was just started comes to rest, and what everybody asks for was asked for once.
await fern('GET', '/api/round');
await new Promise((wait) => setTimeout(wait, 5000));
const [goes, rounds, wrong] = [[], [], []];
const until = Date.now() + SECONDS * 1000;
const train = async (of) => {
  await new Promise((wait) => setTimeout(wait, Math.random() * 1000));
  while (Date.now() < until) {
    const next = performance.now() + 1000;
    const isFull = of.kept.length >= 8;
    const id = isFull ? of.kept.pop() : crypto.randomUUID();
    const answer = await of.phone(isFull ? 'DELETE' : 'PUT', `/api/sessions/${of.session}/goes/${id}`, isFull ? undefined : { ...of.where, success: of.sent++ % 2 === 0, heldMs: null });
    if (!isFull) of.kept.push(id);
    if (answer.status !== 200) wrong.push(answer.status);
    goes.push(answer.took);
    await new Promise((wait) => setTimeout(wait, Math.max(0, next - performance.now())));
  }
};
const look = async () => {
  while (Date.now() < until) {
    const answer = await fern('GET', '/api/round');
    if (answer.status !== 200) wrong.push(answer.status);
    rounds.push(answer.took);
    await new Promise((wait) => setTimeout(wait, 1000));
  }
};
await Promise.all([...phones.map(train), look()]);
let lost = 0;
for (const of of phones) {
  const { json } = await of.phone('GET', `/api/sessions/${of.session}`);
  const there = new Set([...json.sets, ...(json.openSet ? [json.openSet] : [])].flatMap((s) => s.goes.map((g) => g.id)));
  lost += of.kept.filter((id) => !there.has(id)).length + Math.max(0, there.size - of.kept.length);
}
console.log(`${PHONES} phones at once for ${SECONDS} s: a go ${told(goes)}; lost ${lost}; refused or failed ${wrong.length}`);
console.log(`the fitter's round beside it: ${told(rounds)}`);

let inside = 0;
const answers = {};
for (let i = 0; i < 1000; i++) {
  const { status } = await visitor()('POST', '/api/sign-in', { name: 'Fern', password: `guess number ${i}` });
  answers[status] = (answers[status] ?? 0) + 1;
  if (status === 200) inside++;
}
console.log(`1,000 guesses: ${inside} in; ${Object.entries(answers).map(([s, n]) => `${n} answered ${s}`).join(', ')}`);
server.kill('SIGTERM');
await new Promise((gone) => server.on('exit', gone));
rmSync(folder, { recursive: true, force: true });
