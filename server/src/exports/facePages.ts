import {
  drawFace,
  drawSide,
  hasArt,
  IDENTITY,
  polygon,
  printedBox,
  turnedLeftRight,
  whitePlate,
  type Page,
  type PaperSide,
  type Plan,
  type Scene,
} from '@zippy/core';

/** White that is laid on this card, as an ink of its own in files that can say so. */
export const whiteOn = ({ art }: Plan, page: Page): Scene | undefined =>
  art.onStock.coloured && art.onStock.white ? whitePlate(page.scene) : undefined;

/** Each face as its reader sees it, with its bleed. */
export function facePages({ art }: Plan): readonly { readonly id: string; readonly page: Page }[] {
  return art.faces.map((face) => ({
    id: face.face.id,
    page: {
      scene: {
        box: face.page,
        symbols: {},
        shapes: [{ kind: 'group', transform: IDENTITY, clip: polygon(face.bleedOutline), children: drawFace(face) }],
      },
      trimBox: { xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm },
      bleedBox: face.page,
    },
  }));
}

/** Each printed side of the open blank, as it is seen with that side up, with its bleed. */
export function sidePages({ size, art }: Plan): readonly { readonly side: PaperSide; readonly page: Page }[] {
  const { widthMm, heightMm } = size.form.blank;
  const trimBox = { xMm: 0, yMm: 0, widthMm, heightMm };
  const box = printedBox(widthMm, heightMm, size.bleedMm);
  return (['outside', 'inside'] as const)
    .filter((side) => hasArt(art, side))
    .map((side) => ({
      side,
      page: {
        scene: {
          box,
          symbols: {},
          // Art inside is drawn through the paper; turned over, it is read.
          shapes: [
            {
              kind: 'group',
              transform: side === 'inside' ? turnedLeftRight(widthMm) : IDENTITY,
              children: drawSide(art, side),
            },
          ],
        },
        trimBox,
        bleedBox: box,
      },
    }));
}
