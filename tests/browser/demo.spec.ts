import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const port = 5195;
const address = `http://127.0.0.1:${port}`;

/** Starts bin/demo and waits for the address it prints. */
async function demo(folder: string, ...more: string[]): Promise<ChildProcess> {
  const child = spawn('../../bin/demo', ['--port', String(port), '--data', folder, ...more]);
  let said = '';
  await new Promise<void>((answered, failed) => {
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      if (said.includes(`answers at ${address}`)) answered();
    });
    child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    child.on('exit', (code) => failed(new Error(`bin/demo ended with ${code}: ${said}`)));
  });
  return child;
}

/** Ends it the way Ctrl-C does; answers its exit code. */
const interrupt = (child: ChildProcess) =>
  new Promise<number | null>((ended) => {
    child.removeAllListeners('exit');
    child.on('exit', (code) => ended(code));
    child.kill('SIGINT');
  });

test('bin/demo starts, ends cleanly, finds everything again, and starts afresh only where told', async ({
  request,
}) => {
  test.setTimeout(300_000);
  const folder = mkdtempSync(join(tmpdir(), 'jaunty-badge-demo-'));
  const bystander = join(folder, 'notes.txt');
  writeFileSync(bystander, 'not ours');
  const names = async () =>
    ((await (await request.get(`${address}/api/round`)).json()) as { dog: { name: string } }[]).map((c) => c.dog.name);

  let server = await demo(folder);
  expect((await names()).length).toBeGreaterThanOrEqual(6);
  expect((await request.post(`${address}/api/dogs`, { data: { name: 'Kept' } })).status()).toBe(201);
  expect(await interrupt(server)).toBe(0);
  await expect(request.get(`${address}/api/health`)).rejects.toThrow();

  server = await demo(folder);
  expect(await names()).toContain('Kept');
  const page = await request.get(`${address}/dogs/whatever`);
  expect(await page.text()).toContain('<div id="root">');
  expect((await request.get(`${address}/api/whatever`)).status()).toBe(404);
  await interrupt(server);

  server = await demo(folder, '--fresh');
  expect(await names()).not.toContain('Kept');
  expect(existsSync(bystander)).toBe(true);
  await interrupt(server);
});
