import { statfsSync } from 'node:fs';

/** A cluster, what it writes before it is tidied, and a day's exports. */
const ROOM_MB = 300;
/** @throws Error with the folder and what it needs, where its disk has less */
export function roomFor(home) {
  const { bavail, bsize } = statfsSync(home);
  const freeMb = Math.floor((bavail * bsize) / 1048576);
  if (freeMb < ROOM_MB)
    throw new Error(
      `${home} has ${freeMb} MB left on its disk and the studio needs ${ROOM_MB} MB: free some, then start again.`,
    );
}
