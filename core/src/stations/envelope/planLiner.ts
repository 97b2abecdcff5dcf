import { turnOf, type TurnOver } from '../../ground/geometry/affine.ts';
import { evenSides } from '../../ground/geometry/box.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import type { Box, Point } from '../../ground/geometry/types.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { decide } from '../../job/decide.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import { wantedOf } from '../../job/namesList.ts';
import { DEFAULTS, EMPTY_FACE } from '../../job/newJob.ts';
import { trimmerOf } from '../../job/pick.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { Job, LinerChoice } from '../../job/types.ts';
import { inkMargins } from '../../workshop/borderless.ts';
import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import type { TypefaceBook } from '../art/words/typefaces.ts';
import { pieceCuts } from '../cut/pieceCuts.ts';
import type { PieceCuts } from '../cut/types.ts';
import { layBlank, type LaidBlank } from '../sheet/layout/layBlank.ts';
import { laidMap, type LaidPiece } from '../sheet/layout/layOut.ts';
import { sheetsFor, type PieceOnSheets } from '../sheet/pieces.ts';
import { LEAST_LINER_MM, linerOf, type Liner } from './build/liner.ts';
import { envelopeArtSnags, layEnvelope, type EnvelopeArt } from './envelopeArt.ts';
import { envelopePrint, type EnvelopePrint } from './envelopePrint.ts';

/** Liners of the made envelopes on sheets of their own stock. */
export interface LinerPlan extends Liner {
  readonly stock: Stock;
  readonly art: EnvelopeArt;
  readonly print: EnvelopePrint | null;
  readonly bleedMm: Mm;
  readonly turnOver: TurnOver;
  readonly places: readonly LaidPiece[];
  readonly machineMarks: readonly Point[];
  /** How it comes out of its sheets, seen side up. */
  readonly cuts: PieceCuts;
  readonly up: number;
  readonly sheets: number;
  readonly onSheets: PieceOnSheets;
  readonly snags: readonly Snag[];
}

/** Nearer to the folds than this a liner rubs and rides up. Our starting value. */
const RUBS_MM = 1.5;

interface LinerContext {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly choice: LinerChoice;
  readonly stock: Stock;
  readonly form: FoldedForm;
  readonly typefaces: TypefaceBook;
  readonly shown: number;
}

/** A liner for the envelope that `form` folds to: its blank in mm with the seen side up, on sheets of its stock. */
export function planLiner({ job, workshop, choice, stock, form, typefaces, shown }: LinerContext): LinerPlan {
  const liner = linerOf(form, choice.insetMm);
  const { blank } = liner;
  const artContext = { job, workshop, stock, typefaces };
  const art = layEnvelope({ ...artContext, piece: liner.piece, shown });
  const print = envelopePrint(job, workshop, { art, stock, on: 'blank', front: blank });
  const bleedMm = print && art.ink.bleeds ? liner.piece.bleedMm : 0;
  const trimmer = trimmerOf(job, workshop);
  const isPrinted = print !== null;
  const on = (widthMm: Mm, heightMm: Mm): LaidBlank =>
    layBlank(
      {
        ...{ sheet: { widthMm, heightMm }, blank, bleedMm, isPrinted },
        marginsMm: print ? inkMargins(print.path, bleedMm) : evenSides(0),
        mayLie: { asDrawn: true, turned: true },
      },
      trimmer.machine,
    );
  const { laid, machineMarks } = on(stock.sheetWidthMm, stock.sheetHeightMm);
  const made = wantedOf(job);
  const sheets = sheetsFor(made, laid.up);
  const lies = {
    places: laid.pieces.map((place) => laidMap(place, blank.heightMm)),
    creases: blank.creases.map(({ from, to }) => ({ from, to, role: 'creaseToward' as const })),
  };
  const cuts = pieceCuts(
    { ...{ blank, bleedMm, stock, sheets, layOut: laid, machineMarks, isPrinted }, ...lies },
    trimmer,
    workshop.unit,
  );
  return {
    ...liner,
    ...{ stock, art, print, bleedMm, places: laid.pieces, machineMarks, cuts, up: laid.up, sheets },
    turnOver: turnOf({ widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }, job.sheet.flipEdge),
    onSheets: { id: 'liner', name: 'Liner', role: 'liner', blank, bleedMm, stock, print, made, up: laid.up, sheets },
    snags: [
      ...insetSnags(choice, workshop, form.blank.panels.find(({ id }) => id === 'front')!.box),
      ...(laid.up === 0 ? [sheetSnag(workshop, { blank, stock, on: (w, h) => on(w, h).laid })] : []),
      ...(print && print.refusals.length > 0 ? [feedSnag(print)] : []),
      ...envelopeArtSnags(artContext, art),
    ],
  };
}

const setInAsUsual = (stockId: string, unit: LengthUnit): Remedy => ({
  label: `Set it in by ${formatLength(DEFAULTS.linerInsetMm, unit)}`,
  changes: [decide((job) => job.envelope.liner, { stockId, insetMm: DEFAULTS.linerInsetMm })],
});

const leaveOut: Remedy = { label: 'Leave the liner out', changes: [decide((job) => job.envelope.liner, null)] };

function insetSnags({ stockId, insetMm }: LinerChoice, { unit }: Workshop, front: Box): readonly Snag[] {
  const leftMm = Math.min(front.widthMm, front.heightMm) - 2 * insetMm;
  if (leftMm < LEAST_LINER_MM)
    return [
      {
        id: 'envelope-liner-small',
        station: 'envelope',
        level: 'stop',
        title: 'Nothing is left of the liner',
        why: `Set in by ${formatLength(insetMm, unit)} all round, the front’s ${formatSize(front.widthMm, front.heightMm, unit)} have no room for it.`,
        remedies: [
          ...(Math.min(front.widthMm, front.heightMm) - 2 * DEFAULTS.linerInsetMm >= LEAST_LINER_MM
            ? [setInAsUsual(stockId, unit)]
            : []),
          leaveOut,
        ],
      },
    ];
  if (insetMm >= RUBS_MM) return [];
  return [
    {
      id: 'envelope-liner-large',
      station: 'envelope',
      level: insetMm < 0 ? 'stop' : 'warn',
      title: insetMm < 0 ? 'The liner is larger than the inside' : 'The liner is so wide that it rubs',
      why:
        insetMm < 0
          ? `It is ${formatLength(-insetMm, unit)} over at every edge of the front and cannot slide in.`
          : `Less than ${formatLength(RUBS_MM, unit)} off the folds it rides up when the card goes in.`,
      remedies: [setInAsUsual(stockId, unit)],
    },
  ];
}

function sheetSnag(
  { stocks, unit }: Workshop,
  { blank, stock, on }: Pick<LinerPlan, 'blank' | 'stock'> & { readonly on: (w: Mm, h: Mm) => { readonly up: number } },
): Snag {
  const large = stocks.filter(
    (one) => one.id !== stock.id && !one.readyCut && on(one.sheetWidthMm, one.sheetHeightMm).up > 0,
  );
  const others = sortedBy(large, (one) => one.gsm, sheetPriceOf).slice(0, 2);
  return {
    id: 'envelope-liner-sheet',
    station: 'envelope',
    level: 'stop',
    title: 'The liner does not fit on its sheet',
    why: `It is ${formatSize(blank.widthMm, blank.heightMm, unit)}; ${stock.name} is ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)}.`,
    remedies: [
      ...others.map(({ id, name }) => ({
        label: `Make it from ${name}`,
        changes: [decide((job) => job.envelope.liner.stockId, id)],
      })),
      leaveOut,
    ],
  };
}

const feedSnag = ({ printer, path, refusals }: EnvelopePrint): Snag => ({
  id: 'envelope-liner-feed',
  station: 'envelope',
  level: 'stop',
  title: 'No printer takes the liner’s sheet',
  why: `${printer.name}, ${path.name}, comes nearest, and ${refusals.join('; ')}.`,
  remedies: [
    { label: 'Leave the liner bare', changes: [decide((job) => job.art.faces.at('envelopeLiner'), EMPTY_FACE)] },
    leaveOut,
  ],
});
