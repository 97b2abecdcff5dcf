import type { Nm } from '../ground/length/types.ts';
import { countOf } from './bestLayout.ts';
import type { Layout, Lying } from './types.ts';

interface Free {
  readonly xNm: Nm;
  readonly yNm: Nm;
  readonly widthNm: Nm;
  readonly heightNm: Nm;
}

/**
 * One sheet filled piece by piece, never more of a kind than is still wanted. Each piece takes a corner of
 * the free rectangle that it leaves least of, and one edge-to-edge cut parts what remains of it in two, so
 * whatever is laid can be cut apart.
 * @param order pieces, the first to be tried first
 * @param alongShorter which leftover stays whole, decided for each cut
 */
export function greedyLayout(
  widthNm: Nm,
  heightNm: Nm,
  ways: readonly Lying[],
  wanted: readonly number[],
  order: readonly number[],
  alongShorter: () => boolean,
): Layout {
  const left = [...wanted];
  const free: Free[] = [{ xNm: 0, yNm: 0, widthNm, heightNm }];
  const laid: { lying: Lying; xNm: Nm; yNm: Nm }[] = [];
  for (const piece of order) {
    const own = ways.filter((way) => way.piece === piece);
    while (left[piece]! > 0) {
      let best: { readonly at: number; readonly way: Lying; readonly loss: Nm } | null = null;
      for (const [at, f] of free.entries())
        for (const way of own) {
          if (way.widthNm > f.widthNm || way.heightNm > f.heightNm) continue;
          const loss = Math.min(f.widthNm - way.widthNm, f.heightNm - way.heightNm);
          if (!best || loss < best.loss) best = { at, way, loss };
        }
      if (!best) break;
      const [f] = free.splice(best.at, 1) as [Free];
      const { way } = best;
      laid.push({ lying: way, xNm: f.xNm, yNm: f.yNm });
      left[piece]! -= 1;
      const [right, below] = [f.widthNm - way.widthNm, f.heightNm - way.heightNm];
      const across = alongShorter() === right < below;
      // Cut beside the piece along the whole rectangle, or under it.
      free.push(
        across
          ? { xNm: f.xNm + way.widthNm, yNm: f.yNm, widthNm: right, heightNm: way.heightNm }
          : { xNm: f.xNm + way.widthNm, yNm: f.yNm, widthNm: right, heightNm: f.heightNm },
        across
          ? { xNm: f.xNm, yNm: f.yNm + way.heightNm, widthNm: f.widthNm, heightNm: below }
          : { xNm: f.xNm, yNm: f.yNm + way.heightNm, widthNm: way.widthNm, heightNm: below },
      );
    }
  }
  return { laid, counts: countOf(laid, wanted.length) };
}
