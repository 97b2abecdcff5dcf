import type { Mm } from '../../ground/length/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { decide } from '../../job/decide.ts';
import type { BoughtFlapShape } from '../../job/envelopeStyles.ts';
import { DEFAULTS } from '../../job/newJob.ts';
import type { Snag } from '../../job/findings.ts';
import type { BoughtFlap, Job } from '../../job/types.ts';
import type { Workshop } from '../../workshop/types.ts';
import { fitEnvelope, type FitWord } from '../size/fitEnvelope.ts';
import type { EnvelopeQuestion } from './build/asFolded.ts';
import { flapShare } from './styles/parts.ts';
import { seamed, type FlapShape } from './styles/seamed.ts';
import { LEANING, sideSeam } from './styles/sideSeam.ts';
import { squareFlap, STRAIGHT } from './styles/squareFlap.ts';
import type { Contents } from './measures.ts';
import type { EnvelopeMeasures } from './styles/types.ts';

/** To a point that is rounded off: its tip is a twentieth as wide as its fold. Our starting value. */
const TO_A_POINT: FlapShape = { leanMm: (_flapMm, widthMm) => (widthMm * 0.95) / 2, inMm: 0 };

/** How a flap of each shape narrows, and how deep it is where nobody has measured it. */
const FLAPS: Readonly<Record<BoughtFlapShape, { readonly shape: FlapShape; readonly flapMm: typeof sideSeam.flapMm }>> =
  {
    leaning: { shape: LEANING, flapMm: sideSeam.flapMm },
    square: { shape: STRAIGHT, flapMm: squareFlap.flapMm },
    // As deep as it is on most: its point lies past the middle of the back.
    pointed: { shape: TO_A_POINT, flapMm: flapShare(0.6) },
  };

/** What is known of an envelope that was bought, beside its inside. */
export const flapOf = (flap: BoughtFlap | undefined): BoughtFlap =>
  flap ?? { shape: 'leaning', depthMm: null, opens: 'long' };

/**
 * An envelope that was bought, as what it is to a card, a liner and a printer: a flat one whose front is its inside, with a
 * flap as it was measured. What holds it together behind is not known, and nothing is made from it.
 */
export function boughtAs(
  { insideWidthMm, insideHeightMm }: { readonly insideWidthMm: Mm; readonly insideHeightMm: Mm },
  measures: EnvelopeMeasures,
  flap: BoughtFlap | undefined,
): EnvelopeQuestion {
  const { shape, depthMm, opens } = flapOf(flap);
  const [long, short] = [Math.max(insideWidthMm, insideHeightMm), Math.min(insideWidthMm, insideHeightMm)];
  const [width, height] = opens === 'long' ? [long, short] : [short, long];
  const own = {
    ...measures,
    ...{ insideWidthMm: width, insideHeightMm: height },
    ...{ cornerMm: 0, path: '', throatMm: DEFAULTS.throatMm, seamMm: DEFAULTS.seamMm },
  };
  const { shape: narrows, flapMm } = FLAPS[shape];
  return {
    style: { ...sideSeam, parts: (of) => seamed(of, narrows) },
    measures: { ...own, flapMm: depthMm ?? flapMm(own) },
    windows: [],
    caliperMm: 0,
    flap: shape,
  };
}

const TOO_TIGHT: ReadonlySet<FitWord> = new Set(['will not go in', 'jams']);

/**
 * What is wrong with an envelope that was bought once it is lined: how its card fits bare is said at Size.
 * @param card with its liner beside it
 */
export function boughtSnags(
  job: Job,
  { unit, stocks }: Workshop,
  {
    bought,
    card,
  }: {
    readonly bought: { readonly name: string; readonly insideWidthMm: Mm; readonly insideHeightMm: Mm };
    readonly card: Contents;
  },
): readonly Snag[] {
  const { liner = null, boughtFlap } = job.envelope;
  const { opens, depthMm } = flapOf(boughtFlap);
  const sides = [bought.insideWidthMm, bought.insideHeightMm];
  const highMm = opens === 'long' ? Math.min(...sides) : Math.max(...sides);
  const linerMm = liner ? (stocks.find(({ id }) => id === liner.stockId)?.caliperMicron ?? 0) / 1000 : 0;
  const bare = fitEnvelope({ ...card, thicknessMm: card.thicknessMm - linerMm }, bought);
  const lined = fitEnvelope(card, bought);
  const slack = Math.min(lined.slackWidthMm, lined.slackHeightMm);
  return [
    ...(depthMm !== null && depthMm > highMm
      ? [
          {
            id: 'envelope-flap-deep',
            station: 'envelope' as const,
            level: 'warn' as const,
            title: 'The flap is deeper than the envelope',
            why: `It is ${formatLength(depthMm, unit)} from its fold to its tip; the envelope is ${formatLength(highMm, unit)} high below its opening.`,
            remedies: [
              { label: 'Take it as most are', changes: [decide((at) => at.envelope.boughtFlap.depthMm, null)] },
            ],
          },
        ]
      : []),
    ...(liner && TOO_TIGHT.has(lined.word) && !TOO_TIGHT.has(bare.word)
      ? [
          {
            id: 'envelope-liner-tight',
            station: 'envelope' as const,
            level: 'warn' as const,
            title: 'With its liner the envelope is too tight',
            why: `The card goes in bare; the liner’s ${formatLength(linerMm, unit)} leave ${formatLength(slack, unit)} to spare.`,
            remedies: [{ label: 'Leave the liner out', changes: [decide((at) => at.envelope.liner, null)] }],
          },
        ]
      : []),
  ];
}
