import { STATIONS, type Station } from '@zippy/core';

/** What a key does in a job; every one of them is in the list that `?` shows. */
export type JobAct =
  | { readonly kind: 'station'; readonly station: Station }
  | { readonly kind: 'step'; readonly by: 1 | -1 }
  | { readonly kind: 'turnOver' | 'light' | 'open' | 'drift' | 'unit' | 'undo' | 'redo' | 'help' };

export interface JobKey {
  /** As `KeyboardEvent.key` has it, in lower case. */
  readonly keys: readonly string[];
  readonly ctrl?: true;
  readonly shift?: true;
  /** How it is said, and what it does, in the list of keys. */
  readonly cap: string;
  readonly says: string;
  readonly act: (key: string) => JobAct;
}

export const JOB_KEYS: readonly JobKey[] = [
  {
    keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'],
    cap: '1 … 9, 0',
    says: 'Go to a station',
    act: (key) => ({ kind: 'station', station: STATIONS[(Number(key) + 9) % 10]! }),
  },
  {
    keys: [',', '.'],
    cap: ', and .',
    says: 'Station before, station after',
    act: (key) => ({ kind: 'step', by: key === '.' ? 1 : -1 }),
  },
  { keys: ['t'], cap: 'T', says: 'Turn the piece over', act: () => ({ kind: 'turnOver' }) },
  { keys: ['l'], cap: 'L', says: 'Hold it to the light', act: () => ({ kind: 'light' }) },
  { keys: ['o'], cap: 'O', says: 'Fold it; then open and shut', act: () => ({ kind: 'open' }) },
  { keys: ['d'], cap: 'D', says: 'At Art and Cut: where the blade may land', act: () => ({ kind: 'drift' }) },
  { keys: ['u'], cap: 'U', says: 'Millimetres or inches', act: () => ({ kind: 'unit' }) },
  { keys: ['z'], ctrl: true, cap: 'Ctrl Z', says: 'Undo', act: () => ({ kind: 'undo' }) },
  { keys: ['z'], ctrl: true, shift: true, cap: 'Ctrl Shift Z', says: 'Do it again', act: () => ({ kind: 'redo' }) },
  { keys: ['?'], cap: '?', says: 'This list', act: () => ({ kind: 'help' }) },
];

/** Keys of the thing in hand at Art; they act there, on the bench and in the list. */
export const ART_KEYS: readonly { readonly cap: string; readonly says: string }[] = [
  { cap: 'Arrows', says: 'Move what is picked out; with Shift, further' },
  { cap: 'Shift Enter', says: 'Pick one more out' },
  { cap: 'Ctrl A', says: 'Pick all out' },
  { cap: 'Ctrl C, X, V', says: 'Copy, cut, paste, on any face of any job' },
  { cap: 'Ctrl D', says: 'Double it' },
  { cap: 'Delete', says: 'Take it off' },
];

export type BenchAct = 'done' | 'good' | 'spoiled' | 'measure' | 'note' | 'before' | 'after' | 'back';

export const BENCH_KEYS: readonly {
  readonly key: string;
  readonly cap: string;
  readonly says: string;
  readonly act: BenchAct;
}[] = [
  { key: ' ', cap: 'Space', says: 'Step done', act: 'done' },
  { key: 'g', cap: 'G', says: 'One good card', act: 'good' },
  { key: 'b', cap: 'B', says: 'One spoiled card', act: 'spoiled' },
  { key: 'm', cap: 'M', says: 'Measure a piece', act: 'measure' },
  { key: 'n', cap: 'N', says: 'A note for the log', act: 'note' },
  { key: 'arrowleft', cap: '←', says: 'Look at the step before', act: 'before' },
  { key: 'arrowright', cap: '→', says: 'Look at the step after', act: 'after' },
  { key: 'backspace', cap: 'Backspace', says: 'Take the last press back', act: 'back' },
];

/** The key of a press, if it is one of the job’s. */
export function jobKeyOf(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey'>): JobKey | null {
  const key = event.key.toLowerCase();
  const ctrl = event.ctrlKey || event.metaKey;
  const found = JOB_KEYS.find(
    (one) =>
      one.keys.includes(key) && Boolean(one.ctrl) === ctrl && (!one.ctrl || Boolean(one.shift) === event.shiftKey),
  );
  return found ?? null;
}
