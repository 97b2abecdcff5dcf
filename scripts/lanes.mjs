import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';

/** As many as there are cores; more would only take each other's time. */
export const LANES = availableParallelism();

/**
 * Runs tasks side by side, as many at once as the machine has cores. What each says is held back until it has ended, so
 * that it stands together; a failure of one stops none of the others.
 * @param tasks in the order in which they are begun: the longest first, so that no core is left alone with it at the end;
 *   `env` is asked for what a task finds in its lane, by the lane's number from nought; of those that are `alone` no two
 *   run at once
 * @param onEnd called with each task, its exit and its words, once these are out
 */
export async function runInLanes(tasks, onEnd) {
  const waiting = [...tasks];
  let busy = false;
  const take = () => {
    const at = waiting.findIndex(({ alone }) => !(alone && busy));
    return at < 0 ? undefined : waiting.splice(at, 1)[0];
  };
  const lane = async (number) => {
    for (let task = take(); task; task = take()) {
      if (task.alone) busy = true;
      const begun = Date.now();
      const ended = await runTask(task, await task.env(number));
      if (task.alone) busy = false;
      console.log(`\n${task.name} (${Math.round((Date.now() - begun) / 1000)} s)`);
      process.stdout.write(ended.said);
      onEnd(task, ended);
    }
  };
  await Promise.all(Array.from({ length: LANES }, (_, number) => lane(number)));
}

function runTask({ args, cwd }, env) {
  const child = spawn(process.execPath, args, { cwd, env, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  child.stdout.on('data', (bytes) => said.push(bytes));
  child.stderr.on('data', (bytes) => said.push(bytes));
  return new Promise((done) =>
    child.once('close', (code) => done({ status: code ?? 1, said: Buffer.concat(said).toString() })),
  );
}
