import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  fixed,
  formatLength,
  MM_PER_INCH,
  sayOff,
  type LengthUnit,
  type Measurable,
  type MeasuredPiece,
  type Mm,
} from '@zippy/core';
import { PlainButton, Quiet } from '../ui/buttons.tsx';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { WordsField } from '../ui/fields/WordsField.tsx';
import { ModalDialog } from '../ui/ModalDialog.tsx';
import { ScanPieces } from './ScanPieces.tsx';

type Taken = Pick<MeasuredPiece, 'offMm' | 'downMm'> & { readonly id: string };

const WAYS = {
  along: { minus: 'too short', plus: 'too long' },
  across: { minus: 'left', plus: 'right' },
  down: { minus: 'high', plus: 'low' },
} as const;

/** The finest that a rule of this unit shows. */
const stepOf = (unit: LengthUnit): Mm => (unit === 'mm' ? 0.1 : MM_PER_INCH / 64);
const MOST_OFF_MM = 20;

/**
 * Pieces measured one after the other, two keys each: which way they are off, and by how many tenths (or
 * sixty-fourths). Of a back, first sideways and then up or down.
 */
export function MeasureDialog({
  isOpen,
  onClose,
  title,
  measurable,
  setMm,
  unit,
  region,
  taken,
  by,
  onBy,
  onTake,
  onTakeBack,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly measurable: Measurable;
  /** What the tool is set to, where that is not what is wanted. */
  readonly setMm: Mm;
  readonly unit: LengthUnit;
  readonly region: string | undefined;
  readonly taken: readonly Taken[];
  readonly by: string;
  readonly onBy: (name: string) => void;
  readonly onTake: (off: { readonly offMm: Mm; readonly downMm?: Mm }) => void;
  readonly onTakeBack: (id: string) => void;
}): ReactNode {
  const { on, wantedMm } = measurable;
  const isBack = on === 'paths';
  const [sign, setSign] = useState<1 | -1 | null>(null);
  const [acrossMm, setAcrossMm] = useState<Mm | null>(null);
  useEffect(() => {
    if (isOpen) return;
    setSign(null);
    setAcrossMm(null);
  }, [isOpen]);
  const ways = WAYS[!isBack ? 'along' : acrossMm === null ? 'across' : 'down'];
  const take = (steps: number): void => {
    const offMm = steps * stepOf(unit);
    setSign(null);
    if (!isBack) return onTake({ offMm });
    if (acrossMm === null) return setAcrossMm(offMm);
    onTake({ offMm: acrossMm, downMm: offMm });
    setAcrossMm(null);
  };
  const press = (key: string): boolean => {
    if (key === '-' || key === '−') setSign(-1);
    else if (key === '+') setSign(1);
    else if (key === '0') take(0);
    else if (/^[1-9]$/.test(key) && sign !== null) take(sign * Number(key));
    else return false;
    return true;
  };
  useEffect(() => {
    if (!isOpen) return;
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      if (event.target instanceof HTMLInputElement) return;
      if (press(event.key)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  const mean = taken.length === 0 ? 0 : taken.reduce((n, { offMm }) => n + offMm, 0) / taken.length;
  const downMean = taken.length === 0 ? 0 : taken.reduce((n, { downMm = 0 }) => n + downMm, 0) / taken.length;
  return (
    <ModalDialog title={`Measure: ${title}`} isOpen={isOpen} onClose={onClose}>
      <p>
        {isBack
          ? 'Hold a sheet to the light, front towards you: how far does the back lie from the front?'
          : on === 'boards'
            ? `From the edge that lay at the stop to the fold: wanted ${formatLength(wantedMm, unit)}.`
            : `Across the piece that lay at the fence: wanted ${formatLength(wantedMm, unit)}${Math.abs(setMm - wantedMm) > 0.01 ? `, fence at ${formatLength(setMm, unit)}` : ''}.`}
      </p>
      <Pad>
        <div className="ways">
          <PlainButton aria-pressed={sign === -1} onPress={() => setSign(-1)}>
            − {ways.minus}
          </PlainButton>
          <PlainButton onPress={() => take(0)}>0 true</PlainButton>
          <PlainButton aria-pressed={sign === 1} onPress={() => setSign(1)}>
            + {ways.plus}
          </PlainButton>
        </div>
        <div className="tenths" role="group" aria-label={unit === 'mm' ? 'Tenths of a millimetre' : 'Sixty-fourths'}>
          {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => (
            <PlainButton key={n} isDisabled={sign === null} onPress={() => take(sign! * n)}>
              {unit === 'mm' ? fixed(n / 10, 1) : n}
            </PlainButton>
          ))}
        </div>
      </Pad>
      <p role="status">
        {sign !== null
          ? `${acrossMm === null ? '' : 'Now up or down. '}By how many ${unit === 'mm' ? 'tenths' : 'sixty-fourths of an inch'} ${sign > 0 ? ways.plus : ways.minus}?`
          : acrossMm !== null
            ? 'Now up or down.'
            : taken.length === 0
              ? `Two keys each: − or +, then ${unit === 'mm' ? 'tenths' : 'sixty-fourths'}. 0 is true.`
              : `${taken.length} taken down; on the whole ${isBack ? sayBack(mean, downMean) : sayOff(mean, unit)}.`}
      </p>
      {!isBack && (
        <LengthField
          key={taken.length}
          label="Or as the rule reads"
          mm={wantedMm}
          unit={unit}
          least={Math.max(0, wantedMm - MOST_OFF_MM)}
          most={wantedMm + MOST_OFF_MM}
          onCommit={(mm) => onTake({ offMm: mm - wantedMm })}
        />
      )}
      {on === 'trimmers' && (
        <ScanPieces {...{ wantedMm, unit, region }} onTake={(offsMm) => offsMm.forEach((offMm) => onTake({ offMm }))} />
      )}
      {taken.length > 0 && (
        <Readings aria-label="Taken down">
          {taken.map(({ id, offMm, downMm }, i) => (
            <li key={id}>
              {isBack ? sayBack(offMm, downMm ?? 0) : sayOff(offMm, unit)}
              {i === taken.length - 1 && <Quiet onPress={() => onTakeBack(id)}>Take back</Quiet>}
            </li>
          ))}
        </Readings>
      )}
      <WordsField
        label="Measured and made by"
        value={by}
        hint="Leave it empty where you work alone. Each pair of hands has a habit of its own."
        onChange={onBy}
      />
    </ModalDialog>
  );
}

const sayBack = (rightMm: Mm, downMm: Mm): string => {
  const parts = [
    ...(Math.abs(rightMm) < 0.05 ? [] : [`${fixed(Math.abs(rightMm), 1)} mm ${rightMm > 0 ? 'right' : 'left'}`]),
    ...(Math.abs(downMm) < 0.05 ? [] : [`${fixed(Math.abs(downMm), 1)} mm ${downMm > 0 ? 'low' : 'high'}`]),
  ];
  return parts.length === 0 ? 'true' : parts.join(', ');
};

const Pad = styled.div`
  display: grid;
  gap: 8px;
  .ways {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 8px;
  }
  .tenths {
    display: grid;
    grid-template-columns: repeat(9, minmax(0, 1fr));
    gap: 6px;
  }
  button {
    min-height: 54px;
    padding: 4px;
    font-size: 18px;
  }
  button[aria-pressed='true'] {
    border-color: ${({ theme }) => theme.colour.ink};
    background: ${({ theme }) => theme.colour.marigold};
  }
  .tenths button {
    font-family: ${({ theme }) => theme.font.mono};
  }
`;

const Readings = styled.ol`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 3px 9px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 4px;
  }
`;
