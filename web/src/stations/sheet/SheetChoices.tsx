import type { ReactNode } from 'react';
import styled from 'styled-components';
import { WORKSHOP_LIMITS, cutText, formatSize, KEEP_OFFCUT_MM, plural, sayMoney, type Offcut } from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import type { StationProps } from '../parts.ts';

/** Rows shown; the rest are dearer still. */
const SHOWN = 8;

/** Every way to lay this job out on what is on the shelf; one press takes one. */
export function SheetChoices({ plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  return (
    <List aria-label="Ways to lay it out">
      {plan.cut.choices.slice(0, SHOWN).map((row) => (
        <li key={row.id} data-now={row.isNow || undefined}>
          <span className="what">
            <b>{row.stockName}</b>
            <small>
              {row.bleed ? 'with bleed' : 'no bleed'} ·{' '}
              {row.grain === 'respect' ? 'grain along the fold' : 'either way'}
            </small>
          </span>
          <span className="up">{row.up} up</span>
          <small className="facts">
            {row.sheets} {plural(row.sheets, 'sheet')} · {sayMoney(row.costMinor, workshop)}
            {row.strokes !== null && ` · ${row.strokes} ${plural(row.strokes, 'stroke')}`}
            {row.offcut
              ? ` · leaves ${formatSize(row.offcut.widthMm, row.offcut.heightMm, workshop.unit)}`
              : ' · leaves nothing to keep'}
          </small>
          <PlainButton isDisabled={row.isNow} onPress={() => change(row.changes)}>
            {row.isNow ? 'This one' : 'Take it'}
          </PlainButton>
        </li>
      ))}
    </List>
  );
}

/** What the sheets leave, and a press that puts it on the shelf as a stock of its own. */
export function Offcuts({ plan, workshop }: StationProps): ReactNode {
  const changeShop = useWorkshop((s) => s.change);
  const { stock } = plan.stock;
  const shelve = ({ widthMm, heightMm, perSheet }: Offcut): void => {
    // The fibres keep running along the same side of the paper; only which side is the longer may change.
    const uprightGrain = (stock.grain === 'long') === stock.sheetHeightMm >= stock.sheetWidthMm;
    void changeShop({
      ...workshop,
      stocks: [
        ...workshop.stocks,
        {
          ...stock,
          id: crypto.randomUUID().slice(0, 8),
          name: cutText(
            `${stock.name}, offcut ${formatSize(widthMm, heightMm, workshop.unit)}`,
            WORKSHOP_LIMITS.nameLetters,
          ),
          grain: uprightGrain === heightMm >= widthMm ? 'long' : 'short',
          sheetWidthMm: widthMm,
          sheetHeightMm: heightMm,
          // Its sheet is paid for by the cards already.
          sheetPriceMinor: 0,
          onShelf: perSheet * plan.sheet.sheets,
        },
      ],
    });
  };
  return (
    <>
      <LengthField
        label="Keep what is at least this wide"
        mm={workshop.keepOffcutMm ?? KEEP_OFFCUT_MM}
        unit={workshop.unit}
        {...WORKSHOP_LIMITS.keepOffcutMm}
        onCommit={(keepOffcutMm) => void changeShop({ ...workshop, keepOffcutMm })}
        hint={plan.cut.offcuts.length === 0 ? 'Nothing this run leaves is as wide as that.' : undefined}
      />
      <List aria-label="Offcuts">
        {plan.cut.offcuts.map((offcut) => (
          <li key={`${offcut.widthMm} ${offcut.heightMm}`}>
            <span className="what">
              <b>{formatSize(offcut.widthMm, offcut.heightMm, workshop.unit)}</b>
              <small>
                {offcut.perSheet} from a sheet, {offcut.perSheet * plan.sheet.sheets} from the run
              </small>
            </span>
            <PlainButton onPress={() => shelve(offcut)}>Put on the shelf</PlainButton>
          </li>
        ))}
      </List>
    </>
  );
}

const List = styled.ul`
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 10px;
    align-items: center;
    padding: 9px 0;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  li[data-now] {
    padding-left: 8px;
    border-left: 4px solid ${({ theme }) => theme.colour.marigold};
  }
  b {
    display: block;
    line-height: 1.25;
  }
  small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .up {
    font: 700 18px/1.2 ${({ theme }) => theme.font.mono};
  }
  .facts {
    line-height: 1.3;
  }
  button {
    min-height: 32px;
    padding: 3px 10px;
    font-size: 14px;
  }
`;
