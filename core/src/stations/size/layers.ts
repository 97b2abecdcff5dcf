import { decide, decideEach } from '../../job/decide.ts';
import type { FlatBlank, FoldedForm } from '../../ground/fold/types.ts';
import type { ReadFace } from '../../ground/fold/readFaces.ts';
import { apply, invert, type TurnOver } from '../../ground/geometry/affine.ts';
import { boxAround, corners, evenSides, grow } from '../../ground/geometry/box.ts';
import type { Box } from '../../ground/geometry/types.ts';
import { areaOf, isUprightBox, moved, type Polygon } from '../../ground/geometry/polygon.ts';
import { adhesiveById, stockById } from '../../job/pick.ts';
import { isWrap, LID_START, type LayerKind, type LayerPieceKind } from '../../job/layerKinds.ts';
import { LIMITS } from '../../job/limits.ts';
import {
  LID_HINGES,
  type Foil,
  type Job,
  type LayerChoice,
  type LidChoice,
  type PicturePlacement,
} from '../../job/types.ts';
import { inset } from './inset.ts';
import { lidOf } from './lid.ts';
import type { Snag } from '../../job/findings.ts';
import { layAdhesive, type Laying } from '../../workshop/adhesives.ts';
import { gramsOf } from '../../workshop/gramsOf.ts';
import type { Adhesive, Stock, Workshop } from '../../workshop/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Mm } from '../../ground/length/types.ts';

/** A piece of paper that goes on or in the card, as it is cut. */
export interface LayerPiece {
  readonly id: string;
  readonly name: string;
  readonly kind: LayerPieceKind;
  readonly stock: Stock;
  /** As its face is read; an insert’s crease is its own fold. */
  readonly blank: FlatBlank;
  /** Where it lies: for a mat the face’s frame, for an insert the middle of the fold. */
  readonly faceId: string | null;
  readonly leftMm: Mm;
  readonly topMm: Mm;
  /** Where in the job’s list of layers it was asked for. */
  readonly layer: number;
  /** Printed on it before it is cut; null for bare stock. */
  readonly picture: PicturePlacement | null;
  /** What of that is dark shines in it, and nothing else is printed; null for print. */
  readonly foil: Foil | null;
  /** How far what is printed goes past the cut, and the outline of that. */
  readonly bleedMm: Mm;
  readonly bleedOutline: Polygon;
  /** What holds it; null where that is left to whatever is at hand, and for what is laid in. */
  readonly adhesive: Adhesive | null;
  /** What of it is glued, as a box; null where none is. */
  readonly glueArea: GlueArea | null;
  readonly laying: Laying | null;
  /** What is left of it on its face, in the face’s frame; all of it when nothing is said. */
  readonly trimmedTo?: Polygon;
  /** Where its picture lies on its blank, where its outline was drawn round that; as placed when nothing is said. */
  readonly pictureBox?: Box;
  /** What is printed behind it, and how it is turned over to be seen so: sideways, or head over heels on its blank. */
  readonly back?: { readonly picture: PicturePlacement; readonly turn: TurnOver };
  /** Where it is glued, and where others are glued to it, by the numbers of the places; none but on pop-ups. */
  readonly glueMarks?: readonly { readonly number: number; readonly outline: Polygon }[];
  /** One for so many cards; one for each when nothing is said. */
  readonly perCards?: number;
}

/** A nested leaf’s outer edge stands out by this much for every sheet it lies inside. */
export const creepMm = (caliperMm: Mm): Mm => (Math.PI / 2) * caliperMm;

/** Smaller than this a mat is confetti. */
const SMALLEST_PIECE_MM = 8;

export function planLayers(
  job: Job,
  workshop: Workshop,
  form: FoldedForm,
  faces: readonly ReadFace[],
): { readonly pieces: readonly LayerPiece[]; readonly snags: readonly Snag[] } {
  const pieces: LayerPiece[] = [];
  const snags: Snag[] = [];
  job.size.layers.forEach((choice, index) => {
    // Wraps go round what is made of all the others; pop-ups have a plan of their own.
    if (isWrap(choice.kind) || choice.kind === 'popUp') return;
    const laid =
      choice.kind === 'insert' ? inserts(job, workshop, form, choice) : mats(workshop, form, faces, choice, job);
    if (laid.ok) pieces.push(...laid.pieces);
    else
      snags.push({
        id: `size-layer-${choice.id}${laid.of ? `-${laid.of}` : ''}`,
        station: 'size',
        level: 'stop',
        title: laid.title,
        why: laid.why,
        remedies: [
          ...laid.remedies.map(({ label, part }) => ({
            label,
            changes: decideEach((job) => job.size.layers.at(index), part),
          })),
          {
            label: 'Take this layer off',
            changes: [
              decide(
                (job) => job.size.layers,
                job.size.layers.filter((l) => l.id !== choice.id),
              ),
            ],
          },
        ],
      });
  });
  return { pieces, snags };
}

type Laid =
  | { readonly ok: true; readonly pieces: readonly LayerPiece[] }
  | {
      readonly ok: false;
      /** So that two faults of one layer are told apart. */
      readonly of?: 'lid';
      readonly title: string;
      readonly why: string;
      readonly remedies: readonly { readonly label: string; readonly part: Partial<LayerChoice> }[];
    };

const KIND_NAMES: Readonly<Record<LayerKind, string>> = {
  ...{ mat: 'Mat', writing: 'Writing panel', lining: 'Lining', lid: 'Lid in its rim', insert: 'Insert' },
  ...{ popUp: 'Pop-up', tag: 'Tag', band: 'Band', sleeve: 'Sleeve' },
};

function mats(workshop: Workshop, form: FoldedForm, faces: readonly ReadFace[], choice: LayerChoice, job: Job): Laid {
  const pieces: LayerPiece[] = [];
  // A face of another format waits for it, as art does.
  const carrying = faces.filter((face) => choice.faces.includes(face.id));
  const outlines = carrying.map((face) => {
    const back = invert(face.toBlank);
    return form.blank.panels.find((p) => p.id === face.panelId)!.outline.map((p) => apply(back, p));
  });
  for (const [f, face] of carrying.entries()) {
    const own = outlines[f]!;
    const faceId = face.id;
    for (const [i, stockId] of choice.stockIds.entries()) {
      const isLining = choice.kind === 'lining';
      const left = isLining ? overEdges(own) : inset(own, choice.revealMm * (i + 1));
      const box = left && boxAround(left);
      if (!left || !box || Math.min(box.widthMm, box.heightMm) < SMALLEST_PIECE_MM) {
        // Enough for every face that carries it, not only for the first that has no room.
        const fits = Math.min(
          ...outlines.map((outline) => largestReveal(outline, choice.revealMm, choice.stockIds.length)),
        );
        return {
          ok: false,
          title: `${KIND_NAMES[choice.kind]} ${i + 1} on the ${face.name.toLowerCase()} has no paper left`,
          why: `${i + 1} × ${formatLength(choice.revealMm, workshop.unit)} from every side leaves less than ${SMALLEST_PIECE_MM} mm.`,
          remedies:
            fits > 0
              ? [{ label: `Set the reveal to ${formatLength(fits, workshop.unit)}`, part: { revealMm: fits } }]
              : [],
        };
      }
      const stock = stockById(workshop, stockId, `size.layers.${job.size.layers.indexOf(choice)}.stockIds.${i}`);
      const outline = moved(left, -box.xMm, -box.yMm);
      const size = { widthMm: box.widthMm, heightMm: box.heightMm };
      const rim: LidChoice = { ...LID_START, ...choice.lid };
      // Where several lie on each other, the topmost opens.
      const opens = choice.kind === 'lid' && i === choice.stockIds.length - 1;
      const laid = opens ? lidOf(outline, rim, stock.caliperMicron / 1000) : null;
      if (laid && !laid.ok)
        return noLid(laid.why, { face, outline, rim, caliperMm: stock.caliperMicron / 1000 }, workshop);
      const piece = {
        ...{ kind: choice.kind, stock },
        blank: { outline, ...size, creases: laid ? laid.lid.creases : [], cuts: laid ? [laid.lid.cut] : [] },
      };
      pieces.push({
        ...piece,
        id: `${choice.id}-${faceId}-${i + 1}`,
        name: `${KIND_NAMES[choice.kind]}${choice.stockIds.length > 1 ? ` ${i + 1}` : ''}, ${face.name.toLowerCase()}`,
        ...glued(job, workshop, choice, piece, opens ? ringOf(size, rim.rimMm) : box),
        ...{ faceId, leftMm: box.xMm, topMm: box.yMm },
        ...(isLining ? { trimmedTo: own } : {}),
        ...printOn(job, job.size.layers.indexOf(choice), printOfTop(choice, i), piece.blank.outline),
      });
    }
  }
  return { ok: true, pieces };
}

/** The rim that a lid leaves, laid out straight. */
const ringOf = ({ widthMm, heightMm }: GlueArea, rimMm: Mm): GlueArea => ({
  widthMm: 2 * (widthMm + heightMm - 2 * rimMm),
  heightMm: rimMm,
});

/** Why no lid opens so, and what would: a rim that leaves one, or another hinge. */
function noLid(
  why: 'small' | 'hinge',
  {
    face,
    outline,
    rim,
    caliperMm,
  }: { readonly face: ReadFace; readonly outline: Polygon; readonly rim: LidChoice; readonly caliperMm: Mm },
  { unit }: Workshop,
): Laid {
  const opens = (lid: LidChoice): boolean => lidOf(outline, lid, caliperMm).ok;
  const { least } = LIMITS.size.rimMm;
  const rims = why === 'small' ? [rim.rimMm / 2, least].map((mm) => Math.max(least, Math.floor(mm))) : [];
  const rimMm = rims.find((mm) => opens({ ...rim, rimMm: mm }));
  const hinge = why === 'hinge' ? LID_HINGES.find((one) => opens({ ...rim, hinge: one })) : undefined;
  return {
    ...{ ok: false, of: 'lid' },
    ...(why === 'small'
      ? {
          title: `The rim leaves no lid on the ${face.name.toLowerCase()}`,
          why: `${formatLength(rim.rimMm, unit)} all round leaves less than a finger opens.`,
        }
      : {
          title: `The lid on the ${face.name.toLowerCase()} has no hinge`,
          why: `Nowhere near its ${rim.hinge} ${rim.hinge === 'left' || rim.hinge === 'right' ? 'side' : 'edge'} does it hang by a third of its length in one piece: it would swing and tear.`,
        }),
    remedies: [
      ...(rimMm === undefined
        ? []
        : [{ label: `Make the rim ${formatLength(rimMm, unit)}`, part: { lid: { ...rim, rimMm } } }]),
      ...(hinge ? [{ label: `Hinge it at its ${hinge}`, part: { lid: { ...rim, hinge } } }] : []),
      { label: 'Glue it on whole, as a mat', part: { kind: 'mat' } },
    ],
  };
}

/** A lining is cut so much larger than its face on every side, whatever the face’s shape. Our starting value. */
const OVER_EDGE_MM = 5;

const overEdges = (outline: Polygon): Polygon => corners(grow(boxAround(outline), evenSides(OVER_EDGE_MM)));

export type GlueArea = { readonly widthMm: Mm; readonly heightMm: Mm };

/** How an adhesive would be laid on what of a layer is glued, for its weight; a lining is glued all over. */
export const layUnder = (
  adhesive: Adhesive,
  { kind, blank, stock }: Pick<LayerPiece, 'kind' | 'blank' | 'stock'>,
  glueArea: GlueArea,
): Laying => layAdhesive(adhesive, glueArea, gramsOf(areaOf(blank.outline), stock), { whole: kind === 'lining' });

/** What holds one layer, where it is glued and the job says with what. */
export function glued(
  { size }: Job,
  workshop: Workshop,
  choice: LayerChoice,
  piece: Pick<LayerPiece, 'kind' | 'blank' | 'stock'>,
  glueArea: GlueArea | null,
): Pick<LayerPiece, 'adhesive' | 'glueArea' | 'laying'> {
  const field = `size.layers.${size.layers.indexOf(choice)}.adhesiveId`;
  const adhesive = glueArea && adhesiveById(workshop, choice.adhesiveId, field);
  return { adhesive, glueArea, laying: adhesive && glueArea && layUnder(adhesive, piece, glueArea) };
}

/** What is printed on a piece: only a picture that the job has, of the layer at a place of its list; nothing where null. */
export function printOn(
  { pictures, size }: Job,
  layer: number,
  { picture: asked, foil }: Pick<LayerChoice, 'picture' | 'foil'>,
  outline: Polygon,
): Pick<LayerPiece, 'layer' | 'picture' | 'foil' | 'bleedMm' | 'bleedOutline'> {
  const picture = asked && pictures[asked.pictureId] ? asked : null;
  const bleedMm = picture ? size.bleedMm : 0;
  return {
    layer,
    picture,
    foil: picture ? (foil ?? null) : null,
    bleedMm,
    bleedOutline: (bleedMm > 0 ? inset(outline, -bleedMm) : null) ?? outline,
  };
}

/** Of several that lie on each other the topmost is printed. */
export const printOfTop = (choice: LayerChoice, index: number): Pick<LayerChoice, 'picture' | 'foil'> =>
  index === choice.stockIds.length - 1 ? choice : {};

/** The largest reveal under the one asked that leaves paper to the last layer, by half millimetres; 0 when none does. */
function largestReveal(outline: Polygon, askedMm: Mm, deep: number): Mm {
  const leaves = (halves: number): boolean => {
    const left = inset(outline, (halves / 2) * deep);
    const box = left && boxAround(left);
    return box !== null && Math.min(box.widthMm, box.heightMm) >= SMALLEST_PIECE_MM;
  };
  // More reveal never leaves more paper, so halves of what is open are ruled out at a time.
  let [fits, fails] = [0, Math.ceil(askedMm * 2)];
  while (fails - fits > 1) {
    const halves = Math.floor((fits + fails) / 2);
    if (leaves(halves)) fits = halves;
    else fails = halves;
  }
  return fits / 2;
}

/**
 * Folded leaves nested in the fold. Leaf k lies inside k sheets; its fold runs on a quarter turn of a
 * radius one caliper smaller for each, so its open edge stands out by π/2 of the calipers outside it,
 * and it is cut that much shorter.
 * Derivation: half of the bend, a quarter turn, on the middle of each sheet; radii differ by one caliper.
 */
function inserts(job: Job, workshop: Workshop, form: FoldedForm, choice: LayerChoice): Laid {
  const [crease] = form.blank.creases;
  const shutFlat = form.blank.creases.length === 1 && crease!.shutDeg === 180 && form.blank.panels.length === 2;
  const plain = form.blank.panels.every((p) => isUprightBox(p.outline));
  if (!crease || !shutFlat || !plain)
    return {
      ok: false,
      title: 'A folded insert wants a card with one fold',
      why: 'It lies in the fold of a side fold or a tent fold with straight edges. Use a writing panel instead.',
      remedies: [],
    };
  const upright = crease.from.xMm === crease.to.xMm;
  const panels = form.blank.panels.map((p) => (upright ? p.box.widthMm : p.box.heightMm));
  // The shorter panel decides how far a leaf may reach.
  const reach = Math.min(...panels);
  const breadth = upright ? form.blank.heightMm : form.blank.widthMm;
  const pieces: LayerPiece[] = [];
  // Inserts of layers laid in before lie round this one, as its own outer leaves do.
  const calipers = leavesOutside(job, choice).map(
    (id) => stockById(workshop, id, 'size.layers.stockIds').caliperMicron / 1000,
  );
  let outsideMm = calipers.at(-1)!;
  let creep = calipers.slice(0, -1).reduce((sum, mm) => sum + creepMm(mm), 0);
  for (const [i, stockId] of choice.stockIds.entries()) {
    const stock = stockById(workshop, stockId, `size.layers.${job.size.layers.indexOf(choice)}.stockIds.${i}`);
    creep += creepMm(outsideMm);
    outsideMm = stock.caliperMicron / 1000;
    const leaf = reach - choice.revealMm - creep;
    const across = breadth - 2 * choice.revealMm;
    if (Math.min(leaf, across) < SMALLEST_PIECE_MM)
      return {
        ok: false,
        title: 'The insert has no paper left',
        why: `A reveal of ${formatLength(choice.revealMm, workshop.unit)} leaves less than ${SMALLEST_PIECE_MM} mm.`,
        remedies: largestInsertReveal(reach, breadth, creepOf(job, workshop, choice), choice.revealMm).map((mm) => ({
          label: `Set the reveal to ${formatLength(mm, workshop.unit)}`,
          part: { revealMm: mm },
        })),
      };
    const [widthMm, heightMm] = upright ? [2 * leaf, across] : [across, 2 * leaf];
    const outline = corners({ xMm: 0, yMm: 0, widthMm, heightMm });
    const foldAt = (mm: Mm) =>
      upright
        ? { from: { xMm: mm, yMm: 0 }, to: { xMm: mm, yMm: heightMm } }
        : { from: { xMm: 0, yMm: mm }, to: { xMm: widthMm, yMm: mm } };
    pieces.push({
      id: `${choice.id}-${i + 1}`,
      name: `Insert${choice.stockIds.length > 1 ? ` ${i + 1}` : ''}`,
      kind: 'insert',
      stock,
      blank: { outline, widthMm, heightMm, creases: [{ id: 'fold', ...foldAt(leaf) }], cuts: [] },
      ...printOn(job, job.size.layers.indexOf(choice), printOfTop(choice, i), outline),
      ...{ adhesive: null, glueArea: null, laying: null },
      faceId: null,
      leftMm: -widthMm / 2,
      topMm: -heightMm / 2,
    });
  }
  return { ok: true, pieces };
}

/** What lies round an insert, from the card inwards: its stock, and every leaf of the inserts laid in before it. */
const leavesOutside = (job: Job, choice: LayerChoice): readonly string[] => [
  job.stock.stockId,
  ...job.size.layers
    .slice(0, job.size.layers.indexOf(choice))
    .flatMap(({ kind, stockIds }) => (kind === 'insert' ? stockIds : [])),
];

/** The last leaf’s creep: π/2 of the card and of every leaf outside it. */
function creepOf(job: Job, workshop: Workshop, choice: LayerChoice): Mm {
  const outside = [...leavesOutside(job, choice), ...choice.stockIds.slice(0, -1)];
  return outside.reduce(
    (sum, id) => sum + creepMm(stockById(workshop, id, 'size.layers.stockIds').caliperMicron / 1000),
    0,
  );
}

/** The largest reveal under the one asked, in half millimetres, that leaves the last leaf paper; empty when none does. */
function largestInsertReveal(reachMm: Mm, breadthMm: Mm, creep: Mm, askedMm: Mm): readonly Mm[] {
  const most = Math.min(reachMm - creep - SMALLEST_PIECE_MM, (breadthMm - SMALLEST_PIECE_MM) / 2);
  const reveal = Math.floor(most * 2) / 2;
  return reveal >= 0 && reveal < askedMm ? [reveal] : [];
}

/** What all layers add to the closed card: every piece lies over every other, and an insert counts twice. */
export const layersThicknessMm = (pieces: readonly LayerPiece[]): Mm =>
  pieces.reduce(
    (sum, { stock, kind, adhesive }) =>
      sum + (stock.caliperMicron / 1000) * (kind === 'insert' ? 2 * FOLD_SPRING : 1) + (adhesive?.thickMm ?? 0),
    0,
  );

/**
 * Thickness of a fold ÷ that of its sheets, pressed flat with a bone: between 1.0 burnished and 1.5 not. Our starting value.
 */
export const FOLD_SPRING = 1.25;
