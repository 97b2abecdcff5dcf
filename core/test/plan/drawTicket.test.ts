import { expect } from 'chai';
import { decide } from '../../src/index.ts';
import { drawTicket } from '../../src/plan/drawTicket.ts';
import { placeScene } from '../../src/plan/placeScene.ts';
import { boxPath, segment } from '../../src/ground/geometry/path.ts';
import type { Page, Scene, Shape } from '../../src/ground/scene/types.ts';
import { inkedWith, plan as planned, sized, workshop } from '../support.ts';

const labelsOf = (pages: readonly Page[]) =>
  pages.flatMap(({ scene }) => scene.shapes.flatMap((shape) => (shape.kind === 'label' ? [shape] : [])));
const wordsOf = (pages: readonly Page[]): string =>
  labelsOf(pages)
    .map(({ text }) => text)
    .join(' ');

describe('the ticket', () => {
  const job = inkedWith(
    ...sized('sideFold', 95, 139),
    decide((one) => one.brief.wanted, 23),
  );
  const plan = planned(job);
  const pages = drawTicket({ job, plan, workshop }, '2026-12-04');

  it('tells every step in its order, its number large, with all of its words and its caution', () => {
    const words = wordsOf(pages);
    let at = 0;
    plan.make.steps.forEach((step, i) => {
      const found = words.indexOf(`${i + 1} · ${step.title}`.split(' ').slice(0, 3).join(' '), at);
      expect(found, step.title).to.be.at.least(at);
      at = found;
    });
    for (const { detail, caution } of plan.make.steps)
      for (const word of `${detail} ${caution ?? ''}`.split(/\s+/).filter(Boolean)) expect(words).to.include(word);
    const large = labelsOf(pages)
      .filter(({ sizeMm }) => sizeMm >= 5)
      .map(({ text }) => text);
    for (const { big } of plan.make.steps) expect(large).to.include(big);
  });

  it('keeps every word on its page, and no two rows of words on each other', () => {
    for (const { scene } of pages)
      for (const { at, text, sizeMm } of labelsOf([{ scene, trimBox: scene.box, bleedBox: scene.box }])) {
        expect(at.xMm, text).to.be.at.least(9);
        expect(at.yMm + sizeMm * 0.3, text).to.be.at.most(scene.box.heightMm - 5);
      }
    const [head] = pages;
    const rows = head!.scene.shapes.flatMap((shape) =>
      shape.kind === 'label' && /^\d+ · /.test(shape.text) ? [shape.at.yMm] : [],
    );
    expect([...rows].sort((a, b) => a - b)).to.deep.equal(rows);
  });

  it('has a box for each step and each good card, and a bar of just 100 mm', () => {
    const shapes = pages.flatMap(({ scene }) => scene.shapes);
    const sides = (mm: number) =>
      shapes.filter((shape) => {
        if (shape.kind !== 'path' || shape.role !== 'direction') return false;
        const [from, to] = shape.path as unknown as [{ to: { xMm: number } }, { to: { xMm: number } }];
        return Math.abs(to.to.xMm - from.to.xMm - mm) < 1e-9;
      }).length;
    expect(sides(5)).to.equal(plan.make.steps.length);
    const lost = Math.min(10, Math.max(5, plan.sheet.spares));
    expect(sides(4)).to.equal(23 + 8 * lost);
    const bars = shapes.filter(
      (shape) =>
        shape.kind === 'path' &&
        shape.role === 'mark' &&
        Math.abs(
          (shape.path[1] as { to: { xMm: number } }).to.xMm - (shape.path[0] as { to: { xMm: number } }).to.xMm - 100,
        ) < 1e-9,
    );
    expect(bars).to.have.length(1);
  });

  it('says the number to set where pieces measured ask for another, and leaves the drawing true', () => {
    const trimmer = plan.cut.trimmer;
    const pieces = Array.from({ length: 12 }, (_, i) => ({
      ...{ on: 'trimmers' as const, toolId: trimmer.id, wantedMm: 100, offMm: -0.5 + 0.01 * (i % 2), setBeyondMm: 0 },
      ...{ runId: 'r', at: '2026-11-01T19:00:00Z' },
    }));
    const shop = { ...workshop, spoilLog: { good: 0, spoiled: 0, pieces } };
    const again = planned(job, shop);
    const words = wordsOf(drawTicket({ job, plan: again, workshop: shop }, null));
    const fence = again.cut.moves[0]!.fenceMm;
    expect(words).to.include(`${Math.round((fence + 0.5) * 10) / 10} mm`);
    expect(words).to.match(/0\.5 mm more than/);
    expect(again.cut.moves[0]!.fenceMm).to.equal(plan.cut.moves[0]!.fenceMm);
    expect(again.cut.verdict).to.match(/Set each 0\.5 mm beyond/);
  });

  it('breaks what is longer than a line, and gives wide letters their width', () => {
    const told = (notes: string) =>
      labelsOf(drawTicket({ job: { ...job, brief: { ...job.brief, notes } }, plan, workshop }, null));
    const long = told('m'.repeat(400)).filter(({ text }) => /^m+$/.test(text));
    expect(long.map(({ text }) => text).join('')).to.equal('m'.repeat(400));
    expect(long.length).to.be.above(3);
    // 190 mm hold 57 letters that are 3.3 mm wide.
    const wide = told('灯'.repeat(120)).filter(({ text }) => /^灯+$/.test(text));
    expect(wide.map(({ text }) => text.length)).to.deep.equal([57, 57, 6]);
  });

  it('says at its head what stops the job', () => {
    const wide = planned(inkedWith(...sized('sideFold', 400, 139)));
    expect(wordsOf(drawTicket({ job, plan: wide, workshop }, null)).slice(0, 400)).to.match(/Not ready to print\./);
  });
});

describe('a drawing within a page', () => {
  const box = { xMm: 10, yMm: 20, widthMm: 200, heightMm: 100 };
  const inner: Shape = { kind: 'path', role: 'cut', path: segment(10, 20, 210, 120) };
  const scene: Scene = {
    box,
    symbols: { art: { box, shapes: [{ kind: 'path', role: 'art', path: boxPath(box) }] } },
    shapes: [
      { kind: 'group', transform: [1, 0, 0, 1, 0, 0], children: [inner] },
      { kind: 'use', symbol: 'art', transform: [1, 0, 0, 1, 0, 0] },
    ],
  };

  it('is as large as its room holds, in the middle, its lines carried over and not shrunk', () => {
    // 200 × 100 into 50 × 50: a quarter, 25 high, 12.5 down.
    const { shapes, symbols } = placeScene(scene, { xMm: 0, yMm: 0, widthMm: 50, heightMm: 50 }, 'a');
    const [line, use] = shapes;
    expect(line).to.deep.equal({ kind: 'path', role: 'cut', path: segment(0, 12.5, 50, 37.5) });
    expect(use).to.deep.equal({ kind: 'use', symbol: 'a-art', transform: [0.25, 0, 0, 0.25, -2.5, 7.5] });
    expect(Object.keys(symbols)).to.deep.equal(['a-art']);
  });
});
