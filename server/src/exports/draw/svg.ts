import { chainOf, LABEL_CHAIN, outlinedLabel, svgFile, type Scene } from '@zippy/core';
import type { Materials, PictureBytes } from '../types.ts';

/** A self-contained SVG: pictures travel inside it. */
export function sceneToSvg(
  scene: Scene,
  title: string,
  { pictures, fonts }: Pick<Materials, 'pictures' | 'fonts'>,
  layers = false,
): string {
  return svgFile(scene, title, {
    layers,
    // A layer of outlined letters is something that a machine could cut.
    drawLabel: layers ? null : (label) => outlinedLabel(label, chainOf(fonts.book, LABEL_CHAIN)),
    pictureHref: (id) => {
      const picture = pictures.get(id);
      if (!picture) throw new RangeError(`sceneToSvg: no bytes for picture “${id}”`);
      return `data:${picture.mime};base64,${inFile(picture).toString('base64')}`;
    },
  });
}

/** The longer side of a drawing within a drawing: some programs make pixels of it at the size that it says it has. */
const INNER_PX = 2400;

/** A picture as a file carries it: drawings say a size that is fine enough on paper, and stay what they are. */
function inFile({ mime, bytes }: PictureBytes): Buffer {
  if (mime !== 'image/svg+xml') return bytes;
  // Taken in, every drawing was given a viewBox, a width and a height.
  return Buffer.from(
    bytes.toString('utf8').replace(/<svg\b[^>]*>/, (root) => {
      const [width, height] = ['width', 'height'].map((side) =>
        Number(new RegExp(`\\s${side}="([\\d.]+)"`).exec(root)?.[1]),
      );
      const grow = INNER_PX / Math.max(width!, height!);
      // A size that is written in powers of ten is left as it is.
      if (!Number.isFinite(grow)) return root;
      return root.replace(
        /\s(width|height)="([\d.]+)"/g,
        (_, side: string, px: string) => ` ${side}="${Number(px) * grow}"`,
      );
    }),
  );
}
