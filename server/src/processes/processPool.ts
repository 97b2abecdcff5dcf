import { fork, type ChildProcess } from 'node:child_process';
import type { Program } from '../root.ts';

export interface PoolLimits {
  /** One question has so long; its process is ended then. */
  readonly limitMs: number;
  readonly memoryMb: number;
  /** So many work side by side; one more is started for a question that waits long, up to the most. */
  readonly atOnce: number;
  readonly most: number;
}

/** Where processes at work are stuck, whoever comes next does not wait for them. */
const PATIENCE_MS = 1000;
/** One that has had nothing to do for so long gives its room back. */
const IDLE_MS = 120_000;

interface Task<Q, A> {
  readonly question: Q;
  readonly done: (answer: A | null) => void;
  readonly failed: (problem: Error) => void;
  waitedLong: boolean;
}

/**
 * Processes of one kind that answer questions, a few at once, so that none of it runs where requests are answered. What
 * takes too long or too much loses its process, and the next one has a new one.
 * @typeParam Q what is asked, in types that structured cloning knows
 * @typeParam A what is answered; bytes come over as Uint8Array
 */
export class ProcessPool<Q extends object, A> {
  private readonly idle: ChildProcess[] = [];
  private readonly waiting: Task<Q, A>[] = [];
  private busy = 0;

  /** @param program the process, which says “ready” once and answers each message with one */
  constructor(
    private readonly program: Program,
    private readonly limits: PoolLimits,
  ) {}

  /** @returns null when it came to no answer in time, or died of the question */
  ask(question: Q): Promise<A | null> {
    return new Promise((done, failed) => {
      const task = { question, done, failed, waitedLong: false };
      this.waiting.push(task);
      this.next();
      if (!this.waiting.includes(task)) return;
      setTimeout(() => {
        task.waitedLong = true;
        this.next();
      }, PATIENCE_MS).unref();
    });
  }

  private next(): void {
    const [task] = this.waiting;
    if (!task || this.busy >= (task.waitedLong ? this.limits.most : this.limits.atOnce)) return;
    this.waiting.shift();
    this.busy += 1;
    void this.work(task).finally(() => {
      this.busy -= 1;
      this.next();
    });
  }

  private async work({ question, done, failed }: Task<Q, A>): Promise<void> {
    try {
      const process = this.takeIdle() ?? (await this.start());
      const answer = await ask<Q, A>(process, question, this.limits.limitMs);
      if (answer === null) process.kill('SIGKILL');
      else this.keepIdle(process);
      done(answer);
    } catch (problem) {
      failed(problem as Error);
    }
  }

  /** One that waits, passing over any that died while it did. */
  private takeIdle(): ChildProcess | undefined {
    let process = this.idle.pop();
    while (process && !process.connected) process = this.idle.pop();
    return process;
  }

  private keepIdle(process: ChildProcess): void {
    this.idle.push(process);
    setTimeout(() => {
      const at = this.idle.indexOf(process);
      if (at >= 0 && this.idle.length > 1) this.idle.splice(at, 1)[0]!.kill('SIGTERM');
    }, IDLE_MS).unref();
  }

  private start(): Promise<ChildProcess> {
    const child = fork(this.program.file, {
      execArgv: [...this.program.execArgv, `--max-old-space-size=${this.limits.memoryMb}`],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    return new Promise((ready, failed) => {
      child.once('exit', (code) => failed(new Error(`${this.program.file} ended while it started (${code})`)));
      child.once('message', () => {
        child.removeAllListeners('exit');
        // It waits for work as long as there is a server, and no longer.
        child.unref();
        child.channel?.unref();
        ready(child);
      });
    });
  }
}

function ask<Q extends object, A>(process: ChildProcess, question: Q, limitMs: number): Promise<A | null> {
  return new Promise((answered) => {
    const settle = (answer: A | null): void => {
      clearTimeout(timer);
      process.removeAllListeners('message');
      process.removeAllListeners('exit');
      answered(answer);
    };
    const timer = setTimeout(() => settle(null), limitMs);
    process.once('message', (answer) => settle(answer as A));
    process.once('exit', () => settle(null));
    process.send(question, (problem) => problem && settle(null));
  });
}
