import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import { CROSS_NAMES, CROSSES, type CalibrationSheet, type Readings } from '@zippy/core';
import type { ScanAnswer } from '@zippy/core/contract';
import { DoNow, PlainButton } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { SCAN_FILES, ScannerFields } from '../scan/ScannerFields.tsx';
import { SeenScan } from '../scan/SeenScan.tsx';
import { useScanner } from '../scan/useScanner.ts';

/** The printed sheet’s two sides from a flatbed, read without a ruler; what was found is drawn over them. */
export function ScanSheet({
  asked,
  region,
  onRead,
}: {
  readonly asked: CalibrationSheet;
  readonly region: string | undefined;
  readonly onRead: (readings: Readings) => void;
}): ReactNode {
  const scan = useScanner();
  const [front, setFront] = useState<File | null>(null);
  const [back, setBack] = useState<File | null>(null);
  const [found, setFound] = useState<Extract<ScanAnswer, { kind: 'calibration' }> | null>(null);
  const take = (set: (file: File) => void) => (files: FileList | null) => {
    if (!files?.[0]) return;
    set(files[0]);
    setFound(null);
  };
  const read = async (): Promise<void> => {
    if (!front || !back) return;
    const { sheet, marginsMm, flipEdge } = asked;
    const answer = await scan.read([front, back], { kind: 'calibration', of: { sheet, marginsMm, flipEdge } });
    if (answer?.kind !== 'calibration') return;
    setFound(answer);
    onRead(rounded(answer.scan.readings));
  };
  return (
    <>
      <p>
        Lay the sheet so that dark ground shows beyond two or more of its edges, black card over it. Scan both sides at
        200 dots to the inch or more, without any correction, and save as PNG, JPEG or TIFF.
      </p>
      <Two>
        <FileTrigger acceptedFileTypes={SCAN_FILES} onSelect={take(setFront)}>
          <PlainButton>{front ? `Front: ${front.name}` : 'Scan of the front …'}</PlainButton>
        </FileTrigger>
        <FileTrigger acceptedFileTypes={SCAN_FILES} onSelect={take(setBack)}>
          <PlainButton>{back ? `Back: ${back.name}` : 'Scan of the back …'}</PlainButton>
        </FileTrigger>
      </Two>
      {front && back && (
        <DoNow isDisabled={scan.busy} onPress={() => void read()}>
          {scan.busy ? 'Reading them …' : 'Read both scans'}
        </DoNow>
      )}
      {scan.problem && <p role="alert">{scan.problem}</p>}
      {found && front && back && (
        <>
          <p role="status">
            Read: the figures stand in their fields below. Look whether each ring lies round its cross.{' '}
            {found.scan.taken.join(' ')}
          </p>
          {(['front', 'back'] as const).map((side) => (
            <SeenScan
              key={side}
              file={side === 'front' ? front : back}
              frame={found.frame}
              points={CROSSES.map((cross) => ({ ...found.scan[side].seen[cross], name: CROSS_NAMES[cross] }))}
              outlines={[]}
              label={`The ${side}, its four crosses ringed`}
            />
          ))}
        </>
      )}
      <ScannerFields scan={scan} region={region} />
    </>
  );
}

/** To a hundredth of a millimetre: finer is not there. */
const rounded = ({ crosses, edges, ...rest }: Readings): Readings => {
  const fine = (mm: number): number => Math.round(mm * 100) / 100;
  const all = <T extends Record<string, number>>(of: T): T =>
    Object.fromEntries(Object.entries(of).map(([key, mm]) => [key, fine(mm)])) as T;
  return {
    ...rest,
    ruleAcrossMm: fine(rest.ruleAcrossMm),
    ruleDownMm: fine(rest.ruleDownMm),
    crosses: Object.fromEntries(
      Object.entries(crosses).map(([cross, miss]) => [cross, all({ ...miss })]),
    ) as Readings['crosses'],
    edges: edges && all({ ...edges }),
  };
};
