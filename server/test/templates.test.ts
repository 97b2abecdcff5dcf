import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { changeJob, decide, decideEach, FORMATS, type Job, type Plan, type Point } from '@zippy/core';
import { readJobFile } from '@zippy/core/job-file';
import { exportFiles, loadFonts, type ExportFile, type ExportFormat, type ExportWhat } from '../src/exports/index.ts';
import { planOf, workshop } from './support.ts';

/** Templates are read back by programs that had no part in writing them. */
const DEMO = fileURLToPath(new URL('../../demo/', import.meta.url));
const MARGIN_MM = 12;

/** The demo’s own cards, one for each format and a few more, without their pictures. */
function demoJobs(): readonly { readonly file: string; readonly job: Job }[] {
  return ['formats', 'jobs'].flatMap((folder) =>
    readdirSync(join(DEMO, folder)).map((name) => {
      const raw = JSON.parse(readFileSync(join(DEMO, folder, name), 'utf8')) as Record<string, unknown>;
      delete raw.pictures;
      delete raw.art;
      for (const layer of (raw.size as { layers?: { picture?: unknown }[] }).layers ?? []) delete layer.picture;
      const read = readJobFile(raw, workshop);
      if (!read.ok) throw new Error(`${name}: ${read.why}`);
      return { file: `${folder}/${name}`, job: read.value.job };
    }),
  );
}

interface DxfFigure {
  readonly layer: string;
  readonly closed: boolean;
  readonly points: readonly (readonly [number, number])[];
}

/** Every polyline of a file as ezdxf reads it, after its own audit of the file. */
function readDxf(path: string): { readonly units: number; readonly figures: readonly DxfFigure[] } {
  const script = `
import ezdxf, json, sys
document = ezdxf.readfile(sys.argv[1])
assert not document.audit().errors
figures = [dict(layer=e.dxf.layer, closed=bool(e.closed), points=[p[:2] for p in e.get_points()]) for e in document.modelspace().query('LWPOLYLINE')]
assert len(figures) == len(document.modelspace())
print(json.dumps(dict(units=document.header['$INSUNITS'], figures=figures)))`;
  return JSON.parse(
    execFileSync('/usr/bin/python3', ['-c', script, path], { encoding: 'utf8', maxBuffer: 1e8 }),
  ) as ReturnType<typeof readDxf>;
}

const shoelace = (points: readonly (readonly [number, number])[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], i) => {
      const [nextX, nextY] = points[(i + 1) % points.length]!;
      return sum + x * nextY - nextX * y;
    }, 0) / 2,
  );

describe('templates', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-template-'));
  after(() => rmSync(folder, { recursive: true, force: true }));
  const write = async (plan: Plan, job: Job, what: ExportWhat, format: ExportFormat): Promise<readonly ExportFile[]> =>
    exportFiles(what, format, { job, workshop, plan, fonts: await loadFonts(), pictures: new Map(), date: null });
  const save = ({ name, bytes }: ExportFile): string => {
    const path = join(folder, name);
    writeFileSync(path, bytes);
    return path;
  };

  it('there is a demo card for every format', () =>
    expect(new Set(demoJobs().map(({ job }) => job.size.format))).to.deep.equal(new Set(FORMATS.map(({ id }) => id))));

  for (const { file, job } of demoJobs())
    it(`${file}: ezdxf finds every corner and crease within a hundredth of a millimetre`, async () => {
      const plan = await planOf(job);
      const { blank } = plan.size.form;
      const { units, figures } = readDxf(save((await write(plan, job, 'template', 'dxf'))[0]!));
      expect(units, 'millimetres').to.equal(4);
      const of = (layer: string): readonly DxfFigure[] => figures.filter((f) => f.layer === layer);
      // The file’s y runs up from the bottom of the page, which reaches past the bleed.
      const lowest = Math.max(...plan.size.bleedOutline.map((p) => p.yMm)) + MARGIN_MM;
      const near = (got: readonly (readonly [number, number])[], wanted: readonly Point[]): void => {
        expect(got).to.have.length(wanted.length);
        wanted.forEach((p, i) => {
          expect(got[i]![0]).to.be.closeTo(p.xMm, 0.01);
          expect(lowest - got[i]![1]).to.be.closeTo(p.yMm, 0.01);
        });
      };
      // What is within is cut first, the outline last.
      const cut = of('cut').at(-1);
      expect(cut!.closed).to.equal(true);
      near(cut!.points, blank.outline);
      for (const [layer, direction] of [
        ['crease-away', 'mountain'],
        ['crease-toward', 'valley'],
      ] as const) {
        const creases = blank.creases.filter((c) => c.direction === direction);
        expect(of(layer), layer).to.have.length(creases.length);
        creases.forEach((crease, i) => near(of(layer)[i]!.points, [crease.from, crease.to]));
      }
      if (plan.size.bleedMm > 0) near(of('bleed')[0]!.points, plan.size.bleedOutline);
      expect(of('safe').length).to.equal(
        blank.panels.filter(
          ({ id, box }) =>
            Math.min(box.widthMm, box.heightMm) > 6 && plan.size.faces.some(({ panelId }) => panelId === id),
        ).length,
      );
    });

  /** Where a line of one colour runs in a narrow window of the drawing, as a rasteriser shows it. */
  async function lineAt(
    svg: string,
    colour: readonly [number, number, number],
    at: Point,
    along: 'x' | 'y',
  ): Promise<number> {
    const [w, h] = along === 'x' ? [1, 6] : [6, 1];
    // The hatch of the bleed would be drawn for the whole card at this scale; it is not looked at here.
    const window = svg
      .replace(/<g id="bleed">.*?<\/g>/s, '')
      .replace(
        /<svg [^>]*viewBox="[^"]*"/,
        `<svg xmlns="http://www.w3.org/2000/svg" width="${w * 400}px" height="${h * 400}px" viewBox="${at.xMm - w / 2} ${at.yMm - h / 2} ${w} ${h}"`,
      );
    const path = join(folder, 'window.svg');
    writeFileSync(path, window);
    const png = execFileSync('rsvg-convert', ['-b', 'white', path], { maxBuffer: 1e8 });
    const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    let [sum, count] = [0, 0];
    for (let y = 0; y < info.height; y += 1)
      for (let x = 0; x < info.width; x += 1) {
        const i = (y * info.width + x) * 3;
        if (colour.every((c, k) => Math.abs(data[i + k]! - c) < 24)) {
          sum += along === 'x' ? x + 0.5 : y + 0.5;
          count += 1;
        }
      }
    expect(count, 'no such line there').to.be.greaterThan(500);
    return (along === 'x' ? at.xMm - w / 2 : at.yMm - h / 2) + sum / count / 400;
  }
  const PLUM = [0x7b, 0x28, 0x69] as const;
  const TEAL = [0x0b, 0x7f, 0x86] as const;
  const OCHRE = [0xa8, 0x64, 0x00] as const;

  it('a rasteriser finds creases and straight cuts of every format within a hundredth of a millimetre', async () => {
    for (const { file, job } of demoJobs()) {
      const plan = await planOf(job);
      const { blank } = plan.size.form;
      const svg = (await write(plan, job, 'template', 'svg'))[0]!.bytes.toString('utf8');
      for (const crease of blank.creases) {
        const upright = Math.abs(crease.from.xMm - crease.to.xMm) < 1e-6;
        const middle = {
          xMm: crease.from.xMm * 0.6 + crease.to.xMm * 0.4,
          yMm: crease.from.yMm * 0.6 + crease.to.yMm * 0.4,
        };
        const seen = await lineAt(svg, crease.direction === 'mountain' ? TEAL : OCHRE, middle, upright ? 'x' : 'y');
        expect(seen, `${file} ${crease.id}`).to.be.closeTo(upright ? middle.xMm : middle.yMm, 0.01);
      }
      // The lowest edge of every blank but the shaped ones is straight and level.
      if (blank.outline.length > 8) continue;
      const front = blank.panels.find((p) => p.id === plan.size.form.frontPanelId)!.box;
      const foot = { xMm: front.xMm + front.widthMm * 0.4, yMm: front.yMm + front.heightMm };
      expect(await lineAt(svg, PLUM, foot, 'y'), file).to.be.closeTo(foot.yMm, 0.01);
    }
  });

  it('a machine has a file for each kind of sheet: ezdxf finds every outline where the plan has it, and nothing else to cut', async () => {
    const { job } = demoJobs().find(({ file }) => file.endsWith('boat-trip-voucher.json'))!;
    const asked = changeJob(job, [
      ...decideEach((at) => at.envelope, { make: true, stockId: 'reed-120-a3', style: 'pocket' }),
      decide((at) => at.envelope.liner, { stockId: 'reed-120-a4', insetMm: 3 }),
    ]);
    const plan = await planOf(asked);
    const { layers } = plan.sheet;
    const files = await write(plan, asked, 'cut', 'dxf');
    const stems = ['machine', ...layers.map((_, i) => `machine-layer-${i + 1}`), 'machine-envelope', 'machine-liner'];
    expect(files.map(({ name }) => name.replace(/^.*-(machine.*)\.dxf$/, '$1'))).to.deep.equal(stems);
    const ups = [...layers.map(({ up }) => up), plan.envelope.up, plan.envelope.liner!.up];
    const blanks = [...layers.map(({ blank }) => blank), plan.envelope.blank, plan.envelope.liner!.blank];
    for (const [i, file] of files.slice(1).entries()) {
      const { figures } = readDxf(save(file));
      const of = (layer: string): readonly DxfFigure[] => figures.filter((f) => f.layer === layer);
      const { up, blank } = { up: ups[i]!, blank: blanks[i]! };
      expect(up, stems[i + 1]).to.be.above(0);
      expect(of('crease-away').length + of('crease-toward').length).to.equal(up * blank.creases.length);
      // Neighbours may share an edge, which is cut once: what is enclosed is told by area where they do not.
      const areas = of('cut')
        .filter(({ closed }) => closed)
        .map(({ points }) => shoelace(points));
      const whole = shoelace(blank.outline.map(({ xMm, yMm }) => [xMm, yMm] as const));
      for (const area of areas) {
        const isHole = blank.cuts.some(
          ({ points }) => Math.abs(shoelace(points.map((p) => [p.xMm, p.yMm] as const)) - area) < 0.5,
        );
        if (!isHole) expect(area, stems[i + 1]).to.be.closeTo(whole, 0.5);
      }
      expect(new Set(figures.map(({ layer }) => layer))).to.satisfy((found: Set<string>) =>
        [...found].every((layer) => ['cut', 'crease-away', 'crease-toward', 'mark', 'sheet'].includes(layer)),
      );
    }
  });

  it('layers of the SVG go by the names that cutting programs sort by', async () => {
    const { job } = demoJobs().find(({ file }) => file.endsWith('heron-zigzag.json'))!;
    const svg = (await write(await planOf(job), job, 'template', 'svg'))[0]!.bytes.toString('utf8');
    const ids = [...svg.matchAll(/<g id="([\w-]+)">/g)].map(([, id]) => id);
    expect(ids).to.deep.equal(['bleed', 'safe', 'crease-away', 'crease-toward', 'cut']);
  });

  it('the PDF has the card’s own boxes, and a page for every layer', async () => {
    const { job } = demoJobs().find(({ file }) => file.endsWith('short-front.json'))!;
    const plan = await planOf(job);
    const path = save((await write(plan, job, 'template', 'pdf'))[0]!);
    const info = execFileSync('pdfinfo', ['-box', '-f', '1', '-l', '1', path], { encoding: 'utf8' });
    const box = (name: string): readonly number[] =>
      new RegExp(`${name}:\\s+(.*)`)
        .exec(info)![1]!
        .trim()
        .split(/\s+/)
        .map((pt) => (Number(pt) * 25.4) / 72);
    const [left, , right] = box('TrimBox');
    // Back 100, front 75: 175 mm of trim; bleed 3 on either side.
    expect(right! - left!).to.be.closeTo(175, 0.01);
    const [bleedLeft, , bleedRight] = box('BleedBox');
    expect(bleedRight! - bleedLeft!).to.be.closeTo(181, 0.01);
    expect(Number(/Pages:\s+(\d+)/.exec(info)![1])).to.equal(1 + plan.size.layers.length);
    expect(plan.size.layers.map((piece) => piece.name)).to.deep.equal(['Mat 1, front', 'Mat 2, front', 'Insert']);
  });

  it('guides keep off the card: nothing is printed inside the bleed', async () => {
    const { job } = demoJobs().find(({ file }) => file.endsWith('quarter-fold.json'))!;
    const plan = await planOf(job);
    const path = save((await write(plan, job, 'guides', 'pdf'))[0]!);
    execFileSync('pdftoppm', ['-r', '127', '-png', '-singlefile', path, join(folder, 'guides')]);
    const { data, info } = await sharp(join(folder, 'guides.png'))
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const perMm = 5;
    const from = MARGIN_MM * perMm;
    let [within, outside] = [0, 0];
    for (let y = 0; y < info.height; y += 1)
      for (let x = 0; x < info.width; x += 1) {
        if (data[y * info.width + x]! > 250) continue;
        const inBleed = x >= from && y >= from && x < info.width - from && y < info.height - from;
        if (inBleed) within += 1;
        else outside += 1;
      }
    expect(within).to.equal(0);
    expect(outside).to.be.greaterThan(100);
  });

  it('the proof folds back to back: every inside name lies upright behind its own panel', async () => {
    const { job } = demoJobs().find(({ file }) => file.endsWith('heron-at-dawn.json'))!;
    const plan = await planOf(job);
    const path = save((await write(plan, job, 'proof', 'pdf'))[0]!);
    const words = execFileSync('pdftotext', ['-bbox', path, '-'], { encoding: 'utf8' });
    const at = (word: string): Point => {
      const found = new RegExp(`xMin="([\\d.]+)" yMin="([\\d.]+)" xMax="([\\d.]+)" yMax="([\\d.]+)">${word}<`).exec(
        words,
      );
      expect(found, word).not.to.equal(null);
      const [, x1, y1, x2, y2] = found!.map(Number);
      return { xMm: ((x1! + x2!) / 2 / 72) * 25.4, yMm: ((y1! + y2!) / 2 / 72) * 25.4 };
    };
    // A tent: outside, the back above the front; then, folded back about the line below the front, the
    // inside of the front comes first and the inside of the back last.
    const [back, front] = [at('Back'), at('Front')];
    const [top, bottom] = [at('top'), at('bottom')];
    const order = [back.yMm, front.yMm, top.yMm, bottom.yMm];
    expect([...order].sort((a, b) => a - b)).to.deep.equal(order);
    // The line between lies as far below the front’s middle as the inside of the front lies below the line.
    const scale = (front.yMm - back.yMm) / plan.size.finishedHeightMm;
    expect(top.yMm - front.yMm).to.be.closeTo(plan.size.finishedHeightMm * scale, 3);
  });
});
