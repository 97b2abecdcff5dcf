import { count, figure, plural, ratio, share, words } from '../../job/figures.ts';
import { foldsOf } from './foldsOf.ts';
import { recipesFor, sayShare, sayTip, type Folds, type Recipe } from '../../stations/stock/recipe.ts';
import type { SheetContext } from '../../stations/sheet/planSheet.ts';
import type { SheetPlan } from '../../stations/sheet/types.ts';
import type { StockPlan } from '../../stations/stock/planStock.ts';
import { isScored } from '../../workshop/readyCut.ts';

/**
 * The stock’s plan with how its folds are pressed. Whether that lies along the grain is known only once the card lies on its
 * sheet, and whether ink runs over it only once there is art; the coating alone decided until then.
 */
export function withRecipe(
  context: SheetContext & { readonly sheet: SheetPlan; readonly stock: Omit<StockPlan, 'recipes'> },
): StockPlan {
  const { job, size, art, stock: facts, sheet } = context;
  const { stock, printer } = facts;
  const folds = foldsOf(job, size.form, art, sheet);
  if (!folds || isScored(stock.readyCut)) return { ...facts, recipes: null };
  const recipes = recipesFor(stock, folds, facts.pressing, job.crease, printer.ink);
  const { inForce } = recipes;
  const press = {
    id: 'press',
    good: inForce.keeps,
    text: `${inForce.damp ? 'Wet the line, then press' : 'Press'} ${inForce.school === 'firm' ? 'firmly' : 'lightly'}, ${inForce.passes} full-length passes with a tip of ${sayTip(inForce)}, because ${inForce.why}: ${sayShare(inForce.cracks.cracked)} of folds would crack.`,
  };
  return {
    ...facts,
    recipes,
    pressing: inForce,
    verdicts: facts.verdicts.map((verdict) => (verdict.id === 'press' ? press : verdict)),
    figures: facts.figures.flatMap((one) =>
      one.id === 'tip' ? [{ ...one, value: words(sayTip(inForce)) }, cracksFigure(inForce, folds)] : [one],
    ),
  };
}

const cracksFigure = ({ cracks, passes, school }: Recipe, { fibres, ink }: Folds): ReturnType<typeof figure> =>
  figure(
    'cracks',
    'Folds that crack',
    share(cracks.cracked),
    cracks.judged > 0
      ? 'one scale of strain, thickness, coating, grain, pressing and ink, as your own folds of this stock correct it'
      : 'one scale of strain, thickness, coating, grain, pressing and ink, with our starting values: fold three strips on its own page in Workshop',
    {
      'Outer strain': ratio(cracks.strain),
      Pressed: words(`${passes} ${school} ${plural(passes, 'pass')}${passes === 1 ? '' : 'es'}`),
      Fibres: words(`${fibres} the fold`),
      'Over it': words({ bare: 'bare card', print: 'print', solid: 'a solid' }[ink]),
      'Rough or worse': share(cracks.rough),
      'Folds judged': count(cracks.judged),
    },
  );
