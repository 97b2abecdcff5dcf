import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { drawLayerSheet, fixed, plural, residueMm, type Scene, type SheetSide } from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { Turner } from '../../bench/Turner.tsx';
import { useStandIn } from '../../stores/standIn.ts';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';
import type { StationProps } from '../parts.ts';
import { drawSheetOnBench } from './drawSheetOnBench.ts';

export function SheetBench({ job, plan, workshop }: StationProps): ReactNode {
  const { side: paperSide, light, turnOver, toggleLight, showSheet } = useView();
  const side: SheetSide = paperSide === 'outside' ? 'front' : 'back';
  const { sheet, art } = plan;
  const [layerId, setLayerId] = useState<string | null>(null);
  const onStandIn = useStandIn((s) => s.on);
  const truth = useStandIn((s) => s.truth);
  const standIn = onStandIn ? truth : null;
  const paper = useMemo(
    () => ({ widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }),
    [sheet.sheetWidthMm, sheet.sheetHeightMm],
  );
  const apartMm = standIn && residueMm(standIn, paper, job.sheet.flipEdge, sheet.calibration?.corrections ?? null);
  const draw = useCallback(
    (textMm: number): Scene => drawSheetOnBench({ job, plan }, { side, light, standIn }, textMm),
    [job, plan, side, light, standIn],
  );
  const layer = sheet.layers.find(({ piece }) => piece.id === layerId);
  const layerSide = layer?.piece.back ? side : 'front';
  const drawLayer = useCallback(
    () => drawLayerSheet(layer!, art.panels[layer!.piece.id], { side: layerSide }),
    [layer, art.panels, layerSide],
  );
  const layerPresses = sheet.layers.length > 0 && (
    <>
      <BenchButton aria-pressed={!layer} onPress={() => setLayerId(null)}>
        Card
      </BenchButton>
      {sheet.layers.map(({ piece }) => (
        <BenchButton key={piece.id} aria-pressed={layer?.piece.id === piece.id} onPress={() => setLayerId(piece.id)}>
          {piece.name}
        </BenchButton>
      ))}
    </>
  );
  if (layer)
    return (
      <Bench
        content={drawLayer().box}
        draw={drawLayer}
        pictures={job.pictures}
        unit={workshop.unit}
        label={`${layer.piece.back ? `The ${layerSide} of ${layer.piece.name.toLowerCase()}` : layer.piece.name} on a sheet of ${layer.piece.stock.name}`}
        caption={`${layer.up} up, ${layer.sheets} ${plural(layer.sheets, 'sheet')} of ${layer.piece.stock.name}`}
        tools={
          <>
            {layerPresses}
            {layer.piece.back && (
              <BenchButton onPress={turnOver}>
                Turn over <KeyCap>T</KeyCap>
              </BenchButton>
            )}
          </>
        }
      />
    );
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`The ${side} of the sheet: ${sheet.verdict}`}
      caption={
        apartMm !== null
          ? `On the stand-in printer: ${sheet.sides.length === 2 ? `front and back up to ${fixed(apartMm, 2)} mm apart, ` : ''}${sheet.calibration ? `corrected by the sheet of ${sheet.calibration.from.day}` : 'not corrected'}`
          : light
            ? 'Held to the light: front and back fall on each other'
            : undefined
      }
      tools={
        <>
          {layerPresses}
          <BenchButton onPress={turnOver}>
            Turn over <KeyCap>T</KeyCap>
          </BenchButton>
          <BenchButton onPress={toggleLight} aria-pressed={light}>
            To the light <KeyCap>L</KeyCap>
          </BenchButton>
          {sheet.passes.length > 0 && (
            <BenchButton onPress={useStandIn.getState().toggle} aria-pressed={onStandIn}>
              Stand-in printer
            </BenchButton>
          )}
          {sheet.named && (
            <Turner name="Sheet" number={sheet.named.sheetNumber} of={sheet.sheets} onChange={showSheet} />
          )}
        </>
      }
    />
  );
}
