import {
  cardRows,
  correctionsInForce,
  correctPage,
  drawEnvelopePage,
  drawFedEnvelope,
  drawLinerPage,
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

/** Everything of the envelopes and their liners that goes through a printer, a picture of each, or who gets which. */
export const printedEnvelopes: Exporter<'pdf' | 'png' | 'csv'> = (input, format, name) => {
  const stacks = stacksOf(input);
  if (stacks.length === 0)
    throw new ExportRefused(
      'Nothing is printed on the envelope: put an address or art on one of its faces at Envelope or Art first.',
    );
  if (stacks.some(({ count }) => count === 0))
    throw new ExportRefused(
      'The envelope or its liner does not fit on its sheet: apply one of the remedies at Envelope first.',
    );
  if (format === 'csv') return [whoGetsWhich(input, name)];
  return format === 'pdf' ? stacks.flatMap((stack) => files(input, stack, name)) : pictures(input, name);
};

/** A stack of paper that goes through one printer. */
interface Stack {
  readonly what: 'envelopes' | 'liners';
  readonly print: EnvelopePrint;
  readonly gsm: number;
  readonly count: number;
  readonly page: (side: 'front' | 'back', number: number, plate: PlateKind) => Page;
}

function stacksOf({ job, plan: { envelope }, date, fonts }: ExportInput): readonly Stack[] {
  const named = { job, typefaces: fonts.book, outlines: false };
  const label = (sheetNumber: number, plate: PlateKind) => ({ title: job.brief.title, date, sheetNumber, plate });
  const { print, liner } = envelope;
  const stacks: Stack[] = [];
  if (print)
    stacks.push({
      ...{ what: 'envelopes', print, gsm: envelope.stock.gsm },
      count: print.on === 'blank' ? envelope.sheets : envelope.fedPages,
      page: (side, n, plate) =>
        print.on === 'blank'
          ? drawEnvelopePage(envelope, side, named, label(n, plate))
          : drawFedEnvelope(envelope, n - 1, named),
    });
  if (liner?.print)
    stacks.push({
      ...{ what: 'liners', print: liner.print, gsm: liner.stock.gsm, count: liner.sheets },
      page: (side, n, plate) => drawLinerPage(liner, side, named, label(n, plate)),
    });
  return stacks;
}

/** A pass is a file of its own where white is one. */
function files(input: ExportInput, stack: Stack, name: string): readonly Draft[] {
  const { passes, white } = stack.print;
  const total = passes.reduce((n, { sides }) => n + stack.count * sides.length, 0);
  const apart = isOwnPass(white);
  const parts = apart ? passes.map((pass) => [pass]) : [passes];
  return parts.map((own, i) => ({
    kind: 'pages',
    stem: apart ? `${name}-${stack.what}-${i + 1}-${own[0]!.plate}` : `${name}-${stack.what}`,
    title: `${input.job.brief.title}: ${stack.what}`,
    pages: printedPages(stack, own),
    total,
  }));
}

function* printedPages({ print, gsm, count, page }: Stack, passes: EnvelopePrint['passes']): Generator<DraftPage> {
  const inForce = correctionsInForce(print.path, gsm, { widthMm: print.pageWidthMm, heightMm: print.pageHeightMm });
  for (const { plate, sides } of passes)
    for (let n = 1; n <= count; n += 1)
      for (const side of sides) {
        const drawn = page(side, n, plate);
        const plated = { ...drawn, scene: plateOfPage(drawn.scene, plate) };
        const sent = pageAsSent(correctPage(plated, inForce, side), print.path);
        yield { page: sent, white: print.white === 'inPass' ? whitePlate(sent.scene) : undefined, repeats: n > 1 };
      }
}

/** The front of every envelope as it is read; of one, where all are alike. */
function* pictures({ job, plan, fonts }: ExportInput, name: string): Generator<Draft> {
  if (!plan.envelope.print)
    throw new ExportRefused('Nothing is printed on the front of the envelope, so there is no picture of it to write.');
  const names = namesInUse(job);
  const count = names ? cardRows(names).length : 1;
  const upright = { ...job, envelope: { ...job.envelope, feedTurn: 0 as const } };
  const { widthMm, heightMm } = plan.envelope.art.piece.faces[0]!;
  const read = {
    ...plan.envelope,
    print: { ...plan.envelope.print, pageWidthMm: widthMm, pageHeightMm: heightMm },
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
