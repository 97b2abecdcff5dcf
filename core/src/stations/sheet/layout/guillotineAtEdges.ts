import type { Nm } from '../../../ground/length/types.ts';
import { EDGES, type Lie, type SidesNm } from './edges.ts';
import { remainders, sums, type CutTree, type GuillotineQuestion } from './guillotine.ts';

/** A rectangle, and what a piece that lies one way must keep from its edges beyond what the other must. */
export interface QuestionAtEdges extends GuillotineQuestion {
  readonly extraNm: Readonly<Record<Lie, SidesNm>>;
}

/** Which edges of the whole rectangle a part still has: two bits along either axis. */
const [NEAR, FAR] = [1, 2] as const;
const ENDS = [0, NEAR, FAR, NEAR | FAR] as const;

interface Way {
  readonly turned: boolean;
  readonly w: Nm;
  readonly h: Nm;
  readonly extra: SidesNm;
}

/**
 * The most pieces that edge-to-edge cuts free where a piece that lies one way must keep farther from some of the
 * rectangle’s edges than one that lies the other way.
 *
 * As without edges, pushing every piece left and up until it touches, and each cut with it, changes no count: cuts then
 * stand at sums of piece sides, or at such a sum beyond the extra of the left edge; and what is left beyond them counts
 * for as much as the largest such sum within it, with the extra of the right edge where it has that. So the table of all
 * parts by their two sides and by which of the four edges they have is exact. No cut leaves less than the side of a piece
 * on either side of it, and pieces are wider than any extra: a part that lacks an edge is out of its reach.
 * Source: Gilmore and Gomory, 1966, with four bits to a part
 * @param mostSteps pairs of parts that are looked at, at the most
 * @returns null where that is not enough, or an extra is wider than a piece
 */
export function mostPiecesAtEdges(
  question: QuestionAtEdges,
  mostSteps: number,
): { readonly count: number; readonly tree: CutTree } | null {
  const { widthNm, heightNm, pieceWidthNm: w, pieceHeightNm: h, extraNm } = question;
  const ways: readonly Way[] = [
    ...(question.asDrawn ? [{ turned: false, w, h, extra: extraNm.asDrawn }] : []),
    ...(question.turned ? [{ turned: true, w: h, h: w, extra: extraNm.turned }] : []),
  ];
  const most = (edge: keyof SidesNm): Nm => Math.max(0, ...ways.map(({ extra }) => extra[edge]));
  const leastNm = Math.min(w, h);
  if (EDGES.some((edge) => most(edge) > leastNm)) return null;
  const x = new Axis(sums(w, h, widthNm), { near: most('left'), far: most('right'), whole: widthNm, leastNm });
  const y = new Axis(sums(w, h, heightNm), { near: most('top'), far: most('bottom'), whole: heightNm, leastNm });
  if (x.sizes * y.sizes * (x.plain.length + y.plain.length) * 2 > mostSteps) return null;
  const table = new Table(x, y, ways);
  table.fill();
  const last = { i: x.last, j: y.last, ends: { x: x.ends, y: y.ends } };
  return { count: table.countAt(last), tree: table.treeAt(last) };
}

/** Places along one side of the rectangle, and which of them matter to a part by the ends that it has. */
class Axis {
  readonly points: readonly Nm[];
  /** Ends at which some way must keep farther off than another: all that a part need be known by. */
  readonly ends: number;
  /** Sizes of parts that are told apart, over all ends. */
  readonly sizes: number;
  readonly last: number;
  /** By ends: the largest size, as a place, that counts within each. */
  private readonly down: readonly Int32Array[];
  /** By whether a part has its near end: where it may be cut. */
  private readonly cuts: readonly (readonly number[])[];
  private readonly beyond: readonly Int32Array[];

  constructor(
    readonly plain: readonly Nm[],
    asked: { readonly near: Nm; readonly far: Nm; readonly whole: Nm; readonly leastNm: Nm },
  ) {
    const { near, far, whole, leastNm } = asked;
    const sizesWith = (ends: number): ReadonlySet<Nm> =>
      new Set(
        plain.flatMap((sum) => [
          sum,
          ...(ends & NEAR ? [sum + near] : []),
          ...(ends & FAR ? [sum + far] : []),
          ...(ends === (NEAR | FAR) ? [sum + near + far] : []),
        ]),
      );
    this.points = [...sizesWith(NEAR | FAR)].filter((at) => at <= whole).sort((a, b) => a - b);
    this.last = this.points.length - 1;
    this.ends = (near > 0 ? NEAR : 0) | (far > 0 ? FAR : 0);
    this.down = ENDS.map((ends) => {
      const counts = sizesWith(ends);
      let at = 0;
      return Int32Array.from(this.points, (point, i) => (at = counts.has(point) ? i : at));
    });
    this.sizes = ENDS.filter((ends) => (ends & ~this.ends) === 0)
      .map((ends) => this.points.filter((_, i) => this.counts(i, ends)).length)
      .reduce((sum, n) => sum + n, 0);
    this.cuts = [0, NEAR].map((ends) =>
      this.points.flatMap((point, i) => (point >= leastNm && this.counts(i, ends) ? [i] : [])),
    );
    this.beyond = remainders(this.points).map((row) => row.map((at) => (this.points[at]! < leastNm ? -1 : at)));
  }

  /** Whether parts of that size, with those ends, are told from the next smaller. */
  counts = (i: number, ends: number): boolean => this.down[ends]![i] === i;

  /** Where a part may be cut, with what is left beyond each, as places; beyond is −1 where that holds no piece. */
  cutsOf(
    i: number,
    ends: number,
  ): { readonly at: readonly number[]; readonly beyond: Int32Array; readonly down: Int32Array } {
    return { at: this.cuts[ends & NEAR]!, beyond: this.beyond[i]!, down: this.down[ends & ~NEAR]! };
  }
}

interface Part {
  readonly i: number;
  readonly j: number;
  readonly ends: { readonly x: number; readonly y: number };
}

class Table {
  private readonly count: Int32Array;
  /** The fewest uniform grids that hold so many. */
  private readonly blocks: Int32Array;
  /** From a place across, and from a set of ends across, to the next in the table. */
  private readonly stride: { readonly i: number; readonly x: number };

  constructor(
    private readonly x: Axis,
    private readonly y: Axis,
    private readonly ways: readonly Way[],
  ) {
    const column = y.points.length * ENDS.length;
    this.stride = { i: column * ENDS.length, x: column };
    this.count = new Int32Array(x.points.length * this.stride.i);
    this.blocks = new Int32Array(this.count.length);
  }

  countAt = (part: Part): number => this.count[this.at(part)]!;

  /** Plain loops over whole numbers: this is where the time goes. */
  fill(): void {
    const { x, y, count, blocks } = this;
    for (let i = 1; i <= x.last; i += 1)
      for (const endsX of ENDS) {
        if ((endsX & ~x.ends) !== 0 || !x.counts(i, endsX)) continue;
        const across = x.cutsOf(i, endsX);
        for (let j = 1; j <= y.last; j += 1)
          for (const endsY of ENDS) {
            if ((endsY & ~y.ends) !== 0 || !y.counts(j, endsY)) continue;
            const part = { i, j, ends: { x: endsX, y: endsY } };
            let [most, fewest] = [0, 0];
            for (const way of this.ways) {
              const n = this.gridCount(way, part);
              if (n > most) [most, fewest] = [n, 1];
            }
            const better = (first: number, second: number): void => {
              const n = count[first]! + count[second]!;
              const m = blocks[first]! + blocks[second]!;
              if (n > most || (n === most && n > 0 && m < fewest)) [most, fewest] = [n, m];
            };
            this.eachSplit(part, across, y.cutsOf(j, endsY), better);
            const here = this.at(part);
            count[here] = most;
            blocks[here] = fewest;
          }
      }
  }

  private eachSplit(
    { i, j, ends }: Part,
    across: ReturnType<Axis['cutsOf']>,
    down: ReturnType<Axis['cutsOf']>,
    look: (first: number, second: number, axis: 'across' | 'down', k: number) => void,
  ): void {
    const row = this.at({ i: 0, j, ends: { x: 0, y: ends.y } });
    for (const k of across.at) {
      if (k >= i) break;
      const far = across.beyond[k]!;
      if (far < 0) continue;
      const first = row + k * this.stride.i + (ends.x & ~FAR) * this.stride.x;
      const second = row + across.down[far]! * this.stride.i + (ends.x & ~NEAR) * this.stride.x;
      look(first, second, 'across', k);
    }
    const column = this.at({ i, j: 0, ends: { x: ends.x, y: 0 } });
    for (const k of down.at) {
      if (k >= j) break;
      const far = down.beyond[k]!;
      if (far < 0) continue;
      const first = column + k * ENDS.length + (ends.y & ~FAR);
      const second = column + down.down[far]! * ENDS.length + (ends.y & ~NEAR);
      look(first, second, 'down', k);
    }
  }

  treeAt(part: Part): CutTree {
    const most = this.countAt(part);
    if (most === 0) return { kind: 'waste' };
    const way = this.ways.find((one) => this.gridCount(one, part) === most);
    if (way) return this.gridTree(way, part);
    const blocks = this.blocks[this.at(part)]!;
    const found: { readonly axis: 'across' | 'down'; readonly k: number }[] = [];
    const { i, j, ends } = part;
    this.eachSplit(part, this.x.cutsOf(i, ends.x), this.y.cutsOf(j, ends.y), (first, second, axis, k) => {
      const holds = this.count[first]! + this.count[second]! === most;
      if (holds && this.blocks[first]! + this.blocks[second]! === blocks) found.push({ axis, k });
    });
    const [split] = found;
    if (!split) throw new Error('treeAt: a part holds what none of its splits does');
    const { axis, k } = split;
    const [one, other] = this.parted(part, axis, k);
    const firstNm = (axis === 'across' ? this.x : this.y).points[k]!;
    return { kind: 'split', axis, firstNm, first: this.treeAt(one), second: this.treeAt(other) };
  }

  private parted({ i, j, ends }: Part, axis: 'across' | 'down', k: number): readonly [Part, Part] {
    const { beyond, down } = axis === 'across' ? this.x.cutsOf(i, ends.x) : this.y.cutsOf(j, ends.y);
    const left = down[beyond[k]!]!;
    return axis === 'across'
      ? [
          { i: k, j, ends: { ...ends, x: ends.x & ~FAR } },
          { i: left, j, ends: { ...ends, x: ends.x & ~NEAR } },
        ]
      : [
          { i, j: k, ends: { ...ends, y: ends.y & ~FAR } },
          { i, j: left, ends: { ...ends, y: ends.y & ~NEAR } },
        ];
  }

  private at = ({ i, j, ends }: Part): number => i * this.stride.i + ends.x * this.stride.x + j * ENDS.length + ends.y;

  private gridOf({ w, h, extra }: Way, { i, j, ends }: Part): { columns: number; rows: number; x: Nm; y: Nm } {
    const x = ends.x & NEAR ? extra.left : 0;
    const y = ends.y & NEAR ? extra.top : 0;
    const n = (room: Nm, size: Nm): number => Math.max(0, Math.floor(room / size));
    return {
      columns: n(this.x.points[i]! - x - (ends.x & FAR ? extra.right : 0), w),
      rows: n(this.y.points[j]! - y - (ends.y & FAR ? extra.bottom : 0), h),
      x,
      y,
    };
  }

  private gridCount(way: Way, part: Part): number {
    const { columns, rows } = this.gridOf(way, part);
    return columns * rows;
  }

  /** What a grid keeps from an edge is cut off first. */
  private gridTree(way: Way, part: Part): CutTree {
    const { columns, rows, x, y } = this.gridOf(way, part);
    const beyond = (axis: 'across' | 'down', firstNm: Nm, second: CutTree): CutTree =>
      firstNm > 0 ? { kind: 'split', axis, firstNm, first: { kind: 'waste' }, second } : second;
    return beyond('across', x, beyond('down', y, { kind: 'grid', turned: way.turned, columns, rows }));
  }
}
