/** Files that are read as pictures, by how they are read. */
export type ReadableKind = 'jpeg' | 'png' | 'svg' | 'webp' | 'avif' | 'tiff' | 'gif' | 'heic';

/** What a file is by its first bytes, whatever its name says. */
export type FileKind =
  | { readonly ok: true; readonly kind: ReadableKind }
  /** @param what it is, as one says it after “is”; @param doThis what its owner can do */
  | { readonly ok: false; readonly what: string; readonly doThis: string };

const AS_PICTURE = 'open it in the program it was made with and save it as PNG or JPEG';
const TAKEN = 'save it as PNG, JPEG, WebP, AVIF, TIFF, GIF, HEIC or SVG';

type Test = (bytes: Buffer) => boolean;

const begins =
  (...start: readonly number[]): Test =>
  (bytes) =>
    start.every((byte, i) => bytes[i] === byte);
const says =
  (words: string, at = 0): Test =>
  (bytes) =>
    bytes.toString('latin1', at, at + words.length) === words;
const both =
  (...tests: readonly Test[]): Test =>
  (bytes) =>
    tests.every((test) => test(bytes));
const either =
  (...tests: readonly Test[]): Test =>
  (bytes) =>
    tests.some((test) => test(bytes));

/** Names that the file type box of the ISO base media format gives, the chief one or one it goes with. Source: ISO/IEC 14496-12, 23008-12. */
const brands =
  (...names: readonly string[]): Test =>
  (bytes) => {
    if (!says('ftyp', 4)(bytes)) return false;
    const end = Math.min(bytes.readUInt32BE(0), bytes.length, 256);
    for (let at = 8; at + 4 <= end; at += 4)
      if (at !== 12 && names.includes(bytes.toString('latin1', at, at + 4))) return true;
    return false;
  };

const isSvg: Test = (bytes) =>
  /^\uFEFF?\s*(<\?xml|<!--|<!DOCTYPE\s+svg|<svg[\s>])/i.test(bytes.subarray(0, 400).toString('utf8')) &&
  bytes.includes('<svg');

const READABLE: readonly (readonly [ReadableKind, Test])[] = [
  ['jpeg', begins(0xff, 0xd8, 0xff)],
  ['png', begins(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)],
  ['webp', both(says('RIFF'), says('WEBP', 8))],
  ['gif', either(says('GIF87a'), says('GIF89a'))],
  ['avif', brands('avif', 'avis')],
  ['heic', brands('heic', 'heix', 'heim', 'heis', 'hevc', 'hevx', 'mif1', 'msf1')],
  ['svg', isSvg],
];

/** Two marks stand for the order of bytes. */
const isTiff = either(begins(0x49, 0x49, 0x2a, 0), begins(0x4d, 0x4d, 0, 0x2a));
const DIRECTORY_ENTRY_BYTES = 12;
const NEW_SUBFILE_TYPE = 254;

/**
 * Whether the first picture in a TIFF says of itself that it is a smaller copy of another, as cameras write it that keep
 * their raw pixels behind it. Source: TIFF 6.0, image file directory, tag 254, lowest bit.
 */
const startsWithCopy: Test = (bytes) => {
  const small = bytes[0] === 0x49;
  const two = (at: number): number => (small ? bytes.readUInt16LE(at) : bytes.readUInt16BE(at));
  const four = (at: number): number => (small ? bytes.readUInt32LE(at) : bytes.readUInt32BE(at));
  const directory = bytes.length < 8 ? Infinity : four(4);
  if (directory + 2 > bytes.length) return false;
  const entries = Math.min(two(directory), Math.floor((bytes.length - directory - 2) / DIRECTORY_ENTRY_BYTES));
  for (let entry = 0; entry < entries; entry += 1) {
    const at = directory + 2 + entry * DIRECTORY_ENTRY_BYTES;
    if (two(at) === NEW_SUBFILE_TYPE) return (four(at + 8) & 1) === 1;
  }
  return false;
};
/** Some put a mark of their own behind the TIFF’s. */
const isRaw = both(isTiff, either(says('CR', 8), startsWithCopy));

const OTHERS: readonly (readonly [Test, string, string])[] = [
  [isRaw, 'a camera’s raw picture', AS_PICTURE],
  [says('8BPS'), 'a layered picture (PSD)', 'save a flattened copy of it as PNG'],
  [says('%!PS'), 'a PostScript drawing (EPS)', 'save it as SVG or PDF from the program it was made with'],
  [begins(0xc5, 0xd0, 0xd3, 0xc6), 'a PostScript drawing (EPS)', 'save it as SVG or PDF'],
  [says('%PDF-'), 'a PDF', 'choose it at Art, where you pick its page'],
  [says('BM'), 'a BMP picture', AS_PICTURE],
  [begins(0, 0, 1, 0), 'an icon (ICO)', AS_PICTURE],
  [either(begins(0xff, 0x0a), both(begins(0, 0, 0, 0x0c), says('JXL ', 4))), 'a JPEG XL picture', AS_PICTURE],
  [both(begins(0, 0, 0, 0x0c), says('jP  ', 4)), 'a JPEG 2000 picture', AS_PICTURE],
  [says('ftyp', 4), 'a film', 'save one picture of it'],
  [either(says('\x1aE\xdf\xa3'), says('RIFF')), 'a film or a sound', 'save one picture of it'],
  [says('PK\x03\x04'), 'a packed folder or an office document', 'take the picture out of it and choose that'],
  [begins(0xd0, 0xcf, 0x11, 0xe0), 'an older office document', 'take the picture out of it and choose that'],
];

/** Tells a file by its content. */
export function kindOf(bytes: Buffer): FileKind {
  const readable = READABLE.find(([, test]) => test(bytes));
  if (readable) return { ok: true, kind: readable[0] };
  const other = OTHERS.find(([test]) => test(bytes));
  if (other) return { ok: false, what: other[1], doThis: other[2] };
  if (isTiff(bytes)) return { ok: true, kind: 'tiff' };
  return { ok: false, what: 'no picture that can be read here', doThis: TAKEN };
}
