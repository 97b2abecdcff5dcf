import type { ReactNode } from 'react';
import { useTheme } from 'styled-components';
import { drawTrimming, pathData, type AdhesiveKind, type Trimming } from '@zippy/core';
import { Mark } from './toolMarks.tsx';

/** Things as small as these are drawn to a scale of their own. */
const PX_PER_MM = 1.5;
const MOST_PX = 84;
const LEAST_PX = 16;
const EDGE_PX = 2;

/** One of them as it is looked at. */
export function TrimmingMark({ trimming }: { readonly trimming: Trimming }): ReactNode {
  const { colour } = useTheme();
  const { widthMm, heightMm, onShelf } = trimming;
  const larger = Math.max(widthMm, heightMm);
  const scale = Math.min(MOST_PX / larger, Math.max(PX_PER_MM, LEAST_PX / larger));
  const [wide, high] = [widthMm * scale + 2 * EDGE_PX, heightMm * scale + 2 * EDGE_PX];
  const shapes = drawTrimming({
    trimming: { ...trimming, widthMm: widthMm * scale, heightMm: heightMm * scale },
    choice: { xMm: wide / 2, yMm: high / 2 },
  });
  return (
    <svg width={wide} height={high} viewBox={`0 0 ${wide} ${high}`} aria-hidden>
      {shapes.map(
        (shape) =>
          shape.kind === 'path' && (
            <path
              key={`${shape.role} ${pathData(shape.path)}`}
              d={pathData(shape.path)}
              fill={onShelf > 0 && shape.fill ? shape.fill : 'none'}
              stroke={shape.fill ? 'none' : colour.ink}
              strokeDasharray={onShelf > 0 ? undefined : '3 2'}
            />
          ),
      )}
    </svg>
  );
}

const ADHESIVES: Readonly<Record<AdhesiveKind, Parameters<typeof Mark>[0]>> = {
  wet: {
    solid: 'M46 74 V38 Q46 28 56 26 H64 Q74 28 74 38 V74 Z',
    lines: 'M46 46 H74 M46 64 H74',
    bright: 'M56 26 L58 8 H62 L64 26 Z',
  },
  strongTape: {
    solid: 'M24 44 a30 30 0 1 1 60 0 a30 30 0 1 1 -60 0 M42 44 a12 12 0 1 0 24 0 a12 12 0 1 0 -24 0',
    lines: 'M84 74 H112',
    bright: 'M54 74 H108 V66 H72 Z',
  },
  tape: {
    solid: 'M28 46 a26 26 0 1 1 52 0 a26 26 0 1 1 -52 0 M40 46 a14 14 0 1 0 28 0 a14 14 0 1 0 -28 0',
    lines: 'M54 72 H112 M108 66 V74',
    bright: 'M54 72 H108 V66 H72 Z',
  },
  foam: {
    solid: 'M18 74 L30 40 H108 L96 74 Z',
    lines: 'M44 40 L32 74 M60 40 L48 74 M76 40 L64 74 M92 40 L80 74 M26 52 H104 M22 63 H100',
    bright: 'M50 28 h16 l-3 8 h-16 Z M47 36 h16 v5 h-16 Z',
  },
  dots: {
    solid: 'M14 74 L22 48 H112 L104 74 Z',
    lines: 'M34 62 a7 4 0 1 0 14 0 a7 4 0 1 0 -14 0 M78 62 a7 4 0 1 0 14 0 a7 4 0 1 0 -14 0',
    bright: 'M56 62 a7 4 0 1 0 14 0 a7 4 0 1 0 -14 0',
  },
  spray: {
    solid: 'M40 74 V30 Q40 22 48 20 H64 Q72 22 72 30 V74 Z',
    lines: 'M76 10 L92 4 M78 14 H96 M76 18 L92 24 M40 42 H72 M40 60 H72',
    bright: 'M50 20 V10 H68 V16 H62 V20 Z',
  },
  hot: {
    solid: 'M16 26 H84 L92 32 V42 H52 L42 74 H26 L34 44 H16 Z',
    lines: 'M4 34 H16 M52 42 Q60 54 48 56',
    bright: 'M92 33 L108 36 V39 L92 41 Z',
  },
};
export const AdhesiveMark = ({ kind }: { readonly kind: AdhesiveKind }): ReactNode => <Mark {...ADHESIVES[kind]} />;
