import { inSpace } from '../../ground/fold/foldBlank.ts';
import { cutsOf } from '../../ground/fold/blankCuts.ts';
import { move } from '../../ground/fold/space.ts';
import { readingPoses, shutState } from '../../ground/fold/stages.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { MM_PER_INCH, type LengthUnit, type Mm } from '../../ground/length/types.ts';
import { decide } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { LIMITS } from '../../job/limits.ts';
import type { Job, RibbonChoice } from '../../job/types.ts';
import { gramsOf } from '../../workshop/gramsOf.ts';
import type { Workshop } from '../../workshop/types.ts';

/** Our starting values, of woven ribbon; 1 for as much as the ribbon is wide. */
const RIBBON = {
  /** What a first half knot and the hitch over it take: about two turns each round a cord a third as thick. */
  knotWidths: 4,
  /** Drawn through a hole it gathers to a third of its width. */
  gathers: 3,
  thickMm: 0.25,
  gsm: 120,
  /** Loops pressed by an envelope, besides the knot. */
  loopsMm: 2,
} as const;

/** Ribbon is measured off to whole marks like these. Our starting values. */
const CUT_EVERY_MM: Readonly<Record<LengthUnit, Mm>> = { mm: 5, in: MM_PER_INCH / 4 };

/** A ribbon as it is cut for one card. */
export interface RibbonPlan {
  readonly choice: RibbonChoice;
  readonly lengthMm: Mm;
  /** As it is measured off: that, up to the next mark that hands at a roll go by. */
  readonly cutMm: Mm;
  /** What makes up its length. */
  readonly parts: readonly { readonly name: string; readonly mm: Mm }[];
  /** Where it goes, as it is said at the bench. */
  readonly says: string;
  /** What it adds where the shut card is thickest: both sides and what is tied. */
  readonly addedMm: Mm;
  readonly grams: number;
}

interface ShutSize {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly thicknessMm: Mm;
}

/** A hole of the shut card, from its reader’s side. */
interface ShutHole {
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly acrossMm: Mm;
}

/** Holes this near to each other are one, through several panels. */
const SAME_HOLE_MM = 1;

/** How a ribbon runs, how long it is, and what stands in its way; null where there is none. */
export function planRibbon(
  { ribbon }: Job,
  { unit }: Workshop,
  form: FoldedForm,
  shut: ShutSize,
): { readonly ribbon: RibbonPlan | null; readonly snags: readonly Snag[] } {
  if (!ribbon) return { ribbon: null, snags: [] };
  const holes = shutHoles(form);
  const { widthMm, way, bow, loopMm, tailMm } = ribbon;
  const run = runOf(way === 'holes' && holes.length === 0 ? 'across' : way, holes, form, shut);
  const parts = [
    { name: run.name, mm: run.mm },
    { name: 'Knot', mm: RIBBON.knotWidths * widthMm },
    ...(bow ? [{ name: 'Two loops', mm: 4 * loopMm }] : []),
    { name: 'Two tails', mm: 2 * tailMm },
  ];
  const lengthMm = parts.reduce((sum, { mm }) => sum + mm, 0);
  const cutMm = Math.ceil(lengthMm / CUT_EVERY_MM[unit] - 1e-9) * CUT_EVERY_MM[unit];
  return {
    ribbon: {
      ...{ choice: ribbon, lengthMm, cutMm, parts, says: run.says },
      addedMm: 2 * RIBBON.thickMm + widthMm / RIBBON.gathers + (bow ? RIBBON.loopsMm : 0),
      grams: gramsOf(cutMm * widthMm, RIBBON),
    },
    snags: [...holeSnags(ribbon, holes, unit), ...rollSnags(ribbon, cutMm, unit)],
  };
}

function runOf(
  way: RibbonChoice['way'],
  holes: readonly ShutHole[],
  form: FoldedForm,
  { widthMm, heightMm, thicknessMm }: ShutSize,
): { readonly name: string; readonly mm: Mm; readonly says: string } {
  const [across, down] = [2 * (widthMm + thicknessMm), 2 * (heightMm + thicknessMm)];
  switch (way) {
    case 'across':
      return { name: 'Round the card', mm: across, says: 'round the shut card from side to side, tied in front' };
    case 'down':
      return { name: 'Round the card', mm: down, says: 'round the shut card from head to foot, tied in front' };
    case 'both':
      return {
        name: 'Round it both ways',
        mm: across + down,
        says: 'across the front, crossed behind, up and down, and tied in front where it crosses',
      };
    case 'holes': {
      const [first, last] = [holes[0]!, holes.at(-1)!];
      if (holes.length > 1)
        return {
          name: 'Through the holes',
          mm: 2 * Math.hypot(first.xMm - last.xMm, first.yMm - last.yMm) + 2 * thicknessMm,
          says: 'in at the first hole, along the back, out at the last, and tied in front between them',
        };
      return {
        name: 'Through the hole',
        mm: 2 * toEdgeMm(form, first) + 2 * thicknessMm,
        says: 'through the hole, round the nearest edge, and tied in front',
      };
    }
  }
}

/** Every hole of the blank where it comes to lie when all is shut, from the head down; those on each other once. */
function shutHoles(form: FoldedForm): readonly ShutHole[] {
  const poses = readingPoses(form, shutState(form));
  const all = form.blank.panels.flatMap((panel) =>
    cutsOf(form.blank, panel)
      .filter(({ kind }) => kind === 'hole')
      .map((cut): ShutHole => {
        const points = cut.points.map((p) => move(poses.get(panel.id)!, inSpace(p)));
        const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
        const middle = (of: readonly number[]): number => (Math.max(...of) + Math.min(...of)) / 2;
        return { xMm: middle(xs), yMm: middle(ys), acrossMm: Math.max(...xs) - Math.min(...xs) };
      }),
  );
  const places = all.filter(
    (one, i) => !all.slice(0, i).some((other) => Math.hypot(one.xMm - other.xMm, one.yMm - other.yMm) < SAME_HOLE_MM),
  );
  // Space’s y runs up.
  return [...places].sort((a, b) => b.yMm - a.yMm || a.xMm - b.xMm);
}

/** From a hole to the nearest side of the shut card. */
function toEdgeMm(form: FoldedForm, { xMm, yMm }: ShutHole): Mm {
  const poses = readingPoses(form, shutState(form));
  const points = form.blank.panels.flatMap(({ id, outline }) => outline.map((p) => move(poses.get(id)!, inSpace(p))));
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return Math.min(xMm - Math.min(...xs), Math.max(...xs) - xMm, yMm - Math.min(...ys), Math.max(...ys) - yMm);
}

function holeSnags(
  { way, widthMm }: RibbonChoice,
  holes: readonly ShutHole[],
  unit: Workshop['unit'],
): readonly Snag[] {
  if (way !== 'holes') return [];
  const round = { label: 'Take it round the card', changes: [decide((job) => job.ribbon.way, 'across' as const)] };
  if (holes.length === 0)
    return [
      {
        ...{ id: 'size-ribbon-holes', station: 'size', level: 'stop', title: 'There is no hole for the ribbon' },
        why: 'It is to go through holes, and this card has none.',
        remedies: [round],
      },
    ];
  const tightest = Math.min(...holes.map(({ acrossMm }) => acrossMm));
  const widest = Math.floor(tightest * RIBBON.gathers);
  if (widthMm <= widest) return [];
  return [
    {
      ...{ id: 'size-ribbon-wide', station: 'size', level: 'warn' },
      title: `A ribbon of ${formatLength(widthMm, unit)} does not go through its hole`,
      why: `Gathered to a third of its width it wants a hole of ${formatLength(widthMm / RIBBON.gathers, unit)}; this one is ${formatLength(tightest, unit)}.`,
      remedies: [
        ...(widest >= LIMITS.ribbon.widthMm.least
          ? [
              {
                label: `Use a ribbon of ${formatLength(widest, unit)}`,
                changes: [decide((job) => job.ribbon.widthMm, widest)],
              },
            ]
          : []),
        round,
      ],
    },
  ];
}

function rollSnags({ roll, bow }: RibbonChoice, lengthMm: Mm, unit: Workshop['unit']): readonly Snag[] {
  if (lengthMm <= roll.metres * 1000) return [];
  return [
    {
      ...{ id: 'size-ribbon-roll', station: 'size', level: 'warn' },
      title: 'One length of ribbon is longer than the roll',
      why: `It is ${formatLength(lengthMm, unit)} long, and the roll holds ${formatLength(roll.metres * 1000, unit)}.`,
      remedies: bow ? [{ label: 'Tie a knot and no bow', changes: [decide((job) => job.ribbon.bow, false)] }] : [],
    },
  ];
}

/** How many lengths come off one roll, and how many rolls so many cards take. */
export function cutFromRolls(
  { choice: { roll }, cutMm }: RibbonPlan,
  cards: number,
): { readonly perRoll: number; readonly rolls: number; readonly metres: number } {
  const perRoll = Math.floor((roll.metres * 1000) / cutMm + 1e-9);
  return { perRoll, rolls: perRoll > 0 ? Math.ceil(cards / perRoll) : cards, metres: (cards * cutMm) / 1000 };
}
