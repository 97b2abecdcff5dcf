import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import {
  ADHESIVE_KINDS,
  adhesivesOf,
  formatLength,
  formatSize,
  isPlainRule,
  newAdhesive,
  newBlanks,
  newBoard,
  newEnvelope,
  newPrinter,
  newStock,
  newTool,
  newTrimmer,
  newTrimming,
  papersIn,
  plural,
  PRINTER_KINDS,
  sayMinutes,
  sayWeight,
  showWeight,
  TOOL_KINDS,
  toolsOf,
  TRIMMER_KINDS,
  TRIMMING_KINDS,
  trimmingsOf,
  type PrinterKind,
  type Shelf,
  type Stock,
  type TrimmerKind,
  type Workshop,
} from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { AddMany } from '../../ui/AddMany.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { ADHESIVE_NAMES, PRINTER_NAMES, TOOL_NAMES, TRIMMER_NAMES, TRIMMING_NAMES } from '../kindNames.ts';
import { bySheet } from './bySheet.ts';
import { AdhesiveMark, TrimmingMark } from './putOnMarks.tsx';
import { BoardMark, PrinterMark, ToolMark, TrimmerMark } from './toolMarks.tsx';
import { EnvelopePile, StockStack } from './stacks.tsx';
import { Tile } from './Tile.tsx';

const sayKind = ({ coating, grain, readyCut }: Stock): string =>
  readyCut ? `${coating}, ${readyCut.fold === 'none' ? 'no fold' : readyCut.state}` : `${coating}, ${grain} grain`;

/** The shelves as they stand, and the bench under them; whatever is pressed is taken in hand. */
export function Wall({
  workshop,
  shelf,
  thingId,
}: {
  readonly workshop: Workshop;
  readonly shelf: Shelf | undefined;
  readonly thingId: string | undefined;
}): ReactNode {
  const { unit } = workshop;
  const navigate = useNavigate();
  const papers = papersIn(workshop);
  const inHand = (kind: Shelf, id: string): boolean => kind === shelf && id === thingId;
  const add = <K extends Shelf>(kind: K, begun: Omit<Workshop[K][number], 'id'>): void =>
    void navigate(`/workshop/${kind}/${useWorkshop.getState().add(kind, begun)}`);
  return (
    <Room aria-label="Shelves and bench">
      <h1>Workshop</h1>
      <section aria-label="Card and paper">
        <header>
          <h2>Card and paper</h2>
          <span className="adds">
            <PlainButton onPress={() => add('stocks', newStock(papers))}>Add a stock</PlainButton>
            <PlainButton onPress={() => add('stocks', newBlanks(papers))}>Add ready-cut cards</PlainButton>
          </span>
        </header>
        <div className="groups">
          {bySheet(workshop.stocks, unit).map(({ heading, stocks }) => (
            <div key={heading} className="group">
              <h3>{heading}</h3>
              <ul>
                {stocks.map((stock) => (
                  <Tile
                    key={stock.id}
                    href={`/workshop/stocks/${stock.id}`}
                    isInHand={inHand('stocks', stock.id)}
                    name={stock.name}
                    count={
                      stock.onShelf === 0
                        ? 'none left'
                        : `${stock.onShelf} ${plural(stock.onShelf, stock.readyCut ? 'card' : 'sheet')}`
                    }
                    isOut={stock.onShelf === 0}
                    facts={[sayWeight(stock.gsm, stock.grade), sayKind(stock)]}
                  >
                    <StockStack stock={stock} />
                  </Tile>
                ))}
              </ul>
            </div>
          ))}
        </div>
      </section>
      <section aria-label="Envelopes">
        <header>
          <h2>Envelopes</h2>
          <PlainButton onPress={() => add('envelopes', newEnvelope(papers))}>Add an envelope</PlainButton>
        </header>
        {workshop.envelopes.length === 0 && (
          <p>None yet. Add those you have, and a card can be sized to go in; or make them at Envelope.</p>
        )}
        <ul>
          {workshop.envelopes.map((envelope) => (
            <Tile
              key={envelope.id}
              href={`/workshop/envelopes/${envelope.id}`}
              isInHand={inHand('envelopes', envelope.id)}
              name={envelope.name}
              count={envelope.onShelf === 0 ? 'none left' : String(envelope.onShelf)}
              isOut={envelope.onShelf === 0}
              facts={[`inside ${formatSize(envelope.insideWidthMm, envelope.insideHeightMm, unit)}`]}
            >
              <EnvelopePile envelope={envelope} />
            </Tile>
          ))}
        </ul>
      </section>
      <section aria-label="To put on, and to hold with">
        <header>
          <h2>To put on, and to hold with</h2>
          <AddMany
            label="Add to this shelf"
            isOnPaper
            sections={[
              { heading: 'To put on', options: TRIMMING_KINDS.map((id) => ({ id, name: TRIMMING_NAMES[id] })) },
              { heading: 'To hold with', options: ADHESIVE_KINDS.map((id) => ({ id, name: ADHESIVE_NAMES[id] })) },
            ]}
            onPick={(id) => {
              const kind = TRIMMING_KINDS.find((one) => one === id);
              if (kind) add('trimmings', newTrimming(kind));
              else add('adhesives', newAdhesive(ADHESIVE_KINDS.find((one) => one === id)!));
            }}
          />
        </header>
        {trimmingsOf(workshop).length + adhesivesOf(workshop).length === 0 && (
          <p>Bows, buttons, gems and photographs; glue, tape, pads and dots. Those you have are offered at Art.</p>
        )}
        <ul>
          {trimmingsOf(workshop).map((trimming) => (
            <Tile
              key={trimming.id}
              href={`/workshop/trimmings/${trimming.id}`}
              isInHand={inHand('trimmings', trimming.id)}
              name={trimming.name}
              count={trimming.onShelf === 0 ? 'none left' : String(trimming.onShelf)}
              isOut={trimming.onShelf === 0}
              facts={[
                formatSize(trimming.widthMm, trimming.heightMm, unit),
                `stands ${formatLength(trimming.thickMm, unit)}`,
              ]}
            >
              <TrimmingMark trimming={trimming} />
            </Tile>
          ))}
          {adhesivesOf(workshop).map((adhesive) => (
            <Tile
              key={adhesive.id}
              href={`/workshop/adhesives/${adhesive.id}`}
              isInHand={inHand('adhesives', adhesive.id)}
              name={adhesive.name}
              facts={[
                adhesive.dryMinutes > 0 ? `dry in ${sayMinutes(adhesive.dryMinutes)}` : 'holds at once',
                ...(adhesive.thickMm >= 0.5 ? [`lifts by ${formatLength(adhesive.thickMm, unit)}`] : []),
              ]}
            >
              <AdhesiveMark kind={adhesive.kind} />
            </Tile>
          ))}
        </ul>
      </section>
      <section aria-label="On the bench" className="bench">
        <header>
          <h2>On the bench</h2>
          <AddMany
            label="Add a tool"
            sections={[
              { heading: 'Prints', options: PRINTER_KINDS.map((id) => ({ id, name: PRINTER_NAMES[id] })) },
              { heading: 'Cuts', options: TRIMMER_KINDS.map((id) => ({ id, name: TRIMMER_NAMES[id] })) },
              { heading: 'Scores', options: [{ id: 'board', name: 'Scoring board' }] },
              { heading: 'Heats and punches', options: TOOL_KINDS.map((id) => ({ id, name: TOOL_NAMES[id] })) },
            ]}
            onPick={(id) => {
              const kind = TOOL_KINDS.find((one) => one === id);
              if (id === 'board') add('boards', newBoard(papers));
              else if (kind) add('tools', newTool(kind));
              else if (PRINTER_KINDS.some((kind) => kind === id)) add('printers', newPrinter(id as PrinterKind));
              else add('trimmers', newTrimmer(id as TrimmerKind));
            }}
          />
        </header>
        <ul>
          {workshop.printers.map((printer) => (
            <Tile
              key={printer.id}
              href={`/workshop/printers/${printer.id}`}
              isInHand={inHand('printers', printer.id)}
              name={printer.name}
              facts={[
                printer.ink === 'laser' ? 'toner' : `ink${printer.printsWhite ? ' and white' : ''}`,
                `up to ${showWeight(Math.max(...printer.paths.map((path) => path.heaviestGsm)), 'cover', papers === 'northAmerican')}`,
              ]}
            >
              <PrinterMark printer={printer} />
            </Tile>
          ))}
          {workshop.trimmers.map((trimmer) => (
            <Tile
              key={trimmer.id}
              href={`/workshop/trimmers/${trimmer.id}`}
              isInHand={inHand('trimmers', trimmer.id)}
              name={trimmer.name}
              facts={[`cuts ${formatLength(trimmer.longestCutMm, unit)}`]}
            >
              <TrimmerMark kind={trimmer.kind} />
            </Tile>
          ))}
          {workshop.boards.map((board) => (
            <Tile
              key={board.id}
              href={`/workshop/boards/${board.id}`}
              isInHand={inHand('boards', board.id)}
              name={board.name}
              facts={[isPlainRule(board) ? 'a plain rule' : `grooves ${formatLength(board.grooveEveryMm, unit)} apart`]}
            >
              <BoardMark board={board} />
            </Tile>
          ))}
          {toolsOf(workshop).map((tool) => (
            <Tile
              key={tool.id}
              href={`/workshop/tools/${tool.id}`}
              isInHand={inHand('tools', tool.id)}
              name={tool.name}
              facts={[
                tool.kind === 'punch'
                  ? `holes of ${tool.holesMm.map((mm) => formatLength(mm, unit)).join(', ')}`
                  : `takes ${formatLength(tool.widestMm, unit)}`,
              ]}
            >
              <ToolMark kind={tool.kind} />
            </Tile>
          ))}
        </ul>
      </section>
    </Room>
  );
}

const Room = styled.div`
  min-height: 0;
  overflow: auto;
  padding: 14px 24px 32px;
  background: ${({ theme }) => theme.colour.linen};
  h1 {
    margin-bottom: 6px;
    font-size: 26px;
  }
  h2 {
    font-size: 18px;
  }
  h3 {
    padding: 0 12px;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
    font-weight: 400;
  }
  section {
    margin-top: 14px;
  }
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 12px;
  }
  .adds {
    display: flex;
    gap: 8px;
  }
  .groups {
    display: flex;
    flex-wrap: wrap;
    row-gap: 14px;
  }
  ul {
    display: flex;
    flex-wrap: wrap;
    row-gap: 14px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  .bench {
    margin: 22px -24px -32px;
    padding: 14px 24px 32px;
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
`;
