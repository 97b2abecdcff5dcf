import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

/** Everything that must hold, on a machine where nothing was installed by hand. */
ensurePackages();
const { ensureDebian } = await import('./debian.mjs');
ensureDebian([
  'postgresql',
  'chromium',
  'poppler-utils',
  'zbar-tools',
  'qpdf',
  'librsvg2-bin',
  'python3-ezdxf',
  'ghostscript',
]);
const { buildWeb } = await import('./buildWeb.mjs');
const { startCluster } = await import('./postgres.mjs');

const only = process.argv.slice(2);
const scratch = mkdtempSync(join(tmpdir(), 'zippy-test-'));
const tally = join(scratch, 'tally');
let [passed, failed] = [0, 0];
const count = (ok) => (ok ? (passed += 1) : (failed += 1));

function check(name, args) {
  if (only.length > 0 && !only.includes(name)) return;
  console.log(`\n${name}`);
  const { status } = spawnSync(process.execPath, args, { cwd: root('.'), stdio: ['ignore', 'inherit', 'inherit'] });
  count(status === 0);
}

function mocha(name, files, env) {
  if (only.length > 0 && !only.includes(name)) return;
  console.log(`\n${name}`);
  rmSync(tally, { force: true });
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', root('node_modules/mocha/bin/mocha.js'), files], {
    cwd: root('.'),
    env: { ...process.env, ...env, TALLY: tally, NODE_ENV: 'test' },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  const runs = existsSync(tally)
    ? readFileSync(tally, 'utf8')
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line))
    : [];
  for (const run of runs) {
    passed += run.passes;
    failed += run.failures;
  }
  // A run that broke off before its report counts as a failure of its own.
  if (status !== 0 && runs.every((run) => run.failures === 0)) failed += 1;
}

check('types', [root('node_modules/typescript/bin/tsc'), '-p', 'tsconfig.json']);
check('lint', [root('node_modules/eslint/bin/eslint.js'), '.', '--max-warnings', '0']);
check('format', [root('node_modules/prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']);
mocha('core', 'core/test/**/*.test.ts', {});
mocha('web', 'web/test/**/*.test.ts', {});
mocha('cli', 'cli/test/**/*.test.ts', {});
const cluster = await startCluster(join(scratch, 'postgres'));
// What the worker keeps of its own accord goes with the rest.
const env = { DATABASE_URL: cluster.url, ZIPPY_BACKUPS: join(scratch, 'backups') };
try {
  mocha('server', 'server/test/**/*.test.ts', env);
  if (only.length === 0 || only.includes('e2e')) buildWeb();
  mocha('e2e', 'e2e/**/*.test.ts', env);
} finally {
  await cluster.stop();
  rmSync(cluster.home, { recursive: true, force: true });
  rmSync(scratch, { recursive: true, force: true });
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
