import type { Context } from '../../job/context.ts';
import type { StageOnTool } from '../../workshop/learnt/expectLosses.ts';
import { pathKey } from '../../workshop/learnt/printSpread.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockFacts } from '../stock/planStock.ts';

/** The stages that a job’s cards go through and the tools they go through on, as spoils are counted by. */
export function stagesAhead(
  { job, size, stock }: Context & { readonly size: SizePlan; readonly stock: StockFacts },
  printed: boolean,
): readonly StageOnTool[] {
  const { readyCut } = stock.stock;
  const assembled = size.layers.length > 0 || size.trimmings.placed.length > 0 || size.ribbon !== null;
  return [
    ...(printed ? [{ stage: 'print' as const, toolId: pathKey(stock.printer.id, stock.path.id) }] : []),
    ...(readyCut ? [] : [{ stage: 'cut' as const, toolId: job.cut.trimmerId }]),
    ...(size.form.blank.creases.length > 0 ? [{ stage: 'crease' as const, toolId: job.crease.boardId }] : []),
    ...(assembled ? [{ stage: 'assemble' as const, toolId: null }] : []),
    { stage: 'pack', toolId: null },
  ];
}
