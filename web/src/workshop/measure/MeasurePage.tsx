import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import styled from 'styled-components';
import {
  bendingLengthMm,
  drawOverhang,
  FIBRES,
  GAUGE_LINES,
  LINE_NAMES,
  measuredStock,
  NO_MEASURINGS,
  sayMeasured,
  type GaugeLine,
  type Measurings,
  type SaidOfStock,
  type Stock,
  type Workshop,
} from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { useBenchKeys } from '../../keys/useKeys.ts';
import { SlipPaper, Verdict } from '../../slip/parts.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { BenchButton, ButtonLink, DoNow } from '../../ui/buttons.tsx';
import { TopBar } from '../../ui/TopBar.tsx';
import { Layout } from '../calibrate/look.ts';
import { FoldReadings, ScaleReadings, StackReadings, StripReadings } from './Readings.tsx';

export default function MeasurePage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { stockId } = useParams();
  const stock = workshop.stocks.find(({ id }) => id === stockId);
  if (!stock) return <Navigate to="/workshop" replace />;
  return <Measure key={stock.id} stock={stock} workshop={workshop} />;
}

/** What a stock is by ruler and scale: three readings, each beside a drawing of it, and what they come to. */
function Measure({ stock, workshop }: { readonly stock: Stock; readonly workshop: Workshop }): ReactNode {
  const problem = useWorkshop((s) => s.problem);
  const [line, setLine] = useState<GaugeLine>(() => easiestLine(stock));
  useBenchKeys();
  // On a tablet held upright the page scrolls, and stands where the workshop was left.
  useEffect(() => window.scrollTo(0, 0), []);
  const { unit } = workshop;
  const measured = stock.measured ?? NO_MEASURINGS;
  const alter = (part: Partial<Stock>): void => useWorkshop.getState().alter('stocks', stock.id, part);
  const keep = (part: Partial<Measurings>): void => alter({ measured: { ...measured, ...part } });
  const found = measuredStock(stock);
  const said = sayMeasured(stock, unit);
  const better = {
    caliperMicron: found.caliperMicron ? Math.round(found.caliperMicron.mean) : stock.caliperMicron,
    gsm: found.gsm ? Math.round(found.gsm.mean) : stock.gsm,
  };
  const differs = better.caliperMicron !== stock.caliperMicron || better.gsm !== stock.gsm;
  const draw = useCallback(
    (textMm: number) =>
      drawOverhang(
        FIBRES.map((fibres) => ({ fibres, bendingMm: bendingLengthMm(stock, fibres).mm })),
        line,
        { colour: stock.colour, textMm },
      ),
    [stock, line],
  );
  const isOwn = found.along !== null || found.across !== null;
  return (
    <Layout>
      <TopBar />
      {problem && <p role="alert">{problem}</p>}
      <main>
        <Bench
          content={draw(5).box}
          draw={draw}
          pictures={{}}
          unit={unit}
          label={`Strips of ${stock.name} over a table’s edge, hung to the line ${LINE_NAMES[line]}`}
          caption={isOwn ? 'As your strips hang' : 'As card at large would hang: yours is not measured yet'}
          tools={GAUGE_LINES.map((one) => (
            <BenchButton key={one} aria-pressed={line === one} onPress={() => setLine(one)}>
              Line {LINE_NAMES[one]}
            </BenchButton>
          ))}
        />
        <SlipPaper aria-label="Measuring">
          <div className="found">
            <h1>{stock.name}, measured</h1>
            <Verdict aria-live="polite">
              {said.rows.length > 0
                ? said.verdict.join(' ') || 'Good. What else is measured makes it surer.'
                : 'Three things, five minutes: a stack under a ruler, sheets on the kitchen scale, a strip over the table’s edge. And three strips folded, to see what cracks. Then plans go by your card, not by card at large.'}
            </Verdict>
            {said.rows.length > 0 && <Rows rows={said.rows} />}
            {differs && (
              <DoNow onPress={() => alter(better)}>
                Take {better.caliperMicron} µm and {better.gsm} gsm for it
              </DoNow>
            )}
          </div>
          <StackReadings measured={measured} onChange={keep} />
          <ScaleReadings stock={stock} unit={unit} measured={measured} onChange={keep} />
          <StripReadings {...{ stock, workshop, measured, line, setLine }} onChange={keep} />
          <FoldReadings {...{ stock, measured }} onChange={keep} />
          <ButtonLink href={`/workshop/stocks/${stock.id}`}>Back to {stock.name}</ButtonLink>
        </SlipPaper>
      </main>
    </Layout>
  );
}

/** Each kind of reading, what it comes to and what it stands against. */
function Rows({ rows }: { readonly rows: readonly SaidOfStock[] }): ReactNode {
  return (
    <Table>
      <tbody>
        {rows.map(({ name, figure, beside }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>
              <b>{figure}</b>
            </td>
            <td>{beside}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

const Table = styled.table`
  border-collapse: collapse;
  font-size: 15px;
  th,
  td {
    padding: 3px 0;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
    text-align: left;
    font-weight: 400;
  }
  td:last-child {
    color: ${({ theme }) => theme.colour.inkQuiet};
    text-align: right;
  }
`;

/** Where a strip that a sheet gives can hang: the steepest line whose overhang leaves some of it on the table. */
function easiestLine(stock: Stock): GaugeLine {
  const longest = Math.max(stock.sheetWidthMm, stock.sheetHeightMm) - 120;
  const share = bendingLengthMm(stock, 'along').mm / longest;
  return share <= 0.5 ? 'half' : share <= 0.75 ? 'threeQuarters' : 'whole';
}
