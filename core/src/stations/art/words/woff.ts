import { unzlibSync } from 'fflate';

const WOFF = 0x774f4646;
const HEADER = 44;
const ENTRY = 20;

/** Undoes zlib’s packing (RFC 1950); whoever has a faster one at hand than ours, such as Node, brings it. */
export type Unzlib = (packed: Uint8Array) => Uint8Array;

/**
 * Unpacks a WOFF file into the TrueType or OpenType font it wraps; other bytes come back as they are.
 * Source: W3C, WOFF File Format 1.0, sections 3 to 5.
 * @throws RangeError when a table unpacks to another length than it states
 */
export function unpackWoff(bytes: Uint8Array, unzlib: Unzlib = unzlibSync): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.byteLength < HEADER || view.getUint32(0) !== WOFF) return bytes;
  const tables = Array.from({ length: view.getUint16(12) }, (_, i) => {
    const at = HEADER + i * ENTRY;
    const [offset, packed, length] = [view.getUint32(at + 4), view.getUint32(at + 8), view.getUint32(at + 12)];
    const stored = bytes.subarray(offset, offset + packed);
    const data = packed < length ? unzlib(stored) : stored;
    if (data.length !== length) throw new RangeError(`unpackWoff: a table wanted ${length} bytes, got ${data.length}`);
    return { tag: view.getUint32(at), checksum: view.getUint32(at + 16), data };
  });
  const padded = (length: number): number => (length + 3) & ~3;
  const directory = 12 + 16 * tables.length;
  const font = new Uint8Array(directory + tables.reduce((sum, t) => sum + padded(t.data.length), 0));
  const out = new DataView(font.buffer);
  const power = Math.floor(Math.log2(tables.length));
  out.setUint32(0, view.getUint32(4));
  out.setUint16(4, tables.length);
  out.setUint16(6, 16 * 2 ** power);
  out.setUint16(8, power);
  out.setUint16(10, 16 * (tables.length - 2 ** power));
  let at = directory;
  tables.forEach((table, i) => {
    const entry = 12 + 16 * i;
    out.setUint32(entry, table.tag);
    out.setUint32(entry + 4, table.checksum);
    out.setUint32(entry + 8, at);
    out.setUint32(entry + 12, table.data.length);
    font.set(table.data, at);
    at += padded(table.data.length);
  });
  return font;
}
