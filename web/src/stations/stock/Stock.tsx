import { useCallback, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  decide,
  decideEach,
  boxPath,
  drawStanding,
  formatLength,
  formatSize,
  sayMoney,
  sayWeight,
  sheetPriceOf,
  type Scene,
  type Shape,
  type StandingCard,
} from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { BenchButton } from '../../ui/buttons.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { FeedPick } from '../FeedPick.tsx';
import { PressureChoice } from '../PressureChoice.tsx';
import { spokenOf, type StationProps } from '../parts.ts';

/** The sheet with its grain, or the folded card as it stands. */
export function StockBench(props: StationProps): ReactNode {
  const [onTable, setOnTable] = useState(false);
  const { standing } = props.plan.stock;
  const tools = standing && (
    <>
      <BenchButton aria-pressed={!onTable} onPress={() => setOnTable(false)}>
        Its sheet
      </BenchButton>
      <BenchButton aria-pressed={onTable} onPress={() => setOnTable(true)}>
        As it stands
      </BenchButton>
    </>
  );
  return onTable && standing ? (
    <StandingBench {...{ ...props, standing, tools }} />
  ) : (
    <SheetOfStock {...{ ...props, tools }} />
  );
}

type WithTools = StationProps & { readonly tools: ReactNode };

/** On a table, each panel bowed as its own weight bows it. */
function StandingBench({
  job,
  plan,
  workshop,
  standing,
  tools,
}: WithTools & { readonly standing: StandingCard }): ReactNode {
  const { size, stock } = plan;
  const { colour } = stock.stock;
  const draw = useCallback(
    (textMm: number): Scene => drawStanding(size, standing, { stockColour: colour, unit: workshop.unit, textMm }),
    [size, standing, colour, workshop.unit],
  );
  const { bowed } = standing;
  return (
    <Bench
      content={draw(0).box}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`${size.formatName} on a table${bowed ? `: ${bowed.name} bows ${formatLength(bowed.bowMm, workshop.unit)}` : ''}`}
      caption="Bowed to scale, from the front and a little above"
      tools={tools}
    />
  );
}

/** The sheet with its grain, and the open blank on it for a sense of scale. */
function SheetOfStock({ job, plan, workshop, tools }: WithTools): ReactNode {
  const { stock } = plan.stock;
  const { blank } = plan.size.form;
  const draw = useCallback(
    (textMm: number): Scene => {
      const page = { xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm };
      const longUpright = page.heightMm >= page.widthMm;
      const upright = (stock.grain === 'long') === longUpright;
      const fibres: Shape[] = [];
      const gap = textMm * 1.1;
      const extent = upright ? page.widthMm : page.heightMm;
      for (let at = gap; at < extent; at += gap)
        fibres.push({
          kind: 'path',
          role: 'printable',
          path: upright
            ? [
                { kind: 'move', to: { xMm: at, yMm: page.heightMm * 0.02 } },
                { kind: 'line', to: { xMm: at, yMm: page.heightMm * 0.98 } },
              ]
            : [
                { kind: 'move', to: { xMm: page.widthMm * 0.02, yMm: at } },
                { kind: 'line', to: { xMm: page.widthMm * 0.98, yMm: at } },
              ],
        });
      return {
        box: { xMm: 0, yMm: -textMm * 2, widthMm: page.widthMm, heightMm: page.heightMm + textMm * 4 },
        symbols: {},
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(page), fill: stock.colour },
          ...fibres,
          {
            kind: 'label',
            role: 'dimension',
            text: `${stock.name} · grain ${upright ? 'up and down' : 'side to side'} (${stock.grain} grain)`,
            at: { xMm: page.widthMm / 2, yMm: page.heightMm + textMm * 1.5 },
            sizeMm: textMm,
            anchor: 'middle',
          },
          {
            kind: 'label',
            role: 'dimension',
            text: formatSize(page.widthMm, page.heightMm, workshop.unit),
            at: { xMm: page.widthMm / 2, yMm: -textMm * 0.7 },
            sizeMm: textMm,
            anchor: 'middle',
          },
          {
            kind: 'path',
            role: 'trim',
            fill: stock.colour,
            path: boxPath({
              xMm: (page.widthMm - blank.widthMm) / 2,
              yMm: (page.heightMm - blank.heightMm) / 2,
              widthMm: blank.widthMm,
              heightMm: blank.heightMm,
            }),
          },
          {
            kind: 'label',
            role: 'label',
            text: 'your open blank, to the same scale',
            at: { xMm: page.widthMm / 2, yMm: page.heightMm / 2 },
            sizeMm: textMm,
            anchor: 'middle',
          },
        ],
      };
    },
    [stock, blank, workshop.unit],
  );
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm }}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`${stock.name}: ${stock.grain} grain`}
      tools={tools}
    />
  );
}

export function StockSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { stock } = plan;
  return (
    <Slip title="Stock" part={plan.stock} spoken={spokenOf(workshop)}>
      <Pick
        label="From the shelf"
        value={job.stock.stockId}
        onChange={(id) => change([decide((job) => job.stock.stockId, id)])}
        sections={[
          {
            heading: null,
            options: workshop.stocks.map((s) => ({
              id: s.id,
              name: s.name,
              swatch: s.colour,
              note: `${sayWeight(s.gsm, s.grade)} · ${sayMoney(sheetPriceOf(s), workshop)}`,
            })),
          },
        ]}
      />
      <FeedPick
        label="Printer and feed path"
        value={job.stock}
        workshop={workshop}
        onChange={(feed) => feed && change(decideEach((job) => job.stock, { ...feed }))}
      />
      <Verdicts aria-label="Verdicts">
        {stock.verdicts.map((verdict) => (
          <li key={verdict.id}>
            <span aria-hidden>{verdict.good ? '✓' : '✕'}</span>
            {verdict.text}
          </li>
        ))}
      </Verdicts>
      <More label="How it is pressed">
        <PressureChoice value={job.crease.pressure} />
      </More>
    </Slip>
  );
}

const Verdicts = styled.ul`
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 22px 1fr;
    line-height: 1.35;
  }
  li > span {
    font-weight: 700;
    color: ${({ theme }) => theme.colour.teal};
  }
`;
