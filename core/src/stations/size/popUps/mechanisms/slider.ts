import { apply } from '../../../../ground/geometry/affine.ts';
import type { Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Point } from '../../../../ground/geometry/types.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import type { PopUp } from '../../../../job/popUps.ts';
import {
  behindPage,
  boxOf,
  CUT_WINDOW,
  NO_PAGE,
  roomTo,
  windowAt,
  windowFault,
  type BehindPage,
} from '../parts/behindPage.ts';
import { stepsFor } from '../../formats/parts/shapes.ts';
import { at, flatPart } from '../parts/flatPart.ts';
import { past, tab, windowInputs } from '../parts/inputs.ts';
import type { Far, Made, Mechanism, Mend, PopUpPart, Site } from '../types.ts';

/** At rest its end keeps so far in from the page’s edge, in a thumb’s notch of this radius. Our starting values. */
const IN_MM = 2;
const THUMB_MM = 9;
/** What it goes under, how much wider than the window it is, and what stops it. Our starting values. */
const GUIDE_MM = 10;
const BESIDE_MM = 4;
const EASE_MM = 0.5;
const EAR_MM = 8;
const EAR_OUT_MM = 5;
/** Between neighbours along the strip, so that nothing of the one picture is seen with the other. */
const APART_MM = 4;

/** Lengths of a slider, along the way in which it is pulled: from the edge of the page inwards. */
export interface SliderLengths {
  /** Of the window, along and across. */
  readonly window: Mm;
  readonly wide: Mm;
  readonly travel: Mm;
  /** Of the strip across, without its ears. */
  readonly strip: Mm;
  /** Distances from the edge: the window, either guide, the strip’s end with its ears. */
  readonly windowFrom: Mm;
  readonly firstGuide: Mm;
  readonly secondGuide: Mm;
  readonly end: Mm;
}

/**
 * Pulled by the window’s length and a little it shows its second picture; its ears then meet the guide behind the window.
 * Derivation: from the edge in, a notch, a guide, the window, a guide, the travel and the ears.
 */
export function sliderLengths({ windowWideMm, windowHighMm }: PopUp, isAcross: boolean, edgeMm: Mm): SliderLengths {
  const [window, wide] = isAcross ? [windowWideMm, windowHighMm] : [windowHighMm, windowWideMm];
  const travel = window + APART_MM;
  const windowFrom = edgeMm - window / 2;
  const secondGuide = edgeMm + window / 2 + BESIDE_MM;
  return {
    ...{ window, wide, travel, strip: wide + 2 * BESIDE_MM, windowFrom, secondGuide },
    firstGuide: (THUMB_MM + windowFrom - GUIDE_MM) / 2,
    end: secondGuide + GUIDE_MM + travel + EAR_MM,
  };
}

const LEAST_FROM_MM = THUMB_MM + GUIDE_MM + 2;

/** A strip behind a page between two guides, pulled at the page’s edge; a window shows one half of it or the other. */
export const slider: Mechanism = {
  id: 'slider',
  name: 'Slider behind a window',
  says: 'A strip that is pulled at the edge and changes one picture for another.',
  mark: 'M4 20V4H30V20M12 8H22V16H12ZM30 9H37V15H30M33.5 12H36',
  sits: 'seat',
  placed: 'Behind',
  inputs: [
    { id: 'alongMm', label: 'Window right of the middle', kind: 'length' },
    past('Window from the fold'),
    ...windowInputs,
    {
      ...{ id: 'pulls', label: 'Pulled', kind: 'choice' },
      choices: [
        { id: 'fore', name: 'Away from the fold' },
        { id: 'head', name: 'Towards the fold’s head' },
        { id: 'foot', name: 'Towards the fold’s foot' },
      ],
    },
    { ...tab, label: 'Glue on the guides' },
  ],
  make: (popUp, site) => {
    const behind = behindPage(site.seat!, popUp);
    return behind ? laid(popUp, site, behind) : NO_PAGE;
  },
};

/** Measures from the page’s edge in, the way it is pulled, and aside of the strip’s middle. */
interface Along {
  readonly point: (fromMm: Mm, asideMm: Mm) => Point;
  /** A stretch of it, as wide to either side. */
  readonly box: (fromMm: Mm, toMm: Mm, halfMm: Mm) => Polygon;
}

function alongOf(way: Point, edgeMm: Mm): Along {
  const point = (fromMm: Mm, asideMm: Mm): Point =>
    at(way.xMm * (edgeMm - fromMm) - way.yMm * asideMm, way.yMm * (edgeMm - fromMm) + way.xMm * asideMm);
  return {
    point,
    box: (fromMm, toMm, halfMm) => [
      ...[point(fromMm, -halfMm), point(fromMm, halfMm)],
      ...[point(toMm, halfMm), point(toMm, -halfMm)],
    ],
  };
}

function laid(popUp: PopUp, { layerId, seat }: Site, behind: BehindPage): Made {
  const onPage = { fore: seat!.up, head: at(0, -1), foot: at(0, 1) }[popUp.pulls];
  // The way it is pulled as it is read through the page: the map is rigid, its inverse its transpose.
  const [a, b, c, d] = behind.toPage;
  const way = at(Math.round(a * onPage.xMm + b * onPage.yMm), Math.round(c * onPage.xMm + d * onPage.yMm));
  const edge = roomTo(behind, way);
  const lengths = sliderLengths(popUp, way.yMm === 0, edge);
  const fault = windowFault(popUp) ?? sliderFault(popUp, lengths, edge + roomTo(behind, at(-way.xMm, -way.yMm)));
  if (fault) return fault;
  const along = alongOf(way, edge);
  const joint = (id: string, panelId: string, outline: Polygon) => ({
    ...{ id, panelId, on: seat!.body, onto: behind.onto(boxOf(outline)), ...behind.under },
  });
  const id = `${layerId}-1`;
  const outline = stripOutline(lengths, along);
  const strip: PopUpPart = {
    ...{ id, name: 'Slider', tabs: [], showing: [], carries: 'upright', isLoose: true },
    blank: flatPart(outline, [{ id: 'strip', name: 'Strip', outline }], []).blank,
    joints: [joint(`${id}-lies`, 'strip', outline)],
    ...{ shut: {}, flat: {} },
  };
  const guides = [lengths.firstGuide, lengths.secondGuide].map((from, i): PopUpPart => {
    const guideId = `${layerId}-${i + 2}`;
    const { whole, blank } = guideBlank(from, lengths.strip / 2 + EASE_MM, popUp.tabMm, along);
    return {
      ...{ id: guideId, name: `Guide ${i + 1}`, blank, tabs: ['end1', 'end2'], showing: [], over: id },
      carries: 'nothing',
      joints: [joint(`${guideId}-1`, 'end1', whole), joint(`${guideId}-2`, 'end2', whole)],
      // It stays flat: its ends are only where it is glued.
      ...{ shut: { first: 0, second: 0 }, flat: { first: 0, second: 0 } },
    };
  });
  const steps = stepsFor(THUMB_MM) / 2;
  const notch = Array.from({ length: steps + 1 }, (_, i) => {
    const turn = (i * Math.PI) / steps;
    return along.point(THUMB_MM * Math.sin(turn), -THUMB_MM * Math.cos(turn));
  });
  const cut = (points: Polygon): Polygon => points.map((p) => apply(behind.toPage, p));
  return {
    ok: true,
    made: {
      parts: [strip, ...guides],
      openings: [
        {
          ...{ id: `${layerId}-window`, kind: 'window', name: 'Window of the slider', page: behind.page },
          ...{ outline: cut(windowAt(popUp, at(0, 0))), says: CUT_WINDOW },
        },
        {
          ...{ id: `${layerId}-thumb`, kind: 'window', name: 'Thumb notch of the slider', page: behind.page },
          ...{ outline: cut(notch), isAtEdge: true },
          says: 'A half round out of the edge, by its template, with a round punch or scissors.',
        },
      ],
    },
  };
}

/** Plain at the edge, with ears at its other end. */
function stripOutline({ strip, end }: SliderLengths, { point }: Along): Polygon {
  const half = strip / 2;
  const ears = half + EAR_OUT_MM;
  return [
    ...[point(IN_MM, -half), point(IN_MM, half), point(end - EAR_MM, half), point(end - EAR_MM, ears)],
    ...[point(end, ears), point(end, -ears), point(end - EAR_MM, -ears), point(end - EAR_MM, -half)],
  ];
}

/** A bridge over the strip and an end on either side of it, which is glued. */
function guideBlank(fromMm: Mm, halfMm: Mm, tabMm: Mm, { point, box }: Along) {
  const whole = box(fromMm, fromMm + GUIDE_MM, halfMm + tabMm);
  const end = (side: -1 | 1): readonly [Point, Point, Point, Point] => [
    ...([point(fromMm, side * halfMm), point(fromMm, side * (halfMm + tabMm))] as const),
    ...([point(fromMm + GUIDE_MM, side * (halfMm + tabMm)), point(fromMm + GUIDE_MM, side * halfMm)] as const),
  ];
  const [one, other] = [end(-1), end(1)];
  const { blank } = flatPart(
    whole,
    [
      { id: 'end1', name: 'One end', outline: one },
      { id: 'bridge', name: 'Bridge', outline: box(fromMm, fromMm + GUIDE_MM, halfMm) },
      { id: 'end2', name: 'Other end', outline: other },
    ],
    [
      { id: 'first', from: one[0], to: one[3], direction: 'valley', joins: ['end1', 'bridge'] },
      { id: 'second', from: other[0], to: other[3], direction: 'valley', joins: ['bridge', 'end2'] },
    ],
  );
  return { whole, blank };
}

function sliderFault(popUp: PopUp, s: SliderLengths, deep: Mm): Extract<Made, { readonly ok: false }> | null {
  const over = Math.ceil(s.end + 2 - deep);
  const near = Math.ceil(LEAST_FROM_MM - s.windowFrom);
  if (near > 0)
    return {
      ok: false,
      title: 'The slider’s window is too near to the edge it is pulled at',
      why: (far) => `A thumb’s notch and a guide go between: they want ${far(LEAST_FROM_MM)}.`,
      mends: mends(popUp, near, near),
    };
  if (over > 0)
    return {
      ok: false,
      title: 'The slider is longer than its page',
      why: (far) =>
        `From the edge in come its notch, a guide, the window, another guide and as much again as it is pulled: ${far(over)} too much.`,
      mends: mends(popUp, Math.ceil(over / 2), -over),
    };
  return null;
}

/** A smaller window, or the same one elsewhere; each is tried before it is offered. */
function mends(popUp: PopUp, smallerMm: Mm, inMm: Mm): readonly Mend[] {
  const [wide, high] = [popUp.windowWideMm - smallerMm, popUp.windowHighMm - smallerMm];
  const elsewhere = popUp.pulls === 'fore' ? { pastMm: popUp.pastMm - inMm } : null;
  return [
    ...(elsewhere
      ? [{ label: (far: Far) => `Move the window ${far(Math.abs(inMm))} ${inMm > 0 ? 'in' : 'out'}`, part: elsewhere }]
      : []),
    ...(wide >= 5 ? [{ label: (far: Far) => `Make the window ${far(wide)} wide`, part: { windowWideMm: wide } }] : []),
    ...(high >= 5 ? [{ label: (far: Far) => `Make the window ${far(high)} high`, part: { windowHighMm: high } }] : []),
    ...(['foot', 'head', 'fore'] as const)
      .filter((pulls) => pulls !== popUp.pulls)
      .map((pulls) => ({ label: PULL_NAMES[pulls], part: { pulls } })),
  ];
}

const PULL_NAMES = {
  fore: 'Pull it away from the fold',
  head: 'Pull it towards the fold’s head',
  foot: 'Pull it towards the fold’s foot',
};
