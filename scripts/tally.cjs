const { appendFileSync } = require('node:fs');
const { reporters } = require('mocha');

/** The usual report, and a line for the sum of all runs where TALLY names a file. */
module.exports = class Tally extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      if (!process.env.TALLY) return;
      const { passes, failures, pending } = this.stats;
      appendFileSync(process.env.TALLY, `${JSON.stringify({ passes, failures, pending })}\n`);
    });
  }
};
