import {
  BOLD_CHAIN,
  chainOf,
  formatLength,
  LABEL_CHAIN,
  labelRuns,
  MM_PER_POINT,
  say,
  STATION_NAMES,
  STATIONS,
  allSnags,
  type Figure,
  type Spoken,
} from '@zippy/core';
import type { Draft, Exporter, ExportInput } from '../types.ts';

const A4_MM = { width: 210, height: 297 } as const;
const EDGE_MM = 16;
const [INK, QUIET, PLUM] = ['#1d2930', '#56656e', '#7b2869'] as const;
const STOP = '#b3261e';
const withStop = (sentence: string): string => (/[.!?]$/.test(sentence) ? sentence : `${sentence}.`);
const pt = (mm: number): number => mm / MM_PER_POINT;
const PLAIN = LABEL_CHAIN;
const BOLD = BOLD_CHAIN;

/** The job on paper, to stand beside the printer and the bench; or every figure of it with how it came about. */
export const ticket: Exporter<'pdf' | 'csv'> = (input, format, name): readonly Draft[] =>
  format === 'csv'
    ? [figures(input, name)]
    : [
        {
          kind: 'flow',
          stem: `${name}-ticket`,
          title: `${input.job.brief.title}: job ticket`,
          flow: (doc) => writeTicket(doc, input),
        },
      ];

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

function writeTicket(doc: PDFKit.PDFDocument, { job, plan, workshop, fonts, date }: ExportInput): void {
  for (const id of [...PLAIN, ...BOLD]) doc.registerFont(id, fonts.bytes.get(id));
  /** Words that flow, each letter in a typeface that has it. */
  const write = (chain: readonly string[], size: number, colour: string, text: string): void => {
    const runs = labelRuns(text, chainOf(fonts.book, chain));
    doc.fontSize(size).fillColor(colour);
    runs.forEach((run, i) => doc.font(run.typeface.id).text(run.text, { continued: i < runs.length - 1 }));
  };
  const page = (): void => void doc.addPage({ size: [pt(A4_MM.width), pt(A4_MM.height)], margin: pt(EDGE_MM) });
  const room = (mm: number): void => {
    if (doc.y > pt(A4_MM.height - EDGE_MM - mm)) page();
  };
  page();
  write(BOLD, 20, INK, job.brief.title);
  write(PLAIN, 10, QUIET, [workshop.studioName, date].filter(Boolean).join(' · '));
  if (job.brief.notes.trim()) write(PLAIN, 10.5, INK, job.brief.notes.trim());
  const snags = allSnags(plan);
  // Whoever stands at the printer reads the head of the page and no further.
  const stops = snags.filter(({ level }) => level === 'stop');
  if (stops.length > 0)
    write(BOLD, 11, STOP, `Not ready to print. ${stops.map(({ title }) => withStop(title)).join(' ')}`);
  doc.moveDown(0.6);
  if (plan.sheet.passes.length > 0)
    rule(doc, 'Print at 100 %, no fit to page. This bar is 100 mm long: check it before you print card.');
  for (const station of STATIONS) {
    room(30);
    write(BOLD, 12, PLUM, STATION_NAMES[station]);
    write(PLAIN, 10.5, INK, plan[station].verdict);
    const facts = plan[station].figures.map((f) => fact(f, workshop)).join('   ');
    if (facts) write(PLAIN, 9, QUIET, facts);
    doc.moveDown(0.5);
  }
  if (snags.length > 0) {
    room(30);
    write(BOLD, 12, PLUM, 'Still to settle');
    for (const snag of snags) write(PLAIN, 10, INK, `• ${snag.title}. ${snag.why}`);
    doc.moveDown(0.5);
  }
  room(40);
  write(BOLD, 12, PLUM, 'At the bench');
  plan.make.steps.forEach((step, i) => {
    room(18);
    write(BOLD, 10.5, INK, `${i + 1}. ${step.title}: ${step.big}`);
    write(PLAIN, 9.5, INK, step.detail);
    if (step.caution) write(PLAIN, 9, '#8a3b00', `Caution. ${step.caution}`);
    doc.moveDown(0.3);
  });

  function rule(kit: PDFKit.PDFDocument, text: string): void {
    const [x, y] = [pt(EDGE_MM), kit.y + 4];
    kit
      .lineWidth(0.8)
      .strokeColor('#1d2930')
      .moveTo(x, y + 8)
      .lineTo(x + pt(100), y + 8)
      .stroke();
    for (let mm = 0; mm <= 100; mm += 10)
      kit
        .moveTo(x + pt(mm), y + (mm % 50 === 0 ? 2 : 5))
        .lineTo(x + pt(mm), y + 8)
        .stroke();
    kit.x = x;
    kit.y = y + 12;
    if (text) write(PLAIN, 9, INK, text);
    kit.moveDown(0.8);
  }
}

const fact = (figure: Figure, spoken: ExportInput['workshop']): string =>
  `${figure.label}: ${figure.value.kind === 'length' ? formatLength(figure.value.mm, spoken.unit) : say(figure.value, spoken)}`;
