import {
  changeJob,
  decide,
  decideEach,
  posesAt,
  standing,
  type Job,
  type LayerChoice,
  type Plan,
  type Workshop,
} from '@zippy/core';
import type { Bench } from 'tinybench';

const PARTS = 20;

/** A row of so many box steps along a tall fold, the fourth of them moved by a hair with every call. */
function rowOf(bare: Job, workshop: Workshop, count: number, byMm: number): Job {
  const step = (i: number): LayerChoice => ({
    ...{ id: `step${i}`, kind: 'popUp', faces: [], revealMm: 0, stockIds: [workshop.stocks[0]!.id] },
    popUp: {
      ...{
        mechanism: 'boxStep',
        alongMm: 3 + i * 14 + (i === 3 ? byMm : 0),
        widthMm: 11,
        depthMm: 20 + i,
        heightMm: 30,
      },
    },
  });
  return changeJob(bare, [
    ...decideEach((job) => job.size, { format: 'sideFold', finishedWidthMm: 148, finishedHeightMm: 300 }),
    decide(
      (job) => job.size.layers,
      Array.from({ length: count }, (_, i) => step(i)),
    ),
  ]);
}

/** One frame of a card that is opened: every part where it stands. */
function frame({ size }: Plan, open: number): void {
  const poses = posesAt(size, { open });
  if (size.popUps) standing(size.popUps, size, poses);
}

/** @returns what to compare, by the names of what was measured */
export function addPopUps(
  bench: Bench,
  bare: Job,
  workshop: Workshop,
  plan: (job: Job) => Plan,
): readonly (readonly [string, string, string])[] {
  let asked = 0;
  const moved = (count: number): Job => rowOf(bare, workshop, count, (asked += 1) % 89 === 0 ? 0 : (asked % 89) / 100);
  const [one, many] = [plan(rowOf(bare, workshop, 1, 0)), plan(rowOf(bare, workshop, PARTS, 0))];
  bench
    .add('pop-ups: plan with twenty, one moved', () => void plan(moved(PARTS)))
    .add('pop-ups: plan with one', () => void plan(moved(1)))
    .add('pop-ups: a frame with twenty', () => frame(many, ((asked += 1) % 100) / 100))
    .add('pop-ups: a frame with one', () => frame(one, ((asked += 1) % 100) / 100));
  return [
    ['a plan with a pop-up, in plans of a side fold', 'pop-ups: plan with one', 'plan: sideFold'],
    ['a plan with twenty, in plans with one', 'pop-ups: plan with twenty, one moved', 'pop-ups: plan with one'],
    ['a frame with twenty parts, in frames with one', 'pop-ups: a frame with twenty', 'pop-ups: a frame with one'],
    ['a frame with twenty parts, in plans of a side fold', 'pop-ups: a frame with twenty', 'plan: sideFold'],
  ];
}
