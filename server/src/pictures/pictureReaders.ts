import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { PictureRefused, type ReadPicture } from './readPicture.ts';
import type { Answer, ToRead } from './readerProcess.ts';

/** Whatever a file does to its reader, there is an answer within ten seconds. */
const LIMIT_MS = 8000;
const MEMORY_MB = 1024;
const AT_ONCE = 2;

interface Task extends ToRead {
  done(picture: ReadPicture): void;
  failed(problem: Error): void;
}

/**
 * Reads what makers bring in processes of their own, a few at once, so that no file, however it was made, holds up a
 * request or takes the server with it. One that takes too long, or too much, loses its process and is refused.
 */
export class PictureReaders {
  private readonly idle: ChildProcess[] = [];
  private readonly waiting: Task[] = [];
  private busy = 0;

  /** @throws PictureRefused with one sentence for the maker */
  read(name: string, bytes: Buffer): Promise<ReadPicture> {
    return new Promise((done, failed) => {
      this.waiting.push({ name, bytes, done, failed });
      this.next();
    });
  }

  private next(): void {
    if (this.busy >= AT_ONCE) return;
    const task = this.waiting.shift();
    if (!task) return;
    this.busy += 1;
    void this.work(task).finally(() => {
      this.busy -= 1;
      this.next();
    });
  }

  /** One that waits, passing over any that died while it did. */
  private idleReader(): ChildProcess | undefined {
    let reader = this.idle.pop();
    while (reader && !reader.connected) reader = this.idle.pop();
    return reader;
  }

  private async work(task: Task): Promise<void> {
    let reader: ChildProcess;
    try {
      reader = this.idleReader() ?? (await startReader());
    } catch (problem) {
      return task.failed(problem as Error);
    }
    const answer = await ask(reader, task);
    if (answer === null) {
      reader.kill('SIGKILL');
      return task.failed(
        new PictureRefused(
          `${task.name} takes longer to read, or more room, than any picture needs; simplify it, or save it as PNG, and try again.`,
        ),
      );
    }
    this.idle.push(reader);
    if (answer.ok) return task.done(onThisSide(answer.picture));
    task.failed(answer.refused ? new PictureRefused(answer.message) : new Error(answer.message));
  }
}

/** Bytes come over as plain arrays of them. */
const onThisSide = ({ ref, bytes, preview }: ReadPicture): ReadPicture => ({
  ref,
  bytes: Buffer.from(bytes),
  preview: { mime: preview.mime, bytes: Buffer.from(preview.bytes) },
});

function startReader(): Promise<ChildProcess> {
  const reader = fork(fileURLToPath(new URL('./readerProcess.ts', import.meta.url)), {
    execArgv: ['--import', 'tsx', `--max-old-space-size=${MEMORY_MB}`],
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  return new Promise((ready, failed) => {
    reader.once('exit', (code) => failed(new Error(`a reader of pictures ended while it started (${code})`)));
    reader.once('message', () => {
      reader.removeAllListeners('exit');
      // It waits for work as long as there is a server, and no longer.
      reader.unref();
      reader.channel?.unref();
      ready(reader);
    });
  });
}

/** Its answer, or null when it came to none in time. */
function ask(reader: ChildProcess, { name, bytes }: ToRead): Promise<Answer | null> {
  return new Promise((answered) => {
    const settle = (answer: Answer | null): void => {
      clearTimeout(timer);
      reader.removeAllListeners('message');
      reader.removeAllListeners('exit');
      answered(answer);
    };
    const timer = setTimeout(() => settle(null), LIMIT_MS);
    reader.once('message', (answer) => settle(answer as Answer));
    reader.once('exit', () => settle(null));
    reader.send({ name, bytes } satisfies ToRead, (problem) => problem && settle(null));
  });
}
