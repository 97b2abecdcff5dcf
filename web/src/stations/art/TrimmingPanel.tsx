import type { ReactNode } from 'react';
import { adhesivesOf, formatLength, LIMITS, trimmingsOf, type TrimmingChoice } from '@zippy/core';
import { PlainButton } from '../../ui/buttons.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Row, Two } from '../../ui/ModalDialog.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { HeldWith } from '../HeldWith.tsx';
import type { StationProps } from '../parts.ts';
import { InHand } from './InHand.tsx';
import { useTrimmings } from './useTrimmings.ts';

/** Everything about the trimming in hand. */
export function TrimmingPanel({
  job,
  workshop,
  choice,
}: StationProps & { readonly choice: TrimmingChoice }): ReactNode {
  const { set, remove, add } = useTrimmings(job);
  const { unit } = workshop;
  const { id, trimmingId, adhesiveId, xMm, yMm, turnDeg = 0 } = choice;
  const trimming = trimmingsOf(workshop).find((one) => one.id === trimmingId);
  const { id: _own, ...facts } = choice;
  const place = (label: string, name: 'xMm' | 'yMm', mm: number): ReactNode => (
    <LengthField
      label={label}
      mm={mm}
      unit={unit}
      {...LIMITS.art.placeMm}
      onCommit={(to) => set(id, name === 'xMm' ? { xMm: to } : { yMm: to })}
    />
  );
  return (
    <InHand aria-label="Trimming in hand">
      <Pick
        label="Trimming"
        value={trimmingId}
        sections={[
          {
            heading: null,
            options: trimmingsOf(workshop).map((one) => ({
              id: one.id,
              name: one.name,
              note: `${one.onShelf} there, stands ${formatLength(one.thickMm, unit)}`,
              swatch: one.colour,
            })),
          },
        ]}
        onChange={(chosen) => set(id, { trimmingId: chosen })}
      />
      <HeldWith
        label="Held with"
        adhesives={adhesivesOf(workshop)}
        nothing={trimming?.kind === 'brad' ? 'Its own legs' : 'Whatever is at hand'}
        value={adhesiveId}
        onChange={(chosen) => set(id, { adhesiveId: chosen })}
      />
      <Two>
        {place('Middle, from the left', 'xMm', xMm)}
        {place('Middle, from the top', 'yMm', yMm)}
        <NumberField
          label="Turned, °"
          value={turnDeg}
          {...LIMITS.trimmings.turnDeg}
          onCommit={(to) => set(id, { turnDeg: to })}
        />
      </Two>
      <Row>
        <PlainButton onPress={() => add({ ...facts, xMm: xMm + (trimming?.widthMm ?? 10) * 1.2 })}>
          One more beside it
        </PlainButton>
        <PlainButton onPress={() => remove(id, trimming?.name ?? 'The trimming')}>Take off</PlainButton>
      </Row>
    </InHand>
  );
}
