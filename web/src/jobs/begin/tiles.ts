import { RadioGroup } from 'react-aria-components';
import styled from 'styled-components';

/** Things to choose one of, drawn, each with its name under it. */
export const Tiles = styled(RadioGroup)`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(148px, 1fr));
  gap: 10px;
  margin-top: 18px;
  > .label {
    grid-column: 1 / -1;
    font-size: 15px;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  label {
    display: grid;
    grid-template-rows: 96px auto;
    gap: 6px;
    padding: 10px;
    border: 1px solid transparent;
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.slateDeep};
    text-align: center;
    line-height: 1.25;
    cursor: pointer;
  }
  .drawn {
    display: grid;
    place-items: center;
    min-height: 0;
  }
  .drawn > svg {
    max-width: 100%;
    max-height: 96px;
  }
  small {
    display: block;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    font-size: 13px;
  }
  label[data-hovered] {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  label[data-selected] {
    border-color: ${({ theme }) => theme.colour.marigold};
    box-shadow: inset 0 0 0 2px ${({ theme }) => theme.colour.marigold};
  }
`;

/** Paper on the bench that is written on. */
export const Sheet = styled.div`
  display: grid;
  gap: 12px;
  max-width: 460px;
  margin-top: 18px;
  padding: 16px 18px;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.paper};
  color: ${({ theme }) => theme.colour.ink};
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
  }
`;
