import { useCallback, type ReactNode } from 'react';
import {
  boxPath,
  drawMachineFile,
  drawSheetPage,
  evenSides,
  machineMargins,
  grow,
  shrink,
  type Scene,
} from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';
import type { StationProps } from '../parts.ts';

/** The printed sheet with what a machine looks for and what it cuts; its rollers’ margin is dotted. */
export function MachineBench({ job, plan, workshop }: StationProps): ReactNode {
  const { size, sheet, art, cut, stock } = plan;
  const drift = useView((s) => s.drift);
  const page = { xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm };
  const draw = useCallback(
    (textMm: number): Scene => {
      const label = { title: job.brief.title, date: null, sheetNumber: 1 };
      const { scene } = drawSheetPage(size, art, sheet, 'front', label);
      const { machine } = cut.trimmer;
      const margins = machine ? machineMargins(machine) : evenSides(0);
      return {
        box: grow(scene.box, evenSides(textMm * 2)),
        symbols: scene.symbols,
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: stock.stock.colour },
          ...scene.shapes,
          ...drawMachineFile(size, sheet).shapes.filter((s) => s.kind === 'path' && s.role !== 'sheet'),
          { kind: 'path', role: 'printable', path: boxPath(shrink(scene.box, margins)) },
          ...sheet.machineMarks.map(
            (mark, i) =>
              ({
                kind: 'label',
                role: 'label',
                text: String(i + 1),
                at: { xMm: mark.xMm + 5, yMm: mark.yMm + textMm * 0.35 },
                sizeMm: textMm,
                anchor: 'start',
              }) as const,
          ),
        ],
      };
    },
    [job.brief.title, size, sheet, art, cut, stock],
  );
  return (
    <Bench
      content={page}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={cut.verdict}
      caption={cut.machine ? saysFile(size.form.blank.creases.length > 0) : undefined}
      tools={
        <BenchButton aria-pressed={drift} onPress={useView.getState().toggleDrift}>
          Drift <KeyCap>D</KeyCap>
        </BenchButton>
      }
    />
  );
}

/** What else the machine’s file holds. */
const saysFile = (hasCreases: boolean): string =>
  hasCreases
    ? 'Three marks, and the lines that are cut; creases are in the file in a layer of their own'
    : 'Three marks, and the outlines that are cut; nothing else is in the file';
