import type { ReactNode } from 'react';
import { useTheme } from 'styled-components';
import { isPlainRule, type Board, type Printer, type ToolKind, type TrimmerKind } from '@zippy/core';

const [WIDE, HIGH] = [120, 76];

/** A line drawing of a thing on the bench: what is solid is paper-coloured, what moves or cuts is marigold. */
export function Mark({
  solid,
  lines,
  bright,
}: {
  readonly solid: string;
  readonly lines: string;
  readonly bright: string;
}): ReactNode {
  const { colour } = useTheme();
  const edge = { stroke: colour.ink, strokeWidth: 1.4, strokeLinejoin: 'round', strokeLinecap: 'round' } as const;
  return (
    <svg width={WIDE} height={HIGH} viewBox={`0 0 ${WIDE} ${HIGH}`} aria-hidden>
      <path d={solid} fill={colour.panelLit} {...edge} />
      <path d={bright} fill={colour.marigold} {...edge} />
      <path d={lines} fill="none" {...edge} />
    </svg>
  );
}

/** A printer by its ways of feeding: card stands behind one that takes it straight, cassettes lie below. */
export function PrinterMark({ printer }: { readonly printer: Printer }): ReactNode {
  const straight = printer.paths.some(({ bends }) => bends !== true);
  const cassettes = Math.min(2, printer.paths.filter(({ bends }) => bends === true).length);
  const top = printer.ink === 'laser' ? 22 : 34;
  return (
    <Mark
      solid={`${straight ? `M34 4 H86 L90 ${top} H30 Z ` : ''}M8 ${top} H112 V74 H8 Z`}
      lines={[
        `M20 ${top + 9} H78`,
        ...Array.from({ length: cassettes }, (_, n) => `M14 ${70 - n * 8} H106 M54 ${67 - n * 8} H66`),
      ].join(' ')}
      bright={`M96 ${top + 6} h8 v6 h-8 Z`}
    />
  );
}

const TRIMMERS: Readonly<Record<TrimmerKind, Parameters<typeof Mark>[0]>> = {
  sliding: {
    solid: 'M6 74 L20 40 H114 L100 74 Z',
    lines: 'M24 62 H98 M14 54 H108 M30 74 V68 M46 74 V68 M62 74 V68 M78 74 V68',
    bright: 'M58 48 h18 v10 h-18 Z',
  },
  lever: {
    solid: 'M6 74 L18 46 H112 L100 74 Z',
    lines: 'M30 66 H96 M24 56 H104',
    bright: 'M14 56 L104 12 L112 18 L18 62 Z',
  },
  knife: {
    solid: 'M4 66 L96 66 L96 74 L4 74 Z M20 54 L78 18 L84 27 L30 60 Z',
    lines: 'M14 66 v3 M24 66 v4 M34 66 v3 M44 66 v4 M54 66 v3 M64 66 v4 M74 66 v3 M84 66 v4',
    bright: 'M20 54 L30 60 L12 64 Z',
  },
  scissors: {
    solid: 'M8 62 a12 9 0 1 1 24 0 a12 9 0 1 1 -24 0 M34 70 a11 8 0 1 1 22 -4 a11 8 0 1 1 -22 4',
    lines: 'M58 46 m-2 0 a2 2 0 1 0 4 0 a2 2 0 1 0 -4 0',
    bright: 'M30 58 L112 18 L60 50 Z M48 62 L108 10 L56 44 Z',
  },
  machine: {
    solid: 'M4 44 H116 V70 H4 Z M14 74 V70 M106 74 V70',
    lines: 'M12 52 H108 M12 60 H108 M20 70 V74 H100 V70',
    bright: 'M52 38 h18 v18 h-18 Z',
  },
};

export const TrimmerMark = ({ kind }: { readonly kind: TrimmerKind }): ReactNode => <Mark {...TRIMMERS[kind]} />;

/** So much of a board is drawn. */
const DRAWN_MM = 60;

/** A piece of a board seen from above, its grooves as far apart as they are; a plain rule has its graduations. */
export function BoardMark({ board }: { readonly board: Board }): ReactNode {
  const [left, right] = [6, 114];
  if (isPlainRule(board))
    return (
      <Mark
        solid="M6 58 H114 V74 H6 Z"
        lines={Array.from({ length: 17 }, (_, n) => `M${12 + n * 6} 58 v${n % 4 === 0 ? 9 : 5}`).join(' ')}
        bright="M96 66 h10 v4 h-10 Z"
      />
    );
  const step = Math.max(2.4, (board.grooveEveryMm / DRAWN_MM) * (right - left));
  const grooves = Array.from(
    { length: Math.floor((right - left - 8) / step) },
    (_, n) => `M${left + 4 + (n + 1) * step} 28 L${left + (n + 1) * step} 72`,
  );
  return (
    <Mark
      solid={`M${left + 4} 22 H${right + 2} L${right - 2} 74 H${left} Z`}
      lines={grooves.join(' ')}
      bright={`M${left + 4} 22 H${right + 2} L${right + 1.6} 27 H${left + 3.6} Z`}
    />
  );
}

const TOOLS: Readonly<Record<ToolKind, Parameters<typeof Mark>[0]>> = {
  laminator: {
    solid: 'M10 74 V44 Q10 34 20 34 H100 Q110 34 110 44 V74 Z M32 34 V8 H88 V34',
    lines: 'M22 52 H98 M40 16 H80 M40 23 H80',
    bright: 'M96 58 h8 v8 h-8 Z',
  },
  press: {
    solid: 'M14 74 V62 H106 V74 Z M24 44 H96 V54 H24 Z',
    lines: 'M60 44 V24 M14 62 V30 M30 58 H90',
    bright: 'M56 26 L104 8 L110 15 L64 34 Z',
  },
  punch: {
    solid: 'M10 74 V66 H110 V74 Z M16 66 V46 H32 V66 Z M88 40 H98 V60 H88 Z',
    lines: 'M80 66 H106 M93 60 V64 M24 70 H70',
    bright: 'M16 46 L104 26 L108 35 L32 54 Z',
  },
};
export const ToolMark = ({ kind }: { readonly kind: ToolKind }): ReactNode => <Mark {...TOOLS[kind]} />;
