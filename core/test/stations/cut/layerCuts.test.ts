import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide } from '../../../src/job/decide.ts';
import type { LayerChoice } from '../../../src/job/types.ts';
import { sayFence } from '../../../src/stations/cut/sayPieceCuts.ts';
import { key, run } from '../../blindTrimmer.ts';
import { runs } from '../../runs.ts';
import { inkedWith, plan, sized, workshop } from '../../support.ts';

const mat = (part: Partial<LayerChoice> = {}): LayerChoice => ({
  ...{ id: 'm', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: ['reed-120-a4'] },
  ...part,
});
const picture = { pictureId: 'p', fit: 'fill', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false } as const;
/** Forty cards and eight spare of a side fold. */
const job = (widthMm: number, heightMm: number, ...layers: readonly LayerChoice[]) =>
  inkedWith(
    ...sized('sideFold', widthMm, heightMm),
    decide((job) => job.brief.wanted, 40),
    decide((job) => job.sheet.spares, 8),
    decide((job) => job.size.layers, layers),
    decide((job) => job.pictures, {
      p: { name: 'p', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 900, heightPx: 900 },
    }),
  );

describe('layerCuts', () => {
  it('free every mat and insert from its sheet when a blind trimmer follows them, printed or bare', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 100 }),
        fc.integer({ min: 40, max: 140 }),
        fc.integer({ min: 2, max: 10 }),
        fc.constantFrom('mat' as const, 'writing' as const, 'insert' as const),
        fc.boolean(),
        (w, h, revealMm, kind, printed) => {
          const layer = mat({ kind, revealMm, faces: kind === 'insert' ? [] : ['front'] });
          const { sheet, cut } = plan(job(w, h, { ...layer, picture: printed ? picture : null }));
          if (printed && sheet.layers.length > 0) expect(sheet.layers[0]!.bleedMm).to.equal(3);
          const [laid] = sheet.layers;
          fc.pre(laid !== undefined && laid.up > 0);
          const { stock } = laid;
          const got = run(cut.layers[0]!.moves, {
            ...{ left: 0, top: 0, right: stock.sheetWidthMm, bottom: stock.sheetHeightMm },
          }).map(key);
          const wanted = laid.laid.map(({ trim }) =>
            key({
              ...{ left: trim.xMm, top: trim.yMm },
              ...{ right: trim.xMm + trim.widthMm, bottom: trim.yMm + trim.heightMm },
            }),
          );
          for (const piece of wanted) expect(got).to.include(piece);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('count strokes by the stack, and a maker’s minutes with them', () => {
    // 100 × 140 less 5 all round is 90 × 130: on A4 two across and two down; 48 are twelve sheets of 0.15 mm.
    const plain = plan(job(100, 140));
    const { cut, sheet } = plan(job(100, 140, mat()));
    const [laid] = sheet.layers;
    expect([laid!.up, laid!.sheets]).to.deep.equal([4, 12]);
    const [{ moves, strokes }] = cut.layers as [(typeof cut.layers)[number]];
    expect(cut.trimmer.thickestStackMm / 0.15).to.be.at.least(2);
    const atOnce = Math.floor(cut.trimmer.thickestStackMm / 0.15 + 1e-9);
    expect(strokes).to.equal(moves.reduce((n, { piecesPerSheet }) => n + Math.ceil((12 * piecesPerSheet) / atOnce), 0));
    expect(cut.minutes - plain.cut.minutes).to.be.closeTo(strokes * workshop.pace.perStroke, 1e-9);
    expect(moves.some(({ text }) => text.includes('A card comes off'))).to.equal(false);
    expect(cut.figures.find(({ id }) => id === 'minutes')!.working.inputs.map(({ label }) => label)).to.include(
      'Strokes for layers',
    );
    expect(plain.cut.layers).to.deep.equal([]);
  });

  it('tell a slope by its marks, and send a file to a cutting machine', () => {
    const sloped = changeJob(job(70, 120, mat()), [decide((job) => job.size.format, 'cascade')]);
    const [slope] = plan(sloped).cut.layers;
    const { outline, widthMm } = plan(sloped).sheet.layers[0]!.blank;
    // One corner of its box goes, from where the slope leaves the top to where it meets the side.
    const downAt = (x: number): number =>
      Math.min(...outline.filter((p) => Math.abs(p.xMm - x) < 1e-6).map((p) => p.yMm));
    const [low, high] = [downAt(0), downAt(widthMm)].sort((a, b) => b - a) as [number, number];
    expect(high).to.be.closeTo(0, 1e-6);
    expect(slope!.corners).to.have.length(1);
    expect(slope!.corners[0]!.marks.map(({ downMm }) => downMm)[1]).to.be.closeTo(low, 1e-4);
    expect(slope!.corners[0]!.marks[0]!.acrossMm).to.be.closeTo(widthMm, 1e-4);
    const machine = workshop.trimmers.find((tool) => tool.machine)!;
    const cutter = changeJob(job(100, 140, mat()), [decide((job) => job.cut.trimmerId, machine.id)]);
    const [by] = plan(cutter).cut.layers;
    expect([by!.moves, by!.corners, by!.strokes]).to.deep.equal([[], [], 0]);
    // 40 + 8 of 90 × 130 from A4 less what the rollers hold.
    const [laid] = plan(cutter).sheet.layers;
    expect(by!.machine!.on.places).to.have.length(laid!.up);
    const { marginMm } = machine.machine!;
    for (const { trim } of laid!.laid) expect(Math.min(trim.xMm, trim.yMm)).to.be.at.least(marginMm - 1e-6);
  });

  it('name a tool that is too short, and one that is not', () => {
    const short = workshop.trimmers.find(({ machine }) => !machine)!;
    const shop = {
      ...workshop,
      trimmers: workshop.trimmers.map((tool) => (tool.id === short.id ? { ...tool, longestCutMm: 150 } : tool)),
    };
    const asked = changeJob(job(100, 140, mat({ stockIds: ['reed-120-a3'] })), [
      decide((job) => job.cut.trimmerId, short.id),
    ]);
    const snag = plan(asked, shop).cut.snags.find(({ id }) => id.startsWith('cut-layer-too-long'))!;
    expect(snag.title).to.match(/is too short for the sheet of mat, front$/);
    expect(snag.why).to.match(/it cuts 150 mm\.$/);
    expect(snag.remedies.length).to.be.above(0);
    for (const { changes, label } of snag.remedies)
      expect(
        plan(changeJob(asked, changes), shop).cut.snags.map(({ id }) => id),
        label,
      ).to.not.include(snag.id);
  });

  it('are said one after the other, with the turn between, unless parts want names', () => {
    const { cut } = plan(job(100, 140, mat()));
    const { moves } = cut.layers[0]!;
    const said = sayFence(moves, 'mm')!.split('; ');
    expect(said).to.have.length(moves.length);
    said.forEach((one, i) => {
      expect(one.endsWith(`(${moves[i]!.atFence})`)).to.equal(true);
      expect(/turn/.test(one)).to.equal(i > 0 && moves[i]!.turn !== 'No turn');
    });
    expect(sayFence([{ ...moves[0]!, stays: 'part A' }], 'mm')).to.equal(null);
    expect(sayFence([], 'mm')).to.equal(null);
  });
});
