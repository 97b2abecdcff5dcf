import { inSpace } from '../../ground/fold/foldBlank.ts';
import { planFolding, type Folding } from '../../ground/fold/foldForm.ts';
import { readFaces, type ReadFace } from '../../ground/fold/readFaces.ts';
import { move } from '../../ground/fold/space.ts';
import { readingPoses, shutState } from '../../ground/fold/stages.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import type { FormatOptions } from '../../job/format.ts';
import { stockOf } from '../../job/pick.ts';
import type { Job } from '../../job/types.ts';
import type { Workshop } from '../../workshop/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { formatEntry, type OptionFault } from './formats/index.ts';
import { FOLD_SPRING, layersThicknessMm, planLayers } from './layers.ts';
import type { Snag } from '../../job/findings.ts';
import { planRibbon, type RibbonPlan } from './ribbon.ts';
import { openCard } from './openCard.ts';
import { planWraps, wrapsThicknessMm } from './wraps.ts';
import { withCutIns } from './popUps/cutIns.ts';
import { shutPopUps, type ShutPopUps } from './popUps/shutPopUps.ts';
import { placeTrimmings, type Trimmings } from './trimmings.ts';

/** The card folded up, with everything glued to it or laid in it. */
export interface ShutCard {
  readonly entry: ReturnType<typeof formatEntry>;
  /** Every option the format uses, within its limits. */
  readonly options: FormatOptions;
  readonly optionFaults: readonly OptionFault[];
  readonly form: FoldedForm;
  readonly folding: Folding;
  readonly faces: readonly ReadFace[];
  readonly layers: ReturnType<typeof planLayers>;
  readonly trimmings: Trimmings;
  readonly popUps: ShutPopUps | null;
  readonly ribbon: RibbonPlan | null;
  readonly ribbonSnags: readonly Snag[];
  readonly closed: ReturnType<typeof closedExtent>;
  /** Sheets that lie on each other where the shut card is thickest. */
  readonly sheets: number;
  readonly spring: number;
  readonly addedMm: Mm;
  readonly thicknessMm: Mm;
}

/** Folds the card that a job describes and measures it shut; nothing about it is judged here. */
export function shutCard(job: Job, workshop: Workshop): ShutCard {
  const entry = formatEntry(job.size.format);
  const { options, faults, form: whole } = openCard(job, workshop);
  const caliperMm = stockOf(job, workshop).caliperMicron / 1000;
  const folding = planFolding(whole, caliperMm);
  const faces = readFaces(whole);
  const popUps = shutPopUps(job, workshop, whole, faces);
  // Slits and the creases of what is cut in move none of its panels.
  const form = popUps?.put ? withCutIns(whole, popUps.put.together, popUps.put.spread, workshop.unit) : whole;
  const layers = planLayers(job, workshop, form, faces);
  const closed = closedExtent(form);
  const sheets = pileOf(form, folding);
  const spring = sheets > 1 ? FOLD_SPRING : 1;
  const trimmings = placeTrimmings(job, workshop, form, faces);
  const layersMm = layersThicknessMm(layers.pieces);
  // Counted place by place, where layers are taken to lie over each other everywhere.
  const popUpsMm = popUps?.addedMm ?? 0;
  // What a spine makes room for lies in that room; what is on the outside does not.
  const unwrappedMm =
    Math.max(
      sheets * caliperMm * spring + trimmings.addedMm,
      closed.depthMm > 0 ? closed.depthMm + caliperMm + trimmings.outsideMm : 0,
    ) +
    layersMm +
    popUpsMm;
  const { finishedWidthMm: widthMm, finishedHeightMm: heightMm } = job.size;
  const wraps = planWraps(job, workshop, { widthMm, heightMm, thicknessMm: unwrappedMm });
  const wrapsMm = wrapsThicknessMm(wraps.pieces);
  const tied = planRibbon(job, workshop, form, { widthMm, heightMm, thicknessMm: unwrappedMm + wrapsMm });
  const ribbonMm = tied.ribbon?.addedMm ?? 0;
  return {
    entry,
    options,
    optionFaults: faults,
    form,
    folding,
    faces,
    layers: {
      pieces: [...layers.pieces, ...(popUps?.pieces ?? []), ...wraps.pieces],
      snags: [...layers.snags, ...wraps.snags],
    },
    trimmings,
    popUps,
    ribbon: tied.ribbon,
    ribbonSnags: tied.snags,
    closed,
    sheets,
    spring,
    addedMm: layersMm + popUpsMm + trimmings.addedMm + wrapsMm + ribbonMm,
    thicknessMm: unwrappedMm + wrapsMm + ribbonMm,
  };
}

/**
 * How many sheets lie on each other where the shut card is thickest: a door in front and one behind that do not reach
 * each other are never both there. Between neighbouring edges of the panels the pile is the same everywhere, so that one
 * place in each such field tells all.
 */
function pileOf(form: FoldedForm, { levels }: Folding): number {
  const poses = readingPoses(form, shutState(form));
  const panels = form.blank.panels.map(({ id, outline }) => {
    const points = outline.map((p) => move(poses.get(id)!, inSpace(p)));
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    return {
      level: levels.at(-1)![id]!,
      ...{ left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) },
    };
  });
  const middles = (edges: readonly Mm[]): readonly Mm[] => {
    const sorted = [...edges].sort((a, b) => a - b);
    return sorted.slice(1).map((edge, i) => (edge + sorted[i]!) / 2);
  };
  const across = middles(panels.flatMap(({ left, right }) => [left, right]));
  const down = middles(panels.flatMap(({ top, bottom }) => [top, bottom]));
  const piles = across.flatMap((x) =>
    down.map((y) => {
      const here = panels.filter((p) => p.left < x && x < p.right && p.top < y && y < p.bottom);
      return new Set(here.map(({ level }) => level)).size;
    }),
  );
  return Math.max(1, ...piles);
}

/** The shut card, from the reader’s side: the box round every panel, without the paper’s own thickness. */
export function closedExtent(form: FoldedForm): { readonly widthMm: Mm; readonly heightMm: Mm; readonly depthMm: Mm } {
  const poses = readingPoses(form, shutState(form));
  const points = form.blank.panels.flatMap((panel) => panel.outline.map((p) => move(poses.get(panel.id)!, inSpace(p))));
  const extent = (axis: 0 | 1 | 2): Mm => {
    const values = points.map((p) => p[axis]);
    const mm = Math.max(...values) - Math.min(...values);
    return mm < 1e-9 ? 0 : mm;
  };
  return { widthMm: extent(0), heightMm: extent(1), depthMm: extent(2) };
}
