import { memo, type ReactNode } from 'react';
import styled from 'styled-components';
import { MM_PER_INCH, type LengthUnit } from '@zippy/core';

export const RULER_PX = 24;
const CLOSEST_TICK_PX = 5;
const CLOSEST_NUMBER_PX = 46;

interface Division {
  readonly mm: number;
  readonly long: number;
}

/** The finest divisions that still stand apart, and how far apart to put numbers. */
function divisions(
  unit: LengthUnit,
  pxPerMm: number,
): { readonly tick: Division; readonly numberMm: number; readonly name: (mm: number) => string } {
  const steps =
    unit === 'mm' ? [1, 5, 10, 50, 100] : [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1].map((inch) => inch * MM_PER_INCH);
  const tickMm = steps.find((mm) => mm * pxPerMm >= CLOSEST_TICK_PX) ?? steps.at(-1)!;
  const numbers = unit === 'mm' ? [10, 20, 50, 100, 200] : [1, 2, 4, 8].map((inch) => inch * MM_PER_INCH);
  const numberMm = numbers.find((mm) => mm * pxPerMm >= CLOSEST_NUMBER_PX) ?? numbers.at(-1)!;
  return {
    tick: { mm: tickMm, long: numberMm },
    numberMm,
    name: (mm) => String(Math.round(unit === 'mm' ? mm : mm / MM_PER_INCH)),
  };
}

/** Two rulers whose noughts lie on the piece’s top left corner. */
export const Rulers = memo(function Rulers({
  unit,
  pxPerMm,
  originPx,
  widthPx,
  heightPx,
}: {
  readonly unit: LengthUnit;
  readonly pxPerMm: number;
  readonly originPx: { readonly x: number; readonly y: number };
  readonly widthPx: number;
  readonly heightPx: number;
}): ReactNode {
  const { tick, numberMm, name } = divisions(unit, pxPerMm);
  const marks = (
    origin: number,
    extent: number,
  ): readonly { readonly px: number; readonly text: string | null; readonly size: number }[] => {
    const first = Math.ceil((RULER_PX - origin) / (tick.mm * pxPerMm));
    const last = Math.floor((extent - origin) / (tick.mm * pxPerMm));
    const every = Math.round(numberMm / tick.mm);
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
      const n = first + i;
      const numbered = n % every === 0;
      return {
        px: origin + n * tick.mm * pxPerMm,
        text: numbered ? name(n * tick.mm) : null,
        size: numbered ? 11 : (n * 2) % every === 0 ? 8 : 4,
      };
    });
  };
  const across = marks(originPx.x, widthPx);
  const down = marks(originPx.y, heightPx);
  return (
    <>
      <Ruler className="across" aria-hidden width={widthPx} height={RULER_PX}>
        <path d={across.map((m) => `M${m.px} ${RULER_PX}V${RULER_PX - m.size}`).join('')} />
        {across.map(
          (m) =>
            m.text && (
              <text key={m.px} x={m.px + 3} y={11}>
                {m.text}
              </text>
            ),
        )}
      </Ruler>
      <Ruler className="down" aria-hidden width={RULER_PX} height={heightPx}>
        <path d={down.map((m) => `M${RULER_PX} ${m.px}H${RULER_PX - m.size}`).join('')} />
        {down.map(
          (m) =>
            m.text && (
              <text key={m.px} x={-m.px + 3} y={11} transform="rotate(-90)" textAnchor="start">
                {m.text}
              </text>
            ),
        )}
      </Ruler>
      <Corner aria-hidden>{unit}</Corner>
    </>
  );
});

const Ruler = styled.svg`
  position: absolute;
  top: 0;
  left: 0;
  background: ${({ theme }) => theme.colour.paperShade};
  path {
    stroke: ${({ theme }) => theme.colour.inkQuiet};
    stroke-width: 1;
  }
  text {
    fill: ${({ theme }) => theme.colour.ink};
    font: 10px ${({ theme }) => theme.font.mono};
  }
`;
const Corner = styled.div`
  position: absolute;
  top: 0;
  left: 0;
  width: ${RULER_PX}px;
  height: ${RULER_PX}px;
  background: ${({ theme }) => theme.colour.rule};
  color: ${({ theme }) => theme.colour.ink};
  font: 10px/24px ${({ theme }) => theme.font.mono};
  text-align: center;
`;
