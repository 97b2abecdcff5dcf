import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import { boxAround, isInside, mapBox } from '../../../../src/ground/geometry/box.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import type { Job, LayerChoice } from '../../../../src/job/types.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { drawPanelPage } from '../../../../src/stations/sheet/draw/drawLayerSheet.ts';
import { seenPanels } from '../../../../src/plan/seenPanels.ts';
import { drawLayers } from '../../../../src/stations/size/drawBlank.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { jobWith, plan, sized, workshop } from '../../../support.ts';

const PICTURE = { pictureId: 'page', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
const printed = (part: Partial<LayerChoice> = {}): Job =>
  jobWith(
    ...sized('sideFold', 105, 148),
    decide((job) => job.sheet.spares, 0),
    decide((job) => job.brief.wanted, 20),
    decide((job) => job.pictures, {
      page: { name: 'page.png', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 2480, heightPx: 3508 },
    }),
    decide(
      (job) => job.size.layers,
      [
        {
          ...{ id: 'mat1', kind: 'mat', faces: ['front'], revealMm: 3, stockIds: [workshop.stocks[0]!.id] },
          picture: PICTURE,
          ...part,
        },
      ],
    ),
  );

describe('printed layers', () => {
  it('lie with their bleed inside the printer’s margins, two bleeds apart, turned only where more fit', () => {
    const job = printed();
    const { sheet, art } = plan(job);
    const [layer] = sheet.layers;
    // 99 × 142 and its bleed is 105 × 148. A4 less 3.4 mm all round is 203.2 × 290.2: one upright, or two turned.
    expect(layer!.print!.path.marginsMm.left).to.equal(3.4);
    expect(layer!.laid.map(({ turned }) => turned)).to.deep.equal([true, true]);
    expect(layer!.sheets).to.equal(10);
    const page = drawPanelPage(layer!, art.panels[layer!.piece.id]!, null);
    expect(isInside(page.bleedBox, layer!.print!.printable)).to.equal(true);
    const bare = plan(changeJob(job, [decide((job) => job.size.layers.at(0).picture, null)]));
    expect(bare.sheet.layers[0]!.up).to.be.at.least(layer!.up);
    expect(bare.sheet.layers[0]!.print).to.equal(null);
    expect(bare.art.panels).to.deep.equal({});
  });

  it('are seen on the card over the white that their printer lays, or as inks that let coloured card through', () => {
    const seen = (printerId: string, pathId: string, stockId: string) => {
      const p = plan(
        changeJob(printed({ stockIds: [stockId] }), [
          decide((job) => job.stock.printerId, printerId),
          decide((job) => job.stock.pathId, pathId),
        ]),
      );
      const flat = (shapes: readonly Shape[]): readonly Shape[] =>
        shapes.flatMap((s) => (s.kind === 'group' ? [s, ...flat(s.children)] : [s]));
      const all = flat(drawLayers(p.size, 'outside', seenPanels(p)));
      return {
        plates: all.filter((s) => s.kind === 'picture' && s.inked?.ink === '#ffffff').length,
        pictures: all.filter((s) => s.kind === 'picture').length,
        multiplied: all.some((s) => s.kind === 'group' && s.blend === 'multiply'),
      };
    };
    expect(seen('skua', 'tray', 'night-270-a4')).to.deep.equal({ plates: 1, pictures: 2, multiplied: false });
    expect(seen('gull', 'rear', 'night-270-a4')).to.deep.equal({ plates: 0, pictures: 1, multiplied: true });
    // White card wants none, whatever prints it.
    expect(seen('skua', 'tray', workshop.stocks[0]!.id)).to.deep.equal({ plates: 0, pictures: 1, multiplied: true });
  });

  it('are drawn once and placed at every piece, reaching the bleed on all sides', () => {
    const { sheet, art } = plan(printed());
    const [layer] = sheet.layers;
    const { scene } = drawPanelPage(layer!, art.panels[layer!.piece.id]!, { title: 'T', date: null, sheetNumber: 1 });
    const uses = scene.shapes.flatMap((s) => (s.kind === 'use' ? [s] : []));
    expect(uses).to.have.length(layer!.up);
    const panel = art.panels[layer!.piece.id]!;
    const bleed = boxAround(panel.piece.bleedOutline);
    // The picture covers bleed and all.
    expect(isInside(bleed, panel.picture.box)).to.equal(true);
    uses.forEach(({ transform }, i) => {
      const at = mapBox(transform, {
        xMm: 0,
        yMm: 0,
        widthMm: panel.piece.blank.widthMm,
        heightMm: panel.piece.blank.heightMm,
      });
      expect(at.xMm).to.be.closeTo(layer!.laid[i]!.trim.xMm, 1e-9);
      expect(at.yMm).to.be.closeTo(layer!.laid[i]!.trim.yMm, 1e-9);
      expect(at.widthMm).to.be.closeTo(layer!.laid[i]!.trim.widthMm, 1e-9);
    });
  });

  it('bleed by an even offset on a slope', () => {
    const job = printed({ faces: ['outside2'] });
    const sloped = changeJob(job, [
      decide((job) => job.size.format, 'cascade'),
      decide((job) => job.size.layers.at(0).faces, ['front']),
    ]);
    const [piece] = plan(sloped).size.layers;
    expect(piece!.blank.outline.length).to.be.above(3);
    const [own, bled] = [boxAround(piece!.blank.outline), boxAround(piece!.bleedOutline)];
    expect(own.xMm - bled.xMm).to.be.closeTo(3, 0.01);
    expect(bled.yMm + bled.heightMm - own.yMm - own.heightMm).to.be.closeTo(3, 0.01);
  });

  it('are printed, dried and paid for', () => {
    const [with_, without] = [printed(), printed({ picture: null })].map((job) => plan(job));
    const [layer] = with_!.sheet.layers;
    expect(with_!.make.steps.map(({ id }) => id)).to.include.members([`print-layer-${layer!.piece.id}`, 'dry-layers']);
    expect(without!.make.steps.map(({ id }) => id)).to.not.include('dry-layers');
    const ink = (p: typeof with_): number => p!.sell.parts.find(({ id }) => id === 'ink')!.perCardMinor;
    // Sheets of the layer ÷ 20 cards, at the price of a side.
    expect(ink(with_) - ink(without)).to.be.closeTo((layer!.sheets * layer!.print!.printer.sidePriceMinor) / 20, 1e-9);
  });

  it('stop where no feed path takes their stock, and leaving them bare settles it', () => {
    const heavy: Workshop = {
      ...workshop,
      stocks: [
        ...workshop.stocks,
        { ...workshop.stocks[0]!, id: 'board', name: 'Greyboard', gsm: 1200, caliperMicron: 1900 },
      ],
    };
    const job = printed({ stockIds: ['board'] });
    const find = (j: Job) => plan(j, heavy).sheet.snags.find(({ id }) => id.startsWith('sheet-layer-path'));
    const snag = find(job)!;
    expect(snag.level).to.equal('stop');
    // Another way, another stock, or none of it: whatever is offered settles it.
    expect(snag.remedies.map(({ label }) => label.split(' ')[0])).to.deep.equal(['Cut', 'Leave']);
    for (const { changes } of snag.remedies) expect(find(changeJob(job, changes))).to.equal(undefined);
  });

  it('say when their pixels run out', () => {
    const coarse = changeJob(printed(), [
      decide((job) => job.pictures.at('page').widthPx, 300),
      decide((job) => job.pictures.at('page').heightPx, 424),
    ]);
    const snag = plan(coarse).art.snags.find(({ id }) => id.startsWith('art-ppi-panel'))!;
    expect(snag.level).to.equal('stop');
    const mended = plan(changeJob(coarse, snag.remedies.at(-1)!.changes));
    expect(mended.art.snags.some(({ id }) => id.startsWith('art-ppi-panel'))).to.equal(false);
  });
});
