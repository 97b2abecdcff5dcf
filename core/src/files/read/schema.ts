import Joi from 'joi';
import { parseLength } from '../../ground/length/parseLength.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import { LARGEST_FINISHED_MM, SMALLEST_FINISHED_MM } from '../../stations/size/limits.ts';
import { NAMES_LIMITS } from '../../stations/art/names/names.ts';
import { TYPEFACES } from '../../stations/art/words/typefaces.ts';
import { MOST_IN_A_PACK } from '../../stations/sell/planSell.ts';
import { everyFaceId } from '../../stations/size/formats/index.ts';
import { LONGEST_PATH } from '../../stations/size/formats/shapes.ts';
import { CROSSES } from '../../workshop/calibration/types.ts';
import { FORMAT_IDS, SHAPE_IDS } from '../../job/format.ts';
import { COATINGS, GRADES, TRIMMER_KINDS, WHITE_WAYS, type Workshop } from '../../workshop/types.ts';
import { ORNAMENTS, type Job } from '../../job/types.ts';

/** How every length field begins to describe itself. */
export const LENGTH_SAID = 'A number of millimetres, or text such as "5 1/2 in",';

export const OR_NULL = ', or null';

/** A length field: millimetres as a number, or anything a maker would type as text. */
export const length = (least: number, most: number): Joi.Schema =>
  Joi.any()
    .description(sayLength(least, most))
    .custom((value: unknown, helpers) => {
      const parsed =
        typeof value === 'number'
          ? { ok: true as const, mm: value }
          : typeof value === 'string'
            ? parseLength(value, 'mm')
            : null;
      if (!parsed)
        return helpers.message({ custom: 'wants a length: a number of millimetres, or text such as "5 1/2 in"' });
      if (!parsed.ok) return helpers.message({ custom: `cannot be read: ${parsed.why}` });
      if (!(parsed.mm >= least && parsed.mm <= most))
        return helpers.message({
          custom: `wants between ${formatLength(least, 'mm')} and ${formatLength(most, 'mm')}, got ${formatLength(parsed.mm, 'mm')}`,
        });
      return parsed.mm;
    });

const sayLength = (least: number, most: number): string =>
  `${LENGTH_SAID} from ${formatLength(least, 'mm')} to ${formatLength(most, 'mm')}`;
const lengthOrNull = (least: number, most: number): Joi.Schema =>
  length(least, most)
    .allow(null)
    .description(`${sayLength(least, most)}${OR_NULL}`);

const id = Joi.string().max(80);
const colour = Joi.string()
  .pattern(/^#[0-9a-fA-F]{6}$/)
  .lowercase()
  .messages({
    'string.pattern.base': 'wants a colour such as #36454f',
  });
const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) =>
    // The years in which anybody makes these cards; others are slips of a key.
    Number.isNaN(Date.parse(value)) || value < '1900' || value >= '2200' ? helpers.error('string.pattern.base') : value,
  )
  .messages({ 'string.pattern.base': 'wants a day such as 2026-12-03' });
const whole = (least: number, most: number): Joi.NumberSchema => Joi.number().integer().min(least).max(most);
const share = Joi.number().min(0).max(1);
const minor = whole(0, 100_000_00);

/** Faces of any format: art for a face that this format lacks waits for one that has it. */
const FACE_IDS = everyFaceId();

/** Only the widest limits: what suits a finished size is the format’s to say, with a remedy. */
const formatOptions = Joi.object({
  panels: whole(2, 12),
  gapMm: length(0, 900),
  shortFrontMm: length(0, 900),
  shortenMm: lengthOrNull(0, 900),
  spineMm: length(0, 900),
  frontHeightMm: lengthOrNull(0, 900),
  shape: Joi.valid(...SHAPE_IDS),
  path: Joi.string().allow('').max(LONGEST_PATH),
  hinge: Joi.valid('left', 'top'),
  hingeInsetMm: lengthOrNull(0, 900),
  lid: Joi.boolean(),
  legWidthMm: lengthOrNull(0, 900),
  leanDeg: Joi.number().min(0).max(80),
}).options({ presence: 'optional' });

const picturePlacement = Joi.object({
  pictureId: id.required(),
  fit: Joi.valid('fill', 'whole').optional(),
  zoom: Joi.number().min(1).max(20).default(1),
  focusX: share.default(0.5),
  focusY: share.default(0.5),
  fade: share.default(0),
  grey: Joi.boolean().default(false),
  tint: colour.allow(null).optional(),
  quarterTurns: whole(0, 3).optional(),
  across: Joi.array()
    .items(Joi.valid(...FACE_IDS))
    .max(12)
    .optional(),
});

const layer = Joi.object({
  id: id.required(),
  kind: Joi.valid('mat', 'writing', 'insert').required(),
  faces: Joi.array()
    .items(Joi.valid(...FACE_IDS))
    .max(40)
    .required(),
  revealMm: length(0, 100).required(),
  stockIds: Joi.array().items(id).min(1).max(8).required(),
  picture: picturePlacement.allow(null).optional(),
});

const typefaceId = Joi.valid(...TYPEFACES.map((typeface) => typeface.id));
const text = Joi.object({
  id: id.required(),
  text: Joi.string().allow('').max(4000).required(),
  typefaceId: typefaceId.required(),
  sizePt: Joi.number().min(1).max(400).required(),
  align: Joi.valid('left', 'centre', 'right').required(),
  lineSpacing: Joi.number().min(0.5).max(5).required(),
  colour: colour.required(),
  leftMm: length(-1000, 1000).required(),
  topMm: length(-1000, 1000).required(),
  widthMm: length(1, 1000).required(),
  letterSpacingEm: Joi.number().min(-0.2).max(2).optional(),
  smallCaps: Joi.boolean().optional(),
  fractions: Joi.boolean().optional(),
  fit: Joi.valid('none', 'shrink', 'fill').optional(),
  emphasis: Joi.object({
    lines: Joi.array().items(whole(0, 400)).max(400).required(),
    scale: Joi.number().min(0.2).max(10).required(),
    typefaceId: typefaceId.required(),
  }).optional(),
  arcMm: Joi.number().min(-5000).max(5000).allow(null).optional(),
  locked: Joi.boolean().optional(),
  makersMark: Joi.boolean().optional(),
});

const place = {
  id: id.required(),
  leftMm: length(-1000, 1000).required(),
  topMm: length(-1000, 1000).required(),
  widthMm: length(0.5, 1000).required(),
  heightMm: length(0.1, 1000).required(),
  locked: Joi.boolean().optional(),
  makersMark: Joi.boolean().optional(),
};
const words = (most: number): Joi.Schema => Joi.string().allow('').max(most).required();
/** A code holds no more than this, whatever its size. */
const MOST_IN_CODE = 900;
const codeContent = Joi.object()
  .required()
  .when('.kind', {
    switch: [
      { is: 'link', then: Joi.object({ kind: Joi.valid('link').required(), url: words(MOST_IN_CODE) }) },
      { is: 'text', then: Joi.object({ kind: Joi.valid('text').required(), text: words(MOST_IN_CODE) }) },
      {
        is: 'wifi',
        then: Joi.object({
          kind: Joi.valid('wifi').required(),
          network: words(64),
          password: words(128),
          security: Joi.valid('WPA', 'WEP', 'none').required(),
        }),
      },
      {
        is: 'contact',
        then: Joi.object({
          kind: Joi.valid('contact').required(),
          name: words(120),
          given: words(120).optional(),
          family: words(120).optional(),
          firm: words(120),
          phone: words(60),
          email: words(160),
          url: words(300),
        }),
      },
    ],
    otherwise: Joi.object({ kind: Joi.valid('link', 'text', 'wifi', 'contact').required() }).unknown(),
  });
const object = Joi.object().when('.kind', {
  switch: [
    {
      is: 'picture',
      then: Joi.object({ kind: Joi.valid('picture').required(), ...place, picture: picturePlacement.required() }),
    },
    {
      is: 'code',
      then: Joi.object({
        kind: Joi.valid('code').required(),
        ...place,
        content: codeContent,
        colour: colour.required(),
        ground: colour.allow(null).required(),
      }),
    },
    {
      is: 'rule',
      then: Joi.object({
        kind: Joi.valid('rule').required(),
        ...place,
        colour: colour.required(),
        weightPt: Joi.number().min(0.05).max(40).required(),
      }),
    },
    {
      is: 'ornament',
      then: Joi.object({
        kind: Joi.valid('ornament').required(),
        ...place,
        ornament: Joi.valid(...ORNAMENTS).required(),
        colour: colour.required(),
      }),
    },
  ],
  otherwise: Joi.object({ kind: Joi.valid('picture', 'code', 'rule', 'ornament').required() }).unknown(),
});

const face = Joi.object({
  background: colour.allow(null).default(null),
  picture: picturePlacement.allow(null).default(null),
  texts: Joi.array().items(text).max(60).default([]),
  gradient: Joi.object({
    from: colour.required(),
    to: colour.required(),
    angleDeg: Joi.number().min(-360).max(360).required(),
  })
    .allow(null)
    .optional(),
  pattern: Joi.object({
    pictureId: id.required(),
    tileMm: length(3, 300).required(),
    brick: Joi.boolean().required(),
    fade: share.required(),
  })
    .allow(null)
    .optional(),
  border: Joi.object({
    widthMm: length(0.1, 60).required(),
    insetMm: length(0, 60).required(),
    colour: colour.required(),
  })
    .allow(null)
    .optional(),
  objects: Joi.array().items(object).max(120).optional(),
  order: Joi.array().items(id).max(400).optional(),
});

const pictureFacts = {
  name: Joi.string().max(200).required(),
  sha256: Joi.string().hex().length(64),
  mime: Joi.valid('image/png', 'image/jpeg', 'image/svg+xml'),
  widthPx: Joi.number().greater(0).max(100_000),
  heightPx: Joi.number().greater(0).max(100_000),
  inkTotal: Joi.number().min(0).max(4).optional(),
  pageWidthMm: length(1, 6000).optional(),
};
const storedPicture = Joi.object(pictureFacts).options({ presence: 'required' });
const filePicture = Joi.object({ ...pictureFacts, file: Joi.string().max(500), data: Joi.string().base64() }).or(
  'file',
  'data',
  'sha256',
);

const namesList = Joi.object({
  columns: Joi.array().items(Joi.string().max(NAMES_LIMITS.cell)).min(1).max(NAMES_LIMITS.columns).required(),
  rows: Joi.array()
    .items(Joi.array().items(Joi.string().allow('').max(NAMES_LIMITS.cell)).max(NAMES_LIMITS.columns))
    .max(NAMES_LIMITS.rows)
    .required(),
  decides: Joi.boolean().optional(),
  repeat: Joi.array()
    .items(whole(0, NAMES_LIMITS.rows - 1))
    .max(NAMES_LIMITS.rows)
    .optional(),
}).custom((value: { columns: string[]; rows: string[][] }, helpers) => {
  const ragged = value.rows.findIndex((row) => row.length !== value.columns.length);
  return ragged < 0
    ? value
    : helpers.message({
        custom: `row ${ragged + 1} wants ${value.columns.length} cells, got ${value.rows[ragged]!.length}`,
      });
});

const jobWith = (picture: Joi.Schema, pictureId: RegExp): Joi.ObjectSchema =>
  Joi.object({
    format: Joi.valid('zippy-crease-job').required(),
    version: Joi.valid(1).required(),
    brief: Joi.object({
      title: Joi.string().trim().min(1).max(120).required(),
      purpose: Joi.valid('give', 'sell'),
      wanted: whole(1, 100_000),
      dueDate: day.allow(null),
      envelope: Joi.alternatives().conditional('.kind', {
        switch: [
          { is: 'none', then: Joi.object({ kind: Joi.valid('none').required() }) },
          { is: 'shelf', then: Joi.object({ kind: Joi.valid('shelf').required(), envelopeId: id.required() }) },
          {
            is: 'typed',
            then: Joi.object({
              kind: Joi.valid('typed').required(),
              insideWidthMm: length(20, 1000).required(),
              insideHeightMm: length(20, 1000).required(),
            }),
          },
        ],
        otherwise: Joi.object({ kind: Joi.valid('none', 'shelf', 'typed').required() }),
      }),
      notes: Joi.string().allow('').max(10_000),
    }).required(),
    size: Joi.object({
      format: Joi.valid(...FORMAT_IDS),
      options: formatOptions.optional().default({}),
      layers: Joi.array().items(layer).max(20).optional().default([]),
      finishedWidthMm: length(SMALLEST_FINISHED_MM, LARGEST_FINISHED_MM),
      finishedHeightMm: length(SMALLEST_FINISHED_MM, LARGEST_FINISHED_MM),
      bleedMm: length(0, 20),
      safeMm: length(0, 100),
    }),
    pictures: Joi.object().pattern(pictureId, picture),
    art: Joi.object({ faces: Joi.object(Object.fromEntries(FACE_IDS.map((faceId) => [faceId, face.optional()]))) }),
    names: namesList.allow(null).optional(),
    stock: Joi.object({ stockId: id, printerId: id, pathId: id }),
    sheet: Joi.object({
      cutDown: Joi.object({ widthMm: length(40, 2000).required(), heightMm: length(40, 2000).required() }).allow(null),
      grain: Joi.valid('respect', 'ignore'),
      flipEdge: Joi.valid('long', 'short'),
      spares: whole(0, 10_000).allow(null),
      marks: Joi.boolean(),
      working: Joi.valid('sheetwise', 'workAndTurn').optional(),
      sharedBleed: Joi.boolean().optional(),
    }),
    cut: Joi.object({ trimmerId: id, order: Joi.valid('byTools', 'cutFirst', 'scoreFirst').optional() }),
    crease: Joi.object({
      boardId: id,
      pressure: Joi.valid('byCoating', 'firm', 'light'),
      bead: Joi.valid('inside', 'intoGroove'),
    }),
    envelope: Joi.object({
      make: Joi.boolean(),
      stockId: id,
      easeMm: length(0, 60),
      seamMm: length(8, 80),
      flapMm: lengthOrNull(10, 400),
    }),
    make: Joi.object({ dryMinutes: whole(0, 10_000), testPrint: Joi.boolean().optional() }),
    sell: Joi.object({
      extras: Joi.array()
        .items(Joi.object({ name: Joi.string().max(80).required(), perCardMinor: minor.required() }))
        .max(40),
      singlePriceMinor: minor.allow(null),
      packOf: whole(1, MOST_IN_A_PACK),
      packPriceMinor: minor.allow(null),
      wantedMargin: Joi.number().min(0).max(0.95),
    }),
  });

/** A picture's own name in a job. */
const PICTURE_ID = /^[\w-]{1,80}$/;
/** Complete jobs, as the server keeps them: every decision present. */
export const jobSchema = jobWith(storedPicture, PICTURE_ID).options({ presence: 'required' });
/** Job files, as people write them: what is left out takes its starting value. */
export const jobFileSchema = jobWith(filePicture, PICTURE_ID);

const sides = Joi.object({ top: length(0, 100), right: length(0, 100), bottom: length(0, 100), left: length(0, 100) });
const gsm = Joi.number().min(30).max(1200);
const micron = Joi.number().min(30).max(3000);
const name = Joi.string().trim().min(1).max(80);

const miss = Joi.object({ rightMm: length(-100, 100), lowMm: length(-100, 100) });
const edge = length(0, 2000);
const calibration = Joi.object({
  id,
  day,
  gsm,
  sheetWidthMm: length(40, 2000),
  sheetHeightMm: length(40, 2000),
  marginsMm: sides,
  flipEdge: Joi.valid('long', 'short'),
  laidBack: Joi.string().allow('').max(300),
  readings: Joi.object({
    ruleAcrossMm: length(10, 400),
    ruleDownMm: length(10, 400),
    crosses: Joi.object(Object.fromEntries(CROSSES.map((cross) => [cross, miss]))),
    edges: Joi.object({
      leftToTopLeftMm: edge,
      leftToBottomLeftMm: edge,
      topToTopLeftMm: edge,
      topToTopRightMm: edge,
    }).allow(null),
    arrows: Joi.valid('same', 'opposite'),
  }),
  setAside: Joi.boolean(),
});

/** A workshop as the server keeps it. The spoil log is counted from runs, never sent. */
export const workshopSchema = Joi.object({
  studioName: name,
  currency: Joi.string().length(3).uppercase(),
  unit: Joi.valid('mm', 'in'),
  hourlyMinor: minor,
  pace: Joi.object(
    Object.fromEntries(
      ['setUp', 'perPrintedSide', 'perStroke', 'perCreasePass', 'perFold', 'perEnvelopeMade', 'perCardPacked'].map(
        (k) => [k, Joi.number().min(0).max(600)],
      ),
    ),
  ),
  stocks: Joi.array()
    .min(1)
    .items(
      Joi.object({
        id,
        name,
        gsm,
        grade: Joi.valid(...GRADES),
        caliperMicron: micron,
        coating: Joi.valid(...COATINGS),
        grain: Joi.valid('long', 'short'),
        colour,
        colourName: name,
        sheetWidthMm: length(40, 2000),
        sheetHeightMm: length(40, 2000),
        sheetPriceMinor: minor,
        onShelf: whole(0, 1_000_000),
      }),
    ),
  printers: Joi.array()
    .min(1)
    .items(
      Joi.object({
        id,
        name,
        ink: Joi.valid('inkjet', 'laser'),
        printsWhite: Joi.boolean().optional(),
        inkLimits: Joi.object()
          .pattern(Joi.valid(...COATINGS), Joi.number().min(0.5).max(4))
          .optional(),
        sidePriceMinor: minor,
        paths: Joi.array()
          .min(1)
          .items(
            Joi.object({
              id,
              name,
              heaviestGsm: gsm,
              thickestMicron: micron,
              widestMm: length(40, 2000),
              longestMm: length(40, 4000),
              marginsMm: sides,
              printsBothSides: Joi.boolean(),
              white: Joi.valid(...WHITE_WAYS).optional(),
              calibrations: Joi.array().items(calibration).max(200).optional(),
            }),
          ),
      }),
    ),
  trimmers: Joi.array()
    .min(1)
    .items(
      Joi.object({
        id,
        name,
        kind: Joi.valid(...TRIMMER_KINDS),
        longestCutMm: length(50, 3000),
        thickestStackMm: length(0.1, 50),
        repeatabilityMm: length(0, 10).optional(),
        machine: Joi.object({
          marginMm: length(0, 100),
          widestMm: length(50, 3000),
          speedMmPerS: Joi.number().min(1).max(5000),
          passes: Joi.array()
            .min(1)
            .max(12)
            .items(Joi.object({ upToGsm: gsm, passes: whole(1, 12) })),
        }).when('kind', { is: 'machine', then: Joi.required(), otherwise: Joi.forbidden() }),
      }),
    ),
  boards: Joi.array()
    .min(1)
    .items(Joi.object({ id, name, grooveEveryMm: length(0.5, 50), longestMm: length(50, 2000) })),
  keepOffcutMm: length(0, 2000).optional(),
  envelopes: Joi.array().items(
    Joi.object({
      id,
      name,
      insideWidthMm: length(20, 1000),
      insideHeightMm: length(20, 1000),
      colour,
      priceMinor: minor,
      onShelf: whole(0, 1_000_000),
    }),
  ),
}).options({ presence: 'required' });

export type StoredWorkshop = Omit<Workshop, 'spoilLog'>;

export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly field: string; readonly why: string };

/** Checks a body and says the first thing wrong in one sentence that names the field and the remedy. */
export function check<T>(schema: Joi.Schema, value: unknown, name = 'the body'): Checked<T> {
  const result = schema.validate(value, {
    abortEarly: true,
    convert: true,
    errors: { label: false, wrap: { label: false } },
  });
  if (!result.error) return { ok: true, value: result.value as T };
  const [detail] = result.error.details;
  const field = detail!.path.join('.') || name;
  return { ok: false, field, why: `${field} ${sentence(detail!)}.` };
}

function sentence(detail: Joi.ValidationErrorItem): string {
  const context = detail.context ?? {};
  switch (detail.type) {
    case 'any.required':
      return 'is missing; add it';
    case 'any.only':
      return `wants one of ${(context.valids as unknown[]).map(String).join(', ')}; got ${JSON.stringify(context.value)}`;
    case 'object.unknown':
      return 'is not a field here; take it out or check its spelling';
    case 'object.base':
      return 'wants an object in curly brackets';
    case 'object.missing':
      return 'wants a file, its data or its sha256';
    case 'array.base':
      return 'wants a list in square brackets';
    case 'array.min':
      return `wants at least ${context.limit as number}`;
    case 'array.unique':
      return 'stands twice; give every one an id of its own';
    case 'array.max':
      return `wants at most ${context.limit as number}`;
    case 'number.base':
      return `wants a number; got ${JSON.stringify(context.value)}`;
    case 'number.integer':
      return `wants a whole number; got ${JSON.stringify(context.value)}`;
    case 'number.min':
      return `wants ${context.limit as number} or more; got ${JSON.stringify(context.value)}`;
    case 'number.max':
      return `wants ${context.limit as number} or less; got ${JSON.stringify(context.value)}`;
    case 'string.base':
      return `wants text in quotes; got ${JSON.stringify(context.value)}`;
    case 'string.empty':
    case 'string.min':
      return 'is empty; type something';
    case 'string.max':
      return `is longer than ${context.limit as number} letters; shorten it`;
    default:
      return detail.message.replace(/\.$/, '');
  }
}

export const checkJob = (value: unknown): Checked<Job> => check<Job>(jobSchema, value, 'the job');
export const checkWorkshop = (value: unknown): Checked<StoredWorkshop> =>
  check<StoredWorkshop>(workshopSchema, value, 'the workshop');
