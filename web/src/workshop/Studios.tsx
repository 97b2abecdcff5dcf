import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { useDoor } from '../stores/door.ts';
import { ButtonLink, PlainButton } from '../ui/buttons.tsx';

/** The other studios of this machine: the one to look round in, and one’s own. */
export function Studios(): ReactNode {
  const { studios, here, enter } = useDoor();
  const [problem, setProblem] = useState<string | null>(null);
  const others = (studios ?? []).filter(({ id }) => id !== here?.id);
  const hasOwn = studios?.some(({ isDemo }) => !isDemo);
  return (
    <section aria-label="Other studios">
      <h2>Other studios</h2>
      <p>Each has its own cards, shelves, money and log. Nothing of one gets into another.</p>
      {others.map(({ id, name, isDemo }) => (
        <Other key={id}>
          <b>{name}</b>
          <PlainButton onPress={() => void enter(id).catch((why: Error) => setProblem(why.message))}>
            {isDemo ? 'Look round there' : 'Go there'}
          </PlainButton>
        </Other>
      ))}
      {!hasOwn && <ButtonLink href="/start">Set up my workshop</ButtonLink>}
      {problem && <p role="alert">{problem}</p>}
    </section>
  );
}

const Other = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
`;
