import type { Context } from '../../job/context.ts';
import { collisions } from '../../ground/fold/collisions.ts';
import { atStep, type Folding } from '../../ground/fold/foldForm.ts';
import type { ReadFace } from '../../ground/fold/readFaces.ts';
import type { FoldedForm } from '../../ground/fold/types.ts';
import type { Polygon } from '../../ground/geometry/polygon.ts';
import { count, figure, length, ratio, words } from '../../job/figures.ts';
import { envelopeOnHand } from '../../job/pick.ts';
import type { Figure, StationPlan } from '../../job/findings.ts';
import type { Workshop } from '../../workshop/types.ts';
import { formatLength, formatSize } from '../../ground/length/formatLength.ts';
import { fixed } from '../../ground/length/rounding.ts';
import type { Mm } from '../../ground/length/types.ts';
import { formSeams, formSeamSnags, type FormSeam } from './formSeams.ts';
import { fitEnvelope, type Fit } from './fitEnvelope.ts';
import type { LayerPieceKind } from '../../job/layerKinds.ts';
import type { FormatOptions } from '../../job/format.ts';
import { layerHoldSnags } from './layerHoldSnags.ts';
import type { LayerPiece } from './layers.ts';
import { planPopUps } from './popUps/planPopUps.ts';
import { sliderLengths } from './popUps/mechanisms/slider.ts';
import { picturesOn, windowSeen } from './popUps/mechanisms/wheel.ts';
import type { PopUpPlan } from './popUps/popUpPlan.ts';
import type { RibbonPlan } from './ribbon.ts';
import type { Trimmings } from './trimmings.ts';
import { sizeName } from '../../workshop/namedSizes.ts';
import { blankBleed, regionsOf, type FaceRegions } from './regions.ts';
import { bleedOf } from './openCard.ts';
import { shutCard } from './shutCard.ts';
import { sizeSnags } from './sizeSnags.ts';

/** Whatever is folded and has faces to be read: the card, or what is made to go round it. */
export interface FoldedPiece {
  /** What it is, at the beginning of a sentence. */
  readonly formatName: string;
  readonly form: FoldedForm;
  readonly folding: Folding;
  readonly faces: readonly ReadFace[];
  /** Where each face may carry art, and where words should keep to. */
  readonly regions: Readonly<Record<string, FaceRegions>>;
  /** The blank with its bleed. */
  readonly bleedOutline: Polygon;
  readonly layers: readonly LayerPiece[];
  /** What is put on its faces by hand. */
  readonly trimmings: Trimmings;
  /** What moves as it opens; null where nothing does, and left out where nothing can. */
  readonly popUps?: PopUpPlan | null;
  /** How far art goes on past the trim; none where its edges are kept bare. */
  readonly bleedMm: Mm;
  /** How far from every edge of the open blank art ends; nought where it may run off it. */
  readonly bareEdgeMm: Mm;
  readonly safeMm: Mm;
}

export interface SizePlan extends StationPlan, FoldedPiece {
  /** Tied round it or through it; null where none is. */
  readonly ribbon: RibbonPlan | null;
  /** Of the card itself, where the job says with what they are glued. */
  readonly seams: readonly FormSeam[];
  /** Every option the format uses, within its limits. */
  readonly options: FormatOptions;
  readonly finishedWidthMm: Mm;
  readonly finishedHeightMm: Mm;
  readonly thicknessMm: Mm;
  readonly fit: Fit | null;
  /** How the card sits in every envelope on the shelf, in the shelf’s order. */
  readonly shelfFits: readonly { readonly envelopeId: string; readonly fit: Fit }[];
  readonly name: string | null;
}

/** How each kind of layer comes to its size. */
const LAYER_SUMS: Readonly<Record<LayerPieceKind, string>> = {
  mat: 'its panel moved in by the reveal on every side',
  writing: 'its panel moved in by the reveal on every side',
  lining: 'the box round its face and a little on every side, to be trimmed flush',
  lid: 'its panel moved in by the reveal on every side; the lid in it by the rim',
  insert: 'twice a leaf: the panel less the reveal and the creep (π/2 of every caliper it lies inside)',
  popUp: 'from its own measures, tabs and all',
  tag: 'as chosen; folded, twice its height',
  patch: 'the hole and a rim round it',
  band: 'twice the shut card with ease, twice its thickness, and the lap',
  sleeve: 'twice the shut card with ease, twice the pack’s thickness with ease, and the lap',
};

/** Where between flat and folded a step is looked at for panels passing through each other. */
const LOOKED_AT = [0.15, 0.35, 0.55, 0.75, 0.95];
/** Card gives by this much before panels that touch on the way count as jammed. Our starting value: half a stout caliper. */
const GIVE_MM = 0.2;

/**
 * The card of this job, folded: its blank in mm with the outside up, faces with their regions, folding steps, closed size
 * and thickness in mm, and how it goes into its envelope. Options out of their limits are drawn in and said.
 * @throws RangeError when the job names what the workshop lacks; planJob has put something in its place
 */
// eslint-disable-next-line max-lines-per-function -- a contents page: the shut card, its figures, its snags
export function planSize({ job, workshop }: Context): SizePlan {
  const { finishedWidthMm, finishedHeightMm, safeMm, bareEdgeMm = 0 } = job.size;
  const bleedMm = bleedOf(job);
  const unit = workshop.unit;
  const shut = shutCard(job, workshop);
  const popUps = planPopUps(job, workshop, shut.popUps);
  const { entry, options, optionFaults, form, folding, faces, layers, trimmings, ribbon, closed } = shut;
  const { sheets, spring, addedMm, thicknessMm } = shut;
  const caliperMm = folding.caliperMm;
  const card = { widthMm: finishedWidthMm, heightMm: finishedHeightMm, thicknessMm };
  const envelope = envelopeOnHand(job, workshop);
  const fit = envelope ? fitEnvelope(card, envelope) : null;
  const name = sizeName(finishedWidthMm, finishedHeightMm);
  const figures: Figure[] = [
    figure('finished', 'Finished', words(formatSize(finishedWidthMm, finishedHeightMm, unit)), 'as chosen'),
    figure(
      'closed',
      'Shut, it measures',
      words(formatSize(closed.widthMm, closed.heightMm, unit)),
      'every panel folded in turn on its creases, and the box round them measured',
      { Steps: count(form.steps.length), Panels: count(form.blank.panels.length) },
    ),
    figure(
      'blank',
      'Open blank',
      words(formatSize(form.blank.widthMm, form.blank.heightMm, unit)),
      'the panels side by side, before folding',
      Object.fromEntries(
        form.blank.panels.map((p) => [p.name, words(formatSize(p.box.widthMm, p.box.heightMm, unit))]),
      ),
    ),
    figure(
      'sides',
      'Printed sides',
      words((['outside', 'inside'] as const).filter((side) => faces.some((face) => face.side === side)).join(' and ')),
      'the sides of the sheet that carry a face to be read',
      Object.fromEntries(faces.map((face) => [face.name, words(face.side)])),
    ),
    figure(
      'thickness',
      'Folded thickness',
      length(thicknessMm),
      `${
        closed.depthMm > 0
          ? 'the larger of layers × caliper × spring, and what the spine holds apart + one caliper'
          : 'layers × caliper × spring'
      }${addedMm > 0 ? '; and what is glued on or laid in, a folded leaf twice its caliper × spring' : ''}`,
      {
        Layers: count(sheets),
        Caliper: words(`${Math.round(caliperMm * 1000)} µm`),
        'Spring (1 pressed hard, 1.5 loose)': ratio(spring),
        ...(closed.depthMm > 0 ? { 'Held apart': length(closed.depthMm) } : {}),
        ...(addedMm > 0 ? { 'Glued on or laid in': length(addedMm) } : {}),
        ...(shut.popUps ? { 'Of that, pop-ups': length(shut.popUps.addedMm) } : {}),
        ...(ribbon ? { 'Of that, ribbon': length(ribbon.addedMm) } : {}),
        ...(trimmings.addedMm > 0 ? { 'Of that, trimmings': length(trimmings.addedMm) } : {}),
      },
    ),
  ];
  if (envelope && fit) {
    const sides = fit.turned ? 'turned on its side' : 'as it stands';
    figures.push(
      figure('slackWidth', 'Slack across', length(fit.slackWidthMm), `inside width − card − thickness, ${sides}`, {
        'Inside width': length(envelope.insideWidthMm),
        Card: length(fit.turned ? finishedHeightMm : finishedWidthMm),
        Thickness: length(thicknessMm),
      }),
      figure('slackHeight', 'Slack down', length(fit.slackHeightMm), `inside height − card − thickness, ${sides}`, {
        'Inside height': length(envelope.insideHeightMm),
        Card: length(fit.turned ? finishedWidthMm : finishedHeightMm),
        Thickness: length(thicknessMm),
      }),
    );
  }
  if (ribbon)
    figures.push(
      figure(
        'ribbon',
        `${ribbon.choice.name}, one length`,
        length(ribbon.cutMm),
        `${ribbon.parts.map(({ name }) => name.toLowerCase()).join(' + ')}, up to the next mark`,
        Object.fromEntries(ribbon.parts.map(({ name, mm }) => [name, length(mm)])),
      ),
    );
  if (popUps.plan)
    figures.push(
      figure(
        'opens',
        'Opens as far as',
        words(`${Math.floor(popUps.plan.opensDeg)}°`),
        'the last opening at which every glued place is where its glue holds it',
        { 'Sheets where most lie': count(popUps.plan.bulk.sheets), 'Pop-ups, pressed': length(popUps.plan.addedMm) },
      ),
    );
  if (popUps.plan) figures.push(...handFigures(popUps.plan));
  for (const piece of layers.pieces)
    figures.push(
      figure(
        `layer-${piece.id}`,
        piece.name,
        words(formatSize(piece.blank.widthMm, piece.blank.heightMm, unit)),
        LAYER_SUMS[piece.kind],
        { Stock: words(piece.stock.name) },
      ),
    );
  return {
    formatName: entry.name,
    options,
    form,
    folding,
    faces,
    regions: Object.fromEntries(
      faces.map((face) => [face.id, regionsOf(face, form.blank, { bleedMm, safeMm, bareEdgeMm })]),
    ),
    bleedOutline: blankBleed(form.blank, bleedMm),
    layers: layers.pieces,
    seams: formSeams(job, workshop, form),
    trimmings,
    popUps: popUps.plan,
    ribbon,
    finishedWidthMm,
    finishedHeightMm,
    thicknessMm,
    bleedMm,
    bareEdgeMm,
    safeMm,
    fit,
    shelfFits: workshop.envelopes.map((e) => ({ envelopeId: e.id, fit: fitEnvelope(card, e) })),
    name,
    verdict: verdict(entry.name, name, finishedWidthMm, finishedHeightMm, fit, envelope?.name ?? null, workshop),
    telling: formatSize(finishedWidthMm, finishedHeightMm, unit),
    figures,
    snags: [
      ...formSeamSnags(job, workshop, form),
      ...sizeSnags(job, workshop, {
        form,
        folding,
        options,
        optionFaults,
        colliding: passesThrough(form, folding),
        fit,
        thicknessMm,
      }),
      ...layers.snags,
      ...popUps.snags,
      ...shut.ribbonSnags,
      ...layerHoldSnags(workshop, layers.pieces),
    ],
  };
}

/** Of what is turned or pulled by hand. */
const handFigures = ({ order, spread }: PopUpPlan): readonly Figure[] =>
  order.flatMap(({ layerId, name, popUp }): readonly Figure[] => {
    if (popUp.mechanism === 'wheel')
      return [
        figure(
          `pictures-${layerId}`,
          `${name}, pictures round it`,
          count(picturesOn(popUp)),
          '360° by the angle that the window takes up, seen from the pin',
          { 'The window’s angle': words(`${fixed(windowSeen(popUp).deg, 1)}°`) },
        ),
      ];
    if (popUp.mechanism !== 'slider') return [];
    const { travel, window } = sliderLengths(popUp, (popUp.pulls === 'fore') !== spread.isLevel, 0);
    return [
      figure(
        `travel-${layerId}`,
        `${name}, pulled by`,
        length(travel),
        'the window’s length that way and a little, so that nothing of the first picture is seen with the second',
        { Window: length(window) },
      ),
    ];
  });

/**
 * Two panels that pass through each other on the way, or null. A step that turns one part about one line
 * is answered by the layers; only a step of several creases, each carrying the next, is looked at in space.
 */
function passesThrough(
  form: FoldedForm,
  folding: Folding,
): { readonly step: number; readonly names: readonly string[] } | null {
  for (const [step, { creaseIds }] of form.steps.entries()) {
    if (creaseIds.length < 2) continue;
    for (const share of LOOKED_AT) {
      const [hit] = collisions(form.blank, atStep(form, folding, step + share), GIVE_MM);
      if (hit) return { step, names: hit.panelIds.map((id) => form.blank.panels.find((p) => p.id === id)!.name) };
    }
  }
  return null;
}

function verdict(
  format: string,
  name: string | null,
  widthMm: Mm,
  heightMm: Mm,
  fit: Fit | null,
  envelope: string | null,
  { unit }: Workshop,
): string {
  const what = `${format}, ${formatSize(widthMm, heightMm, unit)}${name ? ` (${name})` : ''}`;
  if (!fit || !envelope) return `${what}. No envelope is named yet, so nothing checks the fit.`;
  const least = formatLength(Math.min(fit.slackWidthMm, fit.slackHeightMm), unit);
  switch (fit.word) {
    case 'good':
    case 'tight':
      return `${what}: ${fit.word === 'good' ? 'slides into' : 'a snug fit in'} ${envelope} with ${least} to spare.`;
    case 'loose':
      return `${what}: goes into ${envelope} with room to move.`;
    case 'rattles':
      return `${what}: rattles about in ${envelope}.`;
    default:
      return `${what}: does not go into ${envelope}.`;
  }
}
