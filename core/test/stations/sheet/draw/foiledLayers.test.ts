import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import { usesOf } from '../../../../src/job/usesOf.ts';
import type { Job } from '../../../../src/job/types.ts';
import { foilPlate, hasFoil, inFoil, withoutFoil } from '../../../../src/ground/scene/foil.ts';
import type { Scene, Shape } from '../../../../src/ground/scene/types.ts';
import { allSnags, drawStep } from '../../../../src/index.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { jobWith, plan, sized, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const GOLD = { name: 'Gold foil', colour: '#c79a2e' };
const PICTURE = { pictureId: 'shell', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0.4, grey: false };

/** A base that nothing is printed on, through the inkjet, and a panel on it that is to shine. */
const foiled = (...changes: readonly JobChange[]): Job =>
  changeJob(
    jobWith(
      ...sized('sideFold', 105, 148),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.brief.wanted, 20),
      decide((job) => job.make.dryMinutes, 15),
      decide((job) => job.art.faces, {}),
      decide((job) => job.pictures, {
        shell: { name: 'shell.png', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 2480, heightPx: 3508 },
      }),
      decide(
        (job) => job.size.layers,
        [
          {
            ...{ id: 'mat1', kind: 'mat', faces: ['front'], revealMm: 10, stockIds: ['shell-300-a4'] },
            ...{ picture: PICTURE, foil: GOLD },
          },
        ],
      ),
    ),
    changes,
  );
const idsOf = (job: Job): readonly string[] => plan(job).make.steps.map(({ id }) => id);

describe('panels that shine', () => {
  it('go through the laser though the card’s own way is an inkjet, and the card is never printed', () => {
    const job = foiled();
    const { sheet, make, stock } = plan(job);
    expect(stock.printer.ink).to.equal('inkjet');
    expect(sheet.passes).to.deep.equal([]);
    const [layer] = sheet.layers;
    expect(layer!.print!.printer.ink).to.equal('laser');
    expect(layer!.print!.passes).to.deep.equal([{ plate: 'foil', sides: ['front'] }]);
    const { id } = layer!.piece;
    const ids = make.steps.map((step) => step.id);
    // Toner, foil at once, and only then a blade; nothing wet to wait for.
    expect(ids.slice(0, 2)).to.deep.equal([`print-layer-${id}-foil`, `foil-${id}`]);
    expect(ids.findIndex((one) => one.startsWith('cut'))).to.be.above(1);
    expect(ids.filter((one) => one.startsWith('dry') || one.startsWith('print-f'))).to.deep.equal([]);
    const [toner, foil] = make.steps;
    expect(toner!.detail).to.match(/Black toner only.*without toner saving/);
    expect(foil!.detail).to.match(/^Gold foil.*before any colour, since it holds to every toner/);
    expect(foil!.caution).to.match(/burn.*own instructions/);
    // Foil is laid on each of its sheets, at the pace of a printed side.
    const { inputs } = make.figures.find((figure) => figure.id === 'work')!.working;
    const laying = { kind: 'minutes', minutes: layer!.sheets * workshop.pace.perPrintedSide };
    expect(inputs.find(({ label }) => label === 'Laying foil')!.value).to.deep.equal(laying);
  });

  it('go through what the maker chose, and say what will not hold them', () => {
    const feed = (printerId: string, pathId: string): JobChange =>
      decide((job) => job.size.layers.at(0).feed, { printerId, pathId });
    const skua = plan(foiled(feed('skua', 'tray')));
    expect(skua.sheet.layers[0]!.print!.printer.id).to.equal('skua');
    const ink = foiled(feed('gull', 'rear'));
    const snag = allSnags(plan(ink)).find(({ id }) => id.startsWith('sheet-foil-ink'))!;
    expect(snag).to.include({ level: 'stop', station: 'sheet' });
    expect(snag.remedies.length).to.be.above(1);
    for (const { changes } of snag.remedies)
      expect(allSnags(plan(changeJob(ink, changes))).filter(({ id }) => id.startsWith('sheet-foil'))).to.deep.equal([]);
    const cotton: Workshop = {
      ...workshop,
      stocks: workshop.stocks.map((s) => (s.id === 'shell-300-a4' ? { ...s, coating: 'textured' } : s)),
    };
    expect(allSnags(plan(foiled(), cotton)).find(({ id }) => id.startsWith('sheet-foil-rough'))!.level).to.equal(
      'warn',
    );
    expect(usesOf(ink)).to.deep.include({ shelf: 'printers', id: 'gull', pathId: 'rear' });
    expect(usesOf(foiled(feed('skua', 'tray')))).to.deep.include({ shelf: 'printers', id: 'skua', pathId: 'tray' });
    // What is gone is said, and the nearest goes on in its place.
    const gone = plan(foiled(feed('sold', 'tray')));
    expect(allSnags(gone).find(({ id }) => id === 'size-gone-layer-0-feed')!.level).to.equal('stop');
    expect(gone.sheet.layers[0]!.print!.printer.ink).to.equal('laser');
  });

  it('are looked at in toner when they are printed, in foil when it lies on them, and solid, however pale the picture', () => {
    const p = plan(foiled());
    const [toner, foil] = p.make.steps.map((step) => drawStep(p, step, { unit: 'mm', textMm: 4 })!);
    const inksOf = (scene: Scene): readonly unknown[] =>
      Object.values(scene.symbols).flatMap(({ shapes }) =>
        flat(shapes).flatMap((s) => (s.kind === 'picture' ? [[s.inked?.ink, s.inked?.only, s.opacity]] : [])),
      );
    expect(inksOf(toner!)).to.deep.equal([['#000000', 'dark', 1]]);
    expect(inksOf(foil!)).to.deep.equal([[GOLD.colour, 'dark', 1]]);
  });

  it('are planned the same whatever is printed beside them', () => {
    expect(idsOf(foiled(decide((job) => job.size.layers.at(0).foil, null)))).to.include('dry-layers');
  });
});

const flat = (shapes: readonly Shape[]): readonly Shape[] =>
  shapes.flatMap((s) => (s.kind === 'group' ? [s, ...flat(s.children)] : [s]));

describe('a foil’s plate and the rest of a page', () => {
  const leaf = fc.constantFrom<Shape>(
    { kind: 'path', role: 'art', path: [], fill: '#cc2222' },
    { kind: 'path', role: 'mark', path: [] },
    { kind: 'label', role: 'mark', text: 'slug', at: { xMm: 0, yMm: 0 }, sizeMm: 2, anchor: 'start' },
    {
      ...{ kind: 'picture', role: 'art', pictureId: 'p', opacity: 0.3, tint: '#2244aa' },
      box: { xMm: 0, yMm: 0, widthMm: 1, heightMm: 1 },
    },
  );
  const scene = fc
    .array(fc.tuple(fc.boolean(), fc.array(leaf, { maxLength: 4 })), { maxLength: 5 })
    .map((groups): Scene => ({
      box: { xMm: 0, yMm: 0, widthMm: 10, heightMm: 10 },
      symbols: {},
      shapes: groups.map(([shines, art]) =>
        shines ? inFoil(art, '#c79a2e') : { kind: 'group', transform: [1, 0, 0, 1, 0, 0], children: art },
      ),
    }));
  const artOf = (shapes: readonly Shape[]): readonly Shape[] =>
    flat(shapes).filter((s) => s.kind === 'picture' || (s.kind === 'path' && s.role === 'art'));

  it('share all art between them, black on the one and untouched on the other, and both have the marks', () => {
    fc.assert(
      fc.property(scene, (page) => {
        const [plate, rest] = [foilPlate(page), withoutFoil(page)];
        expect(artOf(plate.shapes).length + artOf(rest.shapes).length).to.equal(artOf(page.shapes).length);
        expect(hasFoil(rest.shapes)).to.equal(false);
        for (const shape of artOf(plate.shapes))
          if (shape.kind === 'path') expect(shape.fill).to.equal('#000000');
          else if (shape.kind === 'picture')
            expect([shape.inked, shape.opacity, shape.tint]).to.deep.equal([{ ink: '#000000', only: 'dark' }, 1, null]);
        const outside = page.shapes.filter((s) => s.kind === 'group' && s.plate !== 'foil');
        expect(artOf(rest.shapes)).to.deep.equal(artOf(outside));
        const marks = (of: readonly Shape[]): number =>
          flat(of).filter((s) => s.kind === 'label' || (s.kind === 'path' && s.role === 'mark')).length;
        expect(marks(plate.shapes)).to.equal(marks(page.shapes));
      }),
      { numRuns: runs(200) },
    );
  });
});
