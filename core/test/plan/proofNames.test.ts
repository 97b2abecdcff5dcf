import { expect } from 'chai';
import { drawProof } from '../../src/plan/drawProof.ts';
import { apply, compose, IDENTITY, type Affine } from '../../src/ground/geometry/affine.ts';
import { boxAround } from '../../src/ground/geometry/box.ts';
import type { Box } from '../../src/ground/geometry/types.ts';
import type { Job } from '../../src/job/types.ts';
import { decide, type JobChange } from '../../src/job/decide.ts';
import type { Shape } from '../../src/ground/scene/types.ts';
import { jobWith, plan, sized, typefaces, words } from '../support.ts';

/** Boxes of everything of a kind on the page, turned and scaled as it lies. */
function boxesOf(shapes: readonly Shape[], wanted: (shape: Shape) => boolean, map: Affine = IDENTITY): readonly Box[] {
  return shapes.flatMap((shape): readonly Box[] => {
    if (shape.kind === 'group') return boxesOf(shape.children, wanted, compose(map, shape.transform));
    if (!wanted(shape)) return [];
    if (shape.kind === 'path')
      return [boxAround(shape.path.flatMap((part) => (part.kind === 'close' ? [] : [apply(map, part.to)])))];
    if (shape.kind === 'line') {
      const face = typefaces.get(shape.typefaceId)!;
      const inks = shape.glyphs.flatMap((glyph) => {
        const ink = face.ink(glyph.id);
        return ink
          ? [
              { xMm: shape.at.xMm + glyph.xMm + ink.left * shape.sizeMm, yMm: shape.at.yMm - ink.top * shape.sizeMm },
              {
                xMm: shape.at.xMm + glyph.xMm + ink.right * shape.sizeMm,
                yMm: shape.at.yMm - ink.bottom * shape.sizeMm,
              },
            ]
          : [];
      });
      return inks.length > 0 ? [boxAround(inks.map((p) => apply(map, p)))] : [];
    }
    if (shape.kind !== 'label') return [];
    const last = typefaces.get('atkinson-hyperlegible-next-400')!.shape(shape.text).at(-1)!;
    const half = ((last.xEm + last.advanceEm) * shape.sizeMm) / 2;
    // Inside, faces lie upside-down on the proof, and their names with them.
    const over = Math.cos(((shape.turnDeg ?? 0) * Math.PI) / 180) < 0;
    const yMm = shape.at.yMm - (over ? 0.2 : 1) * shape.sizeMm;
    return [{ xMm: shape.at.xMm - half, yMm, widthMm: 2 * half, heightMm: 1.2 * shape.sizeMm }];
  });
}
const meet = (a: Box, b: Box): boolean =>
  a.xMm < b.xMm + b.widthMm && b.xMm < a.xMm + a.widthMm && a.yMm < b.yMm + b.heightMm && b.yMm < a.yMm + a.heightMm;

describe('the proof to fold by hand', () => {
  it('has names and arrows where they hide no words, in the middle or not', () => {
    for (const topMm of [10, 45, 60, 75]) {
      const text = (id: string) =>
        words('Dear Wren Halyard', { id, sizePt: 22, leftMm: 8, topMm, widthMm: 84, align: 'centre' });
      const p = plan(
        jobWith(
          ...sized('sideFold', 100, 140),
          decide((job) => job.art.faces, {
            front: { background: null, picture: null, texts: [text('a')] },
            insideBack: { background: null, picture: null, texts: [text('b'), { ...text('c'), topMm: topMm + 20 }] },
          }),
        ),
      );
      const { shapes } = drawProof(p, 'Ebb', 'mm').scene;
      const lines = boxesOf(shapes, ({ kind }) => kind === 'line');
      expect(lines.length).to.be.above(2);
      const names = new Set(p.size.faces.map(({ name }) => name));
      const signs = [
        ...boxesOf(shapes, (shape) => shape.kind === 'path' && shape.role === 'direction'),
        ...boxesOf(shapes, (shape) => shape.kind === 'label' && names.has(shape.text)),
      ];
      expect(signs).to.have.length(3 * p.size.faces.length);
      for (const sign of signs) for (const line of lines) expect(meet(sign, line), `at ${topMm}`).to.equal(false);
    }
  });
});

describe('the proof of a coloured card', () => {
  it('lays the card’s colour under white words, which white paper would swallow', () => {
    const art: JobChange = decide((job) => job.art.faces.at('front'), {
      background: null,
      picture: null,
      texts: [words('Night', { colour: '#ffffff' })],
    });
    const fillsOf = (job: Job) => {
      const p = plan(job);
      const fills = drawProof(p, 'Ebb', 'mm').scene.shapes.flatMap((s) =>
        s.kind === 'path' && s.fill ? [s.fill] : [],
      );
      return { fills, colour: p.stock.stock.colour };
    };
    const dark = fillsOf(
      jobWith(
        art,
        decide((job) => job.stock.stockId, 'night-270-a4'),
      ),
    );
    expect(dark.colour).to.not.equal('#ffffff');
    expect(dark.fills).to.include(dark.colour);
    expect(fillsOf(jobWith(art)).fills).to.not.include(dark.colour);
  });
});
