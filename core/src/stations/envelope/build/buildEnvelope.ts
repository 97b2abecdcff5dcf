import {
  apply,
  compose,
  rotationAbout,
  translation,
  turnedLeftRight,
  type Affine,
} from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { polygon } from '../../../ground/geometry/path.ts';
import { areaOf, moved, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import type { Blank, BlankCut, Crease, FoldedForm, Panel } from '../../../ground/fold/types.ts';
import type { EnvelopeMeasures, EnvelopePanel, EnvelopeParts, EnvelopeStyle } from '../styles/types.ts';
import { judgeFolded } from './judgeFolded.ts';
import type { BuiltEnvelope, EnvelopeBlank } from './types.ts';

/**
 * An envelope from its parts: one outline round all of them, creases where they hang, and, by folding it, where glue goes.
 * @param windows openings in the front, in the front’s own frame with its inside up
 * @returns blank and form in mm; total for what a style’s parts give
 */
export function buildEnvelope(
  style: EnvelopeStyle,
  measures: EnvelopeMeasures,
  windows: readonly BlankCut[] = [],
): BuiltEnvelope {
  const parts = style.parts(measures);
  const flat = parts.panels.flatMap(({ outline }) => outline);
  const box = boxAround(flat);
  const form = formOf(parts, box);
  const cuts = windows.map((cut) => ({ ...cut, points: mirrored(cut.points, box) }));
  const judged = judgeFolded(form, parts);
  // Mirrored, so that the inside is up; then turned, and laid against the origin.
  const turnedUp: Affine = turnedLeftRight(box.widthMm);
  const tilted = compose(rotationAbout(style.turnDeg, { xMm: 0, yMm: 0 }), turnedUp);
  const laid = boxAround(form.blank.outline.map((at) => apply(tilted, at)));
  const toBlank = compose(translation(-laid.xMm, -laid.yMm), tilted);
  const onto = (points: Polygon): Polygon => points.map((at) => apply(toBlank, at));
  const panel = (id: string): Panel => form.blank.panels.find((one) => one.id === id)!;
  const blank: EnvelopeBlank = {
    widthMm: laid.widthMm,
    heightMm: laid.heightMm,
    outline: onto(form.blank.outline),
    front: onto(panel('front').outline),
    creases: form.blank.creases.map(({ id, from, to, direction }) => ({
      id,
      ...{ from: apply(toBlank, from), to: apply(toBlank, to) },
      way: direction === 'mountain' ? ('toward' as const) : ('away' as const),
    })),
    cuts: cuts.map((cut) => ({ ...cut, points: onto(cut.points) })),
    glue: judged.areas.map(({ id, name, side, flat: corners }) => {
      const at = onto(corners);
      return { id, name, face: side, path: polygon(at), corners: at };
    }),
    labels: parts.panels.map(({ id, name }) => {
      const own = panel(id).box;
      return {
        ...{ text: name, roomMm: Math.min(own.widthMm, own.heightMm) },
        at: apply(toBlank, { xMm: own.xMm + own.widthMm / 2, yMm: own.yMm + own.heightMm / 2 }),
      };
    }),
  };
  return {
    blank,
    form: { ...form, blank: { ...form.blank, cuts } },
    toBlank,
    ...{ held: judged.held, gaps: judged.gaps, past: judged.past },
  };
}

/** How large the blank is and how much card is in it, without folding it. */
export function blankOf(
  style: EnvelopeStyle,
  measures: EnvelopeMeasures,
): { readonly widthMm: number; readonly heightMm: number; readonly areaMm2: number } {
  const tilt = rotationAbout(style.turnDeg, { xMm: 0, yMm: 0 });
  const outlines = style.parts(measures).panels.map(({ outline }) => outline);
  const { widthMm, heightMm } = boxAround(outlines.flat().map((at) => apply(tilt, at)));
  return { widthMm, heightMm, areaMm2: outlines.reduce((sum, outline) => sum + areaOf(outline), 0) };
}

/** From inside up to outside up, against the origin. */
const mirrored = (points: Polygon, box: ReturnType<typeof boxAround>): Polygon =>
  moved(
    points.map(({ xMm, yMm }) => ({ xMm: -xMm, yMm })),
    box.xMm + box.widthMm,
    -box.yMm,
  );

function formOf({ panels, steps }: EnvelopeParts, box: ReturnType<typeof boxAround>): FoldedForm {
  const outside = (points: Polygon): Polygon => mirrored(points, box);
  const blank: Blank = {
    ...{ widthMm: box.widthMm, heightMm: box.heightMm, cuts: [] },
    outline: outside(rimOf(panels)),
    panels: panels.map(({ id, name, outline }): Panel => {
      const own = outside(outline);
      return { id, name, outline: own, box: boxAround(own) };
    }),
    creases: panels.flatMap(({ id, outline, hangs }): readonly Crease[] => {
      if (!hangs) return [];
      const [from, to] = outside([outline[0]!, outline[1]!]);
      return [
        {
          ...{ id: hangs.crease, from: from!, to: to!, shutDeg: hangs.shutDeg, joins: [hangs.on, id] },
          direction: hangs.way === 'toward' ? 'mountain' : 'valley',
        },
      ];
    }),
  };
  const folding = steps.filter(({ folds }) => folds !== undefined);
  const last = folding.length;
  return {
    blank,
    steps: folding.map(({ says, folds }) => ({ says, creaseIds: folds! })),
    opens: 'inTurn',
    frontPanelId: 'front',
    restingPanelId: 'front',
    standing: null,
    faces: [
      {
        id: 'envelopeFront',
        name: 'Envelope front',
        panelId: 'front',
        side: 'outside',
        afterSteps: last,
        readFrom: 'front',
      },
      {
        id: 'envelopeBack',
        name: 'Envelope back',
        panelId: 'back',
        side: 'outside',
        afterSteps: last,
        readFrom: 'behind',
      },
      {
        id: 'envelopeFlap',
        name: 'Flap, outside',
        panelId: 'flap',
        side: 'outside',
        afterSteps: last,
        readFrom: 'behind',
      },
      {
        ...{ id: 'envelopeFlapInside', name: 'Flap, inside', panelId: 'flap', side: 'inside' },
        ...{ afterSteps: last - 1, readFrom: 'behind' },
      },
    ],
  };
}

const isSame = (a: Point, b: Point): boolean => Math.abs(a.xMm - b.xMm) < 1e-9 && Math.abs(a.yMm - b.yMm) < 1e-9;

/**
 * The outline round all parts: once round the front, and out round whatever hangs by the edge that is passed.
 * @throws RangeError when a part hangs by no edge of the part it names, which would be the style’s mistake
 */
function rimOf(panels: readonly EnvelopePanel[]): Polygon {
  const reached = new Set<string>();
  const around = (panel: EnvelopePanel): Polygon => {
    reached.add(panel.id);
    const { outline } = panel;
    // What hangs is entered at the end of its crease and left at the beginning.
    const own = panel.hangs ? [...outline.slice(1), outline[0]!] : [...outline, outline[0]!];
    return own.slice(0, -1).flatMap((from, i): Polygon => {
      const to = own[i + 1]!;
      const child = panels.find(
        ({ hangs, outline: [a, b] }) => hangs?.on === panel.id && isSame(a!, to) && isSame(b!, from),
      );
      return child ? around(child) : [from];
    });
  };
  const rim = around(panels.find(({ hangs }) => hangs === null)!);
  const lost = panels.find(({ id }) => !reached.has(id));
  if (lost) throw new RangeError(`buildEnvelope: part “${lost.id}” hangs by no edge of “${lost.hangs!.on}”`);
  return rim.filter((point, i) => !isSame(point, rim[(i + 1) % rim.length]!));
}
