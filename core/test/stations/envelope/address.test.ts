import { expect } from 'chai';
import { apply, compose, type Affine } from '../../../src/ground/geometry/affine.ts';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import { decide, type JobChange } from '../../../src/job/decide.ts';
import { fillLines, wantedOf } from '../../../src/job/namesList.ts';
import type { Job, NamesList } from '../../../src/job/types.ts';
import { addressBlock, addressColumns, addressZone } from '../../../src/stations/envelope/address.ts';
import { drawEnvelopeSheet } from '../../../src/stations/envelope/drawEnvelope.ts';
import { drawEnvelopePage, drawFedEnvelope } from '../../../src/stations/envelope/drawEnvelopePrint.ts';
import { ENVELOPE_STYLES } from '../../../src/stations/envelope/styles/index.ts';
import type { Scene } from '../../../src/ground/scene/types.ts';
import { jobWith, plan, sized, typefaces, words } from '../../support.ts';

const LIST: NamesList = {
  columns: ['Name', 'Table', 'Street', 'District', 'Town', 'Postcode'],
  rows: [
    ['Ada Marl', '4', '1 Saltmarsh Lane', 'Upper Quay', 'Marrowby', 'MB1 1QX'],
    ['Bram Sedge', '4', '2 Saltmarsh Lane', '', 'Marrowby', 'MB1 2QX'],
    ['Cleo Teal', '5', '3 Saltmarsh Lane', '', 'Marrowby', 'MB1 3QX'],
  ],
};

const made = (...changes: readonly JobChange[]): Job =>
  jobWith(
    ...sized('sideFold', 96, 136),
    decide((job) => job.envelope.make, true),
    decide((job) => job.names, LIST),
    ...changes,
  );
const front = (job: Job) => plan(job).envelope.art.piece.faces[0]!;
const addressed = (...changes: readonly JobChange[]): Job => {
  const job = made(...changes);
  const block = addressBlock(job.names!, front(job), job.envelope.clearMm);
  return changeJob(job, [
    decide((at) => at.art.faces.at('envelopeFront'), { background: null, picture: null, texts: [block] }),
  ]);
};
/** Words of a drawing, line by line. */
const said = (scene: Pick<Scene, 'shapes'>): readonly string[] =>
  scene.shapes.flatMap((shape): readonly string[] =>
    shape.kind === 'line' ? [shape.text] : shape.kind === 'group' ? said({ shapes: shape.children }) : [],
  );

describe('an address', () => {
  it('is set from the columns that make one, in the order of its lines', () => {
    expect(addressColumns(LIST)).to.deep.equal(['Name', 'Street', 'District', 'Town', 'Postcode']);
    // A town is no “to”, and an address no name.
    expect(
      addressColumns({ ...LIST, columns: ['Town', 'Address line 1', 'Address line 2', 'Full name'] }),
    ).to.deep.equal(['Full name', 'Address line 1', 'Address line 2', 'Town']);
    expect(addressColumns({ ...LIST, columns: ['Colour', 'Knot'] })).to.deep.equal(['Colour']);
  });

  it('leaves out a line of which a row has no word, and keeps one that was typed empty', () => {
    expect(fillLines('{Name}\n{District}\n{Town}', LIST, 1)).to.equal('Bram Sedge\nMarrowby');
    expect(fillLines('To {Name}\n\n{District}, {Town}', LIST, 1)).to.equal('To Bram Sedge\n\n, Marrowby');
  });

  it('stands in its zone, off the edges by what is kept clear', () => {
    // 140 × 100: 40 from the top, 18 from the foot, 15 at either side.
    expect(addressZone({ widthMm: 140, heightMm: 100 })).to.deep.equal({
      xMm: 15,
      yMm: 40,
      widthMm: 110,
      heightMm: 42,
    });
    expect(addressZone({ widthMm: 40, heightMm: 50 }).widthMm).to.equal(0);
    const { envelope } = plan(addressed());
    expect(envelope.snags).to.deep.equal([]);
    expect(envelope.art.printed).to.deep.equal(['envelopeFront']);
  });

  it('out of its zone is told by name, and is moved into it at a size that can be read', () => {
    const job = addressed(decide((at) => at.envelope.clearMm, { top: 40, right: 15, bottom: 18, left: 15 }));
    const moved = changeJob(job, [decide((at) => at.art.faces.at('envelopeFront').texts.at(0).topMm, 5)]);
    const snag = plan(moved).envelope.snags.find(({ id }) => id.startsWith('envelope-address-room'))!;
    expect(snag.why).to.contain('Ada Marl');
    expect(snag.why).to.match(/ask your local post/);
    expect(snag.remedies).to.have.length(1);
    const after = changeJob(moved, snag.remedies[0]!.changes);
    expect(
      plan(after)
        .envelope.snags.map(({ id }) => id)
        .filter((id) => /address/.test(id)),
    ).to.deep.equal([]);
    expect(after.art.faces.envelopeFront!.texts[0]!.sizePt).to.be.at.least(10);
  });

  it('of nine lines is told, with a way to fewer', () => {
    const columns = ['Name', 'Line 1', 'Line 2', 'Line 3', 'Line 4', 'Line 5', 'Town', 'Postcode', 'Country'];
    const rows = [columns.map((column) => `${column} x`)];
    const job = addressed(
      decide((at) => at.names, { columns, rows }),
      decide((at) => at.envelope.clearMm, { top: 5, right: 5, bottom: 5, left: 5 }),
    );
    const snag = plan(job).envelope.snags.find(({ id }) => id.startsWith('envelope-address-lines'))!;
    expect(snag.title).to.equal('An address has 9 lines');
    expect(snag.remedies.map(({ label }) => label)).to.deep.equal(['Put the last ones on one line']);
    const after = plan(changeJob(job, snag.remedies[0]!.changes)).envelope;
    expect(after.snags.map(({ id }) => id).filter((id) => /lines/.test(id))).to.deep.equal([]);
  });

  it('is on as many envelopes as the list has cards, though no word on the card asks for it', () => {
    const job = addressed();
    expect(wantedOf(job)).to.equal(3);
    const { envelope, art } = plan(job);
    expect(envelope.sheets).to.equal(3);
    expect(art.snags.map(({ id }) => id)).to.not.include('art-names-unused');
  });
});

describe('printed envelopes', () => {
  it('lie under their own lines when the sheet is turned over, in every style, whichever edge it is turned on', () => {
    for (const style of ENVELOPE_STYLES)
      for (const flip of ['long', 'short'] as const) {
        const job = addressed(
          decide((at) => at.envelope.style, style.id),
          decide((at) => at.sheet.flipEdge, flip),
          ...sized('sideFold', 74, 105),
        );
        const { envelope } = plan(job);
        expect(envelope.up, style.id).to.be.at.least(1);
        const page = drawEnvelopePage(envelope, 'front', { job, typefaces }, null);
        const lines = drawEnvelopeSheet(envelope);
        // The front’s own frame to the form, and on by the place that the page gives its symbol.
        const face = envelope.art.piece.faces[0]!;
        const uses = page.scene.shapes.filter((shape) => shape.kind === 'use');
        expect(uses).to.have.length(envelope.up);
        const { widthMm, heightMm } = page.scene.box;
        // Turned over by hand: about the upright or the level middle line of the sheet.
        const upright = heightMm >= widthMm;
        const over: Affine = (flip === 'long') === upright ? [-1, 0, 0, 1, widthMm, 0] : [1, 0, 0, -1, 0, heightMm];
        const creases = lines.scene.shapes.filter(
          (shape) => shape.kind === 'path' && ['creaseToward', 'cut'].includes(shape.role),
        );
        const ends = creases.flatMap((shape) =>
          shape.kind === 'path' ? shape.path.flatMap((part) => (part.kind === 'close' ? [] : [part.to])) : [],
        );
        const near = (p: Point): number => Math.min(...ends.map((e) => Math.hypot(e.xMm - p.xMm, e.yMm - p.yMm)));
        for (const use of uses) {
          const to = compose(over, compose(use.transform, face.toBlank));
          for (const corner of [
            { xMm: 0, yMm: 0 },
            { xMm: face.widthMm, yMm: 0 },
            { xMm: face.widthMm, yMm: face.heightMm },
            { xMm: 0, yMm: face.heightMm },
          ])
            expect(near(apply(to, corner)), `${style.id} ${flip}`).to.be.below(1e-6);
        }
      }
  });

  it('carry the words of their own card, in piles that come apart in the order of the list', () => {
    const job = addressed(
      decide((at) => at.envelope.stockId, 'shell-300-a3'),
      ...sized('sideFold', 74, 105),
    );
    const { envelope } = plan(job);
    const { up, sheets } = envelope;
    expect([up, sheets]).to.deep.equal([2, 2]);
    const lines = (n: number): readonly string[] =>
      said(
        drawEnvelopePage(envelope, 'front', { job, typefaces }, { title: 'x', date: null, sheetNumber: n }).scene,
      ).filter((text) => /Marl|Sedge|Teal/.test(text));
    // Pile by pile: the first place of every sheet, then the second.
    const piles = Array.from({ length: up }, (_, place) =>
      Array.from({ length: sheets }, (_, n) => lines(n + 1)[place]).filter(Boolean),
    );
    expect(piles.flat()).to.deep.equal(['Ada Marl', 'Bram Sedge', 'Cleo Teal']);
  });

  it('go through one a page when they are ready, turned as they are fed', () => {
    for (const [feedTurn, at] of [
      [0, (p: Point) => p],
      // Clockwise: what was the left edge is on top; the top has come to the right.
      [90, (p: Point, h: number) => ({ xMm: h - p.yMm, yMm: p.xMm })],
      [270, (p: Point, _h: number, w: number) => ({ xMm: p.yMm, yMm: w - p.xMm })],
    ] as const) {
      const job = addressed(
        decide((job) => job.envelope.printOn, 'envelope'),
        decide((job) => job.envelope.feedTurn, feedTurn),
      );
      const { envelope } = plan(job);
      const { widthMm: w, heightMm: h } = front(job);
      expect(envelope.fedPages).to.equal(3);
      const page = drawFedEnvelope(envelope, 1, { job, typefaces });
      expect([page.scene.box.widthMm, page.scene.box.heightMm]).to.deep.equal(feedTurn === 0 ? [w, h] : [h, w]);
      expect(said(page.scene)[0]).to.equal('Bram Sedge');
      const [group] = page.scene.shapes;
      const p = { xMm: 12, yMm: 34 };
      const moved = group!.kind === 'group' ? apply(group!.transform, p) : p;
      const wanted = at(p, h, w);
      expect(moved.xMm).to.be.closeTo(wanted.xMm, 1e-9);
      expect(moved.yMm).to.be.closeTo(wanted.yMm, 1e-9);
    }
  });

  it('that are bought carry an address too, and nothing else of what is drawn', () => {
    const job = changeJob(addressed(), [
      decide((at) => at.envelope.make, false),
      decide((at) => at.brief.envelope, { kind: 'typed', insideWidthMm: 150, insideHeightMm: 110 }),
      decide((at) => at.art.faces.at('envelopeBack'), {
        background: null,
        picture: null,
        texts: [words('Saltmarsh Lane', { leftMm: 20, topMm: 30 })],
      }),
    ]);
    const { envelope } = plan(job);
    expect(envelope.print!.on).to.equal('envelope');
    expect([envelope.print!.pageWidthMm, envelope.print!.pageHeightMm]).to.deep.equal([150, 110]);
    const snag = envelope.snags.find(({ id }) => id === 'envelope-fed-faces')!;
    expect(plan(changeJob(job, snag.remedies[0]!.changes)).envelope.snags.map(({ id }) => id)).to.not.include(
      'envelope-fed-faces',
    );
  });

  it('wait where there is no envelope: nothing is fed, printed or paid for', () => {
    const none = plan(
      changeJob(addressed(), [
        decide((at) => at.envelope.make, false),
        decide((at) => at.brief.envelope, { kind: 'none' }),
      ]),
    );
    expect([none.envelope.print, none.envelope.fedPages]).to.deep.equal([null, 0]);
    expect(none.make.steps.map(({ id }) => id)).to.not.include('envelope-feed');
  });

  it('are counted, printed at the bench in their turn, and paid for', () => {
    const bare = plan(made(decide((job) => job.brief.wanted, 3)));
    const job = addressed();
    const printed = plan(job);
    const ids = printed.make.steps.map(({ id }) => id);
    expect(ids.indexOf('envelope-print-1')).to.be.within(0, ids.indexOf('envelope') - 1);
    expect(bare.make.steps.map(({ id }) => id)).to.not.include('envelope-print-1');
    const ink = (of: typeof bare) => of.sell.parts.find(({ id }) => id === 'ink')!.perCardMinor;
    // Three sheets, one side each, on three cards: one side a card.
    expect(ink(printed) - ink(bare)).to.be.closeTo(printed.envelope.print!.printer.sidePriceMinor, 1e-9);
    const ready = plan(changeJob(job, [decide((at) => at.envelope.printOn, 'envelope')]));
    expect(ready.make.steps.map(({ id }) => id)).to.include('envelope-feed');
    expect(ink(ready) - ink(bare)).to.be.closeTo(ready.envelope.print!.printer.sidePriceMinor, 1e-9);
  });
});
