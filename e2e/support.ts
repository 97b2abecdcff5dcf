import AxeBuilder from '@axe-core/playwright';
import { expect } from 'chai';
import { fork, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { chromium, type Browser, type Download, type Locator, type Page } from 'playwright-core';
import sharp from 'sharp';
import type { Job } from '@zippy/core';
import { HOME_STUDIO_ID } from '@zippy/core/contract';

const root = (path: string): string => fileURLToPath(new URL(`../${path}`, import.meta.url));

export async function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });
}

/** Asks something of the database server that the tests were given. */
async function ask(sql: string): Promise<pg.QueryResult> {
  const client = new pg.Client({ connectionString: server() });
  await client.connect();
  try {
    return await client.query(sql);
  } finally {
    await client.end();
  }
}

function server(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set; run these tests with “npm test e2e”.');
  return url;
}

const addressOf = (database: string): string => server().replace(/\/[^/]*$/, `/${database}`);

/** A database on the server that the tests were given, empty or a copy of another. @returns its address */
export async function freshDatabase(template = 'template1'): Promise<string> {
  const name = `e2e_${process.pid}_${Date.now()}`;
  await ask(`create database ${name} template ${template}`);
  return addressOf(name);
}

const AS_STARTED = 'as_started';

/**
 * A database as the application leaves it after its first start. It is started once for that on each server, and copied
 * from then on: to lay the demo out takes longer than many a test.
 */
async function startedDatabase(): Promise<string> {
  const { rowCount } = await ask(`select from pg_database where datname = '${AS_STARTED}'`);
  if (rowCount === 0) {
    const url = await freshDatabase();
    await endPart(await startPart('server/src/main.ts', url, await freePort()));
    await ask(`alter database ${url.split('/').at(-1)!} rename to ${AS_STARTED}`);
  }
  return freshDatabase(AS_STARTED);
}

/** The application as it is started for a maker, on a database and a port of its own. */
export class Application {
  private web: ChildProcess | null = null;
  private worker: ChildProcess | null = null;
  private constructor(
    private readonly databaseUrl: string,
    readonly port: number,
  ) {}

  /** @param entered whether somebody has chosen to look round already, as most tests do */
  static async start({ entered = true } = {}): Promise<Application> {
    const application = new Application(await startedDatabase(), await freePort());
    await application.startWeb();
    await application.startWorker();
    if (entered) await fetch(`${application.url}/api/studios/${HOME_STUDIO_ID}/enter`, { method: 'POST' });
    return application;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async startWeb(): Promise<void> {
    this.web = await this.run('server/src/main.ts');
  }

  async startWorker(): Promise<void> {
    this.worker = await this.run('server/src/worker.ts');
  }

  async stopWorker(): Promise<void> {
    await endPart(this.worker!);
  }

  /** Ends the web process at once, as a power cut would. */
  async killWeb(): Promise<void> {
    await endPart(this.web!, 'SIGKILL');
  }

  async stop(): Promise<void> {
    for (const part of [this.web, this.worker]) if (part) await endPart(part);
  }

  private run(file: string): Promise<ChildProcess> {
    return startPart(file, this.databaseUrl, this.port);
  }
}

/** One process of the application, ready to work, from what `npm start` builds of its source. */
export function startPart(source: string, databaseUrl: string, port: number): Promise<ChildProcess> {
  const part = fork(root(`built/${source.replace(/ts$/, 'js')}`), {
    env: {
      ...{ ...process.env, DATABASE_URL: databaseUrl, PORT: String(port), HOST: '127.0.0.1' },
      // Never into the folder of a studio that somebody works in.
      ZIPPY_BACKUPS: process.env.ZIPPY_BACKUPS ?? join(tmpdir(), 'zippy-e2e-backups'),
    },
    // Not the translator that the tests themselves run with.
    execArgv: [],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  return new Promise((ready, failed) => {
    part.once('message', () => ready(part));
    part.once('exit', (code) => failed(new Error(`${source} stopped while starting (${code})`)));
  });
}

/** Reads again until what is read holds, three hundred times at most. @returns what was read last, to be judged */
export async function until<T>(read: () => Promise<T>, holds: (found: T) => boolean): Promise<T> {
  for (let tries = 0; ; tries += 1) {
    const found = await read();
    if (tries >= 300 || holds(found)) return found;
    await new Promise((again) => setTimeout(again, 50));
  }
}

/** Ends a process and waits until it has. */
export async function endPart(part: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
  if (part.exitCode !== null || part.signalCode !== null) return;
  const gone = new Promise((done) => part.once('exit', done));
  part.kill(signal);
  await gone;
}

/** Three dimensions are drawn by the processor, which is slow, so they are on only where they are looked at. */
export const openBrowser = ({ solid = false } = {}): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: [
      '--headless',
      '--no-sandbox',
      ...(solid
        ? ['--use-angle=swiftshader', '--enable-unsafe-swiftshader', '--ignore-gpu-blocklist']
        : ['--disable-gpu', '--disable-3d-apis']),
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });

/**
 * What the graphics last drew, as red, green and blue of each dot. Asked of the canvas itself: a picture of the page
 * waits until the page has held still for two frames, and where the processor draws them that can be half a minute.
 */
export async function dotsOfCanvas(canvas: Locator): Promise<{ readonly data: Buffer; readonly count: number }> {
  const url = await canvas.evaluate((drawn) => (drawn as HTMLCanvasElement).toDataURL());
  const { data, info } = await sharp(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, count: info.width * info.height };
}

/**
 * Holds back what workers and the server answer by `LATE` milliseconds, as a busy machine would at its worst moment:
 * `LATE=700 npm test -- e2e` finds the tests, and the presses, that count on an answer having come already.
 */
const late = (ms: number): void => {
  const onTime = window.fetch;
  window.fetch = async (...asked) => {
    const answer = await onTime(...asked);
    await new Promise((done) => setTimeout(done, ms));
    return answer;
  };
  const heardOf = Object.getOwnPropertyDescriptor(Worker.prototype, 'onmessage')!;
  Object.defineProperty(Worker.prototype, 'onmessage', {
    ...heardOf,
    set(heard: (event: MessageEvent) => void) {
      heardOf.set!.call(this, (event: MessageEvent) => setTimeout(heard, ms, event));
    },
  });
};

/** What a page is looked at on where a test says nothing else. */
const SCREEN = { width: 1280, height: 800 };

/**
 * A page that fails the test when it breaks or asks for anything outside this machine.
 * @param lateMs what workers and the server answer comes as much later
 */
export async function openPage(
  browser: Browser,
  faults: string[],
  { lateMs = Number(process.env.LATE ?? 0) } = {},
): Promise<Page> {
  const context = await browser.newContext({ viewport: SCREEN, acceptDownloads: true });
  if (lateMs > 0) await context.addInitScript(late, lateMs);
  const page = await context.newPage();
  page.on('pageerror', (problem) => faults.push(`page error: ${problem.message}`));
  page.on('request', (request) => {
    const { hostname, protocol } = new URL(request.url());
    if (/^https?:$/.test(protocol) && hostname !== '127.0.0.1') faults.push(`asked for ${request.url()}`);
  });
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource|ERR_CONNECTION/.test(message.text()))
      faults.push(message.text());
  });
  return page;
}

export interface StoredJob {
  readonly id: string;
  readonly version: number;
  readonly document: Job;
}

/** An application, a page of it, and ways to get about; what the tests of one file share. */
export class Studio {
  /** For files of the tests’ own, gone when they are done. */
  readonly folder = mkdtempSync(join(tmpdir(), 'zippy-e2e-'));
  readonly faults: string[] = [];
  application!: Application;
  page!: Page;
  private browser!: Browser;
  private demo: readonly Job[] = [];
  private copies = 0;

  readonly start = async (): Promise<void> => {
    this.application = await Application.start();
    this.demo = (await this.ask<{ jobs: readonly StoredJob[] }>('jobs')).jobs.map(({ document }) => document);
    this.browser = await openBrowser();
    this.page = await openPage(this.browser, this.faults);
  };

  readonly stop = async (): Promise<void> => {
    await this.browser.close();
    await this.application.stop();
    rmSync(this.folder, { recursive: true, force: true });
  };

  readonly ask = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${this.application.url}/api/${path}`)).json()) as T;

  /** A job of a test’s own, as the demo’s is before anybody changed it. @returns its title */
  readonly own = async (title: string): Promise<string> => {
    const document = this.demo.find(({ brief }) => brief.title === title)!;
    const copy = { ...document, brief: { ...document.brief, title: `${title}, copy ${(this.copies += 1)}` } };
    const response = await fetch(`${this.application.url}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), document: copy }),
    });
    expect(response.status).to.equal(201);
    return copy.brief.title;
  };

  /** A job as the server has it. */
  readonly stored = async (title: string): Promise<StoredJob> => {
    const { jobs } = await this.ask<{ jobs: readonly StoredJob[] }>('jobs');
    return jobs.find(({ document }) => document.brief.title === title)!;
  };

  readonly open = async (title: string, station: string): Promise<void> => {
    await this.page.goto(`${this.application.url}/jobs/${(await this.stored(title)).id}/${station}`);
    await this.page.locator('aside h2').first().waitFor();
  };

  readonly press = (name: string | RegExp): Promise<void> =>
    this.page
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .click();

  /** Types into a field and leaves it. */
  readonly fill = async (label: string, text: string): Promise<void> => {
    const field = this.page.getByLabel(label, { exact: true });
    await field.fill(text);
    await field.press('Enter');
  };

  readonly saved = (): Promise<void> =>
    this.page
      .getByRole('status')
      .filter({ hasText: /^Saved$/ })
      .waitFor();

  /** Waits until the server has what was done, and gives it. */
  readonly reaches = async (title: string, holds: (job: Job) => boolean): Promise<Job> => {
    for (let tries = 0; tries < 600; tries += 1) {
      const { document } = await this.stored(title);
      if (holds(document)) return document;
      await this.page.waitForTimeout(50);
    }
    throw new Error(`${title} never came to hold what was done`);
  };

  readonly kept = async (download: Download, name: string): Promise<string> => {
    const path = join(this.folder, name);
    await download.saveAs(path);
    return path;
  };

  /**
   * Presses what hands a file over.
   * @param of what its own name holds, where one press brings several, in whatever order they arrive
   * @returns where it is kept under a name of the test’s own
   */
  readonly take = async (press: string | RegExp, name: string, of = ''): Promise<string> => {
    const coming = this.page.waitForEvent('download', (one) => one.suggestedFilename().includes(of));
    await this.press(press);
    return this.kept(await coming, name);
  };

  /** What of WCAG 2.2 AA the page offends against badly, as a reader of it would be told. */
  readonly serious = async (): Promise<readonly string[]> => {
    const { violations } = await new AxeBuilder({ page: this.page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 140)).join(' | ')}`);
  };
}

/** What a page said when a test of it failed: without it, what only a busy machine shows is never found. */
async function whatStands(page: Page): Promise<string> {
  const words = await page.evaluate(() => document.body.innerText).catch((why: unknown) => String(why));
  return `At ${page.url()} stood:\n${words.replace(/\s*\n\s*/g, ' | ').slice(0, 2000)}`;
}

/** A studio for the tests of the describe that this is called in; none of them may break the page or ask outside. */
export function useStudio(): Studio {
  const studio = new Studio();
  before(studio.start);
  after(studio.stop);
  // Whatever another test looked at it on.
  beforeEach(() => studio.page.setViewportSize(SCREEN));
  afterEach(async function () {
    const { err } = this.currentTest ?? {};
    if (err) err.stack = `${err.stack}\n\n${await whatStands(studio.page)}`;
    expect(studio.faults.splice(0).join('\n')).to.equal('');
  });
  return studio;
}
