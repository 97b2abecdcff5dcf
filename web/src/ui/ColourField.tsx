import { useId, type ReactNode } from 'react';
import styled from 'styled-components';
import { Pipette } from 'lucide-react';
import { parseColour, type Colour } from '@zippy/core';
import { PlainButton } from './buttons.tsx';
import type { Read } from './fields/read.ts';
import { TypedField } from './fields/TypedField.tsx';

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
        <Figures>
          <TypedField
            label={`${label} in figures`}
            value={value}
            show={(colour) => colour ?? ''}
            read={(text) => readColour(text, label, bare !== undefined)}
            onCommit={onChange}
          />
        </Figures>
        {picker && (
          <PlainButton aria-label={`${label}: pick it off the screen`} onPress={() => void pick(onChange)}>
            <Pipette size={17} aria-hidden />
          </PlainButton>
        )}
        {bare && (
          <PlainButton isDisabled={value === null} onPress={() => onChange(null)}>
            {bare}
          </PlainButton>
        )}
      </div>
    </Row>
  );
}

/** Some browsers let a page pick a colour off the screen, such as out of a picture. Source: WICG, EyeDropper API. */
interface Picker {
  open(): Promise<{ readonly sRGBHex: string }>;
}
const picker = (globalThis as { readonly EyeDropper?: new () => Picker }).EyeDropper;

async function pick(onChange: (colour: Colour) => void): Promise<void> {
  // Whoever thinks better of it has picked nothing.
  const picked = await new picker!().open().catch(() => null);
  if (picked) onChange(picked.sRGBHex);
}

function readColour(text: string, label: string, mayBeBare: boolean): Read<Colour | null> {
  if (mayBeBare && text.trim() === '') return { ok: true, value: null };
  const parsed = parseColour(text);
  return parsed.ok ? { ok: true, value: parsed.colour } : { ok: false, why: `${label} ${parsed.why}.` };
}

/** What is typed is named for those who hear it; those who see it see a colour beside it. */
const Figures = styled.div`
  flex: 1 1 110px;
  max-width: 190px;
  label {
    position: absolute;
    clip-path: inset(50%);
  }
  /* Room for a sentence. */
  &:has([data-invalid]) {
    flex-basis: 100%;
    max-width: none;
    order: 1;
  }
  input {
    height: 34px;
  }
`;
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
  > div > input {
    width: 36px;
    height: 30px;
    padding: 1px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 4px;
    background: ${({ theme }) => theme.colour.white};
    cursor: pointer;
  }
`;
