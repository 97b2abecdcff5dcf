import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';

// npm run mutate -- FOLDER: small faults are put into one folder of the core, one at a time, and the tests of that folder
// (and of what plans the whole) are run against each. What they let pass is listed with its place.
const [folder, ...rest] = process.argv.slice(2);
const rooms = readdirSync('core/src', { withFileTypes: true, recursive: true })
  .filter((entry) => entry.isDirectory())
  .map(({ parentPath, name }) => `${parentPath}/${name}`.slice('core/src/'.length))
  .sort();
if (!rooms.includes(folder)) {
  console.error(`npm run mutate -- FOLDER, with a folder of core/src: ${rooms.join(', ')}.`);
  process.exit(2);
}
const also = rest.filter((arg) => !arg.startsWith('-'));
const specs = [folder, ...also].map((name) => `core/test/${name}/**/*.test.ts`);
mkdirSync('.data', { recursive: true });
const config = '.data/stryker.json';
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'mocha',
    mochaOptions: { spec: specs, 'no-config': true, 'no-package': true },
    plugins: ['@stryker-mutator/mocha-runner'],
    // Wording is for people to judge: a test that held every sentence would only repeat it.
    mutator: { excludedMutations: ['StringLiteral'] },
    testRunnerNodeArgs: ['--import=tsx'],
    mutate: [`core/src/${folder}/**/*.ts`, '!core/src/**/types.ts'],
    coverageAnalysis: 'perTest',
    reporters: ['clear-text', 'json', 'progress-append-only'],
    clearTextReporter: { reportTests: false, allowColor: false, logTests: false },
    jsonReporter: { fileName: `.data/mutants-${folder.replaceAll('/', '-')}.json` },
    tempDirName: '.data/stryker',
    ignoreStatic: true,
    concurrency: 2,
    timeoutMS: 6000,
    allowConsoleColors: false,
    ignorePatterns: ['.data', 'web/dist', 'docs', 'e2e'],
  }),
);
// A law over hundreds of cases would cost a minute for each fault that slips through it: a dozen cases are drawn of each,
// so what a rare case alone would catch counts as passed, and the true share is a little higher.
const { status } = spawnSync('npx', ['stryker', 'run', config, '--logLevel', 'info'], {
  stdio: 'inherit',
  env: { RUNS: '12', ...process.env },
});
const report = `.data/mutants-${folder.replaceAll('/', '-')}.json`;
if (existsSync(report)) {
  const { files } = JSON.parse(readFileSync(report, 'utf8'));
  const all = Object.values(files).flatMap(({ mutants }) => mutants.map((m) => m.status));
  const of = (...states) => all.filter((s) => states.includes(s)).length;
  const [caught, passed] = [of('Killed', 'Timeout'), of('Survived', 'NoCoverage')];
  console.log(
    `${folder}: ${caught} of ${caught + passed} small faults caught, ${Math.round((caught / (caught + passed)) * 100)} %`,
  );
}
process.exit(status ?? 1);
