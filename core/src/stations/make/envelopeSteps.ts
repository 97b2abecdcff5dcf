import { plural } from '../../job/figures.ts';
import { wantedOf } from '../../job/namesList.ts';
import type { Job } from '../../job/types.ts';
import type { Trimmer, Workshop } from '../../workshop/types.ts';
import type { PieceCuts } from '../cut/types.ts';
import { sayPieceCuts } from '../cut/sayPieceCuts.ts';
import type { EnvelopePlan } from '../envelope/planEnvelope.ts';
import { CAUTIONS } from './cautions.ts';
import { PLAIN } from './stepWords.ts';
import { cautionOf, sayHolding } from './trimmingSteps.ts';
import type { MakeStep } from './types.ts';

/** Envelopes printed as blanks and made, or printed when they are ready. */
export const envelopeSteps = (
  job: Job,
  envelope: EnvelopePlan,
  trimmer: Trimmer,
  workshop: Workshop,
): readonly MakeStep[] => [
  ...blankSteps(job, envelope.print, envelope.sheets, 'envelope'),
  ...(envelope.liner ? blankSteps(job, envelope.liner.print, envelope.liner.sheets, 'liner') : []),
  ...(envelope.made && envelope.up > 0 ? [cutStep(envelope, trimmer), makeStep(job, envelope)] : []),
  ...linerSteps(job, envelope, trimmer, workshop),
  ...readySteps(job, envelope),
];

/** Blanks that are printed before they are cut. */
function blankSteps(
  job: Job,
  print: EnvelopePlan['print'],
  sheets: number,
  what: 'envelope' | 'liner',
): readonly MakeStep[] {
  if (print?.on !== 'blank' || sheets === 0) return [];
  return print.passes.map((pass, i): MakeStep => ({
    ...PLAIN,
    id: `${what}-print-${i + 1}`,
    ...{ kind: 'envelope', work: 'printBlanks' },
    title:
      pass.plate === 'white'
        ? `Print white on the ${what} sheets`
        : `Print the ${what} sheets, ${pass.sides.join(' and ')}`,
    big: `${sheets} ${plural(sheets, 'sheet')}`,
    detail: `${print.printer.name}, ${print.path.name}, at 100 %, no fit to page. ${what === 'liner' ? 'The side that is seen is printed.' : 'The outside of the envelope is on the front. They lie in the order of the cards.'}`,
    waitMinutes: job.make.dryMinutes || null,
  }));
}

/** Ready envelopes go through one by one, in the order of the cards. */
function readySteps({ envelope: { feedTurn = 0 } }: Job, { print, fedPages }: EnvelopePlan): readonly MakeStep[] {
  if (print?.on !== 'envelope') return [];
  return [
    {
      ...PLAIN,
      id: 'envelope-feed',
      ...{ kind: 'envelope', work: 'printReady' },
      title: 'Print the envelopes',
      big: `${fedPages} ${plural(fedPages, 'envelope')}`,
      detail: `${print.printer.name}, ${print.path.name}, one at a time at 100 %, front ${print.path.printSide ?? 'towards the print head'}, flap shut, ${feedTurn === 0 ? 'long side first' : `short side first, turned ${feedTurn === 90 ? 'clockwise' : 'anticlockwise'}`}. Try one of plain paper of the same size first. Keep them in the order of the cards.`,
    },
  ];
}

/** What the trimmer does, or what the knife does in its place. */
const bladeOf = (trimmer: Trimmer, { machine }: PieceCuts): string =>
  CAUTIONS[trimmer.kind === 'machine' && !machine ? 'knife' : trimmer.kind];

function cutStep({ sheets, up, stock, cuts, cutting, blank }: EnvelopePlan, trimmer: Trimmer): MakeStep {
  const inside = cuts.corners.length > 0 ? ' Corners are marked with the inside up.' : '';
  return {
    id: 'envelope-cut',
    ...{ kind: 'envelope', work: 'cut' },
    title: 'Cut the envelope blanks',
    big: `${sheets} ${plural(sheets, 'sheet')}`,
    detail: `${up} from each of ${stock.name}. ${cutting.join(' ')}${inside}`,
    caution: [
      bladeOf(trimmer, cuts),
      ...(cuts.corners.length + blank.cuts.length > 0 && trimmer.kind !== 'knife' && !cuts.machine
        ? [CAUTIONS.knife]
        : []),
    ].join(' '),
    waitMinutes: null,
  };
}

function makeStep(job: Job, envelope: EnvelopePlan): MakeStep {
  const adhesive = envelope.seams[0]?.adhesive ?? null;
  return {
    id: 'envelope',
    ...{ kind: 'envelope', work: 'make' },
    title: 'Make the envelopes',
    big: `${wantedOf(job)} from ${envelope.sheets} ${plural(envelope.sheets, 'sheet')}`,
    detail: [...envelope.steps, ...saySeams(envelope)].join(' '),
    caution: cautionOf(adhesive),
    waitMinutes: adhesive && adhesive.dryMinutes > 0 ? adhesive.dryMinutes : null,
  };
}

/** With what its seams are held, where the job says. */
function saySeams({ seams }: EnvelopePlan): readonly string[] {
  const [first] = seams;
  return first ? [`Glue is ${first.adhesive.name}: ${sayHolding(first.adhesive)}`] : [];
}

/** Cut, creased where the flap folds, slid in and held by a line of glue on the flap alone. */
function linerSteps(job: Job, { liner }: EnvelopePlan, trimmer: Trimmer, { unit }: Workshop): readonly MakeStep[] {
  if (!liner || liner.up === 0) return [];
  return [
    {
      ...{ id: 'liner', kind: 'envelope', work: 'line' },
      title: 'Line the envelopes',
      big: `${wantedOf(job)} from ${liner.sheets} ${plural(liner.sheets, 'sheet')}`,
      detail: `${sayPieceCuts(liner.cuts, trimmer, unit, 'listed at Envelope').join(' ') || 'Cut round the outline.'} Crease where the flap folds. Slide the liner in, seen side towards the opening, down to the lower fold. Fold flap and liner together, then glue the liner to the flap along its tip only, so that it can move when the flap is folded.`,
      caution: `${bladeOf(trimmer, liner.cuts)} ${CAUTIONS.glue}`,
      waitMinutes: null,
    },
  ];
}
