import { formatLength } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { Mm } from '../../ground/length/types.ts';
import type { JobChange } from '../../job/decide.ts';
import type { Snag } from '../../job/findings.ts';
import { cockles, layAdhesive, LOAD_FACTOR, type Laying } from '../../workshop/adhesives.ts';
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
  readonly box: { readonly widthMm: Mm; readonly heightMm: Mm };
  readonly loadGrams: number;
  /** Of the thinner of the two. */
  readonly gsm: number;
  readonly isCockling: boolean;
  readonly use: (adhesiveId: string) => readonly JobChange[];
}

const MOST_OFFERED = 3;

/** That an adhesive does not fit where it goes, does not bear what it holds, or spoils thin paper; with those that do. */
export function adhesiveSnag(workshop: Workshop, joined: Joined): readonly Snag[] {
  const { adhesive, laying, what, isCockling, id, station } = joined;
  const { unit } = workshop;
  if (laying.ok && !isCockling) return [];
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
      layAdhesive(other, joined.box, joined.loadGrams).ok &&
      !cockles(other, joined.gsm) &&
      // A thing that is to lie flat is not lifted unasked.
      other.thickMm <= Math.max(adhesive.thickMm, 0.5),
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
