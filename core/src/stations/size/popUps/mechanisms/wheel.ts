import { apply } from '../../../../ground/geometry/affine.ts';
import { distanceToEdge, edgesOf } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Deg, Mm } from '../../../../ground/length/types.ts';
import type { PopUp } from '../../../../job/popUps.ts';
import { behindPage, boxOf, circle, CUT_WINDOW, NO_PAGE, windowAt, windowFault } from '../parts/behindPage.ts';
import { at, flatPart } from '../parts/flatPart.ts';
import { past, windowInputs } from '../parts/inputs.ts';
import type { Made, Mechanism } from '../types.ts';

/** A paper fastener’s legs go through so much; card holds round it as round any hole. Our starting values. */
const PIN_MM = 3;
const HOLDS_MM = 6;
/** What a fingertip reaches a wheel through, and how far it keeps from the rim. Our starting values. */
const FINGER_MM = 16;
const RIM_MM = 2;

/** Of the window from the pin, nearest and farthest, and the angle that it takes up. */
export function windowSeen(popUp: PopUp): { readonly near: Mm; readonly far: Mm; readonly deg: Deg } {
  const outline = windowAt(popUp, windowMiddle(popUp));
  const rad = (popUp.atDeg * Math.PI) / 180;
  const out = at(Math.sin(rad), -Math.cos(rad));
  const away = outline.map(({ xMm, yMm }) => Math.hypot(xMm, yMm));
  const angles = outline.map(({ xMm, yMm }) =>
    Math.atan2(out.xMm * yMm - out.yMm * xMm, out.xMm * xMm + out.yMm * yMm),
  );
  const deg = ((Math.max(...angles) - Math.min(...angles)) * 180) / Math.PI;
  // The nearest point of an edge is nearer than its ends.
  const near = Math.min(...edgesOf(outline).map((edge) => distanceToEdge(at(0, 0), edge)));
  return { near, far: Math.max(...away), deg };
}

function windowMiddle({ atDeg, riseMm }: PopUp): Point {
  const rad = (atDeg * Math.PI) / 180;
  return at(riseMm * Math.sin(rad), -riseMm * Math.cos(rad));
}

/** How many pictures of the window’s size lie round a wheel without two being seen at once: 360° by the window’s angle. */
export const picturesOn = (popUp: PopUp): number => Math.max(1, Math.floor(360 / windowSeen(popUp).deg + 1e-9));

/** A round of card behind a page, on a pin, turned by a fingertip through a hole; a window shows a part of it. */
export const wheel: Mechanism = {
  id: 'wheel',
  name: 'Wheel behind a window',
  says: 'A round that is turned by a finger and shows one picture after another.',
  mark: 'M20 3A10 10 0 1 1 19.9 3M16 5H24V10H16ZM20 14V14.1M18 19A2 2 0 1 1 22 19A2 2 0 1 1 18 19',
  sits: 'seat',
  placed: 'Behind',
  inputs: [
    { id: 'alongMm', label: 'Pin right of the middle', kind: 'length' },
    ...[past('Pin from the fold'), { id: 'widthMm', label: 'Wheel across', kind: 'length' } as const],
    { id: 'riseMm', label: 'Window from the pin', kind: 'length' },
    { id: 'atDeg', label: 'Window clockwise', kind: 'angle' },
    ...windowInputs,
  ],
  make: (popUp, { layerId, seat }) => {
    const behind = behindPage(seat!, popUp);
    if (!behind) return NO_PAGE;
    const fault = windowFault(popUp) ?? wheelFault(popUp);
    if (fault) return fault;
    const radius = popUp.widthMm / 2;
    const pin = at(0, 0);
    const disc = circle(pin, radius);
    const rad = (popUp.atDeg * Math.PI) / 180;
    const fingerFrom = radius - RIM_MM - FINGER_MM / 2;
    const id = `${layerId}-1`;
    const { blank, moved } = flatPart(disc, [{ id: 'wheel', name: 'Wheel', outline: disc }], []);
    const onPage = (outline: readonly Point[]): readonly Point[] => outline.map((p) => apply(behind.toPage, p));
    return {
      ok: true,
      made: {
        parts: [
          {
            ...{ id, name: 'Wheel', tabs: [], showing: [], carries: 'upright', isLoose: true },
            blank: {
              ...blank,
              cuts: [
                {
                  ...{ id: 'pin', kind: 'hole', name: 'Pin hole', points: circle(moved(pin), PIN_MM / 2) },
                  byHand: { title: 'Pierce the wheel’s middle', says: PIERCE, tool: 'knife' },
                },
              ],
            },
            joints: [
              { id: `${id}-pin`, panelId: 'wheel', on: seat!.body, onto: behind.onto(boxOf(disc)), ...behind.under },
            ],
            ...{ shut: {}, flat: {} },
          },
        ],
        openings: [
          {
            ...{ id: `${layerId}-window`, kind: 'window', name: 'Window of the wheel', page: behind.page },
            ...{ outline: onPage(windowAt(popUp, windowMiddle(popUp))), says: CUT_WINDOW },
          },
          {
            ...{ id: `${layerId}-finger`, kind: 'window', name: 'Finger hole of the wheel', page: behind.page },
            outline: onPage(circle(at(-fingerFrom * Math.sin(rad), fingerFrom * Math.cos(rad)), FINGER_MM / 2)),
            says: 'By its template, with a large round punch or a knife, from corner to corner of the curve.',
          },
          {
            ...{ id: `${layerId}-pin`, kind: 'hole', name: 'Pin hole of the wheel', page: behind.page },
            ...{ outline: onPage(circle(pin, PIN_MM / 2)), says: PIERCE },
          },
        ],
      },
    };
  },
};

const PIERCE = 'By its template, with an awl or the point of a knife on a mat, just wide enough for the pin’s legs.';

function wheelFault(popUp: PopUp): Extract<Made, { readonly ok: false }> | null {
  const { near, far } = windowSeen(popUp);
  const radius = popUp.widthMm / 2;
  const wants = Math.ceil(2 * (far + RIM_MM));
  if (far + RIM_MM > radius)
    return {
      ok: false,
      title: 'The window looks past the wheel',
      why: 'Its farthest corner has no wheel behind it.',
      mends: [{ label: (far) => `Make the wheel ${far(wants)} across`, part: { widthMm: wants } }],
    };
  // The finger hole and the window keep card round the pin between them.
  const least = FINGER_MM + RIM_MM + HOLDS_MM + PIN_MM / 2;
  const out = Math.ceil(popUp.riseMm + HOLDS_MM + PIN_MM / 2 - near);
  if (near < HOLDS_MM + PIN_MM / 2 || radius < least)
    return {
      ok: false,
      title: 'There is no card for the wheel’s pin',
      why: (far) => `A pin tears out nearer than ${far(HOLDS_MM)} to a window or to the hole for a finger.`,
      mends: [
        {
          label: (far) => `Move the window ${far(out - popUp.riseMm)} out`,
          part: { riseMm: out, widthMm: Math.max(popUp.widthMm, wants + 2 * Math.ceil(out - popUp.riseMm)) },
        },
        {
          label: (far) => `Make the wheel ${far(Math.ceil(2 * least))} across`,
          part: { widthMm: Math.ceil(2 * least) },
        },
      ],
    };
  return null;
}
