import { foldBlank } from './foldBlank.ts';
import { layersOf, type Layering } from './layers.ts';
import { chain, turn, type Pose } from './space.ts';
import { afterSteps, creaseOf, opened, restingPose } from './stages.ts';
import type { FoldedForm, FoldState } from './types.ts';

/** What is worked out once about a form, so that any stage of it can be asked for cheaply. */
export interface Folding extends Layering {
  readonly caliperMm: number;
  /** Where the resting panel stays. */
  readonly rest: Pose;
}

export const planFolding = (form: FoldedForm, caliperMm: number): Folding => ({
  ...layersOf(form, caliperMm),
  caliperMm,
  rest: restingPose(form),
});

/** After so many steps, the last of them partly made: every panel at its height in the pile. */
export function atStep(form: FoldedForm, folding: Folding, done: number): ReadonlyMap<string, Pose> {
  const last = form.steps.length;
  const k = Math.min(Math.max(0, Math.floor(done)), Math.max(0, last - 1));
  const share = Math.min(1, Math.max(0, done - k));
  const [from, to] = [k, Math.min(last, k + 1)].map((after) => heights(form, folding, after));
  const poses = foldBlank(form.blank, afterSteps(form, done), form.restingPanelId, folding.rest);
  return lifted(poses, (id) => from!.get(id)! * (1 - share) + to!.get(id)! * share);
}

/** As a reader opens it, 0 shut to 1 flat. */
export function atOpening(form: FoldedForm, folding: Folding, open: number): ReadonlyMap<string, Pose> {
  if (form.opens === 'inTurn') return atStep(form, folding, (1 - open) * form.steps.length);
  const shut = heights(form, folding, form.steps.length);
  const poses = foldBlank(form.blank, opened(form, open), form.restingPanelId, folding.rest);
  return lifted(poses, (id) => shut.get(id)! * (1 - open));
}

/**
 * With every crease bent as the card stands, the resting panel in its place. Panels that whole steps have
 * pressed together keep their heights in that pile; the others are free of each other.
 */
export function atState(form: FoldedForm, folding: Folding, state: FoldState): ReadonlyMap<string, Pose> {
  const isShut = (id: string): boolean => Math.abs((state[id] ?? 0) - creaseOf(form, id).shutDeg) < 1e-9;
  const open = form.steps.findIndex(({ creaseIds }) => !creaseIds.every(isShut));
  const pressed = heights(form, folding, open < 0 ? form.steps.length : open);
  const poses = foldBlank(form.blank, state, form.restingPanelId, folding.rest);
  return lifted(poses, (id) => pressed.get(id)!);
}

/** Heights in the pile after some steps, measured along each panel’s own outside: they turn with the panel. */
function heights(form: FoldedForm, { levels, caliperMm }: Folding, after: number): ReadonlyMap<string, number> {
  const poses = foldBlank(form.blank, afterSteps(form, after), form.restingPanelId);
  return new Map(
    form.blank.panels.map(({ id }) => {
      const outsideUp = turn(poses.get(id)!, [0, 0, 1])[2] > -1e-9;
      return [id, levels[after]![id]! * caliperMm * (outsideUp ? 1 : -1)];
    }),
  );
}

const lifted = (poses: ReadonlyMap<string, Pose>, byMm: (id: string) => number): ReadonlyMap<string, Pose> =>
  new Map([...poses].map(([id, pose]) => [id, chain(pose, { ...UNTURNED, shift: [0, 0, byMm(id)] })]));

const UNTURNED: Pick<Pose, 'rows'> = {
  rows: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
};
