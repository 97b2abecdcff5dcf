import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Plan } from '@zippy/core';
import { facesOf } from './facesOf.ts';
import { useView } from '../../stores/view/index.ts';
import { BenchButton } from '../../ui/buttons.tsx';
import { Pick } from '../../ui/Pick.tsx';

/** More faces than this do not fit side by side under the bench. */
const MOST_PRESSES = 6;

/** Which face is on the bench. */
export function FacePresses({ plan, faceId }: { readonly plan: Plan; readonly faceId: string }): ReactNode {
  const pickFace = useView((s) => s.pickFace);
  const faces = facesOf(plan);
  const own = plan.art.faces.length;
  return faces.length > MOST_PRESSES ? (
    <FacePick>
      <Pick
        label="Face"
        value={faceId}
        onChange={(id) => pickFace(id)}
        sections={[
          {
            heading: faces.length > own ? 'Card' : null,
            options: faces.slice(0, own).map(({ face: { id, name } }) => ({ id, name })),
          },
          ...(faces.length > own
            ? [{ heading: 'Envelope', options: faces.slice(own).map(({ face: { id, name } }) => ({ id, name })) }]
            : []),
        ]}
      />
    </FacePick>
  ) : (
    faces.map(({ face: { id, name } }) => (
      <BenchButton key={id} aria-pressed={id === faceId} onPress={() => pickFace(id)}>
        {name}
      </BenchButton>
    ))
  );
}

const FacePick = styled.div`
  display: flex;
  width: 240px;
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
