import Papa from 'papaparse';
import {
  fixed,
  cardAt,
  formatLength,
  namesInUse,
  rowOfCard,
  say,
  STATION_NAMES,
  STATIONS,
  type Spoken,
} from '@zippy/core';
import { ExportRefused, type ExportFile, type ExportInput } from './types.ts';

type Cell = string | number;

/**
 * A table for a spreadsheet: UTF-8 with its mark, so that accents are read; a cell that begins like a formula is
 * kept as text.
 */
function csv(name: string, columns: readonly string[], rows: readonly (readonly Cell[])[]): ExportFile {
  const text = Papa.unparse({ fields: [...columns], data: rows.map((row) => [...row]) }, { escapeFormulae: true });
  return { name: `${name}.csv`, mime: 'text/csv', bytes: Buffer.from(`\uFEFF${text}\r\n`) };
}

/** A length for people and for sums: as the maker measures, and in millimetres with a point. */
const mm = (value: number): string => fixed(value, 2);

/** Cuts and creases in the order of the bench’s own steps, whoever makes them. */
export function cutsCsv({ plan, workshop }: ExportInput, name: string): readonly ExportFile[] {
  const { unit } = workshop;
  const rowOf = (id: string): Cell[] | null => {
    const move = plan.cut.moves.find(({ number }) => id === `cut-${number}`);
    if (move)
      return [
        `cut ${move.number}`,
        move.turn,
        mm(move.fenceMm),
        formatLength(move.fenceMm, unit),
        move.atFence,
        move.strokes,
        move.text,
      ];
    const line = plan.crease.lines.find(({ number }) => id === `crease-${number}`);
    if (line)
      return plan.crease.byEnds
        ? [`crease ${line.number}`, line.turn, '', '', '', line.passes, line.text]
        : [
            `crease ${line.number}`,
            line.turn,
            mm(line.fromStopMm),
            formatLength(line.fromStopMm, unit),
            line.edgeAtStop,
            line.passes,
            line.text,
          ];
    const outline = plan.cut.outlines.find((one) => one.id === id);
    if (outline) return [outline.title.toLowerCase(), '', '', outline.big, '', '', outline.text];
    const { machine } = plan.cut;
    const step = plan.make.steps.find((one) => one.id === id);
    return id === 'machine' && machine && step ? ['machine', '', '', '', '', machine.passes, step.detail] : null;
  };
  const rows = plan.make.steps.flatMap(({ id }) => {
    const row = rowOf(id);
    return row ? [row] : [];
  });
  if (rows.length === 0)
    throw new ExportRefused('There is nothing to cut or crease, so there is no list of settings to write.');
  return [
    csv(
      `${name}-settings`,
      ['step', 'turn', 'set to, mm', 'set to', 'edge at the fence or stop', 'strokes or passes', 'what to do'],
      rows,
    ),
  ];
}

/** Every figure of the plan, with how it came about. */
export function figuresCsv({ plan, workshop }: ExportInput, name: string): readonly ExportFile[] {
  const spoken: Spoken = { unit: workshop.unit, currency: workshop.currency };
  const rows = STATIONS.flatMap((station) =>
    plan[station].figures.map(({ label, value, working }): readonly Cell[] => [
      STATION_NAMES[station],
      label,
      say(value, spoken),
      working.sum,
      working.inputs.map((input) => `${input.label} ${say(input.value, spoken)}`).join('; '),
    ]),
  );
  return [csv(`${name}-figures`, ['station', 'figure', 'value', 'how', 'from'], rows)];
}

/** Which name is printed where: one row for every place of every sheet, in the order they are printed. */
export function namesCsv({ job, plan }: ExportInput, name: string): readonly ExportFile[] {
  const names = namesInUse(job);
  if (!names)
    throw new ExportRefused('No words on the card come from a list, so there is no table of who is on which sheet.');
  const { sheets, placements } = plan.sheet;
  const rows = Array.from({ length: sheets }, (_, i) => i + 1).flatMap((sheetNumber) =>
    placements.map((_, place): readonly Cell[] => {
      const card = cardAt(place, sheetNumber, sheets);
      const row = rowOfCard(names, card);
      return [sheetNumber, place + 1, row === null ? '' : card + 1, ...(row === null ? [] : names.rows[row]!)];
    }),
  );
  return [csv(`${name}-names-on-sheets`, ['sheet', 'place', 'card', ...names.columns], rows)];
}
