import { parseLength } from '@zippy/core';
import { UsageError } from './errors.ts';

/** The unit a list of lengths ends in stands for all that name none: `210x297mm`, `5,5,5,5mm`. */
function withUnit(parts: readonly string[]): readonly string[] {
  const unit = /(mm|cm|in|inch|inches|″|")\s*$/i.exec(parts.at(-1) ?? '')?.[1];
  return unit ? parts.map((part) => (/[a-z"″]\s*$/i.test(part) ? part : `${part}${unit}`)) : parts;
}

function read(option: string, text: string, part: string): number {
  const parsed = parseLength(part, 'mm');
  if (!parsed.ok) throw new UsageError(`${option} ${text} cannot be read: ${parsed.why}.`);
  return parsed.mm;
}

/** @throws UsageError naming the option when it is not two lengths with an x between them */
export function readSize(
  option: string,
  text: string | undefined,
): { readonly widthMm: number; readonly heightMm: number } {
  if (!text) throw new UsageError(`${option} is missing; give a size such as 210x297mm.`);
  const parts = withUnit(text.split(/\s*[x×]\s*/i));
  if (parts.length !== 2) throw new UsageError(`${option} wants two lengths such as 210x297mm; got ${text}.`);
  const [widthMm, heightMm] = parts.map((part) => read(option, text, part)) as [number, number];
  if (!(widthMm > 0 && heightMm > 0)) throw new UsageError(`${option} wants lengths above nothing; got ${text}.`);
  return { widthMm, heightMm };
}

/** One length, or nothing when the option is left out. */
export function readLength(option: string, text: string | undefined): number {
  if (text === undefined) return 0;
  const mm = read(option, text, text);
  if (mm < 0) throw new UsageError(`${option} wants a length of nothing or more; got ${text}.`);
  return mm;
}

/** Four margins in the order top, right, bottom, left; one stands for all four. */
export function readMargins(
  option: string,
  text: string | undefined,
): { readonly top: number; readonly right: number; readonly bottom: number; readonly left: number } {
  if (text === undefined) return { top: 0, right: 0, bottom: 0, left: 0 };
  const parts = withUnit(text.split(','));
  if (parts.length !== 1 && parts.length !== 4)
    throw new UsageError(`${option} wants four lengths such as 5,5,5,5mm (top, right, bottom, left); got ${text}.`);
  const sides = parts.map((part) => read(option, text, part));
  if (sides.some((mm) => mm < 0)) throw new UsageError(`${option} wants lengths of nothing or more; got ${text}.`);
  const [top, right = top, bottom = top, left = right] = sides as [number, number?, number?, number?];
  return { top, right, bottom, left };
}
