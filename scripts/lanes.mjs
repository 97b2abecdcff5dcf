import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';

/** One more than there are cores: a task waits, for a page to settle or a server to start, about a third of its time. */
export const LANES = availableParallelism() + 1;

/** How many pages are worked at once; one more, and a browser is kept waiting by the others' work. */
const PAGES = availableParallelism();

/**
 * Runs tasks side by side, some more at once than the machine has cores. What each says is held back until it has ended,
 * so that it stands together; a failure of one stops none of the others.
 * @param tasks in the order in which they are begun: the longest first, so that no core is left alone with it at the end;
 *   `env` is asked for what a task finds in its lane, by the lane's number from nought; `page` says that it works one
 * @param onEnd called with each task, its exit and its words, once these are out
 */
export async function runInLanes(tasks, onEnd) {
  const waiting = [...tasks];
  let pages = 0;
  const take = () => {
    const at = waiting.findIndex(({ page }) => !(page && pages >= PAGES));
    return at < 0 ? undefined : waiting.splice(at, 1)[0];
  };
  const lane = async (number) => {
    for (let task = take(); task; task = take()) {
      if (task.page) pages += 1;
      const begun = Date.now();
      const ended = await runTask(task, await task.env(number));
      if (task.page) pages -= 1;
      const tookS = Math.round((Date.now() - begun) / 1000);
      console.log(`\n${task.name} (${tookS} s, ${Math.round(ended.workedS)} s of a core)`);
      process.stdout.write(ended.said);
      onEnd(task, ended);
    }
  };
  await Promise.all(Array.from({ length: LANES }, (_, number) => lane(number)));
}

function runTask({ args, cwd }, env) {
  const child = spawn(process.execPath, args, { cwd, env, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  let workedS = 0;
  child.stdout.on('data', (bytes) => said.push(bytes));
  child.stderr.on('data', (bytes) => said.push(bytes));
  child.once('exit', () => (workedS = workedSince()));
  return new Promise((done) =>
    child.once('close', (code) => done({ status: code ?? 1, said: Buffer.concat(said).toString(), workedS })),
  );
}

let counted = 0;
/**
 * Seconds of a core that ended tasks, and what these had started, took since this was last asked: what tells a task that
 * works from one that waits. Source: proc(5), stat, fields 16 and 17, in hundredths of a second. @returns 0 elsewhere
 */
function workedSince() {
  try {
    const fields = readFileSync('/proc/self/stat', 'utf8').split(') ')[1].split(' ');
    const sum = (Number(fields[13]) + Number(fields[14])) / 100;
    const since = sum - counted;
    counted = sum;
    return since;
  } catch {
    return 0;
  }
}
