import { Button, Link } from 'react-aria-components';
import styled, { css } from 'styled-components';

const look = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 38px;
  padding: 6px 14px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: ${({ theme }) => theme.radius};
  background: ${({ theme }) => theme.colour.paper};
  color: ${({ theme }) => theme.colour.ink};
  font-weight: 400;
  text-decoration: none;
  cursor: pointer;
  &[data-hovered] {
    border-color: ${({ theme }) => theme.colour.inkQuiet};
  }
  &[data-pressed] {
    transform: translateY(1px);
  }
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
`;

/** An ordinary press. */
export const PlainButton = styled(Button)`
  ${look}
`;

export const ButtonLink = styled(Link)`
  ${look}
`;

/** The thing to do now; at most one on a screen. */
export const DoNow = styled(Button)`
  ${look}
  background: ${({ theme }) => theme.colour.marigold};
  border-color: ${({ theme }) => theme.colour.marigoldDeep};
  font-weight: 700;
`;

/** A press on the slate of the bench. */
export const BenchButton = styled(Button)`
  ${look}
  min-height: 36px;
  padding: 4px 11px;
  background: ${({ theme }) => theme.colour.slateDeep};
  border-color: ${({ theme }) => theme.colour.slateLine};
  color: ${({ theme }) => theme.colour.onSlate};
  &[data-hovered] {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  &[aria-pressed='true'] {
    background: ${({ theme }) => theme.colour.onSlate};
    color: ${({ theme }) => theme.colour.ink};
  }
`;

/** Words that act, inside running text. */
export const Quiet = styled(Button)`
  padding: 2px 4px;
  border: 0;
  border-radius: 4px;
  background: none;
  color: ${({ theme }) => theme.colour.teal};
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
`;

export const KeyCap = styled.kbd`
  min-width: 1.5em;
  padding: 0 5px;
  border: 1px solid currentColor;
  border-radius: 4px;
  font: 12px/1.5 ${({ theme }) => theme.font.mono};
  text-align: center;
  opacity: 0.85;
`;
