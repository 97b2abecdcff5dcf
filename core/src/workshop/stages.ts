export const STAGES = ['print', 'cut', 'crease', 'assemble', 'pack'] as const;
/** Work that is done in one go, in its order: all of a stage before the next. */
export type Stage = (typeof STAGES)[number];
