import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  decide,
  changeJob,
  drawMachineFile,
  FORMAT_IDS,
  newJob,
  pageMap,
  apply,
  runMachine,
  svgFile,
  type FormatId,
  type Job,
  type JobChange,
  type Plan,
  type Workshop,
} from '@zippy/core';
import { exportFiles, loadFonts } from '../src/exports/index.ts';
import { calibrationPdf } from '../src/exports/calibration.ts';
import { planOf, workshop } from './support.ts';

/** Dots to the inch of every raster here; what is measured is finer, because edges are shades of grey. */
const PPI = 254;
const PX_PER_MM = PPI / 25.4;

interface Raster {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly grey: Uint8Array;
}

/** A greyscale page as poppler draws it: “P5 width height 255”, then bytes. */
function readPgm(bytes: Buffer): Raster {
  const header = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1'))!;
  return {
    widthPx: Number(header[1]),
    heightPx: Number(header[2]),
    grey: new Uint8Array(bytes.subarray(header[0].length)),
  };
}

describe('front and back in register', () => {
  const folder = mkdtempSync(join(tmpdir(), 'zippy-register-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  function rasters(pdf: Buffer, name: string): readonly Raster[] {
    const path = join(folder, `${name}.pdf`);
    writeFileSync(path, pdf);
    execFileSync('pdftoppm', ['-r', String(PPI), '-gray', path, join(folder, name)]);
    const pages = execFileSync('sh', ['-c', `ls ${join(folder, name)}-*.pgm | sort`], { encoding: 'utf8' });
    return pages
      .trim()
      .split('\n')
      .map((file) => {
        const raster = readPgm(readFileSync(file));
        rmSync(file);
        return raster;
      });
  }

  /** Every face of the format in one flat colour, so that each side’s print has the outline of what it carries. */
  async function flooded(
    format: FormatId,
    flipEdge: 'long' | 'short',
    { shop = workshop, marks = false }: { readonly shop?: Workshop; readonly marks?: boolean } = {},
  ): Promise<{ job: Job; plan: Plan }> {
    const sized: readonly JobChange[] = [
      decide((job) => job.size.format, format),
      decide((job) => job.size.finishedWidthMm, 60),
      decide((job) => job.size.finishedHeightMm, 80),
      decide((job) => job.sheet.flipEdge, flipEdge),
      decide((job) => job.sheet.grain, 'ignore'),
      decide((job) => job.sheet.marks, marks),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.brief.wanted, 1),
    ];
    const bare = changeJob(newJob('Register', shop), sized);
    const { size } = await planOf(bare, shop);
    const job = changeJob(
      bare,
      size.faces.map((face) =>
        decide((job) => job.art.faces.at(face.id), { background: '#000000', picture: null, texts: [] }),
      ),
    );
    return { job, plan: await planOf(job, shop) };
  }

  async function printed(job: Job, plan: Plan, name: string): Promise<readonly Raster[]> {
    const [file] = await exportFiles('sheets', 'pdf', {
      job,
      workshop,
      plan,
      fonts: await loadFonts(),
      pictures: new Map(),
      date: null,
    });
    return rasters(file!.bytes, name);
  }

  /** Ink at a place of a page, from 0 white to 1 black, between pixels. */
  const inkAt = ({ widthPx, heightPx, grey }: Raster, x: number, y: number): number =>
    x < 0 || y < 0 || x >= widthPx || y >= heightPx ? 0 : 1 - grey[Math.floor(y) * widthPx + Math.floor(x)]! / 255;

  /** Where ink begins and ends along a line of pixels, to a part of a pixel. */
  function edges(raster: Raster, horizontal: boolean, at: number): readonly number[] {
    const length = horizontal ? raster.widthPx : raster.heightPx;
    const ink = (k: number): number => (horizontal ? inkAt(raster, k, at) : inkAt(raster, at, k));
    const found: number[] = [];
    // Half way between paper and ink, wherever that falls between the middles of two dots. A slope that shades
    // more of them lies along the line, and is measured on the line that crosses it.
    for (let k = 1; k < length; k += 1) {
      const [before, now] = [ink(k - 1), ink(k)];
      const sharp = Math.abs(ink(k + 1) - ink(k - 2)) > 0.9;
      if (sharp && before < 0.5 !== now < 0.5) found.push(k - 0.5 + (0.5 - before) / (now - before));
    }
    return found.map((px) => px / PX_PER_MM);
  }

  /** Middles of thin upright lines that a level line of dots crosses: what ink they have weighs where it lies. */
  function hairlines(raster: Raster, at: number): readonly number[] {
    const found: number[] = [];
    let [weight, sum] = [0, 0];
    for (let k = 0; k < raster.widthPx; k += 1) {
      const ink = inkAt(raster, k, at);
      if (ink > 0.02) [weight, sum] = [weight + ink, sum + ink * (k + 0.5)];
      else if (weight > 0) {
        found.push(sum / weight / PX_PER_MM);
        [weight, sum] = [0, 0];
      }
    }
    return found;
  }

  for (const flipEdge of ['long', 'short'] as const)
    it(`turned on the ${flipEdge} edge: a printer that leaves 12.7 mm white at one end takes all of both pages, ticks and slug too, for every format`, async () => {
      const marginsMm = { top: 3, right: 9, bottom: 12.7, left: 4 };
      const shop: Workshop = {
        ...workshop,
        printers: workshop.printers.map((printer) => ({
          ...printer,
          paths: printer.paths.map((path) => ({ ...path, marginsMm })),
        })),
      };
      let backs = 0;
      for (const format of FORMAT_IDS) {
        const { job, plan } = await flooded(format, flipEdge, { shop, marks: true });
        const pages = await printed(job, plan, `reach-${format}-${flipEdge}`);
        backs += pages.length - 1;
        for (const [n, page] of pages.entries()) {
          // A dot and a half for the shade that an edge casts on its neighbours.
          const [white, px] = [1.5, PX_PER_MM];
          const inked = (x: number, y: number): boolean => inkAt(page, x, y) > 0.2;
          let found: string | null = null;
          for (let y = 0; y < page.heightPx && !found; y += 1)
            for (let x = 0; x < page.widthPx; x += 1) {
              const outside =
                x < marginsMm.left * px - white ||
                y < marginsMm.top * px - white ||
                x > page.widthPx - marginsMm.right * px + white ||
                y > page.heightPx - marginsMm.bottom * px + white;
              if (outside && inked(x, y)) {
                found = `ink at ${(x / px).toFixed(2)}, ${(y / px).toFixed(2)} mm`;
                break;
              }
            }
          expect(found, `${format}, page ${n + 1}`).to.equal(null);
        }
      }
      expect(backs).to.be.above(5);
    });

  for (const flipEdge of ['long', 'short'] as const)
    it(`turned on the ${flipEdge} edge: whatever both sides carry falls on itself within 0.05 mm, for every format`, async () => {
      let measured = 0;
      for (const format of FORMAT_IDS) {
        const { job, plan } = await flooded(format, flipEdge);
        if (plan.sheet.sides.length < 2) continue;
        const [front, back] = (await printed(job, plan, `${format}-${flipEdge}`)) as [Raster, Raster];
        const over = pageMap(plan.sheet, 'back');
        let own = 0;
        for (const { toSheet } of plan.sheet.placements) {
          const { blank } = plan.size.form;
          for (const horizontal of [true, false])
            for (const share of [0.21, 0.5, 0.83]) {
              const near = apply(toSheet, { xMm: blank.widthMm * share, yMm: blank.heightMm * share });
              // Through the middle of a row of dots, which turning over carries to the middle of another.
              const dot = (mm: number): number => (Math.floor(mm * PX_PER_MM) + 0.5) / PX_PER_MM;
              const on = { xMm: dot(near.xMm), yMm: dot(near.yMm) };
              const turned = apply(over, on);
              const [a, b] = horizontal ? [on.yMm, turned.yMm] : [on.xMm, turned.xMm];
              const there = edges(front, horizontal, a * PX_PER_MM);
              const size = horizontal ? plan.sheet.sheetWidthMm : plan.sheet.sheetHeightMm;
              const mirrored = (horizontal ? over[0] : over[3]) < 0;
              const back2 = edges(back, horizontal, b * PX_PER_MM)
                .map((mm) => (mirrored ? size - mm : mm))
                .sort((x, y) => x - y);
              // A side may carry fewer faces than the other, and ends at a fold where the other bleeds: an edge
              // that both carry is one that the other has within half a millimetre.
              for (const mm of there) {
                const nearest = back2.reduce(
                  (best, x) => (Math.abs(x - mm) < Math.abs(best - mm) ? x : best),
                  Infinity,
                );
                if (Math.abs(nearest - mm) > 0.5) continue;
                expect(nearest, `${format} at ${a.toFixed(1)}`).to.be.closeTo(mm, 0.05);
                own += 1;
              }
            }
        }
        expect(own, `${format}: edges that both sides share`).to.be.at.least(4);
        measured += own;
      }
      expect(measured).to.be.above(200);
    });

  it('a cutting machine’s marks are found on the page that is printed, within 0.05 mm', async () => {
    const job = changeJob(newJob('Machine', workshop), [
      decide((job) => job.size.format, 'hingedShape'),
      decide((job) => job.size.finishedWidthMm, 80),
      decide((job) => job.size.finishedHeightMm, 80),
      decide((job) => job.cut.trimmerId, 'petrel'),
      decide((job) => job.art.faces.at('front'), { background: '#1d5a68', picture: null, texts: [] }),
    ]);
    const plan = await planOf(job);
    const [front] = (await printed(job, plan, 'machine')) as [Raster];
    const svg = svgFile(drawMachineFile(plan.size, plan.sheet), 'cut', { layers: true, pictureHref: () => '' });
    const facts = workshop.trimmers.find((t) => t.id === 'petrel')!.machine!;
    const report = runMachine(svg, { ...front, pxPerMm: PX_PER_MM }, facts, plan.cut.machine!.passes);
    if (!report.ok) throw new Error(report.why);
    expect(report.movedMm).to.be.below(0.05);
    expect(report.cuts).to.have.length(plan.sheet.up);
    expect(report.seconds).to.be.closeTo(plan.cut.machine!.secondsPerSheet, 0.5);
  });

  it('a calibrated path prints each page moved by what was measured', async () => {
    const { job } = await flooded('flat', 'long');
    const shifted = {
      ...workshop,
      printers: workshop.printers.map((printer) => ({
        ...printer,
        paths: printer.paths.map((path) => ({
          ...path,
          calibrations: [
            {
              id: 'c',
              day: '2026-11-20',
              gsm: 300,
              sheetWidthMm: 210,
              sheetHeightMm: 297,
              marginsMm: path.marginsMm,
              flipEdge: 'long' as const,
              laidBack: '',
              readings: {
                ruleAcrossMm: 150,
                ruleDownMm: 200,
                crosses: {
                  topLeft: { rightMm: 0.7, lowMm: 0.4 },
                  topRight: { rightMm: 0.7, lowMm: 0.4 },
                  bottomLeft: { rightMm: 0.7, lowMm: 0.4 },
                  bottomRight: { rightMm: 0.7, lowMm: 0.4 },
                },
                edges: null,
                arrows: 'same' as const,
              },
              setAside: false,
            },
          ],
        })),
      })),
    };
    const before = await planOf(job);
    const after = await planOf(job, shifted);
    const [plain, moved] = [await printed(job, before, 'plain'), await printed(job, after, 'moved')];
    const y = (before.sheet.placements[0]!.trim.yMm + 20) * PX_PER_MM;
    expect(edges(moved[0]!, true, y)[0]!).to.be.closeTo(edges(plain[0]!, true, y)[0]!, 0.02);
    // The back lands 0.7 mm right seen from the front, which is left on its own page: it is sent 0.7 mm right.
    expect(edges(moved[1]!, true, y)[0]! - edges(plain[1]!, true, y)[0]!).to.be.closeTo(0.7, 0.02);
    const x = (before.sheet.placements[0]!.trim.xMm + 20) * PX_PER_MM;
    expect(edges(moved[1]!, false, x)[0]! - edges(plain[1]!, false, x)[0]!).to.be.closeTo(-0.4, 0.02);
  });

  it('the calibration sheet has its crosses and rules where they are measured from', async () => {
    const bytes = await calibrationPdf(
      {
        sheet: { widthMm: 210, heightMm: 297 },
        marginsMm: { top: 3.4, right: 3.4, bottom: 3.4, left: 3.4 },
        flipEdge: 'long',
        about: 'the Gull inkjet, straight rear feed, 300 gsm',
        date: null,
        unit: 'mm',
      },
      await loadFonts(),
    );
    const [front, back] = rasters(bytes, 'calibration') as [Raster, Raster];
    // The level rule: 150 mm from the middle of one end bar to the middle of the other.
    const bars = hairlines(front, (148.5 - 3) * PX_PER_MM);
    expect(bars.at(-1)! - bars[0]!).to.be.closeTo(150, 0.05);
    // Above each upper cross’s arm its stem stands 13.4 mm from the edge, on either side of the paper.
    for (const raster of [front, back]) {
      const stems = hairlines(raster, (13.4 - 6) * PX_PER_MM);
      expect(stems[0]!).to.be.closeTo(13.4, 0.05);
      expect(stems.at(-1)!).to.be.closeTo(210 - 13.4, 0.05);
    }
  });
});
