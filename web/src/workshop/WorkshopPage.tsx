import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Workshop } from '@zippy/core';
import { useWorkshop } from '../stores/workshop.ts';
import { TopBar } from '../ui/TopBar.tsx';
import { Backups } from './Backups.tsx';
import { EnvelopeShelf } from './EnvelopeShelf.tsx';
import { PaceAndRate } from './PaceAndRate.tsx';
import { StockShelf } from './StockShelf.tsx';
import { Boards } from './Boards.tsx';
import { Tools } from './Tools.tsx';

/** What the maker owns: stocks, envelopes, tools, pace and rates. */
export default function WorkshopPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const problem = useWorkshop((s) => s.problem);
  return (
    <Place>
      <TopBar />
      <main>
        <h1>Workshop</h1>
        {problem && <p role="alert">{problem}</p>}
        <StockShelf workshop={workshop} />
        <EnvelopeShelf workshop={workshop} />
        <Tools workshop={workshop} />
        <Boards workshop={workshop} />
        <PaceAndRate workshop={workshop} />
        <Backups />
      </main>
    </Place>
  );
}

const Place = styled.div`
  min-height: 100%;
  background: ${({ theme }) => theme.colour.linen};
  main {
    display: grid;
    gap: 28px;
    max-width: 1320px;
    margin: 0 auto;
    padding: 12px 28px 60px;
  }
  h1 {
    font-size: 30px;
  }
  h2 {
    margin-bottom: 10px;
    font-size: 20px;
  }
  section > header {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin-bottom: 6px;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 370px), 1fr));
    gap: 14px;
    align-items: start;
  }
  .pace {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
    gap: 12px;
    margin-top: 10px;
  }
  [role='alert'] {
    padding: 10px 14px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
`;
