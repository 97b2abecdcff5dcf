import { creaseOf } from '../../../ground/fold/stages.ts';
import { readFaces } from '../../../ground/fold/readFaces.ts';
import { planFolding } from '../../../ground/fold/foldForm.ts';
import type { Blank, FlatBlank, FoldedForm, Panel } from '../../../ground/fold/types.ts';
import { boxAround, corners } from '../../../ground/geometry/box.ts';
import { offset, united } from '../../../ground/geometry/offset.ts';
import { clipTo, clockwise, moved, type Polygon } from '../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { DEFAULTS } from '../../../job/newJob.ts';
import { NO_TRIMMINGS } from '../../size/trimmings.ts';
import type { FoldedPiece } from '../../size/planSize.ts';
import { blankBleed, regionsOf } from '../../size/regions.ts';
import { GLUE_INSET_MM } from '../styles/parts.ts';
import { GUM_MM } from './judgeFolded.ts';

/** A liner ends this far short of the gum, so that none of it is glued with the flap. Our starting value. */
const SHORT_OF_GUM_MM = 1;

/** A liner that is smaller either way lines nothing, and is drawn no smaller. Our starting value. */
export const LEAST_LINER_MM = 10;

/** Parts that are joined lie on each other by this. */
const OVER_MM = 0.01;

/** A sheet that lies on the inside of the front and of the flap, seen when the envelope is opened. */
export interface Liner {
  /** Its seen side up, as it is cut: creases where the envelope has its own. */
  readonly blank: FlatBlank;
  /** As a piece with one face. */
  readonly piece: FoldedPiece;
}

/**
 * The inside of the front and of the flap, moved in from the front’s edges and short of the flap’s gum.
 * @param form the envelope, outside up, its front upright
 * @param askedMm from the front’s edges; below nought it is larger than the inside, and so far in that nothing would be
 *   left of it, it is drawn at its smallest
 */
export function linerOf(form: FoldedForm, askedMm: Mm): Liner {
  const panel = (id: string): Panel => form.blank.panels.find((one) => one.id === id)!;
  const { box: front } = panel('front');
  const insetMm = Math.min(askedMm, (Math.min(front.widthMm, front.heightMm) - LEAST_LINER_MM) / 2);
  const hinge = creaseOf(form, 'flap').from.yMm;
  const [left, right] = [front.xMm + insetMm, front.xMm + front.widthMm - insetMm];
  // Down from the flap’s hinge, over a wall between them where there is one.
  const body = corners({
    ...{ xMm: left, yMm: hinge, widthMm: right - left },
    heightMm: front.yMm + front.heightMm - insetMm - hinge,
  });
  const outline = united([body, ...flapPart(panel('flap'), hinge, [left, right]).map(clockwise)])[0]!;
  // Seen from the inside, left and right change places.
  const seen = outline.map(({ xMm, yMm }) => ({ xMm: -xMm, yMm })).reverse();
  const box = boxAround(seen);
  const own: Polygon = moved(seen, -box.xMm, -box.yMm);
  const folds = [...new Set([hinge, front.yMm])].map((yMm, i) => {
    const [from, to] = chordOf(own, yMm - box.yMm);
    return { id: `fold${i + 1}`, from: { xMm: from, yMm: yMm - box.yMm }, to: { xMm: to, yMm: yMm - box.yMm } };
  });
  const size = { widthMm: box.widthMm, heightMm: box.heightMm };
  const flat: Blank = {
    ...{ ...size, outline: own, cuts: [], creases: [] },
    panels: [{ id: 'liner', name: 'Liner', outline: own, box: { xMm: 0, yMm: 0, ...size } }],
  };
  return { blank: { ...size, outline: own, cuts: [], creases: folds }, piece: pieceOf(flat) };
}

/** The flap less its gum, down to its hinge; nothing where the gum takes it all. */
function flapPart(flap: Panel, hinge: Mm, [left, right]: readonly [Mm, Mm]): readonly Polygon[] {
  const inMm = GLUE_INSET_MM + GUM_MM + SHORT_OF_GUM_MM;
  const { box } = flap;
  const below = corners({ xMm: box.xMm, yMm: hinge - OVER_MM, widthMm: box.widthMm, heightMm: 3 * inMm });
  const inner = offset(united([clockwise(flap.outline), below])[0]!, -inMm)[0];
  if (!inner) return [];
  const cut = [
    // A little over, so that the two are one outline.
    (q: { yMm: Mm }) => hinge + OVER_MM - q.yMm,
    (q: { xMm: Mm }) => q.xMm - left,
    (q: { xMm: Mm }) => right - q.xMm,
  ].reduce((part, keep) => clipTo(part, keep as never), inner);
  return cut.length > 2 ? [cut] : [];
}

/** The narrower of what lies just above a line and just below it. */
function chordOf(outline: Polygon, yMm: Mm): readonly [Mm, Mm] {
  const at = (y: Mm): readonly [Mm, Mm] => {
    const xs = outline.flatMap((a, i) => {
      const b = outline[(i + 1) % outline.length]!;
      if (a.yMm > y === b.yMm > y) return [];
      return [a.xMm + ((y - a.yMm) / (b.yMm - a.yMm)) * (b.xMm - a.xMm)];
    });
    return xs.length > 1 ? [Math.min(...xs), Math.max(...xs)] : [0, 0];
  };
  const HAIR_MM = 1e-3;
  const [above, below] = [at(yMm - HAIR_MM), at(yMm + HAIR_MM)];
  const both = [above, below].filter(([from, to]) => to > from);
  return [Math.max(...both.map(([from]) => from)), Math.min(...both.map(([, to]) => to))];
}

function pieceOf(blank: Blank): FoldedPiece {
  const form: FoldedForm = {
    blank,
    ...{ steps: [], opens: 'together', frontPanelId: 'liner', restingPanelId: 'liner', standing: null },
    faces: [
      { id: 'envelopeLiner', name: 'Liner', panelId: 'liner', side: 'outside', afterSteps: 0, readFrom: 'front' },
    ],
  };
  const faces = readFaces(form);
  const { bleedMm, safeMm } = DEFAULTS;
  return {
    ...{
      formatName: 'Envelope liner',
      form,
      faces,
      layers: [],
      trimmings: NO_TRIMMINGS,
      folding: planFolding(form, 0.1),
    },
    regions: Object.fromEntries(faces.map((face) => [face.id, regionsOf(face, blank, { bleedMm, safeMm })])),
    bleedOutline: blankBleed(blank, bleedMm),
    ...{ bleedMm, safeMm, bareEdgeMm: 0 },
  };
}
