import type { Mm } from '../../ground/length/types.ts';
import { DEFAULTS } from '../../job/newJob.ts';
import type { EnvelopeChoice } from '../../job/types.ts';
import type { EnvelopeMeasures, EnvelopeStyle } from './styles/types.ts';

/** What goes in: the shut card, or anything else. */
export interface Contents {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly thicknessMm: Mm;
}

/** Walls stand this much higher than what is between them. Our starting value. */
const DEPTH_EASE_MM = 1;
/** A wall that is lower cannot be folded. Our starting value. */
const LEAST_DEPTH_MM = 3;

/**
 * What an envelope of a style is built from, to hold its contents. A flat one is a tube that the thickness takes its own
 * measure of, both ways; between walls it takes none.
 */
export function measuresOf(style: EnvelopeStyle, contents: Contents, choice: EnvelopeChoice): EnvelopeMeasures {
  const { easeMm, seamMm, throatMm = DEFAULTS.throatMm, cornerMm = 0, path = '' } = choice;
  const { widthMm, heightMm, thicknessMm } = contents;
  const grown = easeMm + (style.walls ? 0 : thicknessMm);
  const long = Math.max(widthMm, heightMm) + grown;
  const short = Math.min(widthMm, heightMm) + grown;
  const [insideWidthMm, insideHeightMm] = style.opens === 'long' ? [long, short] : [short, long];
  const flapMm = style.flapMm({ insideWidthMm, insideHeightMm, seamMm, throatMm });
  return {
    ...{ insideWidthMm, insideHeightMm, seamMm, throatMm, cornerMm, path },
    depthMm: Math.max(LEAST_DEPTH_MM, thicknessMm + DEPTH_EASE_MM),
    flapMm: style.asks.includes('flapMm') ? (choice.flapMm ?? flapMm) : flapMm,
  };
}
