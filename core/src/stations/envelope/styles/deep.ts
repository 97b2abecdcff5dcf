import {
  BACK_EASE_MM,
  CLOSING,
  creaseAll,
  flapShare,
  front,
  hingeOf,
  GLUE_INSET_MM,
  hung,
  leanOf,
  p,
  topFlap,
} from './parts.ts';
import type { EnvelopeMeasures, EnvelopePanel, EnvelopeParts, EnvelopeStyle } from './types.ts';

/** Walls end this far from their corners, so that they stand up past each other. Our starting value. */
const CLEAR_MM = 0.5;
/** From this depth a wall has a pleat in its middle, by which the empty envelope shuts flat. Our starting value. */
const PLEATED_FROM_MM = 6;
/** The flap leans in so that no corner catches when it is tucked. */
const FLAP_LEAN = Math.tan((12 * Math.PI) / 180);

export const deep: EnvelopeStyle = {
  id: 'deep',
  name: 'Deep',
  inWords: 'deep',
  says: 'Walls all round for a thick card; pleats let it lie flat until it is filled.',
  mark: 'M4 10H33V23H4ZM4 10L8 6H37L33 10M37 6V19L33 23M9 6L12 2H33L36 6',
  opens: 'long',
  walls: true,
  asks: ['seamMm', 'flapMm', 'throatMm'],
  flapMm: flapShare(0.42),
  parts: walled,
  turnDeg: 0,
  working: 'width + two walls + two seams; flap + wall + height + wall + (height − throat)',
};

/**
 * A box with its lid on a long side. Derivation: walls as high as the depth stand at right angles on the front’s own
 * edges, the seams turn in on top of them at the depth, and the back lies on the seams; so front, back and walls bound
 * exactly width × height × depth.
 */
function walled(measures: EnvelopeMeasures): EnvelopeParts {
  const { insideWidthMm: w, insideHeightMm: h, depthMm: d, seamMm, flapMm, throatMm, cornerMm } = measures;
  const c = CLEAR_MM;
  const lean = leanOf(seamMm, h);
  const bottom = h + d + h - throatMm;
  const ease = BACK_EASE_MM;
  const right = wall({ id: 'right', on: 'front', d }, (outMm, inMm) => p(w + outMm, inMm), [h, 0], c);
  const left = wall({ id: 'left', on: 'front', d }, (outMm, inMm) => p(-outMm, inMm), [0, h], c);
  const foot = wall({ id: 'foot', on: 'front', d }, (outMm, inMm) => p(inMm, h + outMm), [0, w], c);
  const at90 = { shutDeg: 90 } as const;
  return {
    panels: [
      front([p(0, 0), p(w, 0), p(w, h), p(0, h)]),
      hung({ id: 'top', name: 'wall', on: 'front' }, [p(w, 0), p(0, 0), ...hingeOf(measures, c, -d)], at90),
      right90(topFlap(measures, { on: 'top', yMm: -d, inMm: c, leanMm: Math.min(flapMm * FLAP_LEAN, w / 4) })),
      ...right.panels,
      hung(
        { id: 'rightSeam', name: 'seam', on: right.last },
        [p(w + d, h - c), p(w + d, c), p(w + d + seamMm, c + lean), p(w + d + seamMm, h - c - lean)],
        { ...at90, cornerMm },
      ),
      ...foot.panels,
      hung(
        { id: 'back', name: 'back', on: foot.last },
        [p(c, h + d), p(w - c, h + d), p(w - ease, bottom), p(ease, bottom)],
        { ...at90, cornerMm },
      ),
      ...left.panels,
      hung(
        { id: 'leftSeam', name: 'seam', on: left.last },
        [p(-d, c), p(-d, h - c), p(-d - seamMm, h - c - lean), p(-d - seamMm, c + lean)],
        { ...at90, cornerMm },
      ),
    ],
    bonds: [
      { id: 'leftSeam', name: 'seam', over: 'back', under: 'leftSeam', glueOn: 'under' },
      { id: 'rightSeam', name: 'seam', over: 'back', under: 'rightSeam', glueOn: 'under' },
      CLOSING,
    ],
    steps: [
      creaseAll('long lines'),
      ...(d >= PLEATED_FROM_MM
        ? [{ says: 'Crease the middle of each wall on the outside, lightly: there it folds away from you.' }]
        : []),
      { says: 'Stand the side walls up square.', folds: ['left', 'right'] },
      { says: 'Turn both seams in.', folds: ['leftSeam', 'rightSeam'] },
      { says: `Glue the outside of the seams, ${GLUE_INSET_MM} mm off every edge.` },
      {
        says: 'Stand the foot up and turn the back over on to the seams; press against a block of card laid inside.',
        folds: ['foot', 'back'],
      },
      {
        says: 'Stand the top wall up and fold the flap down. Glue it only when the card is in.',
        folds: ['top', 'flap'],
      },
    ],
  };
}

const right90 = (panel: EnvelopePanel): EnvelopePanel => ({ ...panel, hangs: { ...panel.hangs!, shutDeg: 90 } });

/**
 * A wall on an edge of the front, in one piece or as two halves with a pleat between them that stays flat once a card is
 * in.
 * @param at a point so far out from the edge and so far along it
 * @param along where the edge begins and ends, in the order in which the wall’s first two points run
 */
function wall(
  { id, on, d }: { readonly id: string; readonly on: string; readonly d: number },
  at: (outMm: number, alongMm: number) => ReturnType<typeof p>,
  [from, to]: readonly [number, number],
  clearMm: number,
): { readonly panels: readonly EnvelopePanel[]; readonly last: string } {
  const sense = Math.sign(to - from) * clearMm;
  const [a, b] = [from + sense, to - sense];
  const upright = { shutDeg: 90 } as const;
  if (d < PLEATED_FROM_MM)
    return {
      last: id,
      panels: [hung({ id, name: 'wall', on }, [at(0, from), at(0, to), at(d, b), at(d, a)], upright)],
    };
  const half = `${id}Outer`;
  return {
    last: half,
    panels: [
      hung({ id, name: 'wall', on }, [at(0, from), at(0, to), at(d / 2, b), at(d / 2, a)], upright),
      hung({ id: half, name: '', on: id, crease: `${id}Pleat` }, [at(d / 2, a), at(d / 2, b), at(d, b), at(d, a)], {
        shutDeg: 0,
        way: 'away',
      }),
    ],
  };
}
