import type { Context } from '../../job/context.ts';
import type { EnvelopeStyleId } from '../../job/envelopeStyles.ts';
import { decide } from '../../job/decide.ts';
import { wantedOf } from '../../job/namesList.ts';
import { capital, plural } from '../../job/figures.ts';
import { adhesiveById, envelopeOnHand, envelopeStockOf, linerStockOf, trimmerOf } from '../../job/pick.ts';
import type { Snag, StationPlan } from '../../job/findings.ts';
import type { Stock, Trimmer, Workshop } from '../../workshop/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import { sayPieceCuts } from '../cut/sayPieceCuts.ts';
import { pieceCutSnags } from '../cut/pieceCutSnags.ts';
import { pieceCuts, type PiecesOnSheet } from '../cut/pieceCuts.ts';
import type { PieceCuts } from '../cut/types.ts';
import { sidesOf } from '../sheet/layout/inkOnSheet.ts';
import { layBlank, type LaidBlank } from '../sheet/layout/layBlank.ts';
import { laidMap, type LaidPiece } from '../sheet/layout/layOut.ts';
import { sheetsFor, type PieceOnSheets } from '../sheet/pieces.ts';
import { suitingEnvelopes } from '../size/suitingEnvelopes.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { StockPlan } from '../stock/planStock.ts';
import { compose, turnedLeftRight, turnOf, type TurnOver } from '../../ground/geometry/affine.ts';
import type { Point } from '../../ground/geometry/types.ts';
import { inkMargins } from '../../workshop/borderless.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { ArtPlan } from '../art/types.ts';
import type { TypefaceBook } from '../art/words/typefaces.ts';
import { addressSnags } from './address.ts';
import { envelopeArtSnags, layEnvelope, type EnvelopeArt } from './envelopeArt.ts';
import { envelopePrint, printSnags, type EnvelopePrint } from './envelopePrint.ts';
import { envelopeStyle } from './styles/index.ts';
import type { EnvelopeChoice } from '../../job/types.ts';
import { buildEnvelope } from './build/buildEnvelope.ts';
import { foldedEnvelope, type FoldedEnvelope } from './build/asFolded.ts';
import type { EnvelopeBlank } from './build/types.ts';
import { boughtAs, boughtSnags } from './bought.ts';
import { blankFigures, linerFigures, readyFigures } from './envelopeFigures.ts';
import { envelopeSnags } from './envelopeSnags.ts';
import { measuresOf } from './measures.ts';
import { packUp, postedAs, type Packed, type Posted } from './posted.ts';
import { postFigures } from './postFigures.ts';
import { postAdvice } from './postAdvice.ts';
import { postSnags } from './postSnags.ts';
import { planLiner, type LinerPlan } from './planLiner.ts';
import { seamsOf, seamSnags, type Seam } from './seams.ts';
import { windowCut } from './window.ts';

export interface EnvelopePlan extends StationPlan {
  readonly made: boolean;
  /** There is one: made, from the shelf, in the pack or typed. */
  readonly atHand: boolean;
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
  /** Of the one that goes to the post: of a bought one as it was measured, or as most are. */
  readonly flapInHandMm: number;
  readonly stock: Stock;
  /** First places of the blank's box on one sheet; none when it does not fit. */
  readonly places: readonly LaidPiece[];
  /** Three where a machine cuts what is printed; none else. */
  readonly machineMarks: readonly Point[];
  /** How the blanks come out of their sheets; corners with the inside up. */
  readonly cuts: PieceCuts;
  /** The same in words, with what is cut within and what is rounded. */
  readonly cutting: readonly string[];
  readonly up: number;
  readonly sheets: number;
  /** It on its sheets; none where it is only shown. */
  readonly pieces: readonly PieceOnSheets[];
  /** What is drawn on its faces. */
  readonly art: EnvelopeArt;
  /** How it is printed; null where nothing is. */
  readonly print: EnvelopePrint | null;
  /** How far its art goes on past its outline on the sheet. */
  readonly bleedMm: number;
  /** How its sheet is turned over to have its inside up. */
  readonly turnOver: TurnOver;
  /** Ready envelopes that go through the printer, one a page. */
  readonly fedPages: number;
  /** It with the card in it, as the post sees it. */
  readonly packed: Packed;
  /** How it goes into the envelope, and what it wants there. */
  readonly advice: readonly string[];
  /** Null where no tariff is known, or none of its bands takes it. */
  readonly posted: Posted | null;
  /** What lines it; null where nothing does. */
  readonly liner: LinerPlan | null;
  /** What is glued on what, with what; none where the job leaves that to whatever is at hand. */
  readonly seams: readonly Seam[];
  /** Creasing, folding and gluing, in order. */
  readonly steps: readonly string[];
}

const ENVELOPE = { id: 'envelope', name: 'Envelope', role: 'envelope' } as const;

/** The shut card, the stock whose printer prints the envelope, and the list as it is looked at. */
export interface EnvelopeContext extends Context {
  readonly size: SizePlan;
  readonly stock: StockPlan;
  readonly art: Pick<ArtPlan, 'names' | 'ink'>;
  readonly typefaces: TypefaceBook;
}

/**
 * An envelope to match, whether it is made or only shown: its inside from the shut card, thickness and ease, its blank in
 * mm with the inside up, how many come out of a sheet, how it is put together; or what on the shelf would do.
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: blank, sheet, words, figures, snags
export function planEnvelope({
  job,
  workshop,
  size,
  stock: ofCard,
  art: cardArt,
  typefaces,
}: EnvelopeContext): EnvelopePlan {
  const { unit } = workshop;
  const { easeMm, window = null } = job.envelope;
  const stock = envelopeStockOf(job, workshop);
  const style = envelopeStyle(job.envelope.style ?? 'sideSeam');
  const made = job.envelope.make;
  const bought = envelopeOnHand(job, workshop);
  const atHand = made || bought !== null;
  const linerStock = atHand ? linerStockOf(job, workshop) : null;
  const card = {
    ...{ widthMm: size.finishedWidthMm, heightMm: size.finishedHeightMm },
    // A liner lies beside the card.
    thicknessMm: size.thicknessMm + (linerStock ? linerStock.caliperMicron / 1000 : 0),
  };
  const measures = measuresOf(style, card, job.envelope);
  const { insideWidthMm, insideHeightMm, flapMm, seamMm } = measures;
  const folded = foldedEnvelope({
    ...{ style, measures, windows: window ? [windowCut(window, measures)] : [] },
    caliperMm: stock.caliperMicron / 1000,
  });
  const { built } = folded;
  const { blank } = built;
  const steps = style.parts(measures).steps.map(({ says }) => says);
  // One that is bought is of no style.
  const ready = made || !bought ? null : boughtAs(bought, measures, job.envelope.boughtFlap);
  const inHand = ready ? foldedEnvelope(ready) : folded;
  const of = made || !bought ? stock : { ...stock, colour: bought.shelf?.colour ?? stock.colour };
  const artContext = { job, workshop, stock: of, typefaces };
  const art = layEnvelope({ ...artContext, piece: inHand, shown: cardArt.names?.shown ?? 0 });
  const front = inHand.faces[0]!;
  const onBlank = made && (job.envelope.printOn ?? 'blank') === 'blank';
  // Art of an envelope that there is not waits for one.
  const print = atHand
    ? envelopePrint(job, workshop, { art, stock: of, front, on: onBlank ? 'blank' : 'envelope' })
    : null;
  const inked = print?.on === 'blank' ? print : null;
  const bleedMm = inked && art.ink.bleeds ? inHand.bleedMm : 0;
  const margins = inked ? inkMargins(inked.path, bleedMm) : ofCard.path.marginsMm;
  const trimmer = trimmerOf(job, workshop);
  const isPrinted = inked !== null;
  const on = (widthMm: Mm, heightMm: Mm): LaidBlank =>
    layBlank(
      {
        ...{ sheet: { widthMm, heightMm }, blank, bleedMm, marginsMm: margins, isPrinted },
        mayLie: { asDrawn: true, turned: true },
      },
      trimmer.machine,
    );
  const { laid, machineMarks } = on(stock.sheetWidthMm, stock.sheetHeightMm);
  const wouldBe = (part: Partial<EnvelopeChoice>) => {
    const choice = { ...job.envelope, ...part };
    const other = envelopeStyle(choice.style ?? 'sideSeam');
    return buildEnvelope(other, measuresOf(other, card, choice));
  };
  const sheets = sheetsFor(wantedOf(job), laid.up);
  const cuts = pieceCuts(
    {
      ...{ blank, bleedMm, stock, sheets, layOut: laid, machineMarks, isPrinted },
      ...lyingOutsideUp(blank, laid.pieces),
      cornersOf:
        measures.cornerMm > 0 ? buildEnvelope(style, { ...measures, cornerMm: 0 }).blank.outline : blank.outline,
    },
    trimmer,
    unit,
  );
  const suiting = suitingEnvelopes(card, workshop);
  const liner =
    job.envelope.liner && linerStock
      ? planLiner({
          ...{ job, workshop, choice: job.envelope.liner, stock: linerStock, form: inHand.form, typefaces },
          shown: cardArt.names?.shown ?? 0,
        })
      : null;
  const packed = packUp({
    card: {
      ...{ blank: size.form.blank, stock: ofCard.stock, thickMm: size.thicknessMm },
      ...{ widthMm: size.finishedWidthMm, heightMm: size.finishedHeightMm },
    },
    // Only what has a place to hold something does.
    contentGrams: size.form.glued ? (job.size.contentGrams ?? 0) : 0,
    layers: size.layers,
    trimmings: size.trimmings,
    ribbon: size.ribbon,
    envelope: made
      ? { insideWidthMm, insideHeightMm, depthMm: style.walls ? measures.depthMm : 0, made: { blank, stock } }
      : bought && { ...bought, depthMm: 0, made: null },
    liner,
    says: {
      stiff: job.envelope.post?.stiff ?? false,
      lumpy: job.envelope.post?.lumpy ?? false,
      transparent: made && window !== null,
    },
  });
  const posted = workshop.post ? postedAs(packed, workshop.post) : null;
  const adhesive = adhesiveById(workshop, job.envelope.adhesiveId, 'envelope.adhesiveId');
  const seams = made ? seamsOf(built.held, adhesive, packed.grams) : [];
  const blankSize = formatSize(blank.widthMm, blank.heightMm, unit);
  return {
    made,
    atHand,
    blank,
    styleId: style.id,
    folded,
    ...{ insideWidthMm, insideHeightMm, flapMm, flapInHandMm: ready?.measures.flapMm ?? flapMm },
    depthMm: style.walls ? measures.depthMm : 0,
    stock,
    ...{
      places: laid.pieces,
      machineMarks,
      cuts,
      cutting: sayCutting(cuts, { trimmer, unit, blank, cornerMm: measures.cornerMm }),
    },
    up: laid.up,
    sheets,
    pieces: [
      ...(made ? [{ ...ENVELOPE, blank, bleedMm, stock, print: inked, made: wantedOf(job), up: laid.up, sheets }] : []),
      ...(liner ? [liner.onSheets] : []),
    ],
    ...{ art, print, bleedMm, liner, packed, posted, seams },
    advice: postAdvice({ size, stock: ofCard, packed, isPrinted: sidesOf(cardArt.ink).length > 0 }),
    turnOver: turnOf({ widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }, job.sheet.flipEdge),
    fedPages: print?.on === 'envelope' ? wantedOf(job) : 0,
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
      ...(ready
        ? readyFigures(ready.measures, unit)
        : blankFigures({ style, measures, card, easeMm, blank, stock, up: laid.up }, unit)),
      ...(liner
        ? linerFigures(liner, { insetMm: job.envelope.liner!.insetMm, flapMm: ready?.measures.flapMm ?? flapMm }, unit)
        : []),
      ...postFigures(packed, posted, workshop),
    ],
    snags: [
      ...(made
        ? envelopeSnags(workshop, {
            style,
            measures,
            built,
            window,
            stock,
            up: laid.up,
            margins,
            wouldBe,
            on: (w, h) => on(w, h).laid,
          })
        : suggestShelf(bought !== null, suiting)),
      ...(atHand
        ? [
            ...envelopeArtSnags(artContext, art),
            ...addressSnags(job, unit, { front, typefaces }),
            ...printSnags(job, { art, print, made }),
            ...(made
              ? pieceCutSnags(
                  { id: 'envelope', name: 'Envelopes', moves: cuts.moves, station: 'envelope' },
                  trimmer,
                  workshop,
                )
              : boughtSnags(job, workshop, { bought: bought!, card })),
            ...(liner
              ? pieceCutSnags(
                  { id: 'liner', name: 'Liners', moves: liner.cuts.moves, station: 'envelope' },
                  trimmer,
                  workshop,
                )
              : []),
            ...(liner?.snags ?? []),
            ...(made
              ? seamSnags(workshop, {
                  ...{ held: built.held, adhesive, stock, loadGrams: packed.grams, seamMm },
                  heldAt: style.asks.includes('seamMm') ? (mm) => wouldBe({ seamMm: mm }).held : null,
                })
              : []),
            ...postSnags(job, workshop, { packed, posted, follows: made, walls: style.walls }),
          ]
        : []),
    ],
  };
}

/** From the sheet to a blank that can be creased, its inside up once its box is free. */
function sayCutting(
  cuts: PieceCuts,
  {
    trimmer,
    unit,
    blank,
    cornerMm,
  }: { readonly trimmer: Trimmer; readonly unit: LengthUnit; readonly blank: EnvelopeBlank; readonly cornerMm: Mm },
): readonly string[] {
  const said = sayPieceCuts(cuts, trimmer, unit, 'listed at Envelope');
  if (cuts.machine) return said;
  return [
    ...(said.length > 0 ? said : ['Cut round the outline by its template.']),
    ...(cornerMm > 0 && cuts.corners.length > 0 ? [`Round the free corners to ${formatLength(cornerMm, unit)}.`] : []),
    ...blank.cuts.map(({ byHand }) => `${byHand.title}.`),
  ];
}

/** Blanks on a sheet whose front is their outside, with creases as they are seen from there. */
const lyingOutsideUp = (
  { widthMm, heightMm, creases }: EnvelopeBlank,
  places: readonly LaidPiece[],
): Pick<PiecesOnSheet, 'places' | 'creases'> => ({
  places: places.map((lies) => compose(laidMap(lies, heightMm), turnedLeftRight(widthMm))),
  creases: creases.map(({ from, to, way }) => ({ from, to, role: way === 'toward' ? 'creaseAway' : 'creaseToward' })),
});

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
