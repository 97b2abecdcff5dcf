import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import { apply, compose, IDENTITY, type Affine } from '../../../src/ground/geometry/affine.ts';
import type { Point } from '../../../src/ground/geometry/types.ts';
import { drawSide } from '../../../src/stations/art/faces/drawCard.ts';
import { drawCutAndCrease, drawCutMove } from '../../../src/stations/cut/drawCuts.ts';
import { drawCreaseLine } from '../../../src/stations/crease/drawCrease.ts';
import { drawEnvelopeBlank, drawEnvelopeSheet } from '../../../src/stations/envelope/drawEnvelope.ts';
import { drawStep } from '../../../src/plan/drawStep.ts';
import { drawSheetPage } from '../../../src/stations/sheet/draw/drawSheet.ts';
import { drawBlank } from '../../../src/stations/size/drawBlank.ts';
import { drawFolded } from '../../../src/stations/size/drawFolded.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import type { Role, Scene, Shape } from '../../../src/ground/scene/types.ts';
import { pdfCalls, type PdfLender } from '../../../src/files/write/pdfCalls.ts';
import { svgNodes, svgText } from '../../../src/files/write/svg.ts';
import { jobWith, plan, sized, typefaces, words } from '../../support.ts';

/** Every point a scene draws with a role, where it really lies. */
function pointsOf(scene: Scene, role: Role): readonly Point[] {
  const found: Point[] = [];
  const walk = (shapes: readonly Shape[], map: Affine): void => {
    for (const shape of shapes) {
      if (shape.kind === 'group') walk(shape.children, compose(map, shape.transform));
      else if (shape.kind === 'use') walk(scene.symbols[shape.symbol]!.shapes, compose(map, shape.transform));
      else if (shape.kind === 'path' && shape.role === role)
        for (const part of shape.path) if (part.kind !== 'close') found.push(apply(map, part.to));
    }
  };
  walk(scene.shapes, IDENTITY);
  return found;
}
const labelsOf = (scene: Scene): readonly string[] => scene.shapes.flatMap((s) => (s.kind === 'label' ? [s.text] : []));

const job = jobWith(
  ...sized('sideFold', 96, 136),
  decide((job) => job.art.faces, {
    front: { background: '#14263c', picture: null, texts: [words('Ebb')] },
    insideFront: { background: '#f4cfae', picture: null, texts: [] },
  }),
);
const view = { unit: 'mm', textMm: 3, stockColour: '#fffdf8' } as const;

describe('drawBlank', () => {
  const { size, art } = plan(job);
  const draw = (side: 'outside' | 'inside') =>
    drawBlank(size, { ...view, side, art: drawSide(art, side), names: true, guides: true });

  it('says which way the fold goes by the side that is up', () => {
    expect(labelsOf(draw('outside'))).to.include('▲ folds away');
    expect(labelsOf(draw('inside'))).to.include('▼ folds toward');
    expect(pointsOf(draw('outside'), 'creaseAway').every((p) => p.xMm === 96)).to.be.true;
    expect(pointsOf(draw('inside'), 'creaseAway')).to.be.empty;
  });
  it('names the faces that are seen and gives the sizes', () => {
    expect(labelsOf(draw('outside'))).to.include.members(['Front', 'Back', '192 mm', '136 mm', '96 mm']);
    expect(labelsOf(draw('inside'))).to.include.members(['Inside left', 'Inside right']);
  });
  it('shows inside art the way round a maker sees it: inside left on the left', () => {
    const painted = pointsOf(draw('inside'), 'art');
    expect(Math.min(...painted.map((p) => p.xMm))).to.be.closeTo(-3, 1e-9);
    expect(Math.max(...painted.map((p) => p.xMm))).to.be.closeTo(96, 1e-9);
  });
  it('draws the reader’s up: a tent’s back points down on the blank', () => {
    const tent = plan(changeJob(job, sized('tentFold', 136, 96)));
    const scene = drawBlank(tent.size, { ...view, side: 'outside', art: [], names: true, guides: true });
    const back = scene.shapes.find((s) => s.kind === 'label' && s.text === 'Back');
    expect(back?.kind === 'label' && Math.abs(back.turnDeg ?? 0)).to.be.closeTo(180, 1e-9);
  });
});

describe('drawFolded', () => {
  const { size, art } = plan(job);
  const sides = { outside: drawSide(art, 'outside'), inside: drawSide(art, 'inside') };
  it('ends with the front on top when shut, and shows no outside when flat open', () => {
    const svg = (open: number): string =>
      svgNodes(drawFolded(size, { open, stockColour: '#ffffff', art: sides }), { pictureHref: () => '' })
        .map(svgText)
        .join('');
    expect(svg(0).lastIndexOf('#14263c')).to.be.greaterThan(svg(0).lastIndexOf('#f4cfae'));
    expect(svg(1)).to.contain('#f4cfae').and.not.contain('#14263c');
  });
});

describe('drawCutMove', () => {
  const p = plan(job);
  it('puts the fence on the edge and the blade the stated distance from it, at every move', () => {
    p.cut.moves.forEach((move, i) => {
      const scene = drawCutMove(p.size, p.sheet, p.cut, i, { ...view, art: [] });
      const [a] = pointsOf(scene, 'cutNow');
      const bar = pointsOf(scene, 'fence');
      const upright = move.line[0].xMm === move.line[1].xMm;
      const along = bar.map((point) => (upright ? point.xMm : point.yMm));
      const blade = upright ? a!.xMm : a!.yMm;
      const faces = [Math.min(...along), Math.max(...along)];
      expect(Math.min(...faces.map((face) => Math.abs(Math.abs(blade - face) - move.fenceMm)))).to.be.below(1e-6);
      expect(labelsOf(scene)).to.have.length.at.least(1);
    });
  });
});

describe('drawCutAndCrease', () => {
  it('has every trim on a cut and every crease inside a trim', () => {
    const p = plan(job);
    const scene = drawCutAndCrease(p.size, p.sheet, p.cut);
    const cuts = p.cut.moves.map((m) => m.line);
    for (const { trim } of p.sheet.placements) {
      for (const x of [trim.xMm, trim.xMm + trim.widthMm])
        expect(cuts.some(([a, b]) => Math.abs(a.xMm - x) < 1e-6 && Math.abs(b.xMm - x) < 1e-6)).to.be.true;
      for (const y of [trim.yMm, trim.yMm + trim.heightMm])
        expect(cuts.some(([a, b]) => Math.abs(a.yMm - y) < 1e-6 && Math.abs(b.yMm - y) < 1e-6)).to.be.true;
    }
    const creases = pointsOf(scene, 'creaseAway');
    expect(creases).to.have.length(2 * p.sheet.up);
    for (const point of creases)
      expect(p.sheet.placements.some(({ trim }) => Math.abs(point.xMm - trim.xMm - 96) < 1e-6)).to.be.true;
  });
});

describe('drawCreaseLine', () => {
  it('lays the stop’s edge at nought and the groove at its number, for either format and face', () => {
    for (const format of ['sideFold', 'tentFold'] as const)
      for (const bead of ['inside', 'intoGroove'] as const) {
        const p = plan(changeJob(job, [...sized(format, 96, 60), decide((job) => job.crease.bead, bead)]));
        const scene = drawCreaseLine(p.size, p.crease, 0, { ...view, art: { outside: [], inside: [] } });
        const [line] = p.crease.lines;
        expect(pointsOf(scene, 'cutNow').every((point) => Math.abs(point.xMm - line!.grooveAtMm) < 1e-9)).to.be.true;
        const card = pointsOf(scene, 'trim');
        expect(Math.min(...card.map((point) => point.xMm))).to.be.closeTo(0, 1e-9);
        expect(Math.max(...card.map((point) => point.xMm))).to.be.closeTo(2 * line!.fromStopMm, 1e-9);
        expect(labelsOf(scene)).to.include(`${line!.faceUp} up`);
      }
  });
});

describe('drawEnvelope', () => {
  const p = plan(
    changeJob(job, [
      decide((job) => job.envelope, { make: true, stockId: 'reed-120-a3', easeMm: 4, seamMm: 18, flapMm: null }),
    ]),
  );
  it('gives the blank its sizes', () => {
    const scene = drawEnvelopeBlank(p.envelope, 3, 'mm');
    expect(labelsOf(scene)).to.include('176.9 mm').and.include('inside 140.9 × 100.9 mm');
  });
  it('lays as many as the plan counts inside the sheet', () => {
    const { scene, trimBox } = drawEnvelopeSheet(p.envelope);
    const outlines = scene.shapes.filter((shape) => shape.kind === 'path' && shape.role === 'cut');
    expect(outlines).to.have.length(p.envelope.up);
    const points = pointsOf(scene, 'cut');
    expect(Math.max(...points.map((q) => q.xMm))).to.be.at.most(297);
    expect(Math.max(...points.map((q) => q.yMm))).to.be.at.most(420);
    expect(Math.min(...points.map((q) => q.xMm))).to.be.closeTo(trimBox.xMm, 1e-6);
  });
});

describe('drawStep', () => {
  const p = plan(changeJob(job, [decide((job) => job.envelope.make, true)]));
  const see = { unit: 'mm', textMm: 4 } as const;

  it('draws every step but the drying', () => {
    for (const step of p.make.steps) {
      const scene = drawStep(p, step, see);
      if (step.kind === 'dry') expect(scene).to.equal(null);
      else expect(scene!.shapes.length, step.id).to.be.greaterThan(1);
    }
  });
  it('draws the cut that the step names', () => {
    for (const move of p.cut.moves) {
      const step = p.make.steps.find((s) => s.id === `cut-${move.number}`)!;
      const [a, b] = pointsOf(drawStep(p, step, see)!, 'cutNow');
      // Pieces already cut off lie a little apart, so only the line's length and lie are the plan's own.
      const upright = move.line[0].xMm === move.line[1].xMm;
      expect(upright ? a!.xMm === b!.xMm : a!.yMm === b!.yMm).to.equal(true);
      const at = upright ? a!.xMm - move.line[0].xMm : a!.yMm - move.line[0].yMm;
      expect(at).to.be.within(0, see.textMm * p.cut.moves.length);
      if (move.number === 1) expect([a, b]).to.deep.equal(move.line);
    }
  });
  it('draws a pass as the card comes out of it: white alone, then colours over it', () => {
    const navy = plan(
      changeJob(job, [
        decide((job) => job.stock, { stockId: 'night-270-a4', printerId: 'skua', pathId: 'tray' }),
        decide((job) => job.art.faces.at('insideBack'), { background: '#f2b01e', picture: null, texts: [] }),
      ]),
    );
    const passOf = (id: string) =>
      drawStep(
        navy,
        navy.make.steps.find((s) => s.id === id)!,
        see,
      )!;
    const fills = (id: string) => {
      const { shapes, symbols } = passOf(id);
      const all = [...shapes, ...Object.values(symbols).flatMap((symbol) => symbol.shapes)];
      const used = new Set(JSON.stringify(shapes).match(/"symbol":"[^"]+"/g) ?? []);
      return { inks: JSON.stringify(all).includes('#f2b01e'), colours: shapes.some((s) => s.kind === 'group'), used };
    };
    // A white pass of the backs shows the backs, on which the yellow face lies.
    expect(fills('print-white-back').used).to.not.deep.equal(fills('print-white-front').used);
    expect(fills('print-white-back').colours).to.equal(false);
    expect(fills('print-back').colours).to.equal(true);
    expect(fills('print-back').inks).to.equal(true);
  });
  it('draws nothing beside a number that the plan no longer has', () => {
    const cut = p.make.steps.find((s) => s.id === 'cut-2')!;
    expect(drawStep(p, { ...cut, fenceMm: 999 } as typeof cut, see)).to.equal(null);
    const pack = p.make.steps.at(-1)!;
    expect(drawStep(p, { ...pack, big: '7' }, see)).to.equal(null);
    // Told in another unit it is still the same cut.
    expect(drawStep(p, { ...cut, big: '8 in' }, see)).to.deep.equal(drawStep(p, cut, see));
  });
});

describe('pdfCalls', () => {
  const used: string[] = [];
  const lender: PdfLender = {
    keptOut: () => null,
    labelTypefaces: [typefaces.get('atkinson-hyperlegible-next-400')!],
    plate: (id, { ink }) => `K-${id}-${ink}`,
    font: (id) => ({ name: `F-${id}`, glyph: (glyph) => ({ hex: glyph.toString(16).padStart(4, '0'), width: 500 }) }),
    picture: (id, tint) => `P-${id}${tint ? `-${tint}` : ''}`,
    shading: ({ from, to }) => `H-${from}-${to}`,
    opacity: (value) => `O-${value}`,
    multiply: () => 'Multiply',
    white: () => 'White',
    press: () => null,
    overprint: () => null,
    symbol: (id) => {
      used.push(id);
      return `S-${id}`;
    },
  };
  it('places the card’s symbol once for every place and balances its brackets', () => {
    const p = plan(job);
    const { scene } = drawSheetPage(p.size, p.art, p.sheet, 'front', { title: 'Ebb', date: null, sheetNumber: 1 });
    const calls = pdfCalls(scene.shapes, lender);
    expect(used).to.deep.equal(['outside', 'outside']);
    const words = calls.split(/\s+/);
    expect(words.filter((w) => w === 'q')).to.have.length(words.filter((w) => w === 'Q').length);
  });
  it('moves each glyph from where its own width would put it to where the core set it', () => {
    const [line] = drawSide(plan(job).art, 'outside').flatMap((s) =>
      s.kind === 'group' ? s.children.filter((c) => c.kind === 'line') : [],
    );
    if (line?.kind !== 'line') throw new Error('no line was drawn');
    const calls = pdfCalls([line], lender);
    const [, second] = line.glyphs;
    // The pretend font says half an em; what is left to the second glyph is taken back in thousandths.
    const back = ((line.glyphs[0]!.xMm + 0.5 * line.sizeMm - second!.xMm) / line.sizeMm) * 1000;
    const written = Number(/<[0-9a-f]{4}> (-?[\d.]+)</.exec(calls.replace(/> (-?[\d.]+) </g, '> $1<'))![1]);
    expect(written).to.be.closeTo(back, 0.001);
  });
  it('draws a picture faded and tinted by name', () => {
    const picture: Shape = {
      kind: 'picture',
      role: 'art',
      pictureId: 'boat',
      box: { xMm: 1, yMm: 2, widthMm: 3, heightMm: 4 },
      opacity: 0.4,
      tint: '#224466',
    };
    expect(pdfCalls([picture], lender)).to.equal('q /O-0.4 gs 3 0 0 -4 1 6 cm /P-boat-#224466 Do Q');
  });
});
