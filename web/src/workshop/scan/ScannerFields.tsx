import type { ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import { KNOWN_CARD_MM, sayDay } from '@zippy/core';
import { PlainButton } from '../../ui/buttons.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { today } from '../../workers/planner.ts';
import type { useScanner } from './useScanner.ts';

export const SCAN_FILES = ['image/png', 'image/jpeg', 'image/tiff'];
const USUAL_DPI = 300;

/** The scanner itself: what it was set to, and its own scale and skew by a card of known size. */
export function ScannerFields({
  scan: { scanner, set, read, busy },
  region,
}: {
  readonly scan: ReturnType<typeof useScanner>;
  readonly region: string | undefined;
}): ReactNode {
  const check = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const answer = await read([file], { kind: 'frame' });
    if (answer?.kind === 'frame') set({ frame: answer.frame, day: today() });
  };
  return (
    <>
      <p>
        {scanner.frame && scanner.day
          ? `Your scanner was checked on ${sayDay(scanner.day, region)}: its own scale and skew are taken out.`
          : `Check your scanner once: scan any plastic card of ${KNOWN_CARD_MM.long} × ${KNOWN_CARD_MM.short} mm alone under black card, its plain side down.`}
      </p>
      <FileTrigger acceptedFileTypes={SCAN_FILES} onSelect={(files) => void check(files?.[0])}>
        <PlainButton isDisabled={busy}>{scanner.frame ? 'Check it again …' : 'Scan of that card …'}</PlainButton>
      </FileTrigger>
      <NumberField
        label="Dots to the inch, where the file does not say"
        value={scanner.dpi ?? USUAL_DPI}
        least={200}
        most={1200}
        hint={scanner.dpi === null ? 'The file’s own word counts.' : undefined}
        onCommit={(dpi) => set({ dpi })}
      />
    </>
  );
}
