import {
  printSide,
  correctPage,
  drawSheetPage,
  svgFile,
  type Job,
  type Plan,
  type PrinterTruth,
  type Scan,
} from '@zippy/core';

const PX_PER_MM = 6;

/**
 * The front of the job’s sheet as a machine’s eye sees it once it is printed: drawn by the browser, in greys.
 * Pictures are left out, because a page may not read their pixels back; marks never lie on them.
 */
export async function scanSheet(plan: Plan, job: Job, truth: PrinterTruth | null): Promise<Scan> {
  const { sheet, size, art } = plan;
  const paper = { widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const page = drawSheetPage(size, art, sheet, 'front', { title: job.brief.title, date: null, sheetNumber: 1 });
  const scene = truth
    ? printSide(correctPage(page, sheet.calibration, 'front'), 'front', paper, job.sheet.flipEdge, truth)
    : page.scene;
  const blank = 'data:image/gif;base64,R0lGODlhAQABAAAAACwAAAAAAQABAAA=';
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgFile(scene, 'sheet', { pictureHref: () => blank }))}`;
  await image.decode();
  const [widthPx, heightPx] = [paper.widthMm, paper.heightMm].map((mm) => Math.round(mm * PX_PER_MM)) as [
    number,
    number,
  ];
  const canvas = document.createElement('canvas');
  canvas.width = widthPx;
  canvas.height = heightPx;
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, widthPx, heightPx);
  context.drawImage(image, 0, 0, widthPx, heightPx);
  const { data } = context.getImageData(0, 0, widthPx, heightPx);
  const grey = new Uint8ClampedArray(widthPx * heightPx);
  for (let i = 0; i < grey.length; i += 1)
    grey[i] = 0.2126 * data[i * 4]! + 0.7152 * data[i * 4 + 1]! + 0.0722 * data[i * 4 + 2]!;
  return { widthPx, heightPx, pxPerMm: PX_PER_MM, grey };
}
