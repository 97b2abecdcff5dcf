import guillotine from 'guillotine-packer';
import { createRequire } from 'node:module';
import type * as MaxRects from 'maxrects-packer';
import { planShared, type SharedOrder, type SolveProgramme } from '@zippy/core';
import { separable } from '../core/test/separable.ts';

// Its package offers a module that Node takes for another kind; required, it is what its types say.
const { MaxRectsPacker } = createRequire(import.meta.url)('maxrects-packer') as typeof MaxRects;

/**
 * Sheets that well-known rectangle packers need for the same orders as ours, and how many of those sheets could be
 * cut on a trimmer at all. Every packer has the same room: the sheet inside its margins, a gutter round each piece.
 */
const MARGIN_MM = 5;
const BLEED_MM = 3;
const GUTTER_MM = 6;
/** Pieces that a studio’s trimmer sees: cards, tags, mats and envelopes, on A3 and 13 × 19 in. */
const SIDES_MM: readonly (readonly [number, number])[] = [
  [192, 136],
  [148, 105],
  [105, 105],
  [90, 55],
  [139, 95],
  [63.5, 88.9],
  [120, 120],
  [85, 170],
  [60, 60],
  [45, 150],
  [174, 121],
  [254, 96],
];
const SHEETS: readonly (readonly [number, number])[] = [
  [297, 420],
  [330.2, 482.6],
];

interface Box {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}
type Packer = (order: SharedOrder) => readonly (readonly Box[])[];

/** The same numbers every time. Source: the linear congruence of ANSI C’s example of rand */
function dice(start: number): (below: number) => number {
  let state = start;
  return (below) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
    return Math.floor((state / 4_294_967_296) * below);
  };
}

function ordersOf(count: number): readonly SharedOrder[] {
  const next = dice(20_261_125);
  return Array.from({ length: count }, (_, k) => {
    const kinds = 3 + next(5);
    const first = next(SIDES_MM.length);
    const [sheetWidthMm, sheetHeightMm] = SHEETS[k % SHEETS.length]!;
    return {
      sheetWidthMm,
      sheetHeightMm,
      marginsMm: { top: MARGIN_MM, right: MARGIN_MM, bottom: MARGIN_MM, left: MARGIN_MM },
      bleedMm: BLEED_MM,
      gutterMm: GUTTER_MM,
      pieces: Array.from({ length: kinds }, (_unused, i) => {
        const [widthMm, heightMm] = SIDES_MM[(first + i) % SIDES_MM.length]!;
        return { id: `p${i}`, widthMm, heightMm, wanted: 10 + next(60), mayTurn: true };
      }),
    };
  });
}

/** Pieces grown by a gutter in the usable area grown by one, as everywhere here. */
const roomOf = ({ sheetWidthMm, sheetHeightMm }: SharedOrder): readonly [number, number] => [
  sheetWidthMm - 2 * (MARGIN_MM + BLEED_MM) + GUTTER_MM,
  sheetHeightMm - 2 * (MARGIN_MM + BLEED_MM) + GUTTER_MM,
];
const grownOf = ({ pieces }: SharedOrder): readonly { readonly width: number; readonly height: number }[] =>
  pieces.flatMap(({ widthMm, heightMm, wanted }) =>
    Array.from({ length: wanted }, () => ({ width: widthMm + GUTTER_MM, height: heightMm + GUTTER_MM })),
  );
const box = (x: number, y: number, width: number, height: number): Box => ({
  xMm: x,
  yMm: y,
  widthMm: width - GUTTER_MM,
  heightMm: height - GUTTER_MM,
});

const PACKERS: Readonly<Record<string, Packer>> = {
  'maxrects-packer': (order) => {
    const [width, height] = roomOf(order);
    const packer = new MaxRectsPacker(width, height, 0, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: true,
    });
    packer.addArray(grownOf(order).map((r) => ({ ...r, x: 0, y: 0 })) as never);
    return packer.bins.map((bin) => bin.rects.map((r) => box(r.x, r.y, r.width, r.height)));
  },
  'guillotine-packer': (order) => {
    const [binWidth, binHeight] = roomOf(order);
    const bins = guillotine.packer(
      { binWidth, binHeight, items: grownOf(order).map((r, i) => ({ ...r, name: String(i) })) },
      { allowRotation: true, kerfSize: 0 },
    );
    return (bins ?? []).map((bin) => bin.map((r) => box(r.x, r.y, r.width, r.height)));
  },
};

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

/** Prints what each packer needs, as a ratio to ours, and what of it could be cut. */
export function comparePackers(solve: SolveProgramme, count = 12): void {
  const orders = ordersOf(count);
  let [ours, bound, ms] = [0, 0, 0];
  for (const order of orders) {
    const began = performance.now();
    const answer = planShared(order, solve);
    ms += performance.now() - began;
    if (!answer.ok) throw new Error(answer.why);
    ours += answer.sheets;
    bound += answer.bound;
  }
  console.log(
    `\n${count} mixed orders, ${ours} sheets of ours, ${bound} at least, ${(ms / count / 1000).toFixed(2)} s each`,
  );
  console.log(`${'ours, in the bound'.padEnd(42)} ${(ours / bound).toFixed(3).padStart(10)} ×`);
  for (const [name, pack] of Object.entries(PACKERS)) {
    let [sheets, cuttable] = [0, 0];
    const began = performance.now();
    for (const order of orders)
      for (const sheet of pack(order)) {
        sheets += 1;
        if (separable(sheet, GUTTER_MM - 1e-3)) cuttable += 1;
      }
    const took = performance.now() - began;
    console.log(`${`${name}: sheets, in ours`.padEnd(42)} ${(sheets / ours).toFixed(3).padStart(10)} ×`);
    console.log(`${`${name}: sheets no trimmer can cut`.padEnd(42)} ${percent(1 - cuttable / sheets).padStart(12)}`);
    console.log(`${`${name}: time, in ours`.padEnd(42)} ${(took / ms).toFixed(4).padStart(10)} ×`);
  }
}

/** A dozen kinds and some hundreds of pieces of any size: how often the bound is reached, and how long it takes. */
export function measureDozens(solve: SolveProgramme, count = 24): void {
  const next = dice(991);
  const over = new Map<number, number>();
  const seconds: number[] = [];
  for (let k = 0; k < count; k += 1) {
    const [sheetWidthMm, sheetHeightMm] = ([[210, 297], ...SHEETS] as const)[k % (SHEETS.length + 1)]!;
    const order: SharedOrder = {
      sheetWidthMm,
      sheetHeightMm,
      marginsMm: { top: MARGIN_MM, right: MARGIN_MM, bottom: MARGIN_MM, left: MARGIN_MM },
      bleedMm: BLEED_MM,
      gutterMm: GUTTER_MM,
      pieces: Array.from({ length: 12 }, (_, i) => ({
        id: `p${i}`,
        widthMm: 35 + next(150),
        heightMm: 50 + next(140),
        wanted: 5 + next(61),
        mayTurn: next(3) > 0,
      })),
    };
    const began = performance.now();
    const answer = planShared(order, solve);
    seconds.push((performance.now() - began) / 1000);
    if (!answer.ok) throw new Error(answer.why);
    over.set(answer.sheets - answer.bound, (over.get(answer.sheets - answer.bound) ?? 0) + 1);
  }
  seconds.sort((a, b) => a - b);
  const said = [...over].sort((a, b) => a[0] - b[0]).map(([n, times]) => `${times} at ${n} over the bound`);
  console.log(
    `\n${count} orders of a dozen kinds: ${said.join(', ')}; ${seconds[Math.floor(count / 2)]!.toFixed(2)} s at the median, ${seconds.at(-1)!.toFixed(2)} s at the most`,
  );
}
