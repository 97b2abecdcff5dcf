import { boxAround } from '../../ground/geometry/box.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { plural } from '../../job/figures.ts';
import type { PopUp } from '../../job/popUps.ts';
import type { Workshop } from '../../workshop/types.ts';
import type { LayerPiece } from '../size/layers.ts';
import type { SizePlan } from '../size/planSize.ts';
import type { GlueSpot } from '../size/popUps/glueSpots.ts';
import type { PopUpPlan } from '../size/popUps/popUpPlan.ts';
import { CAUTIONS } from './cautions.ts';
import { sayLaid } from './sayLaid.ts';
import { cautionOf, sayHolding } from './trimmingSteps.ts';
import type { MakeStep } from './types.ts';

/** A part no larger than this either way can be swallowed. Our starting value. */
const SMALL_MM = 32;

/** How the creases of a part are bent before it is glued. */
export function sayCreases({ blank: { creases } }: Pick<LayerPiece, 'blank'>): string {
  if (creases.length === 0) return '';
  const ways = (['away', 'toward'] as const).flatMap((way) => {
    const n = creases.filter((crease) => crease.way === way).length;
    return n > 0 ? [`${n} ${plural(n, 'crease')} ${way === 'away' ? 'away from you' : 'towards you'}`] : [];
  });
  return `Printed or good side up, crease by its template: ${ways.join(', ')}. Bend each right over once and press it, so that it moves freely.`;
}

/** Pop-ups are put together in the order in which they carry each other, each on its marks; each is tried before the next. */
export function popUpSteps({ popUps, layers }: SizePlan, { unit }: Workshop): readonly MakeStep[] {
  if (!popUps) return [];
  return popUps.order.map(({ layer, layerId, name, partIds, popUp }): MakeStep => {
    const own = layers.filter((piece) => piece.layer === layer);
    if (own.length === 0) return bendForward(layer, layerId, name, popUps.spread.isLevel);
    if (popUp.mechanism === 'wheel') return pinned(layer, layerId, name, popUp);
    const spots = popUps.spots.filter(({ partId }) => partIds.includes(partId));
    const { adhesive, laying } = own[0]!;
    const numbers = spots.map(({ number }) => number);
    const held = adhesive && laying?.ok ? ` with ${sayLaid(adhesive, laying, unit)} of ${adhesive.name}` : '';
    const isTurning = !['figure', 'lid', 'slider'].includes(popUp.mechanism);
    const cautions = [
      cautionOf(adhesive),
      own.some(({ blank }) => Math.max(blank.widthMm, blank.heightMm) <= SMALL_MM) ? CAUTIONS.smallParts : null,
    ];
    return {
      ...{ id: `pop-up-${layerId}`, kind: 'popUp', layer },
      title: `Put in the ${name.toLowerCase()}`,
      big: `${plural(numbers.length, 'mark')} ${sayNumbers(numbers)}`,
      detail: [
        ...(popUp.mechanism === 'slider' ? [saySlider(popUp)] : []),
        ...popUps.fans.filter(({ id }) => partIds.includes(id)).map((fan) => sayFan(fan, own.length)),
        ...spots.map((spot) => saySpot(spot, popUps, layers, unit)),
        `Glue ${spots.length === 1 ? 'it' : 'one after the other'}${held}. ${adhesive ? sayHolding(adhesive) : ''}`.trim(),
        isTurning
          ? 'With the first held, put glue on the next and shut the card on it: shut, it finds its own place. Press, wait, and open it slowly to see that it moves.'
          : popUp.mechanism === 'slider'
            ? 'Pull it to its stop and push it back before the glue has set.'
            : 'Shut and open the card once to see that nothing catches.',
      ].join(' '),
      caution: cautions.filter((one) => one !== null).join(' ') || null,
      waitMinutes: adhesive && adhesive.dryMinutes > 0 ? adhesive.dryMinutes : null,
    };
  });
}

/** A wheel is held by nothing but its pin. */
const pinned = (layer: number, layerId: string, name: string, { seenFrom }: PopUp): MakeStep => ({
  ...{ id: `pop-up-${layerId}`, kind: 'popUp', layer },
  title: `Pin on the ${name.toLowerCase()}`,
  big: 'pin, bend, turn',
  detail: `Lay the wheel on the ${OTHER_SIDE[seenFrom]} of the page, its print to the window and its hole on the page’s. Push a paper fastener through both from the ${seenFrom}, bend its legs apart, not tight, and turn the wheel by its finger hole: every picture comes into the window. Cover the legs with a scrap of card, so that they scratch nothing.`,
  caution: CAUTIONS.smallParts,
  waitMinutes: null,
});

const OTHER_SIDE = { outside: 'inside', inside: 'outside' } as const;

const saySlider = ({ seenFrom }: PopUp): string =>
  `Lay the slider on the ${OTHER_SIDE[seenFrom]} of the page, its print to the window, its plain end at the notch. Lay the guides over it and glue them by their ends only, so that it runs under them.`;

/** What is cut from the card is there already: it is only bent the other way. */
const bendForward = (layer: number, layerId: string, name: string, isLevel: boolean): MakeStep => ({
  ...{ id: `pop-up-${layerId}`, kind: 'popUp', layer },
  title: `Bend the ${name.toLowerCase()} forward`,
  big: 'push, shut, press',
  detail: `Open the card half way, inside towards you, ${isLevel ? 'the fold level' : 'the fold upright'}. From behind push the ${name.toLowerCase()} towards you until its hinges bend, and help its middle crease the other way with a finger. Hold it there, shut the card over it and press along the hinges; open it slowly to see that it moves.`,
  caution: null,
  waitMinutes: null,
});

/** How a strip, or several, become a fan. */
function sayFan({ pleats, blank }: PopUpPlan['fans'][number], strips: number): string {
  const joined =
    strips > 1 ? `Glue the ${strips} strips into one, the last pleat of each on the first of the next. ` : '';
  const pleated = `${joined}Pleat the strip up and down along its creases and press it.`;
  return pleats > blank.panels.length
    ? `${pleated} Fold the closed strip in half across its pleats and glue the two edges that face each other.`
    : `${pleated} Gather it at the end that comes to the fold.`;
}

function sayNumbers(numbers: readonly number[]): string {
  if (numbers.length < 3) return numbers.join(' and ');
  return `${numbers[0]!} to ${numbers.at(-1)!}`;
}

/** One place: which panel of which part goes where, measured from the fold and the edge. */
function saySpot(
  { number, partId, panelId, on, area, under }: GlueSpot,
  popUps: PopUpPlan,
  layers: readonly LayerPiece[],
  unit: LengthUnit,
): string {
  const parts = [...popUps.parts, ...popUps.bands, ...popUps.fans];
  // A strip of several has a name of its own, and what is cut into the card is no piece.
  const pieceName = (id: string): string => [...layers, ...parts].find((piece) => piece.id === id)!.name.toLowerCase();
  const part = parts.find(({ id }) => id === partId)!;
  const panel = part.blank.panels.find(({ id }) => id === panelId)!.name.toLowerCase();
  const what = `${number}: ${pieceName(partId)}${part.blank.panels.length > 1 ? `, ${panel}` : ''}`;
  if (on.partId !== null) {
    const carrier = popUps.parts.find(({ id }) => id === on.partId)!;
    const name = carrier.blank.panels.find(({ id }) => id === on.panelId)!.name.toLowerCase();
    return `${what}, on the ${pieceName(on.partId)}’s ${name}.`;
  }
  const box = boxAround(area);
  const far = (mm: Mm): string => formatLength(Math.abs(mm), unit);
  const [near, off] = [box.xMm, box.xMm + box.widthMm].sort((p, q) => Math.abs(p) - Math.abs(q));
  const page = popUps.spread.seats[on.panelId as 'a' | 'b'].name.toLowerCase();
  const edge = popUps.spread.isLevel ? 'left' : 'head';
  return `${what}, on the ${under ? 'outside, behind the ' : ''}${page}: ${far(near!)} to ${far(off!)} from the fold, ${far(box.yMm)} to ${far(box.yMm + box.heightMm)} from the ${edge}.`;
}
