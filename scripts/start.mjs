import { fork } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

/** One command from a fresh clone to a page that works. */
ensurePackages();
const { buildWeb } = await import('./buildWeb.mjs');
const { startCluster } = await import('./postgres.mjs');

const lock = root('.data/running');
/** Two at once would share one cluster, and the first to stop would take it from the other. */
function refuseSecond() {
  if (existsSync(lock)) {
    const pid = Number(readFileSync(lock, 'utf8'));
    try {
      process.kill(pid, 0);
      console.error(`Zippy Crease already runs from this folder (process ${pid}); stop that one first.`);
      process.exit(1);
    } catch (problem) {
      if (problem.code === 'EPERM') throw problem;
    }
  }
  mkdirSync(root('.data'), { recursive: true });
  writeFileSync(lock, String(process.pid));
}
refuseSecond();
buildWeb();

const cluster = process.env.DATABASE_URL ? null : await startCluster(root('.data'));
const env = { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? cluster.url, NODE_ENV: 'production' };
const parts = new Set();
let stopping = false;

function run(file, name) {
  // Each in a group of its own, so that Ctrl-C stops them in our order and not all at once.
  const part = fork(root(file), { env, execArgv: ['--import', 'tsx'], cwd: root('.'), detached: true });
  parts.add(part);
  part.once('exit', (code) => {
    parts.delete(part);
    if (!stopping) {
      console.error(`The ${name} stopped by itself (${code}); everything saved is safe. Type npm start again.`);
      void stop(1);
    }
  });
  return new Promise((ready) => part.once('message', ready));
}

async function stop(code) {
  if (stopping) return;
  stopping = true;
  await Promise.all(
    [...parts].map(
      (part) =>
        new Promise((gone) => {
          part.once('exit', gone);
          part.kill('SIGTERM');
          setTimeout(() => part.kill('SIGKILL'), 5000).unref();
        }),
    ),
  );
  await cluster?.stop();
  rmSync(lock, { force: true });
  process.exit(code);
}

process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));
process.on('SIGHUP', () => void stop(0));
await run('server/src/main.ts', 'server');
await run('server/src/worker.ts', 'worker');
console.log('Ctrl-C stops it.');
