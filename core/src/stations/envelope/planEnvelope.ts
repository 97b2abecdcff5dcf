import type { Context } from '../../job/context.ts';
import type { EnvelopeStyleId } from '../../job/envelopeStyles.ts';
import { decide } from '../../job/decide.ts';
import { wantedOf } from '../../job/namesList.ts';
import { capital, count, figure, length, plural, words } from '../../job/figures.ts';
import { envelopeOnHand, envelopeStockOf } from '../../job/pick.ts';
import type { Snag, StationPlan } from '../../job/findings.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import { formatSize } from '../../ground/length/formatLength.ts';
import { insideMargins } from '../sheet/layout/edges.ts';
import { layOutOnePiece, type LaidPiece } from '../sheet/layout/layOut.ts';
import { sheetsFor, type PieceOnSheets } from '../sheet/pieces.ts';
import { suitingEnvelopes } from '../size/suitingEnvelopes.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { envelopeStyle } from './styles/index.ts';
import type { EnvelopeChoice } from '../../job/types.ts';
import { buildEnvelope } from './build/buildEnvelope.ts';
import { foldedEnvelope, type FoldedEnvelope } from './build/asFolded.ts';
import type { EnvelopeBlank } from './build/types.ts';
import { envelopeSnags } from './envelopeSnags.ts';
import { measuresOf } from './measures.ts';
import { windowCut } from './window.ts';

export interface EnvelopePlan extends StationPlan {
  readonly made: boolean;
  readonly styleId: EnvelopeStyleId;
  readonly blank: EnvelopeBlank;
  /** It with all that folding tells of it. */
  readonly folded: FoldedEnvelope;
  readonly insideWidthMm: number;
  readonly insideHeightMm: number;
  /** Between front and back; nought for one that lies flat. */
  readonly depthMm: number;
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
export function planEnvelope({ job, workshop, size, stock: printed }: EnvelopeContext): EnvelopePlan {
  const { unit } = workshop;
  const { easeMm, window = null } = job.envelope;
  const stock = envelopeStockOf(job, workshop);
  const style = envelopeStyle(job.envelope.style ?? 'sideSeam');
  const card = { widthMm: size.finishedWidthMm, heightMm: size.finishedHeightMm, thicknessMm: size.thicknessMm };
  const measures = measuresOf(style, card, job.envelope);
  const { insideWidthMm, insideHeightMm, flapMm, seamMm, throatMm } = measures;
  const folded = foldedEnvelope({
    ...{ style, measures, windows: window ? [windowCut(window, measures)] : [] },
    caliperMm: stock.caliperMicron / 1000,
  });
  const { built } = folded;
  const { blank } = built;
  const steps = [
    ...blank.cuts.map(({ byHand }) => `${byHand.title}.`),
    ...style.parts(measures).steps.map(({ says }) => says),
  ];
  const margins = printed.path.marginsMm;
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
  const wouldBe = (part: Partial<EnvelopeChoice>) => {
    const choice = { ...job.envelope, ...part };
    const other = envelopeStyle(choice.style ?? 'sideSeam');
    return buildEnvelope(other, measuresOf(other, card, choice));
  };
  const made = job.envelope.make;
  const sheets = sheetsFor(wantedOf(job), laid.up);
  const bought = envelopeOnHand(job, workshop);
  const suiting = suitingEnvelopes(card, workshop);
  const blankSize = formatSize(blank.widthMm, blank.heightMm, unit);
  return {
    made,
    blank,
    styleId: style.id,
    folded,
    ...{ insideWidthMm, insideHeightMm, flapMm },
    depthMm: style.walls ? measures.depthMm : 0,
    stock,
    places: laid.pieces,
    up: laid.up,
    sheets,
    pieces: made ? [{ ...ENVELOPE, blank, stock, made: wantedOf(job), up: laid.up, sheets }] : [],
    steps,
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
        style.walls
          ? 'card + ease, both ways; its thickness is between the walls'
          : 'card + its thickness + ease, both ways',
        {
          'Card, across': length(card.widthMm),
          'Card, upright': length(card.heightMm),
          Thickness: length(card.thicknessMm),
          Ease: length(easeMm),
          ...(style.walls ? { 'Between the walls': length(measures.depthMm) } : {}),
        },
      ),
      figure('envelope-blank', 'Blank', words(blankSize), style.working, {
        Seam: length(seamMm),
        Flap: length(flapMm),
        ...(style.asks.includes('throatMm') ? { Throat: length(throatMm) } : {}),
        ...(style.walls ? { Wall: length(measures.depthMm) } : {}),
      }),
      figure('envelope-up', 'On a sheet', count(laid.up), 'blanks side by side inside the margins', {
        Sheet: words(formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)),
      }),
    ],
    snags: made
      ? envelopeSnags(workshop, { style, measures, built, window, stock, up: laid.up, margins, wouldBe, on })
      : suggestShelf(bought !== null, suiting),
  };
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
