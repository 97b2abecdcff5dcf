import { expect } from 'chai';
import fc from 'fast-check';
import { inSpace } from '../../../../src/ground/fold/foldBlank.ts';
import { move } from '../../../../src/ground/fold/space.ts';
import { pressedLines } from '../../../../src/ground/fold/pressedLines.ts';
import type { Point } from '../../../../src/ground/geometry/types.ts';
import { placeParts } from '../../../../src/ground/linkage/placeParts.ts';
import { decide, decideEach } from '../../../../src/job/decide.ts';
import type { Snag } from '../../../../src/job/findings.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import type { PopUp } from '../../../../src/job/popUps.ts';
import type { Job, LayerChoice } from '../../../../src/job/types.ts';
import { planSize, type SizePlan } from '../../../../src/stations/size/planSize.ts';
import { jobWith, plan, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';
import { shoelace } from '../../envelope/byHand.ts';

/** A side fold of two pages 100 wide and 150 high; on its blank the fold is at 100, the inside’s left page right of it. */
const [WIDE, HIGH] = [100, 150];
const layer = (id: string, popUp: Partial<PopUp>): LayerChoice => ({
  ...{ id, kind: 'popUp', faces: [], revealMm: 0, stockIds: [workshop.stocks[0]!.id], popUp },
});
const card = (...layers: readonly LayerChoice[]): Job =>
  jobWith(
    ...decideEach((job) => job.size, {
      ...{ format: 'sideFold', finishedWidthMm: WIDE, finishedHeightMm: HIGH, options: {} },
    }),
    decide((job) => job.size.layers, layers),
  );
const sized = (...layers: readonly LayerChoice[]): SizePlan => planSize({ job: card(...layers), workshop });
const about = (job: Job): readonly Snag[] =>
  planSize({ job, workshop }).snags.filter(({ id, level }) => id.startsWith('size-popup') && level !== 'note');
const mm = (least: number, most: number) => fc.integer({ min: least, max: most });
const onBlank = (p: Point): string => `${p.xMm.toFixed(2)}/${p.yMm.toFixed(2)}`;
const step = (part: Partial<PopUp>): Partial<PopUp> => ({
  ...{ mechanism: 'cutIn', alongMm: 40, widthMm: 50, depthMm: 20, heightMm: 30, ...part },
});

describe('what is cut into a card', () => {
  it('by hand: two slits from 20 mm left of the fold to 30 right of it, and creases where the box bends', () => {
    const { blank } = sized(layer('step', step({}))).form;
    // The inside lies mirrored on the blank, which is drawn with its outside up: 20 left of the fold is at 120.
    expect(blank.cuts.map(({ kind, points }) => [kind, ...points.map(onBlank).sort()])).to.have.deep.members([
      ['slit', '120.00/40.00', '70.00/40.00'],
      ['slit', '120.00/90.00', '70.00/90.00'],
    ]);
    const lines = pressedLines(blank).map(({ from, to, direction }) => [
      ...[onBlank(from), onBlank(to)].sort(),
      direction,
    ]);
    expect(lines).to.have.deep.members([
      // The fold above and below it; a foot 20 out and one 30 up; the ridge 30 from the first foot: 10 right of the fold.
      ['100.00/0.00', '100.00/40.00', 'mountain'],
      ['100.00/150.00', '100.00/90.00', 'mountain'],
      ['120.00/40.00', '120.00/90.00', 'mountain'],
      ['70.00/40.00', '70.00/90.00', 'mountain'],
      ['90.00/40.00', '90.00/90.00', 'valley'],
    ]);
  });

  it('is hinged where it is cut, lies flush in the flat card, and keeps its lengths at every opening', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('cutIn' as const, 'cutInV' as const),
        fc.record({
          ...{ alongMm: mm(50, 90), widthMm: mm(8, 50), depthMm: mm(8, 45), heightMm: mm(32, 48) },
          ...{ glueDeg: mm(25, 80), glueMm: mm(10, 30) },
        }),
        (mechanism, part) => {
          const { popUps, form } = sized(layer('p', { mechanism, ...part }));
          const { motion, parts, spread } = popUps!;
          const [{ id, blank, tabs }] = parts as [(typeof parts)[number]];
          const free = blank.panels.filter((panel) => !tabs.includes(panel.id));
          for (const { openDeg, state, gapsMm } of motion) {
            const poses = placeParts(parts, state, openDeg);
            for (const gap of Object.values(gapsMm)) expect(gap, `${mechanism} at ${openDeg}°`).to.be.below(0.01);
            if (openDeg < 180) continue;
            // On the open pages it is where its slits and creases have it, and no thicker than they.
            const drawn = [...form.blank.cuts.flatMap(({ points }) => points)].map(({ xMm, yMm }) => [WIDE - xMm, yMm]);
            const placed = free.flatMap(({ id: panelId, outline }) =>
              outline.map((p) => move(poses.get(`${id}/${panelId}`)!, inSpace(p))),
            );
            for (const [x, y, z] of placed) {
              expect(Math.abs(z)).to.be.below(0.01);
              // Points on the fold may be the V’s own, which no slit reaches.
              if (Math.abs(x) < 0.01 && mechanism === 'cutInV') continue;
              if (mechanism === 'cutIn' && drawn.every(([dx]) => Math.abs(dx! - x) > 0.01)) continue;
              const nearest = Math.min(...drawn.map(([dx, dy]) => Math.hypot(dx! - x, dy! + y)));
              expect(nearest, `${mechanism} ${x}/${-y}`).to.be.below(0.02);
            }
            expect(spread.isLevel).to.equal(false);
          }
        },
      ),
      { numRuns: runs(30) },
    );
  });

  it('moves as its closed form says: a step is a parallelogram, a V’s crease keeps α from both hinges', () => {
    const rad = (deg: number): number => (deg * Math.PI) / 180;
    fc.assert(
      fc.property(mm(8, 45), mm(8, 45), mm(25, 80), (depthMm, heightMm, alpha) => {
        const { popUps } = sized(
          layer('step', step({ alongMm: 80, widthMm: 40, depthMm, heightMm })),
          layer('v', { mechanism: 'cutInV', alongMm: 60, glueDeg: alpha, glueMm: 20, heightMm: 30 }),
        );
        const { motion, parts } = popUps!;
        for (const { openDeg, state } of motion) {
          const poses = placeParts(parts, state, openDeg);
          const b = [-Math.cos(rad(openDeg)), Math.sin(rad(openDeg))] as const;
          // The front’s corner at the ridge: out by the depth, and along the second page by the height.
          const front = parts[0]!.blank.panels.find(({ id }) => id === 'legA')!.outline;
          const far = front.reduce((best, p) => (p.xMm > best.xMm ? p : best));
          const [x, , z] = move(poses.get('step-1/legA')!, inSpace(far));
          expect(Math.hypot(x + depthMm - heightMm * b[0], z - heightMm * b[1]), `${openDeg}°`).to.be.below(0.01);
          const { from, to } = parts[1]!.blank.creases.find(({ id }) => id === 'middle')!;
          const [head, point] = [from, to].map((p) => move(poses.get('v-1/left')!, inSpace(p)));
          const way = [0, 1, 2].map((i) => (head![i]! - point![i]!) / 30);
          const hinges = [
            [-Math.sin(rad(alpha)), Math.cos(rad(alpha)), 0],
            [b[0] * Math.sin(rad(alpha)), Math.cos(rad(alpha)), b[1] * Math.sin(rad(alpha))],
          ];
          for (const hinge of hinges)
            expect(hinge[0]! * way[0]! + hinge[1]! * way[1]! + hinge[2]! * way[2]!).to.be.closeTo(
              Math.cos(rad(alpha)),
              0.01 / 30,
            );
        }
      }),
      { numRuns: runs(15) },
    );
  });

  it('parts the fold and the creases of what it is cut from, and adds its own, for every step on a step', () => {
    fc.assert(
      fc.property(mm(10, 25), mm(20, 30), mm(4, 12), mm(4, 12), mm(20, 40), (depth, high, d, h, wide) => {
        const { blank } = sized(
          layer('big', step({ depthMm: depth + 8, heightMm: high + 12, alongMm: 30, widthMm: wide + 20 })),
          layer(
            'small',
            step({ on: { layerId: 'big', at: 'foot' }, depthMm: d, heightMm: h, alongMm: 40, widthMm: wide }),
          ),
        ).form;
        const foot = WIDE + depth + 8;
        const at = (x: number) =>
          pressedLines(blank).filter(
            ({ from, to, direction }) =>
              direction === 'mountain' && [from, to].every((p) => Math.abs(p.xMm - x) < 0.01),
          );
        const long = (x: number) => at(x).reduce((sum, { from, to }) => sum + Math.abs(to.yMm - from.yMm), 0);
        // The fold is whole but for the larger step, whose foot is whole but for the smaller one.
        expect(long(WIDE)).to.be.closeTo(HIGH - (wide + 20), 0.01);
        expect(long(foot)).to.be.closeTo(20, 0.01);
        expect(long(foot + d)).to.be.closeTo(wide, 0.01);
        expect(blank.cuts).to.have.length(4);
      }),
      { numRuns: runs(20) },
    );
  });

  it('is wide open as much card as before: what moves and what is left are the whole page', () => {
    const size = sized(layer('p', { mechanism: 'cutInV', alongMm: 80, glueDeg: 50, glueMm: 30, heightMm: 40 }));
    const [slit] = size.form.blank.cuts;
    // From hinge to hinge: 30 · sin 50° either side of the fold, up to a level top 40 above the point.
    const half = 30 * Math.sin((50 * Math.PI) / 180);
    const end = 80 - 30 * Math.cos((50 * Math.PI) / 180);
    expect(slit!.points.map(({ xMm, yMm }) => [Math.abs(xMm - WIDE), yMm].map((v) => v.toFixed(2)))).to.deep.equal(
      [
        [half, end],
        [half, 40],
        [half, 40],
        [half, end],
      ].map((p) => p.map((v) => v.toFixed(2))),
    );
    const region = [...slit!.points, { xMm: WIDE, yMm: 80 }];
    expect(shoelace(region)).to.be.closeTo(2 * half * 40 - half * (80 - end), 0.1);
  });

  it('is no piece: no stock, no glue, no sheet of its own, and the card is only as much thicker as lies on itself', () => {
    const job = card(layer('step', step({})));
    const whole = plan(job);
    expect(whole.sheet.layers).to.deep.equal([]);
    expect(whole.size.popUps!.spots).to.deep.equal([]);
    expect(whole.size.popUps!.bulk.sheets).to.equal(2);
    const words = whole.make.steps.filter(({ kind }) => kind === 'popUp').map(({ title }) => title);
    expect(words).to.deep.equal(['Bend the cut-in step forward']);
    // Slit before it is pressed, and pressed before it is bent.
    const order = ['Slit 1 of 2 of the cut-in step', 'Crease 1 of', 'Bend the cut-in step forward'].map((title) =>
      whole.make.steps.findIndex((one) => one.title.startsWith(title)),
    );
    expect(
      order.every((at, i) => at >= 0 && (i === 0 || at > order[i - 1]!)),
      String(order),
    ).to.equal(true);
  });

  it('carries what is glued to it, told by its name', () => {
    const figure = layer('f', { mechanism: 'figure', on: { layerId: 'step', at: 'front' }, pastMm: 3, heightMm: 24 });
    const whole = plan(card(layer('step', step({})), figure));
    const told = whole.make.steps.find(({ id }) => id === 'pop-up-f')!;
    expect(told.detail).to.include('1: figure, on the cut-in step’s front.');
  });

  it('says where the tool goes on the fold and where it is lifted, and never scores it on the whole sheet', () => {
    const whole = plan(changeJob(card(layer('step', step({}))), [decide((job) => job.cut.order, 'scoreFirst')]));
    expect(whole.crease.onSheet).to.equal(false);
    const fold = whole.crease.lines.find(({ creaseIds }) => creaseIds.includes('spine'))!;
    // The back’s open edge is at the stop, on the left of the blank as it is drawn: its head is at the top.
    expect(fold.text).to.include(
      'only from 0 mm to 40 mm and from 90 mm to 150 mm, measured from its end at the top with the stop on your left',
    );
    const ruled = whole.crease.lines.filter((line) => line !== fold);
    expect(ruled.map(({ faceUp, text, isByRule }) => [faceUp, isByRule, text.split(':')[0]])).to.deep.equal([
      ['outside', true, 'Outside up. Cut-in step, hinge of its front'],
      ['outside', true, 'Outside up. Cut-in step, hinge of its top'],
      ['inside', true, 'Inside up. Cut-in step, between its front and its top'],
    ]);
    expect(ruled.map(({ turn }) => turn)).to.deep.equal(['No turn', 'No turn', 'Turn over']);
    // Grooves are for the fold alone.
    expect(whole.crease.figures.filter(({ id }) => id.startsWith('groove'))).to.have.length(1);
  });

  const wrongs: readonly (readonly [string, RegExp, readonly LayerChoice[]])[] = [
    ['too near the head', /leaves too little card/, [layer('p', step({ alongMm: 1 }))]],
    [
      'through the crease of the step it is cut from',
      /Cut-in step 2 leaves too little card/,
      [
        layer('big', step({ alongMm: 30, widthMm: 70 })),
        layer('p', step({ on: { layerId: 'big', at: 'foot' }, alongMm: 40, widthMm: 40, depthMm: 10, heightMm: 32 })),
      ],
    ],
    [
      'two in one place',
      /Cut-in step 1 and Cut-in step 2 are cut from one place/,
      [layer('a', step({ alongMm: 20 })), layer('b', step({ alongMm: 60 }))],
    ],
    [
      'glue on what is bent away',
      /Figure is glued where the cut-in step is cut out/,
      [
        layer('a', step({})),
        layer('f', { mechanism: 'figure', on: { layerId: null, at: 'b' }, pastMm: 5, widthMm: 20 }),
      ],
    ],
  ];
  for (const [what, title, layers] of wrongs)
    it(`is stopped where it cannot be: ${what}; and every remedy mends it`, () => {
      const job = card(...layers);
      const snag = about(job).find((one) => title.test(one.title))!;
      expect(
        snag,
        about(job)
          .map((one) => one.title)
          .join(),
      ).to.not.equal(undefined);
      expect(snag.level).to.equal('stop');
      expect(snag.remedies.length).to.be.above(0);
      for (const { changes, label } of snag.remedies)
        expect(
          about(changeJob(job, changes)).filter(({ id }) => id === snag.id),
          label,
        ).to.deep.equal([]);
    });

  it('has nothing to be cut from over what is glued on, and is offered the fold or a glued step', () => {
    const job = card(
      layer('glued', { mechanism: 'boxStep', alongMm: 20, widthMm: 60 }),
      layer('p', step({ on: { layerId: 'glued', at: 'foot' }, depthMm: 8, heightMm: 8 })),
    );
    const [snag] = about(job).filter(({ id }) => id === 'size-popup-p');
    expect(snag!.title).to.equal('There is no card here to cut it from');
    expect(snag!.remedies.map(({ label }) => label)).to.include('Glue on a box step');
  });
});
