import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { BenchButton } from '../ui/buttons.tsx';

/** One of many, gone through one by one. */
export function Turner({
  name,
  number,
  of,
  onChange,
}: {
  readonly name: string;
  /** Counted from one. */
  readonly number: number;
  readonly of: number;
  readonly onChange: (number: number) => void;
}): ReactNode {
  return (
    <Group role="group" aria-label={name}>
      <BenchButton aria-label={`${name} before`} isDisabled={number <= 1} onPress={() => onChange(number - 1)}>
        <ChevronLeft size={18} aria-hidden />
      </BenchButton>
      <span>
        {name} {number} of {of}
      </span>
      <BenchButton aria-label={`${name} after`} isDisabled={number >= of} onPress={() => onChange(number + 1)}>
        <ChevronRight size={18} aria-hidden />
      </BenchButton>
    </Group>
  );
}

const Group = styled.div`
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
  > button {
    min-width: 38px;
    padding: 6px 8px;
  }
`;
