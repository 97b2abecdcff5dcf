import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { move } from '../../../ground/fold/space.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../../ground/length/types.ts';
import { motionOf } from '../../../ground/linkage/motionOf.ts';
import { placeParts } from '../../../ground/linkage/placeParts.ts';
import { bodyKey, type Moment } from '../../../ground/linkage/types.ts';
import { popUpLimits, type PopUp } from '../../../job/popUps.ts';
import { assemble, heldBy, layerOf, type PopUpAsked, type PutTogether } from './assemble.ts';
import { MARGIN_MM, shutMoment, shutPieces } from './bodies.ts';
import { cutPast } from './cutPast.ts';
import { inTheWay, openPast } from './inTheWay.ts';
import { mechanismOf } from './mechanisms/index.ts';
import { offCarrier } from './offCarrier.ts';
import { GLUE_GIVES_MM, strainOf } from './opensTo.ts';
import { excesses } from './pokesOut.ts';
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
  const made = tried.made.find(({ asked }) => asked.layerId === one.layerId);
  return (
    made !== undefined && motionOf(tried.linkage).every((moment) => strainOf(moment, heldBy(made)) <= GLUE_GIVES_MM)
  );
}

/** Whether everything of a pop-up lies inside the shut card, as far from its edges as is kept free. */
function isInside(together: PutTogether, spread: Spread, one: PopUpAsked): boolean {
  const own = shutPieces(together, shutMoment(together)).filter(
    ({ partId }) => layerOf(together, partId).layerId === one.layerId,
  );
  return excesses(own, spread, MARGIN_MM).next().done === true;
}

/** Whether a pop-up, changed so, is made and lies inside the shut card. */
export function staysIn(told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean {
  const tried = changed(told, one, part);
  return isMade(tried, one) && isInside(tried, told.spread, one);
}

/** Whether a pop-up, changed so, is made and glued to card wherever it is glued. */
export function liesOnCard(told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean {
  const tried = changed(told, one, part);
  return (
    isMade(tried, one) &&
    offCarrier(tried, told.spread).every(({ spot }) => layerOf(tried, spot.partId).layerId !== one.layerId)
  );
}

/** Whether a pop-up, changed so, is made and has card enough all round what of it is cut in. */
export function cutsWithin(told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean {
  const tried = changed(told, one, part);
  return (
    isMade(tried, one) &&
    cutPast(tried, told.spread).every(({ part: { id } }) => layerOf(tried, id).layerId !== one.layerId)
  );
}

/** Whether a pop-up, changed so, is made, has card round its openings and wants no place that another has. */
export function hasItsPlace(told: TriedOn, one: PopUpAsked, part: Partial<PopUp>): boolean {
  const tried = changed(told, one, part);
  return (
    isMade(tried, one) &&
    openPast(tried, told.spread).every(({ layerId }) => layerId !== one.layerId) &&
    inTheWay(tried).every(({ layerIds }) => !layerIds.includes(one.layerId)) &&
    isInside(tried, told.spread, one)
  );
}

/** A change is tried as large as what is wrong, and as so many times that. */
const TIMES = [1, 2, 4];
const PER_MM = 2;
const MOST_REMEDIES = 3;

/**
 * The smallest changes of one measure each, in the order in which a mechanism asks for them, after which all is well; each
 * of them was tried, less first and then more.
 * @param byMm how much is wrong
 */
export function measuresThat(
  isWell: typeof staysIn,
  told: TriedOn,
  one: PopUpAsked,
  byMm: Mm,
): readonly { readonly label: string; readonly part: Partial<PopUp> }[] {
  const found: { readonly label: string; readonly part: Partial<PopUp> }[] = [];
  for (const { id, kind, label } of mechanismOf(one.popUp.mechanism).inputs) {
    const now = one.popUp[id];
    if (kind !== 'length' || typeof now !== 'number' || found.length >= MOST_REMEDIES) continue;
    const limits = popUpLimits(id);
    const values = TIMES.flatMap((times) =>
      ([-1, 1] as const).map((way): Mm => {
        const next = (now + way * byMm * times) * PER_MM;
        return (way < 0 ? Math.floor(next + 1e-9) : Math.ceil(next - 1e-9)) / PER_MM;
      }),
    );
    const value = values.find((mm) => mm >= limits.least && mm <= limits.most && isWell(told, one, { [id]: mm }));
    if (value !== undefined)
      found.push({
        label: `Set “${label}” to ${formatLength(value, told.unit)}`,
        part: { [id]: value },
      });
  }
  return found;
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
