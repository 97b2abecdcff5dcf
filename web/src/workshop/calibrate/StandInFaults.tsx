import type { ReactNode } from 'react';
import { Two } from '../../ui/ModalDialog.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { useStandIn } from '../../stores/standIn.ts';
import { ReadingField } from './ReadingField.tsx';

/** Faults of the stand-in printer, to practise on; a real printer’s are never typed, only measured. */
export function StandInFaults({ onRead }: { readonly onRead: () => void }): ReactNode {
  const { truth, setTruth, on, toggle } = useStandIn();
  const percent = (scale: number): number => (scale - 1) * 100;
  return (
    <>
      <p>
        A simulated printer, for trying this out without paper. Give it faults, read its sheet, keep the calibration,
        and see at Sheet what is left of them.
      </p>
      {(['front', 'back'] as const).map((side) => (
        <Two key={side}>
          <ReadingField
            label={`${side === 'front' ? 'Front' : 'Back'} lands right by`}
            mm={truth[side].rightMm}
            least={-20}
            most={20}
            onCommit={(mm) => setTruth({ [side]: { ...truth[side], rightMm: mm ?? 0 } })}
          />
          <ReadingField
            label={`${side === 'front' ? 'Front' : 'Back'} lands low by`}
            mm={truth[side].lowMm}
            least={-20}
            most={20}
            onCommit={(mm) => setTruth({ [side]: { ...truth[side], lowMm: mm ?? 0 } })}
          />
        </Two>
      ))}
      <Two>
        <NumberField
          label="Back turned, degrees"
          value={truth.back.turnDeg}
          least={-5}
          most={5}
          whole={false}
          onCommit={(turnDeg) => setTruth({ back: { ...truth.back, turnDeg } })}
        />
        <NumberField
          label="Prints large by, %"
          value={percent(truth.scaleAcross)}
          least={-5}
          most={5}
          whole={false}
          hint="across"
          onCommit={(n) => setTruth({ scaleAcross: 1 + n / 100 })}
        />
      </Two>
      <OnOff
        label="Its driver fits the page"
        value={truth.fitToPage}
        onChange={(fitToPage) => setTruth({ fitToPage })}
      />
      <PlainButton
        onPress={() => {
          if (!on) toggle();
          onRead();
        }}
      >
        Print and read it for me
      </PlainButton>
    </>
  );
}
