import type { Mm } from '../../ground/length/types.ts';

export type FitWord = 'will not go in' | 'jams' | 'tight' | 'good' | 'loose' | 'rattles';

export interface Fit {
  readonly word: FitWord;
  readonly slackWidthMm: Mm;
  readonly slackHeightMm: Mm;
  /** The card goes in on its side. */
  readonly turned: boolean;
}

/** Slack at which each word begins, millimetres. */
export const SLACK_MM = { tight: 1.5, good: 3, loose: 8, rattles: 12 } as const;

/**
 * How a card sits in a flat envelope. An empty envelope is a flat tube of perimeter 2·W; round a card
 * of width w and thickness t it needs 2·(w + t), so the slack is W − w − t, and likewise in height.
 * The tighter direction decides whether it goes in, the looser one whether it rattles.
 */
export function fitEnvelope(
  card: { readonly widthMm: Mm; readonly heightMm: Mm; readonly thicknessMm: Mm },
  inside: { readonly insideWidthMm: Mm; readonly insideHeightMm: Mm },
): Fit {
  const tries = [false, true].map((turned): Fit => {
    const [width, height] = turned ? [card.heightMm, card.widthMm] : [card.widthMm, card.heightMm];
    const slackWidthMm = inside.insideWidthMm - width - card.thicknessMm;
    const slackHeightMm = inside.insideHeightMm - height - card.thicknessMm;
    return { word: word(slackWidthMm, slackHeightMm), slackWidthMm, slackHeightMm, turned };
  });
  // Whichever way round leaves more room in its tighter direction.
  const room = (fit: Fit): number => Math.min(fit.slackWidthMm, fit.slackHeightMm);
  return room(tries[1]!) > room(tries[0]!) + 1e-9 ? tries[1]! : tries[0]!;
}

function word(a: Mm, b: Mm): FitWord {
  const [least, most] = [Math.min(a, b), Math.max(a, b)];
  if (least < 0) return 'will not go in';
  if (least < SLACK_MM.tight) return 'jams';
  if (most > SLACK_MM.rattles) return 'rattles';
  if (least < SLACK_MM.good) return 'tight';
  return most > SLACK_MM.loose ? 'loose' : 'good';
}

/** The largest card that still slides in well: W − t less the slack at which a fit is good. */
export function largestThatFits(
  inside: { readonly insideWidthMm: Mm; readonly insideHeightMm: Mm },
  thicknessMm: Mm,
): { readonly widthMm: Mm; readonly heightMm: Mm } {
  return {
    widthMm: inside.insideWidthMm - thicknessMm - SLACK_MM.good,
    heightMm: inside.insideHeightMm - thicknessMm - SLACK_MM.good,
  };
}
