import type { Blank, Crease } from '../../../ground/fold/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Point } from '../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../ground/length/types.ts';
import { BAG_INPUTS, handleHole, topEdge } from './parts/bagTop.ts';
import { behindOpen, form, outer, strip } from './parts/strip.ts';
import type { Format } from './types.ts';

/** The seam is this much shorter than the side at each end, so that none of it shows. Our starting value. */
const SEAM_IN_MM = 1.5;
/** A foot is this much less than the room it lies in. Our starting value. */
const FOOT_EASE_MM = 1;
/** A tab so long holds the foot. Our starting value. */
const TUCK_MM = 18;

/**
 * Back, side, front, side and a seam, one after the other. Each side has a valley in its middle: it goes in, and the bag
 * lies flat; pulled out, the four corners are square and it stands.
 */
export const bag: Format = {
  id: 'bag',
  name: 'Bag',
  says: 'Pleated sides and a foot that tucks in: opens square, stands, shuts flat.',
  family: 'Folded twice, thick or shaped',
  mark: 'M8 22V8Q20 -2 32 8V22ZM15 8H25',
  inputs: [...BAG_INPUTS, { id: 'bagFoot', label: 'With a foot', kind: 'yesNo' }],
  form: ({ widthMm: w, heightMm: h }, { bagDeepMm, topRiseMm, handleMm, wingMm, bagFoot }) => {
    const half = bagDeepMm / 2;
    const frontAt = w + bagDeepMm;
    const seamAt = frontAt + w + bagDeepMm;
    const p = (xMm: number, yMm: number): Point => ({ xMm, yMm });
    const inMm = Math.min(SEAM_IN_MM, (h - topRiseMm) / 10);
    const outline: Polygon = [
      ...topEdge(0, w, topRiseMm),
      ...topEdge(frontAt, w, topRiseMm),
      ...[p(seamAt, topRiseMm), p(seamAt, topRiseMm + inMm), p(seamAt + wingMm, topRiseMm + 2 * inMm)],
      ...[p(seamAt + wingMm, h - 2 * inMm), p(seamAt, h - inMm), p(seamAt, h), p(0, h)],
    ];
    const cutIn = (id: string, panelAtMm: number) =>
      handleHole({ id, panelAtMm, widthMm: w, riseMm: topRiseMm }, handleMm);
    const sides = strip(
      [
        { id: 'back', name: 'Back panel', widthMm: w },
        { id: 'leftBack', name: 'Left, back', widthMm: half },
        { id: 'leftFront', name: 'Left, front', widthMm: half },
        { id: 'front', name: 'Front panel', widthMm: w },
        { id: 'rightFront', name: 'Right, front', widthMm: half },
        { id: 'rightBack', name: 'Right, back', widthMm: half },
        { id: 'seam', name: 'Seam', widthMm: wingMm },
      ],
      [
        { id: 'backLeft', direction: 'mountain' },
        { id: 'leftMiddle', direction: 'valley' },
        { id: 'frontLeft', direction: 'mountain' },
        { id: 'frontRight', direction: 'mountain' },
        { id: 'rightMiddle', direction: 'valley' },
        { id: 'backRight', direction: 'mountain' },
      ],
      h,
      { outline, cuts: [...cutIn('backHandle', 0), ...cutIn('frontHandle', frontAt)] },
    );
    return form(bagFoot ? withFoot(sides, { widthMm: w, heightMm: h, deepMm: bagDeepMm }) : sides, {
      steps: [
        ...(bagFoot
          ? [
              {
                creaseIds: ['foot'],
                says: 'Fold the foot back behind the back; it is tucked in when the bag is opened.',
              },
            ]
          : []),
        {
          creaseIds: ['frontRight', 'rightMiddle', 'backRight'],
          says: 'Pleat the side that has the seam: its middle goes in behind the front, the seam lies under it.',
        },
        {
          creaseIds: ['backLeft', 'leftMiddle', 'frontLeft'],
          says: 'Pinch the other side’s middle in and lay the front on the back. Glue the seam’s outside, 3 mm off every edge, to the inside of the back.',
        },
      ],
      front: 'front',
      rests: 'back',
      glued: ['seam'],
      standing: {
        ...{ backLeft: 90, leftMiddle: 0, frontLeft: 90 },
        ...{ frontRight: 90, rightMiddle: 0, backRight: 90 },
        // Turned the other way than it lies when the bag is shut.
        ...(bagFoot ? { foot: -90, tuck: -90 } : {}),
      },
      faces: [
        outer('front', 'front', 'Front', 'front'),
        outer('back', 'back', 'Back', 'behind'),
        behindOpen('leftBack', 'leftBack', 'Left, back'),
        behindOpen('leftFront', 'leftFront', 'Left, front'),
        behindOpen('rightFront', 'rightFront', 'Right, front'),
        behindOpen('rightBack', 'rightBack', 'Right, back'),
      ],
    });
  },
};

/**
 * A foot under the back, as wide and a hair less deep than the bag, with a tab that is tucked in behind the front. Shut it
 * lies behind the back; pulled round under the open bag it keeps the sides square.
 */
function withFoot(
  blank: Blank,
  { widthMm: w, heightMm: h, deepMm }: { readonly widthMm: Mm; readonly heightMm: Mm; readonly deepMm: Mm },
): Blank {
  const p = (xMm: Mm, yMm: Mm): Point => ({ xMm, yMm });
  const end = h + deepMm - Math.min(FOOT_EASE_MM, deepMm / 8);
  const inMm = Math.min(FOOT_EASE_MM, w / 20);
  const tab = Math.min(TUCK_MM, h / 5);
  const lean = Math.min(tab, w / 6);
  const foot: Polygon = [p(inMm, h), p(w - inMm, h), p(w - inMm, end), p(inMm, end)];
  const tuck: Polygon = [p(inMm, end), p(w - inMm, end), p(w - inMm - lean, end + tab), p(inMm + lean, end + tab)];
  // The back’s lower edge is met by the foot’s, a little within its ends.
  const back = blank.panels.find(({ id }) => id === 'back')!;
  const footed: Polygon = back.outline.flatMap((point, i) => {
    const next = back.outline[(i + 1) % back.outline.length]!;
    const isFoot = Math.abs(point.yMm - h) < TOLERANCE_MM && Math.abs(next.yMm - h) < TOLERANCE_MM;
    return isFoot ? [point, p(w - inMm, h), p(inMm, h)] : [point];
  });
  const outline: Polygon = [
    ...blank.outline.slice(0, -1),
    ...[p(w - inMm, h), p(w - inMm, end), ...tuck.slice(2), p(inMm, end), p(inMm, h)],
    ...blank.outline.slice(-1),
  ];
  const box = boxAround(outline);
  const level = (id: string, yMm: Mm, shutDeg: Deg, joins: readonly [string, string]): Crease => ({
    ...{ id, from: p(inMm, yMm), to: p(w - inMm, yMm), direction: 'valley', shutDeg, joins },
  });
  return {
    ...blank,
    ...{ outline, widthMm: box.widthMm, heightMm: box.heightMm },
    panels: [
      ...blank.panels.map((panel) => (panel.id === 'back' ? { ...panel, outline: footed } : panel)),
      { id: 'foot', name: 'Foot', outline: foot, box: boxAround(foot) },
      { id: 'tuck', name: 'Tuck', outline: tuck, box: boxAround(tuck) },
    ],
    creases: [...blank.creases, level('foot', h, 180, ['back', 'foot']), level('tuck', end, 0, ['foot', 'tuck'])],
  };
}
