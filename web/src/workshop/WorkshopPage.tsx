import { useEffect, useRef, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import styled from 'styled-components';
import { adhesivesOf, toolsOf, trimmingsOf, type Shelf, type Workshop } from '@zippy/core';
import { BenchAndSlip } from '../bench/BenchAndSlip.tsx';
import { SlipPaper } from '../slip/parts.ts';
import { useWorkshop } from '../stores/workshop.ts';
import { FieldPlace } from '../ui/fields/TypedField.tsx';
import { TopBar } from '../ui/TopBar.tsx';
import { BoardSlip } from './slips/BoardSlip.tsx';
import { EnvelopeSlip } from './slips/EnvelopeSlip.tsx';
import { PrinterSlip } from './slips/PrinterSlip.tsx';
import { StockSlip } from './slips/StockSlip.tsx';
import { StudioSlip } from './slips/StudioSlip.tsx';
import { ToolSlip } from './slips/ToolSlip.tsx';
import { AdhesiveSlip } from './slips/AdhesiveSlip.tsx';
import { TrimmingSlip } from './slips/TrimmingSlip.tsx';
import { TrimmerSlip } from './slips/TrimmerSlip.tsx';
import { UsesContext, useUses } from './useUses.ts';
import { Wall } from './wall/Wall.tsx';

/** What the maker owns: the shelves and the bench on the left, and on the right the thing in hand. */
export default function WorkshopPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const problem = useWorkshop((s) => s.problem);
  const { shelf, thingId } = useParams();
  const uses = useUses();
  const paper = useRef<HTMLElement>(null);
  // Where the slip lies under the shelves, what is taken in hand is brought into sight.
  useEffect(() => {
    if (thingId !== undefined) paper.current?.scrollIntoView({ block: 'nearest' });
  }, [shelf, thingId]);
  const slip = shelf === undefined ? <StudioSlip workshop={workshop} /> : slipOf(shelf, thingId, workshop);
  // What was taken out, or never was, leaves the studio’s own slip.
  if (slip === null) return <Navigate to="/workshop" replace />;
  return (
    <Layout>
      <TopBar />
      {problem && <p role="alert">{problem}</p>}
      <main>
        <Wall workshop={workshop} shelf={shelf as Shelf | undefined} thingId={thingId} />
        <SlipPaper ref={paper} aria-label="In hand" key={`${shelf} ${thingId}`}>
          <UsesContext value={uses}>
            <FieldPlace value={thingId ?? 'studio'}>{slip}</FieldPlace>
          </UsesContext>
        </SlipPaper>
      </main>
    </Layout>
  );
}

/** The slip of one thing; null where the workshop has none such. */
function slipOf(shelf: string, thingId: string | undefined, workshop: Workshop): ReactNode {
  const drawn = <T extends { readonly id: string }>(
    things: readonly T[],
    Slip: (props: { readonly thing: T; readonly workshop: Workshop }) => ReactNode,
  ): ReactNode => {
    const thing = things.find(({ id }) => id === thingId);
    return thing ? <Slip thing={thing} workshop={workshop} /> : null;
  };
  switch (shelf) {
    case 'stocks':
      return drawn(workshop.stocks, StockSlip);
    case 'envelopes':
      return drawn(workshop.envelopes, EnvelopeSlip);
    case 'trimmings':
      return drawn(trimmingsOf(workshop), TrimmingSlip);
    case 'adhesives':
      return drawn(adhesivesOf(workshop), AdhesiveSlip);
    case 'printers':
      return drawn(workshop.printers, PrinterSlip);
    case 'trimmers':
      return drawn(workshop.trimmers, TrimmerSlip);
    case 'tools':
      return drawn(toolsOf(workshop), ToolSlip);
    case 'boards':
      return drawn(workshop.boards, BoardSlip);
    default:
      return null;
  }
}

const Layout = styled(BenchAndSlip)`
  aside h1 {
    font-size: 22px;
    line-height: 1.2;
    color: ${({ theme }) => theme.colour.ink};
  }
  aside section {
    display: grid;
    gap: 10px;
    padding-top: 14px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
  }
  aside section p,
  aside .quiet {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 15px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    align-items: start;
  }
`;
