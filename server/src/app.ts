import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router, type Express, type Request, type RequestHandler } from 'express';
import helmet from 'helmet';
import type PgBoss from 'pg-boss';
import type { Pool } from 'pg';
import sirv from 'sirv';
import { Drawers } from './drawings/drawers.ts';
import { isLoopbackHost } from './loopback.ts';
import { backupRoutes } from './routes/backups.ts';
import { exportRoutes } from './routes/exports.ts';
import { Readers } from './readers/readers.ts';
import { jobRoutes } from './routes/jobs.ts';
import { pictureRoutes } from './routes/pictures.ts';
import { answerErrors, noSuchPlace } from './routes/refuse.ts';
import { runRoutes } from './routes/runs.ts';
import { shelfRoutes } from './routes/shelf.ts';
import { sharedRoutes } from './routes/shared.ts';
import { studioRoutes } from './routes/studios.ts';
import { typefaceRoutes } from './routes/typefaces.ts';
import { workshopRoutes } from './routes/workshop.ts';
import { atHome, settleNamedStudio, settleStudio, type FindStudio } from './studio.ts';

/** The page may load nothing from outside and run nothing but its own files, and no other page may show or use it. */
const pagePolicy = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      // The text shaper is WebAssembly, served from here like everything else.
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'", 'blob:'],
      objectSrc: ["'none'"],
      frameAncestors: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
    },
  },
  // Served on loopback, where there is no certificate to insist on.
  strictTransportSecurity: false,
});

/** Middleware is mounted where it is needed: reading bodies costs time on routes that have none. */
export function makeApp({
  pool,
  url,
  boss,
  webDir,
  findStudio = atHome,
}: {
  readonly pool: Pool;
  /** Of the same database, for processes beside this one. */
  readonly url: string;
  readonly boss: PgBoss;
  readonly webDir: string | null;
  readonly findStudio?: FindStudio;
}): Express {
  const app = express();
  const readers = new Readers();
  const drawers = new Drawers();
  app.use(pagePolicy);
  app.use((request, response, next) => {
    const refuse = (message: string): void => void response.status(403).json({ message, field: null });
    // A foreign name that leads to this machine would make its page count as ours.
    if (!isLoopbackHost(request.headers.host))
      return refuse('This studio is served on this machine only; open it at http://127.0.0.1.');
    // Another site's page must not be able to write here through the maker's own browser.
    if (!READS.has(request.method) && !isOurPage(request))
      return refuse('Only this application’s own pages may change things here.');
    next();
  });
  app.get('/api/health', async (_request, response) => {
    await pool.query('select 1');
    response.json({ ok: true });
  });
  const ofOneStudio = Router()
    .use('/workshop', workshopRoutes(pool, readers, drawers))
    .use('/jobs', jobRoutes(pool, readers, drawers))
    .use('/pictures', pictureRoutes(pool, readers))
    .use('/typefaces', typefaceRoutes(pool, readers))
    .use('/runs', runRoutes(pool, drawers))
    .use('/exports', exportRoutes(pool, boss))
    .use('/shelf', shelfRoutes(pool))
    .use('/shared', sharedRoutes(pool, drawers))
    .use('/backups', backupRoutes(pool, url));
  app.use('/api/studios', studioRoutes(pool));
  app.use('/api/studios/:studioId', settleNamedStudio(pool), ofOneStudio);
  app.use('/api', settleStudio(findStudio), ofOneStudio);
  app.use('/api', noSuchPlace);
  if (webDir) {
    app.use(pageFiles(webDir));
  }
  app.use(answerErrors);
  return app;
}

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** True unless the browser says that another page asks; programs that are no browser say nothing. */
function isOurPage(request: Request): boolean {
  const site = request.get('Sec-Fetch-Site');
  if (site && site !== 'same-origin' && site !== 'none') return false;
  const origin = request.get('Origin');
  return origin === undefined || origin === `http://${request.headers.host}`;
}

/** Built files, in the smallest form that the build made and the browser reads; every address of the page is the page. */
function pageFiles(webDir: string): RequestHandler[] {
  const preloads = readPreloads(webDir);
  return [
    (request, response, next) => {
      // With the page goes the word what it will ask for next, so that it is all asked for at once.
      const found = request.accepts('html') && preloads.find(({ place }) => place.test(request.path));
      if (found) response.setHeader('Link', found.link);
      next();
    },
    sirv(webDir, {
      single: true,
      brotli: true,
      gzip: true,
      etag: true,
      setHeaders: (response, path) => {
        // Their names carry what is in them, so they never change.
        if (path.startsWith('/assets/')) response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
      },
    }),
  ];
}

function readPreloads(webDir: string): readonly { readonly place: RegExp; readonly link: string }[] {
  const path = join(webDir, 'preloads.json');
  if (!existsSync(path)) return [];
  const places = JSON.parse(readFileSync(path, 'utf8')) as { readonly place: string; readonly files: string[] }[];
  return places.map(({ place, files }) => ({
    place: new RegExp(place),
    // Source: HTML Living Standard, link type “modulepreload”; RFC 8288.
    link: files.map((file) => `</${file}>; rel="modulepreload"`).join(', '),
  }));
}
