import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import { decide } from '../../job/decide.ts';
import { LIGHTEST_SHARE, mayLieForGrain } from '../sheet/layout/question.ts';
import type { Context } from '../../job/context.ts';
import { wantedOf } from '../../job/namesList.ts';
import type { ArtPlan } from '../art/types.ts';
import type { SheetPlan } from '../sheet/types.ts';
import { draftsFor } from './movesFor.ts';
import { isShaped } from './isShaped.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Job } from '../../job/types.ts';
import { inkMargins } from '../../workshop/borderless.ts';
import type { Stock, Trimmer } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { pathRefusals, type StockPlan } from '../stock/planStock.ts';
import { layOnSheet } from '../sheet/layout/layOnSheet.ts';
import type { SheetChoiceRow, Offcut } from './types.ts';

/** Narrower than this a strip of card is packing, not stock. */
export const KEEP_OFFCUT_MM = 60;

/** Pieces of waste big enough to keep, alike ones counted together, the largest first. */
export function offcutsOf(
  waste: readonly { readonly widthMm: Mm; readonly heightMm: Mm }[],
  keepMm: Mm = KEEP_OFFCUT_MM,
): readonly Offcut[] {
  const kinds = new Map<string, Offcut>();
  for (const { widthMm, heightMm } of waste) {
    if (Math.min(widthMm, heightMm) < keepMm) continue;
    const key = `${widthMm.toFixed(2)} ${heightMm.toFixed(2)}`;
    kinds.set(key, { widthMm, heightMm, perSheet: (kinds.get(key)?.perSheet ?? 0) + 1 });
  }
  return [...kinds.values()].sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
}

/** The sheet in force, and the tool that cuts it, beside which others are laid. */
interface ChoicesContext extends Context {
  readonly size: SizePlan;
  readonly art: ArtPlan;
  readonly stock: StockPlan;
  readonly sheet: SheetPlan;
  readonly trimmer: Trimmer;
}

/**
 * Every sheet on the shelf that the printer takes, with and without bleed, along the grain and either way:
 * what each gives and costs for this job. The one in force comes first, then the cheapest; ways that come to
 * the same are named once.
 */
export function sheetChoices(context: ChoicesContext): readonly SheetChoiceRow[] {
  const { workshop, sheet } = context;
  const { stock, path } = context.stock;
  const rows: SheetChoiceRow[] = [];
  // A ready-cut card is its own sheet; others are no choice for it, nor it for them.
  if (stock.readyCut) return rows;
  for (const other of workshop.stocks) {
    // Much lighter paper is another card, and what the path refuses is none.
    const suits = other.gsm >= stock.gsm * LIGHTEST_SHARE && pathRefusals(path, other, workshop).length === 0;
    if (other.readyCut || (other.id !== stock.id && !suits)) continue;
    const own: SheetChoiceRow[] = [];
    for (const bleed of sheet.bleedMm > 0 ? [true, false] : [false])
      for (const grain of ['respect', 'ignore'] as const) {
        const row = rowOf(context, { stock: other, bleed, grain });
        const same = own.some((r) => r.bleed === row.bleed && r.up === row.up && !row.isNow);
        if (row.up > 0 && !same) own.push(row);
      }
    rows.push(...own);
  }
  return sortedBy(
    rows,
    (r) => -Number(r.isNow),
    (r) => r.costMinor,
    (r) => r.strokes ?? 0,
  );
}

interface Way {
  readonly stock: Stock;
  readonly bleed: boolean;
  readonly grain: SheetChoiceRow['grain'];
}

/** What a grain that is preferred came to. */
function grainNow(job: Job, size: SizePlan, stock: Stock, { mayLie }: SheetPlan): SheetChoiceRow['grain'] {
  if (job.sheet.grain !== 'prefer') return job.sheet.grain;
  const along = mayLieForGrain(size, stock);
  return mayLie.asDrawn === along.asDrawn && mayLie.turned === along.turned ? 'respect' : 'ignore';
}

function rowOf(
  { job, workshop, size, art, stock: now, sheet: inForce, trimmer }: ChoicesContext,
  { stock, bleed, grain }: Way,
): SheetChoiceRow {
  const { spares } = inForce;
  const bleeds = inForce.bleedMm > 0;
  const isOwn = stock.id === job.stock.stockId;
  const cutDown = isOwn ? job.sheet.cutDown : null;
  const sheet = cutDown ?? { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
  const bled = bleed ? size : { ...size, bleedMm: 0 };
  const asked = { ...job, sheet: { ...job.sheet, grain } };
  const { cell, question, laid, up } = layOnSheet(asked, bled, {
    stock,
    marginsMm: inkMargins(now.path, bled.bleedMm),
    sheet,
    machine: trimmer.machine,
    ink: art.ink,
  });
  const sheets = up === 0 ? 0 : Math.ceil((wantedOf(job) + spares) / up);
  const shaped = isShaped(size, { cell });
  const pitch = { widthMm: cell.widthMm, heightMm: cell.heightMm, gutterMm: question.gutterMm };
  const { strokes, waste } = draftsFor(
    { kind: 'blocks', layOut: laid, pitch },
    { page: { xMm: 0, yMm: 0, ...sheet }, sheets, stock, trimmer, shaped },
  );
  return {
    id: `${stock.id}-${bleed ? 'bleed' : 'bare'}-${grain}`,
    stockName: stock.name,
    bleed,
    grain,
    up,
    sheets,
    costMinor: sheets * sheetPriceOf(stock),
    strokes: trimmer.machine || shaped ? null : strokes,
    offcut: offcutsOf(waste, workshop.keepOffcutMm)[0] ?? null,
    isNow: isOwn && bleed === bleeds && grain === grainNow(job, size, now.stock, inForce),
    changes: [
      decide((job) => job.stock.stockId, stock.id),
      decide((job) => job.sheet.cutDown, cutDown),
      decide((job) => job.sheet.grain, grain),
      ...(bleeds ? [decide((job) => job.size.bleedMm, bled.bleedMm)] : []),
    ],
  };
}
