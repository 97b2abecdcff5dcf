import { stockOf } from '../../job/pick.ts';
import { cutSnags } from './checks/cutSnags.ts';
import type { Context } from '../../job/context.ts';
import { count, figure, length, plural, words } from '../../job/figures.ts';
import { EMPTY_FACE } from '../../job/newJob.ts';
import type { Figure } from '../../job/findings.ts';
import type { Stock } from '../../workshop/types.ts';
import { MM_PER_INCH } from '../../ground/length/types.ts';
import type { SizePlan } from '../size/planSize.ts';
import { artChecks } from './checks/checks.ts';
import { panelPicture, picturesOn, pictureSnags, ppiSnags } from './checks/pictureSnags.ts';
import { trimmingFigures, trimmingSnags } from './checks/trimmingSnags.ts';
import { textSnags } from './checks/textSnags.ts';
import { hasPrint } from './faces/drawCard.ts';
import { foldInkSnags, heavyInk, inkTotalSnags } from './checks/inkSnags.ts';
import type { InkLattice } from './ink/inkTotal.ts';
import type { FacePlan } from './faces/items.ts';
import { glueMarks } from './faces/glueMarks.ts';
import { layFace } from './faces/layFace.ts';
import { markSnags } from './faces/makersMark.ts';
import { inkOnBlank } from './faces/inkOnBlank.ts';
import { namesSnags } from './checks/namesSnags.ts';
import { ownTypefaceSnags } from './checks/ownTypefaceSnags.ts';
import { cardRows, namesInUse } from '../../job/namesList.ts';
import { layPanels } from './faces/panelArt.ts';
import type { ArtPlan } from './types.ts';
import { isBare, onStock, onStockSnags } from './ink/onStock.ts';
import type { TypefaceBook } from './words/typefaces.ts';

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
  const faces = marked(
    size.faces.map((face) => leftBare(layFace(job, size, face, book, rows[shown] ?? null), stock)),
    size,
  );
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
  figures.push(...trimmingFigures(size));
  const heavy = heavyInk(job, workshop, faces, inks);
  const snags = faces.flatMap((face) => [
    ...pictureSnags(job, face),
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
  snags.push(...trimmingSnags(job, workshop, size, faces));
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

/** Marks to glue by go on a side that is printed anyhow; a bare one stays bare, and is glued by measure. */
const marked = (faces: readonly FacePlan[], { popUps }: SizePlan): readonly FacePlan[] =>
  popUps && faces.some((plan) => plan.face.side === 'inside' && hasPrint(plan))
    ? faces.map((plan) => ({ ...plan, marks: glueMarks(plan.face, popUps) }))
    : faces;

/** A background of the stock’s own colour is no ink: the stock shows. */
export const leftBare = (face: FacePlan, stock: Stock): FacePlan =>
  face.art.background && isBare(face.art.background, stock)
    ? { ...face, art: { ...face.art, background: null } }
    : face;
