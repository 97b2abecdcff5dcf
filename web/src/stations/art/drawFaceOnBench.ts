import { homeOf } from './facesOf.ts';
import {
  cutsOnFace,
  drawTrimming,
  IDENTITY,
  polygon,
  seenFace,
  type FacePlan,
  type Mm,
  type Plan,
  type Scene,
} from '@zippy/core';

/** A face as its reader sees it, with its trim and safe lines and its name. */
export function drawFaceOnBench(plan: Plan, face: FacePlan, textMm: Mm): Scene {
  const home = homeOf(plan, face.face.id);
  return {
    box: { ...face.page, yMm: face.page.yMm - textMm * 2, heightMm: face.page.heightMm + textMm * 4 },
    symbols: {},
    shapes: [
      { kind: 'path', role: 'stock', path: polygon(face.pageOutline), fill: home.colour },
      {
        kind: 'group',
        transform: IDENTITY,
        clip: polygon(face.bleedOutline),
        children: seenFace(home, face, home.colour),
      },
      ...home.piece.trimmings.placed.filter(({ faceId }) => faceId === face.face.id).flatMap(drawTrimming),
      { kind: 'path', role: 'safe', path: polygon(face.safeOutline) },
      { kind: 'path', role: 'trim', path: polygon(face.trimOutline) },
      ...cutsOnFace(home.piece, face.face),
      {
        kind: 'label',
        role: 'dimension',
        text: `${face.face.name}, as its reader sees it · solid line: trim · dots: safe`,
        at: { xMm: face.face.widthMm / 2, yMm: face.page.yMm + face.page.heightMm + textMm * 1.5 },
        sizeMm: textMm,
        anchor: 'middle',
      },
    ],
  };
}
