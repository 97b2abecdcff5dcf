import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Clash, Spoken } from '@zippy/core';
import { Choice } from '../ui/Choice.tsx';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { Row, ModalDialog } from '../ui/ModalDialog.tsx';
import { sayPlace, sayValue } from './sayClash.ts';

/** Decisions that were changed here and elsewhere, to different ends: both are shown, and one of each is chosen. */
export default function ClashDialog({
  what,
  clashes,
  spoken,
  onSettle,
  onKeepBoth,
}: {
  readonly what: string;
  readonly clashes: readonly Clash[];
  readonly spoken: Spoken;
  /** @param theirsAt keys of those in which the other copy stands */
  readonly onSettle: (theirsAt: ReadonlySet<string>) => void;
  readonly onKeepBoth?: () => Promise<void>;
}): ReactNode {
  const [theirsAt, setTheirsAt] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string | null>(null);
  const choose = (key: string, side: 'mine' | 'theirs'): void => {
    const next = new Set(theirsAt);
    if (side === 'theirs') next.add(key);
    else next.delete(key);
    setTheirsAt(next);
  };
  return (
    <ModalDialog title={`${what} was changed in two places`} isOpen wide>
      <p>
        {clashes.length === 1 ? 'One decision was' : `${clashes.length} decisions were`} made here and elsewhere, and
        not alike. Everything else is joined.
      </p>
      <Clashes>
        {clashes.map((clash) => {
          const field = clash.place.at(-1) ?? '';
          return (
            <Choice
              key={clash.key}
              label={sayPlace(clash)}
              value={theirsAt.has(clash.key) ? 'theirs' : 'mine'}
              options={[
                { id: 'mine', name: `Here: ${sayValue(clash.mine, field, spoken)}` },
                { id: 'theirs', name: `Elsewhere: ${sayValue(clash.theirs, field, spoken)}` },
              ]}
              onChange={(side) => choose(clash.key, side)}
            />
          );
        })}
      </Clashes>
      {problem && <p role="alert">{problem}</p>}
      <Row>
        <DoNow onPress={() => onSettle(theirsAt)}>Go on with these</DoNow>
        {onKeepBoth && (
          <PlainButton onPress={() => void onKeepBoth().catch((why: unknown) => setProblem((why as Error).message))}>
            Go on with what is here, and keep the other as a job of its own
          </PlainButton>
        )}
      </Row>
    </ModalDialog>
  );
}

const Clashes = styled.div`
  display: grid;
  gap: 12px;
  max-height: 52vh;
  overflow: auto;
`;
