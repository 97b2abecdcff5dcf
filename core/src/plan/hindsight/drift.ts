import { LIMITS } from '../../job/limits.ts';
import { decide, type JobPlace } from '../../job/decide.ts';
import {
  driftFacts,
  DRIFT_RUN,
  simulateDrift,
  WANTED_FAULT_SHARE,
  type DriftFacts,
  type DriftRun,
} from '../../stations/art/drift/driftLab.ts';
import type { FacePlan } from '../../stations/art/faces/items.ts';
import type { ArtPlan } from '../../stations/art/types.ts';
import type { CutPlan } from '../../stations/cut/types.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import type { CutContext } from '../../stations/cut/planCuts.ts';
import { printSpreadOf } from '../../workshop/learnt/printSpread.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Mm } from '../../ground/length/types.ts';
import { tryOut } from '../../stations/sheet/layout/tryOut.ts';

/** A border narrower than this shows half a millimetre of drift as a sixth of itself, whoever cuts. */
const THIN_BORDER_MM = 3;
/** Up to this share of cards an uneven border that is wide is let pass. Our starting value. */
const SEEN_BORDER_SHARE = 0.1;
/** No border is asked to be wider. */
const MOST_BORDER_MM = 15;

/** The art, and the cuts that it is seen through. */
type DriftContext = CutContext & { readonly art: ArtPlan; readonly cut: CutPlan };

/**
 * The art’s plan with what the maker’s own trimmer would show of it: the drift lab’s figures, said without being asked.
 * They need the cuts, so they are worked out after them; what mends them is at Art.
 */
export function withDrift(context: DriftContext): ArtPlan {
  const { job, size, art, cut } = context;
  const printSpreadMm = printSpreadIn(context);
  const runs = art.faces.map((face): FaceRun => {
    const facts = driftFacts(face, size, job.size.bleedMm);
    return { face, facts, run: runOf(facts, cut.drift.worst.fromTrueMm, printSpreadMm) };
  });
  return {
    ...art,
    snags: [
      ...art.snags.map((snag) => withShare(snag, runs, cut)),
      ...smallBleed(context, runs),
      ...runs.flatMap((run) => unevenBorder(context, run)),
    ],
  };
}

/** A snag of art that ends short, with the share of cards that would show it. */
function withShare(snag: Snag, runs: readonly FaceRun[], { trimmer }: CutPlan): Snag {
  // A face’s own picture, or something on it.
  const found = runs.find(
    ({
      face: {
        face: { id },
      },
    }) => snag.id === `art-short-${id}` || snag.id.startsWith(`art-overhang-${id}-`),
  );
  if (!found) return snag;
  const share = found.run.perCause.sliver;
  return { ...snag, why: `${snag.why} Cut with ${trimmer.name}, ${percent(share)} of cards would show one.` };
}

const percent = (share: number): string => (share > 0 && share < 0.01 ? 'under 1 %' : `${Math.round(share * 100)} %`);

/** One run for each kind of face there is; most faces of a job are alike. */
const kept = new Map<string, DriftRun>();
const MOST_KEPT = 64;

function runOf(facts: DriftFacts, cutSpreadMm: Mm, printSpreadMm: Mm): DriftRun {
  const key = JSON.stringify([facts, cutSpreadMm, printSpreadMm]);
  let run = kept.get(key);
  if (!run) {
    const model = { biasRightMm: 0, biasDownMm: 0, printSpreadMm, cutSpreadMm };
    run = simulateDrift(facts, model, { ...DRIFT_RUN, wanted: WANTED_FAULT_SHARE });
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(key, run);
  }
  return run;
}

/** As the path’s own backs were found, where any were measured. */
const printSpreadIn = ({ workshop, stock: { printer, path } }: DriftContext): Mm =>
  printSpreadOf(workshop, printer.id, path.id);

interface FaceRun {
  readonly face: FacePlan;
  readonly facts: DriftFacts;
  readonly run: DriftRun;
}

function smallBleed(context: DriftContext, runs: readonly FaceRun[]): readonly Snag[] {
  const {
    job,
    workshop,
    art: { ink },
    cut,
  } = context;
  const { unit } = workshop;
  const printSpreadMm = printSpreadIn(context);
  // What ends short of the bleed is a snag of its own; here it is the bleed that is too small.
  const bled = runs
    .filter(({ facts }) => facts.bleedMm !== null && facts.cut.length > 0)
    .map((one) => ({ ...one, run: runOf({ ...one.facts, shortMm: {} }, cut.drift.worst.fromTrueMm, printSpreadMm) }));
  const worst = bled.reduce<FaceRun | null>(
    (most, one) => (!most || one.run.perCause.sliver > most.run.perCause.sliver ? one : most),
    null,
  );
  if (!worst || worst.run.perCause.sliver <= WANTED_FAULT_SHARE) return [];
  // Another bleed may be laid out another way, where each trim is at worst measured from an edge
  // that was itself cut from a cut edge: √3 of the tool’s own spread.
  const wanted = runOf(
    { ...worst.facts, shortMm: {} },
    Math.sqrt(3) * cut.drift.repeatabilityMm,
    printSpreadMm,
  ).bleedMm;
  const remedies: Remedy[] = [];
  if (wanted > job.size.bleedMm && wanted <= LIMITS.size.bleedMm.most) {
    const changes = [decide((job) => job.size.bleedMm, wanted)];
    const up = tryOut(job, workshop, ink, changes).comesOut;
    if (up > 0) remedies.push({ label: `Grow the bleed to ${formatLength(wanted, unit)}: ${up} up`, changes });
  }
  const pictured = bled.flatMap(({ face }) => {
    const { picture, art } = face;
    const alone = !art.background && !art.gradient && !art.pattern && !art.border;
    return picture && alone && picture.from === face.face.id && (picture.placement.across ?? []).length === 0
      ? [decide((job) => job.art.faces.at(face.face.id).picture, { ...picture.placement, fit: 'whole', zoom: 1 })]
      : [];
  });
  // Only where that leaves nothing at an edge is it a way out.
  if (pictured.length === bled.length)
    remedies.push({
      label: bled.length === 1 ? 'Leave a border round the picture' : 'Leave a border round the pictures',
      changes: pictured,
    });
  return [
    {
      id: 'art-bleed-small',
      station: 'art',
      level: 'warn',
      title: `A bleed of ${formatLength(job.size.bleedMm, unit)} is small for ${cut.trimmer.name}: ${percent(worst.run.perCause.sliver)} of cards would show a white sliver`,
      why: `A thousand cards cut as yours are, on the ${worst.face.face.name.toLowerCase()}: art goes on ${formatLength(job.size.bleedMm, unit)} past the trim, and a bleed of ${formatLength(wanted, unit)} keeps slivers under ${percent(WANTED_FAULT_SHARE)}. See Drift.`,
      remedies,
    },
  ];
}

function unevenBorder(
  { workshop: { unit }, cut }: DriftContext,
  { face, facts: { bandMm, cut: edges }, run }: FaceRun,
): readonly Snag[] {
  const { border } = face.art;
  if (!border || bandMm === null || edges.length === 0) return [];
  const share = run.perCause.border;
  const thin = bandMm < THIN_BORDER_MM;
  if (!thin && share <= SEEN_BORDER_SHARE) return [];
  const wide = Math.ceil(Math.max(run.bandMm, THIN_BORDER_MM) * 2) / 2;
  const place = (job: JobPlace) => job.art.faces.at(face.face.id).border;
  const name = face.face.name.toLowerCase();
  return [
    {
      id: `art-border-${face.face.id}`,
      station: 'art',
      level: thin ? 'warn' : 'note',
      title: `The border on the ${name} leaves ${formatLength(bandMm, unit)} to be even: ${percent(share)} of cards would show it`,
      why: `Cut with ${cut.trimmer.name}, one side comes out visibly wider than the other. ${formatLength(wide, unit)} keeps that under ${percent(WANTED_FAULT_SHARE)}; none at all forgives most. See Drift.`,
      remedies: [
        ...(wide <= MOST_BORDER_MM
          ? [
              {
                label: `Make it ${formatLength(wide, unit)} wide at the trim`,
                changes: [decide(place, { ...border, insetMm: 0, widthMm: wide })],
              },
            ]
          : []),
        { label: 'Take it off', changes: [decide(place, null)] },
      ],
    },
  ];
}
