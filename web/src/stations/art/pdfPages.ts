import { MM_PER_INCH } from '@zippy/core';
import type { PDFDocumentProxy } from 'pdfjs-dist';

/** As sharp as a home printer prints, and no larger than a canvas can be. */
const PPI = 300;
const MOST_PX = 6000;
const MOST_BYTES = 60 * 1024 * 1024;

export interface PdfPages {
  readonly count: number;
  /** One page on a canvas of its own; `share` of full sharpness for looking at. */
  draw(number: number, share?: number): Promise<HTMLCanvasElement>;
  /** Width of a page as the file has it. */
  widthMm(number: number): Promise<number>;
  close(): void;
}

/** A PDF that cannot be used, with what to do about it. */
export class PdfRefused extends Error {}

/**
 * Opens a PDF in the page. Nothing in it runs and nothing it names is fetched.
 * @throws PdfRefused with one sentence for the maker
 */
export async function openPdf(file: File): Promise<PdfPages> {
  if (file.size > MOST_BYTES)
    throw new PdfRefused(
      `${file.name} is ${Math.round(file.size / 1048576)} MB; the most is ${MOST_BYTES / 1048576} MB. Save the page you need by itself.`,
    );
  const pdfjs = await import('pdfjs-dist');
  pdfjs.GlobalWorkerOptions.workerSrc = new URL('pdfjs-dist/build/pdf.worker.min.mjs', import.meta.url).href;
  let document: PDFDocumentProxy;
  try {
    document = await pdfjs.getDocument({
      data: new Uint8Array(await file.arrayBuffer()),
      isEvalSupported: false,
      enableXfa: false,
      stopAtErrors: false,
      useWorkerFetch: false,
    }).promise;
  } catch (problem) {
    const locked = (problem as Error).name === 'PasswordException';
    throw new PdfRefused(
      locked
        ? `${file.name} is locked with a password; save it without one and try again.`
        : `${file.name} is damaged or is no PDF; save it again from where it came and try again.`,
      { cause: problem },
    );
  }
  return {
    count: document.numPages,
    async draw(number, share = 1) {
      const page = await document.getPage(number);
      const whole = page.getViewport({ scale: PPI / 72 });
      const scale = (Math.min(1, MOST_PX / Math.max(whole.width, whole.height)) * share * PPI) / 72;
      const viewport = page.getViewport({ scale });
      const canvas = window.document.createElement('canvas');
      canvas.width = Math.max(1, Math.round(viewport.width));
      canvas.height = Math.max(1, Math.round(viewport.height));
      await page.render({ canvas, viewport, background: '#ffffff' }).promise;
      return canvas;
    },
    async widthMm(number) {
      const page = await document.getPage(number);
      return (page.getViewport({ scale: 1 }).width / 72) * MM_PER_INCH;
    },
    close: () => void document.loadingTask.destroy(),
  };
}

/** Parts of a page that are left out at each side, as shares of it. */
export interface Crop {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The part that is kept, as a picture file. */
export function cropped(canvas: HTMLCanvasElement, { left, right, top, bottom }: Crop, name: string): Promise<File> {
  const [x, y] = [Math.round(canvas.width * left), Math.round(canvas.height * top)];
  const width = Math.max(1, Math.round(canvas.width * (1 - left - right)));
  const height = Math.max(1, Math.round(canvas.height * (1 - top - bottom)));
  const kept = window.document.createElement('canvas');
  kept.width = width;
  kept.height = height;
  kept.getContext('2d')!.drawImage(canvas, x, y, width, height, 0, 0, width, height);
  return new Promise((done, failed) =>
    kept.toBlob(
      (blob) =>
        blob ? done(new File([blob], name, { type: 'image/png' })) : failed(new Error('no picture came of it')),
      'image/png',
    ),
  );
}

export const isPdf = (file: File): boolean => file.type === 'application/pdf' || /\.pdf$/i.test(file.name);
