import type { ReactNode } from 'react';
import styled from 'styled-components';
import { alignmentShifts, evenShifts, evenSpan, idOf, type Alignment, type Box, type LaidItem } from '@zippy/core';
import { PlainButton } from '../../ui/buttons.tsx';
import { seenBox, type FaceInHand } from './useFace.ts';

const ALIGNMENTS: readonly (readonly [Alignment, string, string])[] = [
  ['left', 'Left', 'M2 1V15M5 4H13V7H5ZM5 9H10V12H5Z'],
  ['centre', 'Centre', 'M8 1V15M3 4H13V7H3ZM5 9H11V12H5Z'],
  ['right', 'Right', 'M14 1V15M3 4H11V7H3ZM6 9H11V12H6Z'],
  ['top', 'Top', 'M1 2H15M4 5V13H7V5ZM9 5V10H12V5Z'],
  ['middle', 'Middle', 'M1 8H15M4 3V13H7V3ZM9 5V11H12V5Z'],
  ['bottom', 'Foot', 'M1 14H15M4 3V11H7V3ZM9 6V11H12V6Z'],
];

/** Lines up what is picked out and not locked, with the face and with each other. */
export function Aligns({
  hand: { face, move },
  free,
}: {
  readonly hand: FaceInHand;
  readonly free: readonly LaidItem[];
}): ReactNode {
  const ground = { widthMm: face.face.widthMm, heightMm: face.face.heightMm, safe: face.safe };
  return (
    <Presses role="group" aria-label="Place on the face">
      {ALIGNMENTS.map(([how, name, d]) => (
        <button
          key={how}
          type="button"
          aria-label={`${name} of the face`}
          title={`${name} of the face`}
          disabled={free.length === 0}
          onClick={() => {
            const shifts = alignmentShifts(free.map(seenBox), how, ground);
            move(new Map(free.map((item, i) => [idOf(item), shifts[i]!])));
          }}
        >
          <svg viewBox="0 0 16 16" width={18} height={18} aria-hidden>
            <path d={d} />
          </svg>
        </button>
      ))}
      <PlainButton
        isDisabled={free.length < 3}
        onPress={() => {
          const shifts = evenShifts(spansOf(free));
          move(new Map(free.map((item, i) => [idOf(item), { xMm: 0, yMm: shifts[i]! }])));
        }}
      >
        Even gaps
      </PlainButton>
    </Presses>
  );
}

/** What counts of each thing when gaps are made even: of words, their baselines. */
function spansOf(items: readonly LaidItem[]): readonly Box[] {
  const amongWords = items.every(({ kind }) => kind === 'text');
  return items.map((item) =>
    evenSpan(seenBox(item), item.kind === 'text' ? item.set.lines.map((line) => line.at.yMm) : [], amongWords),
  );
}

const Presses = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  > button:not(:last-child) {
    display: grid;
    place-items: center;
    width: 34px;
    height: 38px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.white};
    cursor: pointer;
  }
  > button:disabled {
    opacity: 0.45;
    cursor: default;
  }
  path {
    fill: ${({ theme }) => theme.colour.teal};
    stroke: ${({ theme }) => theme.colour.ink};
    stroke-width: 1;
  }
`;
