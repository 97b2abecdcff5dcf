import { readFaces, type ReadFace } from '../fold/readFaces.ts';
import type { FoldedForm } from '../fold/types.ts';
import { count, figure, length, ratio, words } from '../job/figures.ts';
import { envelopeOnHand, stockOf } from '../job/pick.ts';
import type { Figure, Job, Remedy, Snag, StationPlan, Workshop } from '../job/types.ts';
import { formatLength, formatSize } from '../length/formatLength.ts';
import type { Mm } from '../length/types.ts';
import { fitEnvelope, largestThatFits, SLACK_MM, type Fit } from './fitEnvelope.ts';
import { formatOf } from './formats.ts';
import { sizeName } from './namedSizes.ts';

export interface SizePlan extends StationPlan {
  readonly formatName: string;
  readonly form: FoldedForm;
  readonly faces: readonly ReadFace[];
  readonly finishedWidthMm: Mm;
  readonly finishedHeightMm: Mm;
  readonly thicknessMm: Mm;
  readonly bleedMm: Mm;
  readonly safeMm: Mm;
  readonly fit: Fit | null;
  readonly name: string | null;
}

/** A fold pressed flat with a bone keeps about this much of its spring: between 1.0 burnished and 1.5 not. */
const SPRING = 1.25;
export const SMALLEST_FINISHED_MM = 30;
export const LARGEST_FINISHED_MM = 900;
export const isFinishable = (mm: Mm): boolean => mm >= SMALLEST_FINISHED_MM && mm <= LARGEST_FINISHED_MM;

export function planSize(job: Job, workshop: Workshop): SizePlan {
  const { finishedWidthMm, finishedHeightMm, bleedMm, safeMm } = job.size;
  const unit = workshop.unit;
  const format = formatOf(job.size);
  const form = format.form(finishedWidthMm, finishedHeightMm);
  const stock = stockOf(job, workshop);
  const caliperMm = stock.caliperMicron / 1000;
  const spring = format.layers > 1 ? SPRING : 1;
  const thicknessMm = format.layers * caliperMm * spring;
  const envelope = envelopeOnHand(job, workshop);
  const card = { widthMm: finishedWidthMm, heightMm: finishedHeightMm, thicknessMm };
  const fit = envelope ? fitEnvelope(card, envelope) : null;
  const name = sizeName(finishedWidthMm, finishedHeightMm);
  const figures: Figure[] = [
    figure('finished', 'Finished', words(formatSize(finishedWidthMm, finishedHeightMm, unit)), 'as chosen'),
    figure(
      'blank',
      'Open blank',
      words(formatSize(form.blank.widthMm, form.blank.heightMm, unit)),
      'the panels side by side, before folding',
      {
        'Panel width': length(finishedWidthMm),
        'Panel height': length(finishedHeightMm),
        Panels: count(form.blank.panels.length),
      },
    ),
    figure('thickness', 'Folded thickness', length(thicknessMm), 'layers × caliper × spring', {
      Layers: count(format.layers),
      Caliper: words(`${stock.caliperMicron} µm`),
      'Spring (1 pressed hard, 1.5 loose)': ratio(spring),
    }),
  ];
  if (envelope && fit) {
    const sides = fit.turned ? 'turned on its side' : 'as it stands';
    figures.push(
      figure('slackWidth', 'Slack across', length(fit.slackWidthMm), `inside width − card − thickness, ${sides}`, {
        'Inside width': length(envelope.insideWidthMm),
        Card: length(fit.turned ? finishedHeightMm : finishedWidthMm),
        Thickness: length(thicknessMm),
      }),
      figure('slackHeight', 'Slack down', length(fit.slackHeightMm), `inside height − card − thickness, ${sides}`, {
        'Inside height': length(envelope.insideHeightMm),
        Card: length(fit.turned ? finishedWidthMm : finishedHeightMm),
        Thickness: length(thicknessMm),
      }),
    );
  }
  return {
    formatName: format.name,
    form,
    faces: readFaces(form),
    finishedWidthMm,
    finishedHeightMm,
    thicknessMm,
    bleedMm,
    safeMm,
    fit,
    name,
    verdict: verdict(format.name, name, finishedWidthMm, finishedHeightMm, fit, envelope?.name ?? null, workshop),
    telling: formatSize(finishedWidthMm, finishedHeightMm, unit),
    figures,
    snags: [...fitSnags(job, workshop, fit, thicknessMm), ...safeSnags(job, workshop)],
  };
}

function verdict(
  format: string,
  name: string | null,
  widthMm: Mm,
  heightMm: Mm,
  fit: Fit | null,
  envelope: string | null,
  { unit }: Workshop,
): string {
  const what = `${format} card, ${formatSize(widthMm, heightMm, unit)}${name ? ` (${name})` : ''}`;
  if (!fit || !envelope) return `${what}. No envelope is named yet, so nothing checks the fit.`;
  const least = formatLength(Math.min(fit.slackWidthMm, fit.slackHeightMm), unit);
  switch (fit.word) {
    case 'good':
    case 'tight':
      return `${what}: ${fit.word === 'good' ? 'slides into' : 'a snug fit in'} ${envelope} with ${least} to spare.`;
    case 'loose':
      return `${what}: goes into ${envelope} with room to move.`;
    case 'rattles':
      return `${what}: rattles about in ${envelope}.`;
    default:
      return `${what}: does not go into ${envelope}.`;
  }
}

function fitSnags(job: Job, workshop: Workshop, fit: Fit | null, thicknessMm: Mm): readonly Snag[] {
  const envelope = envelopeOnHand(job, workshop);
  if (!fit || !envelope || fit.word === 'good' || fit.word === 'tight' || fit.word === 'loose') return [];
  const unit = workshop.unit;
  const spoken = (mm: Mm): string => formatLength(mm, unit);
  const [slackA, slackB] = [spoken(fit.slackWidthMm), spoken(fit.slackHeightMm)];
  const inside = fit.turned
    ? { insideWidthMm: envelope.insideHeightMm, insideHeightMm: envelope.insideWidthMm }
    : envelope;
  const largest = largestThatFits(inside, thicknessMm);
  const remedies: Remedy[] = [];
  if (isFinishable(roundDown(largest.widthMm)) && isFinishable(roundDown(largest.heightMm)))
    remedies.push({
      label: `Make it ${formatSize(largest.widthMm, largest.heightMm, unit)}, the largest that slides in well`,
      changes: [
        { path: ['size', 'finishedWidthMm'], value: roundDown(largest.widthMm) },
        { path: ['size', 'finishedHeightMm'], value: roundDown(largest.heightMm) },
      ],
    });
  remedies.push(...betterEnvelopes(job, workshop, thicknessMm));
  if (!job.envelope.make)
    remedies.push({
      label: 'Make an envelope to fit',
      changes: [
        { path: ['brief', 'envelope'], value: { kind: 'none' } },
        { path: ['envelope', 'make'], value: true },
      ],
    });
  const rattles = fit.word === 'rattles';
  return [
    {
      id: rattles ? 'size-rattles' : 'size-jams',
      station: 'size',
      level: rattles ? 'warn' : 'stop',
      title: rattles
        ? `The card rattles in ${envelope.name}`
        : `The card ${fit.word === 'jams' ? 'jams in' : 'will not go into'} ${envelope.name}`,
      why:
        `Slack is ${slackA} across and ${slackB} down once the card’s ${thicknessMm.toFixed(2)} mm thickness is counted. ` +
        (rattles
          ? `Over ${SLACK_MM.rattles} mm it slides about in the post.`
          : `It wants at least ${SLACK_MM.tight} mm to slide in.`),
      remedies,
    },
  ];
}

/** Up to two envelopes on the shelf that suit the card as it is. */
function betterEnvelopes(job: Job, workshop: Workshop, thicknessMm: Mm): readonly Remedy[] {
  const card = { widthMm: job.size.finishedWidthMm, heightMm: job.size.finishedHeightMm, thicknessMm };
  return workshop.envelopes
    .filter((envelope) => fitEnvelope(card, envelope).word === 'good' || fitEnvelope(card, envelope).word === 'tight')
    .slice(0, 2)
    .map((envelope) => ({
      label: `Use ${envelope.name} instead (${envelope.onShelf} on the shelf)`,
      changes: [{ path: ['brief', 'envelope'], value: { kind: 'shelf', envelopeId: envelope.id } }],
    }));
}

function safeSnags(job: Job, { unit }: Workshop): readonly Snag[] {
  const { bleedMm, finishedWidthMm, finishedHeightMm, safeMm } = job.size;
  const most = Math.min(finishedWidthMm, finishedHeightMm) / 2;
  if (safeMm >= most)
    return [
      {
        id: 'size-safe-wide',
        station: 'size',
        level: 'stop',
        title: 'The safe inset leaves no room for words',
        why: `${formatLength(safeMm, unit)} from each side meets in the middle of the card.`,
        remedies: [{ label: 'Set safe to 3 mm', changes: [{ path: ['size', 'safeMm'], value: 3 }] }],
      },
    ];
  if (bleedMm > 0 && bleedMm < 2)
    return [
      {
        id: 'size-bleed-thin',
        station: 'size',
        level: 'note',
        title: `A bleed of ${formatLength(bleedMm, unit)} forgives little`,
        why: 'A hand trimmer drifts by a millimetre or so; art that stops sooner than that leaves a white sliver.',
        remedies: [{ label: 'Set bleed to 3 mm', changes: [{ path: ['size', 'bleedMm'], value: 3 }] }],
      },
    ];
  return [];
}

/** To a tenth of a millimetre, never up: a rounded card must still slide in. */
export const roundDown = (mm: Mm): Mm => Math.floor(mm * 10 + 1e-9) / 10;
