import { drawSide } from '../art/drawCard.ts';
import { apply, type Affine } from '../geometry/affine.ts';
import { polygon, polyline, segment } from '../geometry/path.ts';
import type { Box } from '../geometry/types.ts';
import type { Page, Shape } from '../scene/types.ts';
import { MM_PER_INCH, type LengthUnit, type Mm } from '../length/types.ts';
import { faceName } from '../size/drawBlank.ts';
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
export function drawProof({ size, art }: Plan, title: string, unit: LengthUnit): Page {
  const { blank } = size.form;
  const steps = inLines(size.form.steps.map(({ says }, i) => `${i + 1}  ${says}`));
  const headMm = 18 + steps.length * LINE_MM;
  const twoSided = size.faces.some((face) => face.side === 'inside');
  const [short, long] = unit === 'in' ? [8.5 * MM_PER_INCH, 11 * MM_PER_INCH] : [210, 297];
  const [need, tall] = [blank.widthMm, blank.heightMm * (twoSided ? 2 : 1)];
  const scaleOn = (w: Mm, h: Mm): number =>
    Math.min(LARGEST_SCALE, (w - 2 * MARGIN_MM) / need, (h - 2 * MARGIN_MM - headMm) / tall);
  const upright = scaleOn(short!, long!) >= scaleOn(long!, short!);
  const [widthMm, heightMm] = upright ? [short!, long!] : [long!, short!];
  const scale = scaleOn(widthMm, heightMm);
  const left = (widthMm - need * scale) / 2;
  const top = MARGIN_MM + headMm;
  const seam = top + blank.heightMm * scale;
  const outside: Affine = [scale, 0, 0, scale, left, top];
  const inside: Affine = [scale, 0, 0, -scale, left, 2 * seam - top];
  const shapes: Shape[] = [
    label(`${title}: fold this first`, MARGIN_MM, MARGIN_MM + 5, 5),
    label(
      twoSided
        ? 'Fold back on the line between the two, print outside, and glue. Cut out, fold as below: every arrow must point up as you read.'
        : 'Cut out and fold as below: every arrow must point up as you read.',
      MARGIN_MM,
      MARGIN_MM + 11,
      TEXT_MM,
    ),
    ...steps.map((line, i) => label(line, MARGIN_MM, MARGIN_MM + 17 + i * LINE_MM, STEP_MM)),
  ];
  for (const [side, map] of [['outside', outside], ...(twoSided ? [['inside', inside] as const] : [])] as const) {
    const at = (points: readonly { xMm: Mm; yMm: Mm }[]) => points.map((p) => apply(map, p));
    shapes.push({ kind: 'group', transform: map, clip: polygon(blank.outline), children: drawSide(art, side) });
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
      shapes.push(...faceName(face, map, Math.min(TEXT_MM, small / 9), scale));
    }
  }
  if (twoSided) shapes.push({ kind: 'path', role: 'mark', path: segment(4, seam, widthMm - 4, seam) });
  const box: Box = { xMm: 0, yMm: 0, widthMm, heightMm };
  return { scene: { box, symbols: {}, shapes }, trimBox: box, bleedBox: box };
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

const label = (text: string, xMm: Mm, yMm: Mm, sizeMm: Mm): Shape => ({
  kind: 'label',
  role: 'label',
  text,
  at: { xMm, yMm },
  sizeMm,
  anchor: 'start',
});
