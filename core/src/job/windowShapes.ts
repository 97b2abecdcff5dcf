/** Outlines that a window or a figure may have. */
export const WINDOW_SHAPES = ['box', 'oval', 'arch', 'scallop', 'heart', 'own'] as const;
export type WindowShape = (typeof WINDOW_SHAPES)[number];
