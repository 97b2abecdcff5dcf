import { isInside } from '../../../ground/geometry/box.ts';
import { plural } from '../../../job/figures.ts';
import type { Job, NamesList, TextBlock } from '../../../job/types.ts';
import { decide, decideEach, type JobPlace } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import type { FacePlan } from '../faces/items.ts';
import { filled } from '../faces/layFace.ts';
import { cardRows, fieldsIn, isNamed, namesInUse, rowName, wrongCounts } from '../../../job/namesList.ts';
import { setText } from '../words/setText.ts';
import { SMALLEST_PT } from '../words/smallestType.ts';
import type { TypefaceBook } from '../words/typefaces.ts';

/** Rows that are named in a sentence; more are counted. */
const NAMED = 4;

/** What a list of names gets wrong on the faces, over all its rows. */
export function namesSnags(job: Job, faces: readonly FacePlan[], book: TypefaceBook): readonly Snag[] {
  const { names } = job;
  if (!names || names.rows.length === 0) return [];
  const blocks = faces.flatMap((face) => face.art.texts.map((block, i) => ({ face, block, i })));
  const used = blocks.filter(({ block }) => isNamed(block, names));
  // Another piece of the job, such as its envelope, may ask for it.
  if (!namesInUse(job))
    return [
      {
        id: 'art-names-unused',
        station: 'art',
        level: 'note',
        title: `No words ask for the list of ${names.rows.length} ${plural(names.rows.length, 'row')}`,
        why: `Write {${names.columns[0]}} in a block of words and every card gets its own.`,
        remedies: [{ label: 'Take the list off', changes: [decide((job) => job.names, null)] }],
      },
    ];
  const cards = cardRows(names).length;
  return [
    ...blocks.flatMap(({ face, block }) => strangers(face, block, names)),
    ...used.flatMap((one) => tooLong(one.face, one.block, one.i, names, book)),
    ...leftOut(job, names, cards),
    ...badCounts(names),
  ];
}

/** Names that no card is made for. */
function leftOut(job: Job, names: NamesList, cards: number): readonly Snag[] {
  const { wanted } = job.brief;
  if (names.decides !== false || wanted >= cards) return [];
  const out = [...new Set(cardRows(names).slice(wanted))].map((row) => rowName(names, row));
  return [
    {
      id: 'art-names-left-out',
      station: 'art',
      level: 'stop',
      title: `${cards - wanted} ${plural(cards - wanted, 'card')} of the list ${cards - wanted === 1 ? 'is' : 'are'} left out`,
      why: `The list has ${cards} ${plural(cards, 'card')} and ${wanted} ${wanted === 1 ? 'is' : 'are'} made. Without a card: ${out.slice(0, 12).join(', ')}${out.length > 12 ? ` and ${out.length - 12} more` : ''}.`,
      remedies: [{ label: `Make all ${cards}`, changes: [decide((job) => job.names.decides, true)] }],
    },
  ];
}

/** Counts that are no number of cards are said by row; nobody can tell what was meant. */
function badCounts(names: NamesList): readonly Snag[] {
  const wrong = wrongCounts(names);
  if (wrong.length === 0) return [];
  const counted = (value: string): NamesList['rows'] =>
    names.rows.map((cells, row) => {
      const found = wrong.find((one) => one.row === row);
      return found ? cells.map((cell, i) => (i === found.column ? value : cell)) : cells;
    });
  const said = wrong.map(
    ({ row, text }) => `row ${row + 2}, ${rowName(names, row)}: ${text === '' ? 'nothing' : `“${text}”`}`,
  );
  return [
    {
      id: 'art-names-counts',
      station: 'art',
      level: 'stop',
      title: `${wrong.length} ${plural(wrong.length, 'row')} of the list ${wrong.length === 1 ? 'does' : 'do'} not say how many cards`,
      why: `A count is a whole number from 0 to 9999. ${said.slice(0, 8).join('; ')}${said.length > 8 ? `; and ${said.length - 8} more` : ''}.`,
      remedies: [
        { label: 'Make one card of each', changes: [decide((job) => job.names.rows, counted('1'))] },
        { label: 'Make none of them', changes: [decide((job) => job.names.rows, counted('0'))] },
      ],
    },
  ];
}

/** Braces round a word that is no heading. */
function strangers(face: FacePlan, block: TextBlock, names: NamesList): readonly Snag[] {
  const unknown = fieldsIn(block.text).filter((field) => !isNamed({ text: `{${field}}` }, names));
  return unknown.map((field) => ({
    id: `art-names-field-${face.face.id}-${block.id}-${field}`,
    station: 'art',
    level: 'warn',
    title: `The list has no column “${field}”`,
    why: `It would be printed as it is typed, braces and all, on the ${face.face.name.toLowerCase()}. The headings are ${names.columns.join(', ')}.`,
    remedies: [],
  }));
}

function tooLong(
  face: FacePlan,
  block: TextBlock,
  index: number,
  names: NamesList,
  book: TypefaceBook,
): readonly Snag[] {
  const smallest = SMALLEST_PT.plain;
  const long: string[] = [];
  const tiny: string[] = [];
  const missing = new Set<string>();
  names.rows.forEach((_, row) => {
    const own = filled(block, names, row);
    const set = setText(own, book, false);
    const said = own.text.split('\n').find((line) => line.trim() !== '') ?? '';
    if (set.missing.length > 0) set.missing.forEach((char) => missing.add(char));
    if (set.tooWide.length > 0 || (set.ink && !isInside(set.ink, face.safe))) long.push(said);
    else if (block.sizePt * set.fitted < smallest) tiny.push(said);
  });
  const where = `on the ${face.face.name.toLowerCase()}`;
  const list = (all: readonly string[]): string =>
    `${all
      .slice(0, NAMED)
      .map((one) => `“${one}”`)
      .join(', ')}${all.length > NAMED ? ` and ${all.length - NAMED} more` : ''}`;
  const place = (job: JobPlace) => job.art.faces.at(face.face.id).texts.at(index);
  const fits = block.fit === 'shrink';
  return [
    ...(long.length > 0
      ? [
          {
            id: `art-names-long-${face.face.id}-${block.id}`,
            station: 'art',
            level: 'warn',
            title: `${long.length} ${plural(long.length, 'name')} ${long.length === 1 ? 'is' : 'are'} too long ${where}`,
            why: `They reach out of their block or past safe: ${list(long)}.`,
            remedies: [
              ...(fits
                ? []
                : [{ label: 'Shrink long names to fit', changes: [decide((job) => place(job).fit, 'shrink')] }]),
              {
                label: 'Give them the whole safe width',
                changes: decideEach(place, { leftMm: face.safe.xMm, widthMm: face.safe.widthMm }),
              },
            ],
          } as const,
        ]
      : []),
    ...(tiny.length > 0
      ? [
          {
            id: `art-names-tiny-${face.face.id}-${block.id}`,
            station: 'art',
            level: 'warn',
            title: `${tiny.length} ${plural(tiny.length, 'name')} ${tiny.length === 1 ? 'shrinks' : 'shrink'} under ${smallest} pt ${where}`,
            why: `Set so small they fill in on a home printer: ${list(tiny)}. Break them over two lines in the list’s own words, or widen the block.`,
            remedies: [],
          } as const,
        ]
      : []),
    ...(missing.size > 0
      ? [
          {
            id: `art-names-missing-${face.face.id}-${block.id}`,
            station: 'art',
            level: 'stop',
            title: `Some names have letters this typeface lacks ${where}`,
            why: `No letter for ${[...missing].join(' ')}: it would print as an empty box.`,
            remedies: [
              {
                label: 'Use Atkinson Hyperlegible Next',
                changes: [decide((job) => place(job).typefaceId, 'atkinson-hyperlegible-next-400')],
              },
            ],
          } as const,
        ]
      : []),
  ];
}
