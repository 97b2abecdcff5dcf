import type { Remedy } from '../../../job/findings.ts';

/** One sheet before the run, as a step of its own at the bench. */
export const TEST_PRINT: Remedy = {
  label: 'Print one sheet first',
  changes: [{ path: ['make', 'testPrint'], value: true }],
};
