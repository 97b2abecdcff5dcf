import { HOME_STUDIO_ID } from '@zippy/core/contract';

/** The studio of this page, for as long as the page lives: what it asks for, sends and keeps is all of that one. */
let own: string | null = null;

let settle: () => void;
/** Once it is known which studio this page is in. */
export const settled = new Promise<void>((done) => (settle = done));

/** Says once, before anything is asked for, which studio this page is in. */
export function beIn(studioId: string): void {
  own = studioId;
  settle();
}

/** The address of something that the page’s studio has. */
export const at = (path: string): string => (own === null ? `/api${path}` : `/api/studios/${own}${path}`);

/** The name under which this browser keeps something of the page’s studio; the first one’s are as they always were. */
export const keptUnder = (name: string): string => (own === null || own === HOME_STUDIO_ID ? name : `${name}-${own}`);
