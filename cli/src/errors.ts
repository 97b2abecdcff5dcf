/** Something typed wrong: the message is one line that names the field and the remedy. */
export class UsageError extends Error {}
