import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { Plugin } from 'vite';

/** What shrinks; typefaces and pictures are packed already. */
const SHRINKS = /\.(js|css|html|svg|json|wasm|map|txt)$/;
/** Under this a file fits into one packet anyhow. */
const LEAST_BYTES = 1024;
const br = promisify(brotliCompress);
const gz = promisify(gzip);

/** Writes every built file once more in each form that browsers take, as small as it goes, so that serving costs nothing. */
export const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  async writeBundle({ dir }) {
    const entries = await readdir(dir!, { withFileTypes: true, recursive: true });
    // All at once: Node packs as many side by side as the machine has threads for it.
    await Promise.all(
      entries
        .filter((entry) => entry.isFile() && SHRINKS.test(entry.name))
        .map(async (entry) => {
          const path = join(entry.parentPath, entry.name);
          const bytes = await readFile(path);
          if (bytes.length < LEAST_BYTES) return;
          const quality = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
          await writeFile(`${path}.br`, await br(bytes, { params: quality }));
          await writeFile(`${path}.gz`, await gz(bytes, { level: 9 }));
        }),
    );
  },
});
