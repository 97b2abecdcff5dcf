import type { ReactNode } from 'react';
import type { LengthUnit, TextBlock } from '@zippy/core';
import { PlainButton } from '../../ui/buttons.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { OnOff } from '../../ui/OnOff.tsx';

/** Words along an arc. */
export function OnArc({
  text,
  unit,
  set,
}: {
  readonly text: TextBlock;
  readonly unit: LengthUnit;
  readonly set: (part: Partial<TextBlock>) => void;
}): ReactNode {
  return (
    <>
      <OnOff
        label="On an arc"
        value={Boolean(text.arcMm)}
        onChange={(on) => set({ arcMm: on ? Math.round(text.widthMm) : null })}
      />
      {text.arcMm ? (
        <Row>
          <LengthField
            label="Radius"
            mm={Math.abs(text.arcMm)}
            unit={unit}
            least={5}
            most={5000}
            onCommit={(mm) => set({ arcMm: Math.sign(text.arcMm!) * mm })}
          />
          <PlainButton onPress={() => set({ arcMm: -text.arcMm! })}>Bend it the other way</PlainButton>
        </Row>
      ) : null}
    </>
  );
}
