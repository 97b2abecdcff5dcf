import type { Stage } from './types.ts';

const NAMES: Readonly<Record<Stage, string>> = {
  print: 'print',
  cut: 'cut',
  crease: 'crease and fold',
  assemble: 'put together',
  pack: 'pack',
};
export const sayStageWork = (stage: Stage): string => NAMES[stage];
