import type { Stage } from '../../workshop/stages.ts';
import type { MakeStep } from './types.ts';

const STAGE_OF: Readonly<Record<MakeStep['kind'], Stage | null>> = {
  proof: 'print',
  print: 'print',
  foil: 'print',
  dry: null,
  cut: 'cut',
  machine: 'cut',
  piles: 'cut',
  outline: 'cut',
  crease: 'crease',
  fold: 'crease',
  layer: 'assemble',
  trimming: 'assemble',
  popUp: 'assemble',
  ribbon: 'assemble',
  envelope: 'assemble',
  pack: 'pack',
};

/** The stage that a step belongs to; null of waiting. */
export const stageOf = ({ kind }: Pick<MakeStep, 'kind'>): Stage | null => STAGE_OF[kind];
