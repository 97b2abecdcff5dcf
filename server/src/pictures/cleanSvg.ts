import { Parser } from 'htmlparser2';
import { cleanDeclarations, cleanSheet, INNER_REF, staysInside } from './cleanStyle.ts';
import { ATTRIBUTE_NAMES, ELEMENT_NAMES, WRAPPERS } from './svgNames.ts';

export interface CleanSvg {
  readonly text: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Elements that are drawn once everything it uses is; endless where it uses itself. */
  readonly drawn: number;
  /** Nested deeper than a drawing needs; only its beginning was read then. */
  readonly tooDeep: boolean;
}

/** An element as far as counting goes. */
interface Part {
  readonly children: Part[];
  readonly uses: string | null;
}

/** How deep elements may lie in each other, and how long a row of one using the next may be. */
const DEEPEST = 400;

/** Noise in more layers than this differs by less than any printer shows. */
const MOST_OCTAVES = 8;

/**
 * Keeps of an SVG what draws, by a list of what may, in one pass over its text; nothing that could run or fetch is on
 * the list. Text is read forgivingly, as browsers read it.
 * @returns null when the text holds no SVG with a size
 */
export function cleanSvg(text: string): CleanSvg | null {
  const reader = new Reader();
  const parser = new Parser(reader, {
    xmlMode: true,
    decodeEntities: true,
    lowerCaseTags: false,
    lowerCaseAttributeNames: false,
  });
  parser.write(text.replace(/^\uFEFF/, ''));
  parser.end();
  return reader.result();
}

class Reader {
  private readonly written: string[] = [];
  /** What each open element was written as; null for one that was left out, and stays open to be counted. */
  private readonly open: ({ readonly name: string; readonly part: Part } | null)[] = [];
  private readonly byId = new Map<string, Part>();
  private root: { readonly attributes: ReadonlyMap<string, string>; readonly part: Part } | null = null;
  /** How deep within something that goes with all it holds. */
  private dropped = 0;
  private style = '';
  private ended = false;
  private tooDeep = false;

  onopentag(given: string, attributes: Record<string, string>): void {
    const tag = given.replace(/^svg:/i, '').toLowerCase();
    if (this.ended) return;
    if (this.open.length + this.dropped >= DEEPEST) {
      this.tooDeep = this.ended = true;
      return;
    }
    const name = ELEMENT_NAMES.get(tag);
    const outside = this.root === null && name !== 'svg';
    if (this.dropped > 0 || (name === undefined && !WRAPPERS.has(tag) && !outside)) {
      this.dropped += 1;
      return;
    }
    if (name === undefined || outside) return void this.open.push(null);
    const kept = keptOf(attributes);
    const href = kept.get('href') ?? kept.get('xlink:href');
    const part: Part = { children: [], uses: href?.startsWith('#') ? href.slice(1) : null };
    this.open.findLast((one) => one !== null)?.part.children.push(part);
    const id = kept.get('id');
    // The first of a name is the one that is meant.
    if (id !== undefined && !this.byId.has(id)) this.byId.set(id, part);
    this.open.push({ name, part });
    if (this.root === null) this.root = { attributes: kept, part };
    else this.written.push(`<${name}${said(kept)}>`);
  }

  ontext(text: string): void {
    const inside = this.open.findLast((one) => one !== null)?.name;
    if (this.ended || this.dropped > 0) return;
    if (inside === 'style') this.style += text;
    else if (inside === 'text' || inside === 'tspan' || inside === 'textPath') this.written.push(escaped(text));
  }

  onclosetag(): void {
    if (this.ended) return;
    if (this.dropped > 0) {
      this.dropped -= 1;
      return;
    }
    const closed = this.open.pop();
    if (!closed) return;
    if (closed.name === 'style') {
      this.written.push(escaped(cleanSheet(this.style)));
      this.style = '';
    }
    if (closed.part === this.root?.part) this.ended = true;
    else this.written.push(`</${closed.name}>`);
  }

  result(): CleanSvg | null {
    if (!this.root) return null;
    const { attributes, part } = this.root;
    const box = (attributes.get('viewBox') ?? '')
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    const viewed = box.length === 4 && box.every(Number.isFinite);
    const own = (name: string): number => Number.parseFloat(attributes.get(name) ?? '');
    const widthPx = viewed ? box[2]! : own('width');
    const heightPx = viewed ? box[3]! : own('height');
    if (!(widthPx > 0 && heightPx > 0 && Number.isFinite(widthPx) && Number.isFinite(heightPx))) return null;
    // A box of its own makes it scale alike in every program; the placement decides its size.
    const sized = new Map([
      ...attributes,
      ['viewBox', viewed ? box.join(' ') : `0 0 ${widthPx} ${heightPx}`],
      ['width', String(widthPx)],
      ['height', String(heightPx)],
      ['preserveAspectRatio', 'none'],
    ]);
    const spaces = ' xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';
    const text = `<svg${spaces}${said(sized)}>${this.written.join('')}</svg>`;
    return { text, widthPx, heightPx, drawn: drawnBy(part, this.byId), tooDeep: this.tooDeep };
  }
}

/** What of an element's attributes stays, spelt as SVG spells it. */
function keptOf(attributes: Readonly<Record<string, string>>): ReadonlyMap<string, string> {
  const kept = new Map<string, string>();
  for (const [given, value] of Object.entries(attributes)) {
    const name = ATTRIBUTE_NAMES.get(given.toLowerCase());
    if (name === undefined || kept.has(name)) continue;
    if (name === 'href' || name === 'xlink:href') {
      if (INNER_REF.test(value.trim())) kept.set(name, value.trim());
    } else if (name === 'style') kept.set(name, cleanDeclarations(value));
    else if (name === 'numOctaves')
      kept.set(name, String(Math.min(MOST_OCTAVES, Math.max(1, Number.parseInt(value, 10) || 1))));
    else if (staysInside(value)) kept.set(name, value);
  }
  return kept;
}

const said = (attributes: ReadonlyMap<string, string>): string =>
  [...attributes].map(([name, value]) => ` ${name}="${escaped(value)}"`).join('');

/** Controls that no XML may hold are gone, and what means something in it is spelt out. */
const escaped = (text: string): string =>
  text
    .toWellFormed()
    // eslint-disable-next-line no-control-regex -- these are just what is looked for
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');

/** An element, all within it, and all that it uses, as often as it uses them. */
function drawnBy(root: Part, byId: ReadonlyMap<string, Part>): number {
  const known = new Map<Part, number>();
  const open = new Set<Part>();
  const count = (part: Part, depth: number): number => {
    const before = known.get(part);
    if (before !== undefined) return before;
    if (open.has(part) || depth > DEEPEST) return Infinity;
    open.add(part);
    let sum = 1;
    for (const child of part.children) sum += count(child, depth + 1);
    const used = part.uses === null ? undefined : byId.get(part.uses);
    if (used) sum += count(used, depth + 1);
    open.delete(part);
    known.set(part, sum);
    return sum;
  };
  return count(root, 0);
}
