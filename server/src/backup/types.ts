import type { PictureRef } from '@zippy/core';

/** The first format in which what is on the shelf is told by its movements, and not by its count alone. */
export const MOVEMENTS_SINCE = 2;

/** What the first entry of a backup says of itself. */
export const STUDIO_FORMAT = 'zippy-crease-studio';
export const FORMAT_VERSION = 6;

/** How many there were of each kind; the last entry, by which a file is known to be whole. */
export interface Counts {
  readonly pictures: number;
  readonly typefaces: number;
  readonly jobs: number;
  readonly revisions: number;
  readonly runs: number;
  readonly movements: number;
}

/** A file that cannot be brought back, with what to do about it. */
export class BackupRefused extends Error {}

/** How the process ends that was given a file it cannot use, and has said why. */
export const REFUSED = 2;

export const ENDING: Readonly<Record<PictureRef['mime'], string>> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/svg+xml': 'svg',
};

/** Names of the entries, in the order in which they stand in the file. */
export const NAMES = {
  studio: 'studio.json',
  workshop: 'workshop.json',
  picture: (sha256: string, mime: PictureRef['mime']) => `pictures/${sha256}.${ENDING[mime]}`,
  typeface: (sha256: string) => `typefaces/${sha256}.font`,
  job: (id: string) => `jobs/${id}.json`,
  revision: (id: string, version: number) => `revisions/${id}/${String(version).padStart(6, '0')}.json`,
  run: (id: string) => `runs/${id}.json`,
  movements: (part: number) => `movements/${String(part).padStart(6, '0')}.json`,
  end: 'end.json',
} as const;
