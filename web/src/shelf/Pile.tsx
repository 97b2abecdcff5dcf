import type { ReactNode } from 'react';
import { Link } from 'react-aria-components';
import styled, { useTheme } from 'styled-components';
import type { Counted, Need } from '@zippy/core';

const WIDE_PX = 76;
const TALL_PX = 92;
/** Edges are drawn no nearer to each other: a pile of more has thicker ones. */
const LEAST_EDGE_PX = 2.6;

/** One thing as it is piled on the board: as high as it is many beside the others, with a low line at what the jobs on the wall take. */
export function Pile({
  thing,
  colour,
  need,
  most,
  isInHand,
}: {
  readonly thing: Counted;
  /** Its own; of what has many, paper. */
  readonly colour: string;
  readonly need: Need | undefined;
  /** The most of anything on its board, there or needed: all of a board is drawn to one scale. */
  readonly most: number;
  readonly isInHand: boolean;
}): ReactNode {
  const tokens = useTheme().colour;
  const { onShelf } = thing;
  const needed = need?.needed ?? 0;
  const short = need?.short ?? 0;
  const scale = (0.9 * TALL_PX) / Math.max(most, 1);
  const tall = Math.max(onShelf > 0 ? 3 : 0, onShelf * scale);
  const edges = Math.min(Math.floor(tall / LEAST_EDGE_PX), onShelf);
  const low = TALL_PX - needed * scale;
  const says = short > 0 ? `${short} short` : needed > 0 ? `${needed} needed` : 'none needed';
  return (
    <Place>
      <Link
        href={`/shelf/${thing.shelf}/${thing.thingId}`}
        aria-label={`${thing.name}: ${onShelf}, ${says}`}
        aria-current={isInHand ? 'true' : undefined}
      >
        <svg width={WIDE_PX + 40} height={TALL_PX + 2} aria-hidden>
          {onShelf > 0 && (
            <rect
              x={1}
              y={TALL_PX - tall}
              width={WIDE_PX}
              height={tall}
              fill={colour}
              stroke={tokens.onSlate}
              strokeWidth={0.8}
            />
          )}
          {Array.from({ length: Math.max(0, edges - 1) }, (_, i) => {
            const y = TALL_PX - ((i + 1) * tall) / edges;
            return (
              <line
                key={i}
                x1={1}
                x2={WIDE_PX + 1}
                y1={y}
                y2={y}
                stroke={tokens.ink}
                strokeOpacity={0.28}
                strokeWidth={0.7}
              />
            );
          })}
          {needed > 0 && (
            <>
              <line x1={-2} x2={WIDE_PX + 8} y1={low} y2={low} stroke={tokens.ink} strokeWidth={4} />
              <line
                x1={-2}
                x2={WIDE_PX + 8}
                y1={low}
                y2={low}
                stroke={tokens.marigold}
                strokeWidth={2.4}
                strokeDasharray="6 3"
              />
              <text x={WIDE_PX + 11} y={low + 4} fill={tokens.onSlate} fontSize={13}>
                {needed}
              </text>
            </>
          )}
        </svg>
        <span className="edge" />
        <strong>{thing.name}</strong>
        <span className="count">{onShelf}</span>
        <small className={short > 0 ? 'short' : undefined}>
          {short > 0 && <span aria-hidden>▾ </span>}
          {says}
        </small>
      </Link>
    </Place>
  );
}

const Place = styled.li`
  width: 150px;
  a {
    display: grid;
    height: 100%;
    align-content: start;
    padding: 8px 0;
    border-radius: 4px;
    text-decoration: none;
  }
  svg {
    margin-left: 12px;
    overflow: visible;
  }
  a > :not(svg, .edge) {
    padding: 0 8px 0 12px;
    overflow-wrap: anywhere;
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
    font: 700 20px ${({ theme }) => theme.font.mono};
  }
  small {
    font-size: 14px;
  }
  .short {
    font-weight: 700;
    color: ${({ theme }) => theme.colour.marigold};
  }
  a[data-hovered] .edge {
    background: ${({ theme }) => theme.colour.marigoldDeep};
  }
  a[aria-current] {
    background: ${({ theme }) => theme.colour.slateDeep};
  }
  a[aria-current] .edge {
    background: ${({ theme }) => theme.colour.marigold};
  }
`;
