import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { changeJob, decide, facesOfPictures, newJob, type ElsewhereShows, type Job, type JobChange } from '@zippy/core';
import { draw } from '../src/drawings/draw.ts';
import { Refusal } from '../src/refusal.ts';
import { planOf, workshop } from './support.ts';

const DPI = 254;
const PX_PER_MM = DPI / 25.4;

/** A side fold of 60 × 80 mm with a bleed of 3, whose front is teal and carries a word’s worth of rule. */
const card = (...changes: readonly JobChange[]): Job =>
  changeJob(newJob('Ebb & flow', workshop), [
    decide((job) => job.size.format, 'sideFold'),
    decide((job) => job.size.finishedWidthMm, 60),
    decide((job) => job.size.finishedHeightMm, 80),
    decide((job) => job.size.bleedMm, 3),
    decide((job) => job.art.faces.at('front'), { background: '#0b7f86', picture: null, texts: [] }),
    ...changes,
  ]);

describe('pictures to draw on elsewhere', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-pixels-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  /** Unpacked by another program. */
  async function unpacked(job: Job, shows: ElsewhereShows, dpi = DPI): Promise<string> {
    const made = await draw({ kind: 'pixels', job, workshop, pictures: new Map(), typefaces: new Map(), dpi, shows });
    const { name, bytes } = made as { readonly name: string; readonly bytes: Uint8Array };
    expect(name).to.match(/^ebb-flow-.*dpi\.zip$/);
    const zip = join(folder, name);
    writeFileSync(zip, bytes);
    const into = mkdtempSync(join(folder, 'open-'));
    execFileSync('/usr/bin/python3', ['-m', 'zipfile', '-e', zip, into]);
    return into;
  }
  const read = async (file: string) => {
    const { density } = await sharp(file).metadata();
    const { data, info } = await sharp(file).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const at = (xMm: number, yMm: number): readonly number[] => {
      const i = 3 * (Math.floor(yMm * PX_PER_MM) * info.width + Math.floor(xMm * PX_PER_MM));
      return [...data.subarray(i, i + 3)];
    };
    return { density, width: info.width, height: info.height, at };
  };
  const WHITE = [255, 255, 255];

  it('are the open card either side up and every face, in exact pixels that say their dots to the inch', async () => {
    const into = await unpacked(card(), 'nothing');
    const names = readdirSync(into).sort();
    expect(names).to.deep.equal(
      ['back', 'front', 'insideBack', 'insideFront', 'open-inside', 'open-outside']
        .map((id) => `${id}.png`)
        .concat('read-me.txt'),
    );
    const open = await read(join(into, 'open-outside.png'));
    // 126 × 86 mm at ten dots to the millimetre; a face bleeds on three sides.
    expect([open.width, open.height, open.density]).to.deep.equal([1260, 860, DPI]);
    const front = await read(join(into, 'front.png'));
    expect([front.width, front.height]).to.deep.equal([630, 860]);
    for (const [x, y] of [
      [1, 1],
      [30, 40],
      [62, 85],
    ] as const)
      expect(front.at(x, y)).to.deep.equal(WHITE);
    expect(readFileSync(join(into, 'read-me.txt'), 'utf8')).to.match(
      /front\.png: Front, 630 × 860 pixels, 63\.0 × 86\.0 mm/,
    );
  });

  it('have their lines where the card is cut, folded and kept clear, or its art, and no line where none is wanted', async () => {
    const lines = await unpacked(card(), 'guides');
    const [open, inside, front] = await Promise.all(
      ['open-outside', 'open-inside', 'front'].map((id) => read(join(lines, `${id}.png`))),
    );
    const marked = ({ at }: Awaited<ReturnType<typeof read>>, xMm: number, yMm: number): boolean =>
      [-0.2, -0.1, 0, 0.1, 0.2].some((d) => Math.min(...at(xMm + d, yMm)) < 200);
    // The trim 3 mm in, the fold in the middle (dashed: somewhere along three centimetres), bare paper between.
    for (const page of [open!, inside!]) {
      expect(marked(page, 3, 43)).to.equal(true);
      expect(marked(page, 123, 43)).to.equal(true);
      expect(Array.from({ length: 60 }, (_, i) => marked(page, 63, 20 + i / 2)).some(Boolean)).to.equal(true);
      expect(page.at(33, 43)).to.deep.equal(WHITE);
    }
    // The front’s fold is its left edge: the cut is 3 mm in on the right, where bleed is hatched beyond it.
    expect(marked(front!, 60, 43)).to.equal(true);
    for (let x = 6; x < 56; x += 1) expect(front!.at(x, 43), `no line at ${x}`).to.deep.equal(WHITE);
    const beyond = Array.from({ length: 40 }, (_, i) => front!.at(61.5, 20 + i / 2));
    expect(beyond.some((px) => Math.min(...px) < 250)).to.equal(true);

    const drawn = await unpacked(card(), 'art');
    expect(readdirSync(drawn).some((name) => name.startsWith('open'))).to.equal(false);
    const art = await read(join(drawn, 'front.png'));
    for (const [x, y] of [
      [0.2, 0.2],
      [30, 40],
      [62.8, 85.8],
    ] as const)
      expect(art.at(x, y)).to.deep.equal([11, 127, 134]);
  });

  it('come back to the faces of their size', async () => {
    const into = await unpacked(card(), 'art', 300);
    const plan = await planOf(card());
    const files = await Promise.all(
      ['insideBack.png', 'front.png'].map(async (name) => {
        const { width, height } = await sharp(join(into, name)).metadata();
        return { name, widthPx: width, heightPx: height };
      }),
    );
    expect(facesOfPictures(files, plan.art.faces)).to.deep.equal([
      { faceId: 'insideBack', bled: true, open: null },
      { faceId: 'front', bled: true, open: null },
    ]);
  });

  it('that would come to more than a program holds are refused, with how many dots would do', async () => {
    const large = card(
      decide((job) => job.size.finishedWidthMm, 290),
      decide((job) => job.size.finishedHeightMm, 400),
    );
    let refused: unknown;
    await draw({
      kind: 'pixels',
      job: large,
      workshop,
      pictures: new Map(),
      typefaces: new Map(),
      dpi: 1200,
      shows: 'nothing',
    }).catch((why: unknown) => (refused = why));
    expect(refused).to.be.instanceOf(Refusal);
    const [, dots] = /take (\d+) dots or fewer/.exec((refused as Refusal).message)!;
    // Six pictures of together 4 × 293 × 406 + ... mm: what is offered is taken.
    const made = await draw({
      kind: 'pixels',
      job: large,
      workshop,
      pictures: new Map(),
      typefaces: new Map(),
      dpi: 72,
      shows: 'nothing',
    });
    expect((made as { readonly bytes: Uint8Array }).bytes.length).to.be.above(1000);
    expect(Number(dots)).to.be.within(72, 1199);
  });
});
