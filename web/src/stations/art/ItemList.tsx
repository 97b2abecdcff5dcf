import { ArrowDown, ArrowUp, Lock, LockOpen, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { idOf, type Job, type LaidItem } from '@zippy/core';
import { PlainButton } from '../../ui/buttons.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { sayItem } from './handles/sayItem.ts';
import { handleThings } from './useArtKeys.ts';
import { Aligns } from './Aligns.tsx';
import { isLocked, type FaceInHand } from './useFace.ts';

/** Everything on a face from front to back, with what can be done to where it lies. */
export function ItemList({ hand, job }: { readonly hand: FaceInHand; readonly job: Job }): ReactNode {
  const { items, picked, setFace, setThings, remove, pick, pickAlso } = hand;
  if (items.length === 0) return null;
  const order = items.map(idOf);
  const swap = (i: number, k: number): void => {
    const next = [...order];
    [next[i], next[k]] = [next[k]!, next[i]!];
    setFace({ order: next });
  };
  const isPicked = (item: LaidItem): boolean => picked.some((one) => idOf(one) === idOf(item));
  // What is done to one of several that are picked out is done to all of them.
  const withIt = (item: LaidItem): readonly LaidItem[] => (isPicked(item) ? picked : [item]);
  const free = picked.filter((item) => !isLocked(item));
  const does = handleThings(hand, job);
  const front = [...items].reverse();
  return (
    <>
      <List aria-label="On this face, front to back">
        {front.map((item, k) => {
          const i = items.length - 1 - k;
          const name = sayItem(item);
          return (
            <li key={idOf(item)} data-picked={isPicked(item) || undefined}>
              <button
                type="button"
                className="name"
                aria-label={name}
                aria-pressed={isPicked(item)}
                onClick={(event) =>
                  event.shiftKey || event.ctrlKey || event.metaKey ? pickAlso(idOf(item)) : pick(idOf(item))
                }
              >
                {item.kind === 'text' ? item.block.text.replaceAll('\n', ' ') || '(empty)' : name}
              </button>
              <button
                type="button"
                aria-label={`${name}: bring forward`}
                disabled={k === 0}
                onClick={() => swap(i, i + 1)}
              >
                <ArrowUp size={15} aria-hidden />
              </button>
              <button
                type="button"
                aria-label={`${name}: put behind`}
                disabled={k === front.length - 1}
                onClick={() => swap(i, i - 1)}
              >
                <ArrowDown size={15} aria-hidden />
              </button>
              <button
                type="button"
                aria-label={`${name}: ${isLocked(item) ? 'let go' : 'lock'}`}
                aria-pressed={isLocked(item)}
                onClick={() => setThings(withIt(item).map(idOf), { locked: !isLocked(item) })}
              >
                {isLocked(item) ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
              </button>
              <button
                type="button"
                aria-label={`${name}: take off`}
                disabled={isLocked(item)}
                onClick={() =>
                  remove(
                    withIt(item)
                      .filter((one) => !isLocked(one))
                      .map(idOf),
                  )
                }
              >
                <Trash2 size={15} aria-hidden />
              </button>
            </li>
          );
        })}
      </List>
      <Aligns {...{ hand, free }} />
      <Row role="group" aria-label="What is picked out">
        <PlainButton isDisabled={picked.length === 0} onPress={() => void does.cut()}>
          Cut
        </PlainButton>
        <PlainButton isDisabled={picked.length === 0} onPress={() => void does.copy()}>
          Copy
        </PlainButton>
        <PlainButton onPress={() => does.paste()}>Paste</PlainButton>
        <PlainButton isDisabled={picked.length === 0} onPress={() => void does.double()}>
          Double
        </PlainButton>
      </Row>
      {items.length > 1 && (
        <Quietly>
          {picked.length > 1
            ? `${picked.length} picked out: they move, line up and lock together.`
            : 'Shift picks several, here or on the bench; a frame dragged round them does too.'}
        </Quietly>
      )}
    </>
  );
}

const Quietly = styled.p`
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 14px;
`;
const List = styled.ul`
  display: grid;
  margin: 0;
  padding: 0;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: ${({ theme }) => theme.radius};
  background: ${({ theme }) => theme.colour.white};
  list-style: none;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) repeat(4, 30px);
    align-items: center;
    min-height: 36px;
    padding-left: 4px;
  }
  li + li {
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
  }
  li[data-picked] {
    background: ${({ theme }) => theme.colour.paperShade};
    box-shadow: inset 3px 0 ${({ theme }) => theme.colour.marigold};
  }
  button {
    display: grid;
    place-items: center;
    height: 34px;
    border: 0;
    background: none;
    color: ${({ theme }) => theme.colour.ink};
    cursor: pointer;
  }
  button:disabled {
    opacity: 0.3;
    cursor: default;
  }
  .name {
    display: block;
    overflow: hidden;
    padding: 0 6px;
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;
