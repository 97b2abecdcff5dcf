import type { Nm } from '../../../ground/length/types.ts';
import type { CutTree } from './guillotine.ts';

interface Part {
  readonly widthNm: Nm;
  readonly heightNm: Nm;
}
/** The piece as drawn, and the clear strip after it. */
interface Pitch extends Part {
  readonly gutterNm: Nm;
}

/**
 * The distances a trimmer’s fence is set to while a layout is cut apart, each from the true left or top edge of
 * the part it cuts, without the two that make the first true edges.
 * @param part what is cut, from its first trims to its far edges
 */
export function fenceSettings(tree: CutTree, part: Part, pitch: Pitch): ReadonlySet<Nm> {
  const found = new Set<Nm>();
  const along = (size: Nm, pieces: number, room: Nm): void => {
    for (let i = 0; i < pieces; i += 1) {
      const start = i * (size + pitch.gutterNm);
      if (i > 0) found.add(start);
      // Where neighbours touch, or the last one meets the edge, one cut has freed both.
      if (i < pieces - 1 ? pitch.gutterNm > 0 : room > start + size) found.add(start + size);
    }
  };
  walk(tree, part, (node, { widthNm, heightNm }) => {
    if (node.kind === 'split') {
      // What falls off before the first trim is measured from the far edge, as every first true edge is.
      const whole = node.axis === 'across' ? widthNm : heightNm;
      found.add(node.first.kind === 'waste' ? whole - node.firstNm : node.firstNm);
    }
    if (node.kind !== 'grid') return;
    const [w, h] = sizeOf(node.turned, pitch);
    along(w, node.columns, widthNm);
    along(h, node.rows, heightNm);
  });
  return found;
}

/** Area in nm² of the largest rectangle that is left over beside the grids of a layout. */
export function largestRest(tree: CutTree, part: Part, pitch: Pitch): number {
  let largest = 0;
  walk(tree, part, (node, { widthNm, heightNm }) => {
    if (node.kind !== 'grid') return;
    const [w, h] = sizeOf(node.turned, pitch);
    const beside = widthNm - node.columns * (w + pitch.gutterNm);
    const below = heightNm - node.rows * (h + pitch.gutterNm);
    largest = Math.max(largest, beside * heightNm, below * widthNm);
  });
  return largest;
}

const sizeOf = (turned: boolean, { widthNm, heightNm }: Part): readonly [Nm, Nm] =>
  turned ? [heightNm, widthNm] : [widthNm, heightNm];

/** Every node with the part it is cut from. */
function walk(node: CutTree, part: Part, visit: (node: CutTree, part: Part) => void): void {
  visit(node, part);
  if (node.kind !== 'split') return;
  const side = node.axis === 'across' ? 'widthNm' : 'heightNm';
  walk(node.first, { ...part, [side]: node.firstNm }, visit);
  walk(node.second, { ...part, [side]: part[side] - node.firstNm }, visit);
}
