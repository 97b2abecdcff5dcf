import type { ReactNode } from 'react';
import { Label, Slider, SliderOutput, SliderThumb, SliderTrack } from 'react-aria-components';
import styled from 'styled-components';

/** A sliding scale that says its value. */
export function Scale({
  label,
  value,
  least,
  most,
  step,
  say,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly say: (value: number) => string;
  readonly onChange: (value: number) => void;
}): ReactNode {
  return (
    <Sliding value={value} minValue={least} maxValue={most} step={step} onChange={(v) => onChange(v as number)}>
      <Label>{label}</Label>
      <SliderOutput>{say(value)}</SliderOutput>
      <SliderTrack>
        <SliderThumb />
      </SliderTrack>
    </Sliding>
  );
}

const Sliding = styled(Slider)`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  font-size: 14px;
  label,
  > span {
    color: inherit;
  }
  output {
    font-family: ${({ theme }) => theme.font.mono};
  }
  .react-aria-SliderTrack {
    grid-column: 1 / -1;
    position: relative;
    height: 26px;
  }
  .react-aria-SliderTrack::before {
    content: '';
    position: absolute;
    inset: 12px 0 auto;
    height: 3px;
    border-radius: 2px;
    background: currentColor;
    opacity: 0.35;
  }
  .react-aria-SliderThumb {
    top: 50%;
    width: 20px;
    height: 20px;
    border: 2px solid ${({ theme }) => theme.colour.ink};
    border-radius: 50%;
    background: ${({ theme }) => theme.colour.marigold};
    cursor: grab;
  }
`;
