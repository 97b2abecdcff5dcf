import type { ReactNode } from 'react';
import { LIMITS, WRAP_STARTS, type LayerChoice, type LengthUnit, type Wrap, type WrapKind } from '@zippy/core';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { OnOff } from '../../ui/OnOff.tsx';

type Measure = keyof typeof LIMITS.size.wrap;

const MEASURES: Readonly<Record<WrapKind, readonly (readonly [Measure, string])[]>> = {
  tag: [
    ['widthMm', 'Width'],
    ['heightMm', 'Height'],
    ['holeMm', 'Hole across'],
    ['cornerMm', 'Corners cut off'],
  ],
  band: [
    ['heightMm', 'Height'],
    ['lapMm', 'Lap behind'],
    ['easeMm', 'Ease round the card'],
  ],
  sleeve: [
    ['lapMm', 'Lap'],
    ['easeMm', 'Ease round the pack'],
  ],
};

const SAYS: Readonly<Record<WrapKind, string>> = {
  tag: 'Hangs by its hole; cut with the rest.',
  band: 'Goes round the shut card, its thickness counted, and is held to itself behind.',
  sleeve:
    'An open tube round a pack, with an envelope for each card where there is one; as many as Sell has in a pack.',
};

/** What is asked of a tag, a band or a sleeve. */
export function WrapInputs({
  kind,
  layer,
  unit,
  onChange,
}: {
  readonly kind: WrapKind;
  readonly layer: LayerChoice;
  readonly unit: LengthUnit;
  readonly onChange: (layer: LayerChoice) => void;
}): ReactNode {
  const wrap: Wrap = { ...WRAP_STARTS[kind], ...layer.wrap };
  const set = (part: Partial<Wrap>): void => onChange({ ...layer, wrap: { ...layer.wrap, ...part } });
  return (
    <>
      <p>{SAYS[kind]}</p>
      <Two>
        {MEASURES[kind].map(([name, label]) => (
          <LengthField
            key={name}
            label={label}
            mm={wrap[name]}
            unit={unit}
            {...LIMITS.size.wrap[name]}
            onCommit={(mm) => set({ [name]: mm })}
          />
        ))}
      </Two>
      {kind === 'tag' && (
        <>
          <OnOff label="Folded, with two leaves" value={wrap.folded} onChange={(folded) => set({ folded })} />
          <OnOff label="A patch round its hole" value={wrap.patch} onChange={(patch) => set({ patch })} />
        </>
      )}
      {kind === 'band' && <OnOff label="From head to foot" value={wrap.down} onChange={(down) => set({ down })} />}
    </>
  );
}
