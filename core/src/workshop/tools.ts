import type { Micron, Mm } from '../ground/length/types.ts';
import { MICRON_PER_MM } from '../ground/length/types.ts';
import type { HeatTool, Punch, Tool, Workshop } from './types.ts';

/** What holds heat and what makes holes. Older workshops, as a browser may have kept one, know none. */
export const toolsOf = ({ tools }: { readonly tools?: Workshop['tools'] }): readonly Tool[] => tools ?? [];

export const heatToolsOf = (workshop: Workshop): readonly HeatTool[] =>
  toolsOf(workshop).filter((tool) => tool.kind !== 'punch');
export const punchesOf = (workshop: Workshop): readonly Punch[] =>
  toolsOf(workshop).filter((tool) => tool.kind === 'punch');

interface Sheet {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly caliperMicron: Micron;
}

/** The first that takes a sheet, by its narrow edge. */
export const heatToolFor = (workshop: Workshop, { widthMm, heightMm, caliperMicron }: Sheet): HeatTool | null =>
  heatToolsOf(workshop).find(
    ({ widestMm, thickestMm }) =>
      Math.min(widthMm, heightMm) <= widestMm && caliperMicron <= thickestMm * MICRON_PER_MM,
  ) ?? null;

/** A hole is as wide as a punch makes it where the two differ by less than an eye sees. Our starting value. */
const SAME_HOLE_MM = 0.25;

/** The first punch that makes a hole so wide, so far in from the nearest edge, in card so thick. */
export const punchFor = (
  workshop: Workshop,
  hole: { readonly acrossMm: Mm; readonly fromEdgeMm: Mm; readonly caliperMicron: Micron },
): Punch | null =>
  punchesOf(workshop).find(
    ({ holesMm, reachMm, thickestMm }) =>
      holesMm.some((mm) => Math.abs(mm - hole.acrossMm) <= SAME_HOLE_MM) &&
      hole.fromEdgeMm <= reachMm &&
      hole.caliperMicron <= thickestMm * MICRON_PER_MM,
  ) ?? null;
