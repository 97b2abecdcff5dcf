import { expect } from 'chai';
import fc from 'fast-check';
import { decide } from '../../../src/job/decide.ts';
import { closedExtent } from '../../../src/stations/size/shutCard.ts';
import { runs } from '../../runs.ts';
import { jobWith, plan, sized, workshop } from '../../support.ts';

describe('a Z gate', () => {
  const caliperMm = workshop.stocks[0]!.caliperMicron / 1000;
  const gate = (doorMm: number | null) =>
    plan(
      jobWith(
        ...sized('zGate', 105, 148),
        decide((job) => job.size.options.doorMm, doorMm),
      ),
    ).size;

  it('has a door before and a door behind that are together as wide as the card', () => {
    // 35 + 105 + 70 mm.
    const { form } = gate(35);
    expect(form.blank.panels.map(({ box }) => box.widthMm)).to.deep.equal([70, 105, 35]);
    expect(form.blank.widthMm).to.equal(210);
    expect(gate(null).form.blank.panels.at(-1)!.box.widthMm).to.equal(35);
  });

  it('is two sheets thick everywhere, whatever its doors: they end where the other begins', () => {
    fc.assert(
      fc.property(fc.double({ min: 11, max: 94, noNaN: true }), (doorMm) => {
        // Two calipers and the spring of a fold, a quarter more.
        expect(gate(doorMm).thicknessMm).to.be.closeTo(2 * caliperMm * 1.25, 1e-9);
      }),
      { numRuns: runs(15) },
    );
  });

  it('shuts to its finished size with the narrow door in front and the wide one behind', () => {
    const { form, folding } = gate(35);
    const closed = closedExtent(form);
    expect([closed.widthMm, closed.heightMm]).to.deep.equal([105, 148]);
    const shut = folding.levels.at(-1)!;
    // Levels are counted from the resting centre, up where its outside is up: the front door folds over its inside.
    expect(shut).to.deep.equal({ frontDoor: -1, centre: 0, backDoor: 1 });
    expect(form.faces.map(({ name }) => name)).to.include.members(['Front door', 'Centre', 'Back door']);
  });
});
