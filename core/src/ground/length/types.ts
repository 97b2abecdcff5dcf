/** Lengths inside the core are millimetres. The tag is advisory: plain numbers may enter, other units may not. */
export type Mm = number & { readonly __unit?: 'mm' };
/** Thousandths of a millimetre, the unit calipers are quoted in. */
export type Micron = number & { readonly __unit?: 'µm' };
/** Grams per square metre. */
export type Gsm = number & { readonly __unit?: 'gsm' };
/** Degrees; positive turns are written once, in geometry/affine.ts. */
export type Deg = number & { readonly __unit?: 'deg' };
/** Whole nanometres: packers count in these so that 2 × 4 1/4 in fits 8 1/2 in exactly. */
export type Nm = number & { readonly __unit?: 'nm' };

/** The unit a maker measures in; it never changes what is stored. */
export type LengthUnit = 'mm' | 'in';

/** Calipers are told in µm, and what they are held against in mm. */
export const MICRON_PER_MM = 1000;
/** 1 in = 25.4 mm exactly. Source: international yard and pound agreement, 1959. */
export const MM_PER_INCH = 25.4;
/** 1 pt = 1/72 in. Source: ISO 32000-1, 8.3.2.3 (default user space unit). */
export const MM_PER_POINT = MM_PER_INCH / 72;
