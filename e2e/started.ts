import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';

const START = fileURLToPath(new URL('../scripts/start.mjs', import.meta.url));

/** The start command, as it is typed, on a folder and a port of its own. */
export class Started {
  said = '';
  readonly process: ChildProcess;

  constructor(folder: string, port: number | string, env: Readonly<Record<string, string>> = {}) {
    const { DATABASE_URL: _tests, ZIPPY_BACKUPS: _elsewhere, npm_lifecycle_event: _npm, ...own } = process.env;
    this.process = spawn(process.execPath, [START], {
      env: { ...own, ZIPPY_DATA: folder, PORT: String(port), ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    for (const stream of [this.process.stdout!, this.process.stderr!])
      stream.on('data', (text) => (this.said += String(text)));
  }

  /** Waits until it has said something, or has ended without. */
  async says(what: RegExp): Promise<void> {
    for (let tries = 0; tries < 600 && !what.test(this.said); tries += 1) {
      if (this.process.exitCode !== null) break;
      await pause(100);
    }
    expect(this.said).to.match(what);
  }

  async ended(): Promise<number | null> {
    if (this.process.exitCode === null && this.process.signalCode === null)
      await new Promise((gone) => this.process.once('exit', gone));
    return this.process.exitCode;
  }

  /** Its own child processes, by what they run. */
  parts(): Readonly<Record<'server' | 'worker' | 'postgres', number | undefined>> {
    const children = readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .map(Number)
      .filter((pid) => parentOf(pid) === this.process.pid);
    const runs = (word: string): number | undefined => children.find((pid) => commandOf(pid).includes(word));
    return {
      server: runs('built/server/src/main.js'),
      worker: runs('built/server/src/worker.js'),
      postgres: runs('bin/postgres'),
    };
  }
}

export const readOr = (path: string): string => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return '';
  }
};
export const commandOf = (pid: number): string => readOr(`/proc/${pid}/cmdline`).replaceAll('\0', ' ');
const parentOf = (pid: number): number => Number(/\) . (\d+)/.exec(readOr(`/proc/${pid}/stat`))?.[1] ?? 0);
export const isThere = (pid: number): boolean => commandOf(pid) !== '';
