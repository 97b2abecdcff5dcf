import type { ReactNode } from 'react';
import { Link } from 'react-aria-components';
import styled from 'styled-components';

/** One thing as it stands on its board, with what is written on the board's edge. */
export function Tile({
  href,
  isInHand,
  name,
  count,
  isOut = false,
  facts,
  children,
}: {
  readonly href: string;
  readonly isInHand: boolean;
  readonly name: string;
  readonly count?: string;
  /** There is none of it. */
  readonly isOut?: boolean;
  readonly facts: readonly string[];
  /** The drawing. */
  readonly children: ReactNode;
}): ReactNode {
  return (
    <Place>
      <Link href={href} aria-label={count ? `${name}: ${count}` : name} aria-current={isInHand ? 'true' : undefined}>
        <span className="stands">{children}</span>
        <span className="edge" />
        <strong>{name}</strong>
        {count && <span className={isOut ? 'count out' : 'count'}>{count}</span>}
        {facts.map((fact) => (
          <small key={fact}>{fact}</small>
        ))}
      </Link>
    </Place>
  );
}

const Place = styled.li`
  width: 162px;
  a {
    display: grid;
    height: 100%;
    align-content: start;
    padding-bottom: 8px;
    border-radius: 4px;
    text-decoration: none;
  }
  a > :not(.stands, .edge) {
    padding: 0 8px 0 12px;
    overflow-wrap: anywhere;
  }
  .stands {
    display: flex;
    align-items: flex-end;
    height: 78px;
    padding-left: 12px;
  }
  .edge {
    height: 6px;
    margin-bottom: 6px;
    background: ${({ theme }) => theme.colour.panelShade};
    box-shadow: 0 2px 2px rgb(29 41 48 / 0.18);
  }
  strong {
    font-size: 15px;
    line-height: 1.25;
  }
  .count {
    font: 700 14px ${({ theme }) => theme.font.mono};
  }
  .out {
    color: ${({ theme }) => theme.colour.coral};
  }
  small {
    font-size: 13px;
    opacity: 0.85;
  }
  a[data-hovered] .edge {
    background: ${({ theme }) => theme.colour.marigoldDeep};
  }
  a[aria-current] {
    background: ${({ theme }) => theme.colour.marigoldWash};
    color: ${({ theme }) => theme.colour.ink};
  }
  a[aria-current] .edge {
    background: ${({ theme }) => theme.colour.marigold};
  }
`;
