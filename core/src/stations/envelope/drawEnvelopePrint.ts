import {
  compose,
  rotationAbout,
  translation,
  turnedLeftRight,
  turnMap,
  type Affine,
} from '../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow, mapBox } from '../../ground/geometry/box.ts';
import { boxPath, polygon, polyline } from '../../ground/geometry/path.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { Page, Scene, Shape } from '../../ground/scene/types.ts';
import { namesInUse, rowOfCard } from '../../job/namesList.ts';
import type { Job } from '../../job/types.ts';
import { drawFace, drawSide } from '../art/faces/drawCard.ts';
import { seenFace, seenSide } from '../art/faces/seenArt.ts';
import { drawNamed } from '../art/names/namedArt.ts';
import type { TypefaceBook } from '../art/words/typefaces.ts';
import { drawSlug, drawTicks, shortTitle } from '../sheet/draw/drawMarks.ts';
import { cardAt, sayPiles } from '../sheet/draw/nameSheet.ts';
import { laidMap, type LaidPiece } from '../sheet/layout/layOut.ts';
import { sayPlate, type PlateKind } from '../sheet/layout/passes.ts';
import type { SheetSide } from '../sheet/layout/reach.ts';
import { cutPath } from '../../ground/fold/blankCuts.ts';
import type { EnvelopePlan } from './planEnvelope.ts';

/** From the form, outside up, to the blank as it lies on a sheet with its outside up. */
const toOutside = ({ blank, folded }: EnvelopePlan): Affine =>
  compose(turnedLeftRight(blank.widthMm), folded.built.toBlank);

const sheetBox = ({ stock }: EnvelopePlan): Box => ({
  xMm: 0,
  yMm: 0,
  widthMm: stock.sheetWidthMm,
  heightMm: stock.sheetHeightMm,
});

/** Where a blank with its outside up comes to lie on a page: its sheet, turned over for the back. */
function placeMap(plan: EnvelopePlan, lies: LaidPiece, side: SheetSide): Affine {
  const place = compose(laidMap(lies, plan.blank.heightMm), toOutside(plan));
  return side === 'front' ? place : compose(turnMap(sheetBox(plan), plan.turnOver), place);
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
export function drawEnvelopePage(
  plan: EnvelopePlan,
  side: SheetSide,
  { job, typefaces, outlines = true }: EnvelopeNames,
  label: EnvelopeLabel | null,
): Page {
  const { print, places, bleedMm, art, sheets } = plan;
  if (print?.on !== 'blank') throw new RangeError('drawEnvelopePage: nothing is printed on the blank');
  const box = sheetBox(plan);
  const paper = side === 'front' ? 'outside' : 'inside';
  const names = namesInUse(job);
  const symbol = `envelope-${paper}`;
  const page = (trim: Box): Box => (side === 'front' ? trim : mapBox(turnMap(sheetBox(plan), plan.turnOver), trim));
  const trims = places.map(({ trim }) => page(trim));
  const around = (boxes: readonly Box[]): Box => (boxes.length > 0 ? boxAround(boxes.flatMap((b) => corners(b))) : box);
  const bleedBox = around(trims.map((trim) => grow(trim, evenSides(bleedMm))));
  const block = { bleedBox, printable: page(print.printable) };
  const ticks = job.sheet.marks ? drawTicks(trims, [], block) : [];
  const number = label?.sheetNumber ?? 1;
  const plate = label && sayPlate(label.plate ?? 'colours', print.white);
  const text = label
    ? [
        shortTitle(label.title),
        `envelope ${paper}`,
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
          box: boxAround(plan.folded.bleedOutline),
          shapes: drawSide(art, paper, names ? 'shared' : 'all'),
        },
      },
      shapes: [
        ...places.map((lies): Shape => ({ kind: 'use', symbol, transform: placeMap(plan, lies, side) })),
        ...(names
          ? places.flatMap((lies, place): readonly Shape[] => {
              const row = rowOfCard(names, cardAt(place, number, sheets));
              const own = drawNamed(job, plan.folded, { side: paper, names, row, book: typefaces, outlines });
              return own.length === 0 ? [] : [{ kind: 'group', transform: placeMap(plan, lies, side), children: own }];
            })
          : []),
        ...ticks,
        ...(job.sheet.marks && text ? drawSlug(text, block, { ticks }) : []),
      ],
    },
    trimBox: around(trims),
    bleedBox,
  };
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
  const map = toOutside(plan);
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
