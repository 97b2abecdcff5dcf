import { fork, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { chromium, type Browser, type Page } from 'playwright-core';

const root = (path: string): string => fileURLToPath(new URL(`../${path}`, import.meta.url));

async function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });
}

/** The application as it is started for a maker, on a database and a port of its own. */
export class Application {
  private web: ChildProcess | null = null;
  private worker: ChildProcess | null = null;
  private constructor(
    private readonly databaseUrl: string,
    readonly port: number,
  ) {}

  static async start(): Promise<Application> {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set; run these tests with “npm test e2e”.');
    const name = `e2e_${process.pid}_${Date.now()}`;
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    await client.query(`create database ${name}`);
    await client.end();
    const application = new Application(url.replace(/\/[^/]*$/, `/${name}`), await freePort());
    await application.startWeb();
    application.worker = await application.run('server/src/worker.ts');
    return application;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async startWeb(): Promise<void> {
    this.web = await this.run('server/src/main.ts');
  }

  /** Ends the web process at once, as a power cut would. */
  async killWeb(): Promise<void> {
    const gone = new Promise((done) => this.web!.once('exit', done));
    this.web!.kill('SIGKILL');
    await gone;
  }

  async stop(): Promise<void> {
    for (const part of [this.web, this.worker]) {
      if (!part || part.exitCode !== null || part.signalCode !== null) continue;
      const gone = new Promise((done) => part.once('exit', done));
      part.kill('SIGTERM');
      await gone;
    }
  }

  private run(file: string): Promise<ChildProcess> {
    const part = fork(root(file), {
      env: { ...process.env, DATABASE_URL: this.databaseUrl, PORT: String(this.port), HOST: '127.0.0.1' },
      execArgv: ['--import', 'tsx'],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    return new Promise((ready, failed) => {
      part.once('message', () => ready(part));
      part.once('exit', (code) => failed(new Error(`${file} stopped while starting (${code})`)));
    });
  }
}

/** Three dimensions are drawn by the processor, which is slow, so they are on only where they are looked at. */
export const openBrowser = ({ solid = false } = {}): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
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

/** A page that fails the test when it breaks or asks for anything outside this machine. */
export async function openPage(browser: Browser, faults: string[]): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
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
