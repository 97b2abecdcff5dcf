import { stockOf } from '../../job/pick.ts';
import { cutSnags } from './checks/cutSnags.ts';
import type { Context } from '../../job/context.ts';
import { corners, isInside } from '../../ground/geometry/box.ts';
import { contains, isUprightBox, type Polygon } from '../../ground/geometry/polygon.ts';
import type { Box } from '../../ground/geometry/types.ts';
import { count, figure, length, plural, words } from '../../job/figures.ts';
import { EMPTY_FACE } from '../../job/newJob.ts';
import type { Figure, Snag } from '../../job/findings.ts';
import { decide, decideEach, type JobChange, type JobPlace, type Held } from '../../job/decide.ts';
import type { Job, TextBlock } from '../../job/types.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { MM_PER_INCH } from '../../ground/length/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { artChecks } from './checks/checks.ts';
import { hasPrint } from './faces/drawCard.ts';
import { foldInkSnags, heavyInk, inkTotalSnags } from './checks/inkSnags.ts';
import type { InkLattice } from './ink/inkTotal.ts';
import type { FacePlan, LaidPicture } from './faces/items.ts';
import { layFace } from './faces/layFace.ts';
import { markSnags } from './faces/makersMark.ts';
import { inkOnBlank } from './faces/inkOnBlank.ts';
import { namesSnags } from './checks/namesSnags.ts';
import { ownTypefaceSnags } from './checks/ownTypefaceSnags.ts';
import { cardRows, namesInUse } from '../../job/namesList.ts';
import type { SetBlock } from './words/setText.ts';
import { layPanels } from './faces/panelArt.ts';
import type { ArtPlan, PanelArt } from './types.ts';
import { isBare, onStock, onStockSnags } from './ink/onStock.ts';
import { SMALLEST_PT } from './words/smallestType.ts';
import { TYPEFACES, type TypefaceBook } from './words/typefaces.ts';

/** Pixels per inch at which a print looks good, soft, and not worth printing. */
export const PPI = { good: 300, soft: 200, refuse: 150 } as const;

/** What is drawn on the faces, and with what. */
export interface ArtContext extends Context {
  readonly size: SizePlan;
  readonly typefaces: TypefaceBook;
  /** Row of the list of names that is looked at, from nought. */
  readonly card: number;
  /** What colours come to in press inks; without it nothing is said about the ink they ask for. */
  readonly inks: InkLattice | null;
}

/**
 * What is drawn on each face, set and laid in the face’s own frame in mm, with the words of the card that is looked at,
 * and what of it a home printer, a blade or an eye would not forgive.
 * @throws RangeError when a text block names a typeface that ships and is not in the book
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: what it lists stands in rooms of its own
export function planArt({ job, workshop, size, typefaces: book, card, inks }: ArtContext): ArtPlan {
  const list = namesInUse(job);
  const rows = list ? cardRows(list) : [];
  const shown = Math.min(card, Math.max(0, rows.length - 1));
  const stock = stockOf(job, workshop);
  const faces = size.faces.map((face) => leftBare(layFace(job, size, face, book, rows[shown] ?? null), stock));
  const ground = onStock(
    job,
    workshop,
    size.faces.map(({ id, name }) => ({ name, art: job.art.faces[id] ?? EMPTY_FACE })),
  );
  const panels = layPanels(job, size);
  const printed = faces.filter(hasPrint);
  const placed = [...faces.flatMap((face) => picturesOn(job, face)), ...Object.values(panels).map(panelPicture)];
  const pictures = new Set(placed.map(({ id }) => id));
  const [lowest] = placed.filter(({ ppi }) => ppi !== null).sort((a, b) => a.ppi! - b.ppi!);
  const figures: Figure[] = [
    figure('faces', 'Faces with art', count(printed.length), 'faces with a colour, a picture or words', {
      Faces: count(faces.length),
    }),
    figure('pictures', 'Pictures', count(pictures.size), 'different pictures placed; each is stored once in the file'),
    figure(
      'bleed',
      'Art runs past the trim',
      length(size.bleedMm),
      'every background and picture is grown to the bleed’s outer edge',
    ),
  ];
  if (lowest)
    figures.push(
      figure(
        'ppi',
        'Coarsest picture',
        words(`${Math.round(lowest.ppi!)} ppi`),
        'pixels across ÷ printed inches across',
        {
          Where: words(lowest.where),
          'Pixels across': count(lowest.pixels),
          'Printed across': length((lowest.pixels / lowest.ppi!) * MM_PER_INCH),
        },
      ),
    );
  const heavy = heavyInk(job, workshop, faces, inks);
  const snags = faces.flatMap((face) => [
    ...picturesOn(job, face).flatMap((picture) => ppiSnags(job, picture)),
    ...textSnags(job, workshop, face),
    ...artChecks(job, workshop, face).filter(
      // Where a ground asks for too much ink, that it wants a test print is said there.
      ({ id }) =>
        id !== `art-test-print-${face.face.id}` || !heavy.some(({ groundOfFace }) => groundOfFace === face.face.id),
    ),
    ...cutSnags(face, size, workshop.unit),
    ...markSnags(job, size, face),
  ]);
  snags.unshift(...inkTotalSnags(job, workshop, heavy));
  snags.push(...foldInkSnags(job, workshop, size, faces));
  snags.push(...Object.values(panels).flatMap((panel) => ppiSnags(job, panelPicture(panel))));
  snags.push(...namesSnags(job, faces, book), ...onStockSnags(job, workshop, ground));
  snags.push(...ownTypefaceSnags(job, faces, book));
  const front = faces[0]!;
  if (!printed.includes(front))
    snags.unshift({
      id: 'art-front-bare',
      station: 'art',
      level: 'note',
      title: 'The front is bare',
      why: 'Add a picture, a colour or some words; or leave it, and only the other faces are printed.',
      remedies: [],
    });
  const blocks = faces.reduce((n, f) => n + f.art.texts.length, 0);
  return {
    faces,
    ink: inkOnBlank(faces, size, { names: list, book }),
    panels,
    names: list && { cards: rows.length, shown },
    onStock: ground,
    verdict:
      printed.length === 0
        ? 'Nothing is on the card yet. Start with the front: a picture, a colour, or a line of words.'
        : `${printed.length} of ${faces.length} faces carry art: ${pictures.size} ${plural(pictures.size, 'picture')}, ${blocks} ${plural(blocks, 'block')} of words.`,
    telling: printed.length === 0 ? 'bare' : `${printed.length} of ${faces.length} faces`,
    figures,
    snags,
  };
}

/** A background of the stock’s own colour is no ink: the stock shows. */
const leftBare = (face: FacePlan, stock: Stock): FacePlan =>
  face.art.background && isBare(face.art.background, stock)
    ? { ...face, art: { ...face.art, background: null } }
    : face;

/** A box inside a shape: its corners are, and a box needs no more to be asked. */
const isWithin = (outline: Polygon, box: Box): boolean =>
  isUprightBox(outline) || corners(box).every((corner) => contains(outline, corner));

const faceIn = (job: JobPlace, face: FacePlan) => job.art.faces.at(face.face.id);

/** A picture as it is printed somewhere, whose pixels may run out. */
interface PlacedPicture {
  readonly id: string;
  /** Null for drawings. */
  readonly ppi: number | null;
  /** Pixels along what is printed across. */
  readonly pixels: number;
  /** Tells its snag from those of other places. */
  readonly key: string;
  readonly where: string;
  /** Showing all of it would make it finer. */
  readonly whole: { readonly ppi: number; readonly change: JobChange } | null;
  readonly takeOff: JobChange;
}

/** Every picture of a face: over all of it, in frames and in a pattern. One that runs on from another face is told there. */
function picturesOn(job: Job, face: FacePlan): readonly PlacedPicture[] {
  const name = `the ${face.face.name.toLowerCase()}`;
  const laidAs = (
    { id, ppi, placement }: LaidPicture,
    key: string,
    where: string,
    place: (job: JobPlace) => { readonly zoom: Held<number> },
    takeOff: JobChange,
  ): PlacedPicture => ({
    ...{ id, ppi, key, where, takeOff },
    pixels: (placement.quarterTurns ?? 0) % 2 === 1 ? job.pictures[id]!.heightPx : job.pictures[id]!.widthPx,
    whole:
      ppi && placement.zoom > 1.001 ? { ppi: ppi * placement.zoom, change: decide((job) => place(job).zoom, 1) } : null,
  });
  const { picture, tiles } = face;
  const own = picture && picture.from === face.face.id && picture.placement.fade < 1 ? picture : null;
  const place = (job: JobPlace) => faceIn(job, face).picture;
  const tile = tiles && tiles.fade < 1 ? job.pictures[tiles.pictureId] : undefined;
  // A tile is filled without squashing: its shorter side is the tile’s.
  const across = tile ? Math.min(tile.widthPx, tile.heightPx) : 0;
  return [
    ...(own ? [laidAs(own, face.face.id, name, place, decide(place, null))] : []),
    ...(face.art.objects ?? []).flatMap((object, i) => {
      const item = face.items.find((one) => one.kind === 'picture' && one.object.id === object.id);
      if (object.kind !== 'picture' || item?.kind !== 'picture' || !item.laid) return [];
      const framed = (job: JobPlace) => faceIn(job, face).objects.at(i).picture;
      const objects = face.art.objects!.filter(({ id }) => id !== object.id);
      return [
        laidAs(
          item.laid,
          `${face.face.id}-${object.id}`,
          `${name}, in its frame`,
          framed,
          decide((job) => faceIn(job, face).objects, objects),
        ),
      ];
    }),
    ...(tile && tiles
      ? [
          {
            id: tiles.pictureId,
            ppi: tile.mime === 'image/svg+xml' ? null : (across / tiles.tileMm) * MM_PER_INCH,
            pixels: across,
            key: `${face.face.id}-pattern`,
            where: `${name}, in its pattern`,
            whole: null,
            takeOff: decide((job) => faceIn(job, face).pattern, null),
          },
        ]
      : []),
  ];
}

function panelPicture({ piece, picture: { id, ppi, placement } }: PanelArt): PlacedPicture {
  const place = (job: JobPlace) => job.size.layers.at(piece.layer).picture;
  return {
    ...{ id, ppi, key: `panel-${piece.id}`, where: piece.name.toLowerCase() },
    pixels: ppi ? (ppi * piece.blank.widthMm) / MM_PER_INCH : 0,
    whole:
      ppi && placement.zoom > 1.001 ? { ppi: ppi * placement.zoom, change: decide((job) => place(job).zoom, 1) } : null,
    takeOff: decide(place, null),
  };
}

/** Pixels that run out. */
function ppiSnags(job: Job, { id, ppi: exact, key, where, whole, takeOff }: PlacedPicture): readonly Snag[] {
  if (!exact) return [];
  // A page drawn at 300 to the inch and placed at its own size is out by its last half pixel.
  const ppi = Math.round(exact);
  if (ppi >= PPI.good) return [];
  const level = ppi < PPI.refuse ? 'stop' : ppi < PPI.soft ? 'warn' : 'note';
  return [
    {
      id: `art-ppi-${key}`,
      station: 'art',
      level,
      title: `${job.pictures[id]!.name} prints at ${ppi} ppi on ${where}`,
      why:
        level === 'stop'
          ? `Under ${PPI.refuse} pixels to the inch the squares show. Use a larger picture or a smaller card.`
          : `${PPI.good} looks crisp at arm’s length; this will look ${level === 'warn' ? 'soft' : 'slightly soft'}.`,
      remedies: [
        // It may still be coarse then, but no longer as coarse as this.
        ...(whole
          ? [{ label: `Show more of the picture (${Math.round(whole.ppi)} ppi)`, changes: [whole.change] }]
          : []),
        ...(level === 'stop' ? [{ label: 'Take the picture off', changes: [takeOff] }] : []),
      ],
    },
  ];
}

function textSnags(job: Job, { unit }: Workshop, face: FacePlan): readonly Snag[] {
  return face.art.texts.flatMap((block, i) => blockSnags(job, unit, face, block, face.blocks[i]!, i));
}

// eslint-disable-next-line max-lines-per-function -- one check after another, each a sentence of its own
function blockSnags(
  job: Job,
  unit: Workshop['unit'],
  face: FacePlan,
  block: TextBlock,
  set: SetBlock,
  index: number,
): readonly Snag[] {
  const snags: Snag[] = [];
  const place = (job: JobPlace) => faceIn(job, face).texts.at(index);
  const quote = `“${block.text.split('\n')[0]!.slice(0, 28)}”`;
  const where = `on the ${face.face.name.toLowerCase()}`;
  const snag = (id: string, level: Snag['level'], title: string, why: string, remedies: Snag['remedies']): void =>
    void snags.push({ id: `art-${id}-${face.face.id}-${block.id}`, station: 'art', level, title, why, remedies });
  const script = TYPEFACES.find((t) => t.id === block.typefaceId)?.mood === 'script';
  const smallest = script ? SMALLEST_PT.fine : SMALLEST_PT.plain;
  if (block.sizePt < smallest)
    snag(
      'small',
      'warn',
      `${quote} is ${block.sizePt} pt ${where}`,
      `${script ? 'A fine script' : 'Type'} under ${smallest} pt fills in or breaks up on a home printer.`,
      [{ label: `Set it at ${smallest} pt`, changes: [decide((job) => place(job).sizePt, smallest)] }],
    );
  if (set.missing.length > 0)
    snag(
      'missing',
      'stop',
      `${quote} has letters this typeface lacks ${where}`,
      `No letter for ${set.missing.join(' ')}: it would print as an empty box.`,
      [
        {
          label: 'Use Atkinson Hyperlegible Next',
          changes: [decide((job) => place(job).typefaceId, 'atkinson-hyperlegible-next-400')],
        },
      ],
    );
  if (set.ink && isInside(set.ink, face.safe) && !isWithin(face.safeOutline, set.ink))
    snag(
      'safe',
      'warn',
      `${quote} crosses safe ${where}`,
      'It fits the box of this face but not its shape: a corner of the words reaches past the safe inset.',
      block.sizePt > smallest
        ? [
            {
              label: `Set it at ${Math.max(smallest, Math.floor(block.sizePt * 0.85))} pt`,
              changes: [decide((job) => place(job).sizePt, Math.max(smallest, Math.floor(block.sizePt * 0.85)))],
            },
          ]
        : [],
    );
  else if (set.ink && !isInside(set.ink, face.safe)) {
    const safe = face.safe;
    const over = Math.max(
      safe.xMm - set.ink.xMm,
      safe.yMm - set.ink.yMm,
      set.ink.xMm + set.ink.widthMm - safe.xMm - safe.widthMm,
      set.ink.yMm + set.ink.heightMm - safe.yMm - safe.heightMm,
    );
    const fits = set.ink.widthMm <= safe.widthMm && set.ink.heightMm <= safe.heightMm;
    const scale = Math.min(safe.widthMm / set.ink.widthMm, safe.heightMm / set.ink.heightMm);
    const smaller = Math.floor(block.sizePt * scale * 2) / 2;
    const slide = (at: number, extent: number, from: number, room: number): number =>
      at < from ? from - at : at + extent > from + room ? from + room - at - extent : 0;
    snag(
      'safe',
      'warn',
      `${quote} crosses safe ${where}`,
      `It reaches ${formatLength(over, unit)} over the safe inset of ${formatLength(job.size.safeMm, unit)}; a cut that drifts could clip it.`,
      [
        ...(fits
          ? [
              {
                label: 'Move it inside safe',
                changes: decideEach(place, {
                  leftMm: block.leftMm + slide(set.ink.xMm, set.ink.widthMm, safe.xMm, safe.widthMm),
                  topMm: block.topMm + slide(set.ink.yMm, set.ink.heightMm, safe.yMm, safe.heightMm),
                }),
              },
            ]
          : []),
        ...(!fits && smaller >= smallest
          ? [
              {
                label: `Set it at ${smaller} pt across the safe width`,
                changes: decideEach(place, { sizePt: smaller, leftMm: safe.xMm, widthMm: safe.widthMm }),
              },
            ]
          : []),
      ],
    );
  } else if (set.tooWide.length > 0)
    snag(
      'wide',
      'note',
      `${quote} is wider than its block ${where}`,
      'A line with no space to break at sticks out of the width it was given.',
      [
        {
          label: 'Widen the block to the safe width',
          changes: decideEach(place, { leftMm: face.safe.xMm, widthMm: face.safe.widthMm }),
        },
      ],
    );
  return snags;
}
