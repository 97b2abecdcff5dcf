import type { ReactNode } from 'react';
import { Button } from 'react-aria-components';
import styled from 'styled-components';
import {
  decide,
  ENVELOPE_STYLES,
  formatSize,
  plural,
  sheetName,
  sheetSizes,
  wantedOf,
  type StyleCompared,
  type StyleOnSheet,
} from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import type { StylesQuestion } from '../../workers/styles.worker.ts';
import { useNewest } from '../../workers/useNewest.ts';
import type { StationProps } from '../parts.ts';

const worker = (): Worker => new Worker(new URL('../../workers/styles.worker.ts', import.meta.url), { type: 'module' });

/** Every style beside every size of sheet on the shelf: what comes out of one, and the largest card it could take. */
export default function StyleTable({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { unit } = workshop;
  const sheets = sheetSizes(workshop.stocks);
  const { finishedWidthMm, finishedHeightMm, thicknessMm } = plan.size;
  const rows = useNewest<StylesQuestion, readonly StyleCompared[]>(worker, {
    contents: { widthMm: finishedWidthMm, heightMm: finishedHeightMm, thicknessMm },
    choice: job.envelope,
    run: { sheets, wanted: wantedOf(job), marginsMm: plan.stock.path.marginsMm },
  });
  if (!rows) return <Table aria-label="Styles side by side" aria-busy />;
  const chosen = plan.envelope.styleId;
  const inUse = sheets.findIndex(({ stockIds }) => stockIds.includes(plan.envelope.stock.id));
  const take = (row: StyleCompared, sheet: number): void => {
    const { stockIds } = sheets[sheet]!;
    const { id } = plan.envelope.stock;
    change([
      decide((job) => job.envelope.style, row.styleId),
      decide((job) => job.envelope.stockId, stockIds.includes(id) ? id : stockIds[0]!),
    ]);
  };
  return (
    <Table aria-label="Styles side by side" tabIndex={0}>
      <h2>
        For {wantedOf(job)} {plural(wantedOf(job), 'envelope')} round this card
      </h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Style and its blank</th>
            {sheets.map((sheet) => (
              <th scope="col" key={`${sheet.widthMm} ${sheet.heightMm}`}>
                <b>{sheetName(sheet.widthMm, sheet.heightMm) ?? 'Sheet'}</b>
                <small>{formatSize(sheet.widthMm, sheet.heightMm, unit)}</small>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.styleId}>
              <th scope="row">
                <svg viewBox="0 0 40 24" aria-hidden>
                  <path d={ENVELOPE_STYLES.find(({ id }) => id === row.styleId)!.mark} />
                </svg>
                <span>
                  {row.name}
                  <small>{formatSize(row.widthMm, row.heightMm, unit)}</small>
                </span>
              </th>
              {row.on.map((on, i) => (
                <td key={i} data-chosen={(row.styleId === chosen && i === inUse) || undefined}>
                  <Button
                    aria-label={`${row.name} from ${sheetName(sheets[i]!.widthMm, sheets[i]!.heightMm) ?? 'this sheet'}: ${sayOn(on)}`}
                    aria-pressed={row.styleId === chosen && i === inUse}
                    onPress={() => take(row, i)}
                  >
                    <Cell on={on} unit={unit} />
                  </Button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        Press one to make it so. The largest card is one of this shape and thickness, with its flap following its
        height.
      </p>
    </Table>
  );
}

const sayOn = ({ up, sheets }: StyleOnSheet): string =>
  up === 0 ? 'does not fit' : `${up} up, ${sheets} ${plural(sheets, 'sheet')}`;

function Cell({ on, unit }: { readonly on: StyleOnSheet; readonly unit: StationProps['workshop']['unit'] }): ReactNode {
  return (
    <>
      {on.up === 0 ? (
        <b className="no">does not fit</b>
      ) : (
        <b>
          {on.up} up · {on.sheets} {plural(on.sheets, 'sheet')}
        </b>
      )}
      {on.up > 0 && <small>{Math.round(on.waste * 100)} % left over</small>}
      <small>{on.largest ? `card to ${formatSize(on.largest.widthMm, on.largest.heightMm, unit)}` : 'no card'}</small>
    </>
  );
}

const Table = styled.section`
  height: 100%;
  overflow: auto;
  padding: 20px 24px;
  background: ${({ theme }) => theme.colour.slate};
  color: ${({ theme }) => theme.colour.onSlate};
  h2 {
    font-size: 20px;
  }
  table {
    margin: 14px 0;
    border-collapse: separate;
    border-spacing: 6px;
  }
  small {
    display: block;
    font-weight: 400;
    font-size: 14px;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    white-space: nowrap;
  }
  thead th {
    padding: 0 10px 4px;
    text-align: left;
    vertical-align: bottom;
  }
  tbody th {
    display: flex;
    align-items: center;
    gap: 10px;
    height: 100%;
    padding: 8px 10px 8px 0;
    text-align: left;
    white-space: nowrap;
  }
  svg {
    flex: none;
    width: 44px;
    fill: none;
    stroke: ${({ theme }) => theme.colour.onSlate};
    stroke-width: 1.5;
  }
  td button {
    width: 100%;
    min-height: 72px;
    padding: 8px 12px;
    border: 2px solid transparent;
    border-radius: 8px;
    background: ${({ theme }) => theme.colour.slateDeep};
    color: inherit;
    font: inherit;
    text-align: left;
    white-space: nowrap;
    cursor: pointer;
  }
  td[data-chosen] button {
    border-color: ${({ theme }) => theme.colour.marigold};
  }
  .no {
    font-weight: 400;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
`;
