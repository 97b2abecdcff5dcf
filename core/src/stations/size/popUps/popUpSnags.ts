import { contains } from '../../../ground/geometry/polygon.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { LengthUnit } from '../../../ground/length/types.ts';
import type { PageId } from '../../../ground/linkage/types.ts';
import { decide, decideEach } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Job } from '../../../job/types.ts';
import { sortedBy } from '../../../job/sorted.ts';
import type { Workshop } from '../../../workshop/types.ts';
import { heldBy, layerOf, type PopUpAsked } from './assemble.ts';
import { MARGIN_MM, type Excess } from './bodies.ts';
import { fanOpensDeg, freePleats, pleatsFor } from './fanAt.ts';
import { shared } from './glueSpots.ts';
import type { Jam } from './jams.ts';
import { cutSnags, placeSnags } from './placeSnags.ts';
import { asking, movedApart, nameOf, nameOfLayer, takeOff, type Told } from './told.ts';
import type { Said } from './types.ts';
import { mechanismOf } from './mechanisms/index.ts';
import { offCarrier } from './offCarrier.ts';
import { opensTo, strainOf } from './opensTo.ts';
import { OUT_MM, pokesOut } from './pokesOut.ts';
import { canBeMade, liesOnCard, measuresThat, opensFlat, staysIn } from './tried.ts';

/** What the covers of a card with one fold hold together without springing open. Our starting value. */
const COVER_HOLDS_MM = 2.5;
/** A card that stands is opened about so far. */
const STANDS_DEG = 90;
/** Paper for pleats: heavier stacks up, lighter does not hold a crease. Our starting values. */
const PLEAT_GSM = { least: 60, most: 100 };

/** Everything that keeps pop-ups from working, found before any cut, with what would mend it. */
export function popUpSnags(told: Told): readonly Snag[] {
  return [
    ...faultSnags(told),
    ...pokeSnags(told),
    ...strainSnags(told),
    ...jamSnags(told),
    ...glueSnags(told),
    ...offSnags(told),
    ...cutSnags(told),
    ...placeSnags(told),
    ...bulkSnags(told),
    ...fanSnags(told),
    ...tabSnags(told),
  ];
}

export const noFoldSnags = (job: Job, asked: readonly PopUpAsked[]): readonly Snag[] => [
  {
    ...{ id: 'size-popup-fold', station: 'size', level: 'stop' },
    title: 'This card has no fold that a pop-up goes over',
    why: 'Pop-ups want a fold whose two inside pages are both read and close on each other.',
    remedies: [
      { label: 'Make it a side fold', changes: decideEach((at) => at.size, { format: 'sideFold' }) },
      ...(asked.length === 1 ? [takeOff(job, asked[0]!.layerId)] : []),
    ],
  },
];

const inUnit =
  (unit: LengthUnit) =>
  (said: Said): string =>
    typeof said === 'string' ? said : said((mm) => formatLength(mm, unit));

const faultSnags = ({ job, workshop: { unit }, asked, together, plan: { spread } }: Told): readonly Snag[] =>
  together.faults.map(({ asked: one, fault: { title, why, mends } }) => ({
    ...{ id: `size-popup-${one.layerId}`, station: 'size', level: 'stop', title, why: inUnit(unit)(why) },
    remedies: [
      ...mends
        .filter(({ part }) => canBeMade({ asked, together, spread, unit }, one, part))
        .map(({ label, part }) => asking(job, one.layer, inUnit(unit)(label), part)),
      takeOff(job, one.layerId),
    ],
  }));

const SIDES: Readonly<Record<Excess['side'], readonly [string, string]>> = {
  fold: ['through the fold', 'through the fold'],
  fore: ['at the fore edge', 'at the foot'],
  head: ['at the head', 'at the left'],
  foot: ['at the foot', 'at the right'],
};

/** One for each pop-up, of its part that comes out farthest. */
function pokeSnags({ job, workshop: { unit }, asked, together, plan }: Told): readonly Snag[] {
  const worst = new Map<string, Excess>();
  for (const excess of pokesOut(plan.shut, plan.spread, MARGIN_MM)) {
    const { layerId } = layerOf(together, excess.partId);
    if (excess.mm > (worst.get(layerId)?.mm ?? -Infinity)) worst.set(layerId, excess);
  }
  return [...worst].map(([layerId, { partId, mm, side }]): Snag => {
    const one = asked.find((each) => each.layerId === layerId)!;
    const where = SIDES[side][plan.spread.isLevel ? 1 : 0];
    const out = mm > OUT_MM;
    const name = nameOf(together, partId);
    return {
      ...{ id: `size-popup-out-${layerId}`, station: 'size', level: out ? 'stop' : 'warn' },
      title: out
        ? `${name} pokes out by ${formatLength(mm, unit)} ${where}`
        : `${name} comes within ${formatLength(Math.max(0, -mm), unit)} of the edge ${where}`,
      why: 'Told with the card shut. Kept a little inside the edge there is room for a cut and a glue line that are a little off.',
      remedies: [
        ...measuresThat(staysIn, { asked, together, spread: plan.spread, unit }, one, mm + MARGIN_MM).map(
          ({ label, part }) => asking(job, one.layer, label, part),
        ),
        takeOff(job, layerId),
      ],
    };
  });
}

/** What does not close tears its glue off or buckles. */
function strainSnags({ job, workshop: { unit }, asked, together, plan }: Told): readonly Snag[] {
  const { motion } = plan;
  return together.made.flatMap((made): readonly Snag[] => {
    const one = made.asked;
    const { layer, layerId, popUp } = one;
    const ids = heldBy(made);
    const until = Math.floor(opensTo(together, motion, ids));
    if (until >= 180) return [];
    const most = Math.max(...motion.map((moment) => strainOf(moment, ids)));
    const mends = (mechanismOf(popUp.mechanism).opensFlat?.(popUp, most) ?? []).filter(({ part }) =>
      opensFlat({ asked, together, spread: plan.spread, unit }, one, part),
    );
    return [
      {
        ...{ id: `size-popup-strain-${layerId}`, station: 'size', level: until < STANDS_DEG ? 'stop' : 'warn' },
        title: `${made.name} pulls taut at about ${until}° and tears past it`,
        why: `With the card flat open it is ${formatLength(most, unit)} too short: its glue comes off, or it buckles. Opened no farther it holds the card at that angle.`,
        remedies: [...mends.map(({ label, part }) => asking(job, layer, label, part)), takeOff(job, layerId)],
      },
    ];
  });
}

/** One for each two pop-ups that are in each other’s way. */
function jamSnags(told: Told): readonly Snag[] {
  const { job, together, jams } = told;
  const { unit } = told.workshop;
  const seen = new Map<string, Jam>();
  for (const jam of jams) {
    const layers = jam.partIds.map((id) => (id === null ? 'page' : layerOf(together, id).layerId));
    const key = [...new Set(layers)].sort().join('-');
    if ((seen.get(key)?.depthMm ?? 0) < jam.depthMm) seen.set(key, jam);
  }
  return [...seen].map(([key, { partIds: ids, openDeg, depthMm }]): Snag => {
    const names = ids.map((id) => (id === null ? 'a page' : nameOf(together, id)));
    const own = ids.flatMap((id) => (id === null ? [] : [layerOf(together, id).layerId]));
    return {
      ...{ id: `size-popup-jam-${key}`, station: 'size', level: 'stop' },
      title: `${names[0] === 'a page' ? 'A page' : names[0]} and ${names[1]} go through each other`,
      why: `At ${Math.round(openDeg)}° open, ${formatLength(depthMm, unit)} deep: there the card jams.`,
      remedies: [
        ...movedApart(told, own),
        ...[...new Set(own)].map((layerId) => ({
          ...takeOff(job, layerId),
          ...(new Set(own).size > 1 ? { label: `Take the ${nameOfLayer(together, layerId).toLowerCase()} off` } : {}),
        })),
      ],
    };
  });
}

function glueSnags(told: Told): readonly Snag[] {
  const { job, together, plan } = told;
  const seen = new Set<string>();
  return shared(plan.spots).flatMap(([a, b]): readonly Snag[] => {
    const [first, second] = [layerOf(together, a.partId), layerOf(together, b.partId)];
    const key = [first.layerId, second.layerId].sort().join('-');
    if (seen.has(key) || first.layerId === second.layerId) return [];
    seen.add(key);
    return [
      {
        ...{ id: `size-popup-glue-${key}`, station: 'size', level: 'stop' },
        title: `${nameOf(together, a.partId)} and ${nameOf(together, b.partId)} are glued to one place`,
        why: `Glue marks ${a.number} and ${b.number} lie on each other.`,
        remedies: [...movedApart(told, [first.layerId, second.layerId]), takeOff(job, second.layerId)],
      },
    ];
  });
}

/** Glued where there is nothing under it; once for a pop-up, the worst of its places. */
function offSnags({ job, workshop: { unit }, asked, together, plan: { spread } }: Told): readonly Snag[] {
  const worst = new Map<string, ReturnType<typeof offCarrier>[number]>();
  for (const one of offCarrier(together, spread)) {
    const { layerId } = layerOf(together, one.spot.partId);
    if (one.mm > (worst.get(layerId)?.mm ?? 0)) worst.set(layerId, one);
  }
  return [...worst].map(([layerId, { spot, mm }]): Snag => {
    const one = asked.find((each) => each.layerId === layerId)!;
    const { partId, panelId } = spot.on;
    const carrier = partId === null ? spread.seats[panelId as PageId].name : nameOf(together, partId);
    return {
      ...{ id: `size-popup-off-${layerId}`, station: 'size', level: 'stop' },
      title: `${nameOf(together, spot.partId)} is glued past the edge of the ${carrier.toLowerCase()}`,
      why: `Mark ${spot.number} goes ${formatLength(mm, unit)} past it: there is nothing under the glue there.`,
      remedies: [
        ...measuresThat(liesOnCard, { asked, together, spread, unit }, one, mm).map(({ label, part }) =>
          asking(job, one.layer, label, part),
        ),
        takeOff(job, layerId),
      ],
    };
  });
}

/** Of what lies where most does, what could be of lighter stock. */
function bulkSnags({ job, workshop, together, plan: { bulk, addedMm, shut } }: Told): readonly Snag[] {
  if (addedMm <= COVER_HOLDS_MM) return [];
  const { unit } = workshop;
  const lightest = lightestPleats(workshop);
  const there = new Set(
    shut.filter(({ outline }) => contains(outline, bulk)).map(({ partId }) => layerOf(together, partId).layerId),
  );
  const heavy = together.made.filter(({ asked: { layer, layerId } }) => {
    const stock = workshop.stocks.find(({ id }) => id === job.size.layers[layer]!.stockIds[0]);
    return there.has(layerId) && lightest && stock && stock.caliperMicron > lightest.caliperMicron;
  });
  return [
    {
      ...{ id: 'size-popup-bulk', station: 'size', level: 'warn' },
      title: `The pop-ups are ${formatLength(addedMm, unit)} thick: the card springs open`,
      why: `${bulk.sheets} sheets lie on each other where most do. A card with one fold holds about ${formatLength(COVER_HOLDS_MM, unit)}.`,
      remedies: heavy.slice(0, 2).map(({ asked: { layer }, name }) => ({
        label: `Make the ${name.toLowerCase()} of ${lightest!.name}`,
        changes: [decide((at) => at.size.layers.at(layer).stockIds, [lightest!.id])],
      })),
    },
  ];
}

/** The lightest stock on the shelf that holds a crease. */
const lightestPleats = ({ stocks }: Workshop) =>
  sortedBy(
    stocks.filter(({ gsm, readyCut }) => gsm >= PLEAT_GSM.least && !readyCut),
    ({ gsm }) => gsm,
  )[0];

function fanSnags({ job, workshop, together }: Told): readonly Snag[] {
  return together.made.flatMap(({ asked: { layer, layerId, popUp }, made: { fans = [] } }) =>
    fans.flatMap((fan): readonly Snag[] => {
      const opens = fanOpensDeg(fan);
      const stock = workshop.stocks.find(({ id }) => id === job.size.layers[layer]!.stockIds[0]);
      const lightest = lightestPleats(workshop);
      const snags: Snag[] = [];
      if (opens < 180) {
        const pleats = Math.ceil(pleatsFor(fan) / (popUp.fan === 'half' ? 2 : 1));
        snags.push({
          ...{ id: `size-popup-fan-${layerId}`, station: 'size', level: opens < STANDS_DEG ? 'stop' : 'warn' },
          title: `The fan is taut at about ${Math.round(opens)}°`,
          why: `${freePleats(fan)} free pleats of ${formatLength(fan.pleatMm, workshop.unit)} do not reach round half a circle of that radius.`,
          remedies: [asking(job, layer, `Make it of ${pleats} pleats`, { pleats }), takeOff(job, layerId)],
        });
      }
      if (stock && stock.gsm > PLEAT_GSM.most && lightest && lightest.gsm < stock.gsm)
        snags.push({
          ...{ id: `size-popup-pleats-${layerId}`, station: 'size', level: 'warn' },
          title: `Pleats of ${Math.round(stock.gsm)} g/m² stack up and do not lie`,
          why: `A fan wants paper as thin as holds a crease, about ${PLEAT_GSM.least} to ${PLEAT_GSM.most} g/m².`,
          remedies: [
            {
              label: `Use ${lightest.name}`,
              changes: [decide((at) => at.size.layers.at(layer).stockIds, [lightest.id])],
            },
          ],
        });
      return snags;
    }),
  );
}

const tabSnags = ({ job, together }: Told): readonly Snag[] =>
  together.made.flatMap(({ asked: { layer, layerId }, made: { parts } }): readonly Snag[] => {
    const shown = parts.find(({ showing }) => showing.length > 0);
    return shown
      ? [
          {
            ...{ id: `size-popup-tab-${layerId}`, station: 'size', level: 'note' },
            title: `The ${shown.name.toLowerCase()}’s glue tabs are seen`,
            why: 'They lie before it on the pages.',
            remedies: [asking(job, layer, 'Turn them behind it', { tabs: 'hidden' })],
          },
        ]
      : [];
  });
