/** Names of the ornaments, as job files write them; each is drawn in a file of its own at Art. */
export const ORNAMENT_IDS = ['wave', 'star', 'shell', 'lantern', 'sprig', 'gull', 'knot', 'heart', 'anchor'] as const;
export type OrnamentId = (typeof ORNAMENT_IDS)[number];
