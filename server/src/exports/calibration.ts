import { drawCalibration, type CalibrationSheet } from '@zippy/core';
import { collect } from './collect.ts';
import { PdfFile, type PdfMaterials } from './pdfDocument.ts';

/** Front and back of one calibration sheet; the back is drawn for the way the sheet is turned over. */
export async function calibrationPdf(asked: CalibrationSheet, fonts: PdfMaterials['fonts']): Promise<Buffer> {
  const file = new PdfFile(`Calibration sheet: ${asked.about}`, { fonts, pictures: new Map(), date: null });
  const bytes = collect(file.stream);
  for (const side of ['front', 'back'] as const) file.addPage(drawCalibration(asked, side));
  file.end();
  return bytes;
}
