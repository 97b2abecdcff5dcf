import type { ReactNode } from 'react';
import styled from 'styled-components';
import { isUsable, registerOf, sayRegister, type Calibration, type LengthUnit } from '@zippy/core';
import { Quiet } from '../../ui/buttons.tsx';

/** Every calibration of a path, the newest first; one can be set aside when it no longer tells the truth. */
export function History({
  calibrations,
  unit,
  onSetAside,
}: {
  readonly calibrations: readonly Calibration[];
  readonly unit: LengthUnit;
  readonly onSetAside: (id: string, setAside: boolean) => void;
}): ReactNode {
  if (calibrations.length === 0) return <p>None yet. The first one you keep is used from then on.</p>;
  return (
    <List aria-label="Calibrations of this path">
      {[...calibrations].reverse().map((calibration) => {
        const register = registerOf(calibration);
        return (
          <li key={calibration.id} className={calibration.setAside ? 'aside' : ''}>
            <b>
              {calibration.day} · {calibration.gsm} gsm · turned on the {calibration.flipEdge} edge
            </b>
            <p>{sayRegister(register, calibration.readings, unit).join(' ')}</p>
            {!isUsable(register) && <p>It corrects nothing.</p>}
            <Quiet onPress={() => onSetAside(calibration.id, !calibration.setAside)}>
              {calibration.setAside ? 'Use it again' : 'Set it aside'}
            </Quiet>
          </li>
        );
      })}
    </List>
  );
}

const List = styled.ul`
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 8px 12px;
    border-left: 4px solid ${({ theme }) => theme.colour.teal};
    background: ${({ theme }) => theme.colour.tealWash};
    font-size: 14px;
  }
  li.aside {
    border-left-color: ${({ theme }) => theme.colour.rule};
    background: ${({ theme }) => theme.colour.paperShade};
  }
`;
