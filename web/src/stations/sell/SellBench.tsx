import { lazy, Suspense, useCallback, type ReactNode } from 'react';
import styled from 'styled-components';
import { sayMoney } from '@zippy/core';
import type { StationProps } from '../parts.ts';

const CostChart = lazy(() => import('./CostChart.tsx'));

export function SellBench({ job, plan, workshop }: StationProps): ReactNode {
  const { sell } = plan;
  const money = useCallback((minor: number): string => sayMoney(Math.round(minor), workshop), [workshop]);
  const selling = job.brief.purpose === 'sell';
  return (
    <Counter aria-label="Bench">
      <div className="tag">
        <small>{selling ? 'A single sells at' : 'Each card costs'}</small>
        <b>{money(selling ? sell.singlePriceMinor : sell.costMinor)}</b>
        {selling && (
          <span>
            pack of {job.sell.packOf}: {money(sell.packPriceMinor)}
          </span>
        )}
      </div>
      <div className="chart">
        <h3>Where the money of one card goes</h3>
        <Suspense fallback={<p>Drawing …</p>}>
          <CostChart parts={sell.parts} priceMinor={selling ? sell.singlePriceMinor : null} money={money} />
        </Suspense>
        <table>
          <caption>The same, in figures</caption>
          <tbody>
            {sell.parts.map((part) => (
              <tr key={part.id}>
                <th scope="row">{part.label}</th>
                <td>{money(part.shownMinor)}</td>
              </tr>
            ))}
            {selling && (
              <tr>
                <th scope="row">Left over</th>
                <td>{money(sell.singlePriceMinor - Math.round(sell.costMinor))}</td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </Counter>
  );
}

const Counter = styled.section`
  display: grid;
  grid-template-columns: minmax(180px, 0.6fr) 1.4fr;
  gap: 24px;
  align-items: center;
  min-height: 0;
  padding: 28px;
  overflow: auto;
  background: ${({ theme }) => theme.colour.slate};
  .tag {
    position: relative;
    display: grid;
    gap: 4px;
    padding: 46px 22px 26px;
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.paper};
    box-shadow: ${({ theme }) => theme.shadow};
    clip-path: polygon(18% 0, 82% 0, 100% 16%, 100% 100%, 0 100%, 0 16%);
    text-align: center;
  }
  .tag::before {
    content: '';
    position: absolute;
    top: 14px;
    left: 50%;
    width: 16px;
    height: 16px;
    margin-left: -8px;
    border-radius: 50%;
    background: ${({ theme }) => theme.colour.slate};
  }
  .tag b {
    font: 700 42px/1.1 ${({ theme }) => theme.font.text};
  }
  .chart {
    padding: 18px 20px;
    border-radius: 4px;
    background: ${({ theme }) => theme.colour.paper};
    box-shadow: ${({ theme }) => theme.shadow};
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 15px;
  }
  caption {
    text-align: left;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  th {
    font-weight: 400;
    text-align: left;
  }
  td {
    text-align: right;
  }
  @media (max-width: 1100px) {
    grid-template-columns: 1fr;
    align-content: start;
  }
`;
