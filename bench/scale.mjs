// How long the rooms take with few dogs and with many, and how much memory the server holds. node bench/scale.mjs [MORE] [ARCHIVED] [WEARS]; needs the
// Release build of server and bench. Loopback only.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { get } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const [more = 1000, archived = 10_000, wears = 50_000] = process.argv.slice(2).map(Number);
const root = fileURLToPath(new URL('..', import.meta.url));
const built = (name, file) => join(root, 'artifacts/bin', name, 'release', file);
const ROUNDS = 15;
const port = 5198;
const address = `http://127.0.0.1:${port}`;

/** One answer: how long until its last byte, how many bytes came over the line, and how many it is unpacked. */
const ask = (path, headers = {}) =>
  new Promise((done, failed) => {
    const began = performance.now();
    get(address + path, { headers: { 'accept-encoding': 'br', ...headers } }, (answer) => {
      let bytes = 0;
      answer.on('data', (part) => (bytes += part.length));
      answer.on('end', () => done({ ms: performance.now() - began, bytes, status: answer.statusCode, tag: answer.headers.etag }));
    }).on('error', failed);
  });

const median = (numbers) => numbers.sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

async function measure(extra, away, worn) {
  const folder = mkdtempSync(join(tmpdir(), 'jaunty-badge-scale-'));
  execFileSync(built('JauntyBadge.Bench', 'JauntyBadge.Bench'), ['practice', folder, String(extra), String(away), String(worn)], { stdio: 'inherit' });
  const server = spawn(
    'dotnet',
    [built('JauntyBadge.Server', 'JauntyBadge.Server.dll'), '--contentRoot', join(root, 'src/JauntyBadge.Server'), '--urls', address, '--data', folder],
    { stdio: ['ignore', 'ignore', 'inherit'] },
  );
  try {
    while (!(await ask('/api/health').then((a) => a.status === 200, () => false))) await new Promise((wait) => setTimeout(wait, 100));
    const cold = performance.now();
    const { cards } = await fetch(`${address}/api/round?count=2000`).then((a) => a.json());
    const coldMs = performance.now() - cold;
    const dog = `/api/dogs/${cards.find((c) => c.name === 'Bracken').id}`;
    const rooms = {
      'round, first screen': '/api/round',
      'a dog': dog,
      bench: `${dog}/bench`,
      'a key typed': `${dog}/bench/typing?measure=snoutGirth&text=272`,
      fits: `${dog}/fits`,
      plan: `${dog}/plan`,
      balance: `${dog}/balance`,
      record: `${dog}/record`,
      'how training stands': '/api/training',
      'found by a word': '/api/round?search=wend',
      van: '/api/van',
    };
    const results = {};
    for (const [room, path] of Object.entries(rooms)) {
      const first = await ask(path);
      const times = [];
      for (let i = 0; i < ROUNDS; i++) times.push((await ask(path)).ms);
      const again = first.tag ? (await ask(path, { 'if-none-match': first.tag })).ms : undefined;
      results[room] = { first: first.ms, median: median(times), bytes: first.bytes, again };
    }
    const memory = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) / 1024;
    return { results, memory, coldMs, dogs: cards.length };
  } finally {
    server.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
}

const few = await measure(0, 0, 0);
const many = await measure(more, archived, wears);
const ms = (x) => (x === undefined ? '-' : x < 10 ? x.toFixed(1) : String(Math.round(x)));
console.log(`| room | ${few.dogs} dogs | ${many.dogs} dogs and ${archived} archived | times | asked first | nothing changed | over the line |`);
console.log('|---|---|---|---|---|---|---|');
for (const [room, f] of Object.entries(few.results)) {
  const m = many.results[room];
  console.log(`| ${room} | ${ms(f.median)} ms | ${ms(m.median)} ms | ${(m.median / f.median).toFixed(1)} | ${ms(m.first)} ms | ${ms(m.again)} ms | ${(m.bytes / 1024).toFixed(1)} kB |`);
}
console.log(`the whole round, first after a start: ${Math.round(few.coldMs)} ms, ${Math.round(many.coldMs)} ms`);
console.log(`server memory: ${Math.round(few.memory)} MB, ${Math.round(many.memory)} MB`);
