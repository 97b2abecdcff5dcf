import { expect } from 'chai';
import fc from 'fast-check';
import { inSpace } from '../../../../src/ground/fold/foldBlank.ts';
import { move, type Vec3 } from '../../../../src/ground/fold/space.ts';
import { motionOf } from '../../../../src/ground/linkage/motionOf.ts';
import { placeParts } from '../../../../src/ground/linkage/placeParts.ts';
import type { Linkage, Moment } from '../../../../src/ground/linkage/types.ts';
import { POP_UP_STARTS, type MechanismId, type PopUp } from '../../../../src/job/popUps.ts';
import { mechanismOf } from '../../../../src/stations/size/popUps/mechanisms/index.ts';
import type { Gutter, MadePopUp, Seat, Site } from '../../../../src/stations/size/popUps/types.ts';
import { IDENTITY } from '../../../../src/ground/geometry/affine.ts';
import { runs } from '../../../runs.ts';

/** How near the solver and what is known in closed form have to be. */
const NEAR_MM = 0.01;
const rad = (deg: number): number => (deg * Math.PI) / 180;

const page = (panelId: 'a' | 'b') => ({ body: { partId: null, panelId }, toBody: IDENTITY });
const gutter: Gutter = { a: page('a'), b: page('b'), name: 'fold' };
const site = (more: Partial<Site> = {}): Site => ({ layerId: 'p', gutter, seat: null, other: null, ...more });

function made(mechanism: MechanismId, part: Partial<PopUp>, at: Site = site()): MadePopUp {
  const { make } = mechanismOf(mechanism);
  const answer = make({ ...POP_UP_STARTS[mechanism], ...part }, at);
  if (!answer.ok) throw new Error(answer.title);
  return answer.made;
}
const linkage = (...pieces: readonly MadePopUp[]): Linkage => ({
  parts: pieces.flatMap(({ parts }) => parts),
  straps: pieces.flatMap(({ bands = [] }) => bands),
  alike: pieces.flatMap(({ alike = [] }) => alike),
});
/** Where a point of a panel is at one opening. */
function where(link: Linkage, moment: Moment, partId: string, panelId: string, xMm: number, yMm: number): Vec3 {
  return move(placeParts(link.parts, moment.state, moment.openDeg).get(`${partId}/${panelId}`)!, inSpace({ xMm, yMm }));
}
const far = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const scalar = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** The second page’s way from the gutter: over the first when shut, straight on when flat. */
const wayB = (deg: number): Vec3 => [-Math.cos(rad(deg)), 0, Math.sin(rad(deg))];
const each = (link: Linkage, check: (moment: Moment) => void): void => {
  for (const moment of motionOf(link)) check(moment);
};
/** Nothing that is glued comes off on the way, but for where pages are exactly shut. */
const holds = ({ gapsMm, openDeg }: Moment): void => {
  for (const [id, gap] of Object.entries(gapsMm)) expect(gap, `${id} at ${openDeg}`).to.be.below(NEAR_MM);
};

const lies = fc.constantFrom('hidden' as const, 'showing' as const);
const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('what moves as a card opens', () => {
  it('a box step 30 mm high that stands 20 mm out is a box at a right angle: its ridge 20 mm out and 30 mm up', () => {
    const link = linkage(made('boxStep', { depthMm: 20, heightMm: 30, alongMm: 10, widthMm: 40 }));
    const upright = motionOf(link).find(({ openDeg }) => openDeg === 90)!;
    // The strip: a tab of 8, the front of 30, the top of 20, a tab.
    expect(far(where(link, upright, 'p-1', 'legA', 38, 0), [-20, -10, 30])).to.be.below(NEAR_MM);
    expect(far(where(link, upright, 'p-1', 'legB', 58, 40), [0, -50, 30])).to.be.below(NEAR_MM);
  });

  it('a box step is a parallelogram at every opening', () => {
    fc.assert(
      fc.property(mm(5, 60), mm(5, 60), lies, (depthMm, heightMm, tabs) => {
        const link = linkage(made('boxStep', { depthMm, heightMm, tabs, tabMm: 5 }));
        each(link, (moment) => {
          holds(moment);
          const b = wayB(moment.openDeg);
          const ridge = where(link, moment, 'p-1', 'legA', 5 + heightMm, 0);
          expect(far(ridge, [-depthMm + heightMm * b[0], -40, heightMm * b[2]])).to.be.below(NEAR_MM);
        });
      }),
      { numRuns: runs(20) },
    );
  });

  it('a tent’s ridge is where circles of its legs about its feet meet, above the pages', () => {
    fc.assert(
      fc.property(mm(8, 50), mm(8, 50), mm(0, 1), lies, (a, b, share, tabs) => {
        // Long enough to reach across flat pages, so that it is never taut.
        const legA = b + share * 40;
        const legB = a + legA - b;
        const link = linkage(made('tent', { depthMm: a, otherDepthMm: b, heightMm: legA, tabs, tabMm: 5 }));
        each(link, (moment) => {
          if (moment.openDeg === 180 && share < 0.01) return;
          const { openDeg } = moment;
          holds(moment);
          const [p, q]: [Vec3, Vec3] = [[-a, 0, 0], wayB(openDeg).map((v) => v * b) as unknown as Vec3];
          const base = far(p, q);
          const ridge = where(link, moment, 'p-1', 'legA', 5 + legA, 0);
          const flat: Vec3 = [ridge[0], 0, ridge[2]];
          expect(far(flat, p)).to.be.closeTo(legA, NEAR_MM);
          expect(far(flat, q)).to.be.closeTo(legB, NEAR_MM);
          // Of the two places, the one away from the gutter.
          const side = (o: Vec3): number => (q[0] - p[0]) * (o[2] - p[2]) - (q[2] - p[2]) * (o[0] - p[0]);
          if (openDeg > 0 && openDeg < 177 && base > 1) expect(side(flat) * side([0, 0, 0])).to.be.below(1e-6);
        });
      }),
      { numRuns: runs(20) },
    );
  });

  it('a V’s crease rises as the scalar product of it and its glue lines says', () => {
    fc.assert(
      fc.property(
        mm(20, 80),
        mm(50, 95),
        fc.constantFrom('fro' as const, 'to' as const),
        lies,
        (alpha, other, lean, tabs) => {
          // Leaning to its head its own angle is the smaller one.
          const beta = lean === 'fro' ? Math.max(other, alpha + 2) : alpha * 0.8;
          const heightMm = 30 * Math.max(0, Math.cos(rad(beta))) + 20;
          const link = linkage(
            made('vFold', { glueDeg: alpha, pieceDeg: beta, lean, tabs, glueMm: 30, heightMm, alongMm: 0, tabMm: 5 }),
          );
          const [part] = link.parts;
          const crease = part!.blank.creases.find(({ id }) => id === 'middle')!;
          let before: number | null = null;
          each(link, (moment) => {
            const { openDeg } = moment;
            const share = Math.hypot(Math.cos(rad(alpha)), Math.sin(rad(alpha)) * Math.cos(rad(openDeg / 2)));
            // Leaning to its head, there comes an opening at which its halves are flat and pull.
            if (Math.cos(rad(beta)) > share - 1e-3) return;
            holds(moment);
            const top = where(link, moment, 'p-1', 'left', crease.from.xMm, crease.from.yMm);
            const foot = where(link, moment, 'p-1', 'left', crease.to.xMm, crease.to.yMm);
            expect(Math.hypot(...foot)).to.be.below(NEAR_MM);
            const way = top.map((v) => v / heightMm) as unknown as Vec3;
            const glueA: Vec3 = [-Math.sin(rad(alpha)), Math.cos(rad(alpha)), 0];
            expect(scalar(way, glueA) * heightMm).to.be.closeTo(Math.cos(rad(beta)) * heightMm, NEAR_MM);
            // It stays in the plane between the pages, on the reader’s side, and φ is the sum’s solution that began there.
            const between: Vec3 = [-Math.cos(rad(openDeg / 2)), 0, Math.sin(rad(openDeg / 2))];
            const phi = Math.atan2(scalar(way, between), way[1]);
            const tilt = Math.atan2(Math.sin(rad(alpha)) * Math.cos(rad(openDeg / 2)), Math.cos(rad(alpha)));
            const arc = Math.acos(Math.cos(rad(beta)) / share);
            expect(phi * heightMm).to.be.closeTo((lean === 'fro' ? tilt + arc : tilt - arc) * heightMm, NEAR_MM);
            if (before !== null) expect(Math.abs(phi - before)).to.be.below(rad(lean === 'fro' ? 20 : 60));
            before = phi;
          });
        },
      ),
      { numRuns: runs(30) },
    );
  });

  it('a V glued at 45° with a square piece stands at 90° wide open, and half way lies as its sum says', () => {
    const link = linkage(made('vFold', { glueDeg: 45, pieceDeg: 90, heightMm: 40, glueMm: 30, alongMm: 0 }));
    const motion = motionOf(link);
    const rise = (openDeg: number): number => {
      const moment = motion.find((one) => one.openDeg === openDeg)!;
      const { from } = link.parts[0]!.blank.creases.find(({ id }) => id === 'middle')!;
      const [x, y, z] = where(link, moment, 'p-1', 'left', from.xMm, from.yMm);
      return (Math.atan2(Math.hypot(x, z), y) * 180) / Math.PI;
    };
    // Square to the pages: cos φ = cos β ÷ cos α = 0.
    expect(rise(180)).to.be.closeTo(90, 0.02);
    // At 90° open: cos φ + cos 45° sin φ = 0, so tan φ = −√2 and φ = 125.264°.
    expect(rise(90)).to.be.closeTo(125.2644, 0.02);
    expect(rise(0)).to.be.closeTo(135, 0.02);
  });

  it('an angled fold’s crease lies at its own angle to either glue line', () => {
    fc.assert(
      fc.property(mm(30, 70), mm(30, 70), mm(75, 100), lies, (alpha, other, beta, tabs) => {
        const second = alpha + beta - other;
        fc.pre(second > 45 && second < 140 && alpha + other < beta + second - 4);
        const heightMm = 45;
        const link = linkage(
          made('angledFold', {
            ...{
              glueDeg: alpha,
              otherGlueDeg: other,
              pieceDeg: beta,
              heightMm,
              glueMm: 30,
              alongMm: 0,
              tabMm: 5,
              tabs,
            },
          }),
        );
        const crease = link.parts[0]!.blank.creases.find(({ id }) => id === 'middle')!;
        each(link, (moment) => {
          holds(moment);
          const top = where(link, moment, 'p-1', 'left', crease.from.xMm, crease.from.yMm);
          const b = wayB(moment.openDeg);
          const glueA: Vec3 = [-Math.sin(rad(alpha)), Math.cos(rad(alpha)), 0];
          const glueB: Vec3 = [b[0] * Math.sin(rad(other)), Math.cos(rad(other)), b[2] * Math.sin(rad(other))];
          expect(scalar(top, glueA)).to.be.closeTo(heightMm * Math.cos(rad(beta)), NEAR_MM);
          expect(scalar(top, glueB)).to.be.closeTo(heightMm * Math.cos(rad(second)), NEAR_MM);
        });
      }),
      { numRuns: runs(20) },
    );
  });

  it('a floating layer keeps parallel to both pages, as high as its legs lean', () => {
    fc.assert(
      fc.property(mm(22, 60), mm(4, 30), mm(0, 10), (depthMm, heightMm, pastMm) => {
        const link = linkage(made('floating', { depthMm, heightMm, pastMm, alongMm: 20, widthMm: 50, tabMm: 8 }));
        each(link, (moment) => {
          holds(moment);
          const { openDeg } = moment;
          // Its crease stands over the gutter in the plane between the pages.
          const up: Vec3 = [-Math.cos(rad(openDeg / 2)), 0, Math.sin(rad(openDeg / 2))];
          const half = depthMm + pastMm;
          const crease = where(link, moment, 'p-2', 'left', half, 0);
          expect(far(crease, [heightMm * up[0], -20, heightMm * up[2]])).to.be.below(NEAR_MM);
          const edge = where(link, moment, 'p-2', 'left', 0, 0);
          expect(far(edge, [heightMm * up[0] - half, -20, heightMm * up[2]])).to.be.below(NEAR_MM);
          const b = wayB(openDeg);
          const other = where(link, moment, 'p-2', 'right', 2 * half, 50);
          expect(far(other, [heightMm * up[0] + half * b[0], -70, heightMm * up[2] + half * b[2]])).to.be.below(
            NEAR_MM,
          );
        });
      }),
      { numRuns: runs(20) },
    );
  });

  it('a step on a step is a step of its own, at every opening', () => {
    const first = made('boxStep', { depthMm: 40, heightMm: 50, alongMm: 10, widthMm: 60, tabMm: 6 });
    const second = made(
      'boxStep',
      { depthMm: 12, heightMm: 18, alongMm: 20, widthMm: 30, tabMm: 6 },
      site({ layerId: 'q', gutter: first.gutters!.foot! }),
    );
    const link = linkage(first, second);
    each(link, (moment) => {
      holds(moment);
      // Its gutter is the first one’s foot, 40 mm out; it stands 12 mm before that and 18 mm up the first one’s front.
      const b = wayB(moment.openDeg);
      const ridge = where(link, moment, 'q-1', 'legA', 6 + 18, 0);
      expect(far(ridge, [-40 - 12 + 18 * b[0], -20, 18 * b[2]])).to.be.below(NEAR_MM);
    });
  });

  it('keeps every panel’s sides as long as they were cut, and lies flat when shut', () => {
    const kinds = fc.constantFrom<MechanismId>('boxStep', 'tent', 'bridge', 'vFold', 'floating');
    fc.assert(
      fc.property(kinds, lies, fc.integer({ min: 1, max: 39 }), (kind, tabs, step) => {
        const link = linkage(made(kind, { tabs }));
        const motion = motionOf(link);
        for (const moment of [motion[step]!, motion[0]!]) {
          const poses = placeParts(link.parts, moment.state, moment.openDeg);
          for (const { id, blank } of link.parts)
            for (const { id: panelId, outline } of blank.panels) {
              const corners = outline.map((p) => move(poses.get(`${id}/${panelId}`)!, inSpace(p)));
              corners.forEach((corner, i) => {
                const j = (i + 1) % corners.length;
                const cut = Math.hypot(outline[j]!.xMm - outline[i]!.xMm, outline[j]!.yMm - outline[i]!.yMm);
                expect(far(corner, corners[j]!)).to.be.closeTo(cut, NEAR_MM);
                if (moment.openDeg === 0) expect(Math.abs(corner[2])).to.be.below(NEAR_MM);
              });
            }
        }
      }),
      { numRuns: runs(20) },
    );
  });

  it('says how far a tent that is too short stays from its glue: it cannot open flat', () => {
    // Feet 40 mm out on both sides, legs of 30: at 180° 80 mm apart and 60 mm of paper.
    const link = linkage(made('tent', { depthMm: 40, otherDepthMm: 40, heightMm: 30 }));
    const motion = motionOf(link);
    const gap = (openDeg: number): number =>
      Math.max(...Object.values(motion.find((m) => m.openDeg === openDeg)!.gapsMm));
    // Taut where 2 · 40 · sin(θ/2) = 60, at 97.18°.
    expect(gap(94.5)).to.be.below(NEAR_MM);
    expect(gap(103.5)).to.be.above(0.3);
    expect(gap(180)).to.be.above(15);
  });

  it('a strap lifts a lid from nothing to 70° as two circles say', () => {
    const seat = (panelId: 'a' | 'b', way: -1 | 1): Seat => ({
      body: { partId: null, panelId },
      foot: { xMm: 0, yMm: 60 },
      up: { xMm: way, yMm: 0 },
      name: panelId,
    });
    const lid = made('lid', { pastMm: 20, heightMm: 40, widthMm: 30 }, site({ gutter: null, seat: seat('b', 1) }));
    // From 25 mm out on the first page to 30 mm up the lid, whose hinge is 20 mm out on the second.
    const at = (longMm: number) =>
      made(
        'pull',
        { riseMm: 25, otherRiseMm: 30, longMm },
        site({ layerId: 'q', gutter: null, seat: seat('a', -1), other: lid.seats!.lid! }),
      );
    // Wide open the hinge is 45 mm from the strap’s end; the lid at 70° from its page, so at 110° to the line back to it.
    const longMm = Math.sqrt(45 ** 2 + 30 ** 2 - 2 * 45 * 30 * Math.cos(rad(110)));
    const link = linkage(lid, at(longMm));
    let lifted = 0;
    each(link, (moment) => {
      holds(moment);
      const { openDeg } = moment;
      const angle = moment.state['p-1']!.hinge!;
      // The lid’s end and the strap’s, by the cosine rule about the hinge.
      const hinge = wayB(openDeg).map((v) => v * 20) as unknown as Vec3;
      const d = far([-25, 0, 0], hinge);
      const lying = far([-25, 0, 0], wayB(openDeg).map((v) => v * 50) as unknown as Vec3);
      if (lying <= longMm) {
        expect(angle, `loose at ${openDeg}`).to.be.closeTo(0, 1e-6);
        return;
      }
      const at = Math.acos((d * d + 30 * 30 - longMm * longMm) / (2 * d * 30));
      const back = Math.acos(
        scalar([-25 - hinge[0], 0, -hinge[2]], wayB(openDeg).map((v) => -v) as unknown as Vec3) / d,
      );
      expect(rad(angle) * 30).to.be.closeTo((Math.PI - at - back) * 30, NEAR_MM);
      lifted = angle;
    });
    expect(lifted).to.be.closeTo(70, 0.02);
  });
});
