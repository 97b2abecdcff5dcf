/**
 * A number in decimals, halves rounded away from nought as people do it. Counted in whole millionths (of a millimetre,
 * nanometres), so that 184.15, however a sum of binary fractions came to it, is always 184.2.
 * @param places decimals, up to 6
 */
export function fixed(value: number, places: number): string {
  const millionths = Math.round(Math.abs(value) * 1e6);
  const step = 10 ** (6 - places);
  const steps = Math.floor((millionths + step / 2) / step);
  return `${value < 0 && steps > 0 ? '-' : ''}${(steps / 10 ** places).toFixed(places)}`;
}
