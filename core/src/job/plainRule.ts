import type { Board } from './types.ts';

/** Grooves this close make a board a plain rule, on which every distance can be set and no stop registers a card. */
const PLAIN_RULE_MM = 1;

export const isPlainRule = ({ grooveEveryMm }: Board): boolean => grooveEveryMm <= PLAIN_RULE_MM;
