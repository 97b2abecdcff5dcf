import type { FoldedForm } from '../../../ground/fold/types.ts';
import { boxAround, corners } from '../../../ground/geometry/box.ts';
import { united } from '../../../ground/geometry/offset.ts';
import { moved } from '../../../ground/geometry/polygon.ts';
import type { FormatOptions } from '../../../job/format.ts';
import { along, drawn } from './parts/hinge.ts';
import { form, inner, outer, strip } from './parts/strip.ts';
import type { Finish, Format, Paper } from './types.ts';

export const hingedShape: Format = {
  id: 'hingedShape',
  name: 'Hinged shape',
  says: 'A shape on a straight hinge: oval, arch, shell, heart or your own.',
  family: 'Folded twice, thick or shaped',
  mark: 'M15 4C26 1 34 6 34 12S26 23 15 20ZM15 4V20',
  inputs: [
    {
      id: 'shape',
      label: 'Shape',
      kind: 'choice',
      choices: [
        { id: 'oval', name: 'Circle or oval' },
        { id: 'arch', name: 'Arch' },
        { id: 'scallop', name: 'Scallop' },
        { id: 'heart', name: 'Heart' },
        { id: 'roundedSquare', name: 'Rounded square' },
        { id: 'own', name: 'Your own path' },
      ],
    },
    {
      id: 'path',
      label: 'Your path',
      says: 'SVG path data of one closed outline, such as M0 0 L40 0 L20 30 Z.',
      when: ({ shape }) => shape === 'own',
      kind: 'path',
    },
    {
      id: 'hinge',
      label: 'Hinge',
      kind: 'choice',
      choices: [
        { id: 'left', name: 'On the left' },
        { id: 'top', name: 'On top' },
      ],
    },
    {
      id: 'hingeInsetMm',
      label: 'Hinge set in by',
      says: 'Left empty, just enough for a sound hinge.',
      kind: 'length',
      mayBeNull: true,
      limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm, heightMm) * 0.45],
    },
    { id: 'lid', label: 'Lid above a fixed back: two creases', kind: 'yesNo' },
  ],
  facesFollow: [],
  form: hinged,
};

/**
 * A shape and its mirror image joined along a straight hinge. With a lid, a strip two calipers wide
 * between two creases lets the front lie above the back instead of pulling at it.
 */
function hinged(finish: Finish, options: FormatOptions, { caliperMm }: Paper): FoldedForm {
  const [w, h] = along(finish, options);
  const front = drawn(finish, options);
  const gapMm = options.lid ? 2 * caliperMm : 0;
  const mirrored = front.outline.map(({ xMm, yMm }) => ({ xMm: w - xMm, yMm })).reverse();
  const parts = [mirrored, moved(front.outline, w + gapMm, 0)];
  if (gapMm > 0)
    for (const [top, bottom] of front.chords)
      parts.push(corners({ xMm: w, yMm: top, widthMm: gapMm, heightMm: bottom - top }));
  const whole = united(parts)[0]!;
  const box = boxAround(whole);
  const outline = moved(whole, -box.xMm, -box.yMm);
  const axis = options.hinge === 'left' ? 'across' : 'down';
  const panels = [
    { id: 'back', name: 'Back panel', widthMm: w },
    ...(gapMm > 0 ? [{ id: 'lidStrip', name: 'Hinge strip', widthMm: gapMm }] : []),
    { id: 'front', name: 'Front panel', widthMm: w },
  ];
  const creases =
    gapMm > 0
      ? (['hingeBack', 'hingeFront'] as const).map((id) => ({ id, direction: 'mountain' as const, shutDeg: 90 }))
      : [{ id: 'hinge', direction: 'mountain' as const }];
  const [left, right] = axis === 'across' ? ['Inside left', 'Inside right'] : ['Inside top', 'Inside bottom'];
  return form(strip(panels, creases, h, { axis, outline }), {
    steps: [
      {
        creaseIds: creases.map(({ id }) => id),
        says: gapMm > 0 ? 'Fold the lid over on its two creases, square at each.' : 'Fold the front over the back.',
      },
    ],
    front: 'front',
    rests: 'back',
    standing: Object.fromEntries(creases.map(({ id }) => [id, (axis === 'across' ? 110 : 130) / creases.length])),
    faces: [
      outer('front', 'front', 'Front', 'front'),
      inner('front', 'insideFront', left),
      inner('back', 'insideBack', right),
      outer('back', 'back', 'Back', 'behind'),
    ],
  });
}
