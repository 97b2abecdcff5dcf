import type { BlankCut, Crease, FoldedForm, PressedLine } from '../../../ground/fold/types.ts';
import { apply, compose, invert, type Affine } from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { united, without } from '../../../ground/geometry/offset.ts';
import { distanceToEdge, edgesOf, type Polygon } from '../../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Point } from '../../../ground/geometry/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../../ground/length/types.ts';
import type { PutTogether } from './assemble.ts';
import type { Spread } from './spread.ts';
import type { PopUpPart } from './types.ts';

/** What is freed by slits from the card itself, on the open pages. */
export interface CutIn {
  readonly partId: string;
  readonly name: string;
  /** All that moves. */
  readonly region: Polygon;
  /** Where the blade goes, each from end to end. */
  readonly slits: readonly Polygon[];
  /** Bent towards or away from who reads the pages. */
  readonly creases: readonly (Pick<Crease, 'id' | 'from' | 'to'> & {
    readonly way: 'toward' | 'away';
    /** What it is, for people. */
    readonly name: string;
  })[];
}

/** A part that is cut from the card: it has a gutter of card. */
export type CutPart = PopUpPart & Required<Pick<PopUpPart, 'cutFrom'>>;
export const isCutIn = (part: PopUpPart): part is CutPart => part.cutFrom !== undefined;

/** From the part’s blank to the plane of the gutter that it is cut over, with the card flat. */
export const onGutter = ({ joints: [first], cutFrom }: CutPart): Affine =>
  compose(invert(cutFrom.a.toBody), first.onto);

/** From the part’s blank to the open pages. */
export const inCard = (part: CutPart): Affine => compose(part.cutFrom.inCard, onGutter(part));

/** Everything that is cut from the card, carriers first. */
export function cutInsOf({ parts }: Pick<PutTogether, 'parts'>): readonly CutIn[] {
  return parts.filter(isCutIn).map((part): CutIn => {
    const { id, name, blank, tabs } = part;
    const map = inCard(part);
    const onto = (points: Polygon): Polygon => points.map((p) => apply(map, p));
    const free = blank.panels.filter((panel) => !tabs.includes(panel.id)).map(({ outline }) => onto(outline));
    const creases = blank.creases.map(({ id: creaseId, from, to, direction, joins }) => ({
      ...{ id: `${id}-${creaseId}`, from: apply(map, from), to: apply(map, to) },
      way: direction === 'valley' ? ('toward' as const) : ('away' as const),
      name: `${name}, ${between(part, joins)}`,
    }));
    return {
      ...{ partId: id, name, creases },
      region: united(free)[0]!,
      slits: chained(
        free.flatMap(edgesOf).filter(([p, q]) => !creases.some(({ from, to }) => [p, q].every(onLine(from, to)))),
      ),
    };
  });
}

/** Ends of creases and corners of panels that are one: a tenth of a hundredth, under what any file is exact to. */
const SAME_MM = 1e-3;

/** Which of its creases one is: where it hangs on the card, or where two of its panels meet. */
function between({ blank, tabs }: CutPart, joins: readonly [string, string]): string {
  const [one, other] = joins
    .filter((id) => !tabs.includes(id))
    .map((id) => blank.panels.find((panel) => panel.id === id)!.name.toLowerCase());
  return other === undefined ? `hinge of its ${one}` : `between its ${one} and its ${other}`;
}

const onLine =
  (from: Point, to: Point) =>
  (p: Point): boolean =>
    distanceToEdge(p, [from, to]) < SAME_MM;

const near = (p: Point, q: Point): boolean => Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm) < SAME_MM;

/** Edges that meet, as lines that a blade follows without a stop; corners that are none are left out. */
function chained(edges: readonly (readonly [Point, Point])[]): readonly Polygon[] {
  const left = [...edges];
  const lines: Point[][] = [];
  for (let first = left.shift(); first; first = left.shift()) {
    const line: Point[] = [...first];
    for (let again = true; again;) {
      again = false;
      for (const [i, [p, q]] of left.entries()) {
        const [head, tail] = [line[0]!, line.at(-1)!];
        const at = near(tail, p) ? 'push' : near(tail, q) ? 'pushBack' : near(head, q) ? 'lead' : 'leadBack';
        if (at === 'leadBack' && !near(head, p)) continue;
        if (at === 'push') line.push(q);
        else if (at === 'pushBack') line.push(p);
        else line.unshift(at === 'lead' ? p : q);
        left.splice(i, 1);
        again = true;
        break;
      }
    }
    lines.push(line.filter((p, i) => i === 0 || i === line.length - 1 || !onLine(line[i - 1]!, line[i + 1]!)(p)));
  }
  return lines;
}

/** The pieces of a line that no region covers, in its own direction. */
function outsideOf(from: Point, to: Point, regions: readonly Polygon[]): readonly (readonly [Point, Point])[] {
  const long = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm);
  const [ux, uy] = [(to.xMm - from.xMm) / long, (to.yMm - from.yMm) / long];
  const off = (p: Point): number => ux * (p.yMm - from.yMm) - uy * (p.xMm - from.xMm);
  const along = (p: Point): number => ux * (p.xMm - from.xMm) + uy * (p.yMm - from.yMm);
  const covered = regions.flatMap((region) => {
    const crossings = edgesOf(region)
      .filter(([p, q]) => off(p) > 0 !== off(q) > 0)
      .map(([p, q]) => along(p) + ((along(q) - along(p)) * off(p)) / (off(p) - off(q)))
      .sort((a, b) => a - b);
    return crossings.flatMap((start, i) => (i % 2 === 0 ? [[start, crossings[i + 1]!] as const] : []));
  });
  const at = (mm: Mm): Point => ({ xMm: from.xMm + ux * mm, yMm: from.yMm + uy * mm });
  const pieces: (readonly [Point, Point])[] = [];
  let reached = 0;
  for (const [a, b] of [...covered].sort((p, q) => p[0] - q[0])) {
    if (a - reached > TOLERANCE_MM && reached < long) pieces.push([at(reached), at(Math.min(a, long))]);
    reached = Math.max(reached, b);
  }
  if (long - reached > TOLERANCE_MM) pieces.push([at(reached), to]);
  return pieces;
}

/**
 * The card with slits, windows and holes, and with its creases as they are pressed: none runs across what is cut in, and
 * that has its own. Its panels and folds stay as they are.
 */
export function withCutIns(
  form: FoldedForm,
  { made, parts }: Pick<PutTogether, 'made' | 'parts'>,
  { toBlank, creaseId, isLevel }: Spread,
  unit: LengthUnit,
): FoldedForm {
  const cutIns = cutInsOf({ parts });
  const openings = made.flatMap((one) => one.made.openings ?? []);
  if (cutIns.length === 0 && openings.length === 0) return form;
  const onto = (p: Point): Point => apply(toBlank, p);
  const regions = cutIns.map(({ region }) => region.map(onto));
  const whole = form.blank.creases.flatMap((crease): readonly PressedLine[] => {
    const { id, from, to, direction } = crease;
    const pieces = id === creaseId ? outsideOf(from, to, regions) : [[from, to] as const];
    return pieces.map(([start, end]) => ({ id, from: start, to: end, direction }));
  });
  const own = cutIns.flatMap(({ creases }, i) =>
    creases.flatMap(({ id, from, to, way, name }): readonly PressedLine[] =>
      // What is cut from this one later parts its creases in turn.
      outsideOf(onto(from), onto(to), regions.slice(i + 1)).map(([start, end]) => ({
        ...{ id, from: start, to: end, cutIn: name },
        // Told from outside the blank, where the reader of the pages is inside.
        direction: way === 'toward' ? 'mountain' : 'valley',
      })),
    ),
  );
  const cuts = cutIns.flatMap(({ partId, name, slits }) =>
    slits.map((points, i): BlankCut => ({
      ...{ id: `${partId}-slit-${i + 1}`, kind: 'slit', name: `Slit of the ${name.toLowerCase()}` },
      points: points.map(onto),
      byHand: {
        tool: 'knife',
        title: `Slit ${slits.length > 1 ? `${i + 1} of ${slits.length} of` : 'for'} the ${name.toLowerCase()}`,
        says: saySlit(points, isLevel, unit),
      },
    })),
  );
  const opened = openings.map(({ id, kind, name, outline, says }): BlankCut => ({
    ...{ id, kind, name, points: outline.map(onto) },
    byHand: { tool: 'knife', title: `Cut the ${name.toLowerCase()}`, says },
  }));
  return {
    ...form,
    blank: {
      ...form.blank,
      ...(cutIns.length > 0 ? { pressed: [...whole, ...own] } : {}),
      cuts: [...form.blank.cuts, ...cuts, ...opened],
    },
  };
}

/** Where a slit runs, measured from the fold and from the end of the fold. */
function saySlit(slit: Polygon, isLevel: boolean, unit: LengthUnit): string {
  const far = (mm: Mm): string => formatLength(Math.abs(mm), unit);
  const [before, past] = isLevel ? ['below', 'above'] : ['left of', 'right of'];
  const side = (mm: Mm): string =>
    Math.abs(mm) < TOLERANCE_MM ? 'on the fold' : `${far(mm)} ${mm < 0 ? before : past} the fold`;
  const end = isLevel ? 'left edge' : 'head';
  // Told one way, as it is read: from the first page on.
  const points = slit[0]!.xMm <= slit.at(-1)!.xMm ? slit : [...slit].reverse();
  const { yMm, heightMm } = boxAround(points);
  const marks =
    heightMm < TOLERANCE_MM
      ? `${far(yMm)} from the ${end}, from ${side(points[0]!.xMm)} to ${side(points.at(-1)!.xMm)}`
      : `from mark to mark: ${points.map((p) => `${side(p.xMm)}, ${far(p.yMm)} from the ${end}`).join('; ')}`;
  return `Open, inside up: ${marks}. Cut with rule and knife from both ends towards the middle, and stop on the marks.`;
}

/** What is left of a body’s outline once everything that is cut from it is bent away; the largest piece first. */
export function leftOf(outline: Polygon, toPages: Affine, regions: readonly Polygon[]): readonly Polygon[] {
  const back = invert(toPages);
  return regions.reduce<readonly Polygon[]>(
    (left, region) => {
      const own = region.map((p) => apply(back, p));
      return left.flatMap((piece) => without(piece, own));
    },
    [outline],
  );
}
