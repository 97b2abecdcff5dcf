import type { ReactNode } from 'react';
import { ADHESIVE_KINDS, ADHESIVE_UNITS, CAUTIONS, WORKSHOP_LIMITS, type Adhesive, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { ADHESIVE_NAMES } from '../kindNames.ts';
import { ThingSlip } from './ThingSlip.tsx';

const LIMITS = WORKSHOP_LIMITS.adhesive;
const KINDS = [{ heading: null, options: ADHESIVE_KINDS.map((id) => ({ id, name: ADHESIVE_NAMES[id] })) }];
const HOLDS = { g: 'Grams in a pack', m: 'Metres on a roll', pieces: 'Pieces in a pack' } as const;
const CAUTION_OF = { wet: CAUTIONS.glue, spray: CAUTIONS.sprayGlue, hot: CAUTIONS.hotGlue } as const;

/** What holds pieces together: as its packet says, where that says more than our starting values. */
export function AdhesiveSlip({
  thing: adhesive,
  workshop,
}: {
  readonly thing: Adhesive;
  readonly workshop: Workshop;
}): ReactNode {
  const { unit } = workshop;
  const { pack, kind } = adhesive;
  const set = (part: Partial<Adhesive>): void => useWorkshop.getState().alter('adhesives', adhesive.id, part);
  const caution = kind === 'wet' || kind === 'spray' || kind === 'hot' ? CAUTION_OF[kind] : null;
  return (
    <ThingSlip shelf="adhesives" thing={adhesive} workshop={workshop}>
      <Pick
        label="What it is"
        value={kind}
        sections={KINDS}
        onChange={(chosen) => set({ kind: ADHESIVE_KINDS.find((one) => one === chosen)! })}
      />
      <div className="two">
        <LengthField
          label={ADHESIVE_UNITS[kind] === 'pieces' ? 'One is across' : 'Wide, as it is laid'}
          mm={adhesive.widthMm}
          unit={unit}
          {...LIMITS.widthMm}
          onCommit={(widthMm) => set({ widthMm })}
        />
        <LengthField
          label="Lifts by"
          mm={adhesive.thickMm}
          unit={unit}
          {...LIMITS.thickMm}
          onCommit={(thickMm) => set({ thickMm })}
        />
        <NumberField
          label="A cm² bears, g"
          value={adhesive.bearsGramsPerCm2}
          {...LIMITS.bearsGramsPerCm2}
          onCommit={(bearsGramsPerCm2) => set({ bearsGramsPerCm2 })}
        />
        <LengthField
          label="Kept off edges"
          mm={adhesive.offEdgeMm}
          unit={unit}
          {...LIMITS.offEdgeMm}
          onCommit={(offEdgeMm) => set({ offEdgeMm })}
        />
        <NumberField
          label="Can be moved, min"
          whole={false}
          value={adhesive.openMinutes}
          {...LIMITS.openMinutes}
          onCommit={(openMinutes) => set({ openMinutes })}
        />
        <NumberField
          label="Dry after, min"
          value={adhesive.dryMinutes}
          {...LIMITS.dryMinutes}
          onCommit={(dryMinutes) => set({ dryMinutes })}
        />
        <NumberField
          label={HOLDS[ADHESIVE_UNITS[kind]]}
          whole={false}
          value={pack.holds}
          {...LIMITS.holds}
          onCommit={(holds) => set({ pack: { ...pack, holds } })}
        />
        <MoneyField
          label="It costs"
          minor={pack.priceMinor}
          onCommit={(minor) => set({ pack: { ...pack, priceMinor: minor ?? 0 } })}
        />
      </div>
      <p className="quiet">What its own packet says comes before these figures.{caution ? ` ${caution}` : ''}</p>
    </ThingSlip>
  );
}
