import { expect } from 'chai';
import fc from 'fast-check';
import { foldAssembly, type Assembly } from '../../../src/ground/fold/assembly.ts';
import { inSpace } from '../../../src/ground/fold/foldBlank.ts';
import { cross, dot, minus, move } from '../../../src/ground/fold/space.ts';
import { apply, translation } from '../../../src/ground/geometry/affine.ts';
import { strip } from '../../../src/stations/size/formats/parts/strip.ts';
import { runs } from '../../runs.ts';

/**
 * A box step: a strip glued `aMm` before the fold on one page and `bMm` after it on the other. Its two faces are
 * parallel to the pages, so that it is a parallelogram at every opening.
 */
function step(aMm: number, bMm: number, secondMm = aMm): Assembly {
  const blank = strip(
    [
      { id: 'left', name: 'Left page', widthMm: 100 },
      { id: 'right', name: 'Right page', widthMm: 100 },
    ],
    [{ id: 'spine', direction: 'valley' }],
    140,
  );
  const tab = 10;
  const part = strip(
    [
      { id: 'tabLeft', name: 'Left tab', widthMm: tab },
      { id: 'first', name: 'Top', widthMm: bMm },
      { id: 'second', name: 'Front', widthMm: secondMm },
      { id: 'tabRight', name: 'Right tab', widthMm: tab },
    ],
    [
      { id: 'onLeft', direction: 'valley' },
      { id: 'apex', direction: 'mountain' },
      { id: 'onRight', direction: 'valley' },
    ],
    30,
  );
  // On the flat card the strip’s first crease lies at 100 − a, its last at 100 + b.
  const onLeft = translation(100 - aMm - tab, 50);
  const onRight = translation(100 + bMm - (tab + bMm + secondMm), 50);
  return {
    blank,
    restingPanelId: 'left',
    parts: [
      {
        id: 'step',
        blank: part,
        joints: [
          { id: 'left', panelId: 'left', partPanelId: 'tabLeft', onto: onLeft },
          { id: 'right', panelId: 'right', partPanelId: 'tabRight', onto: onRight },
        ],
      },
    ],
  };
}
const folded = (assembly: Assembly, deg: number) =>
  foldAssembly(assembly, {
    carrying: { spine: deg },
    parts: { step: { onLeft: deg, apex: deg, onRight: deg } },
  }).parts.step!;

const length = fc.double({ min: 10, max: 60, noNaN: true });
const angle = fc.double({ min: 0, max: 180, noNaN: true });

describe('card glued to card', () => {
  it('closes at every opening where a box step is a parallelogram', () => {
    fc.assert(
      fc.property(length, length, angle, (a, b, deg) => {
        expect(folded(step(a, b), deg).gapsMm.right).to.be.lessThan(1e-9);
      }),
      { numRuns: runs(60) },
    );
  });

  it('stands its apex where the two pages’ ways add up', () => {
    // At a right angle the right page stands upright: the apex is a before the fold and b up.
    const { poses } = folded(step(30, 20), 90);
    const [x, , z] = move(poses.get('second')!, inSpace({ xMm: 30, yMm: 0 }));
    expect(x).to.be.closeTo(100 - 30, 1e-9);
    expect(Math.abs(z)).to.be.closeTo(20, 1e-9);
  });

  it('says how far the glue would have to give where a face is cut too long, by hand at flat and at a right angle', () => {
    // Lying flat, a face 3 mm too long pushes its tab 3 mm past its place.
    expect(folded(step(30, 20, 33), 0).gapsMm.right).to.be.closeTo(3, 1e-9);
    // At a right angle that face is level, so that the tab is 3 mm off through the page.
    expect(folded(step(30, 20, 33), 90).gapsMm.right).to.be.closeTo(3, 1e-9);
    expect(folded(step(30, 20), 40).gapsMm.right).to.be.lessThan(1e-9);
  });

  it('lays a part wherever a rigid map says, turned and turned over, while the card folds', () => {
    const turns = fc.double({ min: -180, max: 180, noNaN: true });
    const shift = fc.double({ min: -80, max: 80, noNaN: true });
    fc.assert(
      fc.property(turns, shift, shift, fc.boolean(), angle, (deg, x, y, mirrored, open) => {
        const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
        const onto = mirrored ? ([c, s, s, -c, x, y] as const) : ([c, s, -s, c, x, y] as const);
        const assembly = step(30, 20);
        const [part] = assembly.parts;
        const joint = { id: 'only', panelId: 'right', partPanelId: 'first', onto };
        const made = foldAssembly(
          { ...assembly, parts: [{ ...part!, joints: [joint] }] },
          { carrying: { spine: open }, parts: {} },
        );
        const page = made.carrying.get('right')!;
        // A turn and no mirror, whatever the map: card stays card, and its folds go the way they are named.
        const { rows } = made.parts.step!.poses.get('first')!;
        expect(dot(cross(rows[0], rows[1]), rows[2])).to.be.closeTo(1, 1e-9);
        for (const corner of part!.blank.panels[1]!.outline) {
          const held = move(page, inSpace(apply(onto, corner)));
          const lies = move(made.parts.step!.poses.get('first')!, inSpace(corner));
          expect(Math.hypot(...minus(held, lies))).to.be.lessThan(1e-9);
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('refuses a joint that stretches', () => {
    const assembly = step(30, 20);
    const [part] = assembly.parts;
    const stretched = { ...part!.joints[0], onto: [1.1, 0, 0, 1, 0, 0] as const };
    expect(() =>
      foldAssembly({ ...assembly, parts: [{ ...part!, joints: [stretched] }] }, { carrying: {}, parts: {} }),
    ).to.throw(RangeError, /rigid/);
  });
});
