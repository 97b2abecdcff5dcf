import { lazy, Suspense, useState, type ReactNode } from 'react';
import type { PictureRef } from '@zippy/core';
import { addPicture, sayShare } from '../../api/upload.ts';
import { isPdf } from './pdfPages.ts';

const PdfPicker = lazy(() => import('./PdfPicker.tsx'));

/** Takes a picture in from a file, saying how far it has come; a PDF is asked for its page first. */
export function useTakeIn(onTaken: (ref: PictureRef) => void): {
  readonly takeIn: (file: File | undefined) => void;
  readonly said: string | null;
  /** To be put on the page: the choice of a PDF’s page, while it is asked for. */
  readonly picker: ReactNode;
} {
  const [said, setSaid] = useState<string | null>(null);
  const [pdf, setPdf] = useState<File | null>(null);
  const takeIn = (file: File | undefined): void => {
    if (!file) return;
    if (isPdf(file)) return setPdf(file);
    setSaid(sayShare(file.name, 0));
    addPicture(file, (share) => setSaid(sayShare(file.name, share)))
      .then((ref) => {
        onTaken(ref);
        setSaid(null);
      })
      .catch((why: unknown) => setSaid((why as Error).message));
  };
  const picker = pdf && (
    <Suspense fallback={null}>
      <PdfPicker
        file={pdf}
        onTaken={(ref) => {
          onTaken(ref);
          setPdf(null);
        }}
        onClose={() => setPdf(null)}
      />
    </Suspense>
  );
  return { takeIn, said, picker };
}
