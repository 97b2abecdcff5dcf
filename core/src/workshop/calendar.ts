/** When work is done, and by how many. */
export interface WorkTimes {
  /** Minutes free on each day of the week, Monday first. */
  readonly weekMinutes: readonly number[];
  /** When work begins, minutes after midnight. */
  readonly fromMinute: number;
  /** Days that differ from the week; nought is a day off. */
  readonly exceptions: readonly { readonly day: string; readonly minutes: number }[];
  /** Who can work at once. */
  readonly hands: number;
  /** Runs that can lie drying at once. */
  readonly racks: number;
}

/** Four evenings of the week, alone, with a rack for two runs. Our starting value. */
export const USUAL_TIMES: WorkTimes = {
  weekMinutes: [0, 120, 120, 120, 0, 180, 0],
  fromMinute: 19 * 60,
  exceptions: [],
  hands: 1,
  racks: 2,
};

/** Older workshops say nothing of when they work. */
export const timesOf = ({ times }: { readonly times?: WorkTimes }): WorkTimes => times ?? USUAL_TIMES;
