import styled from 'styled-components';

/** Large enough for arm’s length; on a tablet the drawing goes under the words. */
export const Card = styled.div`
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  height: 100%;
  background: ${({ theme }) => theme.colour.paper};
  header {
    display: flex;
    align-items: center;
    gap: 16px;
    padding: 10px 18px;
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
  header ol {
    display: flex;
    flex: 1;
    gap: 4px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  header li {
    flex: 1;
    height: 14px;
    border: 1px solid ${({ theme }) => theme.colour.onSlateQuiet};
    border-radius: 2px;
  }
  header li button {
    display: block;
    width: 100%;
    height: 100%;
    padding: 0;
    border: 0;
    background: none;
    cursor: pointer;
  }
  header li span {
    position: absolute;
    clip-path: inset(50%);
  }
  header li.done {
    background: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  header li.now {
    background: ${({ theme }) => theme.colour.marigold};
    border-color: ${({ theme }) => theme.colour.marigold};
  }
  .kept {
    min-width: 70px;
    text-align: right;
  }
  .kept small {
    display: block;
    font-size: 14px;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  main {
    display: grid;
    align-content: center;
    justify-items: start;
    gap: 18px;
    min-height: 0;
    padding: 20px clamp(20px, 4vw, 56px);
    overflow: auto;
  }
  .step-view {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 32px;
    align-items: center;
    width: 100%;
    height: 100%;
    min-height: 0;
  }
  .say {
    display: grid;
    gap: 18px;
    justify-items: start;
  }
  .drawing {
    display: grid;
    grid-template-rows: minmax(0, 1fr);
    align-self: stretch;
    width: clamp(240px, 36vw, 560px);
    min-height: 0;
    padding: 20px;
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.slate};
  }
  .drawing svg {
    width: 100%;
    height: 100%;
    min-height: 0;
    max-height: 68vh;
    overflow: visible;
  }
  .drawing svg text[data-role='dimension'] {
    fill: ${({ theme }) => theme.colour.onSlate};
  }
  .drawing svg path[data-role='dimension'] {
    stroke: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  main small {
    font-size: 26px;
    color: ${({ theme }) => theme.colour.plum};
  }
  main h1 {
    font: 700 clamp(72px, 11vw, 150px) / 1 ${({ theme }) => theme.font.mono};
    letter-spacing: -0.03em;
    word-spacing: -0.35em;
  }
  /* On one line, so that what is to be done and its caution stay in sight. */
  main h1[data-long] {
    font-size: clamp(48px, 5vw, 72px);
  }
  main p {
    max-width: 34em;
    font-size: clamp(22px, 2.4vw, 30px);
    line-height: 1.4;
  }
  main .caution {
    padding: 12px 18px;
    border: 2px solid ${({ theme }) => theme.colour.ink};
    border-left: 16px solid ${({ theme }) => theme.colour.marigold};
    font-size: 21px;
  }
  main .learnt {
    padding: 8px 16px;
    border-left: 8px solid ${({ theme }) => theme.colour.teal};
    background: ${({ theme }) => theme.colour.tealWash};
    font-size: 21px;
  }
  main .next {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 21px;
  }
  main .timer {
    font: 700 52px/1.2 ${({ theme }) => theme.font.mono};
    letter-spacing: -0.02em;
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 12px;
    padding: 14px 18px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
    background: ${({ theme }) => theme.colour.linen};
  }
  .big {
    min-height: 68px;
    padding: 8px 22px;
    font-size: 21px;
  }
  .step {
    min-width: 220px;
  }
  @media (max-width: 900px) {
    .step-view {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: auto minmax(240px, 1fr);
    }
    .drawing {
      width: 100%;
    }
    .drawing svg {
      max-height: 40vh;
    }
    main h1 {
      font-size: 116px;
    }
    main p {
      font-size: 28px;
    }
    .big {
      min-height: 84px;
    }
    .step {
      flex: 1 1 100%;
    }
  }
  .count {
    display: grid;
    grid-template-columns: auto auto;
    gap: 0 10px;
    align-items: baseline;
    margin-right: auto;
    font-size: 18px;
  }
  .count b {
    font: 700 30px/1.1 ${({ theme }) => theme.font.mono};
    text-align: right;
  }
  .count .lost {
    color: ${({ theme }) => theme.colour.coral};
  }
`;
