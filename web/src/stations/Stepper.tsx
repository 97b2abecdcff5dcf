import type { ReactNode } from 'react';
import styled from 'styled-components';
import { BenchButton } from '../ui/buttons.tsx';
import { useView } from '../stores/view/index.ts';

/** One step at a time, on the bench. */
export function Stepper({ count, name }: { readonly count: number; readonly name: string }): ReactNode {
  const step = Math.min(
    useView((s) => s.step),
    Math.max(0, count - 1),
  );
  const goToStep = useView((s) => s.goToStep);
  if (count === 0) return null;
  return (
    <>
      <BenchButton aria-label={`${name} before`} isDisabled={step === 0} onPress={() => goToStep(step - 1)}>
        ‹
      </BenchButton>
      <Where aria-live="polite">
        {name} {step + 1} of {count}
      </Where>
      <BenchButton
        aria-label={`Next ${name.toLowerCase()}`}
        isDisabled={step >= count - 1}
        onPress={() => goToStep(step + 1)}
      >
        ›
      </BenchButton>
    </>
  );
}

const Where = styled.span`
  min-width: 104px;
  text-align: center;
`;

/** Numbered steps in the slip; pressing one shows it on the bench. */
export const StepList = styled.ol`
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
  button {
    display: grid;
    grid-template-columns: 28px 1fr;
    gap: 4px 8px;
    width: 100%;
    padding: 8px 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 5px;
    background: ${({ theme }) => theme.colour.white};
    text-align: left;
    cursor: pointer;
  }
  button[aria-current='step'] {
    border-color: ${({ theme }) => theme.colour.marigoldDeep};
    background: ${({ theme }) => theme.colour.marigoldWash};
  }
  .n {
    grid-row: span 2;
    font: 700 18px/1.3 ${({ theme }) => theme.font.mono};
  }
  .big {
    font: 700 18px/1.3 ${({ theme }) => theme.font.mono};
  }
  .turn {
    margin-left: 8px;
    color: ${({ theme }) => theme.colour.plum};
    font: 400 14px/1.3 ${({ theme }) => theme.font.text};
  }
  .text {
    font-size: 14px;
    line-height: 1.35;
  }
`;

export const Caution = styled.p`
  padding: 9px 12px;
  border: 1px solid ${({ theme }) => theme.colour.ink};
  border-left: 10px solid ${({ theme }) => theme.colour.marigold};
  font-size: 14px;
`;
