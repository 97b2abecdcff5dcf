import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { LABEL_TYPEFACE_ID } from '../../../../src/stations/art/words/typefaces.ts';
import { boxAround, grow, evenSides } from '../../../../src/ground/geometry/box.ts';
import type { Box } from '../../../../src/ground/geometry/types.ts';
import { FORMAT_IDS } from '../../../../src/job/format.ts';
import type { Job } from '../../../../src/job/types.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { drawSlug, slugWidthMm } from '../../../../src/stations/sheet/draw/drawMarks.ts';
import { drawSheetPage } from '../../../../src/stations/sheet/draw/drawSheet.ts';
import { markRoom } from '../../../../src/stations/sheet/layout/machineMarks.ts';
import { overlaps } from '../../../../src/ground/geometry/box.ts';
import { changeJob } from '../../../../src/index.ts';
import { inkedWith, plan, sized, typefaces, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

/** What a shape that is no art takes of the page; a label as wide as its letters really are. */
function takes(shape: Shape): Box | null {
  if (shape.kind === 'path') {
    const points = shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to]));
    return boxAround(points);
  }
  if (shape.kind !== 'label') return null;
  const glyphs = typefaces.get(LABEL_TYPEFACE_ID)!.shape(shape.text);
  const last = glyphs.at(-1)!;
  const wide = (last.xEm + last.advanceEm) * shape.sizeMm;
  const { xMm, yMm } = shape.at;
  return shape.turnDeg === -90
    ? { xMm: xMm - shape.sizeMm, yMm: yMm - wide, widthMm: shape.sizeMm * 1.25, heightMm: wide }
    : { xMm, yMm: yMm - shape.sizeMm, widthMm: wide, heightMm: shape.sizeMm * 1.25 };
}

describe('the slug', () => {
  it('lies across no tick wherever an edge holds it beside them', () => {
    let tried = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS),
        fc.integer({ min: 60, max: 150 }),
        fc.integer({ min: 60, max: 150 }),
        (format, w, h) => {
          const p = plan(inkedWith(...sized(format, w, h)));
          const { shapes } = drawSheetPage(p.size, p.art, p.sheet, 'front', {
            ...{ title: 'Ebb', date: null, sheetNumber: 1 },
          }).scene;
          const slug = shapes.find((s) => s.kind === 'label');
          const ticks = shapes.flatMap((s) => (s.kind === 'path' && !s.fill ? [takes(s)!] : []));
          if (!slug || ticks.length === 0) return;
          const box = takes(slug)!;
          // As long a run between two ticks as the words may want, on their own edge.
          const { printable } = p.sheet;
          const level = slug.kind === 'label' && slug.turnDeg !== -90;
          if (!level) return;
          const across = ticks.filter((t) => t.yMm < box.yMm + box.heightMm && t.yMm + t.heightMm > box.yMm);
          const ends = [printable.xMm, ...across.map((t) => t.xMm), printable.xMm + printable.widthMm].sort(
            (a, b) => a - b,
          );
          const longest = Math.max(...ends.slice(1).map((end, i) => end - ends[i]!));
          if (longest < slugWidthMm(slug.kind === 'label' ? slug.text : '') + 12) return;
          tried += 1;
          for (const tick of ticks) expect(overlaps(box, tick), `${format} ${w} × ${h}`).to.equal(false);
        },
      ),
      { numRuns: runs(120) },
    );
    expect(tried).to.be.at.least(Math.floor(runs(120) / 40));
  });
});

describe('the white about a machine’s marks', () => {
  it('stays white, whatever sheet, piece, side and title', () => {
    const { machine } = workshop.trimmers.find((t) => t.machine)!;
    fc.assert(
      fc.property(
        fc.constantFrom(...FORMAT_IDS),
        fc.integer({ min: 45, max: 150 }),
        fc.integer({ min: 45, max: 150 }),
        fc.integer({ min: 3, max: Math.round(machine!.marginMm) + 12 }),
        fc.constantFrom('a3-shell', ...workshop.stocks.map(({ id }) => id)),
        fc.string({ unit: fc.constantFrom(...'abWMm 1i·é'), minLength: 1, maxLength: 90 }),
        (format, w, h, marginMm, stockId, title) => {
          const shop = {
            ...workshop,
            trimmers: workshop.trimmers.map((t) => (t.machine ? { ...t, machine: { ...t.machine, marginMm } } : t)),
          };
          const known = shop.stocks.some(({ id }) => id === stockId) ? stockId : shop.stocks[0]!.id;
          const job: Job = changeJob(inkedWith(...sized(format, w, h)), [
            decide((job) => job.cut.trimmerId, 'petrel'),
            decide((job) => job.stock.stockId, known),
          ]);
          const p = plan(job, shop);
          if (p.sheet.machineMarks.length === 0) return;
          const rooms = p.sheet.machineMarks.map(markRoom);
          // Only the front carries them.
          const { scene } = drawSheetPage(p.size, p.art, p.sheet, 'front', {
            title,
            date: '2026-11-27',
            sheetNumber: 1,
          });
          const marks = new Set(p.sheet.machineMarks.map(({ xMm, yMm }) => `${xMm} ${yMm}`));
          for (const shape of scene.shapes) {
            const box = takes(shape);
            if (!box) continue;
            const middle = `${box.xMm + box.widthMm / 2} ${box.yMm + box.heightMm / 2}`;
            if (shape.kind === 'path' && shape.fill && marks.has(middle)) continue;
            for (const room of rooms)
              expect(overlaps(grow(box, evenSides(1e-6)), room), `${shape.kind} in a mark’s white`).to.equal(false);
          }
        },
      ),
      { numRuns: runs(150) },
    );
  });

  it('turns a slug up the side only as far as the mark above it', () => {
    const block = {
      bleedBox: { xMm: 30, yMm: 8, widthMm: 150, heightMm: 130 },
      printable: { xMm: 5, yMm: 5, widthMm: 180, heightMm: 138 },
    };
    const mark = { xMm: 5, yMm: 5, widthMm: 9, heightMm: 60 };
    const [slug] = drawSlug('A title of some length · front · sheet 1 of 20', block, { ticks: [], keepClear: [mark] });
    const box = takes(slug!)!;
    expect(slug!.kind === 'label' && slug!.turnDeg).to.equal(-90);
    expect(box.yMm).to.be.at.least(65);
    // A run too short for the words holds as many of them as it can.
    const [cut] = drawSlug('W'.repeat(200), block, { ticks: [], keepClear: [mark] });
    expect(cut!.kind === 'label' && cut!.text.endsWith('…')).to.equal(true);
    expect(takes(cut!)!.yMm).to.be.at.least(65);
  });

  it('is kept by widths that no line of letters passes', () => {
    const face = typefaces.get(LABEL_TYPEFACE_ID)!;
    fc.assert(
      fc.property(
        fc.string({
          unit: fc.constantFrom(...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789 .,:;·’“”éüÅ&–—/()'),
          maxLength: 80,
        }),
        (text) => {
          const last = face.shape(text).at(-1);
          const real = last ? (last.xEm + last.advanceEm) * 2.4 : 0;
          expect(slugWidthMm(text)).to.be.at.least(real - 1e-9);
        },
      ),
    );
  });
});
