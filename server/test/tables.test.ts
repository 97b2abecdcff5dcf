import { expect } from 'chai';
import Papa from 'papaparse';
import { decide, changeJob, newJob, STATIONS, type Job, type JobChange } from '@zippy/core';
import { exportFiles, ExportRefused, loadFonts, type ExportWhat } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

async function rowsOf(what: ExportWhat, job: Job): Promise<readonly Record<string, string>[]> {
  const input = { job, plan: await planOf(job), workshop, fonts: await loadFonts(), pictures: new Map(), date: null };
  const [file] = await exportFiles(what, 'csv', input);
  expect(file!.mime).to.equal('text/csv');
  // Spreadsheets take a file for western without its mark.
  expect([...file!.bytes.subarray(0, 3)]).to.deep.equal([0xef, 0xbb, 0xbf]);
  const read = Papa.parse<Record<string, string>>(file!.bytes.toString('utf8').slice(1), {
    header: true,
    skipEmptyLines: true,
  });
  expect(read.errors).to.deep.equal([]);
  return read.data;
}
const card = (...changes: readonly JobChange[]): Job =>
  changeJob(newJob('Tables', workshop), [
    decide((job) => job.size.finishedWidthMm, 96),
    decide((job) => job.size.finishedHeightMm, 136),
    decide((job) => job.sheet.spares, 0),
    ...changes,
  ]);
const named = (rows: readonly (readonly string[])[]): Job =>
  card(
    decide((job) => job.brief.wanted, rows.length),
    decide((job) => job.names, { columns: ['name', 'from'], rows }),
    decide((job) => job.art.faces.at('front'), {
      background: null,
      picture: null,
      texts: [
        {
          ...{ id: 'n', text: '{name}', typefaceId: 'eb-garamond-400', sizePt: 14, align: 'centre' },
          ...{ lineSpacing: 1.2, colour: '#1d2930', leftMm: 5, topMm: 60, widthMm: 80 },
        },
      ],
    }),
  );

describe('tables', () => {
  it('say who is on which sheet, so that each place’s pile, top to foot, goes on with the list', async () => {
    const list = Array.from({ length: 9 }, (_, i) => [`Guest ${i + 1}`, 'Łódź, “quay”']);
    const rows = await rowsOf('sheets', named(list));
    const sheets = Math.max(...rows.map((row) => Number(row.sheet)));
    const piles = [...new Set(rows.map((row) => row.place))].map((place) =>
      rows.filter((row) => row.place === place).sort((a, b) => Number(a.sheet) - Number(b.sheet)),
    );
    expect(piles.every((pile) => pile.length === sheets)).to.equal(true);
    const inHand = piles.flat().filter((row) => row.card !== '');
    expect(inHand.map((row) => row.name)).to.deep.equal(list.map(([name]) => name));
    expect(inHand[0]!.from).to.equal('Łódź, “quay”');
  });

  it('keep a name that begins like a formula as text', async () => {
    const rows = await rowsOf('sheets', named([['=1+1', '@cmd']]));
    expect(rows[0]!.name).to.equal("'=1+1");
    expect(rows[0]!.from).to.equal("'@cmd");
  });

  it('list every setting in working order, in millimetres and as the maker measures', async () => {
    const job = card();
    const plan = await planOf(job);
    const rows = await rowsOf('cut', job);
    expect(rows.map((row) => row.step)).to.deep.equal([
      ...(plan.crease.onSheet ? plan.crease.lines.map(({ number }) => `crease ${number}`) : []),
      ...plan.cut.moves.map(({ number }) => `cut ${number}`),
      ...(plan.crease.onSheet ? [] : plan.crease.lines.map(({ number }) => `crease ${number}`)),
    ]);
    const first = rows.find((row) => row.step === 'cut 1')!;
    expect(Number(first['set to, mm'])).to.be.closeTo(plan.cut.moves[0]!.fenceMm, 0.005);
  });

  it('list the settings of a mat after those of the card, from its own sheet', async () => {
    const job = changeJob(card(), [
      decide(
        (job) => job.size.layers,
        [{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'] }],
      ),
    ]);
    const { cut } = await planOf(job);
    const rows = await rowsOf('cut', job);
    const own = rows.filter((row) => row.step!.startsWith('mat, front'));
    expect(own.map((row) => row.step)).to.deep.equal(
      cut.layers[0]!.moves.map(({ number }) => `mat, front, cut ${number}`),
    );
    expect(rows.slice(-own.length)).to.deep.equal(own);
    const { finishedWidthMm, finishedHeightMm } = job.size;
    // Its two sides are among what the fence is set to.
    const set = own.map((row) => Number(row['set to, mm']));
    expect(set)
      .to.include(finishedWidthMm - 10)
      .and.to.include(finishedHeightMm - 10);
  });

  it('list every figure of every station with its working', async () => {
    const job = card();
    const plan = await planOf(job);
    const rows = await rowsOf('ticket', job);
    expect(rows).to.have.length(STATIONS.reduce((n, station) => n + plan[station].figures.length, 0));
    expect(rows.find((row) => row.figure === 'Cards on a sheet')!.value).to.equal(String(plan.sheet.up));
  });

  it('are refused with the reason where there is nothing to list', async () => {
    let why: unknown;
    await rowsOf('sheets', card()).catch((problem: unknown) => (why = problem));
    expect(why).to.be.instanceOf(ExportRefused);
  });
});
