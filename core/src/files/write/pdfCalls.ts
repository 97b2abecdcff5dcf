import { apply, rotationAbout, type Affine } from '../../ground/geometry/affine.ts';
import { boxAround, mapBox } from '../../ground/geometry/box.ts';
import type { Path } from '../../ground/geometry/path.ts';
import type { Typeface } from '../../stations/art/words/typefaces.ts';
import type { Colour, Inked, Shape } from '../../ground/scene/types.ts';
import { WHITE_INK } from '../../ground/scene/whitePlate.ts';
import { setLabel } from './labels.ts';
import { HATCH, LOOKS } from './look.ts';
import { num } from './svg.ts';

/** One glyph as a font of the file knows it: its code in hex and its width in thousandths of an em. */
export interface FileGlyph {
  readonly hex: string;
  readonly width: number;
}

/**
 * What the document must lend to a content stream. Every call returns the name under which the
 * resource is listed for the stream being written.
 */
export interface PdfLender {
  font(typefaceId: string): { readonly name: string; glyph(id: number, chars: string): FileGlyph };
  /** The typeface, where its makers let no file hold it: its letters are drawn; null where the file may have it. */
  keptOut(typefaceId: string): Typeface | null;
  /** An object that fills the unit square, y up. */
  picture(pictureId: string, tint: Colour | null): string;
  /** The same of its shape alone, in one ink. @param widthMm as wide as it is printed, which decides how fine */
  plate(pictureId: string, inked: Inked, widthMm: number): string;
  shading(gradient: NonNullable<Extract<Shape, { kind: 'path' }>['gradient']>): string;
  opacity(value: number): string;
  /** The state in which inks multiply. @throws RangeError in a file for printing, whose inks are the printer’s to lay */
  multiply(): string;
  symbol(id: string): string;
  /** A colour space of one ink, white. */
  white(): string;
  /** Four inks of a colour, where the file is for a press; null where it is for a screen or a home printer. */
  press(colour: Colour): readonly number[] | null;
  /** For a press, where a colour is black: the name of the state in which black ink overprints. */
  overprint(colour: Colour): string | null;
  /** What labels are set in, the first that has a letter. */
  readonly labelTypefaces: readonly Typeface[];
}

/**
 * Drawing calls for shapes, in millimetres with y down; the caller's matrix makes points of them.
 * Source: ISO 32000-1, 8.4 to 8.10 and 9.4.
 */
export function pdfCalls(shapes: readonly Shape[], lender: PdfLender): string {
  return shapes.map((shape) => shapeCalls(shape, lender)).join('\n');
}

function shapeCalls(shape: Shape, lender: PdfLender): string {
  switch (shape.kind) {
    case 'path':
      return pathCalls(shape, lender);
    case 'line':
      return lineCalls(shape, lender);
    case 'picture': {
      const { xMm, yMm, widthMm, heightMm } = shape.box;
      const seen = shape.opacity < 1 ? `/${lender.opacity(shape.opacity)} gs ` : '';
      return `q ${seen}${num(widthMm)} 0 0 ${num(-heightMm)} ${num(xMm)} ${num(yMm + heightMm)} cm /${shape.inked ? lender.plate(shape.pictureId, shape.inked, widthMm) : lender.picture(shape.pictureId, shape.tint)} Do Q`;
    }
    case 'tiles':
      return tileCalls(shape, lender);
    case 'label':
      return labelCalls(shape, lender);
    case 'group': {
      const blend = shape.blend ? `/${lender.multiply()} gs ` : '';
      const clip = shape.clip ? `${figure(shape.clip)} W n ` : '';
      return `q ${blend}${matrix(shape.transform)} cm ${clip}\n${pdfCalls(shape.children, lender)}\nQ`;
    }
    case 'use':
      return `q ${matrix(shape.transform)} cm /${lender.symbol(shape.symbol)} Do Q`;
  }
}

const matrix = (map: Affine): string => map.map(num).join(' ');

const figure = (path: Path): string =>
  path
    .map((part) => {
      switch (part.kind) {
        case 'move':
          return `${num(part.to.xMm)} ${num(part.to.yMm)} m`;
        case 'line':
          return `${num(part.to.xMm)} ${num(part.to.yMm)} l`;
        case 'curve':
          return `${[part.c1, part.c2, part.to].map((p) => `${num(p.xMm)} ${num(p.yMm)}`).join(' ')} c`;
        case 'close':
          return 'h';
      }
    })
    .join(' ');

const parts = new Map<Colour, string>();

/** `#rrggbb` as three parts of one. @throws RangeError on anything else */
export function rgb(colour: Colour): string {
  let known = parts.get(colour);
  // A file asks for its few colours over and over; a page of colours must not keep them for ever.
  if (parts.size > 512) parts.clear();
  if (known === undefined) parts.set(colour, (known = inParts(colour)));
  return known;
}

function inParts(colour: Colour): string {
  const found = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(colour);
  if (!found) throw new RangeError(`rgb: wanted a colour such as #36454f, got ${colour}`);
  return found
    .slice(1)
    .map((pair) => num(parseInt(pair, 16) / 255))
    .join(' ');
}

/** The call that sets what shapes are filled with. */
function fillIn(colour: Colour, lender: PdfLender): string {
  if (colour === WHITE_INK) return `/${lender.white()} cs 1 scn`;
  const inks = lender.press(colour);
  return inks ? `${inks.map(num).join(' ')} k` : `${rgb(colour)} rg`;
}

/** The same for lines. */
function strokeIn(colour: Colour, lender: PdfLender): string {
  const inks = lender.press(colour);
  return inks ? `${inks.map(num).join(' ')} K` : `${rgb(colour)} RG`;
}

function pathCalls(shape: Extract<Shape, { kind: 'path' }>, lender: PdfLender): string {
  const look = LOOKS[shape.role];
  const calls: string[] = ['q'];
  if (shape.fillOpacity !== undefined && shape.fillOpacity < 1) calls.push(`/${lender.opacity(shape.fillOpacity)} gs`);
  const outline = figure(shape.path);
  if (shape.gradient) calls.push(`q ${outline} W n /${lender.shading(shape.gradient)} sh Q`);
  const fill = shape.fill ?? (look.hatch || shape.gradient ? null : look.fill);
  const black = fill && shape.fine ? lender.overprint(fill) : null;
  if (black) calls.push(`/${black} gs 0 0 0 1 k ${outline} f`);
  else if (fill) calls.push(`${fillIn(fill, lender)} ${outline} f`);
  if (look.hatch && look.fill && !shape.fill)
    calls.push(hatchCalls(shape.path, { leanDeg: look.hatch, colour: look.fill }, lender));
  if (look.stroke && look.widthMm > 0) {
    const dash = `[${look.dashMm.map(num).join(' ')}] 0 d`;
    calls.push(
      `${strokeIn(look.stroke, lender)} ${num(look.widthMm)} w ${shape.role === 'safe' ? 1 : 0} J ${dash} ${outline} S`,
    );
  }
  calls.push('Q');
  return calls.join('\n');
}

/** Tiles lie over the edge of the one before by a hair, or a hairline of paper shows between them. */
const LAP_MM = 0.03;

/** Each tile filled without squashing, and clipped to its square. */
function tileCalls(shape: Extract<Shape, { kind: 'tiles' }>, lender: PdfLender): string {
  const { tileMm, brick, over, opacity, pictureId, aspect } = shape;
  const [w, h] = aspect >= 1 ? [tileMm * aspect, tileMm] : [tileMm, tileMm / aspect];
  const name = shape.inked ? lender.plate(pictureId, shape.inked, w) : lender.picture(pictureId, null);
  const calls: string[] = opacity < 1 ? [`q /${lender.opacity(opacity)} gs`] : ['q'];
  for (let row = 0; row * tileMm < over.heightMm; row += 1)
    for (let x = brick && row % 2 === 1 ? -tileMm / 2 : 0; x < over.widthMm; x += tileMm) {
      const [left, top] = [over.xMm + x, over.yMm + row * tileMm];
      const square = `${num(left)} ${num(top)} ${num(tileMm + LAP_MM)} ${num(tileMm + LAP_MM)} re W n`;
      const [wide, high] = [w + LAP_MM, h + LAP_MM];
      calls.push(
        `q ${square} ${num(wide)} 0 0 ${num(-high)} ${num(left - (w - tileMm) / 2)} ${num(top + high - (h - tileMm) / 2)} cm /${name} Do Q`,
      );
    }
  return [...calls, 'Q'].join('\n');
}

const ORIGIN = { xMm: 0, yMm: 0 };

/** The hatch that a drawing fills with a pattern, in strokes: a file of pages places it where the screen does. */
function hatchCalls(path: Path, { leanDeg, colour }: { leanDeg: number; colour: Colour }, lender: PdfLender): string {
  const points = path.flatMap((part) => (part.kind === 'close' ? [] : [part.to]));
  const box = boxAround(points);
  const lean = rotationAbout(leanDeg, ORIGIN);
  // Along the hatch and across it, where the pattern’s own tiles begin at the origin.
  const { xMm, yMm, widthMm, heightMm } = mapBox(rotationAbout(-leanDeg, ORIGIN), box);
  const lines: string[] = [];
  for (let n = Math.floor(xMm / HATCH.pitchMm); n * HATCH.pitchMm < xMm + widthMm; n += 1) {
    const at = n * HATCH.pitchMm + HATCH.widthMm / 2;
    const [from, to] = [yMm, yMm + heightMm].map((y) => apply(lean, { xMm: at, yMm: y }));
    lines.push(`${num(from!.xMm)} ${num(from!.yMm)} m ${num(to!.xMm)} ${num(to!.yMm)} l`);
  }
  const seen = (opacity: number): string => `/${lender.opacity(opacity)} gs`;
  const area = figure(path);
  return [
    `q ${area} W n ${seen(HATCH.groundOpacity)} ${fillIn(colour, lender)} ${area} f`,
    `${seen(HATCH.lineOpacity)} ${strokeIn(colour, lender)} ${num(HATCH.widthMm)} w ${lines.join(' ')} S Q`,
  ].join('\n');
}

function lineCalls(line: Extract<Shape, { kind: 'line' }>, lender: PdfLender): string {
  const drawn = lender.keptOut(line.typefaceId);
  const set = drawn ? `${lettersOf(line, drawn)} f` : glyphCalls(line, lender);
  const black = lender.overprint(line.colour);
  return black ? `q /${black} gs 0 0 0 1 k ${set} Q` : `${fillIn(line.colour, lender)} ${set}`;
}

function glyphCalls(line: Extract<Shape, { kind: 'line' }>, lender: PdfLender): string {
  const font = lender.font(line.typefaceId);
  const glyphs = line.glyphs.map((glyph) => font.glyph(glyph.id, glyph.chars));
  const places = line.glyphs.map((glyph) => glyph.xMm);
  return textCalls(font.name, line.sizeMm, glyphs, places, `1 0 0 -1 ${num(line.at.xMm)} ${num(line.at.yMm)}`);
}

/** A line's letters as figures. Of the two kinds of curve that fonts have, files know only the one with two handles. */
function lettersOf(line: Extract<Shape, { kind: 'line' }>, typeface: Typeface): string {
  const calls: string[] = [];
  for (const { id, xMm } of line.glyphs) {
    let [x0, y0] = [0, 0];
    for (const { letter, numbers: n } of typeface.outline(id)) {
      // Ems with y up, to millimetres with y down.
      const at = (i: number): readonly [number, number] => [
        line.at.xMm + xMm + n[i]! * line.sizeMm,
        line.at.yMm - n[i + 1]! * line.sizeMm,
      ];
      if (letter === 'Z') {
        calls.push('h');
        continue;
      }
      const end = at(n.length - 2);
      const points =
        letter === 'Q' ? [...raised([x0, y0], at(0), end), end] : letter === 'C' ? [at(0), at(2), end] : [end];
      calls.push(`${points.flat().map(num).join(' ')} ${letter === 'M' ? 'm' : letter === 'L' ? 'l' : 'c'}`);
      [x0, y0] = end;
    }
  }
  return calls.join(' ');
}

/** The two handles of a curve that was drawn with one. Source: degree elevation, Farin, Curves and Surfaces, ch. 6 */
const raised = (
  from: readonly [number, number],
  handle: readonly [number, number],
  to: readonly [number, number],
): readonly (readonly [number, number])[] =>
  [from, to].map(([x, y]) => [x + (2 / 3) * (handle[0] - x), y + (2 / 3) * (handle[1] - y)] as const);

function labelCalls(label: Extract<Shape, { kind: 'label' }>, lender: PdfLender): string {
  const { runs, widthMm } = setLabel(label.text, label.sizeMm, lender.labelTypefaces);
  const back = label.anchor === 'start' ? 0 : label.anchor === 'middle' ? widthMm / 2 : widthMm;
  const turn = ((label.turnDeg ?? 0) * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const colour = label.role === 'dimension' ? LOOKS.dimension.stroke! : LOOKS.label.fill!;
  const set = runs.map(({ typeface, glyphs, xMm }) => {
    const font = lender.font(typeface.id);
    const along = xMm - back;
    const at = `${num(c)} ${num(s)} ${num(s)} ${num(-c)} ${num(label.at.xMm + c * along)} ${num(label.at.yMm + s * along)}`;
    return textCalls(
      font.name,
      label.sizeMm,
      glyphs.map((glyph) => font.glyph(glyph.id, glyph.chars)),
      glyphs.map((glyph) => glyph.xEm * label.sizeMm),
      at,
    );
  });
  return `${fillIn(colour, lender)} ${set.join(' ')}`;
}

/** Glyphs at the places the core set them: the font's own widths are corrected to ours between glyphs. */
function textCalls(
  fontName: string,
  sizeMm: number,
  glyphs: readonly FileGlyph[],
  /** mm from the start of the line. */
  places: readonly number[],
  textMatrix: string,
): string {
  // Letters that follow each other as the font has them share one string.
  let shown = '<';
  glyphs.forEach(({ hex, width }, i) => {
    shown += hex;
    if (i === glyphs.length - 1) return;
    const back = ((places[i]! - places[i + 1]!) / sizeMm) * 1000 + width;
    if (Math.abs(back) >= 1e-3) shown += `> ${num(back)} <`;
  });
  return `BT /${fontName} ${num(sizeMm)} Tf ${textMatrix} Tm [${shown}>] TJ ET`;
}
