import { DEFAULTS, EMPTY_FACE, newJob } from '../job/newJob.ts';
import { sortedBy } from '../job/sorted.ts';
import type { FormatId } from '../job/format.ts';
import type { EnvelopeOnHand, FaceArt, Job, PictureRef } from '../job/types.ts';
import type { Mm } from '../ground/length/types.ts';
import { MM_PER_INCH } from '../ground/length/types.ts';
import { papersIn } from '../workshop/papersIn.ts';
import type { FeedPath, Printer, Stock, Workshop } from '../workshop/types.ts';
import type { Snag } from '../job/findings.ts';
import { readyCard, type ReadyCard } from '../stations/size/readyCard.ts';
import { pathRefusals } from '../stations/stock/planStock.ts';
import { largestThatFits } from '../stations/size/fitEnvelope.ts';
import { FOLD_SPRING } from '../stations/size/layers.ts';
import { formatEntry } from '../stations/size/formats/index.ts';
import { NAMED_SIZES } from '../workshop/namedSizes.ts';
import { usualBareEdgeMm } from '../stations/sheet/bareEdge.ts';
import { allSnags, planJob, type Plan } from './planJob.ts';

/** What a maker has in hand or in mind when a card begins; all but the title may be left to the workshop. */
export interface Start {
  readonly title: string;
  readonly purpose: Job['brief']['purpose'];
  readonly wanted: number;
  readonly envelope?: EnvelopeOnHand;
  readonly format?: FormatId;
  /** The folded card, where its size is given: of a sample that was measured. */
  readonly finish?: { readonly widthMm: Mm; readonly heightMm: Mm };
  /** A pack of ready-cut cards: it decides form and size. */
  readonly blankId?: string;
  /** Covers the front; lying pictures ask for a lying card. */
  readonly picture?: PictureRef;
}

export interface Started {
  readonly job: Job;
  /** As it will be with ink on every face, up to its bleed. */
  readonly plan: Plan;
  /** What still forbids it: none wherever the workshop can make such a card at all. */
  readonly stops: readonly Snag[];
}

interface Feed {
  readonly id: string;
  readonly stock: Stock;
  readonly printer: Printer;
  readonly path: FeedPath;
}

/** Ways of feeding that are tried at most. */
const MOST_FEEDS = 6;
/** Shares of the first usual size, tried where none of the usual ones comes out of any sheet. */
const SMALLER = [0.92, 0.84, 0.76, 0.68, 0.6, 0.52, 0.44, 0.36, 0.3];
/** What cards are usually made of; our starting value. */
const USUAL_GSM = 270;
/** Within as much as this one weight is as good as another, and the order of the shelf decides. */
const GSM_STEP = 50;
const LEAST_MM = 40;

/**
 * A job that can be made with what the workshop has: stock, feed path, size and cutting tool are tried in the order that a
 * maker would, each with ink on every face up to its bleed, until nothing stops it. Where no card can bleed, its art stops
 * short of the edges.
 * @param asked what is given is kept as it is
 * @returns the first job without a stop; or, where there is none, the one with the fewest
 */
export function startJob(asked: Start, workshop: Workshop): Started {
  const [only] = workshop.stocks;
  // Where there are no sheets to cut from, a card is made of the first pack there is.
  const blankId = asked.blankId ?? (workshop.stocks.every(({ readyCut }) => readyCut) ? only?.id : undefined);
  const start: Start = { ...asked, ...(blankId ? { blankId } : {}) };
  const base = begun(start, workshop);
  let best: Started | null = null;
  for (const job of candidates(base, start, workshop)) {
    const tried = tryOut(job, start, workshop);
    if (tried.stops.length === 0) return tried;
    if (!best || tried.stops.length < best.stops.length) best = tried;
  }
  return best!;
}

function begun({ title, purpose, wanted, envelope, format, picture, blankId }: Start, workshop: Workshop): Job {
  const job = newJob(title, workshop);
  const card = cardOf(blankId, workshop);
  const chosen = card?.format ?? format ?? (picture && picture.widthPx > picture.heightPx ? 'tentFold' : 'sideFold');
  return {
    ...job,
    brief: { ...job.brief, purpose, wanted, envelope: envelope ?? job.brief.envelope },
    size: { ...job.size, format: chosen, options: { ...job.size.options, ...card?.options } },
  };
}

/** What a chosen pack folds to. */
function cardOf(blankId: string | undefined, { stocks }: Workshop): ReadyCard | null {
  const stock = stocks.find(({ id }) => id === blankId);
  return stock ? readyCard(stock) : null;
}

/** Sizes are the outer loop, since a usual size on another stock is better than an odd size on the first. */
function* candidates(base: Job, start: Start, workshop: Workshop): Generator<Job> {
  const feeds = feedsOf(workshop, start.blankId);
  // By hand first, and else in the order that their owner has them in.
  const tools = sortedBy(
    workshop.trimmers,
    ({ kind }) => (kind === 'machine' ? 1 : 0),
    (tool) => workshop.trimmers.indexOf(tool),
  );
  const sizes = sizesFor(base, start, workshop);
  for (const finish of sizes) for (const feed of feeds) yield withAll(base, { finish, feed, trimmerId: tools[0]!.id });
  // A longer blade, and art that stops short of the edges, before the size is one that nobody asked for.
  for (const finish of sizes)
    for (const feed of feeds)
      for (const tool of tools) {
        const job = withAll(base, { finish, feed, trimmerId: tool.id });
        if (tool !== tools[0]) yield job;
        yield bareAt(job, feed, workshop);
      }
  if (start.finish || start.blankId || (start.envelope && start.envelope.kind !== 'none')) return;
  for (const share of SMALLER)
    for (const feed of feeds) {
      const job = withAll(base, { finish: scaled(sizes[0]!, share), feed, trimmerId: tools[0]!.id });
      yield job;
      yield bareAt(job, feed, workshop);
    }
}

/** Its art stops where this printer’s begins to be cut off. */
const bareAt = (job: Job, { path }: Feed, { unit }: Workshop): Job => ({
  ...job,
  size: { ...job.size, bareEdgeMm: usualBareEdgeMm(path.marginsMm, unit) },
});

const withAll = (
  job: Job,
  {
    finish,
    feed,
    trimmerId,
  }: {
    readonly finish: { readonly widthMm: Mm; readonly heightMm: Mm };
    readonly feed: Feed;
    readonly trimmerId: string;
  },
): Job => ({
  ...job,
  size: { ...job.size, finishedWidthMm: finish.widthMm, finishedHeightMm: finish.heightMm },
  stock: { stockId: feed.stock.id, printerId: feed.printer.id, pathId: feed.path.id },
  cut: { ...job.cut, trimmerId },
});

/** With every face inked to its bleed, as the card will be once its art is on it; then as it begins. */
function tryOut(job: Job, start: Start, workshop: Workshop): Started {
  const context = { typefaces: new Map(), today: null };
  const plan = planJob(job, workshop, context);
  const inked: FaceArt = { ...EMPTY_FACE, background: '#808080' };
  const faces = Object.fromEntries(plan.size.faces.map(({ id }) => [id, inked]));
  const full = planJob({ ...job, art: { faces } }, workshop, context);
  const stops = allSnags(full).filter(({ level, station }) => level === 'stop' && station !== 'art');
  return { job: withPicture(job, plan, start.picture), plan: full, stops };
}

const PICTURE_ID = 'picture';

function withPicture(job: Job, plan: Plan, picture: PictureRef | undefined): Job {
  const front = plan.size.faces.find(({ id }) => id === 'front') ?? plan.size.faces[0];
  if (!picture || !front) return job;
  const placed = { pictureId: PICTURE_ID, ...DEFAULTS.placement };
  return {
    ...job,
    pictures: { [PICTURE_ID]: picture },
    art: { faces: { [front.id]: { ...EMPTY_FACE, picture: placed } } },
  };
}

/** Every way that a stock goes through a printer, the likeliest for a card first. */
function feedsOf(workshop: Workshop, blankId?: string): readonly Feed[] {
  // Nothing but a card that starts from a pack of them is made of ready-cut blanks.
  const stocks = workshop.stocks.filter(({ id, readyCut }) => (blankId ? id === blankId : !readyCut));
  const all = workshop.printers.flatMap((printer) =>
    printer.paths.flatMap((path) =>
      stocks.map((stock) => ({ id: [stock.id, printer.id, path.id].join(' '), stock, printer, path })),
    ),
  );
  const takes = all.filter(({ stock, path }) => pathRefusals(path, stock, workshop).length === 0);
  const sorted = sortedBy(
    takes.length > 0 ? takes : all,
    ({ stock }) => (stock.onShelf > 0 ? 0 : 1),
    // Dark card shows no ink; what is nearly white takes any picture.
    ({ stock }) => -Math.round(lightness(stock.colour) * 10),
    ({ stock }) => Math.floor(Math.abs(stock.gsm - USUAL_GSM) / GSM_STEP),
    ({ path }) => (path.bends === true ? 1 : 0),
    ({ stock }) => workshop.stocks.indexOf(stock),
  );
  if (blankId) return sorted;
  // One way of feeding each stock is enough: what the others refuse was left out above.
  const seen = new Set<string>();
  return sorted.filter(({ stock }) => !seen.has(stock.id) && seen.add(stock.id)).slice(0, MOST_FEEDS);
}

/** Of the lightest and darkest of its three parts, half way; 1 is white. */
function lightness(colour: string): number {
  const parts = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16) / 255);
  return (Math.max(...parts) + Math.min(...parts)) / 2;
}

/** Finished sizes as a maker would try them: what is given, what suits the envelope, else the usual names of the region. */
function sizesFor(
  job: Job,
  { finish, envelope, picture, blankId }: Start,
  workshop: Workshop,
): readonly { readonly widthMm: Mm; readonly heightMm: Mm }[] {
  const card = cardOf(blankId, workshop);
  if (card) return [{ widthMm: card.finishedWidthMm, heightMm: card.finishedHeightMm }];
  if (finish) return [finish];
  const lies = formatEntry(job.size.format).lies ?? (picture ? picture.widthPx > picture.heightPx : false);
  const turned = (narrow: Mm, long: Mm) =>
    lies ? { widthMm: long, heightMm: narrow } : { widthMm: narrow, heightMm: long };
  const inside =
    envelope?.kind === 'typed'
      ? envelope
      : envelope?.kind === 'shelf'
        ? workshop.envelopes.find(({ id }) => id === envelope.envelopeId)
        : undefined;
  if (inside) {
    const { stock } = feedsOf(workshop)[0]!;
    const thick = (2 * FOLD_SPRING * stock.caliperMicron) / 1000;
    const { widthMm, heightMm } = largestThatFits(inside, thick);
    const step = workshop.unit === 'in' ? MM_PER_INCH / 16 : 1;
    const down = (mm: Mm): Mm => Math.max(LEAST_MM, Math.floor(mm / step + 1e-9) * step);
    return [turned(down(Math.min(widthMm, heightMm)), down(Math.max(widthMm, heightMm)))];
  }
  const iso = papersIn(workshop) === 'iso';
  const names = iso ? ['A6', 'A7', '120 square', 'DL card'] : ['A2', 'A1', 'Gift enclosure', 'A6'];
  return names.flatMap((name) =>
    NAMED_SIZES.filter((size) => size.system === (iso ? 'ISO' : 'North American') && size.name === name).map((size) =>
      turned(size.widthMm, size.heightMm),
    ),
  );
}

/** Smaller by a share, to whole millimetres. */
const scaled = ({ widthMm, heightMm }: { readonly widthMm: Mm; readonly heightMm: Mm }, share: number) => ({
  widthMm: Math.max(LEAST_MM, Math.floor(widthMm * share)),
  heightMm: Math.max(LEAST_MM, Math.floor(heightMm * share)),
});
