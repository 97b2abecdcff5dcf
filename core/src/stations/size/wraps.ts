import { boxAround } from '../../ground/geometry/box.ts';
import type { Polygon } from '../../ground/geometry/polygon.ts';
import type { Point } from '../../ground/geometry/types.ts';
import type { FlatBlank } from '../../ground/fold/types.ts';
import type { Mm } from '../../ground/length/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { decide } from '../../job/decide.ts';
import type { Remedy, Snag } from '../../job/findings.ts';
import { stockById } from '../../job/pick.ts';
import { isWrapKind, WRAP_STARTS, type Wrap } from '../../job/layerKinds.ts';
import type { Job, LayerChoice } from '../../job/types.ts';
import type { Workshop } from '../../workshop/types.ts';
import { HOLE_CLEAR_MM, roundHole } from './formats/parts/roundHole.ts';
import { glued, printOfTop, printOn, type LayerPiece } from './layers.ts';

/** What goes round the shut card, or hangs on it. */
interface ShutSize {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly thicknessMm: Mm;
}

/** Card round the hole of a patch that strengthens it. Our starting value. */
const PATCH_RIM_MM = 5;
/** Thinner than this a wrap turns on one crease instead of two. Our starting value. */
const ONE_CREASE_UNDER_MM = 1;
/** What an envelope that goes into a sleeve beside its card comes to: front, back and one seam. Our starting value. */
const ENVELOPE_IN_PACK_MM = 0.36;

/** Tags, bands and sleeves of a job, as they are cut, and what cannot be made so. */
export function planWraps(
  job: Job,
  workshop: Workshop,
  shut: ShutSize,
): { readonly pieces: readonly LayerPiece[]; readonly snags: readonly Snag[] } {
  const pieces: LayerPiece[] = [];
  const snags: Snag[] = [];
  job.size.layers.forEach((choice, layer) => {
    const { kind } = choice;
    if (!isWrapKind(kind)) return;
    const wrap: Wrap = { ...WRAP_STARTS[kind], ...choice.wrap };
    const fault = faultOf(choice, wrap, shut, workshop);
    if (fault) {
      snags.push({
        ...{
          id: `size-layer-${choice.id}-${fault.of}`,
          station: 'size',
          level: 'stop',
          title: fault.title,
          why: fault.why,
        },
        remedies: [
          ...fault.mends.map(({ label, part }): Remedy => ({
            label,
            changes: [decide((at) => at.size.layers.at(layer).wrap, { ...choice.wrap, ...part })],
          })),
          {
            label: 'Take it off',
            changes: [
              decide(
                (at) => at.size.layers,
                job.size.layers.filter(({ id }) => id !== choice.id),
              ),
            ],
          },
        ],
      });
      return;
    }
    for (const [i, { kind: cutAs, blank, glueArea }] of blanksOf(choice, wrap, shut, job).entries()) {
      const stock = stockById(workshop, choice.stockIds[0]!, `size.layers.${layer}.stockIds.0`);
      const piece = { kind: cutAs, blank, stock };
      pieces.push({
        ...piece,
        ...{ id: `${choice.id}-${i + 1}`, name: NAMES[cutAs], faceId: null, leftMm: 0, topMm: 0 },
        ...printOn(job, layer, printOfTop(choice, i), blank.outline),
        ...glued(job, workshop, choice, piece, glueArea),
        ...(kind === 'sleeve' ? { perCards: job.sell.packOf } : {}),
      });
    }
  });
  return { pieces, snags };
}

const NAMES = { tag: 'Tag', patch: 'Tag’s patch', band: 'Band', sleeve: 'Sleeve' } as const;

interface Cut {
  readonly kind: keyof typeof NAMES;
  readonly blank: FlatBlank;
  /** Where it is glued; null for what hangs. */
  readonly glueArea: { readonly widthMm: Mm; readonly heightMm: Mm } | null;
}

function blanksOf({ kind }: LayerChoice, wrap: Wrap, shut: ShutSize, job: Job): readonly Cut[] {
  switch (kind) {
    case 'tag':
      return tagBlanks(wrap);
    case 'band':
      return [around(wrap.down ? { ...shut, widthMm: shut.heightMm } : shut, wrap, 'band')];
    default: {
      const envelope = job.envelope.make || job.brief.envelope.kind !== 'none' ? ENVELOPE_IN_PACK_MM : 0;
      const thicknessMm = job.sell.packOf * (shut.thicknessMm + envelope);
      return [around({ ...shut, thicknessMm }, { ...wrap, heightMm: shut.heightMm }, 'sleeve')];
    }
  }
}

/**
 * A strip round something so wide and thick: half its back with the lap, a side, the front, the other side, the other half
 * of the back. A sleeve’s back is whole and its lap is glued inside it. Every turn has a crease; where the sides are too
 * thin for two, one crease lies in the middle of each.
 * @returns the outside up, the front’s head up
 */
function around({ widthMm, thicknessMm }: ShutSize, { heightMm, lapMm, easeMm }: Wrap, kind: 'band' | 'sleeve'): Cut {
  const [front, side] = [widthMm + easeMm, thicknessMm + (kind === 'sleeve' ? easeMm : 0)];
  const [first, last] = kind === 'band' ? [front / 2 + lapMm, front / 2] : [lapMm + front, 0];
  const edges: Mm[] = kind === 'sleeve' ? [lapMm] : [];
  const turn = (from: Mm): void =>
    void edges.push(...(side < ONE_CREASE_UNDER_MM ? [from + side / 2] : [from, from + side]));
  turn(first);
  turn(first + side + front);
  const long = first + side + front + side + last;
  // The sleeve’s last side ends where the glued lap begins again.
  const creases = edges.filter((at) => at < long - 1e-9);
  return {
    kind,
    blank: {
      ...rectangle(long, heightMm),
      creases: creases.map((at, i) => ({
        id: `turn${i + 1}`,
        from: { xMm: at, yMm: 0 },
        to: { xMm: at, yMm: heightMm },
      })),
      cuts: [],
    },
    glueArea: { widthMm: lapMm, heightMm },
  };
}

/** With its corners off at the end that it hangs by; folded, the fold is at its head and the hole goes through both leaves. */
function tagBlanks({ widthMm, heightMm, holeMm, cornerMm, folded, patch }: Wrap): readonly Cut[] {
  const middle = (yMm: Mm): Point => ({ xMm: widthMm / 2, yMm });
  const fromHead = HOLE_CLEAR_MM + holeMm / 2;
  const high = folded ? 2 * heightMm : heightMm;
  const holes = holeMm > 0 ? (folded ? [heightMm - fromHead, heightMm + fromHead] : [fromHead]) : [];
  const outline: Polygon =
    folded || cornerMm === 0
      ? rectangle(widthMm, high).outline
      : [
          { xMm: cornerMm, yMm: 0 },
          { xMm: widthMm - cornerMm, yMm: 0 },
          { xMm: widthMm, yMm: cornerMm },
          { xMm: widthMm, yMm: high },
          { xMm: 0, yMm: high },
          { xMm: 0, yMm: cornerMm },
        ];
  const tag: Cut = {
    kind: 'tag',
    blank: {
      ...{ outline, widthMm, heightMm: high },
      creases: folded ? [{ id: 'fold', from: { xMm: 0, yMm: heightMm }, to: { xMm: widthMm, yMm: heightMm } }] : [],
      cuts: holes.map((yMm, i) => roundHole({ id: `hole${i + 1}`, name: 'Hole of the tag' }, middle(yMm), holeMm)),
    },
    glueArea: null,
  };
  if (!patch || holeMm === 0) return [tag];
  const across = holeMm + 2 * PATCH_RIM_MM;
  const at = { xMm: across / 2, yMm: across / 2 };
  const rim = roundHole({ id: 'rim', name: 'Rim' }, at, across).points;
  const box = boxAround(rim);
  return [
    tag,
    {
      kind: 'patch',
      blank: {
        ...{ outline: rim, widthMm: box.widthMm, heightMm: box.heightMm, creases: [] },
        cuts: [roundHole({ id: 'hole', name: 'Hole of the patch' }, at, holeMm)],
      },
      glueArea: { widthMm: across, heightMm: PATCH_RIM_MM },
    },
  ];
}

const rectangle = (widthMm: Mm, heightMm: Mm) => ({
  ...{ widthMm, heightMm },
  outline: [
    { xMm: 0, yMm: 0 },
    { xMm: widthMm, yMm: 0 },
    { xMm: widthMm, yMm: heightMm },
    { xMm: 0, yMm: heightMm },
  ],
});

/** Corners that leave half of a tag’s head and of its sides. */
const cornersOf = (widthMm: Mm, heightMm: Mm): Mm => Math.floor(Math.min(widthMm / 4, heightMm / 2));

interface Fault {
  /** So that two of one piece are told apart. */
  readonly of: 'hole' | 'corners' | 'height' | 'lap';
  readonly title: string;
  readonly why: string;
  readonly mends: readonly { readonly label: string; readonly part: Partial<Wrap> }[];
}

/** What cannot be made so, and what would. */
function faultOf({ kind }: LayerChoice, wrap: Wrap, shut: ShutSize, { unit }: Workshop): Fault | null {
  const say = (mm: Mm): string => formatLength(mm, unit);
  const { widthMm, heightMm, holeMm, cornerMm, lapMm } = wrap;
  if (kind === 'tag') {
    const need = holeMm + 2 * HOLE_CLEAR_MM;
    const [wide, high] = [Math.max(widthMm, need), Math.max(heightMm, need)];
    if (holeMm > 0 && Math.min(widthMm, heightMm) < need)
      return {
        of: 'hole',
        title: 'The tag is too narrow for its hole',
        why: `A hole of ${say(holeMm)} with ${say(HOLE_CLEAR_MM)} of card on every side wants ${say(need)}.`,
        mends: [
          {
            label: `Make it ${say(wide)} × ${say(high)}`,
            part: { widthMm: wide, heightMm: high, cornerMm: Math.min(cornerMm, cornersOf(wide, high)) },
          },
          {
            label: 'Leave the hole out',
            part: { holeMm: 0, cornerMm: Math.min(cornerMm, cornersOf(widthMm, heightMm)) },
          },
        ],
      };
    if (cornerMm > Math.min(widthMm / 2, heightMm))
      return {
        of: 'corners',
        title: 'The tag’s corners leave nothing of its head',
        why: `Corners of ${say(cornerMm)} meet in the middle of ${say(widthMm)}, or reach its foot.`,
        mends: [
          {
            label: `Cut ${say(cornersOf(widthMm, heightMm))} off`,
            part: { cornerMm: cornersOf(widthMm, heightMm) },
          },
        ],
      };
    return null;
  }
  const [round, along] = wrap.down ? [shut.heightMm, shut.widthMm] : [shut.widthMm, shut.heightMm];
  if (kind === 'band' && heightMm > along)
    return {
      of: 'height',
      title: 'The band is higher than the card',
      why: `It is ${say(heightMm)} high, and what it goes round ${say(along)}.`,
      mends: [{ label: `Make it ${say(Math.floor(along / 3))} high`, part: { heightMm: Math.floor(along / 3) } }],
    };
  if (lapMm > round / 2)
    return {
      of: 'lap',
      title: `The ${kind}’s lap reaches round the front`,
      why: `A lap of ${say(lapMm)} is more than half of ${say(round)}.`,
      mends: [{ label: `Make the lap ${say(WRAP_STARTS.band.lapMm)}`, part: { lapMm: WRAP_STARTS.band.lapMm } }],
    };
  return null;
}

/** What bands and tags add where the shut card is thickest: the band’s front, back and lap; a tag’s leaves and patch. */
export const wrapsThicknessMm = (pieces: readonly LayerPiece[]): Mm =>
  pieces.reduce((sum, { kind, stock, blank }) => {
    const leaves = kind === 'band' ? 3 : kind === 'tag' ? 1 + blank.creases.length : kind === 'patch' ? 1 : 0;
    return sum + (leaves * stock.caliperMicron) / 1000;
  }, 0);
