// Uploads a picture five times and reports time and the server's peak memory. Called by bench/run.
import { readFileSync } from 'node:fs';

const [address, file, pid] = process.argv.slice(2);
const memory = (name) => Number(readFileSync(`/proc/${pid}/status`, 'utf8').match(new RegExp(`${name}:\\s+(\\d+)`))[1]) / 1024;
const { cards } = await (await fetch(`${address}/api/round`)).json();
const bytes = readFileSync(file);
const before = memory('VmRSS');
const times = [];
for (let i = 0; i < 5; i++) {
  const form = new FormData();
  form.append('file', new Blob([bytes], { type: 'image/jpeg' }), 'picture.jpg');
  form.append('view', 'side');
  const start = performance.now();
  const answer = await fetch(`${address}/api/dogs/${cards[0].id}/photos`, { method: 'POST', body: form });
  if (!answer.ok) throw new Error(await answer.text());
  await answer.json();
  times.push(performance.now() - start);
}
const shown = times.map((t) => Math.round(t)).join(', ');
console.log(`${(bytes.length / 1e6).toFixed(1)} MB file; ${shown} ms for five, the first one cold`);
console.log(
  `server memory: ${Math.round(before)} MB before, ${Math.round(memory('VmHWM'))} MB at its peak (${Math.round(memory('VmHWM') - before)} MB more)`,
);
