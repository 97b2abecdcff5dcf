import { useId, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Colour } from '@zippy/core';
import { PlainButton } from './buttons.tsx';

/** Inks that sit well together, for a start; the well beside them takes any other. */
const SWATCHES: readonly { readonly colour: Colour; readonly name: string }[] = [
  { colour: '#1d2930', name: 'ink' },
  { colour: '#14263c', name: 'night' },
  { colour: '#1d5a68', name: 'deep water' },
  { colour: '#3f6f70', name: 'reed bed' },
  { colour: '#7b2f3f', name: 'samphire red' },
  { colour: '#c2552f', name: 'buoy' },
  { colour: '#f2b01e', name: 'lantern' },
  { colour: '#f4cfae', name: 'dawn' },
  { colour: '#cfe6e4', name: 'foam' },
  { colour: '#fdf3d8', name: 'candle' },
];

export function ColourField({
  label,
  value,
  onChange,
  bare,
}: {
  readonly label: string;
  readonly value: Colour | null;
  readonly onChange: (colour: Colour | null) => void;
  /** What to call no colour, where that is possible. */
  readonly bare?: string;
}): ReactNode {
  const id = useId();
  return (
    <Row role="group" aria-labelledby={id}>
      <span id={id}>{label}</span>
      <div>
        {SWATCHES.map((swatch) => (
          <button
            key={swatch.colour}
            type="button"
            aria-label={swatch.name}
            title={swatch.name}
            aria-pressed={swatch.colour === value}
            style={{ background: swatch.colour }}
            onClick={() => onChange(swatch.colour)}
          />
        ))}
        <input
          type="color"
          aria-label={`${label}: any colour`}
          value={value ?? '#ffffff'}
          onChange={(event) => onChange(event.target.value)}
        />
        {bare && (
          <PlainButton isDisabled={value === null} onPress={() => onChange(null)}>
            {bare}
          </PlainButton>
        )}
      </div>
    </Row>
  );
}

const Row = styled.div`
  display: grid;
  gap: 3px;
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  > div {
    display: flex;
    flex-wrap: wrap;
    gap: 5px;
    align-items: center;
  }
  > div > button[aria-pressed] {
    width: 26px;
    height: 26px;
    padding: 0;
    border: 1px solid rgb(29 41 48 / 0.45);
    border-radius: 4px;
    cursor: pointer;
  }
  > div > button[aria-pressed='true'] {
    box-shadow:
      0 0 0 2px ${({ theme }) => theme.colour.white},
      0 0 0 4px ${({ theme }) => theme.colour.ink};
  }
  input {
    width: 36px;
    height: 30px;
    padding: 1px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 4px;
    background: ${({ theme }) => theme.colour.white};
    cursor: pointer;
  }
`;
