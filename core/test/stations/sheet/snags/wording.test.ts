import { expect } from 'chai';
import { changeJob } from '../../../../src/job/changeJob.ts';
import type { Figure, Snag } from '../../../../src/job/findings.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { Job, LayerChoice } from '../../../../src/job/types.ts';
import type { Stock, Workshop } from '../../../../src/workshop/types.ts';
import type { Plan } from '../../../../src/plan/planJob.ts';
import type { FlatBlank } from '../../../../src/ground/fold/types.ts';
import { drawLayerSheet, drawPanelPage } from '../../../../src/stations/sheet/draw/drawLayerSheet.ts';
import { drawSheetPage } from '../../../../src/stations/sheet/draw/drawSheet.ts';
import { groupsOf, labelsOf, pathsOf, sidesOf } from '../../../drawn.ts';
import { inkedWith, jobWith, plan, sized, workshop } from '../../../support.ts';

const NO_SPARES: JobChange = decide((job) => job.sheet.spares, 0);
const wanted = (value: number): JobChange => decide((job) => job.brief.wanted, value);
const faces = (...ids: readonly string[]): JobChange =>
  decide(
    (job) => job.art.faces,
    Object.fromEntries(ids.map((id) => [id, { background: '#cfe6e4', picture: null, texts: [] }])),
  );
const GRAIN_FREE: JobChange = decide((job) => job.sheet.grain, 'ignore');
const shelf = (change: (stock: Stock) => Partial<Stock>): Workshop => ({
  ...workshop,
  stocks: workshop.stocks.map((s) => ({ ...s, ...change(s) })),
});
const margins = (top: number, right: number, bottom: number, left: number, more: object = {}): Workshop => ({
  ...workshop,
  printers: workshop.printers.map((p) => ({
    ...p,
    paths: p.paths.map((path) => ({ ...path, marginsMm: { top, right, bottom, left }, ...more })),
  })),
});
const figureOf = (p: Plan, id: string): Figure | undefined => p.sheet.figures.find((f) => f.id === id);
const inputsOf = (p: Plan, id: string) =>
  Object.fromEntries(figureOf(p, id)!.working.inputs.map(({ label, value }) => [label, value]));
const snagOf = (p: Plan, id: string): Snag | undefined => p.sheet.snags.find((s) => s.id === id);
const count = (n: number) => ({ kind: 'count', count: n });

describe('what is said at Sheet', () => {
  const six = inkedWith(...sized('flat', 85, 55), wanted(90), NO_SPARES);

  it('of a run: cards, sheets, sides and how it is turned', () => {
    const one = plan(six);
    const { up, sheets } = one.sheet;
    expect(sheets).to.equal(Math.ceil(90 / up));
    expect(one.sheet.verdict).to.equal(`${up} up, ${sheets} sheets: 90 wanted and 0 spares.`);
    expect(one.sheet.telling).to.equal(`${up} up · ${sheets} sheets`);
    const both = plan(changeJob(six, [faces('front', 'back'), decide((job) => job.sheet.spares, 1)]));
    expect(both.sheet.verdict).to.match(/: 90 wanted and 1 spare, printed both sides, turned on the long edge\.$/);
    const short = plan(changeJob(six, [faces('front', 'back'), decide((job) => job.sheet.flipEdge, 'short')]));
    expect(short.sheet.verdict).to.match(/turned on the short edge\.$/);
    expect([both.sheet.turnOver, short.sheet.turnOver]).to.deep.equal(['leftRight', 'topBottom']);
    const bare = plan(changeJob(six, [faces()]));
    expect(bare.sheet.verdict).to.match(/90 wanted and 0 spares, nothing printed\.$/);
    expect([bare.sheet.bleedMm, bare.sheet.white, bare.sheet.passes]).to.deep.equal([0, null, []]);
    const few = plan(changeJob(six, [wanted(1)]));
    expect(few.sheet.telling).to.equal(`${up} up · 1 sheet`);
    const plate = plan(changeJob(six, [faces('front', 'back'), decide((job) => job.sheet.working, 'workAndTurn')]));
    if (plate.sheet.onePlate) expect(plate.sheet.verdict).to.match(/one plate printed on both sides/);
    const night = plan(
      changeJob(six, [decide((job) => job.stock, { stockId: 'night-270-a4', printerId: 'skua', pathId: 'tray' })]),
    );
    expect(night.sheet.verdict).to.match(/; white goes on in a pass of its own, before the colours\.$/);
  });

  it('of a blank that does not fit, with its bleed or without', () => {
    const huge = inkedWith(...sized('flat', 300, 400));
    expect(plan(huge).sheet.verdict).to.equal('The open blank does not fit on a 210 × 297 mm sheet with its bleed.');
    expect(plan(huge).sheet.telling).to.equal('does not fit');
    expect(plan(changeJob(huge, [faces()])).sheet.verdict).to.equal(
      'The open blank does not fit on a 210 × 297 mm sheet.',
    );
    expect(snagOf(plan(huge), 'sheet-no-bleed')).to.include({
      level: 'stop',
      title: 'The open blank is larger than the sheet',
      why: 'It is 300 × 400 mm and the sheet 210 × 297 mm.',
    });
    // 280 across its fold goes on a sheet of 297 only the other way round.
    const across = inkedWith(...sized('tentFold', 200, 140));
    const turned = plan(across);
    if (turned.sheet.up === 0)
      expect(snagOf(turned, 'sheet-no-bleed')!.title).to.match(/fits only with the grain across its fold|Nothing left/);
  });

  it('in workings: what was asked, and what it came to', () => {
    const p = plan(six);
    expect(inputsOf(p, 'up')).to.deep.equal({
      'No cuttable layout holds more than': count(p.sheet.upBound),
      'Uniform blocks': count(p.sheet.layOut.blocks),
      Blank: { kind: 'text', text: '85 × 55 mm' },
      Gutter: { kind: 'length', mm: 6 },
      Bleed: { kind: 'length', mm: 3 },
    });
    expect(inputsOf(p, 'sheets')).to.deep.equal({
      Wanted: count(90),
      Spares: count(0),
      'Cards on a sheet': count(p.sheet.up),
    });
    expect(figureOf(p, 'spares')!.working.sum).to.equal('as typed');
    const logged = plan(changeJob(six, [decide((job) => job.sheet.spares, null)]), {
      ...workshop,
      spoilLog: { good: 66, spoiled: 9 },
    });
    expect(figureOf(logged, 'spares')!.working.sum).to.match(/from your spoil log/);
    expect(inputsOf(logged, 'spares')).to.deep.equal({
      'Good so far': count(66),
      'Spoiled so far': count(9),
      'Expected to spoil': { kind: 'share', share: 0.1 },
    });
    // The blanks’ area of the sheet’s.
    expect((figureOf(p, 'used')!.value as { share: number }).share).to.be.closeTo(
      (p.sheet.up * 85 * 55) / (210 * 297),
      1e-9,
    );
    expect(figureOf(p, 'grain')).to.equal(undefined);
    const folded = plan(inkedWith(...sized('sideFold', 60, 80)));
    expect((figureOf(folded, 'grain')!.value as { text: string }).text).to.equal('along the fold');
    expect((inputsOf(folded, 'grain')['Up with grain along the fold'] as { count: number }).count).to.equal(
      folded.sheet.up,
    );
    expect((inputsOf(folded, 'grain')['Up either way'] as { count: number }).count).to.be.at.least(folded.sheet.up);
    const pair = plan(
      inkedWith(
        ...sized('cascade', 45, 150),
        decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
      ),
    );
    expect(pair.sheet.cell.blanks).to.have.length(2);
    expect(figureOf(pair, 'up')!.working.sum).to.match(/two nested blanks/);
    expect(pair.sheet.upBound % 2).to.equal(0);
    expect(pair.sheet.placements).to.have.length(pair.sheet.up);
  });

  it('of what cannot be reached: which edges, on which sides, by printer or machine', () => {
    const value = (p: Plan) => (figureOf(p, 'margins')!.value as { text: string }).text;
    const even = plan(six, margins(4, 4, 4, 4));
    expect([figureOf(even, 'margins')!.label, value(even)]).to.deep.equal(['Printer cannot reach', '4 mm all round']);
    const odd = plan(changeJob(six, [faces('front', 'back')]), margins(3, 4, 12, 5));
    expect(value(odd)).to.equal('3 mm, 5 mm, 12 mm, 5 mm');
    expect(figureOf(odd, 'margins')!.working.sum).to.match(/on either side, as each is fed/);
    expect(inputsOf(odd, 'margins')).to.deep.equal({
      'Top of a page': { kind: 'length', mm: 3 },
      'Right of a page': { kind: 'length', mm: 4 },
      'Bottom of a page': { kind: 'length', mm: 12 },
      'Left of a page': { kind: 'length', mm: 5 },
      'Turned over': { kind: 'text', text: 'left to right' },
    });
    const one = plan(six, margins(3, 4, 12, 5));
    expect(value(one)).to.equal('3 mm, 4 mm, 12 mm, 5 mm');
    expect(figureOf(one, 'margins')!.working.sum).to.match(/as the printed side is fed/);
    expect(Object.keys(inputsOf(one, 'margins'))).to.not.include('Turned over');
    const short = plan(
      changeJob(six, [faces('front', 'back'), decide((job) => job.sheet.flipEdge, 'short')]),
      margins(3, 4, 12, 5),
    );
    expect(inputsOf(short, 'margins')['Turned over']).to.deep.equal({ kind: 'text', text: 'top to bottom' });
    const bare = changeJob(six, [faces()]);
    expect(figureOf(plan(bare), 'margins')).to.equal(undefined);
    const machine: JobChange = decide((job) => job.cut.trimmerId, 'petrel');
    const cut = plan(changeJob(six, [machine]), margins(3, 12, 3, 3));
    expect([figureOf(cut, 'margins')!.label, value(cut)]).to.deep.equal([
      'Printer and machine cannot reach',
      '10 mm, 12 mm, 10 mm, 10 mm',
    ]);
    expect(figureOf(cut, 'margins')!.working.sum).to.match(
      /; the edge that the machine keeps all round, where that is wider$/,
    );
    expect(inputsOf(cut, 'margins')['The machine keeps']).to.deep.equal({ kind: 'length', mm: 10 });
    const blank = plan(changeJob(bare, [machine]));
    expect(figureOf(blank, 'margins')!.label).to.equal('The machine cannot reach');
    expect(figureOf(blank, 'margins')!.working.sum).to.equal('the edge that the machine keeps all round');
    expect(Object.keys(inputsOf(blank, 'margins'))).to.deep.equal(['The machine keeps']);
  });

  it('of a shelf that is short, by how many', () => {
    const { sheets } = plan(six).sheet;
    const short = (onShelf: number) =>
      snagOf(
        plan(
          six,
          shelf(() => ({ onShelf })),
        ),
        'sheet-shelf',
      );
    expect(short(sheets)).to.equal(undefined);
    expect(short(sheets - 1)).to.include({ level: 'warn', title: '1 sheet short' });
    expect(short(sheets - 2)!.title).to.equal('2 sheets short');
    expect(short(sheets - 2)!.why).to.match(new RegExp(`^The run takes ${sheets}; the shelf holds ${sheets - 2} of `));
  });

  it('of a sheet that was cut down to more than there is', () => {
    const down = (widthMm: number, heightMm: number) =>
      snagOf(plan(changeJob(six, [decide((job) => job.sheet.cutDown, { widthMm, heightMm })])), 'sheet-cut-down');
    expect(down(210, 297)).to.equal(undefined);
    expect(down(210, 298)!.why).to.equal('210 × 298 mm does not come out of a 210 × 297 mm sheet.');
    expect(down(211, 200)!.level).to.equal('stop');
    expect(down(211, 200)!.remedies[0]!.changes).to.deep.equal([decide((job) => job.sheet.cutDown, null)]);
  });

  it('of ticks that have no room, at a millimetre and a half of it on any side', () => {
    // One card of 204 × 291 and its bleed is 210 × 297 less nothing; on a larger sheet it leaves what margins leave.
    const at = (spareMm: number, ...more: readonly JobChange[]) => {
      const job = inkedWith(
        ...sized('flat', 150, 200),
        decide((job) => job.sheet.cutDown, { widthMm: 156, heightMm: 206 + spareMm }),
        ...more,
      );
      return snagOf(plan(job, margins(0, 0, 0, 0)), 'sheet-no-marks');
    };
    expect(at(0)!.level).to.equal('note');
    // The card lies in the middle: half of the room on either side.
    expect(at(2.9)).to.not.equal(undefined);
    expect(at(3.2)).to.equal(undefined);
    expect(
      at(
        0,
        decide((job) => job.sheet.marks, false),
      ),
    ).to.equal(undefined);
    expect(at(0, faces())).to.equal(undefined);
  });

  it('of grain: what keeping it costs, and that it is not minded', () => {
    const job = inkedWith(
      ...sized('tentFold', 90, 66),
      decide((job) => job.size.bleedMm, 0),
    );
    const kept = plan(job);
    const free = plan(changeJob(job, [GRAIN_FREE]));
    expect(free.sheet.up).to.be.above(kept.sheet.up);
    const costs = snagOf(kept, 'sheet-grain-costs')!;
    expect(costs).to.include({
      level: 'note',
      title: `Keeping the grain along the fold costs ${free.sheet.up - kept.sheet.up} up`,
    });
    expect(costs.why).to.match(
      new RegExp(`^${kept.sheet.up} up with the fibres along the fold, ${free.sheet.up} up if`),
    );
    expect(costs.remedies[0]!.label).to.equal(`Let the grain run across: ${free.sheet.up} up`);
    const ignored = snagOf(free, 'sheet-grain-ignored')!;
    expect(ignored.level).to.equal('note');
    expect(changeJob(job, ignored.remedies[0]!.changes).sheet.grain).to.equal('respect');
    expect(snagOf(free, 'sheet-grain-costs')).to.equal(undefined);
    expect(snagOf(kept, 'sheet-grain-ignored')).to.equal(undefined);
    // A flat card has no fold to run across.
    const flat = plan(changeJob(six, [GRAIN_FREE]));
    expect(flat.sheet.snags.map(({ id }) => id)).to.not.include.members(['sheet-grain-ignored']);
    // Nothing fits along: then it is a warning.
    const tight = plan(
      inkedWith(
        ...sized('tentFold', 190, 140),
        decide((job) => job.size.bleedMm, 0),
      ),
    );
    expect(tight.sheet.up).to.equal(0);
    expect(snagOf(tight, 'sheet-grain-costs')).to.include({ level: 'warn' });
  });

  it('of one plate for both sides: offered, chosen where it cannot be, and not where the printer turns sheets', () => {
    const both = changeJob(inkedWith(...sized('flat', 90, 120)), [faces('front', 'back')]);
    const one = plan(both, margins(4, 4, 4, 4, { printsBothSides: false, calibrations: [] }));
    expect(snagOf(one, 'sheet-one-plate')!.why).to.match(/Nothing to set up anew/);
    expect(changeJob(both, snagOf(one, 'sheet-one-plate')!.remedies[0]!.changes).sheet.working).to.equal('workAndTurn');
    expect(snagOf(plan(both, margins(4, 4, 4, 4, { printsBothSides: true })), 'sheet-one-plate')).to.equal(undefined);
    const chosen: JobChange = decide((job) => job.sheet.working, 'workAndTurn');
    const single = plan(changeJob(six, [chosen]));
    expect(snagOf(single, 'sheet-no-plate')!.why).to.equal(
      'Fronts and backs are printed from a page each: only one side is printed.',
    );
    const folded = plan(changeJob(inkedWith(...sized('sideFold', 60, 80)), [faces('front', 'insideFront'), chosen]));
    expect(snagOf(folded, 'sheet-no-plate')!.why).to.match(/only flat pieces/);
    const named = plan(
      changeJob(both, [
        chosen,
        decide((job) => job.names, { columns: ['name'], rows: [['Wren'], ['Tove']] }),
        decide(
          (job) => job.art.faces.at('front').texts,
          [
            {
              id: 'n',
              text: '{name}',
              typefaceId: 'eb-garamond-400',
              sizePt: 12,
              align: 'left',
              lineSpacing: 1.2,
              colour: '#1d2930',
              leftMm: 5,
              topMm: 5,
              widthMm: 60,
            },
          ],
        ),
      ]),
    );
    expect(snagOf(named, 'sheet-no-plate')!.why).to.match(/words of its own/);
    expect(named.sheet.onePlate).to.equal(null);
  });

  it('of bleed: what edge to edge would give, and remedies that do give what they say', () => {
    // Two of 105 × 148 make half an A4 each way: four edge to edge.
    const quarter = inkedWith(...sized('flat', 105, 148.5));
    const p = plan(quarter);
    const snag = snagOf(p, 'sheet-no-bleed')!;
    expect(snag.title).to.equal(`Nothing left for bleed at 4 up, so it is ${p.sheet.up} up`);
    expect(snag.why).to.equal(
      `Edge to edge 4 would come out of a 210 × 297 mm sheet; bleed on every side and the printer’s margins leave room for ${p.sheet.up}. Cut at the sheet’s own edges, the outside would lose 3.4 mm all round.`,
    );
    const trim = snag.remedies.find(({ label }) => label.startsWith('Trim'))!;
    const trimmed = plan(changeJob(quarter, trim.changes));
    expect(trimmed.sheet.up).to.equal(4);
    // It is the largest that does: usable 203.2 × 290.2, less two bleeds for each of two cards a way.
    const { finishedWidthMm, finishedHeightMm } = changeJob(quarter, trim.changes).size;
    expect([finishedWidthMm, finishedHeightMm]).to.deep.equal(
      [(203.2 - 12) / 2, (290.2 - 12) / 2].map((mm) => Math.floor(mm * 10 + 1e-6) / 10),
    );
    const whole = plan(inkedWith(...sized('flat', 210, 297)));
    expect(snagOf(whole, 'sheet-no-bleed')).to.include({ level: 'stop', title: 'Nothing left for bleed' });
    expect(snagOf(plan(inkedWith(...sized('flat', 60, 60))), 'sheet-no-bleed')).to.equal(undefined);
  });
});

const PICTURE = { pictureId: 'page', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
const withLayer = (part: Partial<LayerChoice>, ...more: readonly JobChange[]): Job =>
  jobWith(
    ...sized('sideFold', 105, 148),
    NO_SPARES,
    wanted(20),
    decide((job) => job.pictures, {
      page: { name: 'page.png', sha256: 'a'.repeat(64), mime: 'image/png', widthPx: 2480, heightPx: 3508 },
    }),
    decide(
      (job) => job.size.layers,
      [{ id: 'mat1', kind: 'mat', faces: ['front'], revealMm: 3, stockIds: ['shell-300-a4'], ...part }],
    ),
    ...more,
  );

describe('what is said of layers', () => {
  const layerSnag = (p: Plan) => p.sheet.snags.find(({ id }) => id.startsWith('sheet-layer'));

  it('a figure for each: how many come of a sheet, its size and stock, and what prints it', () => {
    const bare = plan(withLayer({}));
    const [layer] = bare.sheet.layers;
    const id = `layer-${layer!.piece.id}`;
    // 99 × 142, two across and two down of a whole sheet.
    expect([layer!.up, layer!.sheets]).to.deep.equal([4, 5]);
    expect(figureOf(bare, id)!.value).to.deep.equal({ kind: 'text', text: '4 up · 5 sheets' });
    expect(inputsOf(bare, id)).to.deep.equal({
      Piece: { kind: 'text', text: '99 × 142 mm' },
      Stock: { kind: 'text', text: layer!.piece.stock.name },
      Turned: count(0),
    });
    const printed = plan(withLayer({ picture: PICTURE }));
    expect((inputsOf(printed, id).Turned as { count: number }).count).to.equal(2);
    const { printer, path } = printed.sheet.layers[0]!.print!;
    expect(inputsOf(printed, id)['Printed by']).to.deep.equal({ kind: 'text', text: `${printer.name}, ${path.name}` });
    expect([printer.id, path.id]).to.deep.equal(['gull', 'rear']);
    const one = plan(changeJob(withLayer({}), [wanted(4)]));
    expect(figureOf(one, id)!.value).to.deep.equal({ kind: 'text', text: '4 up · 1 sheet' });
    const spare = plan(changeJob(withLayer({}), [decide((job) => job.sheet.spares, 1)]));
    expect(spare.sheet.layers[0]!.sheets).to.equal(6);
  });

  it('a shelf that is short of them, a piece that does not fit, one that takes a sheet for itself', () => {
    const with_ = (job: Job, change: Partial<Stock>) =>
      layerSnag(
        plan(
          job,
          shelf(() => change),
        ),
      );
    expect(with_(withLayer({}), { onShelf: 5 })).to.equal(undefined);
    expect(with_(withLayer({}), { onShelf: 4 })).to.include({ level: 'warn', title: '1 sheet short for mat, front' });
    expect(with_(withLayer({}), { onShelf: 3 })!.title).to.equal('2 sheets short for mat, front');
    expect(with_(withLayer({}), { onShelf: 3 })!.why).to.match(/^It takes 5; the shelf holds 3 of /);
    const large = withLayer({}, ...sized('sideFold', 190, 200));
    const alone = with_(large, { onShelf: 500 });
    expect(alone).to.include({ level: 'note', title: 'Mat, front: one to a sheet' });
    expect(with_(changeJob(large, [wanted(1)]), { onShelf: 500 })).to.equal(undefined);
    // Printed, 202 and its bleed is wider than what the printer reaches of 210.
    const tight = withLayer({ picture: PICTURE }, ...sized('sideFold', 208, 293));
    const snag = with_(tight, { onShelf: 500 })!;
    expect(snag).to.include({ level: 'stop', title: 'Mat, front does not fit on its sheet' });
    expect(snag.why).to.match(
      /^It is 202 × 287 mm and its bleed, and .* is 210 × 297 mm less what the printer cannot reach\.$/,
    );
    expect(snag.remedies.map(({ label }) => label)).to.deep.equal(['Leave mat, front bare']);
    const never = with_(withLayer({ picture: PICTURE }, ...sized('sideFold', 320, 140)), { onShelf: 500 })!;
    expect(never.remedies).to.deep.equal([]);
    expect(with_(withLayer({}, ...sized('sideFold', 320, 140)), { onShelf: 500 })!.why).to.match(
      /^It is 314 × 134 mm, and .* is 210 × 297 mm\.$/,
    );
  });

  it('a feed path: the card’s own where it takes the stock, or another of its printer’s, or any', () => {
    const chosen = (takes: (printerId: string, pathId: string) => boolean) =>
      plan(withLayer({ picture: PICTURE }), {
        ...workshop,
        printers: workshop.printers.map((p) => ({
          ...p,
          paths: p.paths.map((path) => ({
            ...path,
            heaviestGsm: takes(p.id, path.id) ? 900 : 50,
            thickestMicron: 5000,
          })),
        })),
      }).sheet.layers[0]!.print!;
    const id = (takes: Parameters<typeof chosen>[0]): string => {
      const { printer, path } = chosen(takes);
      return `${printer.id} ${path.id}`;
    };
    expect(id(() => true)).to.equal('gull rear');
    expect(id((_, path) => path !== 'rear')).to.equal('gull cassette');
    expect(id((printer) => printer !== 'gull')).to.match(/^(tern|skua) /);
    expect(id(() => false)).to.equal('gull rear');
    expect(chosen(() => false).refusals).to.not.deep.equal([]);
  });
});

describe('sheets as they are drawn', () => {
  const label = { title: 'Seal pups', date: '2026-11-27', sheetNumber: 2 };
  const words = (p: Plan, side: 'front' | 'back', more: object = {}): string | undefined =>
    labelsOf(drawSheetPage(p.size, p.art, p.sheet, side, { ...label, ...more }).scene)[0]?.text;
  const small = inkedWith(...sized('flat', 60, 60), wanted(90), NO_SPARES);

  it('say job, side, ink, sheet and day', () => {
    const p = plan(small);
    expect(words(p, 'front')).to.equal(`Seal pups · front · sheet 2 of ${p.sheet.sheets} · 2026-11-27`);
    expect(words(p, 'front', { date: null })).to.equal(`Seal pups · front · sheet 2 of ${p.sheet.sheets}`);
    const both = plan(changeJob(small, [faces('front', 'back')]));
    expect(words(both, 'back')).to.match(/^Seal pups · back · /);
    const one = plan(
      changeJob(small, [
        ...sized('flat', 90, 120),
        faces('front', 'back'),
        decide((job) => job.sheet.working, 'workAndTurn'),
      ]),
    );
    expect(one.sheet.onePlate).to.not.equal(null);
    expect(words(one, 'front')).to.match(/^Seal pups · both sides · /);
    const night = plan(
      changeJob(small, [decide((job) => job.stock, { stockId: 'night-270-a4', printerId: 'skua', pathId: 'tray' })]),
    );
    expect(words(night, 'front', { plate: 'white' })).to.match(/ · front · white ink, before the colours · sheet/);
    expect(words(night, 'front')).to.match(/ · front · colours, after the white · sheet/);
    const bare = plan(changeJob(small, [decide((job) => job.sheet.marks, false)]));
    const page = drawSheetPage(bare.size, bare.art, bare.sheet, 'front', label).scene;
    expect([labelsOf(page).length, pathsOf(page, 'mark').length]).to.deep.equal([0, 0]);
  });

  it('gather what all of a side’s sheets share into one symbol, and are the same page either way', () => {
    const p = plan(small);
    const [plain, gathered] = [false, true].map(
      (g) => drawSheetPage(p.size, p.art, p.sheet, 'front', label, { gathered: g }).scene,
    );
    const uses = (shapes: typeof plain extends undefined ? never : NonNullable<typeof plain>['shapes']) =>
      shapes.filter(({ kind }) => kind === 'use').length;
    expect([uses(plain!.shapes), uses(gathered!.shapes)]).to.deep.equal([p.sheet.up, 1]);
    const inside = gathered!.symbols['sheet-front']!;
    expect(uses(inside.shapes)).to.equal(p.sheet.up);
    expect([...inside.shapes, ...gathered!.shapes.slice(1)]).to.deep.equal(plain!.shapes);
    expect([inside.box.widthMm, inside.box.heightMm]).to.deep.equal([210, 297]);
  });

  it('have a machine’s marks on the front alone', () => {
    const p = plan(changeJob(small, [faces('front', 'back'), decide((job) => job.cut.trimmerId, 'petrel')]));
    expect(p.sheet.machineMarks).to.have.length(3);
    const solid = (side: 'front' | 'back') =>
      pathsOf(drawSheetPage(p.size, p.art, p.sheet, side, label).scene, 'mark').filter(({ fill }) => fill !== undefined)
        .length;
    expect([solid('front'), solid('back')]).to.deep.equal([3, 0]);
  });

  it('of a layer show stock, prints, outlines and an insert’s fold', () => {
    const insert = plan(withLayer({ kind: 'insert', faces: ['insideFront'] }));
    const [layer] = insert.sheet.layers;
    const scene = drawLayerSheet(layer!, undefined);
    expect(pathsOf(scene, 'sheet')[0]!.fill).to.equal(layer!.piece.stock.colour);
    expect(pathsOf(scene, 'trim').map(({ path }) => sidesOf(path))).to.deep.equal(
      layer!.laid.map(({ trim }) => {
        const round = (mm: number): number => Math.round(mm * 1000) / 1000;
        return {
          left: round(trim.xMm),
          top: round(trim.yMm),
          right: round(trim.xMm + trim.widthMm),
          bottom: round(trim.yMm + trim.heightMm),
        };
      }),
    );
    const folds = pathsOf(scene, 'creaseAway').map(({ path }) => sidesOf(path));
    expect(folds).to.have.length(layer!.blank.creases.length * layer!.up);
    folds.forEach((fold, i) => {
      const { trim, turned } = layer!.laid[i]!;
      const [{ from, to }] = layer!.blank.creases as [FlatBlank['creases'][number]];
      const across = (from.xMm === to.xMm) !== turned;
      // From edge to edge of its piece, in the middle.
      if (across)
        expect([fold.top, fold.bottom]).to.deep.equal(
          [trim.yMm, trim.yMm + trim.heightMm].map((v) => Math.round(v * 1000) / 1000),
        );
      else
        expect([fold.left, fold.right]).to.deep.equal(
          [trim.xMm, trim.xMm + trim.widthMm].map((v) => Math.round(v * 1000) / 1000),
        );
    });
    const printed = plan(withLayer({ picture: PICTURE }));
    const [mat] = printed.sheet.layers;
    const art = printed.art.panels[mat!.piece.id]!;
    const [group] = groupsOf(drawLayerSheet(mat!, art));
    expect([group!.blend, group!.children.filter(({ kind }) => kind === 'use').length]).to.deep.equal([
      'multiply',
      mat!.up,
    ]);
    const page = drawPanelPage(mat!, art, { ...label, sheetNumber: 3 });
    expect(labelsOf(page.scene)[0]?.text ?? '').to.match(/^(Seal pups · mat, front · sheet 3 of 10 · 2026-11-27)?$/);
    expect(page.bleedBox.widthMm - page.trimBox.widthMm).to.be.closeTo(6, 1e-9);
    expect(() => drawPanelPage({ ...mat!, print: null }, art, null)).to.throw(RangeError, 'nothing is printed');
    const night = plan(
      withLayer(
        { picture: PICTURE, stockIds: ['night-270-a4'] },
        decide((job) => job.stock, { stockId: 'night-270-a4', printerId: 'skua', pathId: 'tray' }),
      ),
    );
    const [dark] = night.sheet.layers;
    const [onWhite] = groupsOf(drawLayerSheet(dark!, night.art.panels[dark!.piece.id]));
    expect(onWhite!.blend).to.equal(undefined);
    expect(onWhite!.children.filter(({ kind }) => kind === 'use')).to.have.length(2 * dark!.up);
  });
});
