import { areaOf } from '../../../ground/geometry/polygon.ts';
import type { Blank, FlatBlank } from '../../../ground/fold/types.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import { TOLERANCE_MM } from '../../../ground/geometry/types.ts';
import { stockById } from '../../../job/pick.ts';
import { isSeenBehind } from '../../../job/popUps.ts';
import type { Job, LayerChoice } from '../../../job/types.ts';
import type { Stock, Workshop } from '../../../workshop/types.ts';
import { strip } from '../formats/parts/strip.ts';
import { glued, printOn, type GlueArea, type LayerPiece } from '../layers.ts';
import { popUpOf, type PutTogether } from './assemble.ts';
import { tracedPicture } from './mechanisms/figure.ts';
import { glueSpots, type GlueSpot } from './glueSpots.ts';
import type { Spread } from './spread.ts';
import type { PopUpFan, PopUpPart } from './types.ts';

/** Creases as they are seen from the side that shows: a valley comes towards who looks. */
const flat = (
  { creases, panels: _panels, ...blank }: Blank,
  isBent: (creaseId: string) => boolean = () => true,
): FlatBlank => ({
  ...blank,
  creases: creases
    .filter(({ id }) => isBent(id))
    .map(({ id, from, to, direction }) => ({
      ...{ id, from, to },
      way: direction === 'valley' ? ('toward' as const) : ('away' as const),
    })),
});

/** What stays flat at every opening is not creased there. */
const isBentIn =
  ({ shut, flat: open }: PopUpPart) =>
  (creaseId: string): boolean =>
    (shut[creaseId] ?? 0) !== 0 || (open[creaseId] ?? 0) !== 0;

interface PieceToMake {
  readonly id: string;
  readonly name: string;
  readonly blank: FlatBlank;
  /** None for what bends. */
  readonly part?: PopUpPart;
}

/** Every part as it is cut, of its layer’s stock; the picture of a layer goes on the part that carries it. */
export function popUpPieces(
  job: Job,
  workshop: Workshop,
  together: PutTogether,
  { isLevel }: Pick<Spread, 'isLevel'>,
): readonly LayerPiece[] {
  const spots = glueSpots(together);
  return together.made.flatMap(({ asked: { layer }, made: { parts, bands = [], fans = [] } }) => {
    const choice = job.size.layers[layer]!;
    const stock = stockById(workshop, choice.stockIds[0]!, `size.layers.${layer}.stockIds.0`);
    const pieceOf = (
      { id, name, blank, part }: PieceToMake,
      print: Pick<LayerChoice, 'picture' | 'foil'>,
      glueArea: GlueArea | null,
    ): LayerPiece => {
      const cut = { kind: 'popUp' as const, blank, stock };
      return {
        ...{ ...cut, id, name, faceId: null, leftMm: 0, topMm: 0, glueMarks: marksOn(id, blank, spots) },
        ...printOn(job, layer, print, blank.outline),
        ...inItsOutline(job, choice, blank, part),
        ...behind(job, choice, part, isLevel),
        ...glued(job, workshop, choice, cut, glueArea),
      };
    };
    const gluedOf = (partId: string): GlueArea | null => stripOf(spots.filter((spot) => spot.partId === partId));
    return [
      ...parts
        .filter(({ cutFrom }) => !cutFrom)
        .map((part) =>
          pieceOf(
            { ...part, part, blank: flat(part.blank, isBentIn(part)) },
            printOf(choice, part, isLevel),
            gluedOf(part.id),
          ),
        ),
      ...bands.map((band) => pieceOf({ ...band, blank: flat(band.blank) }, choice, gluedOf(band.id))),
      ...fans.flatMap((fan) => {
        const strips = fanStrips(fan, stock);
        return strips.map((blank, i) => {
          const [id, name] =
            i === 0 && strips.length === 1
              ? [fan.id, fan.name]
              : [i === 0 ? fan.id : `${fan.id}-${i + 1}`, `${fan.name}, strip ${i + 1} of ${strips.length}`];
          // The first strip is glued to the card, each further one to the one before, by a pleat.
          const joint = { widthMm: blank.heightMm, heightMm: fan.pleatMm };
          return pieceOf({ id, name, blank }, choice, i === 0 ? gluedOf(fan.id) : joint);
        });
      }),
    ];
  });
}

/** What was cut round its picture ends before it: no ink goes past its trim, and the picture lies where it was traced. */
function inItsOutline(
  { pictures }: Job,
  choice: LayerChoice,
  { outline }: FlatBlank,
  part: PopUpPart | undefined,
): Partial<Pick<LayerPiece, 'bleedMm' | 'bleedOutline' | 'pictureBox'>> {
  if (part?.carries !== 'upright') return {};
  const ref = choice.picture && pictures[choice.picture.pictureId];
  const pictureBox = ref && tracedPicture(popUpOf(choice), ref);
  return pictureBox ? { pictureBox, bleedMm: 0, bleedOutline: outline } : {};
}

/** What is printed behind a part that carries a picture, upright to who walks round it; foil is laid on the front alone. */
function behind(
  { pictures }: Job,
  choice: LayerChoice,
  part: PopUpPart | undefined,
  isLevel: boolean,
): Pick<LayerPiece, 'back'> {
  const { picture, backPicture, foil } = choice;
  if (!part || part.carries === 'nothing' || foil) return {};
  if (!isSeenBehind(popUpOf(choice).mechanism)) return {};
  if (!picture || !backPicture || !pictures[picture.pictureId] || !pictures[backPicture.pictureId]) return {};
  // Across a level fold a blank lies on its side: what is upright on it as it is read runs along it.
  const lies = isLevel && part.carries === 'asRead';
  return {
    back: {
      picture: lies ? { ...backPicture, quarterTurns: ((backPicture.quarterTurns ?? 0) + 1) % 4 } : backPicture,
      turn: lies ? 'topBottom' : 'leftRight',
    },
  };
}

/** Where a part is glued, and where others are glued to it; of a strip of several, what lies on the first. */
const marksOn = (id: string, blank: FlatBlank, spots: readonly GlueSpot[]): NonNullable<LayerPiece['glueMarks']> =>
  spots.flatMap(({ number, partId, on, own, area }) => [
    ...(partId === id && own.every(({ xMm }) => xMm < blank.widthMm + TOLERANCE_MM) ? [{ number, outline: own }] : []),
    ...(on.partId === id ? [{ number, outline: area }] : []),
  ]);

/** Across a level fold a picture lies on its side on the blank, to be upright as the pages are read. */
function printOf(choice: LayerChoice, { carries }: PopUpPart, isLevel: boolean): Pick<LayerChoice, 'picture' | 'foil'> {
  if (carries === 'nothing') return {};
  const { picture } = choice;
  return picture && isLevel && carries === 'asRead'
    ? { ...choice, picture: { ...picture, quarterTurns: ((picture.quarterTurns ?? 0) + 1) % 4 } }
    : choice;
}

/** All that is glued of a part, laid out as one strip. */
function stripOf(spots: readonly GlueSpot[]): GlueArea | null {
  if (spots.length === 0) return null;
  const area = spots.reduce((sum, { own }) => sum + areaOf(own), 0);
  const widthMm = spots.reduce((sum, { own }) => {
    const box = boxAround(own);
    return sum + Math.max(box.widthMm, box.heightMm);
  }, 0);
  return { widthMm, heightMm: area / widthMm };
}

/** Card that a knife leaves at the edge of a sheet. Our starting value. */
const SHEET_EDGE_MM = 3;

/**
 * A pleated strip is as long as all its pleats; where no sheet is, it is joined of several that lie on each other by one
 * pleat. Each strip has about as many pleats as the others.
 */
export function fanStrips({ blank }: PopUpFan, { sheetWidthMm, sheetHeightMm }: Stock): readonly FlatBlank[] {
  const pleats = blank.panels.length;
  const pleatMm = blank.widthMm / pleats;
  const longest = Math.max(sheetWidthMm, sheetHeightMm) - 2 * SHEET_EDGE_MM;
  const most = Math.floor(longest / pleatMm + 1e-9);
  if (most >= pleats || most < 2) return [flat(blank)];
  const strips = Math.ceil((pleats - 1) / (most - 1));
  const all = pleats + strips - 1;
  const counts = Array.from({ length: strips }, (_, i) => Math.floor(all / strips) + (i < all % strips ? 1 : 0));
  let first = 0;
  return counts.map((count) => {
    const from = first;
    first += count - 1;
    return flat(
      strip(
        Array.from({ length: count }, (_, i) => ({ id: `pleat${i + 1}`, name: `Pleat ${i + 1}`, widthMm: pleatMm })),
        Array.from({ length: count - 1 }, (_, i) => ({
          id: `pleat${i + 1}`,
          direction: (from + i) % 2 === 0 ? ('mountain' as const) : ('valley' as const),
        })),
        blank.heightMm,
      ),
    );
  });
}
