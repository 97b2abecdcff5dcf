/** An answer that is not the one hoped for: a status, the field if there is one, one clear sentence. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly field: string | null = null,
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(message);
  }
}
