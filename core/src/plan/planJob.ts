import { withRecipe } from './hindsight/recipe.ts';
import { withStanding } from './hindsight/standing.ts';
import { asBought } from './asBought.ts';
import { standIns } from './standIns.ts';
import { planArt } from '../stations/art/planArt.ts';
import type { ArtPlan } from '../stations/art/types.ts';
import { withDrift } from './hindsight/drift.ts';
import type { InkLattice } from '../stations/art/ink/inkTotal.ts';
import type { TypefaceBook } from '../stations/art/words/typefaces.ts';
import { planBrief, type BriefPlan } from '../stations/brief/planBrief.ts';
import { planCrease } from '../stations/crease/planCrease.ts';
import type { CreasePlan } from '../stations/crease/types.ts';
import { planCuts } from '../stations/cut/planCuts.ts';
import type { CutPlan } from '../stations/cut/types.ts';
import { planEnvelope, type EnvelopePlan } from '../stations/envelope/planEnvelope.ts';
import { STATIONS, type Station } from '../job/stations.ts';
import type { Job } from '../job/types.ts';
import type { Snag } from '../job/findings.ts';
import type { Workshop } from '../workshop/types.ts';
import { planMake } from '../stations/make/planMake.ts';
import type { MakePlan } from '../stations/make/types.ts';
import { planSell, type SellPlan } from '../stations/sell/planSell.ts';
import { nameSheet } from '../stations/sheet/draw/nameSheet.ts';
import { planSheet } from '../stations/sheet/planSheet.ts';
import type { SheetPlan } from '../stations/sheet/types.ts';
import { planSize, type SizePlan } from '../stations/size/planSize.ts';
import { planStock, type StockPlan } from '../stations/stock/planStock.ts';

export interface Plan {
  readonly brief: BriefPlan;
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
  readonly cut: CutPlan;
  readonly crease: CreasePlan;
  readonly envelope: EnvelopePlan;
  readonly make: MakePlan;
  readonly sell: SellPlan;
}

export interface PlanContext {
  readonly typefaces: TypefaceBook;
  /** ISO day; null where no clock is read. */
  readonly today: string | null;
  /** Which card of a list of names is looked at, counted from nought, and which sheet, from one. */
  readonly card?: number;
  readonly sheetNumber?: number;
  /** What colours come to in press inks; without it nothing is said about the ink they ask for. */
  readonly inks?: InkLattice | null;
}

/**
 * Everything that follows from a maker’s decisions. Pure: the same job, workshop, fonts and day always
 * give the same plan. Each station is told the decisions, the workshop and the stations before it; two of them are told
 * something more in hindsight.
 * @param decided what the workshop no longer has is planned with something in its place, and stops the job
 * @throws RangeError when words are set in a typeface that is not in the book
 */
export function planJob(
  decided: Job,
  workshop: Workshop,
  { typefaces, today, card = 0, sheetNumber = 1, inks = null }: PlanContext,
): Plan {
  const { job, snags: gone } = standIns(decided, workshop);
  const known = { job, workshop };
  const brief = planBrief({ ...known, today });
  const size = planSize(known);
  const faces = planArt({ ...known, size, typefaces, card, inks });
  const facts = planStock({ ...known, size });
  const laid = planSheet({ ...known, size, art: faces, stock: facts });
  const named = nameSheet({ ...known, size, sheet: laid, typefaces, sheetNumber });
  const sheet = { ...laid, named };
  const stock = withRecipe({
    ...known,
    size,
    art: faces,
    stock: withStanding({ ...known, size, art: faces, stock: facts, sheet }),
    sheet,
  });
  const cut = planCuts({ ...known, size, art: faces, stock, sheet });
  const art = withDrift({ ...known, size, art: faces, stock, sheet, cut });
  const crease = planCrease({ ...known, size, art, stock, sheet, cut });
  const envelope = planEnvelope({ ...known, size, stock, art, typefaces });
  const make = planMake({ ...known, size, stock, sheet, cut, crease, envelope });
  const sell = planSell({ ...known, size, stock, sheet, envelope, make });
  const plan = asBought({ brief, size, art, stock, sheet, cut, crease, envelope, make, sell }, job, workshop);
  return withGone(plan, gone);
}

/** What is gone from the workshop comes first at the station that named it. */
function withGone(plan: Plan, gone: readonly Snag[]): Plan {
  if (gone.length === 0) return plan;
  const own = (station: Station): readonly Snag[] => gone.filter((snag) => snag.station === station);
  return Object.fromEntries(
    STATIONS.map((station) => [station, { ...plan[station], snags: [...own(station), ...plan[station].snags] }]),
  ) as unknown as Plan;
}

const GRAVITY: Readonly<Record<Snag['level'], number>> = { stop: 0, warn: 1, note: 2 };

/** Every snag, the gravest first and in the order of the work within that. */
export const allSnags = (plan: Plan): readonly Snag[] =>
  STATIONS.flatMap((station) => plan[station].snags).sort((a, b) => GRAVITY[a.level] - GRAVITY[b.level]);
