import { drawGauge, type GaugeSheet } from '@zippy/core';
import type { Materials } from './types.ts';
import { writeDraft } from './write.ts';

/** Strips and gauge of one stock on a sheet of it. */
export async function gaugePdf(sheet: GaugeSheet, fonts: Materials['fonts']): Promise<Buffer> {
  const title = `Strips and gauge: ${sheet.about}`;
  const draft = { kind: 'pages', stem: 'gauge', title, pages: [{ page: drawGauge(sheet) }], total: 1 } as const;
  return (await writeDraft(draft, 'pdf', { fonts, pictures: new Map(), date: null })).bytes;
}
