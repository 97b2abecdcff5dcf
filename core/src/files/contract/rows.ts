import type { LossCosts } from '../../plan/lossCosts.ts';
import type { JobBench, NoteAbout, Run } from '../../stations/make/run.ts';
import type { ScannedCard } from '../../workshop/scans/measureCards.ts';
import type { CalibrationAsked, CalibrationScan } from '../../workshop/scans/readCalibration.ts';
import type { ScanFrame } from '../../workshop/scans/types.ts';
import type { Stage } from '../../workshop/stages.ts';
import type { Use } from '../../job/usesOf.ts';
import type { Job, OwnTypeface } from '../../job/types.ts';
import type { Embedding } from '../../stations/art/words/embedding.ts';
import type { TimedRun } from '../../calendar/learnPace.ts';
import type { Movement, MovementCause } from '../../shelf/types.ts';
import type { Minor } from '../../ground/money.ts';
import type { ThingRef } from '../../workshop/counted.ts';
import type { Workshop } from '../../workshop/types.ts';

/** A job as it is stored. */
export interface StoredJob {
  readonly id: string;
  /** Rises by one with every save; a save that names another is a conflict. */
  readonly version: number;
  readonly document: Job;
  /** ISO 8601. */
  readonly updatedAt: string;
}

/** A job that is off the wall, and can come back. */
export interface JobPutAway {
  readonly id: string;
  readonly title: string;
  /** ISO 8601. */
  readonly putAwayAt: string;
}

/** All that the wall shows. */
export interface JobsOnTheWall {
  readonly jobs: readonly StoredJob[];
  readonly bench: readonly JobBench[];
  readonly putAway: readonly JobPutAway[];
}

/** What a figure is cut along round its picture: path data in the picture’s own pixels. */
export interface PictureOutline {
  readonly path: string;
}

/** A job that names things of the workshop. */
export interface JobUses {
  readonly id: string;
  readonly title: string;
  readonly uses: readonly Use[];
}

/** The workshop and the version that a save must name. */
export interface VersionedWorkshop {
  readonly workshop: Workshop;
  readonly version: number;
}

/** The studio that is there from the first start. */
export const HOME_STUDIO_ID = '00000000-0000-4000-8000-000000000001';

/** A studio as seen from outside. */
export interface StudioDoor {
  readonly id: string;
  readonly name: string;
  /** It ships to be looked round in. */
  readonly isDemo: boolean;
  /** Somebody chose it once; the first of those is the one that pages open. */
  readonly entered: boolean;
}

export interface StudioDoors {
  /** Entered last comes first. */
  readonly studios: readonly StudioDoor[];
}

/** A dated backup in the studio’s folder. */
export interface KeptBackup {
  readonly name: string;
  readonly sizeBytes: number;
  /** ISO 8601. */
  readonly at: string;
}

export interface BackupsKept {
  /** As the machine that serves the studio names it. */
  readonly folder: string;
  readonly kept: readonly KeptBackup[];
}

/** Every answer that is not the one hoped for: a sentence for the maker, and the field it is about, if there is one. */
export interface Refused {
  readonly message: string;
  readonly field: string | null;
}

/** What a save answers that was overtaken: the copy that is stored now. */
export interface Overtaken<Theirs> extends Refused {
  readonly theirs: Theirs;
}

/** What a typeface’s file says of it. */
export interface OwnTypefaceFacts {
  readonly embedding: Embedding;
  /** How many letters and signs it has. */
  readonly letters: number;
  /** It holds a range of styles, of which the one it begins with is used. */
  readonly variable: boolean;
}

/** A typeface that the maker brought, as the studio keeps it. */
export interface OwnTypefaceRow extends OwnTypeface, OwnTypefaceFacts {
  /** What jobs call it. */
  readonly id: string;
  /** Titles of the jobs on the wall that set words in it. */
  readonly jobs: readonly string[];
}

/** What came on the shelf and went, the newest first. */
export interface ShelfBooks {
  readonly movements: readonly Movement[];
}

/** What can be written in the books by hand. */
export const WRITTEN_CAUSES = ['bought', 'counted', 'offcut', 'other'] as const satisfies readonly MovementCause[];
export interface WrittenMovement extends ThingRef {
  /** Made where it was written, so that sending it twice counts once. */
  readonly id: string;
  readonly cause: (typeof WRITTEN_CAUSES)[number];
  /** So many more or fewer; of what is counted, how many there are. */
  readonly change: number;
  readonly priceMinor: Minor | null;
  readonly lot: string | null;
  readonly note: string | null;
  /** ISO 8601; now where nothing is said. */
  readonly at: string | null;
}

/** Finished runs, as far as they tell how long things take; the newest first. */
export interface TimedRuns {
  readonly runs: readonly TimedRun[];
}

/** A run, and what the server’s clock said as it answered: devices count their timers by it. */
export interface RunNow extends Run {
  /** ISO 8601. */
  readonly now: string;
}

/** A run as the log shows it. */
export interface LoggedRunRow {
  readonly id: string;
  readonly jobId: string;
  readonly title: string;
  readonly stockId: string | null;
  /** Which tool did each stage. */
  readonly tools: Readonly<Partial<Record<Stage, string>>>;
  readonly wanted: number;
  readonly good: number;
  readonly spoiled: number;
  readonly losses: readonly { readonly stage: Stage; readonly cause: string; readonly cards: number }[];
  /** What a card lost at each stage has cost; null of runs that were released before that was kept. */
  readonly costs: LossCosts | null;
  readonly notes: readonly { readonly about: NoteAbout; readonly text: string }[];
  /** ISO 8601. */
  readonly startedAt: string;
  readonly finishedAt: string | null;
}

/** The last first. */
export interface RunsLogged {
  readonly runs: readonly LoggedRunRow[];
}

/** What is asked of a scan. */
export type ScanAsked = {
  /** As the maker says it; null where the file says it itself. */
  readonly dpi: number | null;
  /** The scanner’s own scale and skew, where it was looked at. */
  readonly frame: ScanFrame | null;
  /** Of two scans sent as one, how long the first is. */
  readonly firstBytes: number;
} & ({ readonly kind: 'frame' | 'cards' } | { readonly kind: 'calibration'; readonly of: CalibrationAsked });
export type ScanAnswer =
  | { readonly kind: 'frame'; readonly frame: ScanFrame }
  /** With what its dots were taken to be. */
  | { readonly kind: 'cards'; readonly cards: readonly ScannedCard[]; readonly frame: ScanFrame }
  | { readonly kind: 'calibration'; readonly scan: CalibrationScan; readonly frame: ScanFrame };
