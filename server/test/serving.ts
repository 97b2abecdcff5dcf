import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type PgBoss from 'pg-boss';
import type { Pool } from 'pg';
import { makeApp } from '../src/app.ts';
import { migrate, openPool } from '../src/database.ts';
import { loadDemo } from '../src/loadDemo.ts';
import { listen } from '../src/listen.ts';
import { openQueue } from '../src/queue.ts';
import { workExports } from '../src/workExports.ts';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set; run these tests with “npm test server”.');

/** The API on a real database, with a worker, for the describe that this is called in. */
export class Serving {
  pool!: Pool;
  boss!: PgBoss;
  private server!: Server;
  private leave!: () => Promise<void>;

  constructor() {
    before(async () => {
      await migrate(url!);
      // Running them again changes nothing.
      await migrate(url!);
      this.pool = openPool(url!);
      await loadDemo(this.pool);
      this.boss = await openQueue(url!);
      this.leave = await workExports(this.boss, this.pool);
      const app = makeApp({ pool: this.pool, url: url!, boss: this.boss, webDir: null });
      this.server = await listen(app, 0, '127.0.0.1');
    });
    after(async () => {
      this.server.close();
      this.server.closeAllConnections();
      await this.leave();
      await this.boss.stop({ graceful: false });
      await this.pool.end();
    });
  }

  get port(): number {
    return (this.server.address() as AddressInfo).port;
  }
  get base(): string {
    return `http://127.0.0.1:${this.port}/api`;
  }

  /** Asks in JSON. */
  async ask(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{ readonly status: number; readonly body: Record<string, unknown> }> {
    const response = await fetch(`${this.base}${path}`, {
      method,
      headers: { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as Record<string, unknown> };
  }
}
