import { ProcessPool } from '../processes/processPool.ts';
import { Refusal } from '../refusal.ts';
import { program } from '../root.ts';
import type { Drawn, ToDraw } from './draw.ts';
import type { Answer } from './drawerProcess.ts';

/** Somebody waits for it: what takes longer is asked for as an export. */
const LIMITS = { limitMs: 60_000, memoryMb: 2048, atOnce: 2, most: 4 };

/** Plans and draws what is asked for and waited for, in processes of their own. */
export class Drawers {
  private readonly pool = new ProcessPool<ToDraw, Answer>(program('server/src/drawings/drawerProcess.ts'), LIMITS);

  /** @throws Refusal with one sentence for the maker */
  async draw<K extends ToDraw['kind']>(asked: ToDraw & { readonly kind: K }): Promise<Drawn[K]> {
    const answer = await this.pool.ask(asked);
    if (answer === null)
      throw new Refusal(
        422,
        'This takes longer to draw than can be waited for; look for a picture far too complicated.',
      );
    if (answer.ok) return answer.drawn as Drawn[K];
    const { refused, message } = answer;
    throw refused ? new Refusal(refused.status, message, refused.field) : new Error(message);
  }
}
