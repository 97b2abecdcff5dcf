import createDOMPurify from 'dompurify';
import { JSDOM } from 'jsdom';

export interface CleanSvg {
  readonly text: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Elements that are drawn once everything it uses is; endless where it uses itself. */
  readonly drawn: number;
}

const { window } = new JSDOM('');
const purify = createDOMPurify(window);

/** Anything that could be fetched: only references into the same file, and pictures carried inside it. */
const INNER_REF = /^(#[\w.:-]+|data:image\/(png|jpeg);base64,[A-Za-z0-9+/=\s]+)$/;
const OUTER_URL = /url\(\s*(?!["']?#)[^)]*\)/gi;
const STYLE_IMPORT = /@import[^;]*;?/gi;

purify.addHook('uponSanitizeAttribute', (_node, data) => {
  if (/^(xlink:)?href$/i.test(data.attrName) && !INNER_REF.test(data.attrValue.trim())) data.keepAttr = false;
  else if (/url\(/i.test(data.attrValue)) data.attrValue = data.attrValue.replace(OUTER_URL, 'none');
});
purify.addHook('uponSanitizeElement', (node, data) => {
  if (data.tagName === 'style' && node.textContent)
    node.textContent = node.textContent.replace(STYLE_IMPORT, '').replace(OUTER_URL, 'none');
});

/**
 * Strips scripts, event handlers and outside references from an SVG and finds its size.
 * @returns null when the text holds no SVG with a size
 */
export function cleanSvg(text: string): CleanSvg | null {
  // Parsed as a browser would, which knows SVG's own spelling of names and forgives what an XML parser refuses.
  const fragment = purify.sanitize(text.replace(/^\uFEFF/, ''), {
    USE_PROFILES: { svg: true, svgFilters: true },
    ADD_TAGS: ['use'],
    ADD_ATTR: ['xlink:href', 'href'],
    FORBID_TAGS: ['script', 'foreignObject', 'animate', 'set', 'animateTransform', 'animateMotion', 'a'],
    RETURN_DOM_FRAGMENT: true,
  });
  const root = fragment.querySelector('svg');
  if (!root) return null;
  const box = (root.getAttribute('viewBox') ?? '').split(/[\s,]+/).map(Number);
  const own = (name: string): number => Number.parseFloat(root.getAttribute(name) ?? '');
  const viewed = box.length === 4 && box.every(Number.isFinite);
  const widthPx = viewed ? box[2]! : own('width');
  const heightPx = viewed ? box[3]! : own('height');
  if (!(widthPx > 0 && heightPx > 0)) return null;
  // A box of its own makes it scale alike in every program; the placement decides its size.
  root.setAttribute('viewBox', viewed ? box.join(' ') : `0 0 ${widthPx} ${heightPx}`);
  root.setAttribute('width', String(widthPx));
  root.setAttribute('height', String(heightPx));
  root.setAttribute('preserveAspectRatio', 'none');
  return { text: new window.XMLSerializer().serializeToString(root), widthPx, heightPx, drawn: drawnBy(root) };
}

/** An element, all within it, and all that it uses, as often as it uses them. */
function drawnBy(root: Element): number {
  const known = new Map<Element, number>();
  const open = new Set<Element>();
  const count = (element: Element): number => {
    const before = known.get(element);
    if (before !== undefined) return before;
    if (open.has(element)) return Infinity;
    open.add(element);
    let sum = 1;
    for (const child of element.children) sum += count(child);
    const href = element.getAttribute('href') ?? element.getAttribute('xlink:href');
    const used = href?.startsWith('#') ? root.querySelector(`[id="${href.slice(1)}"]`) : null;
    if (used) sum += count(used);
    open.delete(element);
    known.set(element, sum);
    return sum;
  };
  return count(root);
}
