import { formatLength } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { JobChange } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { cockles, LOAD_FACTOR, type Laying } from '../../workshop/adhesives.ts';
import { adhesivesOf } from '../../workshop/putOn.ts';
import type { Adhesive, Workshop } from '../../workshop/types.ts';

/** One thing joined to another, as it is asked whether that holds. */
interface Joined {
  readonly id: string;
  readonly station: Snag['station'];
  /** What is held, at the beginning of a sentence. */
  readonly what: string;
  readonly adhesive: Adhesive;
  readonly laying: Laying;
  /** Whether another would hold everything that this one is asked to hold. */
  readonly wouldHold: (other: Adhesive) => boolean;
  readonly loadGrams: number;
  /** Of the thinner of the two. */
  readonly gsm: number;
  readonly use: (adhesiveId: string) => readonly JobChange[];
}

const MOST_OFFERED = 3;
/** What lifts by no more than this lies flat. Our starting value. */
const LIES_FLAT_MM = 0.5;

/** That an adhesive does not fit where it goes, does not bear what it holds, or spoils thin paper; with those that do. */
export function adhesiveSnag(workshop: Workshop, joined: Joined): readonly Snag[] {
  const { adhesive, laying, what, id, station } = joined;
  const { unit } = workshop;
  if (laying.ok && !cockles(adhesive, joined.gsm)) return [];
  const name = adhesive.name;
  const [title, why] = laying.ok
    ? [
        `${what} is glued wet on thin paper`,
        `Under ${name} paper of ${Math.round(joined.gsm)} g/m² cockles and curls as it dries.`,
      ]
    : laying.reason === 'tooNarrow'
      ? [
          `${what} has no room for ${name}`,
          `Off its edges ${formatLength(Math.max(0, laying.roomMm), unit)} is left, and ${name} is ${formatLength(adhesive.widthMm, unit)} across.`,
        ]
      : [
          `${what} is too heavy for ${name}`,
          `It weighs ${fixed(joined.loadGrams, 1)} g, is held as if it were ${LOAD_FACTOR} times that, and as much as fits bears ${fixed(laying.bearsGrams, 0)} g.`,
        ];
  const others = adhesivesOf(workshop).filter(
    (other) =>
      other.id !== adhesive.id &&
      joined.wouldHold(other) &&
      !cockles(other, joined.gsm) &&
      // A thing that is to lie flat is not lifted unasked.
      other.thickMm <= Math.max(adhesive.thickMm, LIES_FLAT_MM),
  );
  return [
    {
      ...{ id, station, level: 'warn', title, why },
      remedies: others
        .slice(0, MOST_OFFERED)
        .map((other) => ({ label: `Use ${other.name}`, changes: joined.use(other.id) })),
    },
  ];
}
