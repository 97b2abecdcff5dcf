import { sendKeptRuns } from './run.ts';
import { growingPauses } from './tryAgain.ts';

/** How often it is looked whether anything was left, while nothing is known to be. */
const LOOK_EVERY_MS = 20_000;

/** Sends what was kept at the bench, on whatever page the application is open, until there is none. */
export function keepSending(): void {
  const pauses = growingPauses();
  const look = async (): Promise<void> => {
    const done = await sendKeptRuns().catch(() => false);
    if (done) pauses.reset();
    setTimeout(() => void look(), done ? LOOK_EVERY_MS : pauses.next());
  };
  void look();
}
