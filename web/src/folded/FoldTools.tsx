import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { FoldedForm } from '@zippy/core';
import { useView } from '../stores/view/index.ts';
import { BenchButton } from '../ui/buttons.tsx';
import { Scale } from '../ui/Scale.tsx';

/** Folds one by one, opens and shuts, stands up and lies down. */
export function FoldTools({
  form,
  folds,
  more,
  inDegrees,
}: {
  readonly form: FoldedForm;
  /** How many are made; null while it is opened and shut as a whole. */
  readonly folds: number | null;
  readonly more: ReactNode;
  /** One fold alone is opened, so that its angle says how far. */
  readonly inDegrees: boolean;
}): ReactNode {
  const { stands, foldTo, standUp, holdShut } = useView();
  const steps = form.steps.length;
  return (
    <>
      {more}
      <BenchButton
        aria-label="Fold before"
        isDisabled={(folds ?? 0) <= 0}
        onPress={() => foldTo(Math.max(0, (folds ?? 0) - 1))}
      >
        ‹
      </BenchButton>
      <Where aria-live="polite">
        {folds === null ? `${steps} ${steps === 1 ? 'fold' : 'folds'}` : `Fold ${folds} of ${steps}`}
      </Where>
      <BenchButton
        aria-label="Next fold"
        isDisabled={folds !== null && folds >= steps}
        onPress={() => foldTo(folds === null ? 1 : folds + 1)}
      >
        ›
      </BenchButton>
      <OpenScale inDegrees={inDegrees} />
      {form.standing && (
        <BenchButton aria-pressed={stands} onPress={() => standUp(!stands)}>
          On a table
        </BenchButton>
      )}
      <BenchButton onPress={() => holdShut()}>As its reader sees it</BenchButton>
    </>
  );
}

/** Opens and shuts the card. */
export function OpenScale({ inDegrees }: { readonly inDegrees: boolean }): ReactNode {
  const { open, openTo } = useView();
  return (
    <Opener>
      <Scale
        label="Open"
        value={open}
        least={0}
        most={1}
        step={0.01}
        say={(v) => (inDegrees ? `${Math.round(v * 180)}°` : `${Math.round(v * 100)} %`)}
        onChange={openTo}
      />
    </Opener>
  );
}

const Where = styled.span`
  min-width: 84px;
  text-align: center;
`;
const Opener = styled.div`
  width: 150px;
  margin: 0 6px;
`;
