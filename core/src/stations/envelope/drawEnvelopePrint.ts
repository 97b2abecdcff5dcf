import {
  compose,
  IDENTITY,
  rotationAbout,
  translation,
  turnedLeftRight,
  turnMap,
  type Affine,
} from '../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../../ground/geometry/box.ts';
import { boxPath, mapPath, polygon, polyline } from '../../ground/geometry/path.ts';
import type { PaperSide } from '../../ground/fold/types.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Page, Scene, Shape } from '../../ground/scene/types.ts';
import { namesInUse, rowOfCard } from '../../job/namesList.ts';
import type { Job } from '../../job/types.ts';
import { drawFace, drawSide } from '../art/faces/drawCard.ts';
import { seenFace, seenSide } from '../art/faces/seenArt.ts';
import { drawNamed } from '../art/names/namedArt.ts';
import type { TypefaceBook } from '../art/words/typefaces.ts';
import { drawSlug, drawTicks, shortTitle, ticksClearOf } from '../sheet/draw/drawMarks.ts';
import { drawMark, markRoom } from '../sheet/layout/machineMarks.ts';
import { cardAt, sayPiles } from '../sheet/draw/nameSheet.ts';
import { laidMap, type LaidPiece } from '../sheet/layout/layOut.ts';
import { sayPlate, type PlateKind } from '../sheet/layout/passes.ts';
import type { SheetSide } from '../sheet/layout/reach.ts';
import { cutPath } from '../../ground/fold/blankCuts.ts';
import type { FoldedPiece } from '../size/planSize.ts';
import type { EnvelopePlan } from './planEnvelope.ts';
import type { LinerPlan } from './planLiner.ts';

/** A blank that is printed on sheets of its own: the envelope, or its liner. */
interface OnPaper extends Pick<
  EnvelopePlan,
  'art' | 'print' | 'places' | 'bleedMm' | 'sheets' | 'stock' | 'turnOver' | 'machineMarks'
> {
  readonly what: 'envelope' | 'liner';
  readonly heightMm: Mm;
  readonly piece: FoldedPiece;
  /** From its form, outside up, to the blank as it lies on a sheet with its outside up. */
  readonly toOutside: Affine;
}

const envelopeOnPaper = (plan: EnvelopePlan): OnPaper => ({
  ...plan,
  ...{ what: 'envelope', heightMm: plan.blank.heightMm, piece: plan.folded },
  toOutside: compose(turnedLeftRight(plan.blank.widthMm), plan.folded.built.toBlank),
});
const linerOnPaper = (liner: LinerPlan): OnPaper => ({
  ...liner,
  ...{ what: 'liner', heightMm: liner.blank.heightMm, toOutside: IDENTITY },
});

const sheetBox = ({ stock }: Pick<OnPaper, 'stock'>): Box => ({
  xMm: 0,
  yMm: 0,
  widthMm: stock.sheetWidthMm,
  heightMm: stock.sheetHeightMm,
});

/** Where a blank with its outside up comes to lie on a page: its sheet, turned over for the back. */
function placeMap(of: OnPaper, lies: LaidPiece, side: SheetSide): Affine {
  const place = compose(laidMap(lies, of.heightMm), of.toOutside);
  return side === 'front' ? place : compose(turnMap(sheetBox(of), of.turnOver), place);
}

export interface EnvelopeLabel {
  readonly title: string;
  readonly date: string | null;
  readonly sheetNumber: number;
  readonly plate?: PlateKind;
}

/** Whose words are set, and how. */
export interface EnvelopeNames {
  readonly job: Job;
  readonly typefaces: TypefaceBook;
  /** Files with fonts need none. */
  readonly outlines?: boolean;
}

/**
 * One side of one sheet of envelopes as it is printed: art at every place, and the words of the card whose place it is,
 * in piles that come apart in the order of the cards.
 * @throws RangeError where nothing is printed on the blank, which would be our mistake
 */
export const drawEnvelopePage = (
  plan: EnvelopePlan,
  side: SheetSide,
  names: EnvelopeNames,
  label: EnvelopeLabel | null,
): Page => drawPage(envelopeOnPaper(plan), side, names, label);

/** The same of a sheet of liners. */
export const drawLinerPage = (
  liner: LinerPlan,
  side: SheetSide,
  names: EnvelopeNames,
  label: EnvelopeLabel | null,
): Page => drawPage(linerOnPaper(liner), side, names, label);

function drawPage(
  plan: OnPaper,
  side: SheetSide,
  { job, typefaces, outlines = true }: EnvelopeNames,
  label: EnvelopeLabel | null,
): Page {
  const { print, places, bleedMm, art, sheets, what, machineMarks } = plan;
  if (print?.on !== 'blank') throw new RangeError('drawEnvelopePage: nothing is printed on the blank');
  const box = sheetBox(plan);
  const paper = side === 'front' ? 'outside' : 'inside';
  const names = namesInUse(job);
  const symbol = `${what}-${paper}`;
  const page = (trim: Box): Box => (side === 'front' ? trim : mapBox(turnMap(sheetBox(plan), plan.turnOver), trim));
  const trims = places.map(({ trim }) => page(trim));
  const around = (boxes: readonly Box[]): Box => (boxes.length > 0 ? boxAround(boxes.flatMap((b) => corners(b))) : box);
  const bleedBox = around(trims.map((trim) => grow(trim, evenSides(bleedMm))));
  const block = { bleedBox, printable: page(print.printable) };
  const ticks = job.sheet.marks ? ticksClearOf(machineMarks, drawTicks(trims, [], block)) : [];
  const number = label?.sheetNumber ?? 1;
  const plate = label && sayPlate(label.plate ?? 'colours', print.white);
  const text = label
    ? [
        shortTitle(label.title),
        what === 'liner' ? what : `envelope ${paper}`,
        ...(plate ? [plate] : []),
        `sheet ${number} of ${sheets}`,
        ...(names ? [sayPiles({ placements: places })] : []),
        ...(label.date ? [label.date] : []),
      ].join(' · ')
    : null;
  return {
    scene: {
      box,
      symbols: {
        [symbol]: {
          box: boxAround(plan.piece.bleedOutline),
          shapes: drawSide(art, paper, names ? 'shared' : 'all'),
        },
      },
      shapes: [
        ...places.map((lies): Shape => ({ kind: 'use', symbol, transform: placeMap(plan, lies, side) })),
        ...(names
          ? places.flatMap((lies, place): readonly Shape[] => {
              const row = rowOfCard(names, cardAt(place, number, sheets));
              const own = drawNamed(job, plan.piece, { side: paper, names, row, book: typefaces, outlines });
              return own.length === 0 ? [] : [{ kind: 'group', transform: placeMap(plan, lies, side), children: own }];
            })
          : []),
        ...(side === 'front' ? machineMarks.map(drawMark) : []),
        ...ticks,
        ...(job.sheet.marks && text ? drawSlug(text, block, { ticks, keepClear: machineMarks.map(markRoom) }) : []),
      ],
    },
    trimBox: around(trims),
    bleedBox,
  };
}

/** An envelope’s art in the frame of its blank with the outside up, the inside seen through it. */
export function drawEnvelopeArt(
  plan: EnvelopePlan,
  part: 'all' | 'shared',
): Readonly<Record<PaperSide, readonly Shape[]>> {
  const { toOutside } = envelopeOnPaper(plan);
  const on = (side: PaperSide): readonly Shape[] => [
    { kind: 'group', transform: toOutside, children: drawSide(plan.art, side, part) },
  ];
  return { outside: on('outside'), inside: on('inside') };
}

/** From the front as it is read to the page that is fed: as it is, or turned by a quarter. */
function fedMap({ art, print }: EnvelopePlan, turnDeg: number): Affine {
  const { widthMm, heightMm } = art.piece.faces[0]!;
  if (!print || turnDeg === 0) return translation(0, 0);
  const turned = rotationAbout(turnDeg, { xMm: 0, yMm: 0 });
  const box = mapBox(turned, { xMm: 0, yMm: 0, widthMm, heightMm });
  return compose(translation(-box.xMm, -box.yMm), turned);
}

/**
 * The front of a ready envelope as one page, with the words of one card.
 * @param card in the order of the cards, from nought
 */
export function drawFedEnvelope(
  plan: EnvelopePlan,
  card: number,
  { job, typefaces, outlines = true }: EnvelopeNames,
): Page {
  const { art, print } = plan;
  const face = art.faces.find(({ face: { id } }) => id === 'envelopeFront')!;
  const names = namesInUse(job);
  const page: Box = { xMm: 0, yMm: 0, widthMm: print!.pageWidthMm, heightMm: print!.pageHeightMm };
  // In the front’s own frame, where its art is drawn; words of a list come in the form’s.
  const own = { ...art.piece, faces: [{ ...face.face, toBlank: translation(0, 0) }] };
  const transform = fedMap(plan, job.envelope.feedTurn ?? 0);
  return {
    scene: {
      box: page,
      symbols: {},
      shapes: [
        {
          ...{ kind: 'group', transform, clip: polygon(face.trimOutline) },
          children: [
            ...drawFace(face, names ? 'shared' : 'all'),
            ...(names
              ? drawNamed(job, own, { side: 'outside', names, row: rowOfCard(names, card), book: typefaces, outlines })
              : []),
          ],
        },
      ],
    },
    trimBox: page,
    bleedBox: page,
  };
}

/** The blank with its outside up: its art, where it is cut and folded. For looking at. */
export function drawEnvelopeOutside(plan: EnvelopePlan, textMm: Mm): Scene {
  const { blank, folded, art, stock } = plan;
  const { form } = folded;
  const map = envelopeOnPaper(plan).toOutside;
  return {
    box: grow({ xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, evenSides(textMm * 2)),
    symbols: {},
    shapes: [
      {
        ...{ kind: 'group', transform: map },
        children: [
          { kind: 'path', role: 'stock', path: polygon(form.blank.outline), fill: stock.colour },
          ...seenSide(art, 'outside', stock.colour),
          ...form.blank.creases.map((crease): Shape => ({
            kind: 'path',
            role: crease.direction === 'mountain' ? 'creaseAway' : 'creaseToward',
            path: polyline([crease.from, crease.to]),
          })),
          ...form.blank.cuts.map((cut): Shape => ({ kind: 'path', role: 'cut', path: cutPath(cut) })),
          { kind: 'path', role: 'trim', path: polygon(form.blank.outline) },
        ],
      },
    ],
  };
}

/** The front as it is read, with the words of the card that is looked at and the zone of its address. */
export function drawEnvelopeFront(plan: EnvelopePlan, zone: Box | null): Scene {
  const { art } = plan;
  const face = art.faces.find(({ face: { id } }) => id === 'envelopeFront')!;
  const box = { xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm };
  return {
    box: grow(box, evenSides(Math.max(box.widthMm, box.heightMm) * 0.04)),
    symbols: {},
    shapes: [
      { kind: 'path', role: 'stock', path: boxPath(box), fill: art.colour },
      { kind: 'group', transform: translation(0, 0), clip: boxPath(box), children: seenFace(art, face, art.colour) },
      ...(zone ? [{ kind: 'path', role: 'safe', path: boxPath(zone) } as const] : []),
      { kind: 'path', role: 'trim', path: boxPath(box) },
    ],
  };
}

/** A liner with its seen side up: its art, where it is cut and where it is creased with the envelope. For looking at. */
export function drawLiner({ blank, art, stock }: LinerPlan, textMm: Mm): Scene {
  return {
    box: grow({ xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, evenSides(textMm * 2)),
    symbols: {},
    shapes: [
      { kind: 'path', role: 'stock', path: polygon(blank.outline), fill: stock.colour },
      ...seenSide(art, 'outside', stock.colour),
      ...linerLines({ blank }, IDENTITY),
    ],
  };
}

/** Liners on their sheet as they are cut and creased, seen side up. */
export function drawLinerSheet(liner: LinerPlan): Page {
  const page =
    liner.places.length > 0
      ? sheetBox(liner)
      : grow({ xMm: 0, yMm: 0, widthMm: liner.blank.widthMm, heightMm: liner.blank.heightMm }, evenSides(10));
  const maps = liner.places.length > 0 ? liner.places.map((lies) => laidMap(lies, liner.blank.heightMm)) : [IDENTITY];
  const own = { xMm: 0, yMm: 0, widthMm: liner.blank.widthMm, heightMm: liner.blank.heightMm };
  const around = boxAround(maps.flatMap((map) => corners(mapBox(map, own))));
  return {
    scene: { box: page, symbols: {}, shapes: maps.flatMap((map) => linerLines(liner, map)) },
    ...{ trimBox: around, bleedBox: around },
  };
}

const linerLines = ({ blank }: Pick<LinerPlan, 'blank'>, map: Affine): readonly Shape[] => [
  ...blank.creases.map(({ from, to }): Shape => ({
    kind: 'path',
    role: 'creaseToward',
    path: mapPath(polyline([from, to]), map),
  })),
  { kind: 'path', role: 'cut', path: mapPath(polygon(blank.outline), map) },
];
