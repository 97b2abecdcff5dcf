/** From the least to the most, both allowed. */
export interface Limits {
  readonly least: number;
  readonly most: number;
}

export const from = (least: number, most: number): Limits => ({ least, most });
