import type { ReactNode } from 'react';
import { Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { useNewCard, type WayIn } from '../../stores/newCard.ts';

const WAYS: readonly { readonly id: WayIn; readonly name: string; readonly mark: string }[] = [
  { id: 'form', name: 'Only an idea', mark: 'M6 40 L22 8 L42 8 L26 40 Z M22 8 L22 14 M26 40 L54 40 L42 8' },
  { id: 'envelope', name: 'An envelope', mark: 'M4 12 H56 V42 H4 Z M4 12 L30 30 L56 12' },
  {
    id: 'sample',
    name: 'A card to match',
    mark: 'M10 6 H34 V34 H10 Z M4 40 H56 V46 H4 Z M12 40 v3 M20 40 v4 M28 40 v3 M36 40 v4 M44 40 v3',
  },
  {
    id: 'pack',
    name: 'Blank cards',
    mark: 'M6 32 L22 20 H54 L38 32 Z M6 32 V42 H38 L54 30 V20 M6 37 H38 L54 25 M14 26 H46',
  },
  {
    id: 'picture',
    name: 'A picture',
    mark: 'M6 8 H54 V42 H6 Z M6 36 L22 22 L32 31 L41 24 L54 35 M40 17 a4 4 0 1 0 8 0 a4 4 0 1 0 -8 0',
  },
  { id: 'earlier', name: 'An earlier job', mark: 'M6 16 H38 V44 H6 Z M14 16 V8 H46 V36 H38 M22 8 V4 H54 V30 H46' },
];

/** What a card can begin with, as things to hold. */
export function WaysIn(): ReactNode {
  const { way, set } = useNewCard();
  return (
    <Group aria-label="What you hold" value={way} onChange={(id) => set({ way: id as WayIn })} orientation="horizontal">
      {WAYS.map(({ id, name, mark }) => (
        <Radio key={id} value={id}>
          <svg viewBox="0 0 60 48" width={60} height={48} aria-hidden>
            <path d={mark} />
          </svg>
          {name}
        </Radio>
      ))}
    </Group>
  );
}

const Group = styled(RadioGroup)`
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px;
  label {
    display: grid;
    justify-items: center;
    gap: 4px;
    padding: 10px 6px;
    border: 1px solid ${({ theme }) => theme.colour.slateLine};
    border-radius: ${({ theme }) => theme.radius};
    text-align: center;
    cursor: pointer;
  }
  path {
    fill: none;
    stroke: currentColor;
    stroke-width: 2;
    stroke-linejoin: round;
  }
  label[data-hovered] {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  label[data-selected] {
    background: ${({ theme }) => theme.colour.marigold};
    border-color: ${({ theme }) => theme.colour.marigold};
    color: ${({ theme }) => theme.colour.ink};
    font-weight: 700;
  }
`;
