import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { FacePlan, Plan } from '@zippy/core';
import { facesOf } from './facesOf.ts';
import { useView } from '../../stores/view/index.ts';
import { BenchButton } from '../../ui/buttons.tsx';
import { Pick } from '../../ui/Pick.tsx';

/** More faces than this do not fit side by side under the bench. */
const MOST_PRESSES = 6;

/** Which face is on the bench: of the card, or of its envelope where there is one. */
export function FacePresses({ plan, faceId }: { readonly plan: Plan; readonly faceId: string }): ReactNode {
  const pickFace = useView((s) => s.pickFace);
  const own = plan.art.faces;
  const others = facesOf(plan).slice(own.length);
  return (
    <>
      {own.length > MOST_PRESSES ? (
        <FromList label="Face" faces={own} faceId={faceId} placeholder="Card …" />
      ) : (
        own.map(({ face: { id, name } }) => (
          <BenchButton key={id} aria-pressed={id === faceId} onPress={() => pickFace(id)}>
            {name}
          </BenchButton>
        ))
      )}
      {others.length > 0 && <FromList label="Envelope face" faces={others} faceId={faceId} placeholder="Envelope …" />}
    </>
  );
}

function FromList({
  label,
  faces,
  faceId,
  placeholder,
}: {
  readonly label: string;
  readonly faces: readonly FacePlan[];
  readonly faceId: string;
  readonly placeholder: string;
}): ReactNode {
  const pickFace = useView((s) => s.pickFace);
  const isHere = faces.some(({ face: { id } }) => id === faceId);
  return (
    <FacePick>
      <Pick
        label={label}
        value={isHere ? faceId : null}
        placeholder={placeholder}
        onChange={(id) => pickFace(id)}
        sections={[{ heading: null, options: faces.map(({ face: { id, name } }) => ({ id, name })) }]}
      />
    </FacePick>
  );
}

const FacePick = styled.div`
  display: flex;
  width: 170px;
  > * {
    flex: 1;
  }
  .react-aria-Label {
    display: none;
  }
  button {
    color: ${({ theme }) => theme.colour.ink};
  }
`;
