import { useCallback, type ReactNode } from 'react';
import {
  boxPath,
  calibrationMarks,
  CROSSES,
  drawCalibration,
  IDENTITY,
  printSide,
  turnedOver,
  type Affine,
  type CalibrationSheet,
  type Colour,
  type Scene,
  type Shape,
} from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { useStandIn } from '../../stores/standIn.ts';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';

const LOUPE_MM = 46;
const CLOSER = 6;

/** Each pair of crosses seen closer, drawn inwards of its corner: half a millimetre is too little to see on a screen. */
function loupes({ sheet, marginsMm, flipEdge }: CalibrationSheet, near: Shape[], far: Shape[]): readonly Shape[] {
  const { crosses } = calibrationMarks(sheet, marginsMm);
  const size = Math.min(LOUPE_MM, sheet.widthMm * 0.3, sheet.heightMm * 0.3);
  const gap = size / 2 + 14;
  return CROSSES.flatMap((cross): readonly Shape[] => {
    const { xMm, yMm } = crosses[cross];
    const [cx, cy] = [xMm + (xMm < sheet.widthMm / 2 ? gap : -gap), yMm + (yMm < sheet.heightMm / 2 ? gap : -gap)];
    const frame = boxPath({ xMm: cx - size / 2, yMm: cy - size / 2, widthMm: size, heightMm: size });
    const closer: Affine = [CLOSER, 0, 0, CLOSER, cx - CLOSER * xMm, cy - CLOSER * yMm];
    const seen: readonly Shape[] = [
      { kind: 'group', transform: IDENTITY, children: near },
      { kind: 'group', transform: turnedOver(sheet, flipEdge), blend: 'multiply', children: far },
    ];
    return [
      { kind: 'path', role: 'stock', path: frame, fill: '#ffffff' },
      {
        kind: 'group',
        transform: IDENTITY,
        clip: frame,
        children: [{ kind: 'group', transform: closer, children: seen }],
      },
      { kind: 'path', role: 'dimension', path: frame },
    ];
  });
}

/** The calibration sheet on the bench: as it was drawn, or as the stand-in printer prints it. */
export function CalibrateBench({
  asked,
  stockColour,
}: {
  readonly asked: CalibrationSheet;
  readonly stockColour: Colour;
}): ReactNode {
  const { side, light, turnOver: turn, toggleLight } = useView();
  const { on, truth, toggle } = useStandIn();
  const { sheet, flipEdge } = asked;
  const draw = useCallback((): Scene => {
    const printed = (which: 'front' | 'back'): readonly Shape[] => {
      const page = drawCalibration(asked, which);
      return (on ? printSide(page, which, sheet, flipEdge, truth) : page.scene).shapes;
    };
    const now = side === 'outside' ? 'front' : 'back';
    const other = now === 'front' ? 'back' : 'front';
    const box = { xMm: 0, yMm: 0, ...sheet };
    return {
      box,
      symbols: {},
      shapes: [
        { kind: 'path', role: 'sheet', path: boxPath(box), fill: stockColour },
        { kind: 'group', transform: IDENTITY, children: printed(now) },
        ...(light
          ? [
              {
                kind: 'group',
                transform: turnedOver(sheet, flipEdge),
                blend: 'multiply',
                children: printed(other),
              } as const,
            ]
          : []),
        ...(light ? loupes(asked, [...printed(now)], [...printed(other)]) : []),
      ],
    };
  }, [asked, on, truth, side, light, sheet, flipEdge, stockColour]);
  const what = light ? 'Held to the light, front towards you' : side === 'outside' ? 'Front' : 'Back';
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, ...sheet }}
      draw={draw}
      pictures={{}}
      unit={asked.unit}
      label={`Calibration sheet. ${what}${on ? ', as the stand-in printer prints it' : ''}`}
      caption={`${what}${on ? ' · as the stand-in printer prints it' : ''}`}
      tools={
        <>
          <BenchButton onPress={turn}>
            Turn over <KeyCap>T</KeyCap>
          </BenchButton>
          <BenchButton onPress={toggleLight} aria-pressed={light}>
            To the light <KeyCap>L</KeyCap>
          </BenchButton>
          <BenchButton onPress={toggle} aria-pressed={on}>
            On the stand-in printer
          </BenchButton>
        </>
      }
    />
  );
}
