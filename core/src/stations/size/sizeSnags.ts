import { decide, decideEach } from '../../job/decide.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { Folding } from '../../ground/fold/foldForm.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import { envelopeOnHand } from '../../job/pick.ts';
import type { Job } from '../../job/types.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import type { Workshop } from '../../workshop/types.ts';
import { TOLERANCE_MM } from '../../ground/geometry/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import { MM_PER_INCH, type Mm } from '../../ground/length/types.ts';
import { suitingEnvelopes } from './suitingEnvelopes.ts';
import { fitEnvelope, largestThatFits, SLACK_MM, type Fit } from './fitEnvelope.ts';
import { hingeFacts, LEAST_HINGE_SHARE } from './formats/parts/hinge.ts';
import { formatEntry, isOf, type OptionFault } from './formats/index.ts';
import { asTheBlankIs, isAsBought, readyCard } from './readyCard.ts';
import { ownOutline } from './formats/parts/shapes.ts';
import { OPTION_DEFAULTS, type FormatOptions, type OptionId } from '../../job/format.ts';
import { isFinishable, roundDown } from './limits.ts';
import { shutCard } from './shutCard.ts';
import { walletSnags } from './walletSnags.ts';
import { shutSnags } from './walletShuts.ts';

/** What planning found that a maker may have to hear of. */
export interface SizeFindings {
  readonly form: FoldedForm;
  readonly folding: Folding;
  readonly options: FormatOptions;
  readonly optionFaults: readonly OptionFault[];
  readonly colliding: { readonly step: number; readonly names: readonly string[] } | null;
  readonly fit: Fit | null;
  readonly thicknessMm: Mm;
}

export const sizeSnags = (job: Job, workshop: Workshop, found: SizeFindings): readonly Snag[] => [
  ...blankSnags(job, workshop),
  ...optionSnags(found, workshop),
  ...foldSnags(found, workshop),
  ...shapeSnags(job, workshop, found),
  ...(job.size.format === 'wallet'
    ? walletSnags({
        finish: { widthMm: job.size.finishedWidthMm, heightMm: job.size.finishedHeightMm },
        options: found.options,
        asked: { ...OPTION_DEFAULTS, ...job.size.options },
        ...{ caliperMm: found.folding.caliperMm, unit: workshop.unit },
      })
    : []),
  ...(job.size.format === 'wallet' ? shutSnags(job, workshop, found) : []),
  ...fitSnags(job, workshop, found.fit, found.thicknessMm),
  ...safeSnags(job, workshop),
  ...bareEdgeSnags(job, workshop, found.form.blank),
];

/** A ready-cut blank decides what comes of it. */
function blankSnags({ size, stock: { stockId } }: Job, { stocks, unit }: Workshop): readonly Snag[] {
  const stock = stocks.find(({ id }) => id === stockId);
  const card = stock && readyCard(stock);
  if (!card) return [];
  if (isAsBought(size, stock)) return [];
  const shortMm = card.options.shortFrontMm ?? 0;
  const said = `${formatEntry(card.format).name.toLowerCase()}, ${formatSize(card.finishedWidthMm, card.finishedHeightMm, unit)}${shortMm > TOLERANCE_MM ? `, its front ${formatLength(shortMm, unit)} shorter` : ''}`;
  return [
    {
      id: 'size-not-the-blank',
      station: 'size',
      level: 'stop',
      title: 'This is not the card that your blanks fold to',
      why: `${stock.name} is bought ready cut: ${said}. Nothing is cut off it, so the card is as large as that.`,
      remedies: [{ label: `Make it as the blank is: ${said}`, changes: asTheBlankIs(card) }],
    },
  ];
}

const setOption = (part: Partial<FormatOptions>, label: string): Remedy => ({
  label,
  changes: decideEach((job) => job.size.options, part),
});
/** Up to a tenth of a millimetre: a remedy must be enough. */
const roundUp = (mm: Mm): Mm => Math.ceil(mm * 10 - 1e-9) / 10;

function optionSnags({ optionFaults }: SizeFindings, { unit }: Workshop): readonly Snag[] {
  return optionFaults.map(({ option, label, least, most, given, nearest }): Snag => {
    const say = (value: number): string => (option.endsWith('Mm') ? formatLength(value, unit) : String(value));
    // Limits that are lengths are drawn in to a tenth, so that the remedy is one that can be typed.
    const value = option.endsWith('Mm') ? (nearest === least ? roundUp(nearest) : roundDown(nearest)) : nearest;
    return {
      id: `size-option-${option}`,
      station: 'size',
      level: 'stop',
      title: `${label} cannot be ${say(given)}`,
      why: `On a card of this size it goes from ${say(least)} to ${say(most)}; it is drawn at ${say(nearest)}.`,
      remedies: [setOption({ [option]: value }, `Set it to ${say(value)}`)],
    };
  });
}

function foldSnags({ form, folding, options, colliding }: SizeFindings, { unit }: Workshop): readonly Snag[] {
  const nameOf = (id: string): string => form.blank.panels.find((p) => p.id === id)!.name;
  const snags: Snag[] = [];
  const jams = folding.faults.filter((f) => f.kind === 'tooLong');
  const worst = [...jams].sort((a, b) => b.byMm - a.byMm)[0];
  if (worst) {
    const wrap = roundUp((options.shortenMm ?? 0) + worst.byMm);
    snags.push({
      id: 'size-fold-jams',
      station: 'size',
      level: 'stop',
      title: `${nameOf(worst.panelId)} is too long by ${fixed(worst.byMm, 1)} mm`,
      why: `At step ${worst.step + 1} it lies in the bend: round a pile this thick the fold needs that much more room, so it jams or bulges.`,
      remedies: [
        setOption({ shortenMm: null }, 'Let the card’s thickness set the shortening'),
        setOption({ shortenMm: wrap }, `Shorten each wrap by ${formatLength(wrap, unit)}`),
      ],
    });
  }
  for (const fault of folding.faults)
    if (fault.kind === 'trapped')
      snags.push({
        id: `size-fold-trapped-${fault.panelId}`,
        station: 'size',
        level: 'stop',
        title: `${nameOf(fault.panelId)} is trapped under ${nameOf(fault.underPanelId).toLowerCase()}`,
        why: `At step ${fault.step + 1} it should turn, but another panel lies over it already.`,
        remedies: [],
      });
  if (colliding)
    snags.push({
      id: 'size-fold-collides',
      station: 'size',
      level: 'stop',
      title: `${colliding.names.join(' and ')} run into each other`,
      why: `At step ${colliding.step + 1} one would have to pass through the other.`,
      remedies: [],
    });
  return snags;
}

function shapeSnags(job: Job, { unit }: Workshop, { options }: SizeFindings): readonly Snag[] {
  if (!isOf(job.size.format, 'shape')) return [];
  const finish = { widthMm: job.size.finishedWidthMm, heightMm: job.size.finishedHeightMm };
  if (options.shape === 'own') {
    const read = ownOutline(options.path, finish.widthMm, finish.heightMm);
    if (!read.ok)
      return [
        {
          id: 'size-own-path',
          station: 'size',
          level: 'stop',
          title: 'Your path cannot be cut out',
          why: `It stands as an oval for now: ${read.why}.`,
          remedies: [setOption({ shape: 'oval' }, 'Use an oval instead')],
        },
      ];
  }
  const hinge = hingeFacts(finish, options);
  const least = hinge.extentMm * LEAST_HINGE_SHARE;
  const remedies = (): readonly Remedy[] =>
    (
      [
        { hingeInsetMm: null },
        { hinge: options.hinge === 'left' ? 'top' : 'left' },
        { hinge: options.hinge === 'left' ? 'top' : 'left', hingeInsetMm: null },
        { shape: 'oval', hingeInsetMm: null },
      ] satisfies readonly Partial<FormatOptions>[]
    ).flatMap((change) => {
      const then = { ...options, ...change };
      const facts = hingeFacts(finish, then);
      const same = Object.entries(change).every(([key, value]) => options[key as OptionId] === value);
      if (same || facts.broken || facts.hingeMm < facts.extentMm * LEAST_HINGE_SHARE) return [];
      return [
        {
          label: sayHinge(change, facts.insetMm, unit),
          changes: decideEach((job) => job.size.options, change),
        },
      ];
    });
  if (hinge.broken)
    return [
      {
        id: 'size-hinge-broken',
        station: 'size',
        level: 'stop',
        title: 'There is no whole hinge there',
        why: 'The straight line meets the outline in a point, or in more than one piece, so nothing would hold the two halves. It is drawn where a hinge would hold.',
        remedies: remedies().slice(0, 2),
      },
    ];
  if (hinge.hingeMm < least)
    return [
      {
        id: 'size-hinge-short',
        station: 'size',
        level: 'warn',
        title: `The hinge is only ${formatLength(hinge.hingeMm, unit)} long`,
        why: `A shape of ${formatLength(hinge.extentMm, unit)} wants a hinge of about a third of that, ${formatLength(least, unit)}, or the card swings and tears.`,
        remedies: remedies().slice(0, 2),
      },
    ];
  return roundness(job, unit, options, hinge.insetMm);
}

const sayHinge = (change: Partial<FormatOptions>, insetMm: Mm, unit: Workshop['unit']): string =>
  [
    ...(change.shape ? ['Use an oval'] : []),
    ...(change.hinge ? [change.hinge === 'top' ? 'Hinge it on top' : 'Hinge it on the left'] : []),
    ...(change.hingeInsetMm === null ? [`Set the hinge in by ${formatLength(insetMm, unit)}`] : []),
  ].join('; ');

/** An oval that all but is a circle was most likely meant to be one. */
function roundness(job: Job, unit: Workshop['unit'], options: FormatOptions, insetMm: Mm): readonly Snag[] {
  const { finishedWidthMm: w, finishedHeightMm: h } = job.size;
  const [across, down] = options.hinge === 'left' ? [w + insetMm, h] : [w, h + insetMm];
  const off = Math.abs(across - down);
  if (options.shape !== 'oval' || off < 0.05 || off > Math.max(across, down) * 0.12) return [];
  const field = options.hinge === 'left' ? 'finishedWidthMm' : 'finishedHeightMm';
  const value = Math.round((options.hinge === 'left' ? h : w) * 100 - insetMm * 100) / 100;
  return [
    {
      id: 'size-nearly-round',
      station: 'size',
      level: 'note',
      title: `An oval ${formatLength(off, unit)} off a circle`,
      why: `With the hinge’s inset the whole outline is ${formatSize(across, down, unit)}.`,
      remedies: isFinishable(value)
        ? [
            {
              label: `Make it a circle: ${formatLength(value, unit)} shut`,
              changes: [
                decide((job) => job.size[field], value),
                decide((job) => job.size.options.hingeInsetMm, Math.round(insetMm * 100) / 100),
              ],
            },
          ]
        : [],
    },
  ];
}

/** Sizes tried before it is said that none will do. */
const TRIES = 4;

/**
 * The largest card that slides well into an envelope held this way round. Another size may fold to another
 * thickness (a spine drawn in for a small card comes out again, a mat may no longer lie on it), so each size
 * is folded and asked of the envelope before it is offered. Null when none is found.
 */
function largestCardFor(
  job: Job,
  workshop: Workshop,
  inside: { readonly insideWidthMm: Mm; readonly insideHeightMm: Mm },
  thicknessMm: Mm,
): { readonly widthMm: Mm; readonly heightMm: Mm } | null {
  let thick = thicknessMm;
  for (let n = 0; n < TRIES; n += 1) {
    const room = largestThatFits(inside, thick);
    const [widthMm, heightMm] = [roundDown(room.widthMm), roundDown(room.heightMm)];
    if (!isFinishable(widthMm) || !isFinishable(heightMm)) return null;
    const then = { ...job, size: { ...job.size, finishedWidthMm: widthMm, finishedHeightMm: heightMm } };
    const made = shutCard(then, workshop).thicknessMm;
    const { word } = fitEnvelope({ widthMm, heightMm, thicknessMm: made }, inside);
    if (word !== 'jams' && word !== 'will not go in' && word !== 'rattles') return { widthMm, heightMm };
    thick = Math.max(made, thick + 0.1);
  }
  return null;
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
  const largest = largestCardFor(job, workshop, inside, thicknessMm);
  const remedies: Remedy[] = [];
  if (largest)
    remedies.push({
      label: `Make it ${formatSize(largest.widthMm, largest.heightMm, unit)}, the largest that slides in well`,
      changes: [
        decide((job) => job.size.finishedWidthMm, largest.widthMm),
        decide((job) => job.size.finishedHeightMm, largest.heightMm),
      ],
    });
  remedies.push(...betterEnvelopes(job, workshop, thicknessMm));
  if (!job.envelope.make)
    remedies.push({
      label: 'Make an envelope to fit',
      changes: [decide((job) => job.brief.envelope, { kind: 'none' }), decide((job) => job.envelope.make, true)],
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
        `Slack is ${slackA} across and ${slackB} down once the card’s ${fixed(thicknessMm, 2)} mm thickness is counted. ` +
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
  return suitingEnvelopes(card, workshop)
    .slice(0, 2)
    .map((envelope) => ({
      label: `Use ${envelope.name} instead (${envelope.onShelf} on the shelf)`,
      changes: [decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId: envelope.id })],
    }));
}

/** Bare edges that meet: nothing of the art would be printed. */
function bareEdgeSnags(
  { size: { bareEdgeMm = 0 } }: Job,
  { unit }: Workshop,
  { widthMm, heightMm }: { readonly widthMm: Mm; readonly heightMm: Mm },
): readonly Snag[] {
  const most = Math.min(widthMm, heightMm) / 2;
  if (bareEdgeMm < most) return [];
  const less = unit === 'in' ? MM_PER_INCH / 8 : 3;
  return [
    {
      id: 'size-bare-edge-wide',
      station: 'size',
      level: 'stop',
      title: 'The bare edge leaves no room for art',
      why: `${formatLength(bareEdgeMm, unit)} from each edge of the open card meets in its middle, and nothing would be printed.`,
      remedies: [
        {
          label: `Keep a bare edge of ${formatLength(less, unit)}`,
          changes: [decide((job) => job.size.bareEdgeMm, less)],
        },
        { label: 'Let art run off the edges', changes: [decide((job) => job.size.bareEdgeMm, 0)] },
      ],
    },
  ];
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
        remedies: [{ label: 'Set safe to 3 mm', changes: [decide((job) => job.size.safeMm, 3)] }],
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
        remedies: [{ label: 'Set bleed to 3 mm', changes: [decide((job) => job.size.bleedMm, 3)] }],
      },
    ];
  return [];
}
