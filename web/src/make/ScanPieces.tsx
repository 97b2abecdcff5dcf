import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import { fixed, formatSize, plural, type LengthUnit, type Mm } from '@zippy/core';
import type { ScanAnswer } from '@zippy/core/contract';
import { More } from '../slip/More.tsx';
import { PlainButton } from '../ui/buttons.tsx';
import { SCAN_FILES, ScannerFields } from '../workshop/scan/ScannerFields.tsx';
import { SeenScan } from '../workshop/scan/SeenScan.tsx';
import { useScanner } from '../workshop/scan/useScanner.ts';

/** A side that is farther off than this is another side. */
const REACH_MM = 5;
/** A corner that is farther from square is worth a look at the fence. */
const SQUARE_DEG = 0.15;

/** Cut pieces read from a flatbed scan, all at once. */
export function ScanPieces({
  wantedMm,
  unit,
  region,
  onTake,
}: {
  readonly wantedMm: Mm;
  readonly unit: LengthUnit;
  readonly region: string | undefined;
  readonly onTake: (offsMm: readonly Mm[]) => void;
}): ReactNode {
  const scan = useScanner();
  const [file, setFile] = useState<File | null>(null);
  const [found, setFound] = useState<Extract<ScanAnswer, { kind: 'cards' }> | null>(null);
  const read = async (files: FileList | null): Promise<void> => {
    const chosen = files?.[0];
    if (!chosen) return;
    setFile(chosen);
    const answer = await scan.read([chosen], { kind: 'cards' });
    setFound(answer?.kind === 'cards' ? answer : null);
  };
  const cards = found?.cards ?? [];
  const offs = cards.flatMap(({ widthMm, heightMm }) => {
    const nearest = Math.abs(widthMm - wantedMm) <= Math.abs(heightMm - wantedMm) ? widthMm : heightMm;
    return Math.abs(nearest - wantedMm) <= REACH_MM ? [nearest - wantedMm] : [];
  });
  const worst = Math.max(0, ...cards.map(({ offSquareDeg }) => offSquareDeg));
  return (
    <More label="From a scan">
      <p>Lay pieces pale side down a finger apart, black card over them, and scan at 200 dots to the inch or more.</p>
      <FileTrigger acceptedFileTypes={SCAN_FILES} onSelect={(files) => void read(files)}>
        <PlainButton isDisabled={scan.busy}>{scan.busy ? 'Reading it …' : 'Choose the scan …'}</PlainButton>
      </FileTrigger>
      {scan.problem && <p role="alert">{scan.problem}</p>}
      {file && found && (
        <>
          <p role="status">
            {cards.length} {plural(cards.length, 'piece')}:{' '}
            {cards.map(({ widthMm, heightMm }) => formatSize(widthMm, heightMm, unit)).join('; ')}. Corners are square
            to {fixed(worst, 2)}°{worst > SQUARE_DEG ? ': look whether the fence is square to the blade.' : '.'}
          </p>
          <SeenScan
            file={file}
            frame={found.frame}
            points={[]}
            outlines={cards.map(({ corners }) => corners)}
            label={`The scan, ${cards.length} ${plural(cards.length, 'piece')} outlined`}
          />
          {offs.length > 0 ? (
            <PlainButton
              onPress={() => {
                onTake(offs);
                setFound(null);
              }}
            >
              Take {offs.length} down
            </PlainButton>
          ) : (
            <p>None of them has a side within 5 mm of what is wanted.</p>
          )}
        </>
      )}
      <ScannerFields scan={scan} region={region} />
    </More>
  );
}
