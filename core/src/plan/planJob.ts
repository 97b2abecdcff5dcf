import { withStanding } from './withStanding.ts';
import { planArt } from '../stations/art/planArt.ts';
import type { ArtPlan } from '../stations/art/types.ts';
import { driftSnags, withDrift } from './driftSnags.ts';
import type { InkLattice } from '../stations/art/ink/inkTotal.ts';
import type { TypefaceBook } from '../stations/art/words/typefaces.ts';
import { planBrief, type BriefPlan } from '../stations/brief/planBrief.ts';
import { planCrease } from '../stations/crease/planCrease.ts';
import type { CreasePlan } from '../stations/crease/types.ts';
import { planCuts } from '../stations/cut/planCuts.ts';
import type { CutPlan } from '../stations/cut/types.ts';
import { planEnvelope, type EnvelopePlan } from '../stations/envelope/planEnvelope.ts';
import { STATIONS } from '../job/stations.ts';
import type { Job } from '../job/types.ts';
import type { Snag } from '../job/findings.ts';
import type { Workshop } from '../workshop/types.ts';
import { planMake, type MakePlan } from '../stations/make/planMake.ts';
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
 * Everything that follows from a maker's decisions. Pure: the same job, workshop, fonts and day always
 * give the same plan. Each station reads the decisions and the stations before it.
 * @throws MissingFromWorkshop when the job names something the workshop does not have
 */
export function planJob(
  job: Job,
  workshop: Workshop,
  { typefaces, today, card = 0, sheetNumber = 1, inks = null }: PlanContext,
): Plan {
  const brief = planBrief(job, workshop, today);
  const size = planSize(job, workshop);
  const faces = planArt(job, workshop, size, { typefaces, card, inks });
  const facts = planStock(job, workshop, size);
  const laid = planSheet(job, workshop, size, faces, facts);
  // How a card stands hangs on the way it lies on its sheet.
  const stock = withStanding(job, workshop, size, facts, laid);
  const sheet = {
    ...laid,
    named: nameSheet(job, size, laid, typefaces, Math.min(sheetNumber, Math.max(1, laid.sheets))),
  };
  const cut = planCuts(job, workshop, size, stock, sheet);
  // What a blade would show of the art is known only once the cuts are.
  const art = {
    ...faces,
    snags: [...withDrift(faces.snags, faces, size, job, cut), ...driftSnags(job, workshop, size, faces, sheet, cut)],
  };
  const crease = planCrease(job, workshop, size, art, stock, sheet, cut);
  const envelope = planEnvelope(job, workshop, size, stock);
  const make = planMake(job, workshop, size, stock, sheet, cut, crease, envelope);
  const sell = planSell(job, workshop, stock, sheet, envelope, make);
  return { brief, size, art, stock, sheet, cut, crease, envelope, make, sell };
}

const GRAVITY: Readonly<Record<Snag['level'], number>> = { stop: 0, warn: 1, note: 2 };

/** Every snag, the gravest first and in the order of the work within that. */
export const allSnags = (plan: Plan): readonly Snag[] =>
  STATIONS.flatMap((station) => plan[station].snags).sort((a, b) => GRAVITY[a.level] - GRAVITY[b.level]);
