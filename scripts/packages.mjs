import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { root } from './root.mjs';

const LEAST_NODE = [20, 19];

/** Installs npm packages when there are none, or when the lock file has changed since. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1])) {
    console.error(`Node ${LEAST_NODE.join('.')} or newer is needed; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const lock = createHash('sha256')
    .update(readFileSync(root('package-lock.json')))
    .digest('hex');
  const stamp = root('node_modules/.zippy-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages …');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root('.'),
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  if (status !== 0) {
    console.error('The packages could not be installed; check the network and try again.');
    process.exit(1);
  }
  writeFileSync(stamp, lock);
}
