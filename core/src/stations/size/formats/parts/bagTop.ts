import type { BlankCut } from '../../../../ground/fold/types.ts';
import type { Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { FormatInput } from '../types.ts';
import { stepsFor } from './shapes.ts';

/** Card over a handle hole, and beside it. Our starting value: it carries what is in the bag. */
const OVER_HANDLE_MM = 8;
/** A handle hole is so wide for a finger’s height, and no higher than this. Our starting values. */
const HANDLE = { share: 0.35, mostMm: 14 } as const;

/** What a bag asks of its top, and of what it is glued by. */
export const BAG_INPUTS: readonly FormatInput[] = [
  {
    id: 'bagDeepMm',
    label: 'Deep, when it is open',
    kind: 'length',
    mayBeNull: false,
    limits: ({ widthMm, heightMm }) => [4, Math.min(widthMm, heightMm) * 0.75],
  },
  {
    id: 'topRiseMm',
    label: 'Top, arched by',
    says: 'Nought leaves it straight.',
    kind: 'length',
    mayBeNull: false,
    limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm * 0.4, heightMm * 0.3)],
  },
  {
    id: 'handleMm',
    label: 'Handle hole, wide',
    says: 'In front and back; nought for none.',
    kind: 'length',
    mayBeNull: false,
    limits: ({ widthMm, heightMm }) => [0, Math.min(widthMm * 0.5, heightMm * 0.4)],
  },
  {
    id: 'wingMm',
    label: 'Seam it is glued by',
    kind: 'length',
    mayBeNull: false,
    limits: ({ widthMm, heightMm }) => [4, Math.min(widthMm, heightMm) * 0.3],
  },
];

/**
 * The top edge of a panel from its left to its right: half an ellipse that reaches up to nought, or a straight line.
 * @param atMm where the panel begins
 */
export function topEdge(atMm: Mm, widthMm: Mm, riseMm: Mm): Polygon {
  const p = (xMm: Mm, yMm: Mm): Point => ({ xMm: atMm + xMm, yMm });
  if (riseMm <= 0) return [p(0, 0), p(widthMm, 0)];
  const count = stepsFor(Math.max(widthMm / 2, riseMm)) / 2;
  const inner = Array.from({ length: count - 1 }, (_, i) => {
    const turn = (Math.PI * (i + 1)) / count;
    return p((widthMm / 2) * (1 - Math.cos(turn)), riseMm * (1 - Math.sin(turn)));
  });
  return [p(0, riseMm), ...inner, p(widthMm, riseMm)];
}

/**
 * A rounded slot under the top edge, the same card over it at its ends as in its middle. Derivation: over a slot’s end,
 * half its width from the middle, the ellipse has come down by rise · (1 − √(1 − (slot ÷ panel)²)).
 */
export function handleHole(
  {
    id,
    panelAtMm,
    widthMm,
    riseMm,
  }: { readonly id: string; readonly panelAtMm: Mm; readonly widthMm: Mm; readonly riseMm: Mm },
  acrossMm: Mm,
): readonly BlankCut[] {
  if (acrossMm <= 0) return [];
  const highMm = Math.min(HANDLE.mostMm, acrossMm * HANDLE.share);
  const radius = highMm / 2;
  const top = OVER_HANDLE_MM + riseMm * (1 - Math.sqrt(1 - (acrossMm / widthMm) ** 2));
  const middle = panelAtMm + widthMm / 2;
  const count = stepsFor(radius) / 2;
  const end = (xMm: Mm, from: number): Polygon =>
    Array.from({ length: count + 1 }, (_, i): Point => {
      const turn = from + (Math.PI * i) / count;
      return { xMm: xMm + radius * Math.cos(turn), yMm: top + radius + radius * Math.sin(turn) };
    });
  const reach = acrossMm / 2 - radius;
  return [
    {
      ...{ id, kind: 'hole', name: 'Handle hole' },
      byHand: {
        title: 'Cut the handle hole',
        says: 'With a knife on a cutting mat, by the template, before anything is folded: both ends first, then along a rule.',
        tool: 'knife',
      },
      points: [...end(middle + reach, -Math.PI / 2), ...end(middle - reach, Math.PI / 2)],
    },
  ];
}
