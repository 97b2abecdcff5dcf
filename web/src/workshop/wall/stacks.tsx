import type { ReactNode } from 'react';
import { useTheme } from 'styled-components';
import type { ShelfEnvelope, Stock } from '@zippy/core';

/** Everything on the shelves is drawn to this one scale, thickness and all. */
const PX_PER_MM = 0.36;
/** A sheet that lies on the shelf, seen from the front and a little from above: how far its depth goes to the right and up. */
const RIGHT = 0.26;
const UP = 0.2;
const TALLEST_PX = 40;
const MOST_LINES = 9;

/** A stack of sheets, as high as so many of them are; none left is an empty place of their size. */
export function StockStack({ stock }: { readonly stock: Stock }): ReactNode {
  const { colour } = useTheme();
  const front = Math.min(stock.sheetWidthMm, stock.sheetHeightMm) * PX_PER_MM;
  const depth = Math.max(stock.sheetWidthMm, stock.sheetHeightMm) * PX_PER_MM;
  const [dx, dy] = [depth * RIGHT, depth * UP];
  const thick = (stock.onShelf * stock.caliperMicron * PX_PER_MM) / 1000;
  const tall = stock.onShelf === 0 ? 0 : Math.min(TALLEST_PX, Math.max(1.5, thick));
  const [width, height] = [front + dx + 2, tall + dy + 2];
  /** A point of the top sheet: parts of its front edge and of its depth. */
  const at = (across: number, back: number): string => `${1 + across * front + back * dx} ${1 + (1 - back) * dy}`;
  const top = `M${at(0, 0)} L${at(1, 0)} L${at(1, 1)} L${at(0, 1)} Z`;
  const lines = Math.min(MOST_LINES, Math.floor(tall / 3));
  const edge = { stroke: colour.ink, strokeWidth: 1, strokeLinejoin: 'round' } as const;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {stock.onShelf === 0 ? (
        <path d={top} fill="none" {...edge} strokeDasharray="4 3" />
      ) : (
        <>
          <path d={top} fill={stock.colour} {...edge} />
          <path
            d={`M${at(0, 0)} v${tall} h${front} l${dx} ${-dy} v${-tall} L${at(1, 0)} Z`}
            fill={stock.colour}
            {...edge}
          />
          <path
            d={`M${at(0, 0)} v${tall} h${front} l${dx} ${-dy} v${-tall} L${at(1, 0)} Z`}
            fill={colour.ink}
            fillOpacity={0.12}
          />
          <path
            d={Array.from({ length: lines }, (_, n) => {
              const down = ((n + 1) * tall) / (lines + 1);
              return `M${1} ${1 + dy + down} h${front} l${dx} ${-dy}`;
            }).join(' ')}
            fill="none"
            stroke={colour.inkQuiet}
            strokeWidth={0.6}
          />
        </>
      )}
      {stock.readyCut ? <Line at={at} stock={stock} /> : <Grain at={at} along={stock.grain} />}
    </svg>
  );
}

/** Where a ready-cut card folds: its narrow edge lies in front, so a fold half way along the long one runs across. */
function Line({
  at,
  stock: { readyCut, sheetWidthMm, sheetHeightMm },
}: {
  readonly at: (across: number, back: number) => string;
  readonly stock: Stock;
}): ReactNode {
  const { colour } = useTheme();
  if (readyCut!.fold === 'none') return null;
  const { fold, frontMm } = readyCut!;
  const halvesLong = (fold === 'side') === sheetWidthMm >= sheetHeightMm;
  const share = frontMm === undefined ? 0.5 : frontMm / (fold === 'side' ? sheetWidthMm : sheetHeightMm);
  const d = halvesLong ? `M${at(0, share)} L${at(1, share)}` : `M${at(share, 0)} L${at(share, 1)}`;
  return <path d={d} fill="none" stroke={colour.teal} strokeWidth={1.4} strokeDasharray="5 3" />;
}

/** Three fibres on the top sheet: its long edge goes into the depth. */
function Grain({
  at,
  along,
}: {
  readonly at: (across: number, back: number) => string;
  readonly along: Stock['grain'];
}): ReactNode {
  const { colour } = useTheme();
  const fibre = (n: number): string =>
    along === 'long' ? `M${at(n, 0.3)} L${at(n, 0.7)}` : `M${at(0.3, n)} L${at(0.7, n)}`;
  return <path d={[0.4, 0.5, 0.6].map(fibre).join(' ')} fill="none" stroke={colour.inkQuiet} strokeWidth={0.9} />;
}

const MOST_SEEN = 4;
const EACH = 40;

/** Envelopes standing behind one another, their backs to the room; one more for every forty. */
export function EnvelopePile({ envelope }: { readonly envelope: ShelfEnvelope }): ReactNode {
  const { colour } = useTheme();
  const wide = Math.max(envelope.insideWidthMm, envelope.insideHeightMm) * PX_PER_MM;
  const high = Math.min(envelope.insideWidthMm, envelope.insideHeightMm) * PX_PER_MM;
  const behind = Math.min(MOST_SEEN, Math.ceil(envelope.onShelf / EACH));
  const step = 3;
  const off = step * Math.max(0, behind - 1);
  const edge = { stroke: colour.ink, strokeWidth: 1, strokeLinejoin: 'round' } as const;
  return (
    <svg width={wide + off + 2} height={high + off + 2} aria-hidden>
      {Array.from({ length: Math.max(1, behind) }, (_, n) => {
        const shift = off - n * step;
        const [x, y] = [1 + shift, 1 + off - shift];
        return (
          <g key={n} fill={envelope.onShelf === 0 ? 'none' : envelope.colour} {...edge}>
            <rect x={x} y={y} width={wide} height={high} strokeDasharray={envelope.onShelf === 0 ? '4 3' : undefined} />
            {n === Math.max(1, behind) - 1 && (
              <path d={`M${x} ${y} L${x + wide / 2} ${y + high * 0.55} L${x + wide} ${y}`} />
            )}
          </g>
        );
      })}
    </svg>
  );
}
