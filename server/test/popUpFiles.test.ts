import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readJobFile } from '@zippy/core/job-file';
import { exportFiles, loadFonts } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

/**
 * Pop-ups are put together from their files alone: other programs read the drawings, and what they found is cut out, folded
 * flat and glued by computation. Nothing here asks the plan where anything is.
 */
const JOBS = fileURLToPath(new URL('../../demo/jobs/', import.meta.url));
/** As near as a maker’s glue would have to be. */
const NEAR_MM = 0.1;

type P = readonly [number, number];
interface Figure {
  readonly layer: string;
  readonly points: readonly P[];
}
/** From a piece’s own drawing to the shut card: a turn or a mirror, and a shift. */
type Map = readonly [number, number, number, number, number, number];

const apply = ([a, b, c, d, e, f]: Map, [x, y]: P): P => [a * x + c * y + e, b * x + d * y + f];
const chained = (then: Map, first: Map): Map => {
  const [o, x, y] = [
    apply(then, apply(first, [0, 0])),
    apply(then, apply(first, [1, 0])),
    apply(then, apply(first, [0, 1])),
  ];
  return [x[0] - o[0], x[1] - o[1], y[0] - o[0], y[1] - o[1], o[0], o[1]];
};
const STAY: Map = [1, 0, 0, 1, 0, 0];
const far = (p: P, q: P): number => Math.hypot(p[0] - q[0], p[1] - q[1]);
const middle = (points: readonly P[]): P => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
];

/** Turns paper over about a crease. */
function over([p, q]: readonly P[]): Map {
  const [dx, dy] = [(q![0] - p![0]) / far(p!, q!), (q![1] - p![1]) / far(p!, q!)];
  const [a, b, d] = [dx * dx - dy * dy, 2 * dx * dy, dy * dy - dx * dx];
  return [a, b, b, d, p![0] - a * p![0] - b * p![1], p![1] - b * p![0] - d * p![1]];
}

/** The rigid map, either side up, that lays the first corners of one outline on those of another. */
function laid(own: readonly P[], mark: readonly P[], isOver: boolean): Map {
  const angle = ([p, q]: readonly P[]): number => Math.atan2(q![1] - p![1], q![0] - p![0]);
  const [from, to] = [angle(own), angle(mark)];
  const turn = isOver ? to + from : to - from;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [a, b, cc, d] = isOver ? [c, s, s, -c] : [c, s, -s, c];
  const at = apply([a, b, cc, d, 0, 0], own[0]!);
  return [a, b, cc, d, mark[0]![0] - at[0], mark[0]![1] - at[1]];
}
const off = (map: Map, own: readonly P[], mark: readonly P[]): number =>
  own.length === mark.length ? Math.max(...own.map((p, i) => far(apply(map, p), mark[i]!))) : Infinity;

/** A number written in strokes of seven, read back: which of its strokes are there. */
const SEVEN: Readonly<Record<string, string>> = {
  ...{
    abcdef: '0',
    bc: '1',
    abdeg: '2',
    abcdg: '3',
    bcfg: '4',
    acdfg: '5',
    acdefg: '6',
    abc: '7',
    abcdefg: '8',
    abcdfg: '9',
  },
};
function numberIn(area: readonly P[], strokes: readonly Figure[]): number {
  const [left, right] = [Math.min(...area.map(([x]) => x)), Math.max(...area.map(([x]) => x))];
  const [low, high] = [Math.min(...area.map(([, y]) => y)), Math.max(...area.map(([, y]) => y))];
  const centre: P = [(left + right) / 2, (low + high) / 2];
  const near = strokes.filter(({ points }) => points.every((p) => far(p, centre) < 4.2));
  // Figures are 1.5 mm wide, each 2.55 mm after the one before; y runs down.
  const top = centre[1] - 1.5;
  for (const digits of [1, 2]) {
    const read = Array.from({ length: digits }, (_, i) => {
      const start = centre[0] + (i - (digits - 1) / 2) * 2.55 - 0.75;
      const ends: Readonly<Record<string, readonly [number, number, number, number]>> = {
        ...{
          a: [0, 0, 1, 0],
          b: [1, 0, 1, 1],
          c: [1, 1, 1, 2],
          d: [0, 2, 1, 2],
          e: [0, 1, 0, 2],
          f: [0, 0, 0, 1],
          g: [0, 1, 1, 1],
        },
      };
      const seen = Object.entries(ends).filter(([, [x1, y1, x2, y2]]) => {
        const wanted: readonly P[] = [
          [start + x1 * 1.5, top + y1 * 1.5],
          [start + x2 * 1.5, top + y2 * 1.5],
        ];
        return near.some(({ points: [p, q] }) => far(p!, wanted[0]!) < 0.02 && far(q!, wanted[1]!) < 0.02);
      });
      return SEVEN[seen.map(([name]) => name).join('')];
    });
    if (read.every((digit) => digit !== undefined)) return Number(read.join(''));
  }
  throw new Error(`no number at ${centre.join()}`);
}

/** What a piece’s drawing says. */
interface Piece {
  readonly glue: ReadonlyMap<number, readonly P[]>;
  readonly creases: readonly (readonly P[])[];
}
function pieceOf(figures: readonly Figure[]): Piece {
  const strokes = figures.filter(({ layer }) => layer === 'mark');
  const areas = figures.filter(({ layer }) => layer === 'glue').map(({ points }) => points);
  return {
    glue: new Map(areas.map((area) => [numberIn(area, strokes), area])),
    creases: figures.filter(({ layer }) => layer.startsWith('crease')).map(({ points }) => points),
  };
}

const orders = <T>(all: readonly T[]): readonly (readonly T[])[] =>
  all.length < 2 ? [all] : all.flatMap((one, i) => orders(all.toSpliced(i, 1)).map((rest) => [one, ...rest]));

/**
 * How far the second of two glued places of a part is from its mark when the first lies on its own and the part is folded
 * flat: over any of its creases, in whatever order they come.
 */
function offWhenFolded(piece: Piece, at: Map, own: readonly P[], mark: readonly P[]): number {
  let best = Infinity;
  for (const order of orders(piece.creases))
    for (let folds = 0; folds < 2 ** order.length; folds += 1) {
      const folded = order.reduce<Map>((map, crease, i) => (folds & (1 << i) ? chained(map, over(crease)) : map), STAY);
      best = Math.min(best, off(chained(at, folded), own, mark));
    }
  return best;
}

/** Everything glued, one piece after the other; how far each second glue line is off, by its number. */
function putTogether([card, ...parts]: readonly Piece[], isBack: (p: P) => boolean): ReadonlyMap<number, number> {
  const fold = over(card!.creases[0]!);
  // Shut, the second page lies on the first.
  const marks = new Map(
    [...card!.glue].map(([number, area]) => [number, isBack(middle(area)) ? area.map((p) => apply(fold, p)) : area]),
  );
  const found = new Map<number, number>();
  const waiting = [...parts];
  for (let tries = 0; waiting.length > 0 && tries < parts.length ** 2; tries += 1) {
    const piece = waiting.shift()!;
    const own = [...piece.glue].filter(([number]) => marks.has(number));
    if (own.length === 0) {
      waiting.push(piece);
      continue;
    }
    const [[first, area], second] = [own[0]!, own[1]];
    let at: Map = STAY;
    let best = Infinity;
    for (const isOver of [false, true]) {
      const map = laid(area, marks.get(first)!, isOver);
      // One that is glued in one place only lies on its mark as it is.
      const away = Math.max(
        off(map, area, marks.get(first)!),
        second ? offWhenFolded(piece, map, second[1], marks.get(second[0])!) : 0,
      );
      if (away < best) [best, at] = [away, map];
    }
    found.set(second?.[0] ?? first, best);
    // What others are glued to on this part lies on the panel beside its first tab, folded over the crease between.
    for (const [number, spot] of piece.glue) {
      if (marks.has(number)) continue;
      const between = piece.creases.filter(([p, q]) => {
        const side = ([x, y]: P): number => (q![0] - p![0]) * (y - p![1]) - (q![1] - p![1]) * (x - p![0]);
        return side(middle(area)) * side(middle(spot)) < 0;
      });
      // A hidden tab lies on with the panel between shut pages; a showing one is turned over onto it.
      marks.set(
        number,
        spot.map((p) => apply(at, p)),
      );
      expect(between.length, `mark ${number} lies beside the first tab`).to.equal(1);
    }
  }
  expect(waiting, 'every part found its place').to.deep.equal([]);
  return found;
}

describe('pop-ups from their files alone', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-pop-ups-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  const written = async (job: string, format: 'dxf' | 'pdf'): Promise<readonly string[]> => {
    const raw = JSON.parse(readFileSync(join(JOBS, `${job}.json`), 'utf8')) as Record<string, unknown>;
    delete raw.art;
    raw.pictures = {};
    for (const layer of (raw.size as { layers: { picture?: unknown }[] }).layers) delete layer.picture;
    const read = readJobFile(raw, workshop);
    if (!read.ok) throw new Error(read.why);
    const plan = await planOf(read.value.job);
    expect(
      plan.size.snags.filter(({ level }) => level !== 'note').map(({ title }) => title),
      job,
    ).to.deep.equal([]);
    const input = { job: read.value.job, workshop, plan, fonts: await loadFonts(), pictures: new Map(), date: null };
    return (await exportFiles('template', format, input)).map(({ name, bytes }) => {
      const path = join(folder, name);
      writeFileSync(path, bytes);
      return path;
    });
  };

  const readDxf = (path: string): readonly Figure[] => {
    const script = `
import ezdxf, json, sys
document = ezdxf.readfile(sys.argv[1])
print(json.dumps([dict(layer=e.dxf.layer, points=[[p[0], -p[1]] for p in e.get_points()]) for e in document.modelspace().query('LWPOLYLINE')]))`;
    return JSON.parse(execFileSync('/usr/bin/python3', ['-c', script, path], { encoding: 'utf8' })) as Figure[];
  };

  /**
   * The strokes of a page as qpdf unpacks them, in the millimetres that its one scale turns into points; what a line is for
   * is told by its colour and its width. (A program that draws moves thin lines to its own dots.)
   */
  const readPdf = (path: string, page: number): readonly Figure[] => {
    const unpacked = execFileSync('qpdf', ['--qdf', '--object-streams=disable', path, '-'], { maxBuffer: 1e8 });
    const contents = unpacked.toString('latin1').split(/%% Contents for page \d+\n/)[page]!;
    const [, scale] = /\nq ([\d.]+) 0 0 [\d.]+ [\d.]+ [\d.]+ cm/.exec(contents) ?? [];
    expect(Number(scale), 'points to the millimetre').to.be.closeTo(72 / 25.4, 1e-6);
    const layerOf = (rgb: string, width: number): string => {
      const colour = rgb
        .trim()
        .split(' ')
        .map((v) => Math.round(Number(v) * 255));
      const is = (...wanted: readonly number[]): boolean => wanted.every((v, i) => Math.abs(v - colour[i]!) < 3);
      if (is(0x0b, 0x7f, 0x86)) return 'crease-away';
      if (is(0xa8, 0x64, 0x00)) return width > 0.2 ? 'crease-toward' : 'glue';
      return is(0x1d, 0x29, 0x30) ? 'mark' : 'other';
    };
    return [
      ...contents.matchAll(/((?:[\d.]+ ){3})RG ([\d.]+) w 0 J \[[\d. ]*\] 0 d ((?:-?[\d.]+ -?[\d.]+ [ml] )+)(?:h )?S/g),
    ].map(([, rgb, width, path]) => ({
      layer: layerOf(rgb!, Number(width)),
      points: [...path!.matchAll(/(-?[\d.]+) (-?[\d.]+) [ml]/g)].map(([, x, y]): P => [Number(x), Number(y)]),
    }));
  };

  const checked = (pieces: readonly Piece[], wanted: number): void => {
    // A level fold: the upper page, which stands, is brought down on the lower.
    const [[, foldY]] = pieces[0]!.creases[0]! as readonly [P, P];
    const found = putTogether(pieces, ([, y]) => y < foldY);
    expect(found.size).to.equal(wanted);
    for (const [number, mm] of found) expect(mm, `mark ${number}`).to.be.below(NEAR_MM);
  };

  it('the lighthouse’s steps, tower and waves meet their marks: DXF through ezdxf', async () => {
    checked(
      (await written('lighthouse-pop-up', 'dxf')).map((path) => pieceOf(readDxf(path))),
      5,
    );
  });

  it('and so do they from the PDF through qpdf', async () => {
    const [pdf] = await written('lighthouse-pop-up', 'pdf');
    checked(
      [1, 2, 3, 4, 5, 6].map((page) => pieceOf(readPdf(pdf!, page))),
      5,
    );
  });

  it('the bag’s V of figures meets its marks, and every glued place of fans, lid and strap is as large as its mark', async () => {
    const [card, ...parts] = (await written('beach-bag', 'dxf')).map((path) => pieceOf(readDxf(path)));
    const figures = parts.find(({ creases }) => creases.length === 3)!;
    checked([card!, figures], 1);
    let met = 0;
    for (const { glue } of parts)
      for (const [number, own] of glue) {
        const mark =
          card!.glue.get(number) ?? parts.find((one) => one.glue !== glue && one.glue.has(number))!.glue.get(number)!;
        expect(
          Math.min(...[false, true].map((isOver) => off(laid(own, mark, isOver), own, mark))),
          `${number}`,
        ).to.be.below(NEAR_MM);
        met += 1;
      }
    // Two of each fan, two of the V, one of the lid, two of the strap, and the lid’s own mark for it.
    expect(met).to.equal(10);
  });

  it('is a check that can fail: a tab drawn half a millimetre off is seen', async () => {
    const pieces = (await written('lighthouse-pop-up', 'dxf')).map((path) => pieceOf(readDxf(path)));
    const [card, step, ...others] = pieces;
    const glue = new Map(step!.glue);
    glue.set(
      2,
      glue.get(2)!.map(([x, y]): P => [x + 0.5, y]),
    );
    expect(() => checked([card!, { ...step!, glue }, ...others], 5)).to.throw(/mark 2/);
  });
});
