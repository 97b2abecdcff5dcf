import type { BlankCut, Crease, FaceRule, FoldedForm, FoldStep, Blank, Panel } from '../../../../ground/fold/types.ts';
import { boxAround, corners } from '../../../../ground/geometry/box.ts';
import { between, chordsAt, transposed, type Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../../ground/length/types.ts';

export interface StripPart {
  readonly id: string;
  readonly name: string;
  readonly widthMm: Mm;
}
/** The crease after a part: its way and how far it is folded when shut. */
export interface StripCrease {
  readonly id: string;
  readonly direction: Crease['direction'];
  readonly shutDeg?: number;
}

/**
 * Panels side by side, left to right with the outside up, cut from one outline by upright creases.
 * @param outline the whole blank; left out, a rectangle
 * @param cuts within it, in the finished blank’s own frame
 * @param axis `down` swaps x and y: the first panel is then the top one
 */
export function strip(
  parts: readonly StripPart[],
  creases: readonly StripCrease[],
  heightMm: Mm,
  {
    axis = 'across',
    outline,
    cuts = [],
  }: { readonly axis?: 'across' | 'down'; readonly outline?: Polygon; readonly cuts?: readonly BlankCut[] } = {},
): Blank {
  const edges = parts.reduce<readonly Mm[]>((at, part) => [...at, at.at(-1)! + part.widthMm], [0]);
  const whole = outline ?? corners({ xMm: 0, yMm: 0, widthMm: edges.at(-1)!, heightMm });
  const lay = (polygon: Polygon): Polygon => (axis === 'across' ? polygon : transposed(polygon));
  const panels = parts.map((part, i): Panel => {
    const own = lay(
      outline
        ? between(whole, edges[i]!, edges[i + 1]!)
        : corners({ xMm: edges[i]!, yMm: 0, widthMm: part.widthMm, heightMm }),
    );
    return { id: part.id, name: part.name, outline: own, box: boxAround(own) };
  });
  const box = boxAround(lay(whole));
  return {
    widthMm: box.widthMm,
    heightMm: box.heightMm,
    outline: lay(whole),
    panels,
    cuts,
    creases: creases.map(({ id, direction, shutDeg = 180 }, i): Crease => {
      const x = edges[i + 1]!;
      const [top, bottom] = outline ? reachAt(whole, x) : [0, heightMm];
      const [from, to] = lay([
        { xMm: x, yMm: top },
        { xMm: x, yMm: bottom },
      ]);
      return { id, from: from!, to: to!, direction, shutDeg, joins: [parts[i]!.id, parts[i + 1]!.id] };
    }),
  };
}

/** The crease runs where paper lies on both sides of it: just left and just right of the line. */
function reachAt(outline: Polygon, x: Mm): readonly [Mm, Mm] {
  const HAIR_MM = 1e-4;
  const sides = [x - HAIR_MM, x + HAIR_MM].map((at) => chordsAt(outline, at));
  const [left, right] = sides.map((chords) =>
    chords.reduce((a, b) => (b[1] - b[0] > a[1] - a[0] ? b : a), chords[0] ?? [0, 0]),
  );
  return [Math.max(left![0], right![0]), Math.min(left![1], right![1])];
}

type Told = Omit<FaceRule, 'afterSteps'> & { readonly shut: boolean | number };

/** Completes a form: faces are read shut, flat open, or after a number of steps. */
export function form(
  blank: Blank,
  told: {
    readonly steps: readonly FoldStep[];
    readonly opens?: FoldedForm['opens'];
    readonly front: string;
    readonly rests: string;
    readonly standing: FoldedForm['standing'];
    readonly glued?: FoldedForm['glued'];
    readonly faces: readonly Told[];
  },
): FoldedForm {
  return {
    blank,
    steps: told.steps,
    opens: told.opens ?? 'together',
    frontPanelId: told.front,
    restingPanelId: told.rests,
    standing: told.standing,
    ...(told.glued && told.glued.length > 0 ? { glued: told.glued } : {}),
    faces: told.faces.map(({ shut, ...rule }) => ({
      ...rule,
      afterSteps: shut === true ? told.steps.length : shut === false ? 0 : shut,
    })),
  };
}

export const outer = (panelId: string, id: string, name: string, readFrom: FaceRule['readFrom']): Told => ({
  id,
  name,
  panelId,
  side: 'outside',
  shut: true,
  readFrom,
});
export const inner = (panelId: string, id: string, name: string): Told => ({
  id,
  name,
  panelId,
  side: 'inside',
  shut: false,
  readFrom: 'front',
});
/** Seen once the card is opened flat and turned over like a page. */
export const behindOpen = (panelId: string, id: string, name: string): Told => ({
  id,
  name,
  panelId,
  side: 'outside',
  shut: false,
  readFrom: 'behind',
});
