import { boxAround, corners } from '../../../ground/geometry/box.ts';
import { common, offset, united, without } from '../../../ground/geometry/offset.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { areaOf, clockwise, type Polygon } from '../../../ground/geometry/polygon.ts';
import { foldBlank, inSpace } from '../../../ground/fold/foldBlank.ts';
import { move, undo, type Pose } from '../../../ground/fold/space.ts';
import { shutState } from '../../../ground/fold/stages.ts';
import type { FoldedForm, Panel, PaperSide } from '../../../ground/fold/types.ts';
import { GLUE_INSET_MM } from '../styles/parts.ts';
import type { Bond, EnvelopeParts } from '../styles/types.ts';
import type { BuiltEnvelope, Held } from './types.ts';

/** The gum of a flap is this wide along its edge. Our starting value. */
export const GUM_MM = 12;
/** A strip of glue narrower than this lets go. Our starting value. */
export const LEAST_GLUE_MM = 5;
/** A slit this narrow, where a fold is eased, lets nothing through. Our starting value. */
const SLIT_MM = 1;
/** A part that is so little past the edge is rounding. */
const SLIGHT_MM = 0.01;

interface Judged extends Pick<BuiltEnvelope, 'held' | 'gaps' | 'past'> {
  /** Glue on the form’s flat blank, outside up. */
  readonly areas: readonly {
    readonly id: string;
    readonly name: string;
    readonly side: PaperSide;
    readonly flat: Polygon;
  }[];
}

/**
 * Folds an envelope shut and looks at how its parts lie on each other: glue goes where two of them meet, short of every
 * edge of both; what nothing covers is a gap.
 */
export function judgeFolded(form: FoldedForm, { bonds }: Pick<EnvelopeParts, 'bonds'>): Judged {
  const poses = foldBlank(form.blank, shutState(form), 'front');
  const panel = (id: string): Panel => form.blank.panels.find((one) => one.id === id)!;
  const seen = (id: string): Polygon => panel(id).outline.map((at) => seenAt(poses.get(id)!, at));
  const closing = bonds.at(-1)!;
  const held = bonds.map((bond): Held => {
    const glued = gluedOn(bond, seen, bond === closing ? boxAround(seen('front')) : null);
    return {
      ...{ id: bond.id, name: bond.name, over: bond.over, under: bond.under },
      ...{ glued, holds: glued !== null && offset(glued, -LEAST_GLUE_MM / 2).length > 0 },
    };
  });
  return {
    held,
    areas: held.flatMap(({ id, name, glued }, i) => {
      if (!glued) return [];
      const { glueOn, over, under } = bonds[i]!;
      const on = glueOn === 'over' ? over : under;
      return [
        {
          id,
          name,
          side: glueOn === 'over' ? ('inside' as const) : ('outside' as const),
          flat: laidBack(poses.get(on)!, panel(on), glued),
        },
      ];
    }),
    ...coverOf(form, seen),
  };
}

const seenAt = (pose: Pose, at: Panel['outline'][number]): Panel['outline'][number] => {
  const [x, y] = move(pose, inSpace(at));
  return { xMm: x, yMm: -y };
};

/** From where it is seen on the shut envelope back to the flat panel, which lies level at its own height. */
function laidBack(pose: Pose, panel: Panel, points: Polygon): Polygon {
  const height = move(pose, inSpace(panel.outline[0]!))[2];
  const back = undo(pose);
  return points.map(({ xMm, yMm }) => {
    const [x, y] = move(back, [xMm, -yMm, height]);
    return { xMm: x, yMm: -y };
  });
}

function gluedOn({ over, under }: Bond, seen: (id: string) => Polygon, closes: Box | null): Polygon | null {
  const both = common(seen(over), seen(under))[0];
  const inside = both && offset(both, -GLUE_INSET_MM)[0];
  if (!inside) return null;
  if (!closes) return inside;
  // The gum runs along the flap’s free edge: none at its hinge, past which it is thought to go on.
  const inMm = GLUE_INSET_MM + GUM_MM;
  const above = corners({ ...closes, yMm: closes.yMm - 2 * inMm, heightMm: 2 * inMm });
  const beyond = offset(united([clockwise(seen(over)), above])[0]!, -inMm)[0];
  return beyond ? (without(inside, beyond)[0] ?? null) : inside;
}

/** What of the front is left uncovered, and what reaches past it. */
function coverOf(form: FoldedForm, seen: (id: string) => Polygon): Pick<BuiltEnvelope, 'gaps' | 'past'> {
  const front = seen('front');
  const around = boxAround(front);
  // Walls stand on edge and cover nothing.
  const flaps = form.blank.panels.filter(({ id }) => id !== 'front' && areaOf(seen(id)) > 1);
  let bare: readonly Polygon[] = [front];
  for (const { id } of flaps) bare = bare.flatMap((part) => without(part, seen(id)));
  const past = flaps.flatMap(({ id, name }) => {
    const box = boxAround(seen(id));
    const byMm = Math.max(
      around.xMm - box.xMm,
      around.yMm - box.yMm,
      box.xMm + box.widthMm - around.xMm - around.widthMm,
      box.yMm + box.heightMm - around.yMm - around.heightMm,
    );
    return byMm > SLIGHT_MM ? [{ name, byMm }] : [];
  });
  return { gaps: bare.filter((part) => offset(part, -SLIT_MM / 2).length > 0), past };
}
