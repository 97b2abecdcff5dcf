import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { apply, invert, type Point, type ScanFrame } from '@zippy/core';

/** A scan with what was found drawn over it, for the eye to agree. */
export function SeenScan({
  file,
  frame,
  points,
  outlines,
  label,
}: {
  readonly file: Blob;
  readonly frame: ScanFrame;
  /** In millimetres of the scan, each with its name. */
  readonly points: readonly (Point & { readonly name: string })[];
  readonly outlines: readonly (readonly Point[])[];
  readonly label: string;
}): ReactNode {
  const [shown, setShown] = useState<{ readonly url: string; readonly wide: number; readonly high: number } | null>(
    null,
  );
  useEffect(() => {
    const url = URL.createObjectURL(file);
    const picture = new Image();
    picture.onload = () => setShown({ url, wide: picture.naturalWidth, high: picture.naturalHeight });
    picture.src = url;
    return () => URL.revokeObjectURL(url);
  }, [file]);
  if (!shown) return null;
  const toDots = invert(frame);
  const at = (p: Point): Point => apply(toDots, p);
  const unit = Math.max(shown.wide, shown.high) / 100;
  return (
    <Frame>
      <svg viewBox={`0 0 ${shown.wide} ${shown.high}`} role="img" aria-label={label}>
        <image href={shown.url} width={shown.wide} height={shown.high} />
        {outlines.map((outline, i) => (
          <polygon
            key={i}
            points={outline
              .map(at)
              .map(({ xMm, yMm }) => `${xMm},${yMm}`)
              .join(' ')}
            strokeWidth={unit * 0.4}
          />
        ))}
        {points.map((point) => {
          const { xMm, yMm } = at(point);
          return (
            <g key={point.name}>
              <circle cx={xMm} cy={yMm} r={unit * 2} strokeWidth={unit * 0.5} />
              <text x={xMm + unit * 2.6} y={yMm - unit * 1.6} fontSize={unit * 4}>
                {point.name}
              </text>
            </g>
          );
        })}
      </svg>
    </Frame>
  );
}

const Frame = styled.div`
  padding: 6px;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.slate};
  svg {
    display: block;
    width: 100%;
    max-height: 340px;
  }
  circle,
  polygon {
    fill: none;
    stroke: ${({ theme }) => theme.colour.marigold};
  }
  text {
    fill: ${({ theme }) => theme.colour.plum};
    stroke: ${({ theme }) => theme.colour.paper};
    stroke-width: 0.2em;
    paint-order: stroke;
    font-weight: 700;
  }
`;
