// The keeper's first page as Lighthouse sees it on a phone, and what comes over the line for it. node bench/keeper-page.mjs [PORT]; needs the packages of bench (npm ci there).
// It serves a practice of its own, which nobody else is in.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launch } from 'chrome-launcher';
import lighthouse from 'lighthouse';

const [port = '5195'] = process.argv.slice(2);
const root = new URL('..', import.meta.url).pathname;
const dll = join(root, 'artifacts/bin/JauntyBadge.Server/release/JauntyBadge.Server.dll');
const folder = mkdtempSync(join(tmpdir(), 'jaunty-badge-keeper-'));
const address = `http://localhost:${port}`;
const server = spawn('dotnet', [dll, '--contentRoot', join(root, 'src/JauntyBadge.Server'), '--urls', `http://127.0.0.1:${port}`, '--data', folder, '--demo', 'true', '--public-url', address], { stdio: ['ignore', 'ignore', 'inherit'] });
for (let tries = 0; tries < 600; tries++) {
  if (await fetch(`${address}/api/health`).then((a) => a.ok, () => false)) break;
  await new Promise((wait) => setTimeout(wait, 200));
}
spawnSync('dotnet', [dll, 'person', 'add', 'Fern', '--kind', 'fitter', '--password-stdin', 'true', '--data', folder], { input: 'a heron on the weir\n' });
const ask = async (path, body, cookie) => {
  const answer = await fetch(address + path, { method: body ? 'POST' : 'GET', headers: { ...(cookie ? { cookie } : {}), 'content-type': 'application/json' }, ...(body ? { body: JSON.stringify(body) } : {}) });
  return { json: await answer.json(), cookie: answer.headers.getSetCookie()[0]?.split(';')[0] };
};
const { cookie: fern } = await ask('/api/sign-in', { name: 'Fern', password: 'a heron on the weir' });
const { json: round } = await ask('/api/round', undefined, fern);
const juno = round.cards.find((card) => card.name === 'Juno').id;
const { json: offered } = await ask(`/api/dogs/${juno}/pairings`, { kind: 'keeper' }, fern);
const { cookie } = await ask('/api/pair', { code: offered.code, device: 'a phone' });

const chrome = await launch({
  chromePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  chromeFlags: ['headless', 'no-sandbox', 'disable-gpu', 'disable-quic', 'no-first-run', 'disable-background-networking', 'disable-component-update', 'disable-sync'].map((flag) => `--${flag}`),
});
for (let run = 0; run < 3; run++) {
  const { lhr } = await lighthouse(`${address}/`, { port: chrome.port, output: 'json', extraHeaders: { Cookie: cookie } });
  const scripts = lhr.audits['network-requests'].details.items.filter((item) => item.resourceType === 'Script');
  const kB = scripts.reduce((sum, item) => sum + item.transferSize, 0) / 1000;
  console.log(
    Object.values(lhr.categories).map((c) => `${c.id} ${c.score}`).join(', '),
    `; first paint ${lhr.audits['first-contentful-paint'].displayValue}, largest ${lhr.audits['largest-contentful-paint'].displayValue}, blocked ${lhr.audits['total-blocking-time'].displayValue}; ${scripts.length} scripts of ${kB.toFixed(0)} kB`,
  );
  if (run === 2)
    for (const audit of Object.values(lhr.audits).filter((a) => a.score !== null && a.score < 1 && a.scoreDisplayMode === 'binary')) console.log(`  ${audit.id}: ${audit.title}`);
}
await chrome.kill();
server.kill('SIGTERM');
await new Promise((gone) => server.on('exit', gone));
rmSync(folder, { recursive: true, force: true });
