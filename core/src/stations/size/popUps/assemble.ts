import { inSpace } from '../../../ground/fold/foldBlank.ts';
import { minus, move } from '../../../ground/fold/space.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { motionOf } from '../../../ground/linkage/motionOf.ts';
import { placeParts } from '../../../ground/linkage/placeParts.ts';
import { bodyKey, type CreaseRef, type Linkage } from '../../../ground/linkage/types.ts';
import { POP_UP_STARTS, type PopUp, type PopUpPlace } from '../../../job/popUps.ts';
import type { LayerChoice } from '../../../job/types.ts';
import { mechanismOf } from './mechanisms/index.ts';
import type { Spread } from './spread.ts';
import type { Gutter, Made, MadePopUp, PopUpBand, PopUpFan, PopUpPart, Seat } from './types.ts';

/** A pop-up of the job, with everything that it asks. */
export interface PopUpAsked {
  readonly layer: number;
  readonly layerId: string;
  readonly popUp: PopUp;
}

/** What others may be put on. */
export interface Carrier {
  readonly gutters: Readonly<Record<string, Gutter>>;
  readonly seats: Readonly<Record<string, Seat>>;
}

/** A pop-up as it was made, by a name that tells it from the others. */
export interface MadeFor {
  readonly asked: PopUpAsked;
  readonly made: MadePopUp;
  readonly name: string;
}

export interface PutTogether {
  /** In the order in which they carry each other, each with what was asked. */
  readonly made: readonly MadeFor[];
  readonly faults: readonly { readonly asked: PopUpAsked; readonly fault: Extract<Made, { readonly ok: false }> }[];
  /** By layer; the card’s own under nothing. */
  readonly carriers: ReadonlyMap<string | null, Carrier>;
  readonly parts: readonly PopUpPart[];
  readonly bands: readonly PopUpBand[];
  readonly fans: readonly PopUpFan[];
  readonly linkage: Linkage;
}

/** Everything that a layer asks as a pop-up, the usual where it says nothing. */
export const popUpOf = ({ popUp }: Pick<LayerChoice, 'popUp'>): PopUp => ({
  ...POP_UP_STARTS[popUp?.mechanism ?? 'boxStep'],
  ...popUp,
});

export const popUpsAsked = (layers: readonly LayerChoice[]): readonly PopUpAsked[] =>
  layers.flatMap((choice, layer) =>
    choice.kind === 'popUp' ? [{ layer, layerId: choice.id, popUp: popUpOf(choice) }] : [],
  );

/** Makes every pop-up where it is put: carriers first, straps last, each strap as long as what it is to lift asks. */
export function assemble(asked: readonly PopUpAsked[], spread: Spread): PutTogether {
  const loose = build(asked, spread);
  const unsaid = loose.made.filter(({ asked: one, made: { bands } }) => bands && one.popUp.longMm === null);
  if (unsaid.length === 0) return loose;
  const lengths = new Map(unsaid.map((one) => [one.asked.layerId, tautLength(one, loose)]));
  return build(
    asked.map((one) =>
      lengths.has(one.layerId) ? { ...one, popUp: { ...one.popUp, longMm: lengths.get(one.layerId)! } } : one,
    ),
    spread,
  );
}

function build(asked: readonly PopUpAsked[], spread: Spread): PutTogether {
  const card: Carrier = { gutters: { fold: spread.gutter }, seats: spread.seats };
  const carriers = new Map<string | null, Carrier>([[null, card]]);
  const made: MadeFor[] = [];
  const faults: PutTogether['faults'][number][] = [];
  const waiting = [...asked];
  for (let again = true; again;) {
    again = false;
    for (const one of [...waiting]) {
      const needs = [one.popUp.on, ...(mechanismOf(one.popUp.mechanism).sits === 'seats' ? [one.popUp.to] : [])];
      if (!needs.every(({ layerId }) => carriers.has(layerId))) continue;
      waiting.splice(waiting.indexOf(one), 1);
      again = true;
      const answer = makeOne(one, carriers);
      if (!answer.ok) {
        faults.push({ asked: one, fault: answer });
        continue;
      }
      const nth = nthOf(one, asked);
      const { name } = mechanismOf(one.popUp.mechanism);
      made.push({ asked: one, made: numbered(answer.made, nth), name: nth === null ? name : `${name} ${nth}` });
      carriers.set(one.layerId, { gutters: answer.made.gutters ?? {}, seats: answer.made.seats ?? {} });
    }
  }
  for (const one of waiting) faults.push({ asked: one, fault: carriedByNothing(one) });
  const parts = made.flatMap((one) => one.made.parts);
  const bands = made.flatMap((one) => one.made.bands ?? []);
  return {
    ...{ made, faults, carriers, parts, bands },
    fans: made.flatMap((one) => one.made.fans ?? []),
    linkage: { parts, straps: bands, alike: made.flatMap((one) => one.made.alike ?? []) },
  };
}

/** Which of its kind it is, in the job’s order; null where it is the only one. */
function nthOf({ layerId, popUp }: PopUpAsked, asked: readonly PopUpAsked[]): number | null {
  const alike = asked.filter((one) => one.popUp.mechanism === popUp.mechanism);
  return alike.length > 1 ? alike.findIndex((one) => one.layerId === layerId) + 1 : null;
}

/** Its pieces by names that tell them from those of another of its kind. */
function numbered(made: MadePopUp, nth: number | null): MadePopUp {
  if (nth === null) return made;
  const named = <T extends { readonly name: string }>(all: readonly T[]): readonly T[] =>
    all.map((one) => ({ ...one, name: `${one.name} ${nth}` }));
  return {
    ...made,
    parts: named(made.parts),
    ...(made.bands ? { bands: named(made.bands) } : {}),
    ...(made.fans ? { fans: named(made.fans) } : {}),
  };
}

function makeOne({ layerId, popUp }: PopUpAsked, carriers: ReadonlyMap<string | null, Carrier>): Made {
  const { sits, make } = mechanismOf(popUp.mechanism);
  const seatAt = ({ layerId: on, at }: PopUpPlace): Seat | null => carriers.get(on)?.seats[at] ?? null;
  const gutter = carriers.get(popUp.on.layerId)?.gutters[popUp.on.at] ?? null;
  const seat = seatAt(popUp.on);
  const other = seatAt(popUp.to);
  if (sits === 'gutter' && !gutter)
    return { ok: false, ...NO_PLACE, mends: [{ label: 'Put it over the card’s fold', part: { on: ON_FOLD } }] };
  if (sits !== 'gutter' && !seat)
    return { ok: false, ...NO_PLACE, mends: [{ label: 'Put it on a page', part: { on: ON_PAGE } }] };
  if (sits === 'seats' && !other)
    return { ok: false, ...NO_PLACE, mends: [{ label: 'Glue its other end to a page', part: { to: ON_OTHER } }] };
  if (sits === 'seats' && bodyKey(seat!.body) === bodyKey(other!.body))
    return {
      ok: false,
      title: 'Both ends of the strap are on one piece',
      why: 'What does not move against itself never pulls it.',
      mends: [{ label: 'Glue its other end to a page', part: { to: ON_OTHER } }].filter(
        () => bodyKey(seat!.body) !== 'a',
      ),
    };
  return make(popUp, { layerId, gutter, seat, other });
}

const ON_FOLD = { layerId: null, at: 'fold' };
const ON_PAGE = { layerId: null, at: 'b' };
const ON_OTHER = { layerId: null, at: 'a' };
const NO_PLACE = {
  title: 'A pop-up has no place',
  why: 'What it was put on is not there: another mechanism stands in its place, or it was taken off.',
};

const carriedByNothing = ({ popUp }: PopUpAsked): Extract<Made, { readonly ok: false }> => ({
  ok: false,
  ...NO_PLACE,
  mends:
    mechanismOf(popUp.mechanism).sits === 'gutter'
      ? [{ label: 'Put it over the card’s fold', part: { on: ON_FOLD } }]
      : [{ label: 'Put it on a page', part: { on: ON_PAGE, to: ON_OTHER } }],
});

/** Between a strap’s ends with the card wide open and the lid that hangs on it lifted as far as it is to be. */
function tautLength({ asked: { popUp }, made: { bands } }: MadeFor, { made, linkage }: PutTogether): Mm {
  const moment = motionOf({ ...linkage, straps: [] }).at(-1)!;
  const lifted = [popUp.to.layerId, popUp.on.layerId].flatMap((id): readonly CreaseRef[] => {
    const lifts = made.find(({ asked }) => asked.layerId === id)?.made.lifts;
    return lifts ? [lifts] : [];
  })[0];
  const state = lifted
    ? { ...moment.state, [lifted.partId]: { ...moment.state[lifted.partId], [lifted.creaseId]: popUp.liftDeg } }
    : moment.state;
  const poses = placeParts(linkage.parts, state, moment.openDeg);
  const { from, to } = bands![0]!;
  const end = ({ body, at }: typeof from) => move(poses.get(bodyKey(body))!, inSpace(at));
  return Math.hypot(...minus(end(to), end(from)));
}

/** Everything that holds a pop-up together, by the ids that its gaps are told under. */
export const heldBy = ({ made: { parts, bands = [] } }: MadeFor): readonly string[] => [
  ...parts.flatMap(({ joints }) => joints.map(({ id }) => id)),
  ...bands.map(({ id }) => id),
];

/** Which pop-up a part is of. */
export const layerOf = ({ made }: Pick<PutTogether, 'made'>, partId: string): PopUpAsked =>
  made.find(({ made: { parts, bands = [], fans = [] } }) =>
    [...parts, ...bands, ...fans].some(({ id }) => id === partId),
  )!.asked;
