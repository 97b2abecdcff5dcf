import { expect } from 'chai';
import { calibrationMarks } from '../../../src/workshop/calibration/marks.ts';
import type { Calibration } from '../../../src/workshop/calibration/types.ts';
import { newJob } from '../../../src/job/newJob.ts';
import { apply, compose, determinant } from '../../../src/ground/geometry/affine.ts';
import { boxAround, grow, evenSides, isInside } from '../../../src/ground/geometry/box.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { artMaps, drawSheetPage, pageMap } from '../../../src/stations/sheet/draw/drawSheet.ts';
import { chanceEnough, sparesFor } from '../../../src/stations/sheet/layout/spares.ts';
import type { ArtObject, Job } from '../../../src/job/types.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import type { Workshop } from '../../../src/workshop/types.ts';
import type { Shape } from '../../../src/ground/scene/types.ts';
import { inkedWith, plan, sized, words, workshop } from '../../support.ts';

const bothSides: readonly JobChange[] = [
  decide((job) => job.art.faces, {
    front: { background: '#14263c', picture: null, texts: [] },
    insideBack: { background: null, picture: null, texts: [words('Come down to the harbour')] },
  }),
];

describe('sparesFor', () => {
  it('is the smallest number that is sure enough', () => {
    for (const [wanted, log] of [
      [12, { good: 0, spoiled: 0 }],
      [64, { good: 400, spoiled: 20 }],
      [200, { good: 90, spoiled: 0 }],
    ] as const) {
      const spares = sparesFor(wanted, log);
      const [alpha, beta] = [1 + log.spoiled, 24 + log.good];
      expect(chanceEnough(wanted, spares, alpha, beta)).to.be.at.least(0.95);
      if (spares > 0) expect(chanceEnough(wanted, spares - 1, alpha, beta)).to.be.below(0.95);
    }
  });
  it('agrees with the beta-binomial summed by its definition', () => {
    // C(n,k)·B(k+α, n−k+β)/B(α,β) with n = 5, α = 2, β = 5, k ≤ 1:
    // B ratios: k=0: (5·6·7·8·9)/(7·8·9·10·11) = 15120/55440; k=1: 5·2·(5·6·7·8)/(7·8·9·10·11) = 16800/55440.
    expect(chanceEnough(4, 1, 2, 5)).to.be.closeTo((15120 + 16800) / 55440, 1e-12);
  });
  it('asks for fewer spares as the log grows good', () => {
    expect(sparesFor(64, { good: 600, spoiled: 6 })).to.be.below(sparesFor(64, { good: 0, spoiled: 0 }));
  });
});

describe('planSheet', () => {
  const job = inkedWith(
    ...sized('sideFold', 96, 136),
    ...bothSides,
    decide((job) => job.brief.wanted, 40),
    decide((job) => job.sheet.spares, 5),
  );

  it('lays two 192 × 136 mm blanks on A4 and rounds the sheets up', () => {
    const { sheet } = plan(job);
    // Height: 2 × 136 + 6 + 6 = 284 within 297 − 6.8; width: 192 + 6 = 198 within 203.2. (40 + 5) ÷ 2 → 23.
    expect(sheet).to.include({ up: 2, upBound: 2, sheets: 23, spares: 5 });
    expect(sheet.sides).to.deep.equal(['front', 'back']);
    expect(sheet.grainAlongFold).to.be.true;
  });

  it('says that nothing is left for bleed when a card halves the sheet, and every remedy helps', () => {
    const halved = inkedWith(
      ...sized('sideFold', 107.95, 139.7),
      decide((job) => job.stock, { stockId: 'harbour-216-letter', printerId: 'tern', pathId: 'tray' }),
    );
    const { sheet } = plan(halved);
    const snag = sheet.snags.find((s) => s.id === 'sheet-no-bleed')!;
    expect(sheet.up).to.equal(0);
    expect(snag.level).to.equal('stop');
    expect(snag.remedies.length).to.be.greaterThan(0);
    for (const remedy of snag.remedies) {
      const promised = Number(/(\d+) up/.exec(remedy.label)![1]);
      expect(plan(changeJob(halved, remedy.changes)).sheet.up, remedy.label).to.equal(promised);
    }
  });

  it('stops a blank larger than the sheet, and the remedies fit', () => {
    const huge = changeJob(job, sized('flat', 400, 320));
    const snag = plan(huge).sheet.snags.find((s) => s.level === 'stop')!;
    expect(snag.title).to.equal('The open blank is larger than the sheet');
    expect(snag.remedies.length).to.be.greaterThan(0);
    for (const remedy of snag.remedies)
      expect(plan(changeJob(huge, remedy.changes)).sheet.up, remedy.label).to.be.greaterThan(0);
  });

  it('turns long and short edges the right way for an upright and a lying sheet', () => {
    expect(plan(job).sheet.turnOver).to.equal('leftRight');
    expect(plan(changeJob(job, [decide((job) => job.sheet.flipEdge, 'short')])).sheet.turnOver).to.equal('topBottom');
    const lying = changeJob(job, [decide((job) => job.sheet.cutDown, { widthMm: 210, heightMm: 200 })]);
    expect(plan(lying).sheet.turnOver).to.equal('topBottom');
  });

  for (const format of ['sideFold', 'tentFold', 'flat'] as const)
    for (const flipEdge of ['long', 'short'] as const)
      for (const grain of ['respect', 'ignore'] as const)
        it(`${format}, ${flipEdge} edge, grain ${grain}: front and back of a place lie back to back, unmirrored`, () => {
          const p = plan(
            changeJob(job, [
              ...sized(format, 96, 60),
              decide((job) => job.sheet.flipEdge, flipEdge),
              decide((job) => job.sheet.grain, grain),
            ]),
          );
          const fronts = artMaps(p.sheet, 'front');
          const backs = artMaps(p.sheet, 'back');
          expect(fronts.length).to.be.greaterThan(0);
          fronts.forEach((front, i) => {
            // A point of the blank, on the front page and on the back page, is one point of the paper.
            const spot = { xMm: 7, yMm: 31 };
            const onFront = apply(front, spot);
            const onBack = apply(backs[i]!, spot);
            const turned =
              flipEdge === 'long'
                ? { xMm: p.sheet.sheetWidthMm - onBack.xMm, yMm: onBack.yMm }
                : { xMm: onBack.xMm, yMm: p.sheet.sheetHeightMm - onBack.yMm };
            expect(turned.xMm).to.be.closeTo(onFront.xMm, 1e-9);
            expect(turned.yMm).to.be.closeTo(onFront.yMm, 1e-9);
            for (const face of p.size.faces) {
              const art = compose(face.side === 'outside' ? front : backs[i]!, face.toBlank);
              expect(determinant(art)).to.be.closeTo(1, 1e-12);
            }
          });
        });

  it('prints no tick and no slug on a card or its bleed, and all of them inside the margins', () => {
    for (const format of ['sideFold', 'tentFold', 'flat'] as const) {
      const p = plan(changeJob(job, sized(format, 88, 62)));
      for (const side of p.sheet.sides) {
        const { scene } = drawSheetPage(p.size, p.art, p.sheet, side, {
          title: 'Harbour lights',
          date: '2026-12-01',
          sheetNumber: 1,
        });
        const marks = scene.shapes.filter((s): s is Extract<Shape, { kind: 'path' }> => s.kind === 'path');
        expect(marks.length).to.be.greaterThan(3);
        const map = pageMap(p.sheet, side);
        const cards = p.sheet.placements.map(({ trim }) =>
          grow(
            boxAround([
              apply(map, { xMm: trim.xMm, yMm: trim.yMm }),
              apply(map, { xMm: trim.xMm + trim.widthMm, yMm: trim.yMm + trim.heightMm }),
            ]),
            evenSides(p.size.bleedMm),
          ),
        );
        for (const mark of marks) {
          const box = boxAround(mark.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])));
          expect(isInside(box, p.sheet.printable)).to.be.true;
          for (const card of cards) expect(overlaps(box, card)).to.be.false;
        }
      }
    }
  });
});

function overlaps(a: ReturnType<typeof boxAround>, b: ReturnType<typeof boxAround>): boolean {
  return (
    a.xMm < b.xMm + b.widthMm && b.xMm < a.xMm + a.widthMm && a.yMm < b.yMm + b.heightMm && b.yMm < a.yMm + a.heightMm
  );
}

describe('one shared bleed', () => {
  const flooded = (colours: readonly string[], ...more: readonly JobChange[]) =>
    plan(
      inkedWith(
        ...sized('flat', 62, 90),
        ...['front', 'back'].map((face, i) =>
          decide((job) => job.art.faces.at(face), { background: colours[i] ?? null, picture: null, texts: [] }),
        ),
        ...more,
      ),
    );
  const share: JobChange = decide((job) => job.sheet.sharedBleed, true);
  const ids = (made: ReturnType<typeof plan>): readonly string[] => made.sheet.snags.map((s) => s.id);

  it('is not offered, and is warned of, where anything but one colour lies over the trim', () => {
    const rule: ArtObject = {
      kind: 'rule',
      id: 'r',
      colour: '#ffffff',
      weightPt: 2,
      leftMm: -3,
      topMm: 40,
      widthMm: 68,
      heightMm: 4,
    };
    const star: ArtObject = {
      kind: 'ornament',
      id: 's',
      ornament: 'star',
      colour: '#ffffff',
      leftMm: -2,
      topMm: 20,
      widthMm: 12,
      heightMm: 12,
    };
    for (const [name, part, may] of [
      ['a gradient', { gradient: { from: '#1d5a68', to: '#ffffff', angleDeg: 0 } }, false],
      ['a border set in by a hair', { border: { widthMm: 5, insetMm: 0.2, colour: '#ffffff' } }, false],
      ['a rule across', { objects: [rule] }, false],
      ['an ornament over the trim', { objects: [star] }, false],
      ['an ornament within', { objects: [{ ...star, leftMm: 20 }] }, true],
      ['a border at the trim, all of one colour', { border: { widthMm: 5, insetMm: 0, colour: '#7b2869' } }, true],
    ] as const) {
      const faces = ['front', 'back'].map((face): JobChange =>
        decide((job) => job.art.faces.at(face), { background: '#1d5a68', picture: null, texts: [], ...part }),
      );
      const job = inkedWith(...sized('flat', 62, 90), ...faces);
      expect(ids(plan(job)).includes('sheet-could-share-bleed'), name).to.equal(may);
      expect(ids(plan(changeJob(job, [share]))).includes('sheet-shared-bleed'), name).to.equal(!may);
    }
  });

  it('lets a third column in where two bleeds left room for two, and is offered for it', () => {
    // 210 − 2 · 3.4 − 2 · 3 = 197.2: three of 62 want 198 with two bleeds between, 192 with one.
    const two = flooded(['#1d5a68', '#1d5a68']);
    const offer = two.sheet.snags.find((s) => s.id === 'sheet-could-share-bleed')!;
    const one = plan(changeJob(inkedWith(...sized('flat', 62, 90)), offer.remedies[0]!.changes));
    expect(offer.title).to.equal(`One shared bleed would give ${one.sheet.up} up`);
    expect(one.sheet.up).to.be.above(two.sheet.up);
    expect(one.sheet.gutterMm).to.equal(3);
  });

  it('is warned of where neighbours differ: a bleed of one would be the other’s edge', () => {
    // Each side may have a colour of its own, because sides never lie beside each other.
    expect(ids(flooded(['#1d5a68', '#f2b01e'], share))).not.to.include('sheet-shared-bleed');
    const folded = plan(
      inkedWith(
        ...sized('sideFold', 60, 90),
        decide((job) => job.art.faces.at('front'), { background: '#1d5a68', picture: null, texts: [] }),
        decide((job) => job.art.faces.at('back'), { background: '#f2b01e', picture: null, texts: [] }),
        share,
      ),
    );
    expect(ids(folded)).to.include('sheet-shared-bleed');
  });
});

describe('a calibrated path', () => {
  const marks = calibrationMarks({ widthMm: 210, heightMm: 297 }, evenSides(5));
  const calibrated = (part: Partial<Calibration> = {}, rule = 1): Workshop => ({
    ...workshop,
    printers: workshop.printers.map((printer) => ({
      ...printer,
      paths: printer.paths.map((path) => ({
        ...path,
        printsBothSides: false,
        calibrations: [
          {
            ...{ id: 'c', day: '2026-11-20', gsm: 300, sheetWidthMm: 210, sheetHeightMm: 297, marginsMm: evenSides(5) },
            ...{ flipEdge: 'long' as const, laidBack: 'face down', setAside: false },
            readings: {
              ruleAcrossMm: marks.ruleAcross.lengthMm * rule,
              ruleDownMm: marks.ruleDown.lengthMm * rule,
              crosses: Object.fromEntries(
                ['topLeft', 'topRight', 'bottomLeft', 'bottomRight'].map((c) => [c, { rightMm: 0.7, lowMm: -0.4 }]),
              ) as Calibration['readings']['crosses'],
              edges: null,
              arrows: 'same' as const,
            },
            ...part,
          },
        ],
      })),
    })),
  });
  const both: JobChange = decide((job) => job.art.faces.at('back'), {
    background: '#f2b01e',
    picture: null,
    texts: [],
  });

  it('that was found to fit the page says so at every printed job on it, and at none that is bare', () => {
    const ids = (job: Job) => plan(job, calibrated({}, 0.97)).sheet.snags.map(({ id }) => id);
    expect(ids(inkedWith(...sized('flat', 60, 90)))).to.include('sheet-fits-page');
    expect(ids(inkedWith(...sized('flat', 60, 90), both))).to.include('sheet-fits-page');
    expect(ids(changeJob(newJob('Bare', workshop), sized('flat', 60, 90)))).to.not.include('sheet-fits-page');
    expect(plan(inkedWith(...sized('flat', 60, 90)), calibrated()).sheet.snags.map(({ id }) => id)).to.not.include(
      'sheet-fits-page',
    );
  });

  it('knows the turn as the printer saw it: on a half sheet that lies the other way it is the other edge', () => {
    const half: JobChange = decide((job) => job.sheet.cutDown, { widthMm: 210, heightMm: 148.5 });
    const turn = (flipEdge: Job['sheet']['flipEdge']): JobChange => decide((job) => job.sheet.flipEdge, flipEdge);
    const said = (...more: readonly JobChange[]) =>
      plan(inkedWith(...sized('flat', 60, 90), both, ...more), calibrated()).sheet.snags.find(
        ({ id }) => id === 'sheet-turns-otherwise',
      );
    expect(said(turn('long'))).to.equal(undefined);
    expect(said(turn('short'))!.remedies[0]!.label).to.equal('Turn it on the long edge');
    // Sideways on a portrait sheet is the long edge; on a landscape half of it, the short one.
    expect(said(half, turn('short'))).to.equal(undefined);
    expect(said(half, turn('long'))!.remedies[0]!.label).to.equal('Turn it on the short edge');
  });

  it('has two pages for one plate, and its steps do not call them the same', () => {
    const job = inkedWith(
      ...sized('flat', 90, 130),
      both,
      decide((job) => job.sheet.working, 'workAndTurn'),
    );
    const titles = (shop: Workshop) =>
      plan(job, shop)
        .make.steps.filter(({ kind }) => kind === 'print')
        .map(({ title }) => title);
    expect(titles(calibrated())).to.deep.equal(['Print the plate', 'Print the other page']);
    expect(titles(calibrated({ setAside: true }))).to.deep.equal(['Print the plate', 'Print it again']);
    expect(
      plan(job, calibrated())
        .make.steps.map(({ detail }) => detail)
        .join(' '),
    ).to.not.match(/same page once more/);
  });
});
