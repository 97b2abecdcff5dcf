const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');

/**
 * Runs the tests of every describe in an order that a seed decides, so that none of them leans on another. The seed is
 * said; ORDER=SEED runs another order. By itself it comes of what the files say: another order whenever they change, and
 * the same one for everybody who runs the same tests.
 */
const seed = Number(process.env.ORDER ?? seedOf((process.env.SOURCES ?? '').split(',').filter(Boolean)));

function seedOf(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(readFileSync(file));
  return hash.digest().readUInt32BE(0) % 1e6;
}

/** Numbers in [0, 1) by Mulberry32. */
function numbers(from) {
  let state = from;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

function shuffle(suite, next) {
  const { tests } = suite;
  for (let i = tests.length - 1; i > 0; i -= 1) {
    const k = Math.floor(next() * (i + 1));
    [tests[i], tests[k]] = [tests[k], tests[i]];
  }
  for (const inner of suite.suites) shuffle(inner, next);
}

exports.mochaHooks = {
  beforeAll() {
    console.log(`  in the order of seed ${seed}`);
    shuffle(this.test.parent, numbers(seed));
  },
};
