import { decide } from '../../job/decide.ts';
import { capital, plural } from '../../job/figures.ts';
import type { Snag } from '../../job/findings.ts';
import type { Job } from '../../job/types.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { MachineFacts, Trimmer, Workshop } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { StockPlan } from '../stock/planStock.ts';
import type { DraftMove } from './draftMoves.ts';
import { longestCutMm } from './handiestMoves.ts';

/** Card heavier than the last line of a machine’s passes: nobody has said how it is cut. */
export function heavySnags({ trimmers }: Workshop, trimmer: Trimmer, { stock }: StockPlan): readonly Snag[] {
  const heaviest = Math.max(...trimmer.machine!.passes.map(({ upToGsm }) => upToGsm));
  if (stock.gsm <= heaviest) return [];
  return [
    {
      id: 'cut-machine-heavy',
      station: 'cut',
      level: 'warn',
      title: `${capital(trimmer.name)} has no passes for ${stock.gsm} gsm`,
      why: `What you keep for it ends at ${heaviest} gsm, so the passes of that line are planned. Cut a test piece first, and write what it took into the machine’s list in Workshop; follow the machine’s own instructions.`,
      remedies: trimmers
        .filter((tool) => !tool.machine)
        .slice(0, 2)
        .map((tool) => ({ label: `Cut with ${tool.name}`, changes: [decide((job) => job.cut.trimmerId, tool.id)] })),
    },
  ];
}

/** A sheet goes through a machine with its shorter side across it. */
export const isTooWide = (
  { widestMm }: MachineFacts,
  { widthMm, heightMm }: { readonly widthMm: Mm; readonly heightMm: Mm },
): boolean => Math.min(widthMm, heightMm) > widestMm + TOLERANCE_MM;

/** Wider than its rollers, a sheet does not go in. */
export function wideSnags(
  workshop: Workshop,
  trimmer: Trimmer,
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
): readonly Snag[] {
  const { machine } = trimmer;
  if (!machine || !isTooWide(machine, sheet)) return [];
  const { unit, trimmers } = workshop;
  return [
    {
      id: 'cut-machine-wide',
      station: 'cut',
      level: 'stop',
      title: `${capital(trimmer.name)} does not take this sheet`,
      why: `Its shorter side is ${formatLength(Math.min(sheet.widthMm, sheet.heightMm), unit)}, and the machine takes ${formatLength(machine.widestMm, unit)}. A smaller sheet of the same card would go in: see Sheet.`,
      remedies: trimmers
        .filter((tool) => !tool.machine && tool.longestCutMm >= Math.max(sheet.widthMm, sheet.heightMm))
        .slice(0, 2)
        .map((tool) => ({ label: `Cut with ${tool.name}`, changes: [decide((job) => job.cut.trimmerId, tool.id)] })),
    },
  ];
}

/** Longer than the tool reaches, a cut cannot be made in one stroke. */
export function lengthSnags(
  job: Job,
  workshop: Workshop,
  trimmer: Trimmer,
  moves: readonly DraftMove[],
): readonly Snag[] {
  if (moves.length === 0) return [];
  const need = longestCutMm(moves);
  if (need <= trimmer.longestCutMm + TOLERANCE_MM) return [];
  const { unit } = workshop;
  return [
    {
      id: 'cut-too-long',
      station: 'cut',
      level: 'stop',
      title: `${trimmer.name} is too short for this sheet`,
      why: `The longest cut is ${formatLength(need, unit)}; it cuts ${formatLength(trimmer.longestCutMm, unit)}.`,
      remedies: workshop.trimmers
        .filter((t) => t.longestCutMm >= need && t.id !== job.cut.trimmerId)
        .map((t) => ({ label: `Cut with ${t.name}`, changes: [decide((job) => job.cut.trimmerId, t.id)] })),
    },
  ];
}

/** Nearer to its blade than a fence or a clamp goes, a strip cannot be cut off. */
export function fenceSnags(
  job: Job,
  workshop: Workshop,
  trimmer: Trimmer,
  moves: readonly DraftMove[],
): readonly Snag[] {
  if (moves.length === 0) return [];
  const nearest = Math.min(...moves.map(({ fenceMm }) => fenceMm));
  const least = trimmer.leastFenceMm ?? 0;
  if (nearest >= least - TOLERANCE_MM) return [];
  const { unit } = workshop;
  const [need, short] = [longestCutMm(moves), moves.filter(({ fenceMm }) => fenceMm < least - TOLERANCE_MM).length];
  return [
    {
      id: 'cut-fence-too-near',
      station: 'cut',
      level: 'stop',
      title: `${capital(trimmer.name)} cannot be set as near as ${formatLength(nearest, unit)}`,
      why: `${short} of ${moves.length} ${plural(moves.length, 'move')} ${short === 1 ? 'wants' : 'want'} less than the ${formatLength(least, unit)} that its fence comes to the blade.`,
      remedies: workshop.trimmers
        .filter((t) => !t.machine && t.id !== job.cut.trimmerId)
        .filter((t) => (t.leastFenceMm ?? 0) <= nearest + TOLERANCE_MM && t.longestCutMm >= need)
        .map((t) => ({ label: `Cut with ${t.name}`, changes: [decide((job) => job.cut.trimmerId, t.id)] })),
    },
  ];
}
