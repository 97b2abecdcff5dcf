/** What the page and the server say to each other; both read it here, so neither can mean something else. */
export * from './exports.ts';
export * from './rows.ts';
