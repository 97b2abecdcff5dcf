import type { ReactNode } from 'react';
import { LIMITS, type LengthUnit } from '@zippy/core';
import { useNewCard } from '../../stores/newCard.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { Sheet } from './tiles.ts';

/** A folded card that lies on the bench beside a ruler. */
export function HeldSample({ unit }: { readonly unit: LengthUnit }): ReactNode {
  const { sampleMm, set } = useNewCard();
  return (
    <Sheet>
      <p>Lay it down shut, as it is read, and measure it edge to edge.</p>
      <div className="two">
        <LengthField
          label="Its width"
          mm={sampleMm.widthMm}
          unit={unit}
          {...LIMITS.size.finishedMm}
          onCommit={(widthMm) => set({ sampleMm: { ...sampleMm, widthMm } })}
        />
        <LengthField
          label="Its height"
          mm={sampleMm.heightMm}
          unit={unit}
          {...LIMITS.size.finishedMm}
          onCommit={(heightMm) => set({ sampleMm: { ...sampleMm, heightMm } })}
        />
      </div>
    </Sheet>
  );
}
