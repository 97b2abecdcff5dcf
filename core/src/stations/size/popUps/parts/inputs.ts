import type { PopUpInput } from '../types.ts';

/** Questions that several mechanisms ask alike. */
export const along = (label = 'From its head'): PopUpInput => ({
  id: 'alongMm',
  label,
  kind: 'length',
});
export const width = (label = 'Width along it'): PopUpInput => ({
  id: 'widthMm',
  label,
  kind: 'length',
});
export const depth = (label: string): PopUpInput => ({ id: 'depthMm', label, kind: 'length' });
export const otherDepth = (label: string): PopUpInput => ({
  id: 'otherDepthMm',
  label,
  kind: 'length',
});
export const height = (label: string): PopUpInput => ({ id: 'heightMm', label, kind: 'length' });
export const past = (label: string): PopUpInput => ({ id: 'pastMm', label, kind: 'length' });
export const tab: PopUpInput = { id: 'tabMm', label: 'Glue tabs', kind: 'length' };
export const tabs: PopUpInput = {
  id: 'tabs',
  label: 'Tabs lie',
  kind: 'choice',
  choices: [
    { id: 'hidden', name: 'Behind it' },
    { id: 'showing', name: 'Before it' },
  ],
};
/** One of the shapes there are, or a path of one’s own. */
export const outlineShape = (label: string): PopUpInput => ({
  ...{ id: 'shape', label, kind: 'choice' },
  choices: [
    { id: 'box', name: 'Box' },
    { id: 'oval', name: 'Oval' },
    { id: 'arch', name: 'Arch' },
    { id: 'scallop', name: 'Scallop' },
    { id: 'heart', name: 'Heart' },
    { id: 'own', name: 'Your own' },
  ],
});

/** What is looked through, as it is read. */
export const windowInputs: readonly PopUpInput[] = [
  { id: 'windowWideMm', label: 'Window wide', kind: 'length' },
  { id: 'windowHighMm', label: 'Window high', kind: 'length' },
  outlineShape('Window’s outline'),
  {
    ...{ id: 'path', label: 'Outline, as SVG path data', kind: 'path' },
    when: ({ shape }) => shape === 'own',
  },
  {
    ...{ id: 'seenFrom', label: 'Looked at from', kind: 'choice' },
    choices: [
      { id: 'outside', name: 'Outside' },
      { id: 'inside', name: 'Inside' },
    ],
  },
];
export const glueAngle = (label: string): PopUpInput => ({ id: 'glueDeg', label, kind: 'angle' });
export const otherGlueAngle = (label: string): PopUpInput => ({
  id: 'otherGlueDeg',
  label,
  kind: 'angle',
});
export const pieceAngle = (label: string): PopUpInput => ({ id: 'pieceDeg', label, kind: 'angle' });
export const glueLine: PopUpInput = { id: 'glueMm', label: 'Glue line', kind: 'length' };
export const lean: PopUpInput = {
  id: 'lean',
  label: 'Its middle leans',
  kind: 'choice',
  choices: [
    { id: 'fro', name: 'Away from the head' },
    { id: 'to', name: 'Towards the head' },
  ],
};
