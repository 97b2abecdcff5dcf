import Joi from 'joi';
import { WINDOW_SHAPES } from '../../job/windowShapes.ts';
import { ORNAMENT_IDS } from '../../job/ornaments.ts';
import { BOUGHT_FLAPS, ENVELOPE_FACE_IDS, ENVELOPE_STYLE_IDS } from '../../job/envelopeStyles.ts';
import type { Sides } from '../../ground/geometry/types.ts';
import { FORMAT_IDS, SHAPE_IDS, WALLET_CLOSES, type FormatOptions } from '../../job/format.ts';
import { LAYER_KINDS, type Wrap } from '../../job/layerKinds.ts';
import { LIMITS } from '../../job/limits.ts';
import { BEADS, PRESSURES } from '../../workshop/measuring/types.ts';
import { OWN_TYPEFACE_ID, ownTypefaceId } from '../../job/ownTypeface.ts';
import { DEFAULTS, EMPTY_FACE, NO_OPTIONS } from '../../job/newJob.ts';
import {
  type ArtObject,
  type ArtPlace,
  type Border,
  type CodeContent,
  type EnvelopeOnHand,
  type FaceArt,
  type Gradient,
  type Job,
  type Foil,
  LID_HINGES,
  type LayerChoice,
  type LidChoice,
  type BoughtFlap,
  type LinerChoice,
  type NamesList,
  type OwnTypeface,
  type PicturePlacement,
  type PostChoice,
  type PictureRef,
  type RepeatPattern,
  type RibbonChoice,
  type TextBlock,
  type TrimmingChoice,
  type WindowChoice,
} from '../../job/types.ts';
import { TYPEFACES } from '../../stations/art/words/typefaces.ts';
import { popUp } from './popUpSchema.ts';
import { everyFaceId } from '../../stations/size/formats/index.ts';
import { WORKSHOP_LIMITS } from '../../workshop/limits.ts';
import {
  colour,
  day,
  filled,
  id,
  length,
  lengthOrNull,
  list,
  name,
  number,
  object,
  oneOf,
  oneOfKinds,
  orNull,
  record,
  required,
  share,
  spare,
  starting,
  whole,
  words,
  yesOrNo,
  type FieldsOf,
  type Rule,
} from './rules.ts';

const { size: SIZE, art: ART, names: NAMES } = LIMITS;

/** Faces of any format: art for a face that this format lacks waits for one that has it. */
const FACE_IDS = [...everyFaceId(), ...ENVELOPE_FACE_IDS];
const faces = (most: number): Rule<readonly string[]> => list(oneOf<string>(...FACE_IDS), most);
const minor = whole(WORKSHOP_LIMITS.minor);

/** Only the widest limits: what suits a finished size is the format’s to say, with a remedy. */
const formatOptions = object<Partial<FormatOptions>>({
  panels: spare(whole(SIZE.panels)),
  gapMm: spare(length(SIZE.optionMm)),
  doorMm: spare(lengthOrNull(SIZE.optionMm)),
  holeMm: spare(length(SIZE.optionMm)),
  shortFrontMm: spare(length(SIZE.optionMm)),
  shortenMm: spare(lengthOrNull(SIZE.optionMm)),
  spineMm: spare(length(SIZE.optionMm)),
  frontHeightMm: spare(lengthOrNull(SIZE.optionMm)),
  shape: spare(oneOf(...SHAPE_IDS)),
  path: spare(words(SIZE.pathLetters)),
  hinge: spare(oneOf('left', 'top')),
  hingeInsetMm: spare(lengthOrNull(SIZE.optionMm)),
  lid: spare(yesOrNo),
  legWidthMm: spare(lengthOrNull(SIZE.optionMm)),
  leanDeg: spare(number(SIZE.leanDeg)),
  contentWideMm: spare(length(SIZE.optionMm)),
  contentHighMm: spare(length(SIZE.optionMm)),
  contentThickMm: spare(length(SIZE.optionMm)),
  pocketMm: spare(length(SIZE.optionMm)),
  wingMm: spare(length(SIZE.optionMm)),
  closeMm: spare(length(SIZE.optionMm)),
  tabMm: spare(length(SIZE.optionMm)),
  slitMm: spare(lengthOrNull(SIZE.optionMm)),
  walletPanels: spare(whole(SIZE.walletPanels)),
  topFlapMm: spare(length(SIZE.optionMm)),
  walletCloses: spare(oneOf(...WALLET_CLOSES)),
  flapRoomMm: spare(length(SIZE.optionMm)),
  bagDeepMm: spare(length(SIZE.optionMm)),
  bagFoot: spare(yesOrNo),
  topRiseMm: spare(length(SIZE.optionMm)),
  handleMm: spare(length(SIZE.optionMm)),
  holePairs: spare(whole(SIZE.holePairs)),
});

const picturePlacement = object<PicturePlacement>({
  pictureId: required(id),
  fit: spare(oneOf('fill', 'whole')),
  zoom: starting(number(ART.zoom), DEFAULTS.placement.zoom),
  focusX: starting(share, DEFAULTS.placement.focusX),
  focusY: starting(share, DEFAULTS.placement.focusY),
  fade: starting(share, DEFAULTS.placement.fade),
  grey: starting(yesOrNo, DEFAULTS.placement.grey),
  tint: spare(orNull(colour)),
  quarterTurns: spare(whole({ least: 0, most: 3 })),
  across: spare(faces(ART.across)),
});

const wrap = object<Partial<Wrap>>({
  widthMm: spare(length(SIZE.wrap.widthMm)),
  heightMm: spare(length(SIZE.wrap.heightMm)),
  holeMm: spare(length(SIZE.wrap.holeMm)),
  cornerMm: spare(length(SIZE.wrap.cornerMm)),
  folded: spare(yesOrNo),
  patch: spare(yesOrNo),
  lapMm: spare(length(SIZE.wrap.lapMm)),
  easeMm: spare(length(SIZE.wrap.easeMm)),
  down: spare(yesOrNo),
});

const layer = object<LayerChoice>({
  id: required(id),
  kind: required(oneOf(...LAYER_KINDS)),
  faces: required(faces(SIZE.facesOfLayer)),
  revealMm: required(length(SIZE.revealMm)),
  stockIds: required(list(id, SIZE.stocksOfLayer.most, SIZE.stocksOfLayer.least)),
  picture: spare(orNull(picturePlacement)),
  backPicture: spare(orNull(picturePlacement)),
  feed: spare(orNull(object<NonNullable<LayerChoice['feed']>>({ printerId: required(id), pathId: required(id) }))),
  adhesiveId: spare(orNull(id)),
  wrap: spare(wrap),
  lid: spare(object<Partial<LidChoice>>({ rimMm: spare(length(SIZE.rimMm)), hinge: spare(oneOf(...LID_HINGES)) })),
  popUp: spare(popUp),
  foil: spare(orNull(object<Foil>({ name: required(words(SIZE.foilLetters)), colour: required(colour) }))),
});

const trimming = object<TrimmingChoice>({
  id: required(id),
  trimmingId: required(id),
  faceId: required(oneOf<string>(...FACE_IDS)),
  xMm: required(length(ART.placeMm)),
  yMm: required(length(ART.placeMm)),
  turnDeg: spare(number(LIMITS.trimmings.turnDeg)),
  adhesiveId: required(orNull(id)),
});

const ribbon = object<RibbonChoice>({
  name: required(filled(LIMITS.ribbon.nameLetters)),
  colour: required(colour),
  widthMm: required(length(LIMITS.ribbon.widthMm)),
  way: required(oneOf('holes', 'across', 'down', 'both')),
  bow: required(yesOrNo),
  loopMm: required(length(LIMITS.ribbon.loopMm)),
  tailMm: required(length(LIMITS.ribbon.tailMm)),
  roll: required(
    object<RibbonChoice['roll']>({ metres: required(number(LIMITS.ribbon.rollMetres)), priceMinor: required(minor) }),
  ),
});

const SHIPPED = TYPEFACES.map((typeface) => typeface.id);
const TYPEFACE_SAID = `wants one of ${SHIPPED.join(', ')}, or one of the job’s typefaces, whose names begin with own-`;
const typefaceId = Joi.alternatives()
  .try(Joi.valid(...SHIPPED), Joi.string().pattern(OWN_TYPEFACE_ID).messages({ 'string.pattern.base': TYPEFACE_SAID }))
  .messages({ 'alternatives.match': TYPEFACE_SAID }) as Joi.Schema & Rule<string>;
const text = object<TextBlock>({
  id: required(id),
  text: required(words(ART.textLetters)),
  typefaceId: required(typefaceId),
  sizePt: required(number(ART.sizePt)),
  align: required(oneOf('left', 'centre', 'right')),
  lineSpacing: required(number(ART.lineSpacing)),
  colour: required(colour),
  leftMm: required(length(ART.placeMm)),
  topMm: required(length(ART.placeMm)),
  widthMm: required(length(ART.textWidthMm)),
  letterSpacingEm: spare(number(ART.letterSpacingEm)),
  smallCaps: spare(yesOrNo),
  fractions: spare(yesOrNo),
  fit: spare(oneOf('none', 'shrink', 'fill')),
  emphasis: spare(
    object<NonNullable<TextBlock['emphasis']>>({
      lines: required(list(whole({ least: 0, most: ART.emphasisLines }), ART.emphasisLines)),
      scale: required(number(ART.emphasisScale)),
      typefaceId: required(typefaceId),
    }),
  ),
  arcMm: spare(orNull(number(ART.arcMm))),
  locked: spare(yesOrNo),
  makersMark: spare(yesOrNo),
  closesUp: spare(yesOrNo),
});

const place: FieldsOf<ArtPlace> = {
  id: required(id),
  leftMm: required(length(ART.placeMm)),
  topMm: required(length(ART.placeMm)),
  widthMm: required(length(ART.objectWidthMm)),
  heightMm: required(length(ART.objectHeightMm)),
  locked: spare(yesOrNo),
  makersMark: spare(yesOrNo),
};
const codeContent = oneOfKinds<CodeContent>({
  link: { url: required(words(ART.codeLetters)) },
  text: { text: required(words(ART.codeLetters)) },
  wifi: {
    network: required(words(64)),
    password: required(words(128)),
    security: required(oneOf('WPA', 'WEP', 'none')),
  },
  contact: {
    name: required(words(120)),
    given: spare(words(120)),
    family: spare(words(120)),
    firm: required(words(120)),
    phone: required(words(60)),
    email: required(words(160)),
    url: required(words(300)),
  },
});
const artObject = oneOfKinds<ArtObject>({
  picture: { ...place, picture: required(picturePlacement) },
  code: {
    ...place,
    content: required(codeContent),
    colour: required(colour),
    ground: required(orNull(colour)),
  },
  rule: { ...place, colour: required(colour), weightPt: required(number(ART.ruleWeightPt)) },
  ornament: { ...place, ornament: required(oneOf(...ORNAMENT_IDS)), colour: required(colour) },
});

const face = object<FaceArt>({
  background: starting(orNull(colour), EMPTY_FACE.background),
  picture: starting(orNull(picturePlacement), EMPTY_FACE.picture),
  texts: starting(list(text, ART.texts), EMPTY_FACE.texts),
  gradient: spare(
    orNull(
      object<Gradient>({
        from: required(colour),
        to: required(colour),
        angleDeg: required(number(ART.gradientDeg)),
      }),
    ),
  ),
  pattern: spare(
    orNull(
      object<RepeatPattern>({
        pictureId: required(id),
        tileMm: required(length(ART.tileMm)),
        brick: required(yesOrNo),
        fade: required(share),
      }),
    ),
  ),
  border: spare(
    orNull(
      object<Border>({
        widthMm: required(length(ART.borderMm)),
        insetMm: required(length(ART.borderInsetMm)),
        colour: required(colour),
      }),
    ),
  ),
  objects: spare(list(artObject, ART.objects)),
  order: spare(list(id, ART.order)),
});
const facesArt = Joi.object(Object.fromEntries(FACE_IDS.map((faceId) => [faceId, face.optional()]))) as Joi.Schema &
  Rule<Job['art']['faces']>;

const pixels = Joi.number().greater(0).max(ART.picturePx) as Joi.Schema & Rule<number>;
const sha256 = Joi.string().hex().length(64) as Joi.Schema & Rule<string>;
const pictureFacts: FieldsOf<PictureRef> = {
  name: required(filled(ART.pictureNameLetters)),
  sha256,
  mime: oneOf('image/png', 'image/jpeg', 'image/svg+xml'),
  widthPx: pixels,
  heightPx: pixels,
  inkTotal: spare(number({ least: 0, most: 4 })),
  pageWidthMm: spare(length(ART.pageWidthMm)),
};
const storedPicture = Joi.object(pictureFacts).options({ presence: 'required' }) as Joi.Schema & Rule<PictureRef>;
/** Where it is to be found, instead of what is known of it. */
const filePicture = Joi.object({
  ...pictureFacts,
  file: Joi.string().max(500),
  data: Joi.string().base64(),
}).or('file', 'data', 'sha256') as Joi.Schema & Rule<PictureRef>;

const typefaceFacts: FieldsOf<OwnTypeface> = {
  name: required(filled(ART.typefaceNameLetters)),
  sha256,
};
/** Called by what is in it, so that no two are confused. */
const storedTypefaces = record(OWN_TYPEFACE_ID, object<OwnTypeface>(typefaceFacts)).custom(
  (value: NonNullable<Job['typefaces']>, helpers) => {
    const misnamed = Object.entries(value).find(([id, { sha256 }]) => id !== ownTypefaceId(sha256));
    return misnamed
      ? helpers.message({ custom: `wants ${misnamed[0]} to be called ${ownTypefaceId(misnamed[1].sha256)}` })
      : value;
  },
) as Joi.Schema & Rule<NonNullable<Job['typefaces']>>;
const fileTypefaces = record(
  OWN_TYPEFACE_ID,
  Joi.object({ ...typefaceFacts, file: Joi.string().max(500), data: Joi.string().base64() }).or(
    'file',
    'data',
    'sha256',
  ) as Joi.Schema & Rule<OwnTypeface>,
);

const namesList = object<NamesList>({
  columns: required(list(filled(NAMES.cell), NAMES.columns, 1)),
  rows: required(list(list(words(NAMES.cell), NAMES.columns), NAMES.rows)),
  decides: spare(yesOrNo),
  repeat: spare(list(whole({ least: 0, most: NAMES.rows - 1 }), NAMES.rows)),
}).custom((value: NamesList, helpers) => {
  const ragged = value.rows.findIndex((row) => row.length !== value.columns.length);
  return ragged < 0
    ? value
    : helpers.message({
        custom: `row ${ragged + 1} wants ${value.columns.length} cells, got ${value.rows[ragged]!.length}`,
      });
}) as Joi.Schema & Rule<NamesList>;

const envelopeOnHand = oneOfKinds<EnvelopeOnHand>({
  none: {},
  shelf: { envelopeId: required(id) },
  typed: {
    insideWidthMm: required(length(LIMITS.brief.insideMm)),
    insideHeightMm: required(length(LIMITS.brief.insideMm)),
  },
});

const envelopeChoice = object<Job['envelope']>({
  make: yesOrNo,
  style: spare(oneOf(...ENVELOPE_STYLE_IDS)),
  stockId: id,
  easeMm: length(LIMITS.envelope.easeMm),
  seamMm: length(LIMITS.envelope.seamMm),
  flapMm: lengthOrNull(LIMITS.envelope.flapMm),
  throatMm: spare(length(LIMITS.envelope.throatMm)),
  cornerMm: spare(length(LIMITS.envelope.cornerMm)),
  path: spare(words(SIZE.pathLetters)),
  printOn: spare(oneOf('blank', 'envelope')),
  feedTurn: spare(oneOf(0, 90, 270)),
  clearMm: spare(
    object<Sides>({
      top: required(length(LIMITS.envelope.clearMm)),
      right: required(length(LIMITS.envelope.clearMm)),
      bottom: required(length(LIMITS.envelope.clearMm)),
      left: required(length(LIMITS.envelope.clearMm)),
    }),
  ),
  adhesiveId: spare(orNull(id)),
  post: spare(object<PostChoice>({ paid: required(yesOrNo), stiff: spare(yesOrNo), lumpy: spare(yesOrNo) })),
  liner: spare(
    orNull(object<LinerChoice>({ stockId: required(id), insetMm: required(length(LIMITS.envelope.linerInsetMm)) })),
  ),
  boughtFlap: spare(
    object<BoughtFlap>({
      shape: required(oneOf(...BOUGHT_FLAPS)),
      depthMm: required(lengthOrNull(LIMITS.envelope.flapMm)),
      opens: required(oneOf('long', 'short')),
    }),
  ),
  window: spare(
    orNull(
      object<WindowChoice>({
        leftMm: required(length(LIMITS.envelope.windowMm)),
        topMm: required(length(LIMITS.envelope.windowMm)),
        widthMm: required(length(LIMITS.envelope.windowSideMm)),
        heightMm: required(length(LIMITS.envelope.windowSideMm)),
        cornerMm: required(length(LIMITS.envelope.windowMm)),
        shape: spare(oneOf(...WINDOW_SHAPES)),
        path: spare(words(SIZE.pathLetters)),
      }),
    ),
  ),
});

const jobWith = (picture: Rule<PictureRef>, typefaces: Rule<NonNullable<Job['typefaces']>>): Rule<Job> =>
  object<Job>({
    format: required(oneOf('zippy-crease-job')),
    version: required(oneOf(1)),
    brief: required(
      object<Job['brief']>({
        title: required(name(LIMITS.brief.titleLetters)),
        purpose: oneOf('give', 'sell'),
        wanted: whole(LIMITS.brief.wanted),
        dueDate: orNull(day),
        envelope: envelopeOnHand,
        notes: words(LIMITS.brief.notesLetters),
      }),
    ),
    size: object<Job['size']>({
      format: oneOf(...FORMAT_IDS),
      options: starting(formatOptions, NO_OPTIONS.options),
      layers: starting(list(layer, SIZE.layers), NO_OPTIONS.layers),
      adhesiveId: spare(orNull(id)),
      contentGrams: spare(number(SIZE.contentGrams)),
      finishedWidthMm: length(SIZE.finishedMm),
      finishedHeightMm: length(SIZE.finishedMm),
      bleedMm: length(SIZE.bleedMm),
      bareEdgeMm: spare(length(SIZE.bareEdgeMm)),
      safeMm: length(SIZE.safeMm),
    }),
    pictures: record(PICTURE_ID, picture),
    typefaces: spare(typefaces),
    art: object<Job['art']>({ faces: facesArt }),
    names: spare(orNull(namesList)),
    ribbon: spare(orNull(ribbon)),
    trimmings: spare(list(trimming, LIMITS.trimmings.count)),
    stock: object<Job['stock']>({ stockId: id, printerId: id, pathId: id }),
    sheet: object<Job['sheet']>({
      cutDown: orNull(
        object<NonNullable<Job['sheet']['cutDown']>>({
          widthMm: required(length(LIMITS.sheet.cutDownMm)),
          heightMm: required(length(LIMITS.sheet.cutDownMm)),
        }),
      ),
      grain: oneOf('respect', 'prefer', 'ignore'),
      flipEdge: oneOf('long', 'short'),
      spares: orNull(whole(LIMITS.sheet.spares)),
      marks: yesOrNo,
      working: spare(oneOf('sheetwise', 'workAndTurn')),
      sharedBleed: spare(yesOrNo),
    }),
    cut: object<Job['cut']>({ trimmerId: id, order: spare(oneOf('byTools', 'cutFirst', 'scoreFirst')) }),
    crease: object<Job['crease']>({
      boardId: id,
      pressure: oneOf('byCoating', ...PRESSURES),
      bead: oneOf(...BEADS),
      cracksUpTo: spare(number(LIMITS.crease.cracksUpTo)),
    }),
    envelope: envelopeChoice,
    make: object<Job['make']>({
      dryMinutes: whole(LIMITS.make.dryMinutes),
      testPrint: spare(yesOrNo),
      beginOn: spare(orNull(day)),
    }),
    sell: object<Job['sell']>({
      extras: list(
        object<Job['sell']['extras'][number]>({
          name: required(filled(LIMITS.sell.extraLetters)),
          perCardMinor: required(minor),
        }),
        LIMITS.sell.extras,
      ),
      singlePriceMinor: orNull(minor),
      packOf: whole(LIMITS.sell.packOf),
      packPriceMinor: orNull(minor),
      wantedMargin: number(LIMITS.sell.wantedMargin),
    }),
  });

/** A picture's own name in a job. */
const PICTURE_ID = /^[\w-]{1,80}$/;
/** Complete jobs, as the server keeps them: every decision present. */
export const jobSchema = jobWith(storedPicture, storedTypefaces).options({ presence: 'required' });
/** Job files, as people write them: what is left out takes its starting value. */
export const jobFileSchema: Joi.Schema = jobWith(filePicture, fileTypefaces);
