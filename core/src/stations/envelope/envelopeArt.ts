import type { Job } from '../../job/types.ts';
import { EMPTY_FACE } from '../../job/newJob.ts';
import { cardRows, namesInUse } from '../../job/namesList.ts';
import type { Snag } from '../../job/findings.ts';
import type { Colour } from '../../ground/scene/types.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import { artChecks } from '../art/checks/checks.ts';
import { namesSnags } from '../art/checks/namesSnags.ts';
import { ownTypefaceSnags } from '../art/checks/ownTypefaceSnags.ts';
import { pictureSnags } from '../art/checks/pictureSnags.ts';
import { textSnags } from '../art/checks/textSnags.ts';
import { hasPrint } from '../art/faces/drawCard.ts';
import { inkOnBlank, type InkOnBlank } from '../art/faces/inkOnBlank.ts';
import type { FacePlan } from '../art/faces/items.ts';
import { layFace } from '../art/faces/layFace.ts';
import { onStock, type OnStock } from '../art/ink/onStock.ts';
import { leftBare } from '../art/planArt.ts';
import type { TypefaceBook } from '../art/words/typefaces.ts';
import type { FoldedPiece } from '../size/planSize.ts';

/** What is drawn on the faces of an envelope: of the one that is made, or of the one that is at hand. */
export interface EnvelopeArt {
  readonly piece: FoldedPiece;
  readonly faces: readonly FacePlan[];
  readonly ink: InkOnBlank;
  readonly onStock: OnStock;
  /** Of what it is printed on. */
  readonly colour: Colour;
  /** Faces on which anything is printed. */
  readonly printed: readonly string[];
}

interface ArtOfEnvelope {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly piece: FoldedPiece;
  /** What it is made of; of an envelope from the shelf, what comes nearest. */
  readonly stock: Stock;
  readonly typefaces: TypefaceBook;
  /** Of the list, from nought, as at Art. */
  readonly shown: number;
}

/** Lays the art of an envelope’s faces, with the words of the card that is looked at. */
export function layEnvelope({ job: decided, workshop, piece, stock, typefaces, shown }: ArtOfEnvelope): EnvelopeArt {
  const job = onThe(stock, decided);
  const shop = withStock(stock, workshop);
  const list = namesInUse(job);
  const row = list ? (cardRows(list)[shown] ?? null) : null;
  const faces = piece.faces.map((face) => leftBare(layFace(job, piece, face, typefaces, row), stock));
  return {
    ...{ piece, faces, colour: stock.colour },
    ink: inkOnBlank(faces, piece, { names: list, book: typefaces }),
    onStock: onStock(
      job,
      shop,
      piece.faces.map(({ id, name }) => ({ name, art: job.art.faces[id] ?? EMPTY_FACE })),
    ),
    printed: faces.filter(hasPrint).map(({ face }) => face.id),
  };
}

/** What would not print well on it, in the words of Art and at this station. */
export function envelopeArtSnags(
  { job: decided, workshop, stock, typefaces }: Omit<ArtOfEnvelope, 'piece' | 'shown'>,
  { faces }: EnvelopeArt,
): readonly Snag[] {
  const job = onThe(stock, decided);
  const shop = withStock(stock, workshop);
  const used = faces.filter(hasPrint);
  if (used.length === 0) return [];
  const found = [
    ...used.flatMap((face) => [
      ...pictureSnags(job, face),
      ...textSnags(job, shop, face),
      ...artChecks(job, shop, face),
    ]),
    // That a list is not asked for, or leaves names out, is told at Art.
    ...namesSnags(job, used, typefaces).filter(({ id }) => !/-(unused|left-out|counts)/.test(id)),
    ...ownTypefaceSnags(job, used, typefaces),
  ];
  return found.map((snag) => ({ ...snag, id: `envelope-${snag.id}`, station: 'envelope' }));
}

/** Checks ask a job for the stock that its art is printed on. */
const onThe = (stock: Stock, job: Job): Job => ({ ...job, stock: { ...job.stock, stockId: stock.id } });
const withStock = (stock: Stock, workshop: Workshop): Workshop => ({
  ...workshop,
  stocks: [...workshop.stocks.filter(({ id }) => id !== stock.id), stock],
});
