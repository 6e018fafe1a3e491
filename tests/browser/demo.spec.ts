import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { dataFolder, ended, freePort, root } from './servers.js';
import type { Round } from './support.js';

/** Starts bin/demo and waits for the address it prints. */
async function demo(port: number, folder: string, ...more: string[]): Promise<ChildProcess> {
  const child = spawn('bin/demo', ['--port', String(port), '--data', folder, ...more], { cwd: root });
  let said = '';
  await new Promise<void>((answered, failed) => {
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (said.includes(`answers at http://127.0.0.1:${port}`)) answered();
    });
    child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    child.on('exit', (code) => failed(new Error(`bin/demo ended with ${code}: ${said}`)));
  });
  return child;
}

test('bin/demo starts, ends cleanly, finds everything again, and starts afresh only where told', async ({
  request,
}) => {
  test.setTimeout(300_000);
  const [port, folder] = [await freePort(), dataFolder('demo')];
  const address = `http://127.0.0.1:${port}`;
  const bystander = join(folder, 'notes.txt');
  writeFileSync(bystander, 'not ours');
  const names = async () =>
    ((await (await request.get(`${address}/api/round`)).json()) as Round).cards.map((c) => c.name);

  let server = await demo(port, folder);
  expect((await names()).length).toBeGreaterThanOrEqual(6);
  expect((await request.post(`${address}/api/dogs`, { data: { name: 'Kept' } })).status()).toBe(201);
  expect(await ended(server, 'SIGINT')).toBe(0);
  await expect(request.get(`${address}/api/health`)).rejects.toThrow();

  server = await demo(port, folder);
  expect(await names()).toContain('Kept');
  // A backup goes to where the person stands, not to where the script lives.
  const here = dataFolder('stood');
  execFileSync(join(root, 'bin/backup'), ['--data', folder, 'copy.db'], { cwd: here });
  expect(existsSync(join(here, 'copy.db'))).toBe(true);
  const page = await request.get(`${address}/dogs/whatever`);
  expect(await page.text()).toContain('<div id="root">');
  expect((await request.get(`${address}/api/whatever`)).status()).toBe(404);
  await ended(server, 'SIGINT');

  server = await demo(port, folder, '--fresh');
  expect(await names()).not.toContain('Kept');
  expect(existsSync(bystander)).toBe(true);
  await ended(server, 'SIGINT');
});
