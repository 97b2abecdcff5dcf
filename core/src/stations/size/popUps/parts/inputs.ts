import type { PopUpInput } from '../types.ts';

/** Questions that several mechanisms ask alike. */
export const along = (label = 'From the head of the fold'): PopUpInput => ({
  id: 'alongMm',
  label,
  kind: 'length',
  limits: [-400, 900],
});
export const width = (label = 'Width along the fold'): PopUpInput => ({
  id: 'widthMm',
  label,
  kind: 'length',
  limits: [4, 600],
});
export const depth = (label: string): PopUpInput => ({ id: 'depthMm', label, kind: 'length', limits: [3, 400] });
export const otherDepth = (label: string): PopUpInput => ({
  id: 'otherDepthMm',
  label,
  kind: 'length',
  limits: [3, 400],
});
export const height = (label: string): PopUpInput => ({ id: 'heightMm', label, kind: 'length', limits: [3, 400] });
export const past = (label: string): PopUpInput => ({ id: 'pastMm', label, kind: 'length', limits: [-300, 300] });
export const tab: PopUpInput = { id: 'tabMm', label: 'Glue tabs', kind: 'length', limits: [3, 30] };
export const tabs: PopUpInput = {
  id: 'tabs',
  label: 'Tabs lie',
  kind: 'choice',
  choices: [
    { id: 'hidden', name: 'Behind it' },
    { id: 'showing', name: 'Before it' },
  ],
};
export const glueAngle = (label: string): PopUpInput => ({ id: 'glueDeg', label, kind: 'angle', limits: [10, 170] });
export const otherGlueAngle = (label: string): PopUpInput => ({
  id: 'otherGlueDeg',
  label,
  kind: 'angle',
  limits: [10, 170],
});
export const pieceAngle = (label: string): PopUpInput => ({ id: 'pieceDeg', label, kind: 'angle', limits: [10, 150] });
export const glueLine: PopUpInput = { id: 'glueMm', label: 'Glue line', kind: 'length', limits: [8, 300] };
export const lean: PopUpInput = {
  id: 'lean',
  label: 'Its middle leans',
  kind: 'choice',
  choices: [
    { id: 'fro', name: 'Away from the head' },
    { id: 'to', name: 'Towards the head' },
  ],
};
