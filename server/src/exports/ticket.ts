import { formatLength, MM_PER_POINT, say, STATION_NAMES, STATIONS, allSnags, type Figure } from '@zippy/core';
import { PdfFile } from './pdfDocument.ts';
import { collect } from './collect.ts';
import type { ExportFile, ExportInput } from './types.ts';

const A4_MM = { width: 210, height: 297 } as const;
const EDGE_MM = 16;
const pt = (mm: number): number => mm / MM_PER_POINT;
const PLAIN = 'plain';
const BOLD = 'bold';

/** The job on paper, to stand beside the printer and the bench. */
export async function ticketPdf(input: ExportInput, name: string): Promise<readonly ExportFile[]> {
  const { job, plan, workshop, fonts, date } = input;
  const file = new PdfFile(`${job.brief.title}: job ticket`, input);
  const bytes = collect(file.stream);
  const doc = file.flow;
  doc.registerFont(PLAIN, fonts.bytes.get('atkinson-hyperlegible-next-400') as unknown as string);
  doc.registerFont(BOLD, fonts.bytes.get('atkinson-hyperlegible-next-700') as unknown as string);
  const page = (): void => void doc.addPage({ size: [pt(A4_MM.width), pt(A4_MM.height)], margin: pt(EDGE_MM) });
  const room = (mm: number): void => {
    if (doc.y > pt(A4_MM.height - EDGE_MM - mm)) page();
  };
  page();
  doc.font(BOLD).fontSize(20).fillColor('#1d2930').text(job.brief.title);
  doc.font(PLAIN).fontSize(10).fillColor('#56656e').text([workshop.studioName, date].filter(Boolean).join(' · '));
  doc.moveDown(0.6);
  rule(
    doc,
    plan.sheet.sheets > 0
      ? 'Print at 100 %, no fit to page. This bar is 100 mm long: check it before you print card.'
      : '',
  );
  for (const station of STATIONS) {
    room(30);
    doc.font(BOLD).fontSize(12).fillColor('#7b2869').text(STATION_NAMES[station]);
    doc.font(PLAIN).fontSize(10.5).fillColor('#1d2930').text(plan[station].verdict);
    const facts = plan[station].figures.map((f) => fact(f, workshop)).join('   ');
    if (facts) doc.fontSize(9).fillColor('#56656e').text(facts);
    doc.moveDown(0.5);
  }
  const snags = allSnags(plan);
  if (snags.length > 0) {
    room(30);
    doc.font(BOLD).fontSize(12).fillColor('#7b2869').text('Still to settle');
    for (const snag of snags) doc.font(PLAIN).fontSize(10).fillColor('#1d2930').text(`• ${snag.title}. ${snag.why}`);
    doc.moveDown(0.5);
  }
  room(40);
  doc.font(BOLD).fontSize(12).fillColor('#7b2869').text('At the bench');
  plan.make.steps.forEach((step, i) => {
    room(18);
    doc
      .font(BOLD)
      .fontSize(10.5)
      .fillColor('#1d2930')
      .text(`${i + 1}. ${step.title}: ${step.big}`);
    doc.font(PLAIN).fontSize(9.5).fillColor('#1d2930').text(step.detail);
    if (step.caution) doc.fontSize(9).fillColor('#8a3b00').text(`Caution. ${step.caution}`);
    doc.moveDown(0.3);
  });
  file.end();
  return [{ name: `${name}-ticket.pdf`, mime: 'application/pdf', bytes: await bytes }];

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
    kit
      .font(PLAIN)
      .fontSize(9)
      .fillColor('#1d2930')
      .text(text, x, y + 12);
    kit.moveDown(0.8);
  }
}

const fact = (figure: Figure, spoken: ExportInput['workshop']): string =>
  `${figure.label}: ${figure.value.kind === 'length' ? formatLength(figure.value.mm, spoken.unit) : say(figure.value, spoken)}`;
