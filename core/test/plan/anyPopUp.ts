import fc from 'fast-check';
import { MECHANISM_IDS, type PopUp } from '../../src/job/popUps.ts';
import { WINDOW_SHAPES } from '../../src/job/windowShapes.ts';

const mm = (least: number, most: number): fc.Arbitrary<number> => fc.double({ min: least, max: most, noNaN: true });

/** A place of the card, of the first two layers, or one that is not there. */
const anyPlace = fc.record({
  layerId: fc.constantFrom(null, 'l0', 'l1', 'gone'),
  at: fc.constantFrom('fold', 'a', 'b', 'foot', 'wall', 'front', 'middle', 'left', 'lid', 'figure', 'nowhere'),
});

/** Any pop-up the schema would take; mostly over the card’s fold, where most of them can be made. */
export const anyPopUp: fc.Arbitrary<Partial<PopUp>> = fc.record(
  {
    mechanism: fc.constantFrom(...MECHANISM_IDS),
    on: fc.oneof(
      { weight: 3, arbitrary: fc.constant({ layerId: null, at: 'fold' }) },
      { weight: 2, arbitrary: anyPlace },
    ),
    alongMm: mm(-400, 900),
    widthMm: mm(3, 600),
    depthMm: mm(3, 400),
    otherDepthMm: mm(3, 400),
    heightMm: mm(3, 400),
    pastMm: mm(-300, 300),
    tabMm: mm(3, 30),
    tabs: fc.constantFrom('hidden', 'showing'),
    glueDeg: mm(10, 170),
    otherGlueDeg: mm(10, 170),
    pieceDeg: mm(10, 150),
    glueMm: mm(8, 300),
    lean: fc.constantFrom('fro', 'to'),
    shape: fc.constantFrom(...WINDOW_SHAPES),
    path: fc.constantFrom('', 'M0 0 L40 0 L20 30 Z', 'nonsense'),
    pathIn: fc.constantFrom('itsBox', 'picture'),
    rimMm: mm(0, 20),
    pleats: fc.integer({ min: 4, max: 80 }),
    pleatMm: mm(5, 60),
    fan: fc.constantFrom('half', 'quarter'),
    to: anyPlace,
    riseMm: mm(-200, 400),
    otherRiseMm: mm(-200, 400),
    longMm: fc.option(mm(5, 800)),
    liftDeg: mm(5, 150),
    windowWideMm: mm(5, 200),
    windowHighMm: mm(5, 200),
    seenFrom: fc.constantFrom('outside', 'inside'),
    atDeg: mm(-180, 180),
    pulls: fc.constantFrom('fore', 'head', 'foot'),
  },
  { requiredKeys: ['mechanism'] },
);
