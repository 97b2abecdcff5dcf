import { Columns3 } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';

/** A step less, as it is, a step more: three side by side on the bench’s face, one press to keep one. */
export function Tries({
  label,
  value,
  step,
  least,
  most,
  say,
  onChange,
  onCompare,
}: {
  readonly label: string;
  readonly value: number;
  readonly step: number;
  readonly least: number;
  readonly most: number;
  readonly say: (value: number) => string;
  readonly onChange: (value: number) => void;
  readonly onCompare: (values: readonly number[]) => void;
}): ReactNode {
  const tries = [value - step, value, value + step].map(
    (v) => Math.round(Math.min(most, Math.max(least, v)) * 1000) / 1000,
  );
  return (
    <Three role="group" aria-label={label}>
      <span>{label}</span>
      {tries.map((one, i) => (
        <button
          key={i}
          type="button"
          aria-pressed={i === 1}
          disabled={i !== 1 && one === value}
          onClick={() => onChange(one)}
        >
          <span className="sign">{['↓', '', '↑'][i]}</span>
          {say(one)}
        </button>
      ))}
      <button
        type="button"
        aria-label={`${label}: three side by side`}
        title="Three side by side"
        onClick={() => onCompare(tries)}
      >
        <Columns3 size={16} aria-hidden />
      </button>
    </Three>
  );
}

const Three = styled.div`
  display: grid;
  grid-template-columns: 1fr repeat(3, 64px) 38px;
  gap: 4px;
  align-items: center;
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  button {
    min-height: 34px;
    padding: 0;
    white-space: nowrap;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.white};
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 14px;
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
  .sign {
    opacity: 0.7;
  }
`;
