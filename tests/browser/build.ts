import { execFileSync } from 'node:child_process';
import { remove, root, serve } from './servers.js';

/** The product, and the host of the course where it holds another product than that. */
const buildAll = `source bin/lib.sh && build_if_changed
  cmp -s "$server_dll" artifacts/bin/JauntyBadge.TestHost/release/JauntyBadge.Server.dll ||
    dotnet build tests/JauntyBadge.TestHost -c Release -v quiet --nologo`;

/** Builds what changed and fills a demo practice, both once, before any worker starts its server on a copy of it. */
export default async function build() {
  execFileSync('bash', ['-c', buildAll], { cwd: root, stdio: 'inherit' });
  const practice = await serve('filled');
  await practice.stop();
  process.env.FILLED_PRACTICE = practice.folder;
  return () => remove(practice.folder);
}
