import type { ReactNode } from 'react';
import { Radio } from 'react-aria-components';
import { formatSize, WORKSHOP_LIMITS, type Workshop } from '@zippy/core';
import { useNewCard } from '../../stores/newCard.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { EnvelopePile } from '../../workshop/wall/stacks.tsx';
import { Sheet, Tiles } from './tiles.ts';

const TYPED = 'typed';

/** One of the shelf, or any other by its inside. */
export function HeldEnvelope({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { envelopeId, insideMm, set } = useNewCard();
  const { unit, envelopes } = workshop;
  return (
    <>
      <Tiles
        aria-label="Envelope"
        value={envelopeId ?? TYPED}
        onChange={(id) => set({ envelopeId: id === TYPED ? null : id })}
      >
        <span className="label">The card is made as large as still slides in well.</span>
        {envelopes.map((envelope) => (
          <Radio key={envelope.id} value={envelope.id}>
            <span className="drawn">
              <EnvelopePile envelope={envelope} />
            </span>
            <span>
              {envelope.name}
              <small>
                inside {formatSize(envelope.insideWidthMm, envelope.insideHeightMm, unit)}, {envelope.onShelf} there
              </small>
            </span>
          </Radio>
        ))}
        <Radio value={TYPED}>
          <span className="drawn" aria-hidden>
            ? × ?
          </span>
          <span>
            Another
            <small>measure its inside</small>
          </span>
        </Radio>
      </Tiles>
      {envelopeId === null && (
        <Sheet>
          <div className="two">
            <LengthField
              label="Inside width"
              mm={insideMm.widthMm}
              unit={unit}
              {...WORKSHOP_LIMITS.insideMm}
              onCommit={(widthMm) => set({ insideMm: { ...insideMm, widthMm } })}
            />
            <LengthField
              label="Inside height"
              mm={insideMm.heightMm}
              unit={unit}
              {...WORKSHOP_LIMITS.insideMm}
              onCommit={(heightMm) => set({ insideMm: { ...insideMm, heightMm } })}
            />
          </div>
        </Sheet>
      )}
    </>
  );
}
