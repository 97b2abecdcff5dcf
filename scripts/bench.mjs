import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

ensurePackages();
const { buildWeb } = await import('./buildWeb.mjs');
const { buildPrograms } = await import('./programs.mjs');
const { startCluster } = await import('./postgres.mjs');
await buildPrograms();
buildWeb();
const scratch = mkdtempSync(join(tmpdir(), 'zippy-bench-'));
const cluster = await startCluster(scratch);
const { status } = spawnSync(process.execPath, ['--import', 'tsx', root('bench/run.ts')], {
  cwd: root('.'),
  stdio: 'inherit',
  env: { ...process.env, DATABASE_URL: cluster.url },
});
await cluster.stop();
rmSync(cluster.home, { recursive: true, force: true });
rmSync(scratch, { recursive: true, force: true });
process.exit(status ?? 1);
