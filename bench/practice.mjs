// A demo practice of its own, reached as phones reach one, with a fitter and a keeper's phone in it; for benches of pages.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Serves it; gives its address, the cookies of the phone and of the fitter, the dog, and how to end it. */
export async function practice(port) {
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
  const close = async () => {
    server.kill('SIGTERM');
    await new Promise((gone) => server.on('exit', gone));
    rmSync(folder, { recursive: true, force: true });
  };
  return { address, cookie, fitter: fern, dog: { id: juno, name: 'Juno' }, close };
}
