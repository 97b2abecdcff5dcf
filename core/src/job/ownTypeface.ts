/** How the names of typefaces begin that makers bring; those that ship have other names. */
const PREFIX = 'own-';

/** What a job may call one of them. */
export const OWN_TYPEFACE_ID = new RegExp(`^${PREFIX}[\\w-]{1,76}$`);

export const isOwnTypeface = (typefaceId: string): boolean => typefaceId.startsWith(PREFIX);

/** What the same file is called in every job of a studio: two of one name are one typeface. */
export const ownTypefaceId = (sha256: string): string => `${PREFIX}${sha256.slice(0, 16)}`;
