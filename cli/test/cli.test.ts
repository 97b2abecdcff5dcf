import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Plan } from '@zippy/core';

const root = (path: string): string => fileURLToPath(new URL(`../../${path}`, import.meta.url));
const zippy = (...args: readonly string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [root('built/cli/src/main.js'), ...args], {
    cwd: root('.'),
    encoding: 'utf8',
  });
  return { status, stdout, stderr: stderr.trim() };
};

describe('zippy', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-cli-'));
  after(() => rmSync(folder, { recursive: true, force: true }));
  const file = (name: string, job: unknown): string => {
    const path = join(folder, name);
    writeFileSync(path, typeof job === 'string' ? job : JSON.stringify(job));
    return path;
  };
  const least = {
    format: 'zippy-crease-job',
    version: 1,
    brief: { title: 'Ebb tide', wanted: 40 },
    sheet: { spares: 5 },
  };

  it('plans a job written by hand, and prints nothing but JSON', () => {
    const path = file('tent.json', {
      ...least,
      size: { format: 'tentFold', finishedWidthMm: '136 mm', finishedHeightMm: '9.6 cm' },
    });
    const { status, stdout } = zippy('plan', path);
    expect(status).to.equal(0);
    const plan = JSON.parse(stdout) as Plan;
    expect(plan.sheet.up).to.equal(2);
    expect(plan.sheet.sheets).to.equal(23);
    expect(plan.size.form.blank.heightMm).to.be.closeTo(192, 1e-9);
  });

  it('writes a template of a shape of one’s own, one file for each piece', () => {
    const out = join(folder, 'template');
    const { status, stdout } = zippy(
      'export',
      root('demo/formats/short-front.json'),
      '--what',
      'template',
      '--format',
      'dxf',
      '--out',
      out,
    );
    expect(status).to.equal(0);
    expect(readdirSync(out).sort()).to.deep.equal([
      'low-tide-short-front-layer-1.dxf',
      'low-tide-short-front-layer-2.dxf',
      'low-tide-short-front-layer-3.dxf',
      'low-tide-short-front-template.dxf',
    ]);
    expect(stdout.trim().split('\n')).to.have.length(4);
  });

  it('names the option that a format cannot have, and the face that no format has', () => {
    const odd = file('odd.json', { ...least, size: { format: 'zigzag', options: { panels: 2.5 } } });
    expect(zippy('plan', odd)).to.deep.include({
      status: 2,
      stderr: 'size.options.panels wants a whole number; got 2.5.',
    });
    const lost = file('lost.json', { ...least, art: { faces: { sideways: { background: null } } } });
    expect(zippy('plan', lost).stderr).to.match(/^art\.faces\.sideways is not a field here/);
    // What only this size forbids is a stop with a remedy, not a refusal.
    const wide = file('wide.json', {
      ...least,
      size: { format: 'gateFold', finishedWidthMm: 80, finishedHeightMm: 100, options: { gapMm: '9 cm' } },
    });
    const { status, stdout } = zippy('check', wide);
    expect(status).to.equal(1);
    expect(stdout).to.match(
      /^stop {2}size {6}Gap between the doors cannot be 90 mm\. On a card of this size it goes from 0 mm to 64 mm/m,
    );
  });

  it('up: four quarters of a letter sheet exactly, with proof and cuts', () => {
    const { status, stdout } = zippy('up', '--sheet', '8 1/2 x 11in', '--piece', '4 1/4 × 5 1/2 in');
    expect(status).to.equal(0);
    const answer = JSON.parse(stdout) as {
      readonly up: number;
      readonly bound: number;
      readonly proven: boolean;
      readonly placements: readonly { x: number; y: number; w: number; h: number; turned: boolean }[];
      readonly cuts: readonly { fence: number }[];
    };
    expect(answer).to.include({ up: 4, bound: 4, proven: true });
    expect(answer.placements.map(({ x, y }) => [x, y])).to.deep.equal([
      [0, 0],
      [107.95, 0],
      [0, 139.7],
      [107.95, 139.7],
    ]);
    // One cut each way frees them: no bleed, no gutter, no waste.
    expect(answer.cuts.map((c) => c.fence)).to.deep.equal([107.95, 139.7]);
  });

  it('up: with ink a quarter inch inside, two opened tents are a letter sheet that leaves a quarter inch white', () => {
    const letter = ['--sheet', '8.5x11in', '--margins', '0.25in', '--piece', '5.5x8.5in'];
    const answer = (...more: string[]) =>
      JSON.parse(zippy('up', ...letter, ...more).stdout) as { up: number; proven: boolean; cuts: unknown[] };
    expect(answer('--ink', '0.25in')).to.deep.include({ up: 2, proven: true });
    expect(answer('--ink', '0.25in').cuts).to.have.length(1);
    expect(answer().up).to.equal(1);
    // Bare at three edges, and ink up to the one at its foot: turned, that foot lies left, away from the other.
    expect(answer('--ink', '1,1,0,1in').up).to.equal(1);
  });

  it('up: turns pieces only when it may, and keeps margins and bleed', () => {
    const sheet = [
      '--sheet',
      '210x297mm',
      '--margins',
      '5,5,5,5mm',
      '--piece',
      '90x50mm',
      '--bleed',
      '3mm',
      '--gutter',
      '6mm',
    ];
    const free = JSON.parse(zippy('up', ...sheet).stdout) as {
      up: number;
      placements: { x: number; y: number; turned: boolean }[];
    };
    const still = JSON.parse(zippy('up', ...sheet, '--no-turn').stdout) as typeof free;
    // As drawn: (194 + 6) ÷ 96 = 2 columns, (281 + 6) ÷ 56 = 5 rows. Turned: 3 columns × 2 rows, less.
    expect(still.up).to.equal(10);
    expect(still.placements.every((p) => !p.turned)).to.equal(true);
    expect(free.up).to.be.at.least(10);
    for (const p of free.placements) expect(Math.min(p.x, p.y)).to.be.at.least(8);
  });

  it('gang: a mixed order on the fewest sheets, enough of every piece', () => {
    const path = file('order.json', {
      sheet: { w: 297, h: 420 },
      margins: { top: 5, right: 5, bottom: 5, left: 5 },
      bleed: 3,
      gutter: '6 mm',
      pieces: [
        { id: 'base', w: 192, h: 136, wanted: 24, turn: false },
        { id: 'liner', w: 130, h: 95, wanted: 24, turn: true },
        { id: 'tag', w: 60, h: 40, wanted: 60, turn: true },
      ],
    });
    const { status, stdout } = zippy('gang', path);
    expect(status).to.equal(0);
    const answer = JSON.parse(stdout) as {
      readonly sheets: number;
      readonly bound: number;
      readonly patterns: readonly { times: number; placements: readonly { id: string; turned: boolean }[] }[];
    };
    expect(answer.sheets - answer.bound).to.be.within(0, 1);
    const count = (id: string): number =>
      answer.patterns.reduce((n, p) => n + p.times * p.placements.filter((q) => q.id === id).length, 0);
    expect(count('base')).to.be.at.least(24);
    expect(count('liner')).to.be.at.least(24);
    expect(count('tag')).to.be.at.least(60);
    expect(answer.patterns.every((p) => p.placements.every((q) => q.id !== 'base' || !q.turned))).to.equal(true);
  });

  it('exits 1 when a snag stops the job, and lists it', () => {
    const { status, stdout } = zippy('check', root('demo/jobs/lighthouse-thank-you.json'));
    expect(status).to.equal(1);
    expect(stdout).to.match(/^stop {2}sheet {5}Nothing left for bleed\./m);
  });

  it('writes a sheet in a typeface that lies beside the job file, and stops where one does not come along', () => {
    const block = { id: 'w', text: 'LOW TIDE', typefaceId: 'own-flags', sizePt: 30, align: 'left', lineSpacing: 1.2 };
    const texts = [{ ...block, colour: '#1d2930', leftMm: 5, topMm: 5, widthMm: 70 }];
    const job = { ...least, art: { faces: { front: { texts } } } };
    copyFileSync(root('server/test/files/signal.ttf'), join(folder, 'flags.ttf'));
    const flags = { name: 'Flags', file: 'flags.ttf' };
    const path = file('flags.json', { ...job, typefaces: { 'own-flags': flags } });
    const out = join(folder, 'flags');
    const { status, stdout, stderr } = zippy('export', path, '--what', 'face', '--format', 'pdf', '--out', out);
    expect(status, stderr).to.equal(0);
    const fonts = spawnSync('pdffonts', [stdout.trim().split('\n')[0]!], { encoding: 'utf8' }).stdout;
    expect(fonts).to.match(/\+MarrowbySignal/);
    const elsewhere = file('gone.json', {
      ...job,
      typefaces: { 'own-flags': { name: 'Flags', sha256: 'a'.repeat(64) } },
    });
    const check = zippy('check', elsewhere);
    expect(check.status).to.equal(1);
    expect(check.stdout).to.match(/^stop {2}art {7}Flags is not in this studio/m);
  });

  const bad: readonly (readonly [string, readonly string[], RegExp])[] = [
    [
      'gang with a piece too large',
      ['gang', file('huge.json', { sheet: { w: 100, h: 100 }, pieces: [{ id: 'sail', w: 200, h: 20, wanted: 1 }] })],
      /piece sail does not fit on the sheet/,
    ],
    [
      'gang with one id twice',
      [
        'gang',
        file('twice.json', {
          sheet: { w: 100, h: 100 },
          pieces: [
            { id: 'a', w: 20, h: 20, wanted: 1 },
            { id: 'a', w: 30, h: 20, wanted: 1 },
          ],
        }),
      ],
      /pieces\.1 stands twice/,
    ],
    ['gang without a file', ['gang'], /gang wants one order file/],
    ['up without a sheet', ['up', '--piece', '10x10mm'], /^--sheet is missing/],
    [
      'up with a piece that does not fit',
      ['up', '--sheet', '100x100mm', '--piece', '170x130mm'],
      /^--piece 170x130mm does not fit/,
    ],
    [
      'up with margins that leave nothing',
      ['up', '--sheet', '100x100mm', '--piece', '20x20mm', '--margins', '60mm'],
      /leave nothing of the sheet/,
    ],
    [
      'up with ink that ends inside and runs off at once',
      ['up', '--sheet', '100x100mm', '--piece', '20x20mm', '--ink', '5mm', '--bleed', '3mm'],
      /^--ink says that art ends inside the piece and --bleed that it runs off it; give one of them\.$/,
    ],
    [
      'up with three margins',
      ['up', '--sheet', '100x100mm', '--piece', '20x20mm', '--margins', '1,2,3mm'],
      /^--margins wants four lengths/,
    ],
    [
      'up with a length below nothing',
      ['up', '--sheet', '100x100mm', '--piece', '20x20mm', '--bleed=-1mm'],
      /^--bleed wants a length/,
    ],
    [
      'an unreadable length',
      ['plan', file('bad.json', { ...least, size: { finishedWidthMm: 'wide' } })],
      /^size\.finishedWidthMm cannot be read/,
    ],
    ['a file that is not there', ['plan', join(folder, 'none.json')], /there is no such file/],
    ['text that is not JSON', ['check', file('text.json', 'a card')], /is not JSON/],
    [
      'a picture left behind',
      ['plan', file('pic.json', { ...least, pictures: { boat: { name: 'Boat', file: 'boat.png' } } })],
      /^pictures\.boat\.file boat\.png is not beside the job file/,
    ],
    [
      'a typeface left behind',
      ['plan', file('font.json', { ...least, typefaces: { 'own-flags': { name: 'Flags', file: 'lost.ttf' } } })],
      /^typefaces\.own-flags\.file lost\.ttf is not beside the job file/,
    ],
    [
      'a typeface that is none',
      ['plan', file('font2.json', { ...least, typefaces: { 'own-flags': { name: 'Flags', data: 'AAAA' } } })],
      /^typefaces\.own-flags: Flags is no typeface; choose a file that ends in/,
    ],
    [
      'a format that is not written',
      ['export', file('ok.json', least), '--what', 'cut', '--format', 'png'],
      /^--format wants one of svg, dxf, csv for cut; got png/,
    ],
    [
      'pixels that are no size',
      ['export', file('px.json', least), '--what', 'face', '--format', 'png', '--pixels', 'wide'],
      /^--pixels wants width x height/,
    ],
    [
      'pixels for a PDF',
      ['export', file('px2.json', least), '--what', 'face', '--format', 'pdf', '--pixels', '900x900'],
      /^--pixels goes with --what face --format png/,
    ],
    ['no command', [], /^Usage: zippy/],
    ['an option we do not know', ['plan', file('ok2.json', least), '--colour'], /--colour/],
  ];
  for (const [name, args, why] of bad)
    it(`exits 2 with one line for ${name}`, () => {
      const { status, stdout, stderr } = zippy(...args);
      expect(status).to.equal(2);
      expect(stderr).to.match(why);
      expect(stderr.split('\n')).to.have.length(1);
      expect(stdout).to.equal('');
    });

  it('plans a job whose stock is not on this shelf with another in its place, says so and exits 1', () => {
    const job = file('stock.json', { ...least, stock: { stockId: 'silk' } });
    const { status, stdout } = zippy('check', job);
    expect(status).to.equal(1);
    expect(stdout).to.match(/^stop {2}stock {5}The stock “silk” is not in this workshop\./m);
  });

  it('exports the sheets of a demo job', () => {
    const { status, stdout } = zippy(
      'export',
      root('demo/jobs/seal-pup-notelets.json'),
      '--what',
      'sheets',
      '--format',
      'pdf',
      '--out',
      folder,
    );
    expect(status).to.equal(0);
    expect(stdout.trim()).to.equal(join(folder, 'seal-pup-notelets-sheets.pdf'));
    expect(readFileSync(stdout.trim()).subarray(0, 5).toString()).to.equal('%PDF-');
    expect(readdirSync(folder)).to.include('seal-pup-notelets-sheets.pdf');
  });
});
