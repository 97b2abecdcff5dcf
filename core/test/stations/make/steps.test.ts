import { expect } from 'chai';
import { CAUTIONS } from '../../../src/stations/make/cautions.ts';
import type { Job } from '../../../src/job/types.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { inkedWith, jobWith, plan, sized, words, workshop } from '../../support.ts';

const stepsOf = (job: Job, shop = workshop) => plan(job, shop).make.steps;
const step = (job: Job, id: string, shop = workshop) => {
  const found = stepsOf(job, shop).find((one) => one.id === id);
  if (!found)
    throw new Error(
      `no step ${id} among ${stepsOf(job, shop)
        .map((one) => one.id)
        .join(', ')}`,
    );
  return found;
};
const ids = (job: Job, shop = workshop): readonly string[] => stepsOf(job, shop).map(({ id }) => id);
const WANTED: JobChange = decide((job) => job.brief.wanted, 20);
const BOTH: JobChange = decide((job) => job.art.faces, {
  front: { background: '#14263c', picture: null, texts: [] },
  insideBack: { background: '#a0c0d0', picture: null, texts: [words('Come down')] },
});
const picture = { pictureId: 'p', fit: 'fill', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false } as const;
const PICTURES: JobChange = decide((job) => job.pictures, {
  p: { name: 'p', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 900, heightPx: 900 },
});

describe('the steps of a run', () => {
  const twoSided = inkedWith(
    ...sized('sideFold', 96, 136),
    WANTED,
    BOTH,
    decide((job) => job.make.dryMinutes, 15),
  );

  it('print, dry, turn over, print, dry: the second time with how the sheet is turned, and folded by hand to see', () => {
    expect(ids(twoSided).slice(0, 4)).to.deep.equal(['print-front', 'dry-1', 'print-back', 'dry-2']);
    const [front, back] = [step(twoSided, 'print-front'), step(twoSided, 'print-back')];
    expect(front.detail).to.match(/^The Gull inkjet, straight rear feed\. .*Paper size 210 × 297 mm in the driver\./);
    expect(front.detail).to.match(/Test one sheet first\.$/);
    expect(back.detail).to.match(/^Turn the stack over on its long edge and feed it again\./);
    expect(back.detail).to.match(/Fold the first one by hand/);
    expect(step(twoSided, 'dry-1')).to.include({ big: '15 min', waitMinutes: 15 });
    expect(plan(twoSided).make.waitMinutes).to.equal(30);
    expect(plan(twoSided).make.verdict).to.match(/ of work and 30 min of drying\.$/);
  });

  it('wait for nothing where nothing has to dry, and test a sheet where the maker wants one', () => {
    const dry = inkedWith(
      ...sized('flat', 90, 60),
      decide((job) => job.make, { dryMinutes: 0, testPrint: true }),
    );
    expect(ids(dry).slice(0, 2)).to.deep.equal(['test-print', 'print-front']);
    expect(ids(dry).some((id) => id.startsWith('dry'))).to.equal(false);
    expect(plan(dry).make.verdict).to.not.match(/drying/);
    expect(
      ids(
        jobWith(
          ...sized('flat', 90, 60),
          decide((job) => job.make.testPrint, true),
        ),
      )[0],
    ).to.match(/^cut/);
    expect(plan(dry).make.snags).to.deep.equal([]);
  });

  it('type the paper’s short edge first, however the sheet lies', () => {
    const lying = inkedWith(
      ...sized('flat', 60, 40),
      decide((job) => job.sheet.cutDown, { widthMm: 210, heightMm: 148.5 }),
    );
    expect(step(lying, 'print-front').detail).to.contain('Paper size 148.5 × 210 mm in the driver.');
  });

  it('print the one plate again, or the other page where the two are corrected', () => {
    const plate = inkedWith(
      ...sized('flat', 95, 65),
      WANTED,
      decide((job) => job.art.faces.at('back'), { background: '#f2b01e', picture: null, texts: [] }),
      decide((job) => job.sheet.working, 'workAndTurn'),
    );
    expect(plan(plate).sheet.onePlate).to.not.equal(null);
    expect([step(plate, 'print-front').title, step(plate, 'print-back').title]).to.deep.equal([
      'Print the plate',
      'Print it again',
    ]);
    expect(step(plate, 'print-back').detail).to.match(/^The same page once more: turn the stack over/);
    expect(step(twoSided, 'print-front').title).to.equal('Print the fronts');
  });

  it('lay white on before or after the colours, a file for each', () => {
    const white = (how: 'before' | 'after' | 'inPass') => ({
      ...workshop,
      printers: workshop.printers.map((printer) => ({
        ...printer,
        paths: printer.paths.map((path) => (printer.id === 'skua' ? { ...path, white: how } : path)),
      })),
    });
    const night = inkedWith(
      ...sized('flat', 90, 60),
      WANTED,
      decide((job) => job.stock, { stockId: 'night-270-a4', printerId: 'skua', pathId: 'tray' }),
    );
    const printing = (how: 'before' | 'after' | 'inPass') =>
      ids(night, white(how)).filter((id) => id.startsWith('print'));
    expect(printing('before')).to.deep.equal(['print-white-front', 'print-front']);
    expect(printing('after')).to.deep.equal(['print-front', 'print-white-front']);
    expect(printing('inPass')).to.deep.equal(['print-front']);
    const first = step(night, 'print-white-front', white('before'));
    expect(first.title).to.equal('White on the fronts');
    expect(first.detail).to.match(/^File 1 of 2\. .*black where white goes/);
    const second = step(night, 'print-front', white('before'));
    expect(second.title).to.equal('Colours on the fronts');
    expect(second.detail).to.match(/^File 2 of 2\. Feed the stack again, the same side/);
    expect(step(night, 'print-front', white('inPass')).detail).to.match(/White goes on in the same pass/);
    expect(step(twoSided, 'print-front').detail).to.not.match(/White goes|the page is black|File/i);
  });

  it('print, cut and fix layers: mats with glue, inserts folded and laid in', () => {
    const layered = (layer: object) =>
      inkedWith(
        ...sized('sideFold', 96, 136),
        WANTED,
        PICTURES,
        decide(
          (job) => job.size.layers,
          [{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'], ...layer }],
        ),
      );
    const mat = layered({ picture });
    const [piece] = plan(mat).sheet.layers;
    const printed = step(mat, `print-layer-${piece!.piece.id}`);
    expect(printed.big).to.equal(`${piece!.sheets} sheets`);
    expect(printed.detail).to.contain(`${piece!.up} from each. Paper size 210 × 297 mm`);
    expect(ids(mat)).to.include('dry-layers');
    expect(ids(layered({}))).to.not.include('dry-layers');
    const glued = step(mat, `layer-${piece!.piece.id}`);
    expect(glued.title).to.match(/^Cut and glue: /);
    expect(glued.caution).to.equal(`${CAUTIONS.sliding} ${CAUTIONS.glue}`);
    expect(glued.detail).to.match(/keep glue 3 mm inside its edge\.$/);
    // 86 × 126 on A4, three millimetres of bleed round each: what to set is said where it is done.
    expect(glued.detail).to.match(/ from each\. Fence: [\d.]+ mm \((left|right|top|bottom)\); .*86 mm \(/);
    const insert = layered({ kind: 'insert', faces: [] });
    const laid = stepsOf(insert).find(({ id }) => id.startsWith('layer-'))!;
    expect(laid.title).to.match(/^Cut, fold and lay in: /);
    expect(laid.caution).to.equal(CAUTIONS.sliding);
    expect(laid.detail).to.match(/Fold it at .* and lay it in the fold\./);
    // Two on a sheet of their own; one that takes a sheet is pointed to shared sheets.
    expect(laid.detail.includes('Shared sheets')).to.equal(plan(insert).sheet.layers[0]!.up === 1);
    // A card of which no mat fits has no step for it.
    const minutes = (job: Job) => plan(job).make.workMinutes;
    // Printed, a mat goes through the printer, and two bleeds between neighbours want a stroke more here and there.
    const strokes = (job: Job) => plan(job).cut.layers[0]!.strokes * workshop.pace.perStroke;
    expect(minutes(mat) - strokes(mat)).to.be.closeTo(
      minutes(layered({})) - strokes(layered({})) + piece!.sheets * workshop.pace.perPrintedSide,
      1e-9,
    );
  });

  it('say where the slope of a mat begins and ends', () => {
    const sloped = inkedWith(
      ...sized('cascade', 70, 120),
      decide(
        (job) => job.size.layers,
        [{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'] }],
      ),
    );
    const { piece } = plan(sloped).sheet.layers[0]!;
    const at = (x: number): number =>
      Math.min(...piece.blank.outline.filter((p) => Math.abs(p.xMm - x) < 1e-6).map((p) => p.yMm));
    const said = /Off the top (left|right) corner: mark ([\d.]+) mm across; ([\d.]+) mm down/.exec(
      step(sloped, `layer-${piece.id}`).detail,
    )!;
    expect(Number(said[2])).to.be.closeTo(piece.blank.widthMm, 0.051);
    expect(Number(said[3])).to.be.closeTo(Math.max(at(0), at(piece.blank.widthMm)), 0.051);
    expect(said[1]).to.equal(at(0) > at(piece.blank.widthMm) ? 'left' : 'right');
  });

  it('hand sheets to a machine with its marks, bare ones in the corner, in passes', () => {
    const petrel: JobChange = decide((job) => job.cut.trimmerId, 'petrel');
    const marked = step(inkedWith(...sized('flat', 60, 60), WANTED, petrel), 'machine');
    expect(marked.detail).to.match(
      /^Send the cut file, front up, the corner without a mark at the bottom right\. \d passes, about /,
    );
    expect(marked.caution).to.equal(CAUTIONS.machine);
    expect(step(jobWith(...sized('flat', 60, 60), WANTED, petrel), 'machine').detail).to.match(
      /the bare card square in its corner/,
    );
    const thin = step(
      jobWith(
        ...sized('flat', 60, 60),
        WANTED,
        petrel,
        decide((job) => job.stock.stockId, 'reed-120-a4'),
      ),
      'machine',
    );
    expect(thin.detail).to.match(/ 1 pass, about /);
    const seconds = plan(jobWith(...sized('flat', 60, 60), WANTED, petrel)).cut.machine!.secondsPerSheet;
    expect(step(jobWith(...sized('flat', 60, 60), WANTED, petrel), 'machine').detail).to.contain(
      seconds < 30 ? 'about under 1 min' : `about ${Math.round(seconds / 60)} min a sheet`,
    );
  });

  it('put piles in the order of a list, each by its place', () => {
    const list = (rows: number) =>
      inkedWith(
        ...sized('flat', 90, 60),
        decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [words('Dear {Name}')] }),
        decide((job) => job.names, { columns: ['Name'], rows: Array.from({ length: rows }, (_, i) => [`Guest ${i}`]) }),
      );
    const up = plan(list(20)).sheet.placements.length;
    const piles = step(list(20), 'piles');
    expect(piles.big).to.equal(`${up} piles`);
    expect(piles.detail).to.contain(`and so on to pile ${up}, `);
    expect(ids(twoSided)).to.not.include('piles');
    const one = inkedWith(
      ...sized('flat', 190, 270),
      decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [words('Dear {Name}')] }),
      decide((job) => job.names, { columns: ['Name'], rows: [['Ida'], ['Jon']] }),
    );
    expect(plan(one).sheet.placements.length).to.equal(1);
    expect(ids(one)).to.not.include('piles');
  });

  it('crease the sheet before it is cut, or each card after, numbered where there is more than one line', () => {
    const order = (value: NonNullable<Job['cut']['order']>) =>
      inkedWith(
        ...sized('zigzag', 45, 120),
        WANTED,
        decide((job) => job.cut.order, value),
      );
    const places = (value: NonNullable<Job['cut']['order']>) => {
      const all = ids(order(value));
      return [all.findIndex((id) => id.startsWith('crease')), all.findIndex((id) => id.startsWith('cut'))] as const;
    };
    const [creaseAfter, cutBefore] = places('cutFirst');
    expect(creaseAfter).to.be.above(cutBefore);
    const [creaseBefore, cutAfter] = places('scoreFirst');
    expect(creaseBefore).to.be.below(cutAfter);
    const lines = plan(order('cutFirst')).crease.lines.length;
    expect(lines).to.be.above(1);
    expect(step(order('cutFirst'), 'crease-1').title).to.equal(`Crease 1 of ${lines}`);
    expect(step(order('cutFirst'), 'crease-2').detail).to.match(/^(No turn|Half turn|Turn|Quarter)/);
    expect(step(twoSided, 'crease-1').title).to.equal('Crease');
    expect(ids(inkedWith(...sized('flat', 90, 60)))).to.not.include('fold');
    expect(ids(twoSided)).to.include('fold');
  });

  it('cut outlines with the knife’s caution, and make envelopes where they are made and fit', () => {
    const shape = inkedWith(...sized('hingedShape', 80, 80), WANTED);
    expect(step(shape, 'outline').caution).to.equal(CAUTIONS.knife);
    const tag = inkedWith(
      ...sized('flat', 60, 120),
      decide((job) => job.size.options.holeMm, 5),
    );
    expect(step(tag, 'within-string').caution).to.equal(CAUTIONS.punch);
    const made = (make: boolean, stockId = 'reed-120-a3') =>
      inkedWith(
        ...sized('flat', 140, 95),
        WANTED,
        decide((job) => job.envelope.make, make),
        decide((job) => job.envelope.stockId, stockId),
      );
    expect(ids(made(true))).to.include('envelope');
    expect(ids(made(false))).to.not.include('envelope');
    const huge = inkedWith(
      ...sized('flat', 190, 280),
      decide((job) => job.envelope.make, true),
      decide((job) => job.envelope.stockId, 'reed-120-a4'),
    );
    expect(plan(huge).envelope.up).to.equal(0);
    expect(ids(huge)).to.not.include('envelope');
  });

  it('add up their minutes from the maker’s own pace, spares pressed and folded as well', () => {
    const job = inkedWith(
      ...sized('sideFold', 96, 136),
      WANTED,
      BOTH,
      decide((job) => job.sheet.spares, 4),
    );
    const { make, sheet, crease, cut } = plan(job);
    const { pace } = workshop;
    const lines = crease.lines.reduce((n, line) => n + line.passes, 0);
    // 24 cards are pressed and folded, 20 are packed.
    const pressed = crease.onSheet ? sheet.sheets : 24;
    expect(crease.minutes).to.be.closeTo(pressed * lines * pace.perCreasePass + 24 * pace.perFold, 1e-9);
    const work =
      pace.setUp + sheet.sheets * 2 * pace.perPrintedSide + cut.minutes + crease.minutes + 20 * pace.perCardPacked;
    expect(make.workMinutes).to.be.closeTo(work, 1e-9);
    const figure = make.figures.find(({ id }) => id === 'work')!;
    const parts = figure.working.inputs.map(({ value }) => (value as { minutes: number }).minutes);
    expect(parts.reduce((a, b) => a + b, 0)).to.be.closeTo(make.workMinutes, 1e-9);
    expect(make.figures.map(({ id }) => id)).to.deep.equal(['work', 'wait', 'steps']);
  });
});
