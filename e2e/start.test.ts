import { expect } from 'chai';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { commandOf, isThere, readOr, Started } from './started.ts';
import { freePort } from './support.ts';

describe('the start command', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-start-'));
  const open: Started[] = [];
  let port: number;
  const start = (env: Readonly<Record<string, string>> = {}, at: number | string = port): Started => {
    const started = new Started(folder, at, env);
    open.push(started);
    return started;
  };
  const READY = /Ctrl-C stops it/;
  const health = async (): Promise<boolean> => {
    try {
      return (await fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(3000) })).ok;
    } catch {
      return false;
    }
  };
  const comesBack = async (): Promise<void> => {
    for (let tries = 0; tries < 300; tries += 1) {
      if (await health()) return;
      await pause(100);
    }
    throw new Error('the studio did not come back');
  };
  /** One who counts upwards in the notes of a job, each number once the one before was said to be saved. */
  const keepSaving = (): { stop: () => Promise<{ acknowledged: number; stored: number }> } => {
    interface Stored {
      readonly id: string;
      readonly version: number;
      readonly document: { readonly brief: { readonly notes: string } };
    }
    const first = async (): Promise<Stored> => {
      const answer = await fetch(`http://127.0.0.1:${port}/api/jobs`, { signal: AbortSignal.timeout(10_000) });
      return ((await answer.json()) as { jobs: readonly Stored[] }).jobs[0]!;
    };
    let [acknowledged, going] = [0, true];
    const done = (async () => {
      while (going)
        try {
          const { id, version, document } = await first();
          const notes = String(acknowledged + 1);
          const { status } = await fetch(`http://127.0.0.1:${port}/api/jobs/${id}`, {
            method: 'PUT',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({ version, document: { ...document, brief: { ...document.brief, notes } } }),
            signal: AbortSignal.timeout(10_000),
          });
          if (status === 200) acknowledged += 1;
        } catch {
          await pause(50);
        }
    })();
    return {
      stop: async () => {
        going = false;
        await done;
        return { acknowledged, stored: Number((await first()).document.brief.notes) };
      },
    };
  };
  before(async () => {
    port = await freePort();
  });
  after(async () => {
    for (const { process: one } of open) if (one.exitCode === null && one.signalCode === null) one.kill('SIGTERM');
    await Promise.all(open.map((one) => one.ended()));
    rmSync(folder, { recursive: true, force: true });
  });

  it('says in one sentence what must be put right first, with no stack', async () => {
    for (const [env, at, says] of [
      [{}, 'abc', /^PORT wants a number from 1 to 65535, such as 5180; got abc\.\n$/],
      [{}, '70000', /^PORT wants a number from 1 to 65535/],
      [{ HOST: '192.168.1.4' }, port, /^HOST is 192\.168\.1\.4, which other machines could reach.*\n$/],
      [
        { DATABASE_URL: 'postgresql://nobody@127.0.0.1:1/none' },
        port,
        /^DATABASE_URL leads to no PostgreSQL that lets us in .*\n$/,
      ],
      [{ DATABASE_URL: 'harbour' }, port, /^DATABASE_URL leads to no PostgreSQL that lets us in .*\n$/],
    ] as const) {
      const started = start(env, at);
      expect(await started.ended(), started.said).to.equal(1);
      expect(started.said).to.match(says);
      expect(existsSync(join(folder, 'running')), 'the folder is free again').to.equal(false);
    }
    const taken = createServer().listen(port, '127.0.0.1');
    await new Promise((ready) => taken.once('listening', ready));
    const started = start();
    expect(await started.ended()).to.equal(1);
    expect(started.said).to.match(/^Port \d+ is taken; choose another/);
    taken.close();
  });

  it('starts over a dead part, saying so in a line, and ends all of them when it is told to', async () => {
    const started = start();
    await started.says(READY);
    const second = start();
    expect(await second.ended()).to.equal(1);
    expect(second.said).to.match(/already runs from this folder/);
    const before = started.parts();
    const hand = keepSaving();
    for (const name of ['server', 'worker', 'postgres'] as const) {
      const pid = started.parts()[name]!;
      process.kill(pid, 'SIGKILL');
      await started.says(
        new RegExp(`The ${name === 'postgres' ? 'database' : name} ended \\(.*\\); .* starts again in [\\d.]+ s`),
      );
      for (let tries = 0; tries < 300; tries += 1) {
        const now = started.parts()[name];
        if (now !== undefined && now !== pid) break;
        await pause(100);
      }
      await comesBack();
      expect(started.parts()[name], name).to.not.equal(pid);
    }
    // Somebody wrote all the while: whatever was said to be saved is there, and at most one that was not heard of.
    const { acknowledged, stored } = await hand.stop();
    expect(acknowledged).to.be.above(0);
    expect(stored - acknowledged).to.be.oneOf([0, 1]);
    const parts = Object.values(started.parts()).map((pid) => pid!);
    expect(parts).to.not.deep.equal(Object.values(before));
    started.process.kill('SIGHUP');
    expect(await started.ended()).to.equal(0);
    expect(parts.filter(isThere)).to.deep.equal([]);
    expect(started.said, started.said).to.not.match(/\n\s+at /);
  });

  it('starts after a kill: what was left running is ended, and stale files hold nothing', async () => {
    const killed = start();
    await killed.says(READY);
    const left = Object.values(killed.parts()).map((pid) => pid!);
    killed.process.kill('SIGKILL');
    await killed.ended();
    expect(existsSync(join(folder, 'running'))).to.equal(true);
    const again = start();
    await again.says(READY);
    expect(left.filter(isThere), 'orphans').to.deep.equal([]);
    // Both processes of ours die as well when their server is taken from under them for good.
    again.process.kill('SIGKILL');
    await again.ended();
    const home = again.said.includes('/var/lib') ? null : join(folder, 'cluster');
    for (const [lock, postmaster] of [
      ['', ''],
      // Another program has the number by now.
      [String(process.pid), `${process.pid}\n`],
      ['harbour', '99999999\n'],
    ] as const) {
      const orphan = Number(readOr(join(folder, 'cluster/postmaster.pid')).split('\n')[0]);
      if (orphan > 1 && /postgres/.test(commandOf(orphan))) {
        process.kill(orphan, 'SIGKILL');
        while (isThere(orphan)) await pause(50);
      }
      writeFileSync(join(folder, 'running'), lock);
      if (home && existsSync(home)) writeFileSync(join(home, 'postmaster.pid'), postmaster);
      const started = start();
      await started.says(READY);
      expect(await health()).to.equal(true);
      started.process.kill('SIGTERM');
      expect(await started.ended()).to.equal(0);
    }
    expect(isThere(process.pid)).to.equal(true);
  });

  it('gives up when parts go on dying, and says why', async () => {
    const started = start();
    await started.says(READY);
    for (let death = 1; death < 5; death += 1) {
      const { worker } = started.parts();
      process.kill(worker!, 'SIGKILL');
      for (let tries = 0; tries < 300; tries += 1) {
        const now = started.parts().worker;
        if (now !== undefined && now !== worker) break;
        await pause(100);
      }
    }
    process.kill(started.parts().worker!, 'SIGKILL');
    expect(await started.ended()).to.equal(1);
    expect(started.said).to.match(
      /Parts ended 5 times within a minute, the last the worker \(SIGKILL\): it is all stopped now/,
    );
    expect(Object.values(started.parts()).filter(Boolean)).to.deep.equal([]);
  });
});
