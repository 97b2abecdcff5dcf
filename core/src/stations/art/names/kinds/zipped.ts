import { unzipSync, type UnzipFileInfo } from 'fflate';
import { LIMITS } from '../../../../job/limits.ts';
import type { Refused } from '../types.ts';

export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/** A part of a zip, by its name, is in it. Names stand uncompressed, so they can be looked for without unpacking. */
export function zipHolds(bytes: Uint8Array, name: string): boolean {
  try {
    let found = false;
    unzipSync(bytes, {
      filter: (part) => {
        found ||= part.name === name;
        return false;
      },
    });
    return found;
  } catch {
    return false;
  }
}

const TOO_LARGE = new RangeError('unpacks to more than is taken');

/**
 * The wanted parts of a zip, none of which may be more than a list can be: a small file can say that it unpacks to
 * gigabytes, and one that says less than it holds ends where it said.
 */
export function unpacked(
  bytes: Uint8Array,
  wanted: (part: UnzipFileInfo) => boolean,
): { readonly ok: true; readonly parts: Readonly<Record<string, Uint8Array>> } | Refused {
  let total = 0;
  try {
    const parts = unzipSync(bytes, {
      filter: (part) => {
        if (!wanted(part)) return false;
        total += part.originalSize;
        if (total > LIMITS.names.unpackedBytes) throw TOO_LARGE;
        return true;
      },
    });
    return { ok: true, parts };
  } catch (problem) {
    return {
      ok: false,
      why:
        problem === TOO_LARGE
          ? `The spreadsheet unpacks to more than ${LIMITS.names.unpackedBytes / 1048576} MB; copy the list into a new one and save that.`
          : 'The spreadsheet is damaged or has a password; open it in its program and save it again without one.',
    };
  }
}
