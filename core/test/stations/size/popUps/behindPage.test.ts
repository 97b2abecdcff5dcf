import { expect } from 'chai';
import fc from 'fast-check';
import { apply, rotationAbout } from '../../../../src/ground/geometry/affine.ts';
import { boxAround } from '../../../../src/ground/geometry/box.ts';
import { common } from '../../../../src/ground/geometry/offset.ts';
import { areaOf, contains, type Polygon } from '../../../../src/ground/geometry/polygon.ts';
import type { Point } from '../../../../src/ground/geometry/types.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, decideEach } from '../../../../src/job/decide.ts';
import type { Snag } from '../../../../src/job/findings.ts';
import type { PopUp } from '../../../../src/job/popUps.ts';
import type { Job, LayerChoice } from '../../../../src/job/types.ts';
import { planSize, type SizePlan } from '../../../../src/stations/size/planSize.ts';
import { jobWith, plan, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const layer = (id: string, popUp: Partial<PopUp>): LayerChoice => ({
  ...{ id, kind: 'popUp', faces: [], revealMm: 0, stockIds: [workshop.stocks[0]!.id], popUp },
});
const card = (format: 'sideFold' | 'tentFold', ...layers: readonly LayerChoice[]): Job =>
  jobWith(
    ...decideEach((job) => job.size, { format, finishedWidthMm: 140, finishedHeightMm: 140, options: {} }),
    decide((job) => job.size.layers, layers),
  );
const about = (job: Job): readonly Snag[] =>
  planSize({ job, workshop }).snags.filter(({ id, level }) => id.startsWith('size-popup') && level !== 'note');
const overlap = (a: Polygon, b: Polygon): number => common(a, b).reduce((sum, piece) => sum + areaOf(piece), 0);
const opening = ({ form, popUps }: SizePlan, name: RegExp): Polygon => {
  const cut = form.blank.cuts.find((one) => name.test(one.name))!;
  const [a, b, c, d, e, f] = popUps!.spread.toBlank;
  // The map mirrors and turns by quarters: solved by hand for what it came from.
  const det = a * d - b * c;
  return cut.points.map(({ xMm, yMm }) => ({
    xMm: (d * (xMm - e) - c * (yMm - f)) / det,
    yMm: (a * (yMm - f) - b * (xMm - e)) / det,
  }));
};
const lies = ({ popUps }: SizePlan, n: number): Polygon => {
  const { blank, joints } = popUps!.parts[n]!;
  return blank.outline.map((p) => apply(joints[0].onto, p));
};
const shifted = (polygon: Polygon, { xMm, yMm }: Point): Polygon =>
  polygon.map((p) => ({ xMm: p.xMm + xMm, yMm: p.yMm + yMm }));
const middle = (polygon: Polygon): Point => {
  const box = boxAround(polygon);
  return { xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 };
};
const format = fc.constantFrom('sideFold' as const, 'tentFold' as const);
const seenFrom = fc.constantFrom('outside' as const, 'inside' as const);
const pageId = fc.constantFrom('a', 'b');

describe('what is turned or pulled behind a window', () => {
  it('a wheel is behind all of its window and its finger hole, and as many pictures go round it as are said', () => {
    fc.assert(
      fc.property(
        format,
        seenFrom,
        pageId,
        fc.record({
          ...{ windowWideMm: fc.integer({ min: 8, max: 26 }), windowHighMm: fc.integer({ min: 8, max: 20 }) },
          ...{
            atDeg: fc.oneof(fc.constant(0), fc.integer({ min: -180, max: 180 })),
            riseMm: fc.integer({ min: 22, max: 26 }),
          },
          shape: fc.constantFrom('box' as const, 'oval' as const),
        }),
        (kind, from, at, part) => {
          const on = { layerId: null, at };
          const size = planSize({
            job: card(kind, layer('w', { mechanism: 'wheel', pastMm: 70, widthMm: 98, seenFrom: from, on, ...part })),
            workshop,
          });
          fc.pre(size.popUps!.parts.length === 1);
          const [disc, window] = [lies(size, 0), opening(size, /Window/)];
          for (const name of [/Window/, /Finger/, /Pin/])
            expect(
              opening(size, name).every((p) => contains(disc, p)),
              String(name),
            ).to.equal(true);
          const pin = middle(disc);
          expect(
            Math.hypot(pin.xMm - middle(opening(size, /Pin/)).xMm, pin.yMm - middle(opening(size, /Pin/)).yMm),
          ).to.be.below(1e-3);
          const { value } = size.figures.find(({ id }) => id === 'pictures-w')!;
          const n = value.kind === 'count' ? value.count : 0;
          expect(n).to.be.above(2);
          const turned = (deg: number): Polygon => window.map((p) => apply(rotationAbout(deg, pin), p));
          for (let k = 1; k < n; k += 1)
            expect(overlap(window, turned((360 * k) / n)), `${k} of ${n}`).to.be.below(0.2);
          // Straight above the pin one more would be seen in part with its neighbour.
          if (part.atDeg === 0) expect(overlap(window, turned(360 / (n + 1)))).to.be.above(0);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('a slider covers its window at rest and pulled, with another part of it, and its ears then meet the guide', () => {
    fc.assert(
      fc.property(
        format,
        seenFrom,
        pageId,
        fc.constantFrom('fore' as const, 'head' as const, 'foot' as const),
        fc.integer({ min: 8, max: 22 }),
        fc.integer({ min: 8, max: 22 }),
        (kind, from, at, pulls, wide, high) => {
          const on = { layerId: null, at };
          const asked = { windowWideMm: wide, windowHighMm: high, seenFrom: from, on, pulls };
          // The window 40 mm from the edge that it is pulled at, whichever that is of a page of 140 by 140.
          const aside = {
            fore: { pastMm: 100, alongMm: 0 },
            head: { pastMm: 70, alongMm: 30 },
            foot: { pastMm: 70, alongMm: 30 },
          };
          // Right of who looks away from the fold is its foot on page b, and its head on page a.
          const right = (pulls === 'foot') === (at === 'b') ? 1 : -1;
          const place = { ...aside[pulls], alongMm: aside[pulls].alongMm * right };
          const size = planSize({ job: card(kind, layer('s', { mechanism: 'slider', ...asked, ...place })), workshop });
          expect(size.popUps!.parts, size.snags.map(({ title }) => title).join()).to.have.length(3);
          const [strip, first, second] = [0, 1, 2].map((n) => lies(size, n)) as [Polygon, Polygon, Polygon];
          const window = opening(size, /Window/);
          const { value } = size.figures.find(({ id }) => id === 'travel-s')!;
          const travel = value.kind === 'length' ? value.mm : 0;
          expect(travel).to.be.above(0);
          // On the open pages the fold runs down their middle.
          const way: Point = {
            fore: { xMm: at === 'a' ? -1 : 1, yMm: 0 },
            head: { xMm: 0, yMm: -1 },
            foot: { xMm: 0, yMm: 1 },
          }[pulls];
          const by = { xMm: way.xMm * travel, yMm: way.yMm * travel };
          const [rest, pulled] = [strip, shifted(strip, by)];
          for (const one of [rest, pulled]) expect(overlap(one, window)).to.be.closeTo(areaOf(window), 0.01);
          // What is seen at rest is not seen pulled.
          expect(overlap(window, shifted(window, by))).to.be.below(1e-6);
          const box = boxAround(size.popUps!.spread.outlines[at]);
          const reach = (polygon: Polygon): number =>
            Math.max(...polygon.map((p) => p.xMm * way.xMm + p.yMm * way.yMm));
          const edge = reach([
            { xMm: box.xMm, yMm: box.yMm },
            { xMm: box.xMm + box.widthMm, yMm: box.yMm + box.heightMm },
          ]);
          expect(edge - reach(rest)).to.be.closeTo(2, 1e-6);
          // Its ears are wider than the guides’ bridge, and end up against the one behind the window.
          const ears = 8;
          const inner = (polygon: Polygon): number =>
            Math.min(...polygon.map((p) => p.xMm * way.xMm + p.yMm * way.yMm));
          expect(inner(pulled) + ears).to.be.closeTo(inner(second), 1e-6);
          // The guides keep off the window and off the notch.
          for (const guide of [first, second])
            for (const name of [/Window/, /Thumb/]) expect(overlap(guide, opening(size, name))).to.be.below(1e-6);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('is pinned or glued by its guides alone, moves under nothing that is glued, and is told so step by step', () => {
    const job = card(
      'sideFold',
      layer('w', { mechanism: 'wheel', on: { layerId: null, at: 'a' }, pastMm: 70 }),
      layer('s', { mechanism: 'slider', on: { layerId: null, at: 'b' }, pastMm: 100 }),
    );
    expect(about(job)).to.deep.equal([]);
    const whole = plan(changeJob(job, [decide((at) => at.sheet.grain, 'ignore')]));
    expect(whole.size.popUps!.spots.map(({ partId }) => partId)).to.deep.equal(['s-2', 's-2', 's-3', 's-3']);
    expect(whole.sheet.layers.map(({ id }) => id).sort()).to.deep.equal(['s-1', 's-2', 's-3', 'w-1']);
    expect(whole.sheet.layers.every(({ blank }) => blank.creases.length === 0)).to.equal(true);
    const steps = whole.make.steps.filter(({ kind }) => kind === 'popUp');
    expect(steps.map(({ title }) => title)).to.deep.equal([
      'Pin on the wheel behind a window',
      'Put in the slider behind a window',
    ]);
    expect(steps[0]!.caution).to.match(/Small parts/);
    const cuts = whole.cut.outlines.map(({ title }) => title);
    expect(cuts).to.include.members(['Cut the window of the wheel', 'Cut the thumb notch of the slider']);
  });

  const wrongs: readonly (readonly [string, RegExp, readonly LayerChoice[]])[] = [
    ['a window past its wheel', /looks past the wheel/, [layer('w', { mechanism: 'wheel', pastMm: 70, riseMm: 34 })]],
    [
      'no card for its pin',
      /no card for the wheel’s pin/,
      [layer('w', { mechanism: 'wheel', pastMm: 70, riseMm: 12 })],
    ],
    ['a window at the fold', /leaves too little of the/, [layer('w', { mechanism: 'wheel', pastMm: 20, atDeg: 90 })]],
    ['a slider too near its edge', /too near to the edge/, [layer('s', { mechanism: 'slider', pastMm: 125 })]],
    [
      'a window whose path is none',
      /window’s own outline is none/,
      [layer('w', { mechanism: 'wheel', pastMm: 70, shape: 'own', path: 'nonsense' })],
    ],
    ['a slider too long', /longer than its page/, [layer('s', { mechanism: 'slider', pastMm: 65, windowWideMm: 44 })]],
    [
      'glue where it has to turn',
      /want one place of the/,
      [layer('w', { mechanism: 'wheel', pastMm: 70 }), layer('b', { mechanism: 'boxStep', depthMm: 60, alongMm: 55 })],
    ],
  ];
  for (const [what, title, layers] of wrongs)
    it(`is stopped where it cannot be: ${what}; and every remedy mends it`, () => {
      const job = card('sideFold', ...layers);
      const snag = about(job).find((one) => title.test(one.title));
      expect(
        snag,
        about(job)
          .map((one) => one.title)
          .join(),
      ).to.not.equal(undefined);
      expect(snag!.level).to.equal('stop');
      expect(snag!.remedies.length).to.be.above(1);
      for (const { changes, label } of snag!.remedies)
        expect(
          about(changeJob(job, changes)).filter(({ id }) => id === snag!.id),
          label,
        ).to.deep.equal([]);
    });

  it('tells lengths in the maker’s unit, in what is wrong and in what would mend it', () => {
    const job = card('sideFold', layer('w', { mechanism: 'wheel', pastMm: 70, riseMm: 34 }));
    const said = (unit: 'mm' | 'in'): string =>
      planSize({ job, workshop: { ...workshop, unit } })
        .snags.filter(({ id }) => id === 'size-popup-w')
        .flatMap(({ why, remedies }) => [why, ...remedies.map(({ label }) => label)])
        .join(' ');
    expect(said('mm')).to.match(/Make the wheel \d+ mm across/);
    expect(said('in')).to.match(/Make the wheel \d[\d /]* in\b/);
  });

  it('is cut as round as it is drawn: within a hundredth of a millimetre of its circle', () => {
    const size = planSize({
      job: card('sideFold', layer('w', { mechanism: 'wheel', pastMm: 70, widthMm: 98 })),
      workshop,
    });
    const disc = lies(size, 0);
    const pin = middle(disc);
    for (const [a, b] of disc.map((p, i) => [p, disc[(i + 1) % disc.length]!] as const))
      expect(49 - Math.hypot((a.xMm + b.xMm) / 2 - pin.xMm, (a.yMm + b.yMm) / 2 - pin.yMm)).to.be.within(-1e-6, 0.01);
  });
});
