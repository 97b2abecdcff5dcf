import type { ReactNode } from 'react';
import { TRIMMING_KINDS, WORKSHOP_LIMITS, type Trimming, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { TRIMMING_NAMES } from '../kindNames.ts';
import { ThingSlip } from './ThingSlip.tsx';

const LIMITS = WORKSHOP_LIMITS.trimming;
const KINDS = [{ heading: null, options: TRIMMING_KINDS.map((id) => ({ id, name: TRIMMING_NAMES[id] })) }];

/** What is put on cards by hand: how large, how thick, how heavy, how many there are. */
export function TrimmingSlip({
  thing: trimming,
  workshop,
}: {
  readonly thing: Trimming;
  readonly workshop: Workshop;
}): ReactNode {
  const { unit } = workshop;
  const { pack } = trimming;
  const set = (part: Partial<Trimming>): void => useWorkshop.getState().alter('trimmings', trimming.id, part);
  return (
    <ThingSlip shelf="trimmings" thing={trimming} workshop={workshop} copy={(own) => ({ ...own, onShelf: 0 })}>
      <Pick
        label="What it is"
        value={trimming.kind}
        sections={KINDS}
        onChange={(kind) => set({ kind: TRIMMING_KINDS.find((one) => one === kind)! })}
      />
      <div className="two">
        <LengthField
          label="Width"
          mm={trimming.widthMm}
          unit={unit}
          {...LIMITS.sideMm}
          onCommit={(widthMm) => set({ widthMm })}
        />
        <LengthField
          label="Height"
          mm={trimming.heightMm}
          unit={unit}
          {...LIMITS.sideMm}
          onCommit={(heightMm) => set({ heightMm })}
        />
        <LengthField
          label="Stands up"
          mm={trimming.thickMm}
          unit={unit}
          {...LIMITS.thickMm}
          onCommit={(thickMm) => set({ thickMm })}
        />
        <NumberField
          label="One weighs, g"
          whole={false}
          value={trimming.grams}
          {...LIMITS.grams}
          onCommit={(grams) => set({ grams })}
        />
        <NumberField
          label="Pieces in a pack"
          value={pack.pieces}
          {...LIMITS.pieces}
          onCommit={(pieces) => set({ pack: { ...pack, pieces } })}
        />
        <MoneyField
          label="A pack costs"
          minor={pack.priceMinor}
          onCommit={(minor) => set({ pack: { ...pack, priceMinor: minor ?? 0 } })}
        />
        <NumberField
          label="On the shelf"
          value={trimming.onShelf}
          {...WORKSHOP_LIMITS.onShelf}
          onCommit={(onShelf) => set({ onShelf })}
        />
      </div>
      <ColourField label="Colour" value={trimming.colour} onChange={(colour) => colour && set({ colour })} />
      <p className="quiet">A finished run takes off the shelf what its good cards carry.</p>
    </ThingSlip>
  );
}
