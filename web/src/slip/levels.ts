import type { Snag } from '@zippy/core';

/** From the worst to what is only worth knowing, each with its sign: colour alone says nothing. */
export const LEVELS = ['stop', 'warn', 'note'] as const satisfies readonly Snag['level'][];
export const SIGNS: Readonly<Record<Snag['level'], string>> = { stop: '✕', warn: '!', note: '·' };
