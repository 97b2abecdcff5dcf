import { foldBlank } from './foldBlank.ts';
import type { Pose } from './space.ts';
import type { FoldedForm, FoldState } from './types.ts';

/** Folding as far as `done` steps, the last of them partly: 0 flat, the number of steps shut. */
export function afterSteps(form: FoldedForm, done: number): FoldState {
  const state: Record<string, number> = {};
  form.steps.forEach(({ creaseIds }, i) => {
    const share = Math.min(1, Math.max(0, done - i));
    for (const id of creaseIds) state[id] = share * creaseOf(form, id).shutDeg;
  });
  return state;
}

export const shutState = (form: FoldedForm): FoldState => afterSteps(form, form.steps.length);

/** As a reader opens it: 0 shut, 1 flat open. */
export function opened(form: FoldedForm, open: number): FoldState {
  if (form.opens === 'inTurn') return afterSteps(form, (1 - open) * form.steps.length);
  return Object.fromEntries(form.blank.creases.map((crease) => [crease.id, (1 - open) * crease.shutDeg]));
}

/** Poses with the front towards the reader: shut, or opened while the resting panel stays on the table. */
export function readingPoses(form: FoldedForm, state: FoldState): ReadonlyMap<string, Pose> {
  return foldBlank(form.blank, state, form.restingPanelId, restingPose(form));
}

/** Where the resting panel lies when the shut card’s front faces the reader. */
export function restingPose(form: FoldedForm): Pose {
  return foldBlank(form.blank, shutState(form), form.frontPanelId).get(form.restingPanelId)!;
}

/** @throws RangeError when a step names a crease that is not on the blank */
export function creaseOf(form: FoldedForm, id: string): FoldedForm['blank']['creases'][number] {
  const found = form.blank.creases.find((crease) => crease.id === id);
  if (!found) throw new RangeError(`creaseOf: no crease “${id}” on the blank`);
  return found;
}
