import { mayEmbed, mayTravel, type Embedding } from '@zippy/core';

/** What a typeface’s makers allow, as far as the font itself says it. */
export const sayEmbedding = (embedding: Embedding): string =>
  !mayEmbed(embedding)
    ? 'Its makers let no file carry it, so files hold its letters as drawings.'
    : mayTravel(embedding)
      ? 'It may go into files, and with a job to somebody else.'
      : 'It may go into files for printing, and stays here when a job is handed on.';

/** What no font says in a way that a program can read. */
export const LICENCE = 'What the licence allows, cards for sale among it, is for you to look up.';
