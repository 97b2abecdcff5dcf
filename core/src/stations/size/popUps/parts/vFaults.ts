import type { Deg } from '../../../../ground/length/types.ts';
import type { PopUp } from '../../../../job/popUps.ts';
import type { Made } from '../types.ts';

/** Nearer than this to the gutter a crease is pinched between the pages. Our starting value. */
const LEAST_DEG = 3;

/** Why a V cannot lie flat between shut pages, or reach its own top; null when it does. */
export function vFaults(
  { lean, glueMm, heightMm, pieceDeg, glueDeg }: PopUp,
  [a]: readonly [Deg, Deg],
  [p, q]: readonly [Deg, Deg],
): Extract<Made, { readonly ok: false }> | null {
  const shutDeg = lean === 'fro' ? a + p : a - p;
  if (shutDeg > 180 - LEAST_DEG)
    return {
      ok: false,
      title: 'The V’s crease would go through the fold',
      why: `Shut, it lies at ${Math.round(a)}° + ${Math.round(p)}° from the head of the fold: 180° is the fold itself.`,
      mends: [
        { label: `Glue it at ${Math.floor(175 - pieceDeg)}°`, part: { glueDeg: Math.floor(175 - pieceDeg) } },
      ].filter(({ part }) => part.glueDeg >= 10),
    };
  if (shutDeg < LEAST_DEG)
    return {
      ok: false,
      title: 'The V’s crease would go through the fold',
      why: `Leaning to the head it lies at ${Math.round(a)}° − ${Math.round(p)}° from the fold when the card is shut.`,
      mends: [
        { label: 'Let it lean away from the head', part: { lean: 'fro' } },
        ...(glueDeg > 20
          ? [{ label: `Make its own angle ${Math.floor(glueDeg / 2)}°`, part: { pieceDeg: Math.floor(glueDeg / 2) } }]
          : []),
      ],
    };
  if (Math.min(p, q) < 1 || Math.max(p, q) > 150)
    return {
      ok: false,
      title: 'The second half of the fold has no angle of its own',
      why: `Shut, both halves end at one crease: its angle on the second page comes to ${Math.round(q)}°.`,
      mends: [{ label: 'Glue both halves at one angle', part: { otherGlueDeg: glueDeg } }],
    };
  const most = Math.max(...[p, q].map((deg) => glueMm * Math.cos((deg * Math.PI) / 180)));
  if (heightMm < most + 1)
    return {
      ok: false,
      title: 'The V’s crease is shorter than its glue lines rise',
      why: 'Its top is level, and would cut through its own tabs.',
      mends: [
        { label: (far) => `Make the crease ${far(Math.ceil(most + 5))}`, part: { heightMm: Math.ceil(most + 5) } },
      ],
    };
  return null;
}
