import type { Crease, FoldedForm, Panel } from '../../../ground/fold/types.ts';
import { boxAround, corners } from '../../../ground/geometry/box.ts';
import { form, outer } from './parts/strip.ts';
import type { Finish, Format } from './types.ts';

export const quarterFold: Format = {
  id: 'quarterFold',
  name: 'Quarter fold',
  says: 'One printed side folded twice: nothing to turn over in the printer.',
  family: 'Folded twice, thick or shaped',
  mark: 'M6 3H34V21H6ZM20 3V21M6 12H34',
  inputs: [],
  form: quarterForm,
};

/**
 * One printed side: the top half folds back behind the lower, then the left half behind the right. The
 * upright line bends one way below and the other way above, because the upper half is already turned over.
 */
function quarterForm({ widthMm, heightMm }: Finish): FoldedForm {
  const panel = (id: string, name: string, column: 0 | 1, row: 0 | 1): Panel => {
    const outline = corners({ xMm: column * widthMm, yMm: row * heightMm, widthMm, heightMm });
    return { id, name, outline, box: boxAround(outline) };
  };
  const crease = (
    id: string,
    joins: Crease['joins'],
    direction: Crease['direction'],
    [x1, y1, x2, y2]: readonly [number, number, number, number],
  ): Crease => ({
    id,
    joins,
    direction,
    shutDeg: 180,
    from: { xMm: x1 * widthMm, yMm: y1 * heightMm },
    to: { xMm: x2 * widthMm, yMm: y2 * heightMm },
  });
  const whole = { xMm: 0, yMm: 0, widthMm: 2 * widthMm, heightMm: 2 * heightMm };
  return form(
    {
      widthMm: whole.widthMm,
      heightMm: whole.heightMm,
      outline: corners(whole),
      cuts: [],
      panels: [
        panel('upperLeft', 'Upper left', 0, 0),
        panel('upperRight', 'Upper right', 1, 0),
        panel('back', 'Back panel', 0, 1),
        panel('front', 'Front panel', 1, 1),
      ],
      creases: [
        crease('levelLeft', ['upperLeft', 'back'], 'mountain', [0, 1, 1, 1]),
        crease('levelRight', ['upperRight', 'front'], 'mountain', [1, 1, 2, 1]),
        crease('uprightLower', ['back', 'front'], 'mountain', [1, 1, 1, 2]),
        crease('uprightUpper', ['upperLeft', 'upperRight'], 'valley', [1, 0, 1, 1]),
      ],
    },
    {
      steps: [
        { creaseIds: ['levelLeft', 'levelRight'], says: 'Fold the top half back behind the lower, print outside.' },
        { creaseIds: ['uprightLower', 'uprightUpper'], says: 'Fold the left half back behind the right.' },
      ],
      opens: 'inTurn',
      front: 'front',
      rests: 'back',
      standing: { levelLeft: 180, levelRight: 180, uprightLower: 110, uprightUpper: 110 },
      faces: [
        outer('front', 'front', 'Front', 'front'),
        { ...outer('upperRight', 'insideFront', 'Inside left', 'front'), shut: 1 },
        { ...outer('upperLeft', 'insideBack', 'Inside right', 'front'), shut: 1 },
        outer('back', 'back', 'Back', 'behind'),
      ],
    },
  );
}
