import { execFileSync } from 'node:child_process';
import { root } from './servers.js';

/** Builds what changed, once, before any worker starts its server. */
export default function build() {
  execFileSync('bash', ['-c', 'source bin/lib.sh && build_if_changed'], { cwd: root, stdio: 'inherit' });
}
