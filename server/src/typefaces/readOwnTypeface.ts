import { inflateSync } from 'node:zlib';
import { cutText, LIMITS, mayEmbed, ownTypefaceId, type OwnTypeface } from '@zippy/core';
import type { OwnTypefaceFacts } from '@zippy/core/contract';
import { fontFacts, unpackWoff } from '@zippy/core/typefaces';
import { tryFont } from '../exports/pdf/tryFont.ts';
import { sha256 } from '../pictures/readPicture.ts';

/** Families for the whole world come in files of this size; one alphabet takes a hundredth. */
export const MOST_TYPEFACE_BYTES = 24 * 1024 * 1024;
const MOST_UNPACKED_BYTES = 64 * 1024 * 1024;

export interface ReadTypeface {
  readonly id: string;
  readonly ref: OwnTypeface;
  readonly facts: OwnTypefaceFacts;
  readonly bytes: Buffer;
}

/** A typeface that cannot be used, with what to do about it. */
export class TypefaceRefused extends Error {}

/**
 * Reads a typeface that a maker brings by its content, whatever its name says, and tries it in a file.
 * @throws TypefaceRefused with one sentence for the maker
 */
export async function readOwnTypeface(fileName: string, raw: Buffer): Promise<ReadTypeface> {
  if (raw.length === 0) throw new TypefaceRefused(`${fileName} is empty; choose another file.`);
  if (raw.length > MOST_TYPEFACE_BYTES)
    throw new TypefaceRefused(
      `${fileName} is ${Math.round(raw.length / 1048576)} MB; the most is ${MOST_TYPEFACE_BYTES / 1048576} MB. Look for the same typeface with fewer alphabets in it.`,
    );
  const odd = ODD_KINDS.find(({ begins }) => begins.some((letters) => raw.subarray(0, letters.length).equals(letters)));
  if (odd) throw new TypefaceRefused(`${fileName} is ${odd.is}; ${odd.doThis}.`);
  if (!KINDS.some((letters) => raw.subarray(0, 4).equals(letters)))
    throw new TypefaceRefused(`${fileName} is no typeface; choose a file that ends in .ttf, .otf or .woff.`);
  let facts: ReturnType<typeof fontFacts>;
  let font: Uint8Array;
  try {
    font = unpackWoff(raw, unzlibUpTo(MOST_UNPACKED_BYTES));
    facts = fontFacts(font);
  } catch {
    throw new TypefaceRefused(`${fileName} is damaged or not whole; fetch it again from where it came and try again.`);
  }
  if (!facts.drawn)
    throw new TypefaceRefused(
      `${fileName} holds its letters as small pictures and not as outlines, which no printer enlarges well; choose another.`,
    );
  if (mayEmbed(facts.embedding))
    await tryFont(font, facts.sample).catch(() => {
      throw new TypefaceRefused(
        `${fileName} can be read, and its letters cannot be put into a PDF: it is ${facts.variable ? 'a variable font of a kind that files do not hold; bring one of its styles' : 'damaged; bring the same typeface'} as TTF.`,
      );
    });
  const { name, embedding, letters, variable } = facts;
  const hash = sha256(raw);
  return {
    id: ownTypefaceId(hash),
    ref: { name: cutText(plain(name ?? '') || stemOf(fileName), LIMITS.art.typefaceNameLetters), sha256: hash },
    facts: { embedding, letters, variable },
    bytes: raw,
  };
}

const bytesOf = (...hex: readonly string[]): readonly Buffer[] => hex.map((one) => Buffer.from(one, 'hex'));
/** TrueType, TrueType of one maker, OpenType with the other kind of curve, and either of them packed. */
const KINDS = bytesOf('00010000', '74727565', '4f54544f', '774f4646');
const ODD_KINDS: readonly { readonly begins: readonly Buffer[]; readonly is: string; readonly doThis: string }[] = [
  {
    begins: bytesOf('774f4632'),
    is: 'WOFF2, packed for websites',
    doThis: 'bring the same typeface as TTF, OTF or WOFF',
  },
  {
    begins: bytesOf('74746366'),
    is: 'a collection of several typefaces',
    doThis: 'bring the one you want as a TTF or OTF of its own',
  },
  {
    begins: bytesOf('2521', '8001'),
    is: 'a Type 1 font, an old kind',
    doThis: 'look for the same typeface as OTF',
  },
  { begins: bytesOf('504b0304'), is: 'a zip', doThis: 'unpack it first, and bring one of the files inside' },
];

/** Unpacks one table after another, and no more of all of them together than any typeface comes to. */
function unzlibUpTo(mostBytes: number): (packed: Uint8Array) => Uint8Array {
  let left = mostBytes;
  return (packed) => {
    if (left <= 0) throw new RangeError('unzlibUpTo: more tables than a typeface has room for');
    const table = inflateSync(packed, { maxOutputLength: left });
    left -= table.length;
    return table;
  };
}

const plain = (name: string): string =>
  name
    .toWellFormed()
    .replace(/\p{Cc}+/gu, ' ')
    .trim();
const stemOf = (fileName: string): string => fileName.replace(/\.[^.]*$/, '') || 'Typeface';
