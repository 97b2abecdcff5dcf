import { shrink } from '../../ground/geometry/box.ts';
import { areaOf } from '../../ground/geometry/polygon.ts';
import { TOLERANCE_MM, type Sides } from '../../ground/geometry/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import { decide, decideEach } from '../../job/decide.ts';
import { DEFAULTS } from '../../job/newJob.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import { sortedBy } from '../../job/sorted.ts';
import type { LengthUnit } from '../../ground/length/types.ts';
import type { EnvelopeChoice, WindowChoice } from '../../job/types.ts';
import { BOUGHT_SHEETS } from '../../workshop/namedSizes.ts';
import { sheetPriceOf } from '../../workshop/sheetPrice.ts';
import type { Stock, Workshop } from '../../workshop/types.ts';
import { LEAST_GLUE_MM } from './build/judgeFolded.ts';
import type { BuiltEnvelope } from './build/types.ts';
import { FLAP_HOLD_MM, GLUE_INSET_MM, leastFlapMm } from './styles/parts.ts';
import type { EnvelopeMeasures, EnvelopeStyle } from './styles/types.ts';
import { ownOutline } from '../size/formats/parts/shapes.ts';
import { WINDOW_EDGE_MM, windowTooNearMm, windowWithin } from './window.ts';

/** An envelope on its sheet, as it is judged. */
interface Laid {
  readonly style: EnvelopeStyle;
  readonly measures: EnvelopeMeasures;
  readonly built: BuiltEnvelope;
  readonly window: WindowChoice | null;
  readonly stock: Stock;
  readonly up: number;
  readonly margins: Sides;
  /** It, with something chosen otherwise. */
  readonly wouldBe: (part: Partial<EnvelopeChoice>) => BuiltEnvelope;
  /** How many of it another sheet would give. */
  readonly on: (widthMm: number, heightMm: number) => { readonly up: number };
}

const flapFollows: Remedy = {
  label: 'Let the flap follow the height',
  changes: [decide((job) => job.envelope.flapMm, null)],
};

/** Ways out of what folding shows, the least change first. Each is tried before it is offered. */
const waysOutIn = (unit: LengthUnit): readonly { readonly label: string; readonly part: Partial<EnvelopeChoice> }[] => [
  { label: 'Let the flap follow the height', part: { flapMm: null } },
  { label: `Make the throat ${formatLength(DEFAULTS.throatMm, unit)}`, part: { throatMm: DEFAULTS.throatMm } },
  { label: `Make the seam ${formatLength(DEFAULTS.seamMm, unit)}`, part: { seamMm: DEFAULTS.seamMm } },
  {
    label: 'Make it with a side seam, everything as usual',
    part: { style: 'sideSeam', flapMm: null, throatMm: DEFAULTS.throatMm, seamMm: DEFAULTS.seamMm },
  },
  { label: 'Make it with four points', part: { style: 'pointed', seamMm: DEFAULTS.seamMm } },
];

function waysOut(
  { unit }: Workshop,
  { wouldBe }: Laid,
  isSettled: (built: BuiltEnvelope) => boolean,
): readonly Remedy[] {
  const sound = waysOutIn(unit)
    .filter(({ part }) => isSettled(wouldBe(part)))
    .slice(0, 3);
  return [
    ...sound.map(({ label, part }) => ({ label, changes: decideEach((job) => job.envelope, part) })),
    ...(sound.length === 0
      ? [{ label: 'Make no envelopes', changes: [decide((job) => job.envelope.make, false)] }]
      : []),
  ];
}

/** What would not hold, not shut or not fit, each told from the envelope as it is folded. */
export function envelopeSnags(workshop: Workshop, laid: Laid): readonly Snag[] {
  return [
    ...flapSnags(workshop, laid),
    ...foldedSnags(workshop, laid),
    ...windowSnags(workshop, laid),
    ...sheetSnags(workshop, laid),
  ];
}

function flapSnags(
  { unit }: Workshop,
  { style, measures: { flapMm, throatMm, insideHeightMm } }: Laid,
): readonly Snag[] {
  if (!style.asks.includes('flapMm')) return [];
  const snags: Snag[] = [];
  if (flapMm < leastFlapMm(throatMm) - TOLERANCE_MM)
    snags.push({
      id: 'envelope-flap',
      station: 'envelope',
      level: 'warn',
      title: 'The flap is too short to hold',
      why: `It must pass the throat of ${formatLength(throatMm, unit)} and reach ${formatLength(FLAP_HOLD_MM, unit)} on to the back.`,
      remedies: [flapFollows],
    });
  const longest = insideHeightMm - GLUE_INSET_MM;
  if (flapMm > longest + TOLERANCE_MM)
    snags.push({
      id: 'envelope-flap-long',
      station: 'envelope',
      level: 'stop',
      title: 'The flap is longer than the envelope',
      why: `Folded down, ${formatLength(flapMm, unit)} reaches past the lower fold: the envelope is ${formatLength(insideHeightMm, unit)} high, and a flap ends ${formatLength(GLUE_INSET_MM, unit)} short of that.`,
      remedies: [flapFollows],
    });
  return snags;
}

/** Told by folding it: what reaches past an edge, leaves a gap, or has too little to be glued by. */
function foldedSnags(workshop: Workshop, laid: Laid): readonly Snag[] {
  const { unit } = workshop;
  const { style, measures, built } = laid;
  const fault = style.fault?.(measures);
  const snag = (id: string, title: string, why: string, remedies: readonly Remedy[]): Snag => ({
    ...{ id, station: 'envelope', level: 'stop', title, why, remedies },
  });
  if (fault)
    return [
      snag('envelope-path', 'Your path cannot be used for an envelope', `As it is, ${fault}.`, [
        { label: 'Make it with four points', changes: [decide((job) => job.envelope.style, 'pointed')] },
        { label: 'Use an oval instead', changes: decideEach((job) => job.envelope, { path: '', flapMm: null }) },
      ]),
    ];
  const past = pastOf(built);
  const loose = looseIn(built);
  return [
    ...(past.length > 0
      ? [
          snag(
            'envelope-past',
            `The ${past[0]!.name} reaches past the envelope`,
            `Folded in, it stands ${formatLength(Math.max(...past.map(({ byMm }) => byMm)), unit)} out over the far edge.`,
            waysOut(workshop, laid, (other) => pastOf(other).length === 0),
          ),
        ]
      : []),
    ...(built.gaps.length > 0
      ? [
          snag(
            'envelope-gap',
            'The envelope does not shut all round',
            `Folded, it leaves ${Math.max(1, Math.round(built.gaps.reduce((sum, gap) => sum + areaOf(gap), 0)))} mm² of the front uncovered.`,
            waysOut(workshop, laid, ({ gaps }) => gaps.length === 0),
          ),
        ]
      : []),
    ...(loose
      ? [
          snag(
            'envelope-hold',
            `Too little of the ${loose.name} to glue it by`,
            `Less than ${formatLength(LEAST_GLUE_MM, unit)} across is left where it lies on what it is glued to, ${formatLength(GLUE_INSET_MM, unit)} off every edge.`,
            waysOut(workshop, laid, (other) => looseIn(other) === undefined),
          ),
        ]
      : []),
  ];
}

/** That a flap is too long is told already, and that it is too short to be glued. */
const pastOf = ({ past }: BuiltEnvelope): BuiltEnvelope['past'] => past.filter(({ name }) => name !== 'flap');
const looseIn = ({ held }: BuiltEnvelope): BuiltEnvelope['held'][number] | undefined =>
  held.find(({ holds, id }) => !holds && id !== 'flap');

function windowSnags({ unit }: Workshop, { window, measures }: Laid): readonly Snag[] {
  const own = window?.shape === 'own' ? ownOutline(window.path ?? '', window.widthMm, window.heightMm) : null;
  if (window && own && !own.ok)
    return [
      {
        id: 'envelope-window-path',
        station: 'envelope',
        level: 'stop',
        title: 'The window’s path cannot be read',
        why: `${own.why.charAt(0).toUpperCase()}${own.why.slice(1)}. An oval is drawn until it can.`,
        remedies: [
          { label: 'Make it an oval', changes: [decide((job) => job.envelope.window, { ...window, shape: 'oval' })] },
        ],
      },
    ];
  if (!window || windowTooNearMm(window, measures) <= TOLERANCE_MM) return [];
  return [
    {
      id: 'envelope-window',
      station: 'envelope',
      level: 'stop',
      title: 'The window is too near a fold',
      why: `It wants ${formatLength(WINDOW_EDGE_MM, unit)} of card all round; the front is ${formatSize(measures.insideWidthMm, measures.insideHeightMm, unit)}.`,
      remedies: [
        {
          label: 'Move it on to the front',
          changes: [decide((job) => job.envelope.window, windowWithin(window, measures))],
        },
        { label: 'Leave the window out', changes: [decide((job) => job.envelope.window, null)] },
      ],
    },
  ];
}

function sheetSnags(workshop: Workshop, { built: { blank }, stock, up, margins, on }: Laid): readonly Snag[] {
  const { unit } = workshop;
  if (up > 0) return [];
  const room = shrink({ xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }, margins);
  const would = BOUGHT_SHEETS.find((sheet) => on(sheet.widthMm, sheet.heightMm).up > 0);
  const large = workshop.stocks.filter(
    (s) => s.id !== stock.id && !s.readyCut && on(s.sheetWidthMm, s.sheetHeightMm).up > 0,
  );
  const remedies: readonly Remedy[] = sortedBy(large, (s) => s.gsm, sheetPriceOf)
    .slice(0, 3)
    .map((s) => ({ label: `Make it from ${s.name}`, changes: [decide((job) => job.envelope.stockId, s.id)] }));
  return [
    {
      id: 'envelope-sheet',
      station: 'envelope',
      level: 'stop',
      title: 'The envelope does not fit on this sheet',
      why:
        `Its blank is ${formatSize(blank.widthMm, blank.heightMm, unit)}; inside the margins there is ${formatSize(room.widthMm, room.heightMm, unit)}. ` +
        (would
          ? `The smallest sheet that would do is ${would.name}, ${formatSize(would.widthMm, would.heightMm, unit)}.`
          : 'No sheet that is commonly sold would do: make a smaller card, or buy envelopes.'),
      remedies,
    },
  ];
}
