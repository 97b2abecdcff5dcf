import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { move } from '../../../ground/fold/space.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../../ground/length/types.ts';
import { motionOf } from '../../../ground/linkage/motionOf.ts';
import { placeParts } from '../../../ground/linkage/placeParts.ts';
import { bodyKey, type Moment } from '../../../ground/linkage/types.ts';
import { popUpLimits, type PopUp } from '../../../job/popUps.ts';
import { assemble, layerOf, type PopUpAsked, type PutTogether } from './assemble.ts';
import { MARGIN_MM, shutMoment, shutPieces, type Excess } from './bodies.ts';
import { mechanismOf } from './mechanisms/index.ts';
import { GLUE_GIVES_MM } from './popUpPlan.ts';
import { pokesOut } from './pokesOut.ts';
import type { Spread } from './spread.ts';

/** What remedies are tried on. */
export interface TriedOn {
  readonly asked: readonly PopUpAsked[];
  readonly together: PutTogether;
  readonly spread: Spread;
  readonly unit: LengthUnit;
}

/** Everything with one pop-up changed so. Straps keep the length they have. */
function changed({ asked, together, spread }: TriedOn, one: PopUpAsked, part: Partial<PopUp>): PutTogether {
  const long = new Map(together.bands.map(({ id, longMm }) => [layerOf(together, id).layerId, longMm]));
  return assemble(
    asked.map((each) => ({
      ...each,
      popUp: {
        ...each.popUp,
        ...(long.has(each.layerId) ? { longMm: long.get(each.layerId)! } : {}),
        ...(each === one ? part : {}),
      },
    })),
    spread,
  );
}

const isMade = ({ faults }: PutTogether, one: PopUpAsked): boolean =>
  faults.every(({ asked: { layerId } }) => layerId !== one.layerId);

/** Whether a pop-up, changed so, can be made at all. */
export const canBeMade = (told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean =>
  isMade(changed(told, one, part), one);

/** Whether a pop-up, changed so, is made and opens flat without a strain. */
export function opensFlat(told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean {
  const tried = changed(told, one, part);
  if (!isMade(tried, one)) return false;
  const { parts, bands = [] } = tried.made.find(({ asked }) => asked.layerId === one.layerId)!.made;
  const ids = [...parts.flatMap(({ joints }) => joints.map(({ id }) => id)), ...bands.map(({ id }) => id)];
  return motionOf(tried.linkage).every(({ gapsMm }) => ids.every((id) => (gapsMm[id] ?? 0) <= GLUE_GIVES_MM));
}

/** Whether a pop-up, changed so, is made and lies inside the shut card. */
function staysIn(told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean {
  const tried = changed(told, one, part);
  return (
    isMade(tried, one) &&
    pokesOut(shutPieces(tried, shutMoment(tried)), told.spread, MARGIN_MM).every(
      ({ partId }) => layerOf(tried, partId).layerId !== one.layerId,
    )
  );
}

/** What could be set otherwise, and which way, for each side that something comes out at. */
const WAYS_IN: Readonly<Record<Excess['side'], readonly (readonly [keyof PopUp, -1 | 1])[]>> = {
  fold: [
    ['alongMm', 1],
    ['alongMm', -1],
    ['heightMm', -1],
    ['depthMm', 1],
  ],
  fore: [
    ['heightMm', -1],
    ['depthMm', -1],
    ['otherDepthMm', -1],
    ['pastMm', -1],
    ['glueMm', -1],
    ['otherRiseMm', -1],
    ['alongMm', 1],
    ['alongMm', -1],
  ],
  head: [
    ['alongMm', 1],
    ['widthMm', -1],
    ['glueMm', -1],
    ['heightMm', -1],
  ],
  foot: [
    ['alongMm', -1],
    ['widthMm', -1],
    ['glueMm', -1],
    ['heightMm', -1],
  ],
};
const TIMES = [1, 2, 4];
const PER_MM = 2;
const MOST_REMEDIES = 3;

/** The smallest change of each measure alone that keeps a pop-up inside the shut card; each of them was tried. */
export function keptIn(
  told: TriedOn,
  one: PopUpAsked,
  { mm, side }: Pick<Excess, 'mm' | 'side'>,
): readonly { readonly label: string; readonly part: Partial<PopUp> }[] {
  const { inputs } = mechanismOf(one.popUp.mechanism);
  return WAYS_IN[side]
    .flatMap(([id, way]) => {
      const input = inputs.find((each) => each.id === id);
      const now = one.popUp[id];
      if (input?.kind !== 'length' || typeof now !== 'number') return [];
      const limits = popUpLimits(id);
      for (const times of TIMES) {
        const next = now + way * mm * times;
        const value: Mm = (way < 0 ? Math.floor(next * PER_MM + 1e-9) : Math.ceil(next * PER_MM - 1e-9)) / PER_MM;
        if (value < limits.least || value > limits.most) break;
        const part = { [id]: value } as Partial<PopUp>;
        if (staysIn(told, one, part))
          return [{ label: `Set “${input.label}” to ${formatLength(value, told.unit)}`, part }];
      }
      return [];
    })
    .slice(0, MOST_REMEDIES);
}

const CLEAR_MM = 1;

/** Whether a pop-up is put on another, or on what is put on it. */
function carries(asked: readonly PopUpAsked[], layerId: string, { popUp }: PopUpAsked): boolean {
  const on = asked.find((one) => one.layerId === popUp.on.layerId);
  return on !== undefined && (on.layerId === layerId || carries(asked, layerId, on));
}

/** Moves along the fold that leave two pop-ups no stretch of it in common, and keep them inside the card. */
export function apart(
  told: TriedOn,
  motion: readonly Moment[],
  pair: readonly [PopUpAsked, PopUpAsked],
): readonly { readonly one: PopUpAsked; readonly mm: Mm; readonly part: Partial<PopUp> }[] {
  const reaches = pair.map(({ layerId }) => reachAlong(told, motion, layerId));
  return pair.flatMap((one, i) => {
    const [own, other] = [reaches[i]!, reaches[1 - i]!];
    // What carries the other takes it along.
    if (carries(told.asked, one.layerId, pair[1 - i]!)) return [];
    const asksPlace = mechanismOf(one.popUp.mechanism).sits === 'gutter' && one.popUp.on.layerId === null;
    if (!asksPlace) return [];
    // A strap has no place of its own along the fold.
    if (![...own, ...other].every(Number.isFinite)) return [];
    return [other[1] - own[0] + CLEAR_MM, other[0] - own[1] - CLEAR_MM].flatMap((shift) => {
      const mm = (Math.sign(shift) * Math.ceil(Math.abs(shift) * PER_MM)) / PER_MM;
      const part = { alongMm: one.popUp.alongMm + mm };
      return staysIn(told, one, part) ? [{ one, mm, part }] : [];
    });
  });
}

/** The stretch of the fold that a pop-up ever comes over, with everything that it carries left out. */
function reachAlong({ together }: TriedOn, motion: readonly Moment[], layerId: string): readonly [Mm, Mm] {
  const { parts, fans = [] } = together.made.find(({ asked }) => asked.layerId === layerId)!.made;
  const pleats = fans.flatMap(({ alongMm, pleatMm }) => [alongMm - pleatMm / 2, alongMm + pleatMm / 2]);
  const ys = motion.flatMap(({ state, openDeg }) => {
    const poses = placeParts(together.parts, state, openDeg);
    return parts.flatMap(({ id, blank }) =>
      blank.panels.flatMap(({ id: panelId, outline }) =>
        outline.map((p) => -move(poses.get(bodyKey({ partId: id, panelId }))!, inSpace(p))[1]),
      ),
    );
  });
  return [Math.min(...ys, ...pleats), Math.max(...ys, ...pleats)];
}
