import { expect } from 'chai';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { Stock, Workshop } from '../../../../src/workshop/types.ts';
import type { Plan } from '../../../../src/plan/planJob.ts';
import { inkedWith, plan, sized, workshop } from '../../../support.ts';

const snagOf = (p: Plan, id: string) => p.sheet.snags.find((s) => s.id === id);
const [base] = workshop.stocks;
const stock = (id: string, part: Partial<Stock>): Stock => ({ ...base!, id, name: id, onShelf: 500, ...part });
const A3 = { sheetWidthMm: 297, sheetHeightMm: 420 };
/** The card's own stock, of 300 gsm, and others. */
const shelf = (...others: readonly Stock[]): Workshop => ({
  ...workshop,
  // The envelope's own paper stays, far too light for a card.
  stocks: [stock('own', { gsm: 300 }), ...others, workshop.stocks.find(({ id }) => id === 'reed-120-a4')!],
});
const quarter = (...more: readonly JobChange[]) =>
  inkedWith(
    ...sized('flat', 105, 148.5),
    decide((job) => job.stock.stockId, 'own'),
    ...more,
  );

describe('remedies for a sheet without room for bleed', () => {
  const offered = (shop: Workshop, ...more: readonly JobChange[]) =>
    snagOf(plan(quarter(...more), shop), 'sheet-no-bleed')!.remedies;
  const uses = (shop: Workshop): readonly string[] =>
    offered(shop)
      .map(({ label }) => label)
      .filter((label) => label.startsWith('Use '));

  it('drop it, where there is any, and say what that gives', () => {
    // Of 100 × 142, two and two go into 203.2 × 290.2 edge to edge; with their bleed two.
    const job = quarter(...sized('flat', 100, 142));
    const [drop] = snagOf(plan(job, shelf()), 'sheet-no-bleed')!.remedies;
    expect(drop).to.deep.equal({
      label: 'Drop the bleed: 4 up, with art kept off the edges',
      changes: [decide((job) => job.size.bleedMm, 0)],
    });
    expect(plan(changeJob(job, drop!.changes), shelf()).sheet.up).to.equal(4);
    // Where it would give no more it is not offered.
    expect(
      offered(shelf())
        .map(({ label }) => label)
        .join(),
    ).to.not.include('Drop');
  });

  it('name another stock by how near its weight is, then by its price, and none that is another card', () => {
    const heaviest = workshop.printers
      .find(({ id }) => id === 'gull')!
      .paths.find(({ id }) => id === 'rear')!.heaviestGsm;
    const shop = shelf(
      stock('too light', { ...A3, gsm: 224 }),
      stock('just heavy enough', { ...A3, gsm: 225 }),
      stock('dear', { ...A3, gsm: 300, sheetPriceMinor: 90 }),
      stock('cheap', { ...A3, gsm: 300, sheetPriceMinor: 20 }),
      stock('too heavy for the path', { ...A3, gsm: heaviest + 1 }),
      stock('no larger', { gsm: 300 }),
    );
    const names = uses(shop);
    const up = plan(changeJob(quarter(), [decide((job) => job.stock.stockId, 'cheap')]), shop).sheet.up;
    expect(names.slice(0, 3)).to.deep.equal([
      `Use cheap: ${up} up`,
      `Use dear: ${up} up`,
      `Use just heavy enough: ${up} up`,
    ]);
    expect(names.join()).to.not.match(/too light|too heavy|no larger/);
    // A sheet that was cut down is whole again on another stock.
    const use = offered(shop).find(({ label }) => label.startsWith('Use cheap'))!;
    expect(use.changes).to.deep.equal([
      decide((job) => job.stock.stockId, 'cheap'),
      decide((job) => job.sheet.cutDown, null),
    ]);
    expect(offered(shelf(...Array.from({ length: 9 }, (_, i) => stock(`s${i}`, { ...A3, gsm: 300 }))))).to.have.length(
      5,
    );
  });

  it('trim the card by no more than is needed, where that leaves nothing to be said again', () => {
    const trim = offered(shelf()).find(({ label }) => label.startsWith('Trim'))!;
    const after = plan(changeJob(quarter(), trim.changes), shelf());
    expect(trim.label).to.match(/: 4 up$/);
    expect(after.sheet.up).to.equal(4);
    expect(snagOf(after, 'sheet-no-bleed')).to.equal(undefined);
    const { finishedWidthMm: w, finishedHeightMm: h } = changeJob(quarter(), trim.changes).size;
    for (const [wide, high] of [
      [w + 0.2, h],
      [w, h + 0.2],
    ] as const)
      expect(plan(quarter(...sized('flat', wide, high)), shelf()).sheet.up).to.be.below(4);
    // One larger than the sheet is offered the largest of which one fits, and nothing larger than it is.
    const whole = plan(quarter(...sized('flat', 210, 297)), shelf());
    const one = snagOf(whole, 'sheet-no-bleed')!.remedies.find(({ label }) => label.startsWith('Trim'))!;
    expect(one.label).to.match(/: 1 up$/);
    expect(plan(changeJob(quarter(...sized('flat', 210, 297)), one.changes), shelf()).sheet.up).to.equal(1);
    // A folded card is trimmed panel by panel: 2 × 99 and its bleed go into 203.2, and 2 × 138 into 290.2.
    const folded = quarter(...sized('sideFold', 105, 148));
    const side = snagOf(plan(folded, shelf()), 'sheet-no-bleed')?.remedies.find(({ label }) =>
      label.startsWith('Trim'),
    );
    if (side) {
      const made = plan(changeJob(folded, side.changes), shelf());
      expect(side.label).to.include(`: ${made.sheet.up} up`);
      expect(made.size.snags.some(({ level }) => level === 'stop')).to.equal(false);
    }
  });

  it('say that a blank fits only across its grain, where turning it would do', () => {
    const job = quarter(
      ...sized('tentFold', 200, 130),
      decide((job) => job.size.bleedMm, 0),
    );
    const p = plan(job, shelf());
    // Open 200 × 260 with its fold level: on a sheet whose fibres run up it would have to be turned, and 260 is too wide.
    expect(p.sheet.up).to.equal(0);
    expect(snagOf(p, 'sheet-no-bleed')!.title).to.equal('The open blank fits only with the grain across its fold');
    expect(snagOf(p, 'sheet-no-bleed')!.why).to.equal('It is 200 × 260 mm and the sheet 210 × 297 mm.');
  });
});

describe('room for ticks', () => {
  it('is looked for on all four sides, and one is enough', () => {
    const at = (wide: number, high: number) =>
      snagOf(
        plan(
          inkedWith(
            ...sized('flat', 100, 150),
            decide((job) => job.sheet.cutDown, { widthMm: wide, heightMm: high }),
          ),
          {
            ...workshop,
            printers: workshop.printers.map((p) => ({
              ...p,
              paths: p.paths.map((path) => ({ ...path, marginsMm: { top: 5, right: 6, bottom: 7, left: 8 } })),
            })),
          },
        ),
        'sheet-no-marks',
      );
    // 106 and 156 with its bleed, in 14 and 12 of margins; what is over lies on one side.
    expect(at(120.1, 168.1)).to.not.equal(undefined);
    expect(at(121.4, 168.1)).to.not.equal(undefined);
    expect(at(121.6, 168.1)).to.equal(undefined);
    expect(at(120.1, 169.4)).to.not.equal(undefined);
    expect(at(120.1, 169.6)).to.equal(undefined);
  });
});

describe('another stock for a piece that does not come out of its sheet', () => {
  it('is one that the machine takes it from, margins of its own and all', () => {
    // The machine keeps off the edges of a sheet; a tag of 290 mm comes out of an A4 by a blade, and not by it.
    const tagged = (trimmerId: string) =>
      plan(
        inkedWith(
          ...sized('flat', 60, 60),
          decide((job) => job.cut.trimmerId, trimmerId),
          decide(
            (job) => job.size.layers,
            [
              {
                ...{ id: 'l0', kind: 'tag', faces: [], revealMm: 0, stockIds: ['shell-300-a4'], adhesiveId: null },
                wrap: { widthMm: 290 },
              },
            ],
          ),
        ),
      ).sheet.snags.find(({ id }) => id.startsWith('sheet-layer-l0'));
    expect(tagged('slider')?.level).to.not.equal('stop');
    const { level, remedies } = tagged('petrel')!;
    expect(level).to.equal('stop');
    const labels = remedies.map(({ label }) => label);
    expect(labels).to.include('Cut it from Shell White 300, A3');
    expect(labels.join()).to.not.contain('A4');
  });
});
