import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { leaveFolder, takeFolder } from './lock.mjs';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

/**
 * Runs a program of the server's on the studio's database: on the one that runs, or on its own cluster, which is woken
 * for it and put back to sleep. Its words come out as they are; only setting up speaks on standard error.
 * @param file under server/src
 * @param args file names in them are meant from where the maker stands
 */
export async function withDatabase(file, args) {
  const say = console.log;
  console.log = (...words) => console.error(...words);
  ensurePackages();
  const { runningCluster, startCluster } = await import('./postgres.mjs');
  console.log = say;
  const folder = resolve(process.env.ZIPPY_DATA ?? root('.data'));
  const url = process.env.DATABASE_URL ?? runningCluster(folder);
  if (url) return run(file, args, url, folder);
  const other = takeFolder(folder);
  if (other !== null)
    throw new Error(`The application starts or stops just now (process ${other}); try again in a moment.`);
  const cluster = await startCluster(folder);
  try {
    return await run(file, args, cluster.url, folder);
  } finally {
    await cluster.stop();
    leaveFolder(folder);
  }
}

async function run(file, args, url, folder) {
  const { built, buildPrograms } = await import('./programs.mjs');
  await buildPrograms();
  const child = spawn(process.execPath, [built(`server/src/${file}`), ...args], {
    cwd: process.env.INIT_CWD ?? process.cwd(),
    stdio: 'inherit',
    env: { ...process.env, DATABASE_URL: url, ZIPPY_DATA: folder },
  });
  // Ctrl-C reaches the program too, which ends first; what it left half done is undone by the database.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill('SIGTERM'));
  return new Promise((done) => child.once('exit', (code) => done(code ?? 1)));
}

/** One command: its usage where it was called wrongly, else its work, and the exit that says how it went. */
export async function command(usage, rightlyCalled, work) {
  const args = process.argv.slice(2);
  if (!rightlyCalled(args)) {
    console.error(usage);
    process.exit(2);
  }
  try {
    process.exit(await work(args));
  } catch (problem) {
    console.error(problem.message);
    process.exit(1);
  }
}
