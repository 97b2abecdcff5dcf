import type { Board } from '../workshop/types.ts';

/** Grooves this close make a board a plain rule, on which every distance can be set and no stop registers a card. */
const PLAIN_RULE_MM = 1;

/** Where an edge goes that distances are measured from: a rule is laid on the card and has no stop to push it against. */
export const sayEdgePlace = (board: Board): { readonly to: string; readonly at: string } =>
  isPlainRule(board) ? { to: 'on the left', at: 'on the left' } : { to: 'to the stop', at: 'at the stop' };

export const isPlainRule = ({ grooveEveryMm }: Board): boolean => grooveEveryMm <= PLAIN_RULE_MM;
