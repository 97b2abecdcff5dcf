import express, { type Express } from 'express';
import type PgBoss from 'pg-boss';
import type { Pool } from 'pg';
import { isLoopbackHost } from './loopback.ts';
import { exportRoutes } from './routes/exports.ts';
import { jobRoutes } from './routes/jobs.ts';
import { pictureRoutes } from './routes/pictures.ts';
import { answerErrors, noSuchPlace } from './routes/refuse.ts';
import { runRoutes } from './routes/runs.ts';
import { sharedRoutes } from './routes/shared.ts';
import { workshopRoutes } from './routes/workshop.ts';

/** The page may load nothing from outside and run nothing but its own files. */
const PAGE_POLICY = [
  "default-src 'self'",
  // The text shaper is WebAssembly, served from here like everything else.
  "script-src 'self' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "connect-src 'self'",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "frame-ancestors 'none'",
  "base-uri 'none'",
].join('; ');

/** Middleware is mounted where it is needed: reading bodies costs time on routes that have none. */
export function makeApp({
  pool,
  boss,
  webDir,
}: {
  readonly pool: Pool;
  readonly boss: PgBoss;
  readonly webDir: string | null;
}): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((request, response, next) => {
    response
      .set('Content-Security-Policy', PAGE_POLICY)
      .set('X-Content-Type-Options', 'nosniff')
      .set('Referrer-Policy', 'no-referrer');
    // Another site's page must not be able to write here through the maker's own browser.
    // A foreign name that leads to this machine would make its page count as ours.
    if (!isLoopbackHost(request.headers.host))
      return void response
        .status(403)
        .json({ message: 'This studio is served on this machine only; open it at http://127.0.0.1.', field: null });
    const site = request.get('Sec-Fetch-Site');
    if (request.method !== 'GET' && site && site !== 'same-origin' && site !== 'none')
      return void response
        .status(403)
        .json({ message: 'Only this application’s own pages may change things here.', field: null });
    next();
  });
  app.get('/api/health', async (_request, response) => {
    await pool.query('select 1');
    response.json({ ok: true });
  });
  app.use('/api/workshop', workshopRoutes(pool));
  app.use('/api/jobs', jobRoutes(pool));
  app.use('/api/pictures', pictureRoutes(pool));
  app.use('/api/runs', runRoutes(pool));
  app.use('/api/exports', exportRoutes(pool, boss));
  app.use('/api/shared', sharedRoutes(pool));
  app.use('/api', noSuchPlace);
  if (webDir) {
    app.use(
      express.static(webDir, {
        index: 'index.html',
        setHeaders: (response, path) => {
          if (/\/assets\//.test(path)) response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
        },
      }),
    );
    app.get('/{*path}', (_request, response) => response.sendFile('index.html', { root: webDir }));
  }
  app.use(answerErrors);
  return app;
}
