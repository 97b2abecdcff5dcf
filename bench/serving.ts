import { fork, type ChildProcess } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * What a request waits while the worst drawing there is lies with the server, in what it waits otherwise; and what travels
 * before a page is seen. The server is the built one, in a process of its own.
 */
const root = (path: string): string => fileURLToPath(new URL(`../${path}`, import.meta.url));

const svg = (inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400">${inner}</svg>`;
/** What no program draws to its end, and twenty thousand shapes, which any should. */
const WORST = svg(
  `<filter id="f"><feMorphology operator="dilate" radius="9000"/><feGaussianBlur stdDeviation="100000"/></filter>${'<rect width="400" height="400" filter="url(#f)"/>'.repeat(5000)}`,
);
const SHAPES = svg(
  Array.from(
    { length: 20_000 },
    (_, i) => `<rect x="${i % 400}" y="${i % 397}" width="3" height="2" fill="#2a5d68"/>`,
  ).join(''),
);

export async function measureServing(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set; run this with “npm run bench”.');
  const port = await freePort();
  const server = await startServer(url, port);
  try {
    await measureWaits(`http://127.0.0.1:${port}/api`);
  } finally {
    const gone = new Promise((done) => server.once('exit', done));
    server.kill('SIGTERM');
    await gone;
  }
  sayWire();
}

async function measureWaits(base: string): Promise<void> {
  const { jobs } = (await (await fetch(`${base}/jobs`)).json()) as {
    jobs: { id: string; version: number; document: { brief: { notes: string } } }[];
  };
  let { version } = jobs[0]!;
  const { id, document } = jobs[0]!;
  let edits = 0;
  const edit = async (): Promise<void> => {
    edits += 1;
    const body = { version, document: { ...document, brief: { ...document.brief, notes: `edit ${edits}` } } };
    const answer = await fetch(`${base}/jobs/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
    ({ version } = (await answer.json()) as { version: number });
  };
  const health = async (): Promise<void> => void (await (await fetch(`${base}/health`)).json());
  const upload = async (name: string, body: string): Promise<number> => {
    const began = performance.now();
    await (await fetch(`${base}/pictures?name=${name}`, { method: 'POST', body })).text();
    return performance.now() - began;
  };
  /** Milliseconds of each, one after the other, as a maker’s page asks. */
  const times = async (goOn: () => boolean): Promise<readonly [number[], number[]]> => {
    const [healths, saves]: [number[], number[]] = [[], []];
    while (goOn()) {
      for (const [into, ask] of [
        [healths, health],
        [saves, edit],
      ] as const) {
        const began = performance.now();
        await ask();
        into.push(performance.now() - began);
      }
      await new Promise((done) => setTimeout(done, 5));
    }
    return [healths, saves];
  };
  // Its readers and its code are warm first, as a studio’s are.
  await upload('plain.svg', svg('<rect width="4" height="4"/>'));
  let left = 300;
  await times(() => left-- > 100);
  left = 300;
  const idle = await times(() => left-- > 0);
  let reading = 2;
  const worst = Promise.all(
    [1, 2].map(async (n) => {
      await upload(`worst-${n}.svg`, WORST);
      reading -= 1;
    }),
  );
  const busy = await times(() => reading > 0);
  await worst;
  const shapes = await upload('shapes.svg', SHAPES);
  for (const [i, what] of ['health', 'an edit'].entries()) {
    const [calm, under] = [percentile(idle[i]!, 0.99), percentile(busy[i]!, 0.99)];
    say(`${what}, p99 of ${busy[i]!.length} while the worst is read`, `${under.toFixed(1)} ms`);
    say(`${what}, p99 then, in p99 at rest`, `${(under / calm).toFixed(2)} ×`);
  }
  say('20,000 shapes taken in', `${shapes.toFixed(0)} ms`);
}

/** What travels, in the smallest form that the build made. */
function sayWire(): void {
  const dist = root('web/dist');
  const sizeOf = (file: string): number => {
    const packed = join(dist, `${file}.br`);
    return statSync(existsSync(packed) ? packed : join(dist, file)).size;
  };
  const sum = (files: readonly string[]): number => files.reduce((all, file) => all + sizeOf(file), 0);
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const first = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((found) => found[1]!);
  const worker = readdirSync(join(dist, 'assets')).find((name) => /^plan\.worker-.*\.js$/.test(name))!;
  const places = JSON.parse(readFileSync(join(dist, 'preloads.json'), 'utf8')) as { place: string; files: string[] }[];
  const wall = sum(first);
  say('script of the wall, on the wire', `${(wall / 1000).toFixed(0)} kB`);
  for (const station of ['brief', 'art']) {
    const { files } = places.find(({ place }) => place.includes(`/${station}/`))!;
    const all = wall + sum(files) + sizeOf(`assets/${worker}`);
    say(`script of a job at ${station}, planner and all`, `${(all / 1000).toFixed(0)} kB`);
    say(`… in scripts of the wall`, `${(all / wall).toFixed(2)} ×`);
  }
}

const say = (what: string, figure: string): void => console.log(`${what.padEnd(50)} ${figure.padStart(10)}`);
const percentile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))]!;

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => done(port));
    });
  });

function startServer(url: string, port: number): Promise<ChildProcess> {
  const server = fork(root('built/server/src/main.js'), {
    env: { ...process.env, DATABASE_URL: url, PORT: String(port), HOST: '127.0.0.1', NODE_ENV: 'production' },
    execArgv: [],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  return new Promise((ready, failed) => {
    server.once('message', () => ready(server));
    server.once('exit', (code) => failed(new Error(`the server ended while it started (${code})`)));
  });
}
