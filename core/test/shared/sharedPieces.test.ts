import { expect } from 'chai';
import { apply } from '../../src/ground/geometry/affine.ts';
import { changeJob } from '../../src/job/changeJob.ts';
import { decide } from '../../src/job/decide.ts';
import type { ArtObject, LayerChoice } from '../../src/job/types.ts';
import type { Workshop } from '../../src/workshop/types.ts';
import { sharedPieces } from '../../src/shared/sharedPieces.ts';
import { piecesOf } from '../../src/stations/envelope/piecesOf.ts';
import { inkedWith, jobWith, plan, sized, workshop } from '../support.ts';

const layer = (part: Partial<LayerChoice>): LayerChoice => ({
  ...{ id: 'l', kind: 'mat', faces: ['front'], revealMm: 3, stockIds: ['reed-120-a4'] },
  ...part,
});

/** A tent fold of 100 × 70, closed, forty of it and six spare, with a mat, an insert and an envelope. */
const job = inkedWith(
  ...sized('tentFold', 100, 70),
  decide((job) => job.brief.wanted, 40),
  decide((job) => job.sheet.spares, 6),
  decide(
    (job) => job.size.layers,
    [layer({ id: 'm' }), layer({ id: 'i', kind: 'insert', faces: [], stockIds: ['reed-120-a4'] })],
  ),
  decide((job) => job.envelope.make, true),
  decide((job) => job.envelope.stockId, 'reed-120-a3'),
);

describe('piecesOf', () => {
  it('lists the card, its layers and its envelope, each on as many sheets as what is made of it takes', () => {
    const planned = plan(job);
    const pieces = piecesOf(planned);
    expect(pieces.map(({ id, role, made }) => [id, role, made])).to.deep.equal([
      ['card', 'card', 46],
      ['m-front-1', 'layer', 46],
      ['i-1', 'layer', 46],
      // An envelope is not spoiled by the printer.
      ['envelope', 'envelope', 40],
    ]);
    for (const { up, sheets, made, id } of pieces) {
      expect(up, id).to.be.above(0);
      // No sheet too few and none too many.
      expect(sheets * up, id).to.be.at.least(made);
      expect((sheets - 1) * up, id).to.be.below(made);
    }
    expect(pieces.map(({ stock }) => stock.id)).to.deep.equal([
      planned.stock.stock.id,
      'reed-120-a4',
      'reed-120-a4',
      'reed-120-a3',
    ]);
    // Open, 100 × 140; the mat leaves 3 on every side of a face; the insert is folded once, the envelope at three edges or more.
    expect([pieces[0]!.blank.widthMm, pieces[0]!.blank.heightMm]).to.deep.equal([100, 140]);
    expect([pieces[1]!.blank.widthMm, pieces[1]!.blank.heightMm]).to.deep.equal([94, 64]);
    expect(pieces.map(({ blank }) => blank.creases.length)).to.deep.equal([1, 0, 1, 4]);
    expect(pieces.map(({ print }) => print !== null)).to.deep.equal([true, false, false, false]);
  });

  it('leaves out an envelope that is bought', () => {
    const bought = changeJob(job, [decide((job) => job.envelope.make, false)]);
    expect(piecesOf(plan(bought)).map(({ role }) => role)).to.deep.equal(['card', 'layer', 'layer']);
  });
});

describe('sharedPieces', () => {
  it('are what the job is made of, in its counts; a fold that runs across is turned so that it runs with the fibres', () => {
    const pieces = sharedPieces('j', job, plan(job), 'respect');
    expect(pieces.map(({ id, name, wanted }) => [id, name, wanted])).to.deep.equal([
      ['j/card', 'Harbour lights', 46],
      ['j/m-front-1', 'Harbour lights: mat, front', 46],
      ['j/i-1', 'Harbour lights: insert', 46],
      ['j/envelope', 'Harbour lights: envelope', 40],
    ]);
    const [card, mat] = pieces;
    // The tent’s fold is level at 70 of 140: turned, the piece is 140 wide and its fold upright in the middle.
    expect([card!.widthMm, card!.heightMm, card!.mayTurn]).to.deep.equal([140, 100, false]);
    const [[from, to]] = card!.folds.map(([a, b]) => [apply(card!.toPiece, a), apply(card!.toPiece, b)] as const) as [
      readonly [{ xMm: number; yMm: number }, { xMm: number; yMm: number }],
    ];
    expect([from.xMm, to.xMm]).to.deep.equal([70, 70]);
    expect([from.yMm, to.yMm].sort((a, b) => a - b)).to.deep.equal([0, 100]);
    expect([mat!.widthMm, mat!.heightMm, mat!.mayTurn]).to.deep.equal([94, 64, true]);
    const free = sharedPieces('j', job, plan(job), 'ignore')[0]!;
    expect([free.widthMm, free.heightMm, free.mayTurn]).to.deep.equal([100, 140, true]);
  });

  it('lie as they are drawn, folds and art alike, though on its own sheet the card lies head to foot', () => {
    const shop: Workshop = {
      ...workshop,
      printers: workshop.printers.map((printer) => ({
        ...printer,
        paths: printer.paths.map((path) => ({ ...path, marginsMm: { top: 3, right: 3, bottom: 25, left: 3 } })),
      })),
    };
    // Open 150 × 280, its front 130 high at the foot, with a rule 5 mm above the edge that the printer keeps 25 mm from.
    const rule = {
      kind: 'rule',
      id: 'r',
      colour: '#1d2930',
      weightPt: 3,
      leftMm: 20,
      topMm: 123,
      widthMm: 110,
      heightMm: 2,
    };
    const turned = jobWith(
      ...sized('tentFold', 150, 150),
      decide((job) => job.size.options, { shortFrontMm: 20 }),
      decide((job) => job.sheet.grain, 'ignore'),
      decide((job) => job.art.faces.at('front'), {
        background: null,
        picture: null,
        texts: [],
        objects: [rule as ArtObject],
      }),
    );
    const planned = plan(turned, shop);
    expect(planned.sheet.cell.blanks.map((map) => map[0])).to.deep.equal([-1]);
    const [card] = sharedPieces('j', turned, planned, 'ignore');
    expect(card!.folds).to.have.length(1);
    expect(card!.folds[0]![0].yMm).to.be.closeTo(150, 1e-9);
  });

  it('go in as pairs where two blanks interlock, half as many', () => {
    const cascade = changeJob(job, [
      ...sized('cascade', 45, 150),
      decide((job) => job.size.options, { panels: 4, frontHeightMm: 80 }),
      decide((job) => job.size.layers, []),
      decide((job) => job.brief.wanted, 41),
    ]);
    const planned = plan(cascade);
    const [card] = sharedPieces('j', cascade, planned, 'ignore');
    expect(planned.sheet.cell.blanks).to.have.length(2);
    expect([card!.wanted, card!.name]).to.deep.equal([24, 'Harbour lights, in pairs']);
    // 47 are 23 pairs and one half.
    expect([card!.widthMm, card!.heightMm]).to.deep.equal([planned.sheet.cell.widthMm, planned.sheet.cell.heightMm]);
  });
});
