import { isOwnTypeface, placedTypefaceIds, type Run } from '@zippy/core';
import { api } from '../api/client.ts';
import { at } from '../api/studio.ts';
import { FONT_URLS } from '../workers/fontUrls.ts';
import type { FromKeeper, ToKeeper } from './keeper.ts';

/** Whether the bench card works on without the server. */
export type BenchKept = 'keeping' | 'kept' | 'cannot';

/** All that this run shows, beside the page itself. The run and its presses the page keeps by itself. */
function shownBy({ document: job }: Run): readonly string[] {
  const pictures = Object.values(job.pictures).map(({ sha256 }) => api.pictureUrl(sha256));
  const typefaces = placedTypefaceIds(job).flatMap((id) => {
    const own = isOwnTypeface(id) ? job.typefaces?.[id] : undefined;
    if (own) return [at(`/typefaces/${own.sha256}`)];
    return FONT_URLS[id] ? [FONT_URLS[id]] : [];
  });
  return ['/api/studios', '/api/pictures/inks', at('/workshop'), ...new Set([...pictures, ...typefaces])];
}

/**
 * Has a browser keep the page and what a run shows, so that the bench goes on through a server that is off and a page
 * that is loaded anew. Browsers do so only for pages of this machine or of a certificate.
 */
export async function keepForBench(run: Run): Promise<BenchKept> {
  const workers = (navigator as { readonly serviceWorker?: ServiceWorkerContainer }).serviceWorker;
  if (!workers || !import.meta.env.PROD) return 'cannot';
  await workers.register('/bench-keeper.js');
  const { active } = await workers.ready;
  if (!active) return 'cannot';
  return new Promise((settle) => {
    const heard = ({ data }: MessageEvent<FromKeeper>): void => {
      if (data.kind !== 'kept') return;
      workers.removeEventListener('message', heard);
      settle(data.failed === 0 ? 'kept' : 'cannot');
    };
    workers.addEventListener('message', heard);
    active.postMessage({ kind: 'keep', urls: shownBy(run) } satisfies ToKeeper);
  });
}
