import { expect } from 'chai';
import { changeJob } from '../../../src/job/changeJob.ts';
import type { Board, Workshop } from '../../../src/workshop/types.ts';
import type { Job } from '../../../src/job/types.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';

const creaseOf = (job: Job, shop: Workshop = workshop) => plan(job, shop).crease;
const snagOf = (job: Job, id: string, shop: Workshop = workshop) =>
  creaseOf(job, shop).snags.find((snag) => snag.id === id);
/** The only board there is, with a groove every so many millimetres and so long. */
const withBoard = (board: Partial<Board>): Workshop => ({
  ...workshop,
  boards: [{ ...workshop.boards.find(({ id }) => id === 'five-board')!, ...board }],
});
const ON_FIVE: JobChange = decide((job) => job.crease.boardId, 'five-board');
const coated = (coating: 'gloss' | 'pearl' | 'uncoated'): Workshop => ({
  ...workshop,
  stocks: workshop.stocks.map((stock) => ({ ...stock, coating })),
});

describe('what is said of creases', () => {
  it('is how far the nearest groove lies off: nothing to a quarter of a millimetre, a warning past one', () => {
    // The fold of a 96 mm side fold is 96 mm from either edge: grooves every 96 + d are off by d.
    const off = (groove: number) =>
      snagOf(inkedWith(...sized('sideFold', 96, 136), ON_FIVE), 'crease-groove', withBoard({ grooveEveryMm: groove }));
    expect(off(96)).to.equal(undefined);
    expect(off(96.25)).to.equal(undefined);
    expect(off(96.26)!.level).to.equal('note');
    expect(off(97)!.level).to.equal('note');
    expect(off(97.01)!.level).to.equal('warn');
    expect(off(97)!.title).to.equal('No groove lands on the fold: 1.0 mm off');
    expect(off(97)!.why).to.match(/^The fold is 96 mm from the stop; the nearest groove of .* is at 97 mm\.$/);
  });

  it('is a board that is too short for the line, or that the line lies beyond', () => {
    const tall = inkedWith(...sized('sideFold', 96, 136), ON_FIVE);
    // The fold is 136 long and 96 from the stop: laid along or across, a board of 96 holds one of them.
    expect(snagOf(tall, 'crease-board-short', withBoard({ longestMm: 96 }))).to.equal(undefined);
    expect(snagOf(tall, 'crease-board-short', withBoard({ longestMm: 95 }))!.why).to.contain(
      '136 mm long and the board 95 mm',
    );
    const zigzag = inkedWith(...sized('zigzag', 45, 120), ON_FIVE);
    const lines = creaseOf(zigzag).lines.map(({ fromStopMm }) => fromStopMm);
    const far = snagOf(zigzag, 'crease-board-far', withBoard({ longestMm: Math.max(...lines) - 1 }));
    expect(far!.level).to.equal('note');
    expect(snagOf(zigzag, 'crease-board-far', withBoard({ longestMm: Math.max(...lines) }))).to.equal(undefined);
    // The one fold of a card that is scored from one end has none before it to measure from.
    expect(snagOf(tall, 'crease-board-far', withBoard({ longestMm: 95.5 }))).to.equal(undefined);
  });

  it('is a fold across the grain, and to keep it along where cards then still come out', () => {
    // A tent open 95 × 140 lies as drawn when any way will do: across its grain, four up; along it three are.
    const across = inkedWith(
      ...sized('tentFold', 90, 66),
      decide((job) => job.sheet.grain, 'ignore'),
      decide((job) => job.size.bleedMm, 0),
    );
    expect(plan(across).sheet.grainAlongFold).to.equal(false);
    const snag = snagOf(across, 'crease-across-grain')!;
    expect(snag.remedies[0]!.label).to.match(/^Keep the grain along the fold: \d up$/);
    const kept = plan(changeJob(across, snag.remedies[0]!.changes));
    expect(kept.sheet.grainAlongFold).to.equal(true);
    expect(snag.remedies[0]!.label).to.contain(`: ${kept.sheet.up} up`);
    expect(kept.crease.snags.map(({ id }) => id)).to.not.include('crease-across-grain');
    // Open 190 × 280 fits the sheet one way only, and that is across.
    const tight = inkedWith(
      ...sized('tentFold', 190, 140),
      decide((job) => job.sheet.grain, 'ignore'),
      decide((job) => job.size.bleedMm, 0),
    );
    expect(snagOf(tight, 'crease-across-grain')!.remedies).to.deep.equal([]);
    // Card that wants no score is not warned of.
    const light = changeJob(across, [decide((job) => job.stock.stockId, 'reed-120-a4')]);
    expect(plan(light).stock.needsScore).to.equal(false);
    expect(snagOf(light, 'crease-across-grain')).to.equal(undefined);
  });

  it('is ink over a coated skin, and light passes where firm ones were chosen', () => {
    const card = (pressure: Job['crease']['pressure']) =>
      inkedWith(
        ...sized('sideFold', 96, 136),
        decide((job) => job.crease.pressure, pressure),
      );
    for (const coating of ['gloss', 'pearl'] as const)
      expect(snagOf(card('byCoating'), 'crease-skin', coated(coating))!.title).to.contain(`A ${coating} skin`);
    expect(snagOf(card('byCoating'), 'crease-skin', coated('uncoated'))).to.equal(undefined);
    expect(snagOf(card('byCoating'), 'crease-skin', coated('gloss'))!.remedies).to.deep.equal([]);
    const firm = snagOf(card('firm'), 'crease-skin', coated('gloss'))!;
    expect(changeJob(card('firm'), firm.remedies[0]!.changes).crease.pressure).to.equal('light');
    // Bare outside, nothing cracks that anybody sees.
    const inside = changeJob(card('byCoating'), [
      decide((job) => job.art.faces, { insideBack: { background: '#cfe6e4', picture: null, texts: [] } }),
    ]);
    expect(snagOf(inside, 'crease-skin', coated('gloss'))).to.equal(undefined);
  });
});

describe('what creasing comes to', () => {
  const zigzag = inkedWith(
    ...sized('zigzag', 45, 120),
    ON_FIVE,
    decide((job) => job.sheet.spares, 0),
    decide((job) => job.brief.wanted, 10),
  );

  it('is told by the line where there is one, and by how many where there are more', () => {
    const one = creaseOf(inkedWith(...sized('sideFold', 95, 136), ON_FIVE));
    expect(one.telling).to.equal('at 95 mm');
    expect(one.verdict).to.match(/^Crease at 95 mm, outside up, \d (firm|light) passes\.$/);
    const more = creaseOf(zigzag);
    expect(more.telling).to.equal(`${more.lines.length} creases`);
    expect(more.verdict).to.match(new RegExp(`^${more.lines.length} creases, (without turning|turning) the piece`));
    const flat = creaseOf(inkedWith(...sized('flat', 90, 60)));
    expect([flat.telling, flat.verdict]).to.deep.equal(['no crease', 'Nothing to crease: the card stays flat.']);
    expect([flat.figures, flat.snags, flat.folding, flat.schools, flat.minutes]).to.deep.equal([[], [], [], [], 0]);
  });

  it('counts turns between lines as a maker would make them', () => {
    const { lines, verdict } = creaseOf(zigzag);
    const turns = lines.slice(1).filter(({ turn }) => turn !== 'No turn').length;
    expect(verdict).to.contain(
      turns === 0 ? 'without turning' : turns === 1 ? 'turning the piece once' : `${turns} times`,
    );
    expect(new Set(lines.map(({ faceUp }) => faceUp)).size).to.equal(2);
  });

  it('has a working of every line: groove, fold and what lies between', () => {
    const { lines, figures } = creaseOf(zigzag);
    for (const line of lines) {
      expect(line.grooveAtMm).to.be.closeTo(line.groove * 5, 1e-9);
      expect(line.errorMm).to.be.closeTo(line.grooveAtMm - line.fromStopMm, 1e-9);
      const error = figures.find(({ id }) => id === `error-${line.creaseIds[0]}`)!;
      expect(error.value).to.deep.equal({ kind: 'text', text: `${Math.abs(line.errorMm).toFixed(2)} mm` });
      const groove = figures.find(({ id }) => id === `groove-${line.creaseIds[0]}`)!.working.inputs;
      expect(groove.map(({ label }) => label)).to.deep.equal(['Fold from the stop', 'A groove every', 'Groove number']);
      expect(groove[2]!.value).to.deep.equal({ kind: 'count', count: line.groove });
    }
    expect(figures.map(({ id }) => id)).to.include('cracks');
  });

  it('names both schools, the one in force first', () => {
    const schools = (pressure: Job['crease']['pressure'], bead: Job['crease']['bead']) =>
      creaseOf(
        inkedWith(
          ...sized('sideFold', 96, 136),
          decide((job) => job.crease.pressure, pressure),
          decide((job) => job.crease.bead, bead),
        ),
      );
    expect(schools('firm', 'inside').schools.map(({ text }) => text.split(':')[0])).to.deep.equal([
      'Firm',
      'Light',
      'Bead inside',
      'Into the groove',
    ]);
    expect(schools('light', 'intoGroove').schools.map(({ text }) => text.split(':')[0])).to.deep.equal([
      'Light',
      'Firm',
      'Into the groove',
      'Bead inside',
    ]);
    expect(schools('firm', 'inside').folding.join()).to.match(/Fold away from the groove/);
    expect(schools('firm', 'intoGroove').folding.join()).to.match(/Fold into the groove/);
    const [inside, into] = (['inside', 'intoGroove'] as const).map((bead) => schools('firm', bead).lines[0]!.faceUp);
    expect([inside, into]).to.deep.equal(['outside', 'inside']);
  });
});
