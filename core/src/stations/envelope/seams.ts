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
  /** A strip as long as the glued area’s longest edge and as large as the area. */
  readonly box: { readonly widthMm: Mm; readonly heightMm: Mm };
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
        const box = { widthMm: longest, heightMm: areaOf(glued) / longest };
        return [{ name, adhesive, box, laying: layAdhesive(onGlueArea(adhesive), box, loadGrams) }];
      })
    : [];

/** What it is to be kept off an edge beyond what a glue area is already. */
const onGlueArea = (adhesive: Adhesive): Adhesive => ({
  ...adhesive,
  offEdgeMm: Math.max(0, adhesive.offEdgeMm - GLUE_INSET_MM),
});

/** That a seam does not take what is to hold it; the first such, since one adhesive holds them all. */
export function seamSnags(
  workshop: Workshop,
  seams: readonly Seam[],
  {
    stock,
    loadGrams,
    seamMm,
    mayWiden,
  }: {
    readonly stock: Stock;
    readonly loadGrams: number;
    readonly seamMm: Mm;
    /** The style has a seam whose width is chosen. */
    readonly mayWiden: boolean;
  },
): readonly Snag[] {
  const [bad] = seams.filter(({ laying, adhesive }) => !laying.ok || cockles(adhesive, stock.gsm));
  if (!bad) return [];
  const { name, adhesive, box, laying } = bad;
  const snags = adhesiveSnag(
    // Areas are inside their edges already, whatever is tried on them.
    { ...workshop, adhesives: workshop.adhesives.map(onGlueArea) },
    {
      ...{ id: 'envelope-seam-holds', station: 'envelope', what: `The envelope’s ${name}`, adhesive, laying, box },
      ...{ loadGrams, gsm: stock.gsm, isCockling: cockles(adhesive, stock.gsm) },
      use: (id) => [decide((job) => job.envelope.adhesiveId, id)],
    },
  );
  const wider = Math.ceil(seamMm + adhesive.widthMm - box.heightMm);
  if (laying.ok || laying.reason !== 'tooNarrow' || !mayWiden || wider > LIMITS.envelope.seamMm.most) return snags;
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
