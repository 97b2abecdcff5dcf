import { printerOf, stockOf } from '../../../job/pick.ts';
import { decide, type JobChange, type JobPlace } from '../../../job/decide.ts';
import { fixed } from '../../../ground/length/rounding.ts';
import { isInside, overlaps } from '../../../ground/geometry/box.ts';
import type { Box } from '../../../ground/geometry/types.ts';
import { plural } from '../../../job/figures.ts';
import type { ArtObject, Job, PicturePlacement } from '../../../job/types.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Stock, Workshop } from '../../../workshop/types.ts';
import { formatLength } from '../../../ground/length/formatLength.ts';
import type { Colour } from '../../../ground/scene/types.ts';
import { codeText, withScheme } from '../things/code.ts';
import { contrast, INKS, luminance, printedOn } from '../ink/colour.ts';
import { EDGES, edgeReaches, grownToBleed, reachOf, shortEdges, type FaceEdge } from '../faces/edges.ts';
import { boxOf, isWholeOnFace, type FacePlan, type LaidItem } from '../faces/items.ts';
import { TEST_PRINT } from './testPrint.ts';
import { SMALLEST_PT } from '../words/smallestType.ts';

/** A square of a code smaller than this is lost between a printer’s dots and a telephone’s. Our starting value. */
export const SMALLEST_MODULE_MM = 0.4;
/** Ratios of luminance: readers of codes want this much; words take what WCAG 2.2, 1.4.3, asks of large ones. */
const CONTRAST = { code: 4, words: 3 } as const;
/** Rules thinner than this break up: dark on light, and left out of a dark ground. Our starting values. */
const HAIRLINE_PT = { dark: 0.25, reversed: 0.5 } as const;
/** Relative luminance (WCAG 2.2) under which a ground is a solid: words are reversed out of it, its ink wants a test print. */
const DARK = 0.18;

/** What could go wrong between this face’s art and a real printer and trimmer. */
export function artChecks(job: Job, workshop: Workshop, face: FacePlan): readonly Snag[] {
  const stock = stockOf(job, workshop);
  const white = printerOf(job, workshop).printsWhite ?? false;
  const paper = stock.colour;
  const printed: FaceAsPrinted = {
    job,
    unit: workshop.unit,
    face,
    stock,
    paper,
    // White under an ink keeps the card’s colour out of it.
    inked: (ink) => (white ? ink : printedOn(ink, paper)),
  };
  return [
    ...groundSnags(printed),
    ...shortSnags(printed),
    ...face.items.flatMap((item) => (item.kind === 'text' ? wordSnags(printed, item) : objectSnags(printed, item))),
  ];
}

interface FaceAsPrinted {
  readonly job: Job;
  readonly unit: Workshop['unit'];
  readonly face: FacePlan;
  readonly stock: Stock;
  readonly paper: Colour;
  /** What an ink comes to on this stock, from this printer. */
  readonly inked: (ink: Colour) => Colour;
}

const on = ({ face }: FaceAsPrinted): string => `on the ${face.face.name.toLowerCase()}`;
const faceIn = (job: JobPlace, { face }: FaceAsPrinted) => job.art.faces.at(face.face.id);

/** The flat colour under a thing, as it is printed; null where a picture, pattern or gradient lies there. */
function groundUnder({ face, paper, inked }: FaceAsPrinted): Colour | null {
  const { art, picture, tiles } = face;
  if (art.gradient || (tiles && tiles.fade < 1) || (picture && picture.placement.fade < 1)) return null;
  return art.background ? inked(art.background) : paper;
}

function groundSnags(printed: FaceAsPrinted): readonly Snag[] {
  const { face } = printed;
  const { art } = face;
  const solid = art.background !== null && luminance(art.background) < DARK && groundUnder(printed) !== null;
  if ((!art.gradient && !solid) || printed.job.make.testPrint) return [];
  return [
    {
      id: `art-test-print-${face.face.id}`,
      station: 'art',
      level: 'note',
      title: `${art.gradient ? 'A gradient' : 'A dark solid'} ${on(printed)} wants a test print`,
      why: art.gradient
        ? 'Home printers may show it in steps. Print one sheet at the quality you mean to use before the run.'
        : 'So much ink may band, curl the card or stay wet. Print one sheet first, and let it dry before it is handled.',
      remedies: [TEST_PRINT],
    },
  ];
}

const EDGE_WORDS = { left: 'left', right: 'right', top: 'top', bottom: 'foot' } as const;

/**
 * A picture that is whole on its face keeps inside safe, or goes on to the bleed’s edge; one that ends between the two
 * is clipped by a cut that drifts, or leaves a sliver beside it.
 */
function shortSnags(printed: FaceAsPrinted): readonly Snag[] {
  const { face, unit, job } = printed;
  const { picture, bleed, safe } = face;
  if (!picture || picture.from !== face.face.id || !isWholeOnFace(picture.placement)) return [];
  if (picture.placement.fade >= 1 || isInside(picture.box, safe)) return [];
  const trim: Box = { xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm };
  const [own, far, near] = [reachOf(picture.box, trim), reachOf(bleed, trim), reachOf(safe, trim)];
  const short = EDGES.filter((edge) => own[edge] > near[edge] + 1e-6 && own[edge] < far[edge] - 1e-6);
  if (short.length === 0) return [];
  const set = (part: Partial<PicturePlacement>) => [
    decide((job) => faceIn(job, printed).picture, { ...picture.placement, ...part }),
  ];
  return [
    {
      id: `art-short-${face.face.id}`,
      station: 'art',
      level: 'warn',
      title: `The picture ${on(printed)} ends short of the bleed: ${short.map((edge) => EDGE_WORDS[edge]).join(', ')}`,
      why: `It reaches past the safe inset of ${formatLength(job.size.safeMm, unit)} and not to the bleed’s edge, so a cut that drifts clips it or leaves a sliver beside it.`,
      remedies: [
        { label: 'Fill the face with it', changes: set({ fit: 'fill' }) },
        { label: 'Keep all of it inside safe', changes: set({ fit: 'whole', zoom: 1 }) },
      ],
    },
  ];
}

function wordSnags(printed: FaceAsPrinted, { block, set }: LaidItem & { kind: 'text' }): readonly Snag[] {
  const ground = groundUnder(printed);
  if (ground === null || !set.ink) return [];
  const ink = printed.inked(block.colour);
  const index = printed.face.art.texts.indexOf(block);
  const quote = `“${block.text.split('\n')[0]!.slice(0, 28)}”`;
  const textIn = (job: JobPlace) => faceIn(job, printed).texts.at(index);
  const ratio = contrast(ink, ground);
  const size = block.sizePt * set.fitted;
  const reversed = luminance(ground) < DARK && luminance(ink) > luminance(ground);
  const onto = (ink: Colour): number => contrast(printed.inked(ink), ground);
  const dark = onto(INKS.pale) > onto(INKS.dark) ? INKS.pale : INKS.dark;
  const better = contrast(printed.inked(dark), ground);
  return [
    ...(ratio < CONTRAST.words
      ? [
          {
            id: `art-contrast-${printed.face.face.id}-${block.id}`,
            station: 'art',
            level: 'warn',
            title: `${quote} is hard to read ${on(printed)}`,
            why: `Printed on ${printed.stock.colourName.toLowerCase()} stock its contrast is ${fixed(ratio, 1)} to 1; words want ${CONTRAST.words} to 1 and more.`,
            remedies:
              better >= CONTRAST.words
                ? [{ label: 'Set it in a colour that is read', changes: [decide((job) => textIn(job).colour, dark)] }]
                : [],
          } as const,
        ]
      : []),
    ...(reversed && size < SMALLEST_PT.fine && size >= SMALLEST_PT.plain
      ? [
          {
            id: `art-reversed-${printed.face.face.id}-${block.id}`,
            station: 'art',
            level: 'warn',
            title: `${quote} is ${fixed(size, 1)} pt out of a dark ground ${on(printed)}`,
            why: `Ink runs into pale letters from all sides; under ${SMALLEST_PT.fine} pt they fill in.`,
            remedies: [
              {
                label: `Set it at ${SMALLEST_PT.fine} pt`,
                changes: [decide((job) => textIn(job).sizePt, Math.ceil((SMALLEST_PT.fine / set.fitted) * 2) / 2)],
              },
            ],
          } as const,
        ]
      : []),
  ];
}

function objectSnags(printed: FaceAsPrinted, item: Exclude<LaidItem, { kind: 'text' }>): readonly Snag[] {
  const { object } = item;
  const index = printed.face.art.objects!.findIndex(({ id }) => id === object.id);
  const change = (part: Partial<ArtObject>) =>
    decide((job) => faceIn(job, printed).objects.at(index), { ...object, ...part } as ArtObject);
  return [
    ...edgeSnags(printed, item, change),
    ...(item.kind === 'code' ? codeSnags(printed, item, change) : []),
    ...(item.kind === 'rule' ? ruleSnags(printed, item, change) : []),
  ];
}

type Changed = (part: Partial<ArtObject>) => JobChange;

const NAMES = { picture: 'The picture', code: 'The code', rule: 'The rule', ornament: 'The ornament' } as const;

/**
 * A thing that touches or crosses the trim must go on to the bleed’s edge, or a cut that drifts shows where it ends; one
 * that does not must keep inside safe, or a cut may clip it. Codes never cross.
 */
function edgeSnags(
  printed: FaceAsPrinted,
  { object }: Exclude<LaidItem, { kind: 'text' }>,
  change: Changed,
): readonly Snag[] {
  const { face, unit, job } = printed;
  const box = boxOf(object);
  if (isInside(box, face.safe)) return [];
  const trim: Box = { xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm };
  const short = shortEdges(box, trim, face.bleed);
  const grown = grownToBleed(box, trim, face.bleed);
  const grow = {
    label: 'Grow it to the bleed',
    changes: [change({ leftMm: grown.xMm, topMm: grown.yMm, widthMm: grown.widthMm, heightMm: grown.heightMm })],
  };
  const fits = box.widthMm <= face.safe.widthMm && box.heightMm <= face.safe.heightMm;
  const into = (at: number, size: number, from: number, room: number): number =>
    Math.min(Math.max(at, from), from + room - size);
  const moveIn = {
    label: 'Move it inside safe',
    changes: [
      change({
        leftMm: into(box.xMm, box.widthMm, face.safe.xMm, face.safe.widthMm),
        topMm: into(box.yMm, box.heightMm, face.safe.yMm, face.safe.heightMm),
      }),
    ],
  };
  if (short.length > 0 && object.kind !== 'code')
    return [
      {
        id: `art-overhang-${face.face.id}-${object.id}`,
        station: 'art',
        level: 'warn',
        title: `${NAMES[object.kind]} ends short of the bleed ${on(printed)}: ${short.map((edge) => EDGE_WORDS[edge]).join(', ')}`,
        why: `It touches the trim or crosses it, and overhangs by less than the bleed of ${formatLength(job.size.bleedMm, unit)}, so a cut that drifts shows its end as a white sliver.`,
        remedies: [grow, ...(fits ? [moveIn] : [])],
      },
    ];
  const reaches = edgeReaches(box, trim, face.bleed);
  // What runs off the card on purpose is no thing that a cut could clip.
  const near = EDGES.filter(
    (edge) => reaches[edge] === 'inside' && reachOf(box, trim)[edge] > reachOf(face.safe, trim)[edge] + 1e-6,
  );
  if (near.length === 0 && object.kind !== 'code') return [];
  const framed = object.kind === 'picture' ? grownToEdges(box, trim, face.bleed, near) : null;
  return [
    {
      id: `art-object-safe-${face.face.id}-${object.id}`,
      station: 'art',
      level: 'warn',
      title: `${NAMES[object.kind]} reaches past safe ${on(printed)}`,
      why: `It lies nearer to an edge than the safe inset of ${formatLength(job.size.safeMm, unit)}; a cut that drifts could clip it.`,
      remedies: [
        ...(fits ? [moveIn] : []),
        // A picture fills its frame, whatever its size.
        ...(framed
          ? [
              {
                label: 'Grow it to the bleed',
                changes: [
                  change({ leftMm: framed.xMm, topMm: framed.yMm, widthMm: framed.widthMm, heightMm: framed.heightMm }),
                ],
              },
            ]
          : []),
      ],
    },
  ];
}

/** A frame whose named edges are moved out to the bleed. */
function grownToEdges(box: Box, trim: Box, bleed: Box, edges: readonly FaceEdge[]): Box {
  const out = reachOf(bleed, trim);
  const own = reachOf(box, trim);
  const by = (edge: FaceEdge): number => (edges.includes(edge) ? out[edge] - own[edge] : 0);
  return {
    xMm: box.xMm - by('left'),
    yMm: box.yMm - by('top'),
    widthMm: box.widthMm + by('left') + by('right'),
    heightMm: box.heightMm + by('top') + by('bottom'),
  };
}

// eslint-disable-next-line max-lines-per-function -- one check after another, each a sentence of its own
function codeSnags(
  printed: FaceAsPrinted,
  { object, code }: LaidItem & { kind: 'code' },
  change: Changed,
): readonly Snag[] {
  const { face, unit, inked } = printed;
  const snag = (id: string, level: Snag['level'], title: string, why: string, remedies: Snag['remedies']): Snag => ({
    id: `art-code-${id}-${face.face.id}-${object.id}`,
    station: 'art',
    level,
    title,
    why,
    remedies,
  });
  const text = codeText(object.content);
  if (text === '' || /^https?:\/\/$/.test(text))
    return [
      snag(
        'empty',
        'warn',
        `The code ${on(printed)} says nothing yet`,
        'Type what it should hold, or take it off.',
        [],
      ),
    ];
  if (!code)
    return [
      snag(
        'full',
        'stop',
        `The code ${on(printed)} is asked to hold too much`,
        `${text.length} ${plural(text.length, 'letter')} are more than a code can hold; shorten them.`,
        [],
      ),
    ];
  const snags: Snag[] = [];
  const { content } = object;
  const schemed = content.kind === 'link' || content.kind === 'contact' ? withScheme(content.url) : null;
  if (schemed && content.kind !== 'text' && content.kind !== 'wifi')
    snags.push(
      snag(
        'scheme',
        'warn',
        `The link in the code ${on(printed)} has no https:// before it`,
        'Many telephones show such a line as words and open nothing.',
        [{ label: `Make it ${schemed.slice(0, 60)}`, changes: [change({ content: { ...content, url: schemed } })] }],
      ),
    );
  const side = Math.min(object.widthMm, object.heightMm);
  if (code.moduleMm < SMALLEST_MODULE_MM) {
    const larger = Math.ceil((side * SMALLEST_MODULE_MM) / code.moduleMm);
    snags.push(
      snag(
        'small',
        'warn',
        `The code’s squares are ${fixed(code.moduleMm, 2)} mm ${on(printed)}`,
        `Under ${SMALLEST_MODULE_MM} mm a home print is seldom read. Make it larger, or let it hold less.`,
        larger <= Math.min(face.safe.widthMm, face.safe.heightMm)
          ? [
              {
                label: `Make it ${formatLength(larger, unit)}`,
                changes: [change({ widthMm: larger, heightMm: larger })],
              },
            ]
          : [],
      ),
    );
  }
  const light = object.ground ? inked(object.ground) : groundUnder(printed);
  const dark = inked(object.colour);
  if (light !== null && (contrast(dark, light) < CONTRAST.code || luminance(dark) > luminance(light)))
    snags.push(
      snag(
        'pale',
        'warn',
        `The code is too pale to be read ${on(printed)}`,
        `Printed on this stock it has ${fixed(contrast(dark, light), 1)} to 1 of contrast; readers want dark on light, ${CONTRAST.code} to 1 and more.`,
        [{ label: 'Print it dark on white', changes: [change({ colour: '#1d2930', ground: '#ffffff' })] }],
      ),
    );
  if (light === null)
    snags.push(
      snag(
        'busy',
        'warn',
        `The code lies on a picture ${on(printed)}`,
        'Its quiet zone must be one light colour, or readers lose its edge.',
        [{ label: 'Put white beneath it', changes: [change({ ground: '#ffffff' })] }],
      ),
    );
  const box = boxOf(object);
  const over = face.items
    .filter((other) => other.kind === 'text' || other.object.id !== object.id)
    .filter((other) => {
      const theirs = other.kind === 'text' ? other.set.ink : boxOf(other.object);
      return (
        theirs !== null &&
        overlaps(box, theirs) &&
        face.items.indexOf(other) > face.items.findIndex((i) => i.kind === 'code' && i.object.id === object.id)
      );
    });
  if (over.length > 0)
    snags.push(
      snag(
        'covered',
        'stop',
        `Something lies over the code ${on(printed)}`,
        'A code that is partly covered, its quiet zone too, cannot be scanned. Move one of them.',
        [],
      ),
    );
  return snags;
}

function ruleSnags(printed: FaceAsPrinted, { object }: LaidItem & { kind: 'rule' }, change: Changed): readonly Snag[] {
  const ground = groundUnder(printed);
  const reversed = ground !== null && luminance(ground) < DARK;
  const least = reversed ? HAIRLINE_PT.reversed : HAIRLINE_PT.dark;
  if (object.weightPt >= least) return [];
  return [
    {
      id: `art-hairline-${printed.face.face.id}-${object.id}`,
      station: 'art',
      level: 'warn',
      title: `The rule ${on(printed)} is ${object.weightPt} pt`,
      why: `${reversed ? 'Left out of a dark ground, a' : 'A'} rule under ${least} pt breaks up on a home printer.`,
      remedies: [{ label: `Make it ${least} pt`, changes: [change({ weightPt: least })] }],
    },
  ];
}
