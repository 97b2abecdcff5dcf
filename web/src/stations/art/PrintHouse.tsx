import { useState, type ReactNode } from 'react';
import {
  fitPixels,
  formatLength,
  MM_PER_INCH,
  PIXEL_DPI,
  pixelFault,
  type FacePlan,
  type LengthUnit,
} from '@zippy/core';
import { api } from '../../api/client.ts';
import { useJob } from '../../stores/job.ts';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';

/** A face in exactly the pixels a print house asks for, with the bleed that they leave said before it is written. */
export function PrintHouse({
  face,
  unit,
  white,
}: {
  readonly face: FacePlan;
  readonly unit: LengthUnit;
  /** White is laid under this card’s colours, so a house that lays it wants its plate too. */
  readonly white: boolean;
}): ReactNode {
  const id = useJob((s) => s.id);
  const settle = useJob((s) => s.settle);
  const { widthMm, heightMm } = face.face;
  const [dpi, setDpi] = useState(300);
  const usual = (mm: number): number => Math.round(((mm + 2 * 3) / MM_PER_INCH) * dpi);
  const [size, setSize] = useState<{ readonly width: number; readonly height: number } | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const asked = { widthPx: size?.width ?? usual(widthMm), heightPx: size?.height ?? usual(heightMm), dpi };
  const fault = pixelFault(asked);
  const fit = fitPixels(face.face, asked);
  const say = (mm: number): string => formatLength(mm, unit === 'in' ? 'in' : 'mm');
  const fetchIt = async (plate?: 'white'): Promise<void> => {
    setWhy(null);
    try {
      if (!id || !(await settle())) return setWhy('The job has not reached the server yet; try again when it has.');
      await api.facePixels(id, face.face.id, asked, plate);
    } catch (problem) {
      setWhy((problem as Error).message);
    }
  };
  return (
    <>
      <Two>
        <NumberField
          label="Pixels wide"
          value={asked.widthPx}
          least={50}
          most={12000}
          onCommit={(width) => setSize({ width, height: asked.heightPx })}
        />
        <NumberField
          label="Pixels high"
          value={asked.heightPx}
          least={50}
          most={12000}
          onCommit={(height) => setSize({ width: asked.widthPx, height })}
        />
      </Two>
      <NumberField label="Dots to the inch" value={dpi} {...PIXEL_DPI} onCommit={setDpi} />
      <p aria-live="polite">
        {fault
          ? `${fault.field} ${fault.why}.`
          : !fit.ok
            ? `${fit.why}.`
            : fit.bled
              ? `That leaves a bleed of ${say(fit.bleedAcrossMm)} left and right, ${say(fit.bleedDownMm)} above and below. The file’s name says so.`
              : 'That is the trimmed size: no bleed at all, and the file’s name says so.'}
      </p>
      <PlainButton isDisabled={fault !== null || !fit.ok} onPress={() => void fetchIt()}>
        ↓ {face.face.name}, {asked.widthPx} × {asked.heightPx} PNG
      </PlainButton>
      {white && (
        <PlainButton isDisabled={fault !== null || !fit.ok} onPress={() => void fetchIt('white')}>
          ↓ Where its white goes, in black
        </PlainButton>
      )}
      {why && <p role="alert">{why}</p>}
    </>
  );
}
