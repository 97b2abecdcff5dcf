import { fixed } from '../../ground/length/rounding.ts';
import type { LengthUnit, Mm } from '../../ground/length/types.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Miss, Readings, Register } from './types.ts';

/** Paper swells and feeds slip by less than this; more is a driver that fits the page. */
export const MOST_SCALE_OFF = 0.01;
/** Less than this no eye sees on a card. */
const SLIGHT_MM = 0.1;
const SLIGHT_DEG = 0.03;
/** Readings that disagree by more than this are worth taking again. */
const DOUBTFUL_MM = 0.3;

/** True when the readings can be used: a page that was fitted must be printed again, not corrected. */
export const isUsable = ({ scaleAcross, scaleDown }: Register): boolean =>
  Math.abs(scaleAcross - 1) <= MOST_SCALE_OFF && Math.abs(scaleDown - 1) <= MOST_SCALE_OFF;

/** “0.8 mm low and 0.3 mm right”, or nothing where nothing can be seen. */
function sayMiss({ rightMm, lowMm }: Miss, unit: LengthUnit): string | null {
  const part = (mm: Mm, plus: string, minus: string): readonly string[] =>
    Math.abs(mm) < SLIGHT_MM / 2 ? [] : [`${sayFine(Math.abs(mm), unit)} ${mm > 0 ? plus : minus}`];
  const parts = [...part(lowMm, 'low', 'high'), ...part(rightMm, 'right', 'left')];
  return parts.length > 0 ? parts.join(' and ') : null;
}

/** A sixteenth of an inch is far too coarse here. */
const sayFine = (mm: Mm, unit: LengthUnit): string =>
  unit === 'mm' ? `${fixed(mm, 1)} mm` : `${fixed(mm / 25.4, 3)} in`;

const sayTurn = (deg: number): string => `${fixed(Math.abs(deg), 2)}° ${deg > 0 ? 'clockwise' : 'anticlockwise'}`;

/** What was found, in sentences a tired maker can act on; the gravest first. */
export function sayRegister(register: Register, readings: Readings, unit: LengthUnit): readonly string[] {
  const { scaleAcross, scaleDown } = register;
  const percent = (scale: number): string => `${fixed(Math.abs(scale - 1) * 100, 2)} %`;
  const said: string[] = [];
  if (readings.arrows === 'opposite')
    said.push('The backs come out head to foot: on this path the sheet turns on its other edge.');
  if (!isUsable(register))
    said.push(
      `Everything prints ${percent(scaleAcross)} ${scaleAcross < 1 ? 'small' : 'large'} across and ${percent(scaleDown)} ${scaleDown < 1 ? 'small' : 'large'} down. No paper does that: the driver fits the page. Print this sheet again at 100 %, with every kind of fitting off.`,
    );
  else if (Math.max(Math.abs(scaleAcross - 1), Math.abs(scaleDown - 1)) >= 0.0005)
    said.push(
      `Prints come out ${percent(scaleAcross)} ${scaleAcross < 1 ? 'small' : 'large'} across and ${percent(scaleDown)} ${scaleDown < 1 ? 'small' : 'large'} down.`,
    );
  else said.push('The scale is true.');
  const back = sayMiss(register.backMiss, unit);
  const turned = Math.abs(register.backTurnDeg) >= SLIGHT_DEG ? `turned ${sayTurn(register.backTurnDeg)}` : null;
  said.push(
    back
      ? `Your backs land ${back} of the fronts${turned ? `, ${turned}` : ''}, seen from the front.`
      : turned
        ? `Your backs are ${turned} against the fronts.`
        : 'Your backs land on your fronts.',
  );
  if (register.frontMiss) {
    const front = sayMiss(register.frontMiss, unit);
    const frontTurn = Math.abs(register.frontTurnDeg) >= SLIGHT_DEG ? `turned ${sayTurn(register.frontTurnDeg)}` : null;
    said.push(
      front || frontTurn
        ? `Fronts land ${[front, frontTurn].filter(Boolean).join(', ')} on the sheet.`
        : 'Fronts land in the middle of the sheet.',
    );
  }
  if (register.unexplainedMm > DOUBTFUL_MM)
    said.push(
      `One cross is ${formatLength(register.unexplainedMm, 'mm')} off what the other three say: read it again, or print a second sheet to see whether the feed wanders.`,
    );
  return said;
}
