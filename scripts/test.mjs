import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

/**
 * Everything that must hold, on a machine where nothing was installed by hand.
 * `npm test -- e2e server` runs these suites alone, `npm test -- e2e/art.test.ts` that file alone.
 */
ensurePackages();
const { ensureDebian } = await import('./debian.mjs');
ensureDebian([
  'postgresql',
  'chromium-headless-shell',
  'poppler-utils',
  'zbar-tools',
  'qpdf',
  'librsvg2-bin',
  'python3-ezdxf',
  'ghostscript',
]);
const { buildWeb } = await import('./buildWeb.mjs');
const { buildPrograms, buildTests } = await import('./programs.mjs');
const { LANES, runInLanes } = await import('./lanes.mjs');
const { startCluster } = await import('./postgres.mjs');
const { default: pg } = await import('pg');

const only = process.argv.slice(2);
const asked = (suite, files = []) =>
  only.length === 0 || only.some((one) => one === suite || files.some((file) => file.endsWith(one)));
const scratch = mkdtempSync(join(tmpdir(), 'zippy-test-'));
let [passed, failed] = [0, 0];
/** What failed, in its own words: said once more at the end, where nobody has to look for it. */
const failures = [];

/** Files of tests of a suite, the largest first. */
const filesOf = (suite) =>
  readdirSync(root(suite), { recursive: true })
    .filter((file) => file.endsWith('.test.ts'))
    .map((file) => `${suite}/${file}`)
    .filter((file) => only.length === 0 || only.includes(suite.split('/')[0]) || only.some((one) => file.endsWith(one)))
    .sort((a, b) => statSync(root(b)).size - statSync(root(a)).size);

/** Files dealt out to `hands` of about the same size. */
const dealt = (files, hands) =>
  Array.from({ length: hands }, (_, hand) => files.filter((_file, i) => i % hands === hand)).filter(
    (some) => some.length > 0,
  );

/** They start processes and wait for them, or hold a drawing against what other programs draw. */
const WITHOUT_A_PAGE = /^e2e\/(seen\/|start|manyProcesses)/;

const check = (name, args) => (asked(name) ? [{ name, args, cwd: root('.'), env: () => process.env }] : []);

/** Tests in a process of their own, and in a database of their own where they want one. */
function mocha(name, files, { database = false, flags = [], page = false } = {}) {
  if (files.length === 0) return [];
  const own = join(scratch, name.replaceAll(/[^\w.]+/g, '-'));
  const tally = `${own}.tally`;
  const env = async (lane) => ({
    ...{ ...process.env, TALLY: tally, SOURCES: files.join(), NODE_ENV: 'test', ZIPPY_BUILT: '1' },
    // What the worker keeps of its own accord goes with the rest.
    ...(database ? { DATABASE_URL: await emptyDatabase(clusters[lane]), ZIPPY_BACKUPS: `${own}-backups` } : {}),
  });
  const args = ['--enable-source-maps', root('node_modules/mocha/bin/mocha.js'), ...flags, ...files.map(testOf)];
  return [{ name, args, cwd: root('.'), env, tally, page }];
}

let databases = 0;
async function emptyDatabase({ url }) {
  const name = `test_${(databases += 1)}`;
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return url.replace(/[^/]*$/, name);
}

function count({ name, tally }, { status, said }) {
  const broken = () => {
    failed += 1;
    failures.push(`${name}\n${said.trimEnd().split('\n').slice(-40).join('\n')}`);
  };
  if (!tally) {
    if (status === 0) passed += 1;
    else broken();
    return;
  }
  const run = existsSync(tally) ? JSON.parse(readFileSync(tally, 'utf8')) : { passes: 0, failures: 0, failed: [] };
  passed += run.passes;
  failed += run.failures;
  failures.push(...run.failed.map((words) => `${name} › ${words}`));
  // A run that broke off before its report counts as a failure of its own.
  if (status !== 0 && run.failures === 0) broken();
}

const joinedTests = root(`built-tests-${process.pid}`);
let testOf;
// A cluster a lane, so that none waits for another's connections; one after the other, since each looks for a free port.
const clusters = [];
try {
  for (let lane = 0; lane < LANES; lane += 1) clusters.push(await startCluster(join(scratch, `postgres-${lane}`)));
  const e2e = filesOf('e2e');
  const suites = ['core/test', 'server/test', 'web/test', 'cli/test'].map(filesOf);
  testOf = await buildTests([...e2e, ...suites.flat()], joinedTests);
  await buildPrograms();
  if (e2e.length > 0) buildWeb();
  const [core, server, web, cli] = [dealt(suites[0], 4), dealt(suites[1], 6), suites[2], suites[3]];
  const tasks = [
    ...e2e.flatMap((file) =>
      mocha(file, [file], {
        database: true,
        page: !WITHOUT_A_PAGE.test(file),
        flags: ['--require', root('scripts/shuffle.cjs')],
      }),
    ),
    // Longer than any that come after it.
    ...check('types and lint', [root('scripts/typesAndLint.mjs')]),
    ...server.flatMap((files, i) => mocha(`server ${i + 1} of ${server.length}`, files, { database: true })),
    ...core.flatMap((files, i) => mocha(`core ${i + 1} of ${core.length}`, files)),
    ...mocha('cli', cli),
    ...check('format', [root('node_modules/prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']),
    ...mocha('web', web),
  ];
  await runInLanes(tasks, count);
} finally {
  for (const cluster of clusters) {
    await cluster.stop();
    rmSync(cluster.home, { recursive: true, force: true });
  }
  for (const folder of [scratch, joinedTests]) rmSync(folder, { recursive: true, force: true });
}
if (failures.length > 0) console.log(`\nWhat failed:\n\n${failures.join('\n\n')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
