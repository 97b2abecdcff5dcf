import { decide } from '../../../job/decide.ts';
import type { Remedy } from '../../../job/findings.ts';

/** One sheet before the run, as a step of its own at the bench. */
export const TEST_PRINT: Remedy = {
  label: 'Print one sheet first',
  changes: [decide((job) => job.make.testPrint, true)],
};
