import { turnOf, type TurnOver } from '../../ground/geometry/affine.ts';
import { shrink } from '../../ground/geometry/box.ts';
import type { Box } from '../../ground/geometry/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { decide, decideEach } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { EMPTY_FACE } from '../../job/newJob.ts';
import type { Job } from '../../job/types.ts';
import type { FeedPath, Printer, Stock, WhiteWay, Workshop } from '../../workshop/types.ts';
import { sidesOf } from '../sheet/layout/inkOnSheet.ts';
import { waysOf } from '../sheet/layout/layerSheets.ts';
import { passesOf, type PrintPass } from '../sheet/layout/passes.ts';
import type { SheetSide } from '../sheet/layout/reach.ts';
import { whiteWayOf } from '../stock/white.ts';
import type { EnvelopeArt } from './envelopeArt.ts';

/** What prints an envelope, and how it goes through. */
export interface EnvelopePrint {
  /** As a blank on its sheet, or ready, one a page. */
  readonly on: 'blank' | 'envelope';
  readonly printer: Printer;
  readonly path: FeedPath;
  readonly white: WhiteWay | null;
  readonly passes: readonly PrintPass[];
  readonly sides: readonly SheetSide[];
  readonly turnOver: TurnOver;
  /** Why that path will not take it; empty where it does. */
  readonly refusals: readonly string[];
  /** Of one page, as it is fed. */
  readonly pageWidthMm: Mm;
  readonly pageHeightMm: Mm;
  readonly printable: Box;
}

/** What a printer will not take of it, or not print. */
export function printSnags(
  job: Job,
  { art, print, made }: { readonly art: EnvelopeArt; readonly print: EnvelopePrint | null; readonly made: boolean },
): readonly Snag[] {
  const snags: Snag[] = [];
  if (print && print.refusals.length > 0)
    snags.push({
      id: 'envelope-feed',
      station: 'envelope',
      level: 'stop',
      title: print.on === 'blank' ? 'No printer takes the envelope’s sheet' : 'No printer takes the ready envelope',
      why: `${print.printer.name}, ${print.path.name}, comes nearest, and ${print.refusals.join('; ')}.`,
      remedies: [
        ...(print.on === 'envelope' && made
          ? [{ label: 'Print it before it is folded', changes: [decide((at) => at.envelope.printOn, 'blank')] }]
          : []),
        ...(print.on === 'envelope' && (job.envelope.feedTurn ?? 0) === 0
          ? [{ label: 'Feed it with its short side first', changes: [decide((at) => at.envelope.feedTurn, 90)] }]
          : []),
        {
          label: 'Print nothing on the envelope',
          changes: art.printed.map((id) => decide((at) => at.art.faces.at(id), EMPTY_FACE)),
        },
      ],
    });
  const unfed = art.faces.filter(({ face: { id } }) => art.printed.includes(id) && id !== 'envelopeFront');
  const isReady = !made || job.envelope.printOn === 'envelope';
  if (isReady && unfed.length > 0)
    snags.push({
      id: 'envelope-fed-faces',
      station: 'envelope',
      level: 'warn',
      title: 'Only the front of a ready envelope is printed',
      why: `What is on the ${unfed.map(({ face }) => face.name.toLowerCase()).join(' and the ')} is left out: a ready envelope goes through once, front up.`,
      remedies: made
        ? [{ label: 'Print it before it is folded', changes: [decide((at) => at.envelope.printOn, 'blank')] }]
        : [
            {
              label: 'Make envelopes, and print them before they are folded',
              changes: decideEach((at) => at.envelope, { make: true, printOn: 'blank' }),
            },
          ],
    });
  return snags;
}

/** A ready envelope is two layers thick, and three where its flap lies on them. */
const LAYERS_FED = 3;

/**
 * How an envelope with art is printed: on the sheet of its stock before it is cut, by the path nearest to the card’s own
 * that takes it; or ready, on its front alone, by the nearest that takes a page of its size.
 * @returns null where nothing is printed on it, or no printer is there
 */
export function envelopePrint(
  job: Job,
  workshop: Workshop,
  {
    art,
    stock,
    on,
    front,
  }: {
    readonly art: EnvelopeArt;
    readonly stock: Stock;
    readonly on: 'blank' | 'envelope';
    /** The envelope’s front as it is read. */
    readonly front: { readonly widthMm: Mm; readonly heightMm: Mm };
  },
): EnvelopePrint | null {
  const sides: readonly SheetSide[] =
    on === 'blank' ? sidesOf(art.ink) : art.printed.includes('envelopeFront') ? ['front'] : [];
  if (sides.length === 0) return null;
  const { feedTurn = 0 } = job.envelope;
  const turned = on === 'envelope' && feedTurn !== 0;
  const [pageWidthMm, pageHeightMm] =
    on === 'blank'
      ? [stock.sheetWidthMm, stock.sheetHeightMm]
      : turned
        ? [front.heightMm, front.widthMm]
        : [front.widthMm, front.heightMm];
  const fed: Stock =
    on === 'blank'
      ? stock
      : {
          ...stock,
          ...{ sheetWidthMm: pageWidthMm, sheetHeightMm: pageHeightMm },
          caliperMicron: stock.caliperMicron * LAYERS_FED,
        };
  const [best] = waysOf(job, workshop, { stock: fed, foil: null });
  if (!best) return null;
  const { printer, path, refusals } = best;
  const white = whiteWayOf(printer, path, stock);
  const page = { xMm: 0, yMm: 0, widthMm: pageWidthMm, heightMm: pageHeightMm };
  return {
    ...{ on, printer, path, refusals, white, sides, pageWidthMm, pageHeightMm },
    passes: passesOf(sides, path.printsBothSides, white),
    turnOver: turnOf(page, job.sheet.flipEdge),
    printable: shrink(page, path.marginsMm),
  };
}
