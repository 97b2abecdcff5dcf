import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import type { Context } from '../../job/context.ts';
import { decide } from '../../job/decide.ts';
import { wantedOf } from '../../job/namesList.ts';
import { shrink } from '../../ground/geometry/box.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { capital, count, figure, length, plural, words } from '../../job/figures.ts';
import { envelopeOnHand, envelopeStockOf } from '../../job/pick.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Remedy, Snag, StationPlan } from '../../job/findings.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import { insideMargins } from '../sheet/layout/edges.ts';
import { layOutOnePiece, type LaidPiece } from '../sheet/layout/layOut.ts';
import { sheetsFor, type PieceOnSheets } from '../sheet/pieces.ts';
import { suitingEnvelopes } from '../size/suitingEnvelopes.ts';
import { BOUGHT_SHEETS } from '../../workshop/namedSizes.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { envelopeStyle } from './styles/index.ts';
import { GLUE_INSET_MM, THROAT_MM } from './styles/seamed.ts';
import type { EnvelopeBlank, EnvelopeStyle } from './styles/types.ts';

export interface EnvelopePlan extends StationPlan {
  readonly made: boolean;
  readonly blank: EnvelopeBlank;
  readonly insideWidthMm: number;
  readonly insideHeightMm: number;
  /** As chosen, or as it follows the height. */
  readonly flapMm: number;
  readonly stock: Stock;
  /** First places of the blank's box on one sheet; none when it does not fit. */
  readonly places: readonly LaidPiece[];
  readonly up: number;
  readonly sheets: number;
  /** It on its sheets; none where it is only shown. */
  readonly pieces: readonly PieceOnSheets[];
  /** Folding and gluing, in order. */
  readonly steps: readonly string[];
}

/** Made from bare stock, which may be cut to its edge. */
const ENVELOPE = { id: 'envelope', name: 'Envelope', role: 'envelope', bleedMm: 0, print: null } as const;

/** The shut card, and the stock whose printer prints the envelope. */
export interface EnvelopeContext extends Context {
  readonly size: SizePlan;
  readonly stock: StockPlan;
}

/**
 * An envelope to match, whether it is made or only shown: its inside from the shut card, thickness and ease, its blank in
 * mm with the inside up, how many come out of a sheet, how it is put together; or what on the shelf would do.
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: blank, sheet, words, figures, snags
export function planEnvelope({ job, workshop, size, stock: card }: EnvelopeContext): EnvelopePlan {
  const { unit } = workshop;
  const { easeMm, seamMm } = job.envelope;
  const stock = envelopeStockOf(job, workshop);
  // The opening is on the long side, so the card goes in sideways if it stands upright.
  const long = Math.max(size.finishedWidthMm, size.finishedHeightMm);
  const short = Math.min(size.finishedWidthMm, size.finishedHeightMm);
  const insideWidthMm = long + size.thicknessMm + easeMm;
  const insideHeightMm = short + size.thicknessMm + easeMm;
  const style = envelopeStyle(job.envelope.style ?? 'sideSeam');
  const flapMm = job.envelope.flapMm ?? style.flapMm(insideHeightMm);
  const blank = style.blank({ insideWidthMm, insideHeightMm, seamMm, flapMm });
  const margins = card.path.marginsMm;
  const on = (widthMm: number, heightMm: number) =>
    layOutOnePiece({
      sheetWidthMm: widthMm,
      sheetHeightMm: heightMm,
      fromEdgesMm: insideMargins(margins, 0),
      pieceWidthMm: blank.widthMm,
      pieceHeightMm: blank.heightMm,
      gutterMm: 0,
      mayLie: { asDrawn: true, turned: true },
    });
  const laid = on(stock.sheetWidthMm, stock.sheetHeightMm);
  const made = job.envelope.make;
  const sheets = sheetsFor(wantedOf(job), laid.up);
  const bought = envelopeOnHand(job, workshop);
  const suiting = suitingEnvelopes(
    { widthMm: size.finishedWidthMm, heightMm: size.finishedHeightMm, thicknessMm: size.thicknessMm },
    workshop,
  );
  const blankSize = formatSize(blank.widthMm, blank.heightMm, unit);
  return {
    made,
    blank,
    insideWidthMm,
    insideHeightMm,
    flapMm,
    stock,
    places: laid.pieces,
    up: laid.up,
    sheets,
    pieces: made ? [{ ...ENVELOPE, blank, stock, made: wantedOf(job), up: laid.up, sheets }] : [],
    steps: style.steps,
    verdict: made
      ? laid.up === 0
        ? `The envelope’s blank, ${blankSize}, does not fit on ${stock.name}.`
        : `${wantedOf(job)} ${style.inWords} ${plural(wantedOf(job), 'envelope')}, inside ${formatSize(insideWidthMm, insideHeightMm, unit)}: ${laid.up} to a sheet, ${sheets} ${plural(sheets, 'sheet')} of ${stock.name}.`
      : bought
        ? `${capital(bought.name)}${bought.shelf ? ` from the shelf, ${bought.shelf.onShelf} there` : ''}. A matching one can be made instead.`
        : suiting.length > 0
          ? `No envelope is chosen. ${suiting[0]!.name} on the shelf fits, or make one to match.`
          : 'No envelope is chosen, and none on the shelf fits. Make one to match.',
    telling: made
      ? laid.up === 0
        ? 'does not fit'
        : `${laid.up} up · ${sheets} ${plural(sheets, 'sheet')}`
      : (bought?.name ?? 'none yet'),
    figures: [
      figure(
        'envelope-inside',
        'Inside',
        words(formatSize(insideWidthMm, insideHeightMm, unit)),
        'card + its thickness + ease, both ways',
        {
          'Card, long side': length(long),
          'Card, short side': length(short),
          Thickness: length(size.thicknessMm),
          Ease: length(easeMm),
        },
      ),
      figure('envelope-blank', 'Blank', words(blankSize), style.working, {
        Seam: length(seamMm),
        Flap: length(flapMm),
        Throat: length(THROAT_MM),
      }),
      figure('envelope-up', 'On a sheet', count(laid.up), 'blanks side by side inside the margins', {
        Sheet: words(formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)),
      }),
    ],
    snags: made
      ? envelopeSnags(workshop, { style, blank, stock, up: laid.up, flapMm, insideHeightMm, margins, on })
      : suggestShelf(bought !== null, suiting),
  };
}

/** An envelope on its sheet, as it is judged. */
interface Laid {
  readonly style: EnvelopeStyle;
  readonly blank: EnvelopeBlank;
  readonly stock: Stock;
  readonly up: number;
  readonly flapMm: number;
  readonly insideHeightMm: number;
  readonly margins: StockPlan['path']['marginsMm'];
  /** How many of it another sheet would give. */
  readonly on: (widthMm: number, heightMm: number) => { readonly up: number };
}

function envelopeSnags(
  workshop: Workshop,
  { style, blank, stock, up, flapMm, insideHeightMm, margins, on }: Laid,
): readonly Snag[] {
  const { unit } = workshop;
  const snags: Snag[] = [];
  if (flapMm < style.leastFlap.mm - TOLERANCE_MM)
    snags.push({
      id: 'envelope-flap',
      station: 'envelope',
      level: 'warn',
      title: 'The flap is too short to hold',
      why: style.leastFlap.why,
      remedies: [{ label: 'Let the flap follow the height', changes: [decide((job) => job.envelope.flapMm, null)] }],
    });
  const longest = insideHeightMm - GLUE_INSET_MM;
  if (flapMm > longest + TOLERANCE_MM)
    snags.push({
      id: 'envelope-flap-long',
      station: 'envelope',
      level: 'stop',
      title: 'The flap is longer than the envelope',
      why: `Folded down, ${formatLength(flapMm, unit)} reaches past the lower fold: the envelope is ${formatLength(insideHeightMm, unit)} high, and a flap ends ${formatLength(GLUE_INSET_MM, unit)} short of that.`,
      remedies: [{ label: 'Let the flap follow the height', changes: [decide((job) => job.envelope.flapMm, null)] }],
    });
  if (up > 0) return snags;
  const room = shrink({ xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }, margins);
  const would = BOUGHT_SHEETS.find((sheet) => on(sheet.widthMm, sheet.heightMm).up > 0);
  const large = workshop.stocks.filter(
    (s) => s.id !== stock.id && !s.readyCut && on(s.sheetWidthMm, s.sheetHeightMm).up > 0,
  );
  const remedies: readonly Remedy[] = sortedBy(large, (s) => s.gsm, sheetPriceOf)
    .slice(0, 3)
    .map((s) => ({ label: `Make it from ${s.name}`, changes: [decide((job) => job.envelope.stockId, s.id)] }));
  snags.push({
    id: 'envelope-sheet',
    station: 'envelope',
    level: 'stop',
    title: 'The envelope does not fit on this sheet',
    why:
      `Its blank is ${formatSize(blank.widthMm, blank.heightMm, unit)}; inside the margins there is ${formatSize(room.widthMm, room.heightMm, unit)}. ` +
      (would
        ? `The smallest sheet that would do is ${would.name}, ${formatSize(would.widthMm, would.heightMm, unit)}.`
        : 'No sheet that is commonly sold would do: make a smaller card, or buy envelopes.'),
    remedies,
  });
  return snags;
}

function suggestShelf(isAtHand: boolean, suiting: Workshop['envelopes']): readonly Snag[] {
  if (isAtHand) return [];
  return [
    {
      id: 'envelope-none',
      station: 'envelope',
      level: 'note',
      title: 'No envelope yet',
      why: 'A card without one is a card that cannot be posted.',
      remedies: [
        ...suiting.slice(0, 2).map((e) => ({
          label: `Use ${e.name} (${e.onShelf} on the shelf)`,
          changes: [decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: e.id })],
        })),
        { label: 'Make one to match', changes: [decide((job) => job.envelope.make, true)] },
      ],
    },
  ];
}
