import { spawnSync } from 'node:child_process';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

ensurePackages();
const { status } = spawnSync(process.execPath, ['--import', 'tsx', root('bench/run.ts')], {
  cwd: root('.'),
  stdio: 'inherit',
});
process.exit(status ?? 1);
