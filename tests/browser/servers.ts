import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { createInterface } from 'node:readline';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));

const artifact = (project: string) => join(root, `artifacts/bin/${project}/release/${project}.dll`);

export const serverDll = artifact('JauntyBadge.Server');

/** A port nobody listens on now. */
export const freePort = () =>
  new Promise<number>((found, failed) => {
    const probe = createServer();
    probe.once('error', failed);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => found(port));
    });
  });

/** A folder of its own for a practice. */
export const dataFolder = (name: string) => mkdtempSync(join(tmpdir(), `jaunty-badge-${name}-`));

export const remove = (folder: string) => rmSync(folder, { recursive: true, force: true });

/** Ends a process and waits until it is gone. */
export const ended = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<number | null>((gone) => {
    if (child.exitCode !== null || child.signalCode !== null) return gone(child.exitCode);
    child.removeAllListeners('exit');
    child.on('exit', (code) => gone(code));
    child.kill(signal);
  });

/** Serves a practice of its own until it is stopped, the demo's or an empty one; what the server says of failures goes into the test's output. */
export async function serve(name: string, again?: { port: number; folder: string }, demo = true, closed = false) {
  const { port, folder } = again ?? { port: await freePort(), folder: dataFolder(name) };
  // Filled once for all workers (see build.ts).
  if (process.env.FILLED_PRACTICE && !again && demo) cpSync(process.env.FILLED_PRACTICE, folder, { recursive: true });
  // Where people sign in they reach it by a name; a browser takes this one for as good as TLS.
  const address = closed ? `http://localhost:${port}` : `http://127.0.0.1:${port}`;
  const child = spawn(
    'dotnet',
    [
      ...[serverDll, '--contentRoot', join(root, 'src/JauntyBadge.Server')],
      ...['--urls', `http://127.0.0.1:${port}`, '--data', folder, '--demo', String(demo)],
      ...(closed ? ['--public-url', address] : []),
    ],
    { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] },
  );
  for (let tries = 0; ; tries++) {
    const answers = await fetch(`${address}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (answers) break;
    if (child.exitCode !== null || tries > 1200) throw new Error(`The server did not answer (exit ${child.exitCode}).`);
    await new Promise((wait) => setTimeout(wait, 100));
  }
  const stop = () => ended(child, 'SIGTERM');
  return { address, port, folder, stop, remove: () => stop().then(() => remove(folder)) };
}

/** Adds somebody on the machine itself. */
export function addPerson(folder: string, name: string, password: string, kind = 'fitter') {
  const added = spawnSync(
    'dotnet',
    [serverDll, 'person', 'add', name, '--kind', kind, '--password-stdin', 'true', '--data', folder],
    { input: `${password}\n`, encoding: 'utf8' },
  );
  if (added.status !== 0) throw new Error(added.stderr);
}

/** Serves an empty practice whose clock can be turned, and plays its dog (see tests/JauntyBadge.TestHost). */
export async function hostCourse(folder: string, ...publicUrl: string[]) {
  const child = spawn('dotnet', [artifact('JauntyBadge.TestHost'), folder, ...publicUrl], {
    cwd: root,
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const gone = new Promise<void>((end) => child.on('exit', () => end()));
  const lines = createInterface({ input: child.stdout })[Symbol.asyncIterator]();
  const answer = async <T>() => {
    const { value, done } = await lines.next();
    if (done) throw new Error(`The host ended (exit ${child.exitCode}).`);
    return JSON.parse(value as string) as T;
  };
  const ask = <T>(command: string) => {
    child.stdin.write(`${command}\n`);
    return answer<T>();
  };
  const { address } = await answer<{ address: string }>();
  return {
    address,
    turn: (to: number) => ask(`turn ${new Date(to).toISOString()}`),
    dog: (temperament: string, steps: number, seed: number) => ask(`dog ${temperament} ${steps} ${seed}`),
    day: (since: number) => ask(`day ${since}`),
    go: (step: number, target: number, top: number) =>
      ask<{ good: boolean; sign: string }>(`go ${step} ${target} ${top}`),
    stop: async () => {
      child.stdin.end();
      await gone;
    },
  };
}
