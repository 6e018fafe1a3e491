import { execFileSync } from 'node:child_process';
import { remove, root, serve } from './servers.js';

/** Builds what changed and fills a demo practice, both once, before any worker starts its server on a copy of it. */
export default async function build() {
  execFileSync('bash', ['-c', 'source bin/lib.sh && build_if_changed'], { cwd: root, stdio: 'inherit' });
  const practice = await serve('filled');
  await practice.stop();
  process.env.FILLED_PRACTICE = practice.folder;
  return () => remove(practice.folder);
}
