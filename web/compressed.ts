import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { Plugin } from 'vite';

/** What shrinks; typefaces and pictures are packed already. */
const SHRINKS = /\.(js|css|html|svg|json|wasm|map|txt)$/;
/** Under this a file fits into one packet anyhow. */
const LEAST_BYTES = 1024;
/** As tight as it goes, the largest would take twelve seconds, for a seventh of its size; nobody’s first page waits for it. */
const HUGE_BYTES = 1024 * 1024;
const [TIGHTEST, QUICKER] = [11, 9];
const br = promisify(brotliCompress);
const gz = promisify(gzip);

/** Writes every built file once more in each form that browsers take, so that serving costs nothing. */
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
          const params = {
            [constants.BROTLI_PARAM_QUALITY]: bytes.length > HUGE_BYTES ? QUICKER : TIGHTEST,
            [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
          };
          await writeFile(`${path}.br`, await br(bytes, { params }));
          await writeFile(`${path}.gz`, await gz(bytes, { level: 9 }));
        }),
    );
  },
});
