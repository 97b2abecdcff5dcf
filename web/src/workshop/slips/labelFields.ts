type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

/** Holds what was read of a label between the ends of what is taken, in one sentence that names the field. */
export function within<T>(
  read: Read<T>,
  label: string,
  numberOf: (value: T) => number,
  { least, most }: { readonly least: number; readonly most: number },
  unit: string,
): Read<T> {
  if (!read.ok) return { ok: false, why: `${label} wants ${read.why}.` };
  const n = numberOf(read.value);
  return n < least || n > most ? { ok: false, why: `${label} wants ${least} to ${most} ${unit}.` } : read;
}
