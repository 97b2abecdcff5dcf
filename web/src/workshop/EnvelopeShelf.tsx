import type { ReactNode } from 'react';
import { WORKSHOP_LIMITS, formatSize, ISO_C6, type ShelfEnvelope, type Workshop } from '@zippy/core';
import { useWorkshop } from '../stores/workshop.ts';
import { ColourField } from '../ui/ColourField.tsx';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { MoneyField } from '../ui/fields/MoneyField.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { PlainButton, Quiet } from '../ui/buttons.tsx';
import { Two } from '../ui/ModalDialog.tsx';
import { Name, Thing } from './Thing.tsx';

export function EnvelopeShelf({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const change = useWorkshop((s) => s.change);
  const takeAway = useWorkshop((s) => s.takeAway);
  const { unit } = workshop;
  const setEnvelope = (id: string, part: Partial<ShelfEnvelope>): void =>
    void change({ ...workshop, envelopes: workshop.envelopes.map((e) => (e.id === id ? { ...e, ...part } : e)) });
  const addEnvelope = (): void =>
    void change({
      ...workshop,
      envelopes: [
        ...workshop.envelopes,
        {
          id: crypto.randomUUID().slice(0, 8),
          name: 'New envelope',
          ...ISO_C6,
          colour: '#fffdf8',
          priceMinor: 0,
          onShelf: 0,
        },
      ],
    });
  return (
    <section aria-labelledby="envelopes">
      <header>
        <h2 id="envelopes">On the shelf: envelopes</h2>
        <PlainButton onPress={addEnvelope}>Add an envelope</PlainButton>
      </header>
      <div className="cards">
        {workshop.envelopes.map((envelope) => (
          <Thing
            key={envelope.id}
            id={envelope.id}
            colour={envelope.colour}
            title={envelope.name}
            facts={`inside ${formatSize(envelope.insideWidthMm, envelope.insideHeightMm, unit)}`}
            count={`${envelope.onShelf}`}
          >
            <Name value={envelope.name} onCommit={(name) => setEnvelope(envelope.id, { name })} />
            <Two>
              <LengthField
                label="Inside width"
                mm={envelope.insideWidthMm}
                unit={unit}
                {...WORKSHOP_LIMITS.insideMm}
                onCommit={(insideWidthMm) => setEnvelope(envelope.id, { insideWidthMm })}
              />
              <LengthField
                label="Inside height"
                mm={envelope.insideHeightMm}
                unit={unit}
                {...WORKSHOP_LIMITS.insideMm}
                onCommit={(insideHeightMm) => setEnvelope(envelope.id, { insideHeightMm })}
              />
              <MoneyField
                label="Price of one"
                minor={envelope.priceMinor}
                onCommit={(m) => setEnvelope(envelope.id, { priceMinor: m ?? 0 })}
              />
              <NumberField
                label="On the shelf"
                value={envelope.onShelf}
                {...WORKSHOP_LIMITS.onShelf}
                onCommit={(onShelf) => setEnvelope(envelope.id, { onShelf })}
              />
            </Two>
            <ColourField
              label="Colour"
              value={envelope.colour}
              onChange={(colour) => colour && setEnvelope(envelope.id, { colour })}
            />
            <Quiet onPress={() => takeAway('envelopes', envelope)}>Take it off the shelf</Quiet>
          </Thing>
        ))}
      </div>
    </section>
  );
}
