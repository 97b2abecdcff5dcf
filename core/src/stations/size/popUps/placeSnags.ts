import { formatLength } from '../../../ground/length/formatLength.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { Remedy, Snag } from '../../../job/findings.ts';
import { layerOf, type PopUpAsked } from './assemble.ts';
import { cutPast, cutTwice, gluedOnCut, HOLDS_MM } from './cutPast.ts';
import { inTheWay, openPast } from './inTheWay.ts';
import { asking, movedApart, nameOf, nameOfLayer, takeOff, type Told } from './told.ts';
import { cutsWithin, hasItsPlace, measuresThat } from './tried.ts';

/** What is cut where there is no card, or where card is wanted for something else. */
export function cutSnags(told: Told): readonly Snag[] {
  const { job, workshop, asked, together, plan } = told;
  const { unit } = workshop;
  const tried = { asked, together, spread: plan.spread, unit };
  const askedOf = (partId: string): PopUpAsked => layerOf(together, partId);
  return [
    ...cutPast(together, plan.spread).map(({ part, mm }): Snag => {
      const one = askedOf(part.id);
      return {
        ...{ id: `size-popup-cut-${one.layerId}`, station: 'size', level: 'stop' },
        title: `${part.name} leaves too little card round it`,
        why: `It comes ${formatLength(mm, unit)} nearer to an edge or a crease than the ${formatLength(HOLDS_MM, unit)} that hold it.`,
        remedies: [
          ...measuresThat(cutsWithin, tried, one, mm).map(({ label, part: to }) => asking(job, one.layer, label, to)),
          takeOff(job, one.layerId),
        ],
      };
    }),
    ...cutTwice(together).map(([a, b]): Snag => {
      const [first, second] = [askedOf(a.id), askedOf(b.id)];
      return {
        ...{ id: `size-popup-cut-${first.layerId}-${second.layerId}`, station: 'size', level: 'stop' },
        title: `${a.name} and ${b.name} are cut from one place`,
        why: 'Their slits cross, and both would fall out.',
        remedies: [...movedApart(told, [first.layerId, second.layerId]), takeOff(job, second.layerId)],
      };
    }),
    ...[...new Map(gluedOnCut(together).map((one) => [askedOf(one.spot.partId).layerId, one])).values()].map(
      ({ spot, part }): Snag => {
        const [first, second] = [askedOf(part.id), askedOf(spot.partId)];
        return {
          ...{ id: `size-popup-glue-cut-${second.layerId}`, station: 'size', level: 'stop' },
          title: `${nameOf(together, spot.partId)} is glued where the ${part.name.toLowerCase()} is cut out`,
          why: `Mark ${spot.number} lies on card that is bent away there.`,
          remedies: [...movedApart(told, [first.layerId, second.layerId]), takeOff(job, second.layerId)],
        };
      },
    ),
  ];
}

/** So far the one or the other is moved at a time to be out of the way. */
const ASIDE_MM = 10;

/** Windows and what moves behind them, where the page has no room for them. */
export function placeSnags({ job, workshop: { unit }, asked, together, plan: { spread } }: Told): readonly Snag[] {
  const tried = { asked, together, spread, unit };
  const askedOf = (layerId: string): PopUpAsked => asked.find((one) => one.layerId === layerId)!;
  const moves = (one: PopUpAsked, byMm: Mm): readonly Remedy[] =>
    measuresThat(hasItsPlace, tried, one, byMm).map(({ label, part }) => asking(job, one.layer, label, part));
  const past = new Map<string, ReturnType<typeof openPast>[number]>();
  for (const one of openPast(together, spread))
    if (one.mm > (past.get(one.layerId)?.mm ?? 0)) past.set(one.layerId, one);
  return [
    ...[...past.values()].map(({ layerId, opening, mm }): Snag => ({
      ...{ id: `size-popup-open-${layerId}`, station: 'size', level: 'stop' },
      title: `The ${opening.name.toLowerCase()} leaves too little of the ${spread.seats[opening.page].name.toLowerCase()} round it`,
      why: `It comes ${formatLength(mm, unit)} nearer to an edge or to the fold than the ${formatLength(HOLDS_MM, unit)} that hold.`,
      remedies: [...moves(askedOf(layerId), Math.ceil(mm)), takeOff(job, layerId)],
    })),
    ...inTheWay(together).map(({ layerIds: [first, second], page }): Snag => {
      const names = [first, second].map((id) => nameOfLayer(together, id));
      return {
        ...{ id: `size-popup-place-${first}-${second}`, station: 'size', level: 'stop' },
        title: `${names[0]} and ${names[1]!.toLowerCase()} want one place of the ${spread.seats[page].name.toLowerCase()}`,
        why: 'A window opens into the other there, or what has to move is glued down.',
        remedies: [first, second].flatMap((id, i) => [
          ...moves(askedOf(id), ASIDE_MM).map((remedy) => ({ ...remedy, label: `${names[i]}: ${remedy.label}` })),
          { ...takeOff(job, id), label: `Take the ${names[i]!.toLowerCase()} off` },
        ]),
      };
    }),
  ];
}
