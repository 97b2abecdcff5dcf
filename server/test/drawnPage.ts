import { execFileSync } from 'node:child_process';

/**
 * A page as poppler draws it, in a file that any reader of pictures takes and nothing is packed in: packing takes longer
 * than drawing, and is undone at once.
 * @param ppi dots to the inch
 * @returns an uncompressed TIFF. Source: Netpbm, P6 and P5; TIFF 6.0, baseline RGB and greyscale
 */
export function drawnPage(
  pdf: string,
  { ppi, page = 1, grey = false }: { readonly ppi: number; readonly page?: number; readonly grey?: boolean },
): Buffer {
  const drawn = execFileSync(
    'pdftoppm',
    ['-r', String(ppi), '-f', String(page), '-l', String(page), ...(grey ? ['-gray'] : []), pdf],
    { maxBuffer: 1e9 },
  );
  const head = /^P([56])\s+(\d+)\s+(\d+)\s+255\s/.exec(drawn.subarray(0, 40).toString('latin1'));
  if (!head) throw new Error(`drawnPage: no page ${page} in ${pdf}`);
  const [kind, width, height] = head.slice(1).map(Number) as [5 | 6, number, number];
  const pixels = drawn.subarray(head[0].length);
  const samples = kind === 6 ? 3 : 1;
  if (pixels.length !== samples * width * height)
    throw new Error(`drawnPage: ${pixels.length} bytes of ${width} × ${height}`);
  return Buffer.concat([tiffHead(width, height, samples), pixels]);
}

const [SHORT, LONG] = [3, 4] as const;

/** All in front of one strip of pixels: the file’s head, its one directory, and three numbers that are too long for it. */
function tiffHead(width: number, height: number, samples: 1 | 3): Buffer {
  const entries = 10;
  const bitsAt = 8 + 2 + 12 * entries + 4;
  const pixelsAt = bitsAt + 6;
  const head = Buffer.alloc(pixelsAt);
  head.write('II', 0, 'latin1');
  head.writeUInt16LE(42, 2);
  head.writeUInt32LE(8, 4);
  head.writeUInt16LE(entries, 8);
  let at = 10;
  const entry = (tag: number, type: 3 | 4, count: number, value: number): void => {
    head.writeUInt16LE(tag, at);
    head.writeUInt16LE(type, at + 2);
    head.writeUInt32LE(count, at + 4);
    head.writeUInt32LE(value, at + 8);
    at += 12;
  };
  entry(256, LONG, 1, width);
  entry(257, LONG, 1, height);
  // Eight bits a sample; of three samples, said three times further on.
  entry(258, SHORT, samples, samples === 3 ? bitsAt : 8);
  entry(259, SHORT, 1, 1);
  entry(262, SHORT, 1, samples === 3 ? 2 : 1);
  entry(273, LONG, 1, pixelsAt);
  entry(277, SHORT, 1, samples);
  entry(278, LONG, 1, height);
  entry(279, LONG, 1, samples * width * height);
  entry(284, SHORT, 1, 1);
  for (const i of [0, 2, 4]) head.writeUInt16LE(8, bitsAt + i);
  return head;
}
