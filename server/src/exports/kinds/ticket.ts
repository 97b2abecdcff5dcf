import { drawTicket, say, STATION_NAMES, STATIONS, type Spoken } from '@zippy/core';
import type { Draft, Exporter, ExportInput } from '../types.ts';

/** The bench on paper, to stand beside the printer and the trimmer; or every figure with how it came about. */
export const ticket: Exporter<'pdf' | 'csv'> = (input, format, name): readonly Draft[] => {
  if (format === 'csv') return [figures(input, name)];
  const pages = drawTicket(input, input.date);
  return [
    {
      kind: 'pages',
      stem: `${name}-ticket`,
      title: `${input.job.brief.title}: job ticket`,
      pages: pages.map((page) => ({ page })),
      total: pages.length,
      forLooking: true,
    },
  ];
};

/** Every figure of the plan, with how it came about. */
function figures({ plan, workshop }: ExportInput, name: string): Draft {
  const spoken: Spoken = workshop;
  const rows = STATIONS.flatMap((station) =>
    plan[station].figures.map(({ label, value, working }): readonly string[] => [
      STATION_NAMES[station],
      label,
      say(value, spoken),
      working.sum,
      working.inputs.map((input) => `${input.label} ${say(input.value, spoken)}`).join('; '),
    ]),
  );
  return { kind: 'table', stem: `${name}-figures`, columns: ['station', 'figure', 'value', 'how', 'from'], rows };
}
