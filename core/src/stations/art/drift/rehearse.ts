import { apply, type Affine } from '../../../ground/geometry/affine.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { normalFrom, randomFrom } from '../../../ground/random.ts';
import type { ReadFace } from '../../../ground/fold/readFaces.ts';
import { EDGES, type FaceEdge } from '../faces/edges.ts';
import { faultsOf, type DriftFacts, type DriftModel, type Fault, type Landing } from './driftLab.ts';

/** A table full, drawn evenly from so many that the share of good ones is the maker’s and not the luck of twenty. */
export const REHEARSAL = { cards: 20, outOf: 1000, seed: 20_261_130 } as const;

/** A face, and what a drifting cut can spoil on it. */
export type RehearsedFace = Pick<ReadFace, 'id' | 'name' | 'side' | 'toBlank' | 'widthMm' | 'heightMm'> & {
  readonly facts: DriftFacts;
};

export interface FaceFault extends Fault {
  readonly faceId: string;
  readonly faceName: string;
}

/** One card as it would lie on the table. */
export interface RehearsedCard {
  /** From one, in the order in which they are cut. */
  readonly number: number;
  /** Where the blade came down round each face, by the face’s own edges. */
  readonly landings: Readonly<Record<string, Landing>>;
  /** What would be seen, the worst first; none on a good card. */
  readonly faults: readonly FaceFault[];
}

export interface Rehearsed {
  /** The worst first. */
  readonly cards: readonly RehearsedCard[];
  readonly good: number;
}

/** Outward, edge by edge, y down. */
const OUT: Readonly<Record<FaceEdge, readonly [x: number, y: number]>> = {
  left: [-1, 0],
  right: [1, 0],
  top: [0, -1],
  bottom: [0, 1],
};

/** Which way an edge of a face looks on the blank. Derivation: faces lie on it turned by quarters, or mirrored. */
function onBlank(
  [a, b, c, d]: Affine,
  edge: FaceEdge,
): { readonly edge: FaceEdge; readonly out: readonly [number, number] } {
  const [x, y] = OUT[edge];
  const out = [Math.round(a * x + c * y), Math.round(b * x + d * y)] as const;
  return { out, edge: EDGES.find((one) => OUT[one][0] === out[0] && OUT[one][1] === out[1])! };
}

/** From where print should be to where it comes down on the blank seen from outside, by the side that it is on. */
export type Misprint = Readonly<Record<PaperSide, Affine>>;

/** How far print lies from its place at the middle of an edge of a face, both ways on the blank. */
function missAt({ toBlank, widthMm, heightMm }: RehearsedFace, edge: FaceEdge, map: Affine): readonly [Mm, Mm] {
  const [x, y] = OUT[edge];
  const at = apply(toBlank, { xMm: (widthMm * (1 + x)) / 2, yMm: (heightMm * (1 + y)) / 2 });
  const landed = apply(map, at);
  return [landed.xMm - at.xMm, landed.yMm - at.yMm];
}

/**
 * A few whole cards through the printer and the trimmer. Every edge of a blank is cut once, so the faces that share it
 * share how far it strayed; what is printed on one side lies askew as a whole, each side for itself.
 * @param misprints of the printer, for each card of a sheet in turn; none where it prints true
 * @returns the worst first, every so many-th of all that were cut, and how many of them nobody would put aside
 */
export function rehearse(
  faces: readonly RehearsedFace[],
  { biasRightMm, biasDownMm, cutSpreadMm, printSpreadMm }: DriftModel,
  misprints: readonly Misprint[] = [],
  { cards, outOf, seed }: { readonly cards: number; readonly outOf: number; readonly seed: number } = REHEARSAL,
): Rehearsed {
  const normal = normalFrom(randomFrom(seed));
  const all = Array.from({ length: outOf }, (_, i): RehearsedCard => {
    const cut = Object.fromEntries(EDGES.map((edge) => [edge, cutSpreadMm * normal()])) as Record<FaceEdge, Mm>;
    const askew = { outside: [normal(), normal()], inside: [normal(), normal()] } as const;
    const misprint = misprints[i % misprints.length];
    const landings: Record<string, Landing> = {};
    const faults = faces.flatMap((face): readonly FaceFault[] => {
      const [x, y] = askew[face.side];
      const landing = Object.fromEntries(
        EDGES.map((edge) => {
          // A fold is where it is.
          if (!face.facts.cut.includes(edge)) return [edge, 0];
          const there = onBlank(face.toBlank, edge);
          const [right, low] = misprint ? missAt(face, edge, misprint[face.side]) : [0, 0];
          const print = (printSpreadMm * x + right) * there.out[0] + (printSpreadMm * y + low) * there.out[1];
          // The bias is the blade’s, on the blank seen from outside.
          const bias = biasRightMm * there.out[0] + biasDownMm * there.out[1];
          return [edge, bias + cut[there.edge] - print];
        }),
      ) as Record<FaceEdge, Mm>;
      landings[face.id] = landing;
      return faultsOf(face.facts, landing).map((fault) => ({ ...fault, faceId: face.id, faceName: face.name }));
    });
    return { number: i + 1, landings, faults: [...faults].sort((a, b) => b.byMm - a.byMm) };
  });
  const worst = ({ faults }: RehearsedCard): number => faults[0]?.byMm ?? 0;
  const sorted = [...all].sort((a, b) => worst(b) - worst(a) || a.number - b.number);
  // From the middle of each twentieth.
  const shown = Array.from({ length: cards }, (_, i) => sorted[Math.floor(((i + 0.5) * outOf) / cards)]!);
  return { cards: shown, good: shown.filter(({ faults }) => faults.length === 0).length };
}
