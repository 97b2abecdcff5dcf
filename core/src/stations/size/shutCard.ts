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
import { openCard } from './openCard.ts';

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
  const { options, faults, form } = openCard(job, workshop);
  const caliperMm = stockOf(job, workshop).caliperMicron / 1000;
  const folding = planFolding(form, caliperMm);
  const faces = readFaces(form);
  const layers = planLayers(job, workshop, form, faces);
  const closed = closedExtent(form);
  const sheets = pileOf(folding);
  const spring = sheets > 1 ? FOLD_SPRING : 1;
  const addedMm = layersThicknessMm(layers.pieces);
  const thicknessMm = Math.max(sheets * caliperMm * spring, closed.depthMm + caliperMm) + addedMm;
  return {
    entry,
    options,
    optionFaults: faults,
    form,
    folding,
    faces,
    layers,
    closed,
    sheets,
    spring,
    addedMm,
    thicknessMm,
  };
}

/** How many sheets lie on each other where the shut card is thickest. */
const pileOf = ({ levels }: Folding): number => {
  const shut = Object.values(levels.at(-1)!);
  return Math.max(...shut) - Math.min(...shut) + 1;
};

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
