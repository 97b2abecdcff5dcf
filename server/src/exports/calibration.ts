import { drawCalibration, pageAsSent, type CalibrationSheet } from '@zippy/core';
import type { Materials } from './types.ts';
import { writeDraft } from './write.ts';

/** Front and back of one calibration sheet; the back is drawn for the way the sheet is turned over. */
export async function calibrationPdf(asked: CalibrationSheet, fonts: Materials['fonts']): Promise<Buffer> {
  const pages = (['front', 'back'] as const).map((side) => ({ page: pageAsSent(drawCalibration(asked, side), asked) }));
  const draft = {
    kind: 'pages',
    stem: 'calibration',
    title: `Calibration sheet: ${asked.about}`,
    pages,
    total: 2,
  } as const;
  return (await writeDraft(draft, 'pdf', { fonts, pictures: new Map(), date: null })).bytes;
}
