import { seenSide } from '../stations/art/faces/seenArt.ts';
import { apply, type Affine } from '../ground/geometry/affine.ts';
import { polygon, polyline, segment } from '../ground/geometry/path.ts';
import { boxOf, type FacePlan } from '../stations/art/faces/items.ts';
import type { Box, Point } from '../ground/geometry/types.ts';
import { overlaps } from '../ground/geometry/box.ts';
import type { Page, Shape } from '../ground/scene/types.ts';
import { MM_PER_INCH, type LengthUnit, type Mm } from '../ground/length/types.ts';
import { faceName } from '../stations/size/drawBlank.ts';
import { pageLabel } from './pageLabel.ts';
import type { Plan } from './planJob.ts';

const MARGIN_MM = 12;
const TEXT_MM = 3.4;
const STEP_MM = 2.9;
const LINE_MM = 4.2;
/** As many letters of that size as surely fit the narrowest page. */
const LETTERS = 112;
/** A proof is a thumbnail: larger than this it is no quicker than a card. */
const LARGEST_SCALE = 0.6;

/**
 * One small page to fold by hand. Outside above, inside below; folded on the line between them and glued,
 * the two lie back to back in register, whatever the printer does with a second side. Cut out and folded,
 * every face must read upright.
 * Derivation: folding the lower half behind the upper one carries (x, 2a − y) to (x, y), so the inside is
 * drawn mirrored about the line; it is kept mirrored on the blank, seen through the paper, so it comes out true.
 */
export function drawProof({ size, art, stock }: Plan, title: string, unit: LengthUnit): Page {
  const { blank } = size.form;
  const { colour } = stock.stock;
  const steps = inLines(size.form.steps.map(({ says }, i) => `${i + 1}  ${says}`));
  const headMm = 18 + steps.length * LINE_MM;
  const twoSided = size.faces.some((face) => face.side === 'inside');
  const [short, long] = unit === 'in' ? [8.5 * MM_PER_INCH, 11 * MM_PER_INCH] : [210, 297];
  const [need, tall] = [blank.widthMm, blank.heightMm * (twoSided ? 2 : 1)];
  const scaleOn = (w: Mm, h: Mm): number =>
    Math.min(LARGEST_SCALE, (w - 2 * MARGIN_MM) / need, (h - 2 * MARGIN_MM - headMm) / tall);
  const upright = scaleOn(short, long) >= scaleOn(long, short);
  const [widthMm, heightMm] = upright ? [short, long] : [long, short];
  const scale = scaleOn(widthMm, heightMm);
  const left = (widthMm - need * scale) / 2;
  const top = MARGIN_MM + headMm;
  const seam = top + blank.heightMm * scale;
  const outside: Affine = [scale, 0, 0, scale, left, top];
  const inside: Affine = [scale, 0, 0, -scale, left, 2 * seam - top];
  const shapes: Shape[] = [
    pageLabel(`${title}: fold this first`, MARGIN_MM, MARGIN_MM + 5, 5),
    pageLabel(
      twoSided
        ? 'Fold back on the line between the two, print outside, and glue. Cut out, fold as below: every arrow must point up as you read.'
        : 'Cut out and fold as below: every arrow must point up as you read.',
      MARGIN_MM,
      MARGIN_MM + 11,
      TEXT_MM,
    ),
    ...steps.map((line, i) => pageLabel(line, MARGIN_MM, MARGIN_MM + 17 + i * LINE_MM, STEP_MM)),
  ];
  for (const [side, map] of [['outside', outside], ...(twoSided ? [['inside', inside] as const] : [])] as const) {
    const at = (points: readonly { xMm: Mm; yMm: Mm }[]) => points.map((p) => apply(map, p));
    // White art on dark card cannot be read on white paper: the card's colour lies under it, as on the screen.
    if (art.onStock.coloured)
      shapes.push({ kind: 'path', role: 'stock', path: polygon(at(blank.outline)), fill: colour });
    shapes.push({ kind: 'group', transform: map, clip: polygon(blank.outline), children: seenSide(art, side, colour) });
    // Paled, so that the names and arrows can be read over any art.
    shapes.push({ kind: 'path', role: 'stock', path: polygon(at(blank.outline)), fill: '#ffffff', fillOpacity: 0.5 });
    shapes.push({ kind: 'path', role: 'trim', path: polygon(at(blank.outline)) });
    for (const crease of blank.creases) {
      const away = (crease.direction === 'mountain') === (side === 'outside');
      shapes.push({
        kind: 'path',
        role: away ? 'creaseAway' : 'creaseToward',
        path: polyline(at([crease.from, crease.to])),
      });
    }
    for (const face of size.faces) {
      if (face.side !== side) continue;
      const small = Math.min(face.widthMm, face.heightMm) * scale;
      const own = art.faces.find((one) => one.face.id === face.id)!;
      const { textMm, at } = clearPlace(own, Math.min(TEXT_MM, small / 9), scale);
      shapes.push(...faceName(face, map, textMm, scale, at));
    }
  }
  if (twoSided) shapes.push({ kind: 'path', role: 'mark', path: segment(4, seam, widthMm - 4, seam) });
  const box: Box = { xMm: 0, yMm: 0, widthMm, heightMm };
  return { scene: { box, symbols: {}, shapes }, trimBox: box, bleedBox: box };
}

/** Letters of a name are no wider than this, on the whole, in type sizes; the name is set a quarter larger. */
const NAME_EM = 0.75;
/** What a name and its arrow take above and below the middle of the name’s line, in type sizes. */
const NAME_UP_EM = 4.4;
const NAME_DOWN_EM = 0.9;
/** Places tried across and down a face, and how much smaller a name may be to find one. */
const GRID = 13;
const SIZES = [1, 0.8, 0.6, 0.45] as const;

/**
 * A place for a face’s name and arrow where they lie on no words, codes or things, as near to the middle as there is
 * one; smaller where they fit nowhere at their size.
 */
function clearPlace({ face, items }: FacePlan, textMm: Mm, scale: number): { readonly textMm: Mm; readonly at: Point } {
  const taken = items.flatMap((item): readonly Box[] =>
    item.kind === 'text' ? (item.set.ink ? [item.set.ink] : []) : [boxOf(item.object)],
  );
  const middle = { xMm: face.widthMm / 2, yMm: face.heightMm / 2 };
  for (const share of SIZES) {
    const em = (textMm * share) / scale;
    const [half, up, down] = [(face.name.length * NAME_EM * em) / 2, NAME_UP_EM * em, NAME_DOWN_EM * em];
    const places: Point[] = [];
    for (let i = 0; i < GRID; i += 1)
      for (let k = 0; k < GRID; k += 1)
        places.push({
          xMm: half + ((face.widthMm - 2 * half) * i) / (GRID - 1),
          yMm: up + ((face.heightMm - up - down) * k) / (GRID - 1),
        });
    const off = (p: Point): number => Math.hypot(p.xMm - middle.xMm, p.yMm - middle.yMm);
    const found = [middle, ...places]
      .filter(({ xMm, yMm }) => {
        const box = { xMm: xMm - half, yMm: yMm - up, widthMm: 2 * half, heightMm: up + down };
        return taken.every((other) => !overlaps(box, other));
      })
      .sort((a, b) => off(a) - off(b))[0];
    if (found) return { textMm: textMm * share, at: found };
  }
  return { textMm: textMm * SIZES.at(-1)!, at: middle };
}

/** Sentences side by side while they fit a line. */
function inLines(sentences: readonly string[]): readonly string[] {
  const lines: string[] = [];
  for (const sentence of sentences) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + sentence.length + 4 <= LETTERS)
      lines[lines.length - 1] = `${last}    ${sentence}`;
    else lines.push(sentence);
  }
  return lines;
}
