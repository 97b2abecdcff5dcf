import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'playwright-core';
import {
  decide,
  boxPath,
  changeJob,
  drawProof,
  drawTemplate,
  IDENTITY,
  nameSheet,
  newJob,
  printedBox,
  seenSide,
  turnedLeftRight,
  uprightGrain,
  type Box,
  type Job,
  type PaperSide,
  type Shape,
  type Workshop,
} from '@zippy/core';
import {
  exportFiles,
  loadFonts,
  readPicture,
  type ExportFormat,
  type ExportInput,
  type ExportWhat,
  type PictureBytes,
} from '../../server/src/exports/index.ts';
import { piecesOf, sharedPdf } from '../../server/src/exports/shared.ts';
import { printingOrder } from '../../server/src/exports/kinds/sheets.ts';
import { planOf, workshop as demoShop } from '../../server/test/support.ts';
import { openBrowser } from '../support.ts';
import { broughtPictures, CASES, FACES_OF_CARD, type Case, type FaceOfCard } from './cases.ts';
import { apart, cut, onPaper, PX_PER_MM, Readers, type Pixels, type Region } from './readers.ts';
import { Screen } from './screenOf.ts';

/** A card that opens to twice its width; outside, the front is on the right. */
const [WIDE, HIGH, BLEED] = [60, 80, 3];
const BLANK = printedBox(2 * WIDE, HIGH, BLEED);
const WHOLE: Region = { page: BLANK, box: { ...BLANK, xMm: 0, yMm: 0 } };

/** Of 255; a screen’s colours, and those of four inks, which reach fewer. */
const ALIKE = 24;
const ALIKE_IN_INKS = 60;
/** Share of a picture that may be astray. */
const ASTRAY = 0.007;

const SIDE_OF: Readonly<Record<FaceOfCard, PaperSide>> = {
  ...{ front: 'outside', back: 'outside' },
  ...{ insideFront: 'inside', insideBack: 'inside' },
};

/** Small enough for one turned card or two upright ones: every reader draws whole sheets, and none reads more of a larger. */
const SHEET = { widthMm: 145, heightMm: 195 };

/** White, where a printer lays it, goes on together with the colours. */
const shop: Workshop = {
  ...demoShop,
  stocks: demoShop.stocks.map((s) => ({ ...s, sheetWidthMm: SHEET.widthMm, sheetHeightMm: SHEET.heightMm })),
  printers: demoShop.printers.map((p) => ({
    ...p,
    paths: p.paths.map((path) => (path.white ? { ...path, white: 'inPass' as const } : path)),
  })),
};

/** Colours of a page as another program drew them, and its white where it has any. */
interface Read {
  readonly colours: Buffer;
  readonly white: Buffer | null;
}

describe('what is seen is what is written', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-seen-'));
  const readers = new Readers(folder);
  let browser: Browser;
  let screen: Screen;
  const brought = new Map<string, { readonly ref: Job['pictures'][string]; readonly bytes: PictureBytes }>();

  before(async () => {
    browser = await openBrowser();
    screen = await Screen.open(browser);
    for (const [id, name, bytes] of await broughtPictures()) {
      const picture = await readPicture(name, bytes);
      brought.set(id, { ref: picture.ref, bytes: { mime: picture.ref.mime, bytes: picture.bytes } });
    }
  });
  after(async () => {
    await browser.close();
    rmSync(folder, { recursive: true, force: true });
  });

  async function inputOf({ faces, changes = [], onPanels = [] }: Case): Promise<ExportInput> {
    const mats = onPanels.map((face, i) => ({
      ...{ id: `mat${i + 1}`, kind: 'mat' as const, faces: [face], revealMm: 5, stockIds: ['shell-300-a4'] },
      picture: faces[face]!.picture,
    }));
    const job = changeJob(newJob('Seen', shop), [
      decide((job) => job.size.format, 'sideFold'),
      decide((job) => job.size.finishedWidthMm, WIDE),
      decide((job) => job.size.finishedHeightMm, HIGH),
      decide((job) => job.size.bleedMm, BLEED),
      decide((job) => job.brief.wanted, 4),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.sheet.grain, 'respect'),
      decide((job) => job.pictures, Object.fromEntries([...brought].map(([id, { ref }]) => [id, ref]))),
      ...Object.entries(faces).map(([id, art]) =>
        decide((job) => job.art.faces.at(id), { background: null, picture: null, texts: [], ...art }),
      ),
      ...(mats.length > 0 ? [decide((job) => job.size.layers, mats)] : []),
      ...changes,
    ]);
    return {
      ...{ job, plan: await planOf(job, shop), workshop: shop, fonts: await loadFonts(), date: null },
      pictures: new Map([...brought].map(([id, { bytes }]) => [id, bytes])),
    };
  }

  const write = async (what: ExportWhat, format: ExportFormat, from: ExportInput): Promise<readonly Buffer[]> =>
    (await exportFiles(what, format, from)).map(({ bytes }) => bytes);

  /** Shapes on a stock as the application draws them. */
  const seen = (from: ExportInput, shapes: readonly Shape[], box: Box, stock: string): Promise<Buffer> =>
    screen.draw(
      { box, symbols: {}, shapes: [{ kind: 'path', role: 'stock', path: boxPath(box), fill: stock }, ...shapes] },
      from.job.pictures,
      from.pictures,
      PX_PER_MM,
    );

  /** One side of the open blank as it is read, with the names of one card. */
  function side(from: ExportInput, which: PaperSide, card = 0): Promise<Buffer> {
    const { plan, job, fonts } = from;
    const { colour } = plan.stock.stock;
    const named = nameSheet({ job, size: plan.size, sheet: plan.sheet, typefaces: fonts.book, sheetNumber: 1 });
    const children = [...seenSide(plan.art, which, colour), ...(named?.shapes[which][card] ?? [])];
    const transform = which === 'inside' ? turnedLeftRight(2 * WIDE) : IDENTITY;
    return seen(from, [{ kind: 'group', transform, children }], BLANK, colour);
  }

  for (const [name, one] of Object.entries(CASES))
    it(name, async () => {
      const from = await inputOf(one);
      const { plan } = from;
      const stock = plan.stock.stock.colour;
      const lays = plan.art.onStock.coloured && plan.art.onStock.white;
      const told: string[] = [];
      const compare = (file: string, made: Pixels, wanted: Pixels, by = ALIKE): void => {
        const share = apart(made, wanted, by);
        if (!(share <= ASTRAY)) told.push(`${file}: ${(share * 100).toFixed(2)} % is another`);
      };
      const hold = async (file: string, read: Read, at: Region, wanted: Pixels, by = ALIKE): Promise<void> =>
        compare(
          file,
          onPaper(await cut(read.colours, at), read.white && (await cut(read.white, at)), stock),
          wanted,
          by,
        );
      const fromPdf = async (pdf: Buffer, page: number): Promise<Read> => ({
        colours: readers.pdfPage(pdf, page),
        white: lays ? await readers.whiteOf(pdf, page) : null,
      });
      /** A drawing’s white is a drawing of its own that comes after it. */
      const fromDrawn = (files: readonly Buffer[], n: number, read: (file: Buffer) => Buffer): Read =>
        lays
          ? { colours: read(files[2 * n]!), white: read(files[2 * n + 1]!) }
          : { colours: read(files[n]!), white: null };
      const asItIs = (png: Buffer): Buffer => png;

      // Each file is written once, and every side and face that carries art is looked for in it.
      const sheetFiles = {
        pdf: (await write('sheets', 'pdf', from))[0]!,
        svg: await write('sheets', 'svg', from),
        png: await write('sheets', 'png', from),
      };
      const { sheetWidthMm, sheetHeightMm, placements, named } = plan.sheet;
      expect(placements.some(({ turned }) => turned)).to.equal(one.turned === true);
      const oneByOne = named
        ? null
        : {
            pdf: (await write('face', 'pdf', from))[0]!,
            svg: await write('face', 'svg', from),
            png: await write('face', 'png', from),
            press: (await write('press', 'pdf', from))[0]!,
            sides: await exportFiles('side', 'pdf', from),
            // A shared sheet lies with its fibres upright; one that was turned for that is looked at elsewhere.
            shared: one.turned ? null : await onSharedSheet(from),
          };
      const withArt = FACES_OF_CARD.filter((id) => one.faces[id]);
      for (const which of ['outside', 'inside'] as const) {
        const faces = withArt.filter((id) => SIDE_OF[id] === which);
        if (faces.length === 0) continue;
        const drawn = await side(from, which);
        const whole = await cut(drawn, WHOLE);

        // Every card of the first sheet.
        const run = [...printingOrder(plan)];
        const isOurs = (p: (typeof run)[number]): boolean =>
          p.side === (which === 'outside' ? 'front' : 'back') && p.sheetNumber === 1;
        const once = run.filter(({ sheetNumber }) => named !== null || sheetNumber === 1);
        const sheets: Readonly<Record<string, Read>> = {
          'sheets.pdf': await fromPdf(sheetFiles.pdf, run.findIndex(isOurs) + 1),
          'sheets.svg': fromDrawn(sheetFiles.svg, once.findIndex(isOurs), (f) => readers.svg(f)),
          'sheets.png': fromDrawn(sheetFiles.png, once.findIndex(isOurs), asItIs),
        };
        for (const [i, { trim, turned }] of placements.entries()) {
          const box = grown(trim);
          // Seen from behind, left and right have changed places, and a card turned clockwise is turned the other way.
          const at: Region = {
            page: { widthMm: sheetWidthMm, heightMm: sheetHeightMm },
            box: which === 'outside' ? box : { ...box, xMm: sheetWidthMm - box.xMm - box.widthMm },
            turns: turned ? (which === 'outside' ? 3 : 1) : 0,
          };
          const wanted = named ? await cut(await side(from, which, i), WHOLE) : whole;
          for (const [file, read] of Object.entries(sheets))
            await hold(`${file}, ${which}, card ${i + 1}`, read, at, wanted);
        }

        for (const id of faces) {
          // A face bleeds on every side but at its fold, which is at the left of a right half.
          const n = plan.art.faces.findIndex(({ face }) => face.id === id);
          const isRight = id === 'front' || id === 'insideBack';
          const [onBlank, onPage] = isRight ? [BLEED + WIDE, 0] : [BLEED, BLEED];
          const box = { yMm: BLEED, widthMm: WIDE, heightMm: HIGH };
          const faceSeen = await cut(drawn, { page: BLANK, box: { xMm: onBlank, ...box } });
          const bare = onPaper({ ...faceSeen, data: Buffer.alloc(faceSeen.data.length, 255) }, null, stock);
          expect(apart(faceSeen, bare, 40), `art on the screen, ${id}`).to.be.above(0.008);
          if (!oneByOne) continue;
          const page = { widthMm: WIDE + BLEED, heightMm: HIGH + 2 * BLEED };
          expect(readers.pageSize(oneByOne.pdf, n + 1).widthMm).to.be.closeTo(page.widthMm, 0.01);
          const at: Region = { page, box: { xMm: onPage, ...box } };
          await hold(`face.pdf, ${id}`, await fromPdf(oneByOne.pdf, n + 1), at, faceSeen);
          const svg = fromDrawn(oneByOne.svg, n, (f) => readers.svg(f));
          await hold(`face.svg, ${id}`, svg, at, faceSeen);
          await hold(`face.png, ${id}`, fromDrawn(oneByOne.png, n, asItIs), at, faceSeen);
          const inks = {
            colours: await readers.pressed(oneByOne.press, n + 1),
            white: lays ? await readers.whiteOf(oneByOne.press, n + 1) : null,
          };
          await hold(`press.pdf, ${id}`, inks, at, faceSeen, ALIKE_IN_INKS);
        }
        if (!oneByOne) continue;
        const ownSide = oneByOne.sides.find((f) => f.name.includes(which))!.bytes;
        await hold(`side.pdf, ${which}`, await fromPdf(ownSide, 1), WHOLE, whole);
        if (oneByOne.shared) {
          const read = await fromPdf(oneByOne.shared, which === 'outside' ? 1 : 2);
          await hold(`shared.pdf, ${which}`, read, SHARED[which], whole);
        }
      }

      const panels = plan.sheet.layers.filter(({ print }) => print);
      expect(panels).to.have.length(one.onPanels?.length ?? 0);
      const panelFile = panels.length > 0 ? (await write('panels', 'pdf', from))[0]! : null;
      let before = 0;
      for (const layer of panels) {
        const art = plan.art.panels[layer.piece.id]!;
        const { colour, sheetWidthMm: widthMm, sheetHeightMm: heightMm } = layer.piece.stock;
        const { piece } = layer;
        const box = printedBox(piece.blank.widthMm, piece.blank.heightMm, piece.bleedMm);
        const panel = { page: box, box: { ...box, xMm: 0, yMm: 0 } };
        const wanted = await cut(await seen(from, art.shapes, box, colour), panel);
        const pdf = readers.pdfPage(panelFile!, before + 1);
        before += layer.sheets;
        for (const { trim, turned } of layer.laid) {
          const at = { page: { widthMm, heightMm }, box: grown(trim), turns: turned ? 3 : 0 };
          compare(`panels.pdf, ${piece.id}`, onPaper(await cut(pdf, at), null, colour), wanted);
        }
      }

      // The thumbnail that is folded first shows what comes out on the card.
      const proof = drawProof(plan, from.job.brief.title, shop.unit);
      const paper: Region = { page: proof.scene.box, box: proof.scene.box };
      const proofSeen = await cut(await screen.draw(proof.scene, from.job.pictures, from.pictures, PX_PER_MM), paper);
      compare('proof.pdf', await cut(readers.pdfPage((await write('proof', 'pdf', from))[0]!), paper), proofSeen);

      expect(told.join('\n')).to.equal('');
    });

  const grown = (b: Box): Box => ({
    xMm: b.xMm - BLEED,
    yMm: b.yMm - BLEED,
    widthMm: b.widthMm + 2 * BLEED,
    heightMm: b.heightMm + 2 * BLEED,
  });

  const SHARED_AT = { xMm: 11, yMm: 31 };
  const sharedBox = grown({ ...SHARED_AT, widthMm: 2 * WIDE, heightMm: HIGH });
  const SHARED: Readonly<Record<PaperSide, Region>> = {
    outside: { page: SHEET, box: sharedBox },
    inside: { page: SHEET, box: { ...sharedBox, xMm: SHEET.widthMm - sharedBox.xMm - sharedBox.widthMm } },
  };
  /** The card once on a sheet that other jobs would share. */
  async function onSharedSheet(from: ExportInput): Promise<Buffer> {
    const { job, plan, pictures, fonts } = from;
    const { printer, path, stock } = plan.stock;
    const jobs = [{ id: '11111111-1111-4111-8111-111111111111', job, plan: plan, pictures }];
    const sheet = uprightGrain(stock, path.marginsMm, 'sheets', { sides: ['front', 'back'], flipEdge: 'long' });
    const piece = piecesOf(jobs, { grain: 'ignore', own: [] }).find(({ kind }) => kind === 'card')!;
    const { id, widthMm, heightMm } = piece;
    const placements = [{ id, ...SHARED_AT, widthMm, heightMm, turned: false }];
    const pdf = await sharedPdf(
      jobs,
      {
        ...{ own: [], sheets: [sheet], flipEdge: 'long', grain: 'ignore' },
        patterns: [{ sheetId: stock.id, times: 1, placements }],
      },
      { printer, path, stocks: [stock] },
      fonts,
      null,
    );
    expect(readers.pageSize(pdf).widthMm).to.be.closeTo(SHEET.widthMm, 0.01);
    return pdf;
  }

  it('a template, which carries no art: its lines lie where the screen draws them, and no art changes its file', async () => {
    const [plain, art] = [
      await inputOf({ faces: {} }),
      await inputOf({ faces: { front: { gradient: { from: '#f4c9a0', to: '#2a5d68', angleDeg: 30 } } } }),
    ];
    const scene = drawTemplate(plain.plan.size);
    const region: Region = { page: scene.box, box: { ...scene.box, xMm: 0, yMm: 0 } };
    const dark = async (png: Buffer): Promise<Pixels> => {
      // Strokes on a screen are as wide as can be seen; what counts is where they lie.
      const { data, width, height } = await cut(png, region);
      return { data: Buffer.from(data.map((v) => (v < 225 ? 0 : 255))), width, height };
    };
    const wanted = await dark(await screen.draw(scene, {}, new Map(), PX_PER_MM));
    expect(apart(wanted, { ...wanted, data: Buffer.alloc(wanted.data.length, 255) }, 40)).to.be.above(0.01);
    const pdf = (await write('template', 'pdf', plain))[0]!;
    const svg = (await write('template', 'svg', plain))[0]!;
    expect(apart(await dark(readers.pdfPage(pdf)), wanted, 40), 'PDF').to.be.below(ASTRAY);
    expect(apart(await dark(readers.svg(svg)), wanted, 40), 'SVG').to.be.below(ASTRAY);
    expect((await write('template', 'svg', art))[0]!.equals(svg)).to.equal(true);
    expect((await write('template', 'pdf', art))[0]!.equals(pdf)).to.equal(true);
  });
});
