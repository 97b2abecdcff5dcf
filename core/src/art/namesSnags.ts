import { isInside } from '../geometry/box.ts';
import { plural } from '../job/figures.ts';
import type { Job, NamesList, Snag, TextBlock } from '../job/types.ts';
import type { FacePlan } from './items.ts';
import { filled } from './layFace.ts';
import { cardRows, fieldsIn, isNamed } from './names.ts';
import { setText } from './setText.ts';
import { SMALLEST_PT } from './smallestType.ts';
import type { TypefaceBook } from './typefaces.ts';

/** Rows that are named in a sentence; more are counted. */
const NAMED = 4;

/** What a list of names gets wrong on the faces, over all its rows. */
export function namesSnags(job: Job, faces: readonly FacePlan[], book: TypefaceBook): readonly Snag[] {
  const { names } = job;
  if (!names || names.rows.length === 0) return [];
  const blocks = faces.flatMap((face) => face.art.texts.map((block, i) => ({ face, block, i })));
  const used = blocks.filter(({ block }) => isNamed(block, names));
  if (used.length === 0)
    return [
      {
        id: 'art-names-unused',
        station: 'art',
        level: 'note',
        title: `No words ask for the list of ${names.rows.length} ${plural(names.rows.length, 'row')}`,
        why: `Write {${names.columns[0]}} in a block of words and every card gets its own.`,
        remedies: [{ label: 'Take the list off', changes: [{ path: ['names'], value: null }] }],
      },
    ];
  const cards = cardRows(names).length;
  return [
    ...blocks.flatMap(({ face, block }) => strangers(face, block, names)),
    ...used.flatMap((one) => tooLong(one.face, one.block, one.i, names, book)),
    ...(cards !== job.brief.wanted
      ? [
          {
            id: 'art-names-count',
            station: 'art',
            level: 'warn',
            title: `The list has ${cards} ${plural(cards, 'card')} and the job asks for ${job.brief.wanted}`,
            why: 'Every card of the list is printed once; the number wanted decides the sheets.',
            remedies:
              cards > 0 ? [{ label: `Make ${cards}`, changes: [{ path: ['brief', 'wanted'], value: cards }] }] : [],
          } as const,
        ]
      : []),
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
  const path = (field: string): readonly string[] => ['art', 'faces', face.face.id, 'texts', String(index), field];
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
                : [{ label: 'Shrink long names to fit', changes: [{ path: path('fit'), value: 'shrink' }] }]),
              {
                label: 'Give them the whole safe width',
                changes: [
                  { path: path('leftMm'), value: face.safe.xMm },
                  { path: path('widthMm'), value: face.safe.widthMm },
                ],
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
                changes: [{ path: path('typefaceId'), value: 'atkinson-hyperlegible-next-400' }],
              },
            ],
          } as const,
        ]
      : []),
  ];
}
