import { boxAround } from '../../../ground/geometry/box.ts';
import type { Blank, BlankCut, Crease, Panel } from '../../../ground/fold/types.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Point } from '../../../ground/geometry/types.ts';
import { BAG_INPUTS, handleHole, topEdge } from './parts/bagTop.ts';
import { form, outer } from './parts/strip.ts';
import type { Format } from './types.ts';

/**
 * Front, foot and back, one above the other, the foot with a valley in its middle; the back’s two seams are glued inside
 * the front. Shut it is flat; filled, its foot comes out to the depth.
 */
export const footBag: Format = {
  id: 'footBag',
  name: 'Pouch',
  says: 'A pleated foot and glued sides: opens below, shuts flat.',
  family: 'Folded twice, thick or shaped',
  mark: 'M8 4V20L20 14L32 20V4Z',
  inputs: BAG_INPUTS,
  // eslint-disable-next-line max-lines-per-function -- one drawing: its parts, folds and cuts stand on each other’s edges
  form: ({ widthMm: w, heightMm: h }, { bagDeepMm, topRiseMm, handleMm, wingMm }) => {
    const half = bagDeepMm / 2;
    const [left, right] = [wingMm, wingMm + w];
    const [foot, backAt] = [h, h + bagDeepMm];
    const end = backAt + h;
    // The back lies upside-down on the blank, its top at the end.
    const sidesEnd = end - topRiseMm;
    const p = (xMm: number, yMm: number): Point => ({ xMm, yMm });
    const lean = Math.min(wingMm * 0.5, (sidesEnd - backAt) / 4);
    const [seamFrom, seamTo] = [backAt + lean / 4, sidesEnd - lean / 4];
    const leftSeam = [p(left, seamTo), p(0, seamTo - lean), p(0, seamFrom + lean), p(left, seamFrom)];
    const rightSeam = [
      p(right, seamFrom),
      p(right + wingMm, seamFrom + lean),
      p(right + wingMm, seamTo - lean),
      p(right, seamTo),
    ];
    const frontTop = topEdge(left, w, topRiseMm);
    const backTop = frontTop.map(({ xMm, yMm }) => p(xMm, end - yMm));
    const parts: readonly (readonly [string, string, Polygon])[] = [
      ['front', 'Front panel', [...frontTop, p(right, foot), p(left, foot)]],
      ['footFront', 'Foot, front half', [p(left, foot), p(right, foot), p(right, foot + half), p(left, foot + half)]],
      ['footBack', 'Foot, back half', [p(left, foot + half), p(right, foot + half), p(right, backAt), p(left, backAt)]],
      [
        'back',
        'Back panel',
        [
          ...[p(left, backAt), p(right, backAt), p(right, seamFrom), p(right, seamTo)],
          ...[...backTop].reverse(),
          ...[p(left, seamTo), p(left, seamFrom)],
        ],
      ],
      ['leftSeam', 'Left seam', leftSeam],
      ['rightSeam', 'Right seam', rightSeam],
    ];
    const level = (
      id: string,
      y: number,
      joins: readonly [string, string],
      direction: Crease['direction'],
    ): Crease => ({
      ...{ id, from: p(left, y), to: p(right, y), direction, shutDeg: 180, joins },
    });
    const upright = (id: string, x: number, joins: readonly [string, string]): Crease => ({
      ...{ id, from: p(x, seamFrom), to: p(x, seamTo), direction: 'mountain', shutDeg: 180, joins },
    });
    const outline: Polygon = [
      ...frontTop,
      ...[p(right, foot), p(right, backAt), ...rightSeam],
      ...[...backTop].reverse(),
      ...[...leftSeam, p(left, backAt), p(left, foot)],
    ];
    const handle = handleHole({ id: 'frontHandle', panelAtMm: left, widthMm: w, riseMm: topRiseMm }, handleMm);
    const behind = handle.map((cut): BlankCut => ({
      ...cut,
      id: 'backHandle',
      points: cut.points.map(({ xMm, yMm }) => p(xMm, end - yMm)),
    }));
    const bounds = boxAround(outline);
    const blank: Blank = {
      ...{ widthMm: bounds.widthMm, heightMm: bounds.heightMm, outline },
      panels: parts.map(([id, name, own]): Panel => ({ id, name, outline: own, box: boxAround(own) })),
      creases: [
        upright('leftSeam', left, ['back', 'leftSeam']),
        upright('rightSeam', right, ['back', 'rightSeam']),
        level('frontFoot', foot, ['front', 'footFront'], 'mountain'),
        level('footMiddle', foot + half, ['footFront', 'footBack'], 'valley'),
        level('backFoot', backAt, ['footBack', 'back'], 'mountain'),
      ],
      cuts: [...handle, ...behind],
    };
    return form(blank, {
      steps: [
        {
          creaseIds: ['leftSeam', 'rightSeam'],
          says: 'Fold both seams in behind the back, and glue their outside 3 mm off every edge.',
        },
        {
          creaseIds: ['frontFoot', 'footMiddle', 'backFoot'],
          says: 'Push the foot’s middle in, lay the back behind the front, and press the seams on the inside of the front.',
        },
      ],
      front: 'front',
      rests: 'front',
      standing: null,
      glued: ['leftSeam', 'rightSeam'],
      faces: [outer('front', 'front', 'Front', 'front'), outer('back', 'back', 'Back', 'behind')],
    });
  },
};
