import { boxAround, corners, isInside, shrink } from '../../ground/geometry/box.ts';
import type { Box, Sides } from '../../ground/geometry/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { decide, decideEach, type JobPlace } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { cardRows, isNamed, rowName } from '../../job/namesList.ts';
import { DEFAULTS } from '../../job/newJob.ts';
import type { Job, NamesList, TextBlock } from '../../job/types.ts';
import { filled } from '../art/faces/layFace.ts';
import { setText, type SetBlock } from '../art/words/setText.ts';
import type { TypefaceBook } from '../art/words/typefaces.ts';

/** Readers of addresses, people and machines, want no more lines and no smaller letters. Our starting values. */
const MOST_LINES = 7;
const SMALLEST_PT = 10;
/** Names said in a sentence; more are counted. */
const NAMED = 3;

interface Front {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** Where an address may stand on the front, as it is read; nothing but the middle where no room is left. */
export function addressZone({ widthMm, heightMm }: Front, clearMm: Sides = DEFAULTS.clearMm): Box {
  const box = shrink({ xMm: 0, yMm: 0, widthMm, heightMm }, clearMm);
  if (box.widthMm > 0 && box.heightMm > 0) return box;
  return { xMm: widthMm / 2, yMm: heightMm / 2, widthMm: 0, heightMm: 0 };
}

/** Columns that make an address, in the order of its lines; a name first. Ours, and matched by what they begin with. */
const LINES: readonly RegExp[] = [
  /^(name|full name|guest|to|addressee)\b/i,
  /^(company|firm|organi[sz]ation|house)\b/i,
  /^(address|street|road|line)\b/i,
  /^(village|district|locality)\b/i,
  /^(town|city|place)\b/i,
  /^(county|region|state|province)\b/i,
  /^(post ?code|postal|zip|plz)\b/i,
  /^country\b/i,
];

/** Columns of a list that an address is set from, a line each; postcode and town as the list has them. */
export function addressColumns({ columns }: NamesList): readonly string[] {
  const found = LINES.flatMap((line) => columns.filter((column) => line.test(column.trim())));
  return found.length > 0 ? [...new Set(found)] : columns.slice(0, 1);
}

/** A block of words that sets every address of a list within the zone, left edge in its middle third as post is read. */
export function addressBlock(names: NamesList, front: Front, clearMm?: Sides): TextBlock {
  const zone = addressZone(front, clearMm);
  const leftMm = zone.xMm + zone.widthMm * 0.3;
  return {
    id: 'address',
    text: addressColumns(names)
      .map((column) => `{${column}}`)
      .join('\n'),
    typefaceId: 'atkinson-hyperlegible-next-400',
    ...{ sizePt: 13, align: 'left', lineSpacing: 1.3, colour: DEFAULTS.textColour, closesUp: true },
    ...{ leftMm, topMm: zone.yMm, widthMm: zone.xMm + zone.widthMm - leftMm },
  };
}

/** A row whose address does not stand where it should. */
interface Astray {
  readonly row: number;
  readonly lines: number;
  readonly over: boolean;
}

/**
 * Addresses that leave their zone or have too many lines, over every row of the list.
 * @param front the face as it is read
 */
export function addressSnags(
  job: Job,
  unit: LengthUnit,
  { front, typefaces }: { readonly front: Front; readonly typefaces: TypefaceBook },
): readonly Snag[] {
  const { names } = job;
  const texts = job.art.faces.envelopeFront?.texts ?? [];
  if (!names || names.rows.length === 0) return [];
  return texts.flatMap((block, i): readonly Snag[] => {
    if (!isNamed(block, names)) return [];
    const rows = [...new Set(cardRows(names))];
    const zone = addressZone(front, job.envelope.clearMm);
    const set = (one: TextBlock, row: number): SetBlock => setText(filled(one, names, row), typefaces, false);
    const astray = rows
      .map((row): Astray => {
        const { ink, lines } = set(block, row);
        return { row, lines: lines.length, over: ink !== null && !isInside(ink, zone) };
      })
      .filter(({ lines, over }) => over || lines > MOST_LINES);
    const long = astray.filter(({ lines }) => lines > MOST_LINES);
    const over = astray.filter((one) => one.over);
    const said = (some: readonly Astray[]): string => {
      const first = some.slice(0, NAMED).map(({ row }) => rowName(names, row));
      return some.length > NAMED ? `${first.join(', ')} and ${some.length - NAMED} more` : first.join(', ');
    };
    const place = (at: JobPlace) => textAt(at, i);
    const inkOf = (one: TextBlock): Box | null => {
      const boxes = rows.flatMap((row) => set(one, row).ink ?? []);
      return boxes.length > 0 ? boxAround(boxes.flatMap((box) => corners(box))) : null;
    };
    return [
      ...(long.length > 0
        ? [
            {
              id: `envelope-address-lines-${block.id}`,
              station: 'envelope',
              level: 'warn',
              title: `An address has ${Math.max(...long.map(({ lines }) => lines))} lines`,
              why: `More than ${MOST_LINES} are hard to sort by: ${said(long)}. Put two on one line in the list, or set the block wider so that none breaks.`,
              remedies: fewerLines(block, place, (one) => Math.max(...rows.map((row) => set(one, row).lines.length))),
            } as const,
          ]
        : []),
      ...(over.length > 0
        ? [
            {
              id: `envelope-address-room-${block.id}`,
              station: 'envelope',
              level: 'warn',
              title: `${over.length === 1 ? 'An address does' : `${over.length} addresses do`} not stand in the address zone`,
              why: `${said(over)}: the zone is what is left ${sayClear(job, unit)} of the edges. What must stay clear differs: ask your local post.`,
              remedies: intoZone(block, zone, place, inkOf),
            } as const,
          ]
        : []),
    ];
  });
}

function sayClear({ envelope: { clearMm = DEFAULTS.clearMm } }: Job, unit: LengthUnit): string {
  const { top, right, bottom, left } = clearMm;
  const mm = (value: Mm): string => formatLength(value, unit);
  return `${mm(top)} from the top, ${mm(bottom)} from the foot, ${mm(left)} and ${mm(right)} from the sides`;
}

type PlaceOfText = (at: JobPlace) => ReturnType<typeof textAt>;
const textAt = (at: JobPlace, i = 0) => at.art.faces.at('envelopeFront').texts.at(i);

/** Fewer lines: those left out that are empty, or the last ones on one; each only where it is enough. */
function fewerLines(block: TextBlock, place: PlaceOfText, linesOf: (block: TextBlock) => number): Snag['remedies'] {
  const typed = block.text.split('\n');
  const text = [...typed.slice(0, MOST_LINES - 1), typed.slice(MOST_LINES - 1).join(', ')].join('\n');
  return [
    ...(!block.closesUp && linesOf({ ...block, closesUp: true }) <= MOST_LINES
      ? [{ label: 'Leave empty lines out', changes: [decide((job) => place(job).closesUp, true)] }]
      : []),
    ...(typed.length > MOST_LINES && linesOf({ ...block, text }) <= MOST_LINES
      ? [{ label: 'Put the last ones on one line', changes: [decide((job) => place(job).text, text)] }]
      : []),
  ];
}

/** The block where all addresses stand in the zone: moved, wider, and smaller where it must be; none where none is legible. */
function intoZone(
  block: TextBlock,
  zone: Box,
  place: PlaceOfText,
  inkOf: (block: TextBlock) => Box | null,
): Snag['remedies'] {
  for (let sizePt = block.sizePt; sizePt >= SMALLEST_PT; sizePt -= 0.5) {
    const wide = { sizePt, leftMm: zone.xMm, topMm: zone.yMm, widthMm: zone.widthMm };
    const ink = inkOf({ ...block, ...wide });
    if (!ink || ink.widthMm > zone.widthMm || ink.heightMm > zone.heightMm) continue;
    const part = {
      ...wide,
      // In the middle of the zone as far as its longest line allows, and its ink just below the top.
      leftMm:
        wide.leftMm + Math.max(0, Math.min(zone.widthMm * 0.3, zone.widthMm - ink.widthMm) - (ink.xMm - zone.xMm)),
      topMm: wide.topMm + Math.max(0, zone.yMm - ink.yMm),
    };
    const right = { ...part, widthMm: Math.max(1, zone.xMm + zone.widthMm - part.leftMm) };
    const then = inkOf({ ...block, ...right });
    if (!then || !isInside(then, zone)) continue;
    const label = sizePt < block.sizePt ? `Set them in the zone at ${sizePt} pt` : 'Move them into the zone';
    return [{ label, changes: decideEach(place, right) }];
  }
  return [];
}
