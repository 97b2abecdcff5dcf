import type { ReactNode } from 'react';
import { WORKSHOP_LIMITS, type ShelfEnvelope, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { ThingSlip } from './ThingSlip.tsx';

export function EnvelopeSlip({
  thing: envelope,
  workshop,
}: {
  readonly thing: ShelfEnvelope;
  readonly workshop: Workshop;
}): ReactNode {
  const { unit } = workshop;
  const set = (part: Partial<ShelfEnvelope>): void => useWorkshop.getState().alter('envelopes', envelope.id, part);
  return (
    <ThingSlip shelf="envelopes" thing={envelope} workshop={workshop} copy={(own) => ({ ...own, onShelf: 0 })}>
      <div className="two">
        <LengthField
          label="Inside width"
          mm={envelope.insideWidthMm}
          unit={unit}
          {...WORKSHOP_LIMITS.insideMm}
          onCommit={(insideWidthMm) => set({ insideWidthMm })}
        />
        <LengthField
          label="Inside height"
          mm={envelope.insideHeightMm}
          unit={unit}
          {...WORKSHOP_LIMITS.insideMm}
          onCommit={(insideHeightMm) => set({ insideHeightMm })}
        />
        <MoneyField label="Price of one" minor={envelope.priceMinor} onCommit={(m) => set({ priceMinor: m ?? 0 })} />
        <NumberField
          label="On the shelf"
          value={envelope.onShelf}
          {...WORKSHOP_LIMITS.onShelf}
          onCommit={(onShelf) => set({ onShelf })}
        />
      </div>
      <ColourField label="Colour" value={envelope.colour} onChange={(colour) => colour && set({ colour })} />
    </ThingSlip>
  );
}
