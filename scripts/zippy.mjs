import { spawnSync } from 'node:child_process';
import { ensurePackages } from './packages.mjs';

// Standard output belongs to the plan; setting up speaks on standard error.
const say = console.log;
console.log = (...words) => console.error(...words);
ensurePackages();
const { built, buildPrograms } = await import('./programs.mjs');
await buildPrograms();
console.log = say;
// npm runs scripts in the project's folder; file names are meant from where the maker stands.
const cwd = process.env.INIT_CWD ?? process.cwd();
const { status } = spawnSync(process.execPath, [built('cli/src/main.ts'), ...process.argv.slice(2)], {
  cwd,
  stdio: 'inherit',
});
process.exit(status ?? 1);
