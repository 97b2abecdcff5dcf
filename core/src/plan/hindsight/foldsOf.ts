import type { Crease, FoldedForm } from '../../ground/fold/types.ts';
import type { Job } from '../../job/types.ts';
import { FOLD_INKS, type FoldInk } from '../../workshop/measuring/types.ts';
import { hasPrint } from '../../stations/art/faces/drawCard.ts';
import type { ArtPlan } from '../../stations/art/types.ts';
import type { SheetPlan } from '../../stations/sheet/types.ts';
import type { Folds } from '../../stations/stock/recipe.ts';

/**
 * What the folds of a card are, each at its worst: all lines of a card are pressed alike.
 * @returns null where nothing is folded
 */
export function foldsOf(
  job: Job,
  { blank }: Pick<FoldedForm, 'blank'>,
  art: Pick<ArtPlan, 'faces'>,
  { grainAlongFold }: Pick<SheetPlan, 'grainAlongFold'>,
): Folds | null {
  if (blank.creases.length === 0) return null;
  const inks = blank.creases.map((crease) => inkOver(job, crease, art));
  return {
    fibres: grainAlongFold === false ? 'across' : 'along',
    ink: FOLD_INKS[Math.max(...inks.map((ink) => FOLD_INKS.indexOf(ink)))]!,
    mayWet: !art.faces.some(hasPrint),
    closesDeg: Math.max(...blank.creases.map(({ shutDeg }) => Math.abs(shutDeg))),
  };
}

/** What is printed on the side that a fold stretches, on the panels that it joins. */
function inkOver(job: Job, { direction, joins }: Crease, { faces }: Pick<ArtPlan, 'faces'>): FoldInk {
  const outer = direction === 'mountain' ? 'outside' : 'inside';
  const beside = faces.filter(({ face }) => face.side === outer && joins.includes(face.panelId));
  const runsOver = beside.some(({ face }) => {
    const own = job.art.faces[face.id];
    return own && (own.background !== null || own.picture !== null || own.gradient || own.pattern);
  });
  if (runsOver) return 'solid';
  return beside.some(hasPrint) ? 'print' : 'bare';
}
