/** A polynomial of one variable, by its coefficients from the constant up. */
export type Polynomial = readonly number[];

export function valueAt(a: Polynomial, x: number): number {
  let sum = 0;
  for (let i = a.length - 1; i >= 0; i -= 1) sum = sum * x + a[i]!;
  return sum;
}

export function product(a: Polynomial, b: Polynomial): Polynomial {
  const all = new Array<number>(a.length + b.length - 1).fill(0);
  for (let i = 0; i < a.length; i += 1) for (let j = 0; j < b.length; j += 1) all[i + j]! += a[i]! * b[j]!;
  return all;
}

export const slopeOf = (a: Polynomial): Polynomial => (a.length > 1 ? a.slice(1).map((c, i) => c * (i + 1)) : [0]);

/** From nought to x. */
export function integralTo(a: Polynomial, x: number): number {
  let sum = 0;
  for (let i = a.length - 1; i >= 0; i -= 1) sum = (sum + a[i]! / (i + 1)) * x;
  return sum;
}
