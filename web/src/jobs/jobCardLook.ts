import styled from 'styled-components';

/** A card pinned to the wall, its strip of folds along the foot. */
export const Card = styled.li`
  position: relative;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  > a {
    display: grid;
    grid-template: 1fr auto / 190px 1fr auto;
    min-height: 206px;
    text-decoration: none;
    border-radius: 4px;
    cursor: pointer;
  }
  > a[data-hovered] strong {
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .picture {
    display: grid;
    place-items: center;
    min-height: 0;
    padding: 12px 6px 12px 14px;
    background: linear-gradient(100deg, ${({ theme }) => theme.colour.paperShade} 82%, transparent);
  }
  .picture svg {
    width: 164px;
    height: 168px;
    overflow: visible;
    filter: drop-shadow(0 4px 6px rgb(29 41 48 / 0.32));
  }
  .words {
    display: grid;
    align-content: start;
    gap: 3px;
    min-width: 0;
    padding: 18px 8px 10px 14px;
    font-size: 15px;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  .words strong {
    margin-bottom: 4px;
    color: ${({ theme }) => theme.colour.ink};
    font-size: 22px;
    line-height: 1.15;
  }
  .where {
    margin-top: 8px;
    color: ${({ theme }) => theme.colour.ink};
  }
  .where.stop {
    color: ${({ theme }) => theme.colour.coral};
  }
  .where.done {
    color: ${({ theme }) => theme.colour.green};
  }
  .due {
    display: grid;
    align-content: start;
    justify-items: end;
    min-width: 92px;
    padding: 16px 18px 0 0;
    text-align: right;
  }
  .due b {
    font: 700 34px/1 ${({ theme }) => theme.font.mono};
  }
  .due small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
  .due.near b {
    padding: 2px 8px;
    background: ${({ theme }) => theme.colour.marigold};
  }
  .folds {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: repeat(10, 1fr);
  }
  .folds i {
    height: 12px;
    background: ${({ theme }) => theme.colour.linenDeep};
  }
  .folds i:nth-child(odd) {
    clip-path: polygon(0 3px, 100% 0, 100% calc(100% - 3px), 0 100%);
  }
  .folds i:nth-child(even) {
    clip-path: polygon(0 0, 100% 3px, 100% 100%, 0 calc(100% - 3px));
    filter: brightness(0.93);
  }
  .folds i.past {
    background: ${({ theme }) => theme.colour.slateLine};
  }
  .folds i.go {
    background: ${({ theme }) => theme.colour.marigold};
  }
  .folds i.stop {
    background: ${({ theme }) => theme.colour.coral};
  }
  .remove {
    position: absolute;
    right: 10px;
    bottom: 20px;
    display: flex;
    gap: 6px;
  }
  .remove > button:only-child {
    border-color: transparent;
    background: none;
  }
  .remove button {
    min-height: 32px;
    padding: 2px 10px;
    font-size: 14px;
  }
`;
