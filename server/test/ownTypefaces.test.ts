import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { changeJob, decide, MM_PER_POINT, newJob, planJob, type Job, type TextBlock } from '@zippy/core';
import type { OwnTypefaceRow, StoredJob } from '@zippy/core/contract';
import { exportFiles, loadFonts, withOwn, type ExportInput } from '../src/exports/index.ts';
import { readOwnTypeface, TypefaceRefused } from '../src/typefaces/readOwnTypeface.ts';
import { drawnPage } from './drawnPage.ts';
import { pixelsOf, shareApart, type Pixels } from './pixels.ts';
import { Serving } from './serving.ts';
import { workshop } from './support.ts';

/** Fonts made for this, and for nothing else: see make_fonts.py beside them. */
const font = (name: string): Buffer => readFileSync(new URL(`files/${name}`, import.meta.url));
const refused = (name: string, bytes: Buffer): Promise<string> =>
  readOwnTypeface(name, bytes).then(
    () => 'it was read',
    (problem: unknown) => {
      if (!(problem instanceof TypefaceRefused)) throw problem;
      return problem.message;
    },
  );

const words = (typefaceId: string, part: Partial<TextBlock> = {}): TextBlock => ({
  ...{ id: 'w', text: 'LOW Oo 27', typefaceId, sizePt: 40, align: 'left', lineSpacing: 1.2, colour: '#1d2930' },
  ...{ leftMm: 6, topMm: 6, widthMm: 110 },
  ...part,
});

/** A flat card with words in a typeface that was brought. */
async function inputIn(file: string, part: Partial<TextBlock> = {}): Promise<ExportInput> {
  const { id, ref, bytes } = await readOwnTypeface(file, font(file));
  const job: Job = changeJob(newJob('Signals', workshop), [
    decide((job) => job.size.format, 'flat'),
    decide((job) => job.size.finishedWidthMm, 120),
    decide((job) => job.size.finishedHeightMm, 60),
    decide((job) => job.typefaces.at(id), ref),
    decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [words(id, part)] }),
  ]);
  const fonts = withOwn(await loadFonts(), new Map([[id, bytes]]));
  const plan = planJob(job, workshop, { typefaces: fonts.book, today: null });
  return { job, plan, workshop, fonts, pictures: new Map(), date: null };
}

describe('typefaces that makers bring', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-own-typefaces-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('are known by their content, name and rights', async () => {
    const read = await readOwnTypeface('anything.bin', font('signal.otf'));
    expect(read.ref.name).to.equal('Marrowby Signal Cut');
    expect(read.id).to.equal(`own-${read.ref.sha256.slice(0, 16)}`);
    // Space, O and o, and the sixty-five signs of bars.
    expect(read.facts).to.deep.equal({
      embedding: { level: 'editable', inPart: true },
      letters: 68,
      variable: false,
    });
    expect((await readOwnTypeface('x', font('signal-kept.ttf'))).facts.embedding.level).to.equal('none');
  });

  it('are refused in a sentence that says what they are and what to do', async () => {
    const begun = (...bytes: number[]): Buffer => Buffer.concat([Buffer.from(bytes), Buffer.alloc(400)]);
    expect(await refused('a.woff2', begun(0x77, 0x4f, 0x46, 0x32))).to.match(
      /WOFF2, packed for websites; bring .* TTF/,
    );
    expect(await refused('a.ttc', begun(0x74, 0x74, 0x63, 0x66))).to.match(/collection of several typefaces/);
    expect(await refused('a.pfb', begun(0x80, 0x01))).to.match(/Type 1 font/);
    expect(await refused('a.zip', begun(0x50, 0x4b, 3, 4))).to.match(/unpack it first/);
    expect(await refused('a.ttf', Buffer.alloc(0))).to.match(/is empty/);
    expect(await refused('a.ttf', Buffer.from('<svg/>'))).to.match(/is no typeface/);
    expect(await refused('a.ttf', Buffer.alloc(25 * 1024 * 1024))).to.match(/is 25 MB; the most is 24 MB/);
  });

  it('are read or refused, whatever is cut off or changed in them, and nothing else happens', async function () {
    this.timeout(120_000);
    let state = 7;
    const random = (below: number): number => {
      state = (state * 1_103_515_245 + 12_345) & 0x7fffffff;
      return state % below;
    };
    let [read, not] = [0, 0];
    for (const file of ['signal.ttf', 'signal.otf', 'signal.woff'])
      for (let n = 0; n < 80; n += 1) {
        const whole = font(file);
        const bytes = n % 4 === 0 ? whole.subarray(0, random(whole.length)) : Buffer.from(whole);
        if (n % 4 !== 0) for (let k = 0; k <= n % 7; k += 1) bytes[random(bytes.length)] = random(256);
        if ((await refused(file, bytes)) === 'it was read') read += 1;
        else not += 1;
      }
    // Both happen, or this tries nothing.
    expect(read).to.be.above(10);
    expect(not).to.be.above(30);
  });

  it('unpack to no more than any typeface comes to', async () => {
    // One table that says it is ten bytes long and unpacks to a hundred million.
    const packed = deflateSync(Buffer.alloc(100_000_000));
    const woff = Buffer.alloc(64 + packed.length);
    woff.write('wOFF', 0, 'latin1');
    woff.writeUInt32BE(0x00010000, 4);
    woff.writeUInt16BE(1, 12);
    woff.write('head', 44, 'latin1');
    woff.writeUInt32BE(64, 48);
    woff.writeUInt32BE(packed.length, 52);
    woff.writeUInt32BE(packed.length + 1, 56);
    packed.copy(woff, 64);
    expect(await refused('bomb.woff', woff)).to.match(/is damaged or not whole/);
  });

  /** A face as poppler draws its PDF, and as our PNG has it. */
  async function bothWays(
    made: ExportInput,
  ): Promise<{ readonly pdf: string; readonly drawn: Pixels; readonly png: Pixels }> {
    const pdf = join(folder, `${randomUUID()}.pdf`);
    writeFileSync(pdf, (await exportFiles('face', 'pdf', made))[0]!.bytes);
    const [png] = await exportFiles('face', 'png', made);
    const size = { width: 700, height: 367 };
    return {
      pdf,
      drawn: await pixelsOf(drawnPage(pdf, { ppi: 200 }), size),
      png: await pixelsOf(png!.bytes, size),
    };
  }
  const inked = ({ data }: Pixels): number => data.filter((v) => v < 128).length / 3;

  for (const file of ['signal.ttf', 'signal.otf', 'signal.woff'])
    it(`${file} stands in the PDF: poppler finds it, reads its words and draws what the screen draws`, async () => {
      const { pdf, drawn, png } = await bothWays(await inputIn(file));
      expect(execFileSync('pdffonts', [pdf]).toString()).to.match(/\+MarrowbySignal/);
      expect(execFileSync('pdftotext', [pdf, '-']).toString()).to.contain('LOW Oo 27');
      expect(inked(png)).to.be.above(3000);
      expect(shareApart(drawn, png)).to.be.below(0.004);
    });

  it('a variable one is set in the style that it begins with, though it is smaller than a pool of buffers', async () => {
    const small = font('buoy-variable.ttf');
    // Node lays small files side by side in one buffer: what is read is this one’s part of it.
    expect(small.length).to.be.below(Buffer.poolSize / 2);
    const pooled = Buffer.from(small);
    expect(pooled.byteLength).to.be.below(pooled.buffer.byteLength);
    const read = await readOwnTypeface('buoy.ttf', pooled);
    expect(read.facts).to.deep.include({ variable: true, letters: 2 });
    const { pdf, drawn, png } = await bothWays(await inputIn('buoy-variable.ttf', { text: 'II II', sizePt: 60 }));
    expect(execFileSync('pdffonts', [pdf]).toString()).to.match(/\+MarrowbyBuoy/);
    expect(inked(png)).to.be.above(1000);
    expect(shareApart(drawn, png)).to.be.below(0.004);
  });

  it('one that its makers keep out of files is drawn in the PDF, the same letters in the same places', async () => {
    const kept = await bothWays(await inputIn('signal-kept.ttf'));
    expect(execFileSync('pdffonts', [kept.pdf]).toString()).to.not.contain('Signal');
    expect(execFileSync('pdftotext', [kept.pdf, '-']).toString()).to.not.contain('LOW');
    expect(readFileSync(kept.pdf).includes('MarrowbySignal')).to.equal(false);
    expect(inked(kept.drawn)).to.be.above(3000);
    expect(shareApart(kept.drawn, kept.png)).to.be.below(0.004);
    // The two files hold the same outlines, one as a font and one as figures.
    const free = await bothWays(await inputIn('signal.ttf'));
    expect(shareApart(kept.drawn, free.drawn)).to.be.below(0.001);
  });

  it('lays white under its letters on dark card, one card of a list after another, as a font or as figures', async () => {
    const whites: Pixels[] = [];
    for (const file of ['signal.ttf', 'signal-kept.ttf']) {
      const { job, fonts, ...rest } = await inputIn(file, { text: '{name}', colour: '#ffffff' });
      const named = changeJob(job, [
        decide((job) => job.stock.stockId, workshop.stocks.find(({ colourName }) => /navy/i.test(colourName))!.id),
        decide((job) => job.stock.printerId, 'skua'),
        decide((job) => job.stock.pathId, 'tray'),
        decide((job) => job.names, { columns: ['name'], rows: [['LOW Oo'], ['TIDE 27']] }),
        decide((job) => job.sheet.spares, 0),
      ]);
      const shop = {
        ...workshop,
        printers: workshop.printers.map((p) => ({
          ...p,
          paths: p.paths.map((path) => (path.white ? { ...path, white: 'inPass' as const } : path)),
        })),
      };
      const plan = planJob(named, shop, { typefaces: fonts.book, today: null });
      const [pdf] = await exportFiles('sheets', 'pdf', { ...rest, job: named, plan, fonts, workshop: shop });
      const path = join(folder, `navy-${file}.pdf`);
      writeFileSync(path, pdf!.bytes);
      execFileSync('gs', [
        ...['-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-dMaxBitmap=0', '-sDEVICE=tiffsep', '-r400', '-dLastPage=1'],
        ...[`-sOutputFile=${path}.tif`, path],
      ]);
      whites.push(await pixelsOf(readFileSync(`${path}(White).tif`), { width: 827, height: 1169 }));
    }
    // Dark where white goes: the letters of the cards, and the same either way but for their edges.
    const [asFont, asFigures] = whites.map(inked) as [number, number];
    // Each of eleven letters is bars of about a tenth of a square em, and an em is 55 pixels: 40 pt at 100 to the inch.
    expect(asFont).to.be.above(11 * 0.1 * 55 ** 2 * 0.8);
    // Of a figure every dot is painted that it touches, of a letter those whose middle it covers: at 400 to the inch one
    // dot more across and one along each bar, which is 0.09 em by half an em. Source: PostScript Language Reference, 7.5
    const [dot, em] = [25.4 / 400, 40 * MM_PER_POINT];
    const more = dot / (0.09 * em) + dot / (0.5 * em);
    expect(asFigures / asFont).to.be.within(1, 1 + more);
    const apart = shareApart(whites[0]!, whites[1]!) * 827 * 1169;
    expect(apart / asFont).to.be.below(more);
  });

  it('also on an arc, in spaced letters and in small capitals', async () => {
    for (const part of [{ arcMm: 60 }, { letterSpacingEm: 0.2, sizePt: 24 }, { smallCaps: true, sizePt: 24 }])
      for (const file of ['signal.otf', 'signal-kept.ttf']) {
        const { drawn, png } = await bothWays(await inputIn(file, { text: 'Low tide', ...part }));
        expect(inked(png)).to.be.above(600);
        expect(shareApart(drawn, png), `${file} ${JSON.stringify(part)}`).to.be.below(0.004);
      }
  });
});

describe('a studio’s own typefaces', () => {
  const serving = new Serving();
  const call = (method: string, path: string, body?: Buffer | object): Promise<Response> =>
    fetch(`${serving.base}${path}`, {
      method,
      ...(body
        ? {
            body: Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body),
            headers: { 'Content-Type': Buffer.isBuffer(body) ? 'application/octet-stream' : 'application/json' },
          }
        : {}),
    });
  const bring = async (file: string): Promise<OwnTypefaceRow> =>
    (await (await call('POST', `/typefaces?name=${file}`, font(file))).json()) as OwnTypefaceRow;
  const list = async (): Promise<readonly OwnTypefaceRow[]> =>
    (await (await call('GET', '/typefaces')).json()) as OwnTypefaceRow[];
  const jobIn = (row: OwnTypefaceRow, title = 'Signals'): Job =>
    changeJob(newJob(title, workshop), [
      decide((job) => job.typefaces.at(row.id), { name: row.name, sha256: row.sha256 }),
      decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [words(row.id)] }),
    ]);

  it('are brought, listed with the jobs that use them, fetched as they came, and taken out', async () => {
    const row = await bring('signal.ttf');
    await bring('signal.ttf');
    const id = randomUUID();
    expect((await call('POST', '/jobs', { id, document: jobIn(row, 'Harbour signals') })).status).to.equal(201);
    const mine = (await list()).filter((one) => one.id === row.id);
    expect(mine).to.have.length(1);
    expect(mine[0]!.jobs).to.deep.equal(['Harbour signals']);
    const bytes = Buffer.from(await (await call('GET', `/typefaces/${row.sha256}`)).arrayBuffer());
    expect(bytes.equals(font('signal.ttf'))).to.equal(true);
    const wrong = await call('POST', '/typefaces?name=note.txt', Buffer.from('a note'));
    expect(wrong.status).to.equal(422);
    expect(await wrong.json()).to.deep.equal({
      message: 'note.txt is no typeface; choose a file that ends in .ttf, .otf or .woff.',
      field: 'typeface',
    });
    // Off the wall, a job uses nothing.
    await call('DELETE', `/jobs/${id}`);
    expect((await list()).find((one) => one.id === row.id)!.jobs).to.deep.equal([]);
    expect((await call('DELETE', `/typefaces/${row.sha256}`)).status).to.equal(204);
    expect((await call('GET', `/typefaces/${row.sha256}`)).status).to.equal(404);
    expect((await call('DELETE', `/typefaces/${row.sha256}`)).status).to.equal(404);
  });

  it('go with a job’s own file where they may, and are known by their content where it is opened', async () => {
    const [free, kept] = [await bring('signal.otf'), await bring('signal-kept.ttf')];
    const id = randomUUID();
    const document = changeJob(jobIn(free), [
      decide((job) => job.typefaces.at(kept.id), { name: kept.name, sha256: kept.sha256 }),
      decide(
        (job) => job.art.faces.at('front').texts,
        [words(free.id, { emphasis: { lines: [0], scale: 2, typefaceId: kept.id } })],
      ),
    ]);
    await call('POST', '/jobs', { id, document });
    const file = (await (await call('GET', `/jobs/${id}/file`)).json()) as {
      typefaces: Record<string, { data?: string; sha256: string }>;
      art: unknown;
    };
    expect(Buffer.from(file.typefaces[free.id]!.data!, 'base64').equals(font('signal.otf'))).to.equal(true);
    expect(file.typefaces[kept.id]!).to.deep.equal({ name: kept.name, sha256: kept.sha256 });
    // Whoever writes a file by hand calls a typeface as they like.
    const byHand = JSON.parse(
      JSON.stringify(file)
        .replaceAll(free.id, 'own-flags')
        .replaceAll(/"sha256":"[0-9a-f]{64}","data"/g, '"data"'),
    ) as object;
    await call('DELETE', `/typefaces/${free.sha256}`);
    const opened = await call('POST', '/jobs/file', { id: randomUUID(), file: byHand });
    expect(opened.status, await opened.clone().text()).to.equal(201);
    const job = ((await opened.json()) as StoredJob).document;
    expect(job.art.faces.front!.texts[0]!.typefaceId).to.equal(free.id);
    expect(Object.keys(job.typefaces!).sort()).to.deep.equal([free.id, kept.id].sort());
    expect((await list()).map((one) => one.id)).to.include(free.id);
    const nameless = await call('POST', '/jobs/file', { id: randomUUID(), file: { ...file, typefaces: {} } });
    expect((await nameless.json()) as object).to.include({ field: 'art.faces.front.texts.0.typefaceId' });
  });

  it('that are not here stop a run; the job is opened all the same', async () => {
    const id = randomUUID();
    const gone = { ...(await bring('signal.woff')), id: `own-${'0'.repeat(16)}`, sha256: '0'.repeat(64) };
    expect((await call('POST', '/jobs', { id, document: jobIn(gone) })).status).to.equal(201);
    const run = await call('POST', '/runs', { id: randomUUID(), jobId: id });
    expect(((await run.json()) as { message: string }).message).to.match(/Marrowby Signal Cut is not in this studio/);
    const misnamed = { ...jobIn(gone), typefaces: { 'own-other': { name: 'x', sha256: gone.sha256 } } };
    const refused = await call('POST', '/jobs', { id: randomUUID(), document: misnamed });
    expect(((await refused.json()) as { message: string }).message).to.match(/own-other to be called own-0{16}/);
  });

  it('draw faces and files that are asked for, in the processes that draw', async () => {
    const row = await bring('signal.ttf');
    const [own, other] = [randomUUID(), randomUUID()];
    await call('POST', '/jobs', { id: own, document: jobIn(row) });
    const plain = changeJob(jobIn(row), [
      decide((job) => job.art.faces.at('front').texts, [words('atkinson-hyperlegible-next-400')]),
    ]);
    await call('POST', '/jobs', { id: other, document: plain });
    const face = async (id: string): Promise<Buffer> =>
      Buffer.from(await (await call('GET', `/jobs/${id}/faces/front.png?width=660&height=930&dpi=150`)).arrayBuffer());
    const size = { width: 330, height: 465 };
    const apart = shareApart(await pixelsOf(await face(own), size), await pixelsOf(await face(other), size));
    expect(apart).to.be.above(0.01);
  });
});
