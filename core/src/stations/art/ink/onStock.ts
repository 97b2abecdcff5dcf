import { printerOf, stockOf } from '../../../job/pick.ts';
import { decide } from '../../../job/decide.ts';
import type { FaceArt, Job } from '../../../job/types.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Stock, Workshop } from '../../../workshop/types.ts';
import { plural } from '../../../job/figures.ts';
import type { Colour } from '../../../ground/scene/types.ts';
import { printedOn } from './colour.ts';
import { colourDistance, isColoured } from './colourDistance.ts';

/** ΔE00: nearer than this to the stock a colour is the stock’s own, and is left bare. Our starting value. */
export const BARE_WITHIN = 3;
/** ΔE00: an ink that moves the stock’s colour by less is not seen on it. Our starting value. */
const UNSEEN_WITHIN = 6;
/** ΔE00: an ink that comes out farther than this from what was asked is another colour. Our starting value. */
const SHIFTED_FROM = 15;

export type Fate = 'bare' | 'shows' | 'shifts' | 'vanishes';

/** What becomes of one colour of the art on this stock. */
export interface InkOnStock {
  readonly colour: Colour;
  readonly printed: Colour;
  readonly fate: Fate;
  /** Faces and things that use it. */
  readonly where: readonly string[];
}

export interface OnStock {
  readonly coloured: boolean;
  /** The printer lays white of its own under the colours. */
  readonly white: boolean;
  readonly inks: readonly InkOnStock[];
}

/** True where a colour is the coloured stock’s own, so that no ink is spent on it. */
export const isBare = (colour: Colour, stock: Stock): boolean =>
  isColoured(stock.colour) && colourDistance(colour, stock.colour) <= BARE_WITHIN;

export function onStock(
  job: Job,
  workshop: Workshop,
  faces: readonly { readonly name: string; readonly art: FaceArt }[],
): OnStock {
  const stock = stockOf(job, workshop);
  const paper = stock.colour;
  const white = printerOf(job, workshop).printsWhite ?? false;
  const coloured = isColoured(paper);
  const used = new Map<Colour, Set<string>>();
  const use = (colour: Colour, where: string): void => {
    used.set(colour, (used.get(colour) ?? new Set()).add(where));
  };
  for (const { name, art } of faces) {
    const face = name.toLowerCase();
    if (art.background) use(art.background, `background of the ${face}`);
    if (art.gradient) for (const end of [art.gradient.from, art.gradient.to]) use(end, `gradient of the ${face}`);
    if (art.border) use(art.border.colour, `border of the ${face}`);
    for (const block of art.texts) use(block.colour, `“${block.text.split('\n')[0]!.slice(0, 20)}”`);
    for (const object of art.objects ?? [])
      if (object.kind !== 'picture') use(object.colour, `${object.kind} on the ${face}`);
  }
  const inks = [...used].map(([colour, where]): InkOnStock => {
    const printed = white ? colour : printedOn(colour, paper);
    const fate: Fate = isBare(colour, stock)
      ? 'bare'
      : colourDistance(printed, paper) < UNSEEN_WITHIN
        ? 'vanishes'
        : colourDistance(printed, colour) > SHIFTED_FROM
          ? 'shifts'
          : 'shows';
    return { colour, printed, fate, where: [...where] };
  });
  return { coloured, white, inks: coloured ? inks : [] };
}

/** Inks that cannot be seen on this stock, and what could be done. */
export function onStockSnags(job: Job, workshop: Workshop, { coloured, inks }: OnStock): readonly Snag[] {
  if (!coloured) return [];
  const stock = stockOf(job, workshop);
  const card = `${stock.colourName.toLowerCase()} card`;
  const lost = inks.filter(({ fate }) => fate === 'vanishes');
  const moved = inks.filter(({ fate }) => fate === 'shifts');
  const say = (all: readonly InkOnStock[]): string =>
    [...new Set(all.flatMap(({ where }) => where))].slice(0, 4).join(', ');
  const whites = workshop.printers.flatMap((printer) =>
    printer.printsWhite
      ? printer.paths
          .filter((path) => path.heaviestGsm >= stock.gsm)
          .slice(0, 1)
          .map((path) => ({ printer, path }))
      : [],
  );
  const remedies = whites.map(({ printer, path }) => ({
    label: `Print it on ${printer.name}, which lays white`,
    changes: [decide((job) => job.stock.printerId, printer.id), decide((job) => job.stock.pathId, path.id)],
  }));
  return [
    ...(lost.length > 0
      ? [
          {
            id: 'art-vanishes',
            station: 'art',
            level: 'stop',
            title: `${lost.length} ${plural(lost.length, 'colour')} ${lost.length === 1 ? 'vanishes' : 'vanish'} on ${card}`,
            why: `Inks let light through, so what is pale shows the card: ${say(lost)} would not be seen. A printer that lays white, darker inks, or a pale card would show it.`,
            remedies,
          } as const,
        ]
      : []),
    ...(moved.length > 0
      ? [
          {
            id: 'art-shifts',
            station: 'art',
            level: 'note',
            title: `${moved.length} ${plural(moved.length, 'colour')} come out as another on ${card}`,
            why: `The bench shows them as they would be printed: ${say(moved)}.`,
            remedies,
          } as const,
        ]
      : []),
  ];
}
