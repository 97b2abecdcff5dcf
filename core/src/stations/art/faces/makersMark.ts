import { MM_PER_POINT } from '../../../ground/length/types.ts';
import { DEFAULTS, EMPTY_FACE } from '../../../job/newJob.ts';
import type { ArtObject, FaceArt, Job, TextBlock } from '../../../job/types.ts';
import { decide, type JobChange, type JobPlace } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import type { SizePlan } from '../../size/planSize.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { inkOn } from '../ink/colour.ts';
import { safeBox } from './layFace.ts';
import { boxOf, idOf, type FacePlan, type LaidItem } from './items.ts';

const MARK_PT = 8;
/** Higher than this share of the face a mark is no longer small. */
const SMALL = 0.2;
/** Nearer than this a mark counts as low, or as centred. */
const NEAR_MM = 1;
/** Lower than this part of the face is low. */
const LOW = 0.6;

/** The studio’s name, small, at the foot of the back. */
export function newMakersMark(
  { face, safe: inset, art }: Pick<FacePlan, 'face' | 'safe' | 'art'>,
  studioName: string,
  id: string,
): TextBlock {
  const safe = roomOn(face, inset);
  const heightMm = MARK_PT * MM_PER_POINT * DEFAULTS.lineSpacing;
  return {
    id,
    text: studioName,
    typefaceId: 'atkinson-hyperlegible-next-400',
    sizePt: MARK_PT,
    align: 'centre',
    lineSpacing: DEFAULTS.lineSpacing,
    colour: inkOn(art.background),
    leftMm: safe.xMm,
    topMm: safe.yMm + safe.heightMm - heightMm,
    widthMm: safe.widthMm,
    fit: 'shrink',
    makersMark: true,
  };
}

const seen = (item: LaidItem): Box | null => (item.kind === 'text' ? item.set.ink : boxOf(item.object));
const isMark = (item: LaidItem): boolean =>
  Boolean(item.kind === 'text' ? item.block.makersMark : item.object.makersMark);

/** A mark on a face that is met before the back, the wrong way up, large, or somewhere else than low and centred. */
export function markSnags(job: Job, size: SizePlan, face: FacePlan): readonly Snag[] {
  return face.items.filter(isMark).flatMap((item) => [...placeSnags(job, size, face, item), ...turnSnags(face, item)]);
}

const snagOf = (
  face: FacePlan,
  item: LaidItem,
  part: Pick<Snag, 'level' | 'title' | 'why' | 'remedies'> & { readonly id: string },
): Snag => ({ ...part, id: `art-mark-${part.id}-${face.face.id}-${idOf(item)}`, station: 'art' });

function placeSnags(job: Job, size: SizePlan, face: FacePlan, item: LaidItem): readonly Snag[] {
  const box = seen(item);
  if (!box) return [];
  const name = face.face.name.toLowerCase();
  const back = size.faces.find(({ id }) => id === 'back');
  if (face.face.id !== 'back' && face.face.side === 'outside')
    return [
      snagOf(face, item, {
        id: 'front',
        level: 'warn',
        title: `The maker’s mark is on the ${name}`,
        why: 'It is met before the card is; a maker’s mark goes low on the back, where a card is turned over to look for it.',
        remedies: back ? [{ label: 'Move it to the back', changes: toBack(job, size, face, item, box) }] : [],
      }),
    ];
  if (face.face.id !== 'back') return [];
  const { widthMm, heightMm } = face.face;
  const centred = Math.abs(box.xMm + box.widthMm / 2 - widthMm / 2) <= NEAR_MM;
  const low = box.yMm >= heightMm * LOW;
  const small = box.heightMm <= heightMm * SMALL;
  if (centred && low && small) return [];
  const faults = [...(small ? [] : ['large']), ...(low ? [] : ['high']), ...(centred ? [] : ['off the middle'])];
  return [
    snagOf(face, item, {
      id: 'place',
      level: 'note',
      title: `The maker’s mark is ${faults.join(' and ')} on the back`,
      why: 'Small, low and centred it says who made the card without asking to be read.',
      remedies: [{ label: 'Set it small, low and centred', changes: [settled(face, item, box)] }],
    }),
  ];
}

/** The item at the foot of its face, in the middle and no larger than a mark should be. */
function settled(face: FacePlan, item: LaidItem, box: Box): JobChange {
  const index = placeOf(face, item);
  const onFace = (job: JobPlace) => job.art.faces.at(face.face.id);
  return item.kind === 'text'
    ? decide((job) => onFace(job).texts.at(index), moveText(face, item, box))
    : decide((job) => onFace(job).objects.at(index), moveObject(face, item, box));
}

/** Which of a face’s words, or of its other things, this one is. */
const placeOf = ({ art }: FacePlan, item: LaidItem): number =>
  (item.kind === 'text' ? art.texts : art.objects!).findIndex(({ id }) => id === idOf(item));

/** An inset that leaves nothing of a face leaves the face itself to put a mark on. */
const roomOn = ({ widthMm, heightMm }: FacePlan['face'], safe: Box): Box =>
  safe.widthMm > 0 && safe.heightMm > 0 ? safe : { xMm: 0, yMm: 0, widthMm, heightMm };

type Onto = Pick<FacePlan, 'safe' | 'face'>;
type LaidText = Extract<LaidItem, { kind: 'text' }>;
type LaidObject = Exclude<LaidItem, { kind: 'text' }>;

/** How much smaller a mark becomes, and where its foot stands. */
function small({ safe, face }: Onto, box: Box) {
  const room = roomOn(face, safe);
  const scale = Math.min(1, (face.heightMm * SMALL) / box.heightMm, room.widthMm / box.widthMm);
  return { room, scale, footMm: room.yMm + room.heightMm };
}

function moveObject(onto: Onto, { object }: LaidObject, box: Box): ArtObject {
  const { scale, footMm } = small(onto, box);
  const [widthMm, heightMm] = [box.widthMm * scale, box.heightMm * scale];
  return { ...object, leftMm: (onto.face.widthMm - widthMm) / 2, topMm: footMm - heightMm, widthMm, heightMm };
}

function moveText(onto: Onto, { block }: LaidText, box: Box): TextBlock {
  const { room, scale, footMm } = small(onto, box);
  // Set anew at its size every line grows alike, so that the ink keeps its place in the block in proportion.
  const inkFromTop = (box.yMm - block.topMm) * scale;
  return {
    ...block,
    sizePt: block.sizePt * scale,
    align: 'centre',
    // A block that fills its width would grow again.
    fit: 'shrink',
    leftMm: onto.face.widthMm / 2 - room.widthMm / 2,
    widthMm: room.widthMm,
    topMm: footMm - box.heightMm * scale - inkFromTop,
  };
}

function toBack(job: Job, size: SizePlan, from: FacePlan, item: LaidItem, box: Box): readonly JobChange[] {
  const back = size.faces.find(({ id }) => id === 'back')!;
  const onto = { face: back, safe: safeBox(size, back) };
  const onBack: FaceArt = job.art.faces.back ?? EMPTY_FACE;
  const gone = idOf(item);
  const { texts, objects = [] } = from.art;
  return item.kind === 'text'
    ? [
        decide(
          (job) => job.art.faces.at(from.face.id).texts,
          texts.filter(({ id }) => id !== gone),
        ),
        decide((job) => job.art.faces.at('back'), { ...onBack, texts: [...onBack.texts, moveText(onto, item, box)] }),
      ]
    : [
        decide(
          (job) => job.art.faces.at(from.face.id).objects,
          objects.filter(({ id }) => id !== gone),
        ),
        decide((job) => job.art.faces.at('back'), {
          ...onBack,
          objects: [...(onBack.objects ?? []), moveObject(onto, item, box)],
        }),
      ];
}

/** Faces are drawn the way their reader holds them, so only a picture can be turned within its frame. */
function turnSnags(face: FacePlan, item: LaidItem): readonly Snag[] {
  if (item.kind !== 'picture') return [];
  const turns = item.object.picture.quarterTurns ?? 0;
  if (turns === 0) return [];
  const index = placeOf(face, item);
  return [
    snagOf(face, item, {
      id: 'turned',
      level: 'warn',
      title: `The maker’s mark is ${turns === 2 ? 'upside-down' : 'on its side'} on the ${face.face.name.toLowerCase()}`,
      why: 'Each face is shown here the way its reader holds it, however it lies on the sheet; a mark wants no turn of its own.',
      remedies: [
        {
          label: 'Turn it upright',
          changes: [decide((job) => job.art.faces.at(face.face.id).objects.at(index).picture.quarterTurns, 0)],
        },
      ],
    }),
  ];
}
