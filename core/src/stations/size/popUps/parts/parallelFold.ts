import { compose, translation } from '../../../../ground/geometry/affine.ts';
import type { Deg, Mm } from '../../../../ground/length/types.ts';
import type { Polygon } from '../../../../ground/geometry/polygon.ts';
import { strip } from '../../formats/parts/strip.ts';
import type { Gutter, MadePopUp, PopUpPart } from '../types.ts';
import { at, layLine } from './flatPart.ts';

export interface ParallelFold {
  readonly layerId: string;
  readonly name: string;
  readonly gutter: Gutter;
  /** Its upper edge, along the gutter. */
  readonly alongMm: Mm;
  readonly widthMm: Mm;
  /** From the gutter to its glue line on either side. */
  readonly aMm: Mm;
  readonly bMm: Mm;
  /** From each glue line to the ridge; shut they end at one place: aMm + legAMm = bMm + legBMm. */
  readonly legAMm: Mm;
  readonly legBMm: Mm;
  readonly tabMm: Mm;
  readonly tabs: 'hidden' | 'showing';
  readonly names: readonly [string, string];
}

/** A strip from side to side of a gutter with one crease along it: a step, a tent, a bridge. */
export function parallelFold(fold: ParallelFold): MadePopUp & { readonly parts: readonly [PopUpPart] } {
  const { layerId, gutter, alongMm, widthMm, aMm, bMm, legAMm, legBMm, tabMm, tabs } = fold;
  const isHidden = tabs === 'hidden';
  const id = `${layerId}-1`;
  const [footA, footB] = [tabMm, tabMm + legAMm + legBMm];
  const base = isHidden ? 'mountain' : 'valley';
  const blank = strip(
    [
      { id: 'tabA', name: 'First tab', widthMm: tabMm },
      { id: 'legA', name: fold.names[0], widthMm: legAMm },
      { id: 'legB', name: fold.names[1], widthMm: legBMm },
      { id: 'tabB', name: 'Second tab', widthMm: tabMm },
    ],
    [
      { id: 'footA', direction: base },
      { id: 'ridge', direction: 'mountain' },
      { id: 'footB', direction: base },
    ],
    widthMm,
    { outline: tapered(footB + tabMm, widthMm, tabMm) },
  );
  const down = at(0, 1);
  const onto = (xMm: Mm, gutterMm: Mm) =>
    layLine({ from: at(xMm, 0), along: down }, { to: at(gutterMm, alongMm), onto: down }, isHidden);
  const { footDegA, footDegB, ridgeDeg } = whenFlat(aMm + bMm, legAMm, legBMm);
  const flat = (footDeg: Deg): Deg => (isHidden ? 180 - footDeg : footDeg);
  const shut = isHidden ? 0 : 180;
  const part: PopUpPart = {
    ...{ id, name: fold.name, blank, tabs: ['tabA', 'tabB'], showing: isHidden ? [] : ['tabA', 'tabB'] },
    carries: 'asRead',
    joints: [
      { id: `${id}-a`, panelId: 'tabA', on: gutter.a.body, onto: compose(gutter.a.toBody, onto(footA, -aMm)) },
      { id: `${id}-b`, panelId: 'tabB', on: gutter.b.body, onto: compose(gutter.b.toBody, onto(footB, bMm)) },
    ],
    shut: { footA: shut, ridge: 180, footB: shut },
    flat: { footA: flat(footDegA), ridge: ridgeDeg, footB: flat(footDegB) },
  };
  const leg = (panelId: 'legA' | 'legB', footMm: Mm) => ({
    body: { partId: id, panelId },
    toBody: translation(footMm, -alongMm),
  });
  return {
    parts: [part],
    gutters: {
      foot: {
        a: { body: gutter.a.body, toBody: compose(gutter.a.toBody, translation(-aMm, 0)) },
        b: leg('legA', footA),
        name: 'foot, before it',
      },
      wall: {
        a: leg('legB', footB),
        b: { body: gutter.b.body, toBody: compose(gutter.b.toBody, translation(bMm, 0)) },
        name: 'top, behind it',
      },
    },
    seats: {
      front: { body: { partId: id, panelId: 'legA' }, foot: at(footA, widthMm / 2), up: at(1, 0), name: fold.names[0] },
      top: { body: { partId: id, panelId: 'legB' }, foot: at(footB, widthMm / 2), up: at(-1, 0), name: fold.names[1] },
    },
  };
}

/** Tabs lose their corners, so that they do not show beside the piece when they are glued a little askew. */
export function tapered(longMm: Mm, widthMm: Mm, tabMm: Mm): Polygon {
  const cut = Math.min(tabMm / 2, widthMm / 4);
  return [
    at(0, cut),
    ...[at(tabMm, 0), at(longMm - tabMm, 0)],
    at(longMm, cut),
    at(longMm, widthMm - cut),
    ...[at(longMm - tabMm, widthMm), at(tabMm, widthMm)],
    at(0, widthMm - cut),
  ];
}

/** The triangle that it stands as over flat pages; level where its legs just reach, or do not. */
function whenFlat(baseMm: Mm, aMm: Mm, bMm: Mm) {
  const angle = (opposite: Mm, p: Mm, q: Mm): Deg =>
    (Math.acos(Math.min(1, Math.max(-1, (p * p + q * q - opposite * opposite) / (2 * p * q)))) * 180) / Math.PI;
  return {
    footDegA: angle(bMm, aMm, baseMm),
    footDegB: angle(aMm, bMm, baseMm),
    ridgeDeg: 180 - angle(baseMm, aMm, bMm),
  };
}
