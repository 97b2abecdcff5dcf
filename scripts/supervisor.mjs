import { setTimeout as pause } from 'node:timers/promises';

/** Why a part that ended so is not started again: it has said itself what must be put right first. */
export const MUST_BE_PUT_RIGHT = 2;

/**
 * Keeps parts running: one that dies is started again after a pause that grows, with one line in the terminal; too
 * many deaths in a while end it all, with the reason.
 * @param say takes the line
 * @param giveUp takes the reason
 */
export function makeSupervisor({ say, giveUp, firstPauseMs = 500, mostDeaths = 5, withinMs = 60_000 }) {
  const running = new Map();
  const deaths = [];
  let stopping = false;

  /** @param start gives a child process once it is ready to work, or fails */
  async function keep(name, start) {
    const child = await start();
    running.set(name, child);
    const died = (code, signal) => {
      running.delete(name);
      if (!stopping) void again(name, start, signal ?? code);
    };
    // It may have died since it said that it was ready.
    if (child.exitCode !== null || child.signalCode !== null) died(child.exitCode, child.signalCode);
    else child.once('exit', died);
  }

  async function again(name, start, why) {
    if (why === MUST_BE_PUT_RIGHT) return giveUp(null);
    const now = Date.now();
    deaths.push({ name, at: now });
    const lately = deaths.filter(({ at }) => now - at < withinMs);
    if (lately.length >= mostDeaths)
      return giveUp(`Parts ended ${lately.length} times within a minute, the last the ${name} (${why})`);
    const own = lately.filter((death) => death.name === name).length;
    const wait = firstPauseMs * 2 ** (own - 1);
    say(`The ${name} ended (${why}); what was saved is safe, and it starts again in ${wait / 1000} s.`);
    await pause(wait);
    if (stopping) return;
    try {
      await keep(name, start);
    } catch (problem) {
      if (!stopping) void again(name, start, problem.why ?? problem.message);
    }
  }

  return {
    keep,
    /** Child processes by name. */
    running,
    /** From now on an end is meant. */
    rest() {
      stopping = true;
    },
  };
}
