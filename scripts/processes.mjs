import { readFileSync, readlinkSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';

/**
 * What a process is: its command line and the folder it works in; null when there is none. A number alone says
 * little, because the system gives it to another program as soon as the first has ended.
 */
export function whatIs(pid) {
  if (!(Number.isInteger(pid) && pid > 1)) return null;
  try {
    // Without words in it, it has ended and only waits to be noticed.
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').filter(Boolean);
    if (command.length === 0) return null;
    return { command, folder: folderOf(pid) };
  } catch {
    return null;
  }
}

function folderOf(pid) {
  try {
    return readlinkSync(`/proc/${pid}/cwd`);
  } catch {
    return null;
  }
}

/** Asks a process to end, with one signal after the other, until it has; each has so many steps of a tenth of a second. */
export async function end(pid, signals, steps = 50) {
  for (const signal of signals) {
    try {
      process.kill(pid, signal);
    } catch {
      return;
    }
    for (let step = 0; step < steps; step += 1) {
      if (!whatIs(pid)) return;
      await pause(100);
    }
  }
}
