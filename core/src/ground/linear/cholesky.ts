export type Matrix = readonly (readonly number[])[];

/**
 * The lower factor of a symmetric matrix. Source: A.-L. Cholesky’s method.
 * @throws RangeError when the matrix is not positive definite: our mistake, as what is held has stiffness
 */
export function cholesky(matrix: Matrix): Matrix {
  const lower: number[][] = matrix.map((row) => row.map(() => 0));
  for (let i = 0; i < matrix.length; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i]![j]!;
      for (let k = 0; k < j; k += 1) sum -= lower[i]![k]! * lower[j]![k]!;
      if (i === j && !(sum > 0))
        throw new RangeError(`cholesky: wanted a positive definite matrix, row ${i} leaves ${sum}`);
      lower[i]![j] = i === j ? Math.sqrt(sum) : sum / lower[j]![j]!;
    }
  return lower;
}

/** Solves L·Lᵀ·x = v. */
export function solveLower(lower: Matrix, v: readonly number[]): number[] {
  const x = [...v];
  for (let i = 0; i < x.length; i += 1) {
    for (let k = 0; k < i; k += 1) x[i]! -= lower[i]![k]! * x[k]!;
    x[i]! /= lower[i]![i]!;
  }
  for (let i = x.length - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < x.length; k += 1) x[i]! -= lower[k]![i]! * x[k]!;
    x[i]! /= lower[i]![i]!;
  }
  return x;
}
