import { areaOf } from '../../ground/geometry/polygon.ts';
import { decide } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { LIMITS } from '../../job/limits.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Mm } from '../../ground/length/types.ts';
import { cockles, layAdhesive, type Laying } from '../../workshop/adhesives.ts';
import type { Adhesive, Stock, Workshop } from '../../workshop/types.ts';
import { adhesiveSnag } from '../size/adhesiveSnag.ts';
import type { Held } from './build/types.ts';
import { GLUE_INSET_MM } from './styles/parts.ts';

/** One part glued on another, with what holds it. */
export interface Seam {
  readonly name: string;
  readonly adhesive: Adhesive;
  readonly laying: Laying;
}

/** How an adhesive is laid on an envelope’s glued areas, which are inside their edges already, for what lies in it. */
export const seamsOf = (held: readonly Held[], adhesive: Adhesive | null, loadGrams: number): readonly Seam[] =>
  adhesive
    ? held.flatMap(({ name, glued }): readonly Seam[] => {
        if (!glued) return [];
        const longest = Math.max(
          ...glued.map((p, i) => {
            const q = glued[(i + 1) % glued.length]!;
            return Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm);
          }),
        );
        // A strip as long as the glued area’s longest edge and as large as the area.
        const box = { widthMm: longest, heightMm: areaOf(glued) / longest };
        return [{ name, adhesive, laying: layAdhesive(onGlueArea(adhesive), box, loadGrams) }];
      })
    : [];

/** What it is to be kept off an edge beyond what a glue area is already. */
const onGlueArea = (adhesive: Adhesive): Adhesive => ({
  ...adhesive,
  offEdgeMm: Math.max(0, adhesive.offEdgeMm - GLUE_INSET_MM),
});

/** How many whole millimetres wider a seam is tried. Our starting value: one such changes the style, not the seam. */
const TRIED_WIDER_MM = 20;

/** An envelope’s seams, and what they would be if they were wider; null for a style that is asked for no seam. */
interface Asked {
  readonly held: readonly Held[];
  readonly adhesive: Adhesive | null;
  readonly stock: Stock;
  readonly loadGrams: number;
  readonly seamMm: Mm;
  readonly heldAt: ((seamMm: Mm) => readonly Held[]) | null;
}

/** That a seam does not take what is to hold it; the first such, since one adhesive holds them all. */
export function seamSnags(
  workshop: Workshop,
  { held, adhesive, stock, loadGrams, seamMm, heldAt }: Asked,
): readonly Snag[] {
  const [bad] = seamsOf(held, adhesive, loadGrams).filter(
    (seam) => !seam.laying.ok || cockles(seam.adhesive, stock.gsm),
  );
  if (!bad) return [];
  const { name, laying } = bad;
  const holds = (by: Adhesive, of = held): boolean => seamsOf(of, by, loadGrams).every((seam) => seam.laying.ok);
  const snags = adhesiveSnag(workshop, {
    ...{ id: 'envelope-seam-holds', station: 'envelope', what: `The envelope’s ${name}`, adhesive: bad.adhesive },
    ...{ laying, loadGrams, gsm: stock.gsm },
    wouldHold: (other) => holds(other),
    use: (id) => [decide((job) => job.envelope.adhesiveId, id)],
  });
  if (laying.ok || laying.reason !== 'tooNarrow' || !heldAt) return snags;
  const wider = Array.from({ length: TRIED_WIDER_MM }, (_, i) => Math.floor(seamMm) + 1 + i).find(
    (mm) => mm <= LIMITS.envelope.seamMm.most && holds(bad.adhesive, heldAt(mm)),
  );
  if (wider === undefined) return snags;
  return snags.map((snag) => ({
    ...snag,
    remedies: [
      {
        label: `Make the seam ${formatLength(wider, workshop.unit)}`,
        changes: [decide((job) => job.envelope.seamMm, wider)],
      },
      ...snag.remedies,
    ],
  }));
}
