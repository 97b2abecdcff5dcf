import { formatLength } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import { plural } from '../../job/figures.ts';
import { wantedOf } from '../../job/namesList.ts';
import type { Job } from '../../job/types.ts';
import type { Workshop } from '../../workshop/types.ts';
import { cutFromRolls } from '../size/ribbon.ts';
import type { SizePlan } from '../size/planSize.ts';
import { CAUTIONS } from './cautions.ts';
import type { MakeStep } from './types.ts';

/** All lengths are cut before the first is tied, and their ends kept from fraying. */
export function ribbonStep(job: Job, { ribbon }: SizePlan, { unit }: Workshop): readonly MakeStep[] {
  if (!ribbon) return [];
  const { choice, cutMm, says } = ribbon;
  const cards = wantedOf(job);
  const { perRoll, rolls, metres } = cutFromRolls(ribbon, cards);
  const long = formatLength(cutMm, unit);
  const tails = `tails of ${formatLength(choice.tailMm, unit)}`;
  const tied = choice.bow
    ? `in a bow with loops of ${formatLength(choice.loopMm, unit)} and ${tails}`
    : `in a knot with ${tails}`;
  return [
    {
      id: 'ribbon',
      kind: 'ribbon',
      title: `Cut and tie: ${choice.name}`,
      big: `${cards} × ${long}`,
      detail: `${cards} ${plural(cards, 'length')} of ${long}, ${fixed(metres, 1)} m in all: ${perRoll} from a roll of ${choice.roll.metres} m, ${rolls} ${plural(rolls, 'roll')}. Cut them all, slantwise, and seal the loose ends. Each goes ${says}, ${tied}.`,
      caution: `${CAUTIONS.sealing} ${CAUTIONS.smallParts}`,
      waitMinutes: null,
    },
  ];
}
