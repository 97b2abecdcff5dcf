import type { ReactNode } from 'react';
import type { Foil, LayerChoice, Plan, Workshop } from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { FeedPick } from '../FeedPick.tsx';

/** Foils as most shelves have them, each about as it looks from the front. */
const FOILS: readonly Foil[] = [
  { name: 'Gold foil', colour: '#c79a2e' },
  { name: 'Silver foil', colour: '#a9b0b6' },
  { name: 'Copper foil', colour: '#b06a3b' },
  { name: 'Rose foil', colour: '#c48a80' },
  { name: 'Blue foil', colour: '#2f5c9c' },
  { name: 'Green foil', colour: '#2f7d5b' },
];

/** How a panel’s picture comes onto it: printed as it is, or as what shines; and what prints it. */
export function PanelPrint({
  layer,
  print,
  workshop,
  onChange,
}: {
  readonly layer: LayerChoice;
  readonly print: Plan['sheet']['layers'][number]['print'];
  readonly workshop: Workshop;
  readonly onChange: (layer: LayerChoice) => void;
}): ReactNode {
  const foil = layer.foil ?? null;
  const feed = layer.feed ?? null;
  return (
    <>
      <Choice
        label="It comes as"
        value={foil ? 'foil' : 'print'}
        options={[
          { id: 'print', name: 'Print' },
          { id: 'foil', name: 'Toner foil' },
        ]}
        onChange={(as) => onChange({ ...layer, foil: as === 'foil' ? FOILS[0]! : null })}
      />
      {foil && (
        <>
          <Pick
            label="Foil"
            value={FOILS.find(({ name }) => name === foil.name)?.name ?? null}
            placeholder={foil.name}
            sections={[
              { heading: null, options: FOILS.map(({ name, colour }) => ({ id: name, name, swatch: colour })) },
            ]}
            onChange={(name) => onChange({ ...layer, foil: FOILS.find((one) => one.name === name)! })}
          />
          <ColourField
            label="As it looks"
            value={foil.colour}
            onChange={(colour) => colour && onChange({ ...layer, foil: { ...foil, colour } })}
          />
          <p>
            What is darker than half in the picture shines. It is printed in black toner, and the foil melts onto that.
          </p>
        </>
      )}
      <FeedPick
        label="Printed on"
        value={feed}
        workshop={workshop}
        nearest={print && !feed ? `${print.printer.name}, ${print.path.name}` : 'whatever takes it'}
        onChange={(next) => onChange({ ...layer, feed: next })}
      />
    </>
  );
}
