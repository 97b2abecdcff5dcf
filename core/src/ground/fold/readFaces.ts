import type { Affine } from '../geometry/affine.ts';
import { corners } from '../geometry/box.ts';
import { apply } from '../geometry/affine.ts';
import type { Mm } from '../length/types.ts';
import { turn, undo, type Pose, type Vec3 } from './space.ts';
import { afterSteps, readingPoses } from './stages.ts';
import type { FaceRule, FoldedForm, PaperSide } from './types.ts';

/** A face as its reader meets it, and where that lies on the flat blank seen from outside. */
export interface ReadFace {
  readonly id: string;
  readonly name: string;
  readonly panelId: string;
  readonly side: PaperSide;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /**
   * From the face as read (origin its top left, y down) to the blank seen from outside.
   * It mirrors for an inside face, which that view sees through the paper.
   */
  readonly toBlank: Affine;
}

/**
 * Finds which way up every face lies on the blank by folding the card and looking at it.
 * Derivation: the reader's right and up are carried back through the pose of the panel at the
 * moment the face is read.
 * @throws RangeError when a face is turned away from its reader, so the form cannot be read as stated
 */
export function readFaces(form: FoldedForm): readonly ReadFace[] {
  const stages = new Map<number, ReadonlyMap<string, Pose>>();
  return form.faces.map((rule) => {
    const done = rule.afterSteps;
    if (!stages.has(done)) stages.set(done, readingPoses(form, afterSteps(form, done)));
    const pose = stages.get(done)!.get(rule.panelId);
    if (!pose) throw new RangeError(`readFaces: face “${rule.id}” names no panel of the blank`);
    return readFace(form, rule, pose);
  });
}

function readFace(form: FoldedForm, rule: FaceRule, pose: Pose): ReadFace {
  const towards: Vec3 = rule.readFrom === 'front' ? [0, 0, 1] : [0, 0, -1];
  const right: Vec3 = rule.readFrom === 'front' ? [1, 0, 0] : [-1, 0, 0];
  const normal = turn(pose, [0, 0, rule.side === 'outside' ? 1 : -1]);
  if (normal[2] * towards[2] < 0.999)
    throw new RangeError(`readFaces: face “${rule.id}” is turned away from its reader`);
  const back = undo({ rows: pose.rows, shift: [0, 0, 0] });
  const u = turn(back, right);
  const v = turn(back, [0, -1, 0]);
  // Space has y up and drawings have y down, so the second component changes sign.
  const unmoved: Affine = [snap(u[0]), snap(-u[1]), snap(v[0]), snap(-v[1]), 0, 0];
  const panel = form.blank.panels.find((p) => p.id === rule.panelId)!;
  const sideways = Math.abs(unmoved[0]) < 0.5;
  const widthMm = sideways ? panel.box.heightMm : panel.box.widthMm;
  const heightMm = sideways ? panel.box.widthMm : panel.box.heightMm;
  const own = corners({ xMm: 0, yMm: 0, widthMm, heightMm }).map((p) => apply(unmoved, p));
  const e = panel.box.xMm - Math.min(...own.map((p) => p.xMm));
  const f = panel.box.yMm - Math.min(...own.map((p) => p.yMm));
  const [a, b, c, d] = unmoved;
  return {
    id: rule.id,
    name: rule.name,
    panelId: rule.panelId,
    side: rule.side,
    widthMm,
    heightMm,
    toBlank: [a, b, c, d, e, f],
  };
}

/** Quarter turns come back from sines as 1e-17; a drawing wants exact 0 and ±1. */
const snap = (value: number): number => (Math.abs(value - Math.round(value)) < 1e-9 ? Math.round(value) + 0 : value);
