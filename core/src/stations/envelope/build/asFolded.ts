import { planFolding } from '../../../ground/fold/foldForm.ts';
import { readFaces } from '../../../ground/fold/readFaces.ts';
import type { BlankCut } from '../../../ground/fold/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { BoughtFlapShape } from '../../../job/envelopeStyles.ts';
import { capital } from '../../../job/figures.ts';
import { DEFAULTS } from '../../../job/newJob.ts';
import type { FoldedPiece } from '../../size/planSize.ts';
import { NO_TRIMMINGS } from '../../size/trimmings.ts';
import { blankBleed, regionsOf } from '../../size/regions.ts';
import type { EnvelopeMeasures, EnvelopeStyle } from '../styles/types.ts';
import { buildEnvelope } from './buildEnvelope.ts';
import type { BuiltEnvelope } from './types.ts';

export interface FoldedEnvelope extends FoldedPiece {
  readonly built: BuiltEnvelope;
}

/** What an envelope is folded from. */
export interface EnvelopeQuestion {
  readonly style: EnvelopeStyle;
  readonly measures: EnvelopeMeasures;
  readonly windows: readonly BlankCut[];
  readonly caliperMm: Mm;
  /** Of one that was bought, whose flap is of no style. */
  readonly flap?: BoughtFlapShape;
}

/**
 * The last few: folding takes a dozen times as long as all else at this station, and a letter typed on the card asks for
 * the same envelope again.
 */
const kept = new Map<string, FoldedEnvelope>();
const KEPT = 4;

/** An envelope as a piece with faces of its own, for whoever draws, folds or prints it. */
export function foldedEnvelope(question: EnvelopeQuestion): FoldedEnvelope {
  const { style, ...rest } = question;
  const key = JSON.stringify([style.id, rest]);
  const found = kept.get(key) ?? fold(question);
  // What was asked for last stands last, and the first makes room.
  kept.delete(key);
  kept.set(key, found);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return found;
}

function fold({ style, measures, windows, caliperMm, flap }: EnvelopeQuestion): FoldedEnvelope {
  const built = buildEnvelope(style, measures, windows);
  const { form } = built;
  const faces = readFaces(form);
  const { bleedMm, safeMm } = DEFAULTS;
  return {
    built,
    formatName: flap ? 'Bought envelope' : `${capital(style.inWords)} envelope`,
    form,
    faces,
    ...{ folding: planFolding(form, caliperMm), layers: [], trimmings: NO_TRIMMINGS },
    regions: Object.fromEntries(faces.map((face) => [face.id, regionsOf(face, form.blank, { bleedMm, safeMm })])),
    bleedOutline: blankBleed(form.blank, bleedMm),
    ...{ bleedMm, safeMm, bareEdgeMm: 0 },
  };
}
