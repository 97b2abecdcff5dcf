import {
  cardRows,
  correctionsInForce,
  correctPage,
  drawEnvelopePage,
  drawFedEnvelope,
  isOwnPass,
  namesInUse,
  pageAsSent,
  rowOfCard,
  wantedOf,
  whitePlate,
  type EnvelopePrint,
  type Page,
  type PlateKind,
} from '@zippy/core';
import { plateOfPage } from '../plateOfPage.ts';
import { ExportRefused, type Draft, type DraftPage, type Exporter, type ExportInput } from '../types.ts';

/** Everything of the envelopes that goes through a printer, a picture of each, or a table of who is where. */
export const printedEnvelopes: Exporter<'pdf' | 'png' | 'csv'> = (input, format, name) => {
  const { print, sheets } = input.plan.envelope;
  if (!print)
    throw new ExportRefused(
      'Nothing is printed on the envelope: put an address or art on one of its faces at Envelope or Art first.',
    );
  if (print.on === 'blank' && sheets === 0)
    throw new ExportRefused('The envelope does not fit on its sheet: apply one of the remedies at Envelope first.');
  if (format === 'csv') return [whoGetsWhich(input, name)];
  return format === 'pdf' ? files(input, print, name) : pictures(input, name);
};

/** A pass is a file of its own where white is one. */
function files(input: ExportInput, print: EnvelopePrint, name: string): readonly Draft[] {
  const { passes, white } = print;
  const count = pagesOf(input, print);
  const total = passes.reduce((n, { sides }) => n + count * sides.length, 0);
  const apart = isOwnPass(white);
  const parts = apart ? passes.map((pass) => [pass]) : [passes];
  return parts.map((own, i) => ({
    kind: 'pages',
    stem: apart ? `${name}-envelopes-${i + 1}-${own[0]!.plate}` : `${name}-envelopes`,
    title: `${input.job.brief.title}: envelopes`,
    pages: printedPages(input, print, own),
    total,
  }));
}

const pagesOf = ({ plan: { envelope } }: ExportInput, { on }: EnvelopePrint): number =>
  on === 'blank' ? envelope.sheets : envelope.fedPages;

function* printedPages(
  input: ExportInput,
  print: EnvelopePrint,
  passes: EnvelopePrint['passes'],
): Generator<DraftPage> {
  const { job, plan, date, fonts } = input;
  const { envelope } = plan;
  const page = { widthMm: print.pageWidthMm, heightMm: print.pageHeightMm };
  const inForce = correctionsInForce(print.path, envelope.stock.gsm, page);
  const named = { job, typefaces: fonts.book, outlines: false };
  const sent = (drawn: Page, plate: PlateKind, side: 'front' | 'back', repeats: boolean): DraftPage => {
    const plated = { ...drawn, scene: plateOfPage(drawn.scene, plate) };
    const out = pageAsSent(correctPage(plated, inForce, side), print.path);
    return { page: out, white: print.white === 'inPass' ? whitePlate(out.scene) : undefined, repeats };
  };
  for (const { plate, sides } of passes)
    for (let n = 1; n <= pagesOf(input, print); n += 1)
      for (const side of sides) {
        const drawn =
          print.on === 'blank'
            ? drawEnvelopePage(envelope, side, named, { title: job.brief.title, date, sheetNumber: n, plate })
            : drawFedEnvelope(envelope, n - 1, named);
        yield sent(drawn, plate, side, n > 1);
      }
}

/** The front of every envelope as it is read; of one, where all are alike. */
function* pictures({ job, plan, fonts }: ExportInput, name: string): Generator<Draft> {
  const names = namesInUse(job);
  const count = names ? cardRows(names).length : 1;
  const upright = { ...job, envelope: { ...job.envelope, feedTurn: 0 as const } };
  const { widthMm, heightMm } = plan.envelope.art.piece.faces[0]!;
  const read = {
    ...plan.envelope,
    print: { ...plan.envelope.print!, pageWidthMm: widthMm, pageHeightMm: heightMm },
  };
  for (let card = 0; card < count; card += 1) {
    const { scene } = drawFedEnvelope(read, card, { job: upright, typefaces: fonts.book });
    const number = count > 1 ? `-${String(card + 1).padStart(String(count).length, '0')}` : '';
    yield {
      ...{
        kind: 'drawing',
        stem: `${name}-envelope-front${number}`,
        title: `${job.brief.title}: envelope ${card + 1}`,
      },
      scene,
    };
  }
}

/** Which words each envelope carries, in the order of the cards: the same as on them. */
function whoGetsWhich({ job }: ExportInput, name: string): Draft {
  const names = namesInUse(job);
  if (!names)
    throw new ExportRefused('No words on the envelope come from a list, so there is no table of who gets which.');
  const rows = Array.from({ length: wantedOf(job) }, (_, card): readonly (string | number)[] => {
    const row = rowOfCard(names, card);
    return [card + 1, ...(row === null ? names.columns.map(() => '') : names.rows[row]!)];
  });
  return { kind: 'table', stem: `${name}-envelopes-in-order`, columns: ['envelope', ...names.columns], rows };
}
