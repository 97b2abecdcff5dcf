import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { newest } from './newest.mjs';
import { root } from './root.mjs';

/** Builds the page when it is not there or older than what it is made from. */
export function buildWeb() {
  const built = root('web/dist/index.html');
  const sources = Math.max(newest(root('web')), newest(root('core/src')), statSync(root('package-lock.json')).mtimeMs);
  if (existsSync(built) && statSync(built).mtimeMs > sources) return;
  console.log('Building the page …');
  const { status } = spawnSync(
    process.execPath,
    [root('node_modules/vite/bin/vite.js'), 'build', root('web'), '--logLevel', 'warn'],
    {
      cwd: root('.'),
      stdio: ['ignore', 'inherit', 'inherit'],
    },
  );
  if (status !== 0) {
    console.error('The page could not be built.');
    process.exit(1);
  }
}
