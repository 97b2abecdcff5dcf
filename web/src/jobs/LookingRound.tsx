import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { useDoor } from '../stores/door.ts';
import { BenchButton } from '../ui/buttons.tsx';
import { useNavigate } from 'react-router';

/** In the studio that ships with the application: whose it is, and the way to one’s own. */
export function LookingRound(): ReactNode {
  const navigate = useNavigate();
  const { studios, here, enter } = useDoor();
  const [problem, setProblem] = useState<string | null>(null);
  if (!here?.isDemo) return null;
  const own = studios?.find(({ isDemo }) => !isDemo);
  return (
    <Line aria-label="Looking round">
      <p>
        {here.name} is made up, to look round in: nothing here is yours to spoil.
        {problem && <span role="alert"> {problem}</span>}
      </p>
      {own ? (
        <BenchButton onPress={() => void enter(own.id).catch((why: Error) => setProblem(why.message))}>
          Put it away, back to {own.name}
        </BenchButton>
      ) : (
        <BenchButton onPress={() => void navigate('/start')}>Set up my workshop</BenchButton>
      )}
    </Line>
  );
}

const Line = styled.section`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-bottom: 22px;
  padding: 8px 8px 8px 14px;
  border-left: 4px solid ${({ theme }) => theme.colour.marigold};
  background: ${({ theme }) => theme.colour.slateDeep};
  color: ${({ theme }) => theme.colour.onSlate};
  p {
    flex: 1;
  }
`;
