/** What reads lists from files, apart from the rest: it is fetched with the first list. */
export { readNames } from './readNames.ts';
export { readTables } from './readTables.ts';
