import {
  correctionsInForce,
  correctPage,
  pageAsSent,
  drawPattern,
  hasFoil,
  holdsFoil,
  ownPiece,
  passesOf,
  sayPlate,
  whitePlate,
  whiteWayOf,
  pageAsFed,
  sheetAsFed,
  sharedPictureId,
  sharedPieces,
  type FeedPath,
  type SharedSheet,
  type Job,
  type MixedPattern,
  type OwnPiece,
  type Plan,
  type PrintPass,
  type Printer,
  type SharedPiece,
  type Stock,
} from '@zippy/core';
import { plateOfPage } from './plateOfPage.ts';
import { ExportRefused, type Draft, type DraftPage, type Materials, type PictureBytes } from './types.ts';
import { writeDraft } from './write.ts';

/** A job on a shared sheet, with the bytes of its pictures under their own names. */
export interface SharedJob {
  readonly id: string;
  readonly job: Job;
  readonly plan: Plan;
  readonly pictures: ReadonlyMap<string, PictureBytes>;
}

export interface SharedPrint {
  /** Pieces that belong to no job. */
  readonly own: readonly OwnPiece[];
  readonly sheets: readonly SharedSheet[];
  readonly patterns: readonly MixedPattern[];
  readonly flipEdge: 'long' | 'short';
  readonly grain: 'respect' | 'ignore';
}

export const piecesOf = (
  jobs: readonly SharedJob[],
  { grain, own }: Pick<SharedPrint, 'grain' | 'own'>,
): readonly SharedPiece[] => [
  ...jobs.flatMap(({ id, job, plan }) => sharedPieces(id, job, plan, grain)),
  ...own.map(ownPiece),
];

/**
 * Every pattern’s front, and its back where anything is printed there, as the printer draws the sheet in and
 * corrected by the calibration of its stock, with its white as the path lays it. Each stands once: its slug says how
 * many to print.
 */
export async function sharedPdf(
  jobs: readonly SharedJob[],
  order: SharedPrint,
  { printer, path, stocks }: { readonly printer: Printer; readonly path: FeedPath; readonly stocks: readonly Stock[] },
  fonts: Materials['fonts'],
  date: string | null,
): Promise<Buffer> {
  const { sheets, patterns, flipEdge } = order;
  const pieces = piecesOf(jobs, order);
  const pictures = new Map(
    jobs.flatMap((one) => [...one.pictures].map(([id, bytes]) => [sharedPictureId(one.id, id), bytes] as const)),
  );
  const draws = patterns.flatMap((pattern, i): readonly (() => DraftPage)[] => {
    const sheet = sheets.find(({ id }) => id === pattern.sheetId)!;
    const stock = stocks.find(({ id }) => id === pattern.sheetId);
    const inForce = stock ? correctionsInForce(path, stock.gsm, sheetAsFed(sheet)) : null;
    const white = stock ? whiteWayOf(printer, path, stock) : null;
    const own = pieces.filter((piece) => pattern.placements.some((p) => p.id === piece.id));
    const sides = own.some((piece) => piece.shapes.inside.length > 0)
      ? (['front', 'back'] as const)
      : (['front'] as const);
    const shine = own.filter(({ shapes }) => hasFoil(shapes.outside));
    if (shine.length > 0 && !holdsFoil(printer))
      throw new ExportRefused(
        `${shine.map(({ name }) => name).join(', ')}: foil holds to toner, and ${printer.name} prints in ink; choose a laser printer for these sheets, or leave that off them.`,
      );
    // Foil holds to any toner that is on the sheet, so its own comes first.
    const foil: readonly PrintPass[] = shine.length > 0 ? [{ plate: 'foil', sides: ['front'] }] : [];
    return [...foil, ...passesOf(sides, path.printsBothSides, white)].flatMap(({ sides: stack, plate }) =>
      stack.map((side) => () => {
        const label = { number: i + 1, of: patterns.length, date, plate: sayPlate(plate, white) };
        const drawn = drawPattern(pattern, sheet, pieces, side, flipEdge, label);
        const page = { ...drawn, scene: plateOfPage(drawn.scene, plate) };
        const fed = pageAsSent(correctPage(pageAsFed(page, sheet), inForce, side), path);
        return { page: fed, white: white === 'inPass' ? whitePlate(fed.scene) : undefined };
      }),
    );
  });
  const draft: Draft = {
    ...{ kind: 'pages', stem: 'shared-sheets', title: 'Shared sheets' },
    ...{ pages: eachDrawn(draws), total: draws.length },
  };
  return (await writeDraft(draft, 'pdf', { fonts, pictures, date })).bytes;
}

/** Each page is drawn only when the one before it is in the file, so that no more than one is held. */
function* eachDrawn(draws: readonly (() => DraftPage)[]): Generator<DraftPage> {
  for (const draw of draws) yield draw();
}
