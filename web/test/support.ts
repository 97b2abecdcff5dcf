import { readFileSync } from 'node:fs';
import { newJob, type Job, type Workshop } from '@zippy/core';

export const workshop: Workshop = {
  ...(JSON.parse(readFileSync(new URL('../../demo/workshop.json', import.meta.url), 'utf8')) as Workshop),
  spoilLog: { good: 0, spoiled: 0 },
};

export const aJob = (title = 'Ebb'): Job => newJob(title, workshop);

interface Stored {
  version: number;
  document: Job;
}

/**
 * A server in memory behind the page’s own `fetch`: it can be away, slow to answer, or changed by someone
 * else, which is all that the stores must cope with.
 */
export class PretendServer {
  readonly jobs = new Map<string, Stored>();
  workshop = { workshop, version: 1 };
  readonly runEvents: { id: string; kind: string }[] = [];
  away = false;
  /** It takes what it is sent, and its answers never arrive. */
  losing = false;
  /** What it answers instead, as one that fails. */
  failing: { readonly status: number; readonly message: string } | null = null;
  /** Holds answers back until it is called. */
  release: (() => void) | null = null;
  private held: Promise<void> = Promise.resolve();
  calls = 0;

  install(): void {
    globalThis.fetch = (async (path: string, init?: RequestInit) => {
      this.calls += 1;
      await this.held;
      if (this.away) throw new TypeError('Failed to fetch');
      if (this.failing) return new Response(JSON.stringify(this.failing), { status: this.failing.status });
      const [status, body] = this.answer(
        init?.method ?? 'GET',
        path.replace('/api', ''),
        init?.body ? (JSON.parse(init.body as string) as Record<string, unknown>) : {},
      );
      if (this.losing) throw new TypeError('Failed to fetch');
      return new Response(status === 204 ? null : JSON.stringify(body), { status });
    }) as typeof fetch;
  }

  hold(): void {
    this.held = new Promise((done) => {
      this.release = () => {
        this.release = null;
        done();
      };
    });
  }

  private answer(method: string, path: string, body: Record<string, unknown>): [number, unknown] {
    const [, place, id, more] = path.split('/');
    if (place === 'runs' && method === 'GET')
      return [
        200,
        {
          id,
          jobId: 'j',
          document: aJob(),
          wanted: 3,
          steps: [],
          startedAt: '',
          finishedAt: null,
          events: this.runEvents,
        },
      ];
    if (place === 'runs' && more === 'events') {
      const event = body as { id: string; kind: string };
      if (!this.runEvents.some((e) => e.id === event.id)) this.runEvents.push(event);
      return [201, { id: event.id }];
    }
    if (place === 'workshop' && method === 'GET') return [200, this.workshop];
    if (place === 'workshop') {
      if (body.version !== this.workshop.version)
        return [409, { message: 'The workshop was changed somewhere else.', theirs: this.workshop }];
      this.workshop = { workshop: body.workshop as Workshop, version: this.workshop.version + 1 };
      return [200, { version: this.workshop.version }];
    }
    if (place !== 'jobs') return [404, { message: 'nothing here' }];
    if (method === 'POST') {
      this.jobs.set(body.id as string, { version: 1, document: body.document as Job });
      return [201, { id: body.id, version: 1, document: body.document }];
    }
    const stored = this.jobs.get(id!);
    if (!stored) return [404, { message: 'There is no such job.' }];
    if (method === 'GET') return [200, { id, ...stored, updatedAt: '', bench: null }];
    const document = body.document as Job;
    if (document.brief.title === 'refuse me')
      return [400, { message: 'brief.title wants another.', field: 'brief.title' }];
    if (body.version !== stored.version) return [409, { message: 'changed', theirs: { id, ...stored, updatedAt: '' } }];
    stored.version += 1;
    stored.document = document;
    return [200, { version: stored.version }];
  }
}

/** Waits for something that comes about by itself. */
export async function until(holds: () => boolean | Promise<boolean>, what: string): Promise<void> {
  for (let tries = 0; tries < 300; tries += 1) {
    if (await holds()) return;
    await new Promise((done) => setTimeout(done, 20));
  }
  throw new Error(`waited in vain for ${what}`);
}
