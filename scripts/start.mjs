import { fork } from 'node:child_process';
import { createServer } from 'node:net';
import { resolve } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { leaveFolder, takeFolder } from './lock.mjs';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';
import { makeSupervisor, MUST_BE_PUT_RIGHT } from './supervisor.mjs';

/** One command from a fresh clone to a page that works, and that goes on working when a part of it dies. */
ensurePackages();
const { buildWeb } = await import('./buildWeb.mjs');
const { built, buildPrograms } = await import('./programs.mjs');
const { startCluster } = await import('./postgres.mjs');

/** Where the studio's data lies; another folder is another studio. */
const folder = resolve(process.env.ZIPPY_DATA ?? root('.data'));
const port = process.env.PORT ?? '5170';
let cluster = null;
let ending = null;

/** One sentence, and the end. */
function refuse(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** What it gives, or its one sentence and the end. */
function tryTo(work) {
  try {
    return work();
  } catch (problem) {
    return refuse(problem.message);
  }
}

if (!/^\d+$/.test(port) || Number(port) < 1 || Number(port) > 65535)
  refuse(`PORT wants a number from 1 to 65535, such as 5180; got ${port}.`);
const other = tryTo(() => takeFolder(folder));
if (other !== null) refuse(`Zippy Crease already runs from this folder (process ${other}); stop that one first.`);

const supervisor = makeSupervisor({
  say: (line) => console.error(line),
  giveUp: (why) => {
    if (why) console.error(`${why}: it is all stopped now. Look at docs/operations.md, then type npm start again.`);
    void stop(1);
  },
});

/** A process of ours; ready once it says so. */
function part(source, env) {
  return async () => {
    // In a group of its own, so that Ctrl-C stops them in our order and not all at once.
    const child = fork(built(source), { env, cwd: root('.'), detached: true });
    starting.add(child);
    try {
      await new Promise((ready, failed) => {
        child.once('message', ready);
        child.once('exit', (code, signal) => failed(Object.assign(new Error('ended'), { why: signal ?? code })));
      });
    } finally {
      starting.delete(child);
    }
    return child;
  };
}
const starting = new Set();

/** A server that was told to end may hold its port for a moment yet. */
async function waitForPort() {
  for (let tries = 0; tries < 60; tries += 1) {
    const free = await new Promise((done) => {
      const probe = createServer();
      probe.once('error', () => done(false));
      probe.listen(Number(port), '127.0.0.1', () => probe.close(() => done(true)));
    });
    if (free) return;
    await pause(100);
  }
  throw new Error(`Port ${port} is taken; choose another with PORT=5180 npm start.`);
}

/** A PostgreSQL of the maker's own, asked once whether it lets us in. */
async function checkDatabase(url) {
  const { default: pg } = await import('pg');
  try {
    const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
    await client.connect();
    await client.end();
  } catch (problem) {
    const why = problem.message || problem.code || problem.errors?.[0]?.message || 'no answer';
    throw new Error(`DATABASE_URL leads to no PostgreSQL that lets us in (${why}); put it right, or leave it out.`, {
      cause: problem,
    });
  }
}

function stop(code) {
  ending ??= (async () => {
    supervisor.rest();
    const parts = [...supervisor.running].filter(([name]) => name !== DATABASE).map(([, child]) => child);
    await Promise.all([...parts, ...starting].map(ended));
    await cluster?.stop();
    leaveFolder(folder);
    process.exit(code);
  })();
  return ending;
}

function ended(child) {
  return new Promise((gone) => {
    if (child.exitCode !== null || child.signalCode !== null) return gone();
    child.once('exit', gone);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), 5000).unref();
  });
}

const DATABASE = 'database';
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
// npm does not hand every signal on: when it is gone, so is whoever started us.
if (process.env.npm_lifecycle_event === 'start') {
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && void stop(0), 500).unref();
}

try {
  await buildPrograms();
  buildWeb();
  await waitForPort();
  if (process.env.DATABASE_URL) await checkDatabase(process.env.DATABASE_URL);
  else {
    cluster = await startCluster(folder);
    let first = cluster.child;
    await supervisor.keep(DATABASE, async () => {
      const child = first ?? (await cluster.start());
      first = null;
      return child;
    });
  }
  const env = {
    ...process.env,
    PORT: port,
    ZIPPY_DATA: folder,
    DATABASE_URL: process.env.DATABASE_URL ?? cluster.url,
    NODE_ENV: 'production',
  };
  await supervisor.keep('server', part('server/src/main.ts', env));
  await supervisor.keep('worker', part('server/src/worker.ts', env));
  console.log('Ctrl-C stops it.');
} catch (problem) {
  if (!ending && problem.why !== MUST_BE_PUT_RIGHT)
    console.error(problem.why === undefined ? problem.message : `A part ended while it started (${problem.why}).`);
  await stop(1);
}
