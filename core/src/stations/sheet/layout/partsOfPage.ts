import { evenSides } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import type { PicturePlacement, PictureRef } from '../../../job/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { insideMargins } from './edges.ts';
import { layOutOnePiece } from './layOut.ts';

/** A page of background paper, as large as it is meant to be printed. */
export interface BackgroundPage {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** One panel’s worth of a page: where it lies there, and the placement that shows just that on the panel. */
export interface PagePart {
  readonly onPage: Box;
  readonly turned: boolean;
  readonly placement: Pick<PicturePlacement, 'zoom' | 'focusX' | 'focusY' | 'quarterTurns'>;
}

/**
 * Parts of a page at its own size, one beside the other, each large enough for a panel with its bleed; turned a
 * quarter where more fit that way, because a page of paper has no upright of its own.
 * @param panel trim and bleed together, in mm
 * @returns none where the panel is larger than the page
 */
export function partsOfPage(
  page: BackgroundPage,
  panel: { readonly widthMm: Mm; readonly heightMm: Mm },
): readonly PagePart[] {
  const lay = (turned: boolean) =>
    layOutOnePiece({
      sheetWidthMm: page.widthMm,
      sheetHeightMm: page.heightMm,
      fromEdgesMm: insideMargins(evenSides(0), 0),
      pieceWidthMm: panel.widthMm,
      pieceHeightMm: panel.heightMm,
      gutterMm: 0,
      mayLie: { asDrawn: true, turned },
    });
  const [upright, either] = [lay(false), lay(true)];
  return (either.up > upright.up ? either : upright).pieces
    .map(({ trim, turned }) => ({ onPage: trim, turned, placement: placementOf(page, panel, trim, turned) }))
    .sort((a, b) => Number(a.turned) - Number(b.turned) || a.onPage.yMm - b.onPage.yMm || a.onPage.xMm - b.onPage.xMm);
}

/**
 * Zoom and focus that show one box of the page and nothing else. A picture covers its panel at zoom 1; at its own
 * size it is larger by page ÷ covering page. The focus is the share of what is over that lies left of, or above, the
 * box. Turned a quarter clockwise, the page’s left edge is its top: a point (x, y) comes to (height − y, x).
 */
function placementOf(
  page: BackgroundPage,
  panel: { readonly widthMm: Mm; readonly heightMm: Mm },
  box: Box,
  turned: boolean,
): PagePart['placement'] {
  const [pageWide, pageHigh] = turned ? [page.heightMm, page.widthMm] : [page.widthMm, page.heightMm];
  const [left, top] = turned ? [page.heightMm - box.yMm - box.heightMm, box.xMm] : [box.xMm, box.yMm];
  const share = (before: Mm, over: Mm): number => (over < 1e-6 ? 0.5 : Math.min(1, Math.max(0, before / over)));
  return {
    zoom: Math.max(1, Math.min(pageWide / panel.widthMm, pageHigh / panel.heightMm)),
    focusX: share(left, pageWide - panel.widthMm),
    focusY: share(top, pageHigh - panel.heightMm),
    quarterTurns: turned ? 1 : 0,
  };
}

/** Papers are sold in these shapes; another keeps the width of the first. */
const PAGES: readonly BackgroundPage[] = [
  { widthMm: 210, heightMm: 297 },
  { widthMm: 215.9, heightMm: 279.4 },
  { widthMm: 304.8, heightMm: 304.8 },
];

/** The size a page has where it says so; else what it was most likely made for, from its shape. The maker knows better. */
export function likelyPage({
  widthPx,
  heightPx,
  pageWidthMm,
}: Pick<PictureRef, 'widthPx' | 'heightPx' | 'pageWidthMm'>): BackgroundPage {
  const aspect = widthPx / heightPx;
  if (pageWidthMm !== undefined) return { widthMm: pageWidthMm, heightMm: pageWidthMm / aspect };
  const shapes = [...PAGES, ...PAGES.map((p) => ({ widthMm: p.heightMm, heightMm: p.widthMm }))];
  const found = shapes.find((p) => Math.abs(p.widthMm / p.heightMm / aspect - 1) < 0.015);
  const widthMm = found?.widthMm ?? (aspect > 1 ? PAGES[0]!.heightMm : PAGES[0]!.widthMm);
  return { widthMm, heightMm: widthMm / aspect };
}
