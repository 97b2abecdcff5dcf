import { fileURLToPath } from 'node:url';

/** A path within the project. */
export const root = (path) => fileURLToPath(new URL(`../${path}`, import.meta.url));
