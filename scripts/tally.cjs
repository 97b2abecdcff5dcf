const { appendFileSync } = require('node:fs');
const { reporters } = require('mocha');

/** The usual report, and a line for the sum of all runs where TALLY names a file, with what failed. */
module.exports = class Tally extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      if (!process.env.TALLY) return;
      const { passes, failures, pending } = this.stats;
      const failed = this.failures.map((test) => `${test.titlePath().join(' › ')}\n${test.err?.stack ?? test.err}`);
      appendFileSync(process.env.TALLY, `${JSON.stringify({ passes, failures, pending, failed })}\n`);
    });
  }
};
