import { createServer, type Server } from 'node:http';
import type { Express } from 'express';

/**
 * How long a connection is kept for the next question. Node's own five seconds are about what a page, or a program that
 * looks whether its file is ready, pauses: the line was then cut just as it was used again, and the question lost.
 */
const KEPT_MS = 65_000;

/**
 * Serves an application.
 * @param port nought for any that is free
 * @throws Error with `code` EADDRINUSE where somebody else has the port, and as the system says otherwise
 */
export function listen(app: Express, port: number, host: string): Promise<Server> {
  const server = createServer({ keepAliveTimeout: KEPT_MS }, app);
  return new Promise((ready, failed) => {
    server.once('error', failed);
    server.listen(port, host, () => {
      server.off('error', failed);
      ready(server);
    });
  });
}
