import { decide } from '../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { setText } from '../../../src/stations/art/words/setText.ts';
import { coverBox, effectivePpi } from '../../../src/stations/art/faces/layFace.ts';
import { isInside } from '../../../src/ground/geometry/box.ts';
import { changeJob } from '../../../src/job/changeJob.ts';
import type { FaceArt, Job } from '../../../src/job/types.ts';
import { jobWith, plan, sized, typefaces, words } from '../../support.ts';

const garamond = typefaces.get('eb-garamond-400')!;

describe('setText', () => {
  it('breaks at spaces, as late as it can, and keeps typed line ends', () => {
    const set = setText(words('The tide table hangs by the door\nas ever', { widthMm: 40 }), typefaces);
    expect(set.lines.map((l) => l.text).join('|')).to.match(/^The tide table.*\|.*\|as ever$/);
    for (const line of set.lines) expect(widthOf(line.text, 12)).to.be.at.most(40.01);
    // One more word would not have fitted on the first line.
    const [first, second] = set.lines;
    expect(widthOf(`${first!.text} ${second!.text.split(' ')[0]}`, 12)).to.be.greaterThan(40);
  });

  it('puts baselines one line apart and the first where CSS would', () => {
    const block = words('a\nb\nc', { sizePt: 10, lineSpacing: 1.5 });
    const sizeMm = (10 * 25.4) / 72;
    const ys = setText(block, typefaces).lines.map((l) => l.at.yMm);
    expect(ys[1]! - ys[0]!).to.be.closeTo(1.5 * sizeMm, 1e-9);
    expect(ys[0]! - 10).to.be.closeTo(
      (1.5 * sizeMm) / 2 + ((garamond.ascentEm - garamond.descentEm) / 2) * sizeMm,
      1e-9,
    );
  });

  it('centres and right-aligns within the block', () => {
    const width = widthOf('Ebb', 12);
    const at = (align: 'left' | 'centre' | 'right'): number =>
      setText(words('Ebb', { align }), typefaces).lines[0]!.at.xMm;
    expect(at('left')).to.be.closeTo(10, 1e-9);
    expect(at('centre')).to.be.closeTo(10 + (60 - width) / 2, 1e-9);
    expect(at('right')).to.be.closeTo(70 - width, 1e-9);
  });

  it('kerns: “AV” is narrower than its two letters apart', () => {
    expect(widthOf('AV', 12)).to.be.lessThan(widthOf('A', 12) + widthOf('V', 12) - 0.05);
  });

  it('finds letters the typeface lacks and words wider than the block', () => {
    expect(setText(words('鷺'), typefaces).missing).to.deep.equal(['鷺']);
    expect(setText(words('Lighthousekeeper', { widthMm: 10 }), typefaces).tooWide).to.deep.equal(['Lighthousekeeper']);
  });

  it('keeps all ink inside the block’s width when every word fits', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('mud', 'samphire', 'oar', 'ferry', 'net'), { minLength: 1, maxLength: 30 }),
        (list) => {
          const set = setText(words(list.join(' '), { widthMm: 50 }), typefaces);
          // Side bearings may let a letter lean a hair outside its advance.
          expect(set.ink!.xMm).to.be.greaterThan(10 - 0.6);
          expect(set.ink!.xMm + set.ink!.widthMm).to.be.lessThan(60 + 0.6);
          expect(set.lines.map((l) => l.text).join(' ')).to.equal(list.join(' '));
        },
      ),
    );
  });
});

function widthOf(text: string, sizePt: number): number {
  const last = garamond.shape(text).at(-1)!;
  return ((last.xEm + last.advanceEm) * sizePt * 25.4) / 72;
}

describe('coverBox', () => {
  it('covers, or is whole, and is never squashed', () => {
    const side = fc.double({ min: 10, max: 300, noNaN: true });
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 8000 }),
        fc.integer({ min: 10, max: 8000 }),
        side,
        side,
        share,
        share,
        fc.double({ min: 1, max: 6, noNaN: true }),
        (pw, ph, w, h, fx, fy, zoom) => {
          const over = { xMm: -3, yMm: -3, widthMm: w, heightMm: h };
          const box = coverBox(
            { widthPx: pw, heightPx: ph },
            { pictureId: 'p', zoom, focusX: fx, focusY: fy, fade: 0, grey: false },
            over,
          );
          expect(isInside(over, box)).to.be.true;
          expect(box.widthMm / box.heightMm / (pw / ph)).to.be.closeTo(1, 1e-9);
          const whole = coverBox(
            { widthPx: pw, heightPx: ph },
            { pictureId: 'p', fit: 'whole', zoom: 1, focusX: fx, focusY: fy, fade: 0, grey: false },
            over,
          );
          expect(isInside(whole, over)).to.be.true;
          expect(whole.widthMm / whole.heightMm / (pw / ph)).to.be.closeTo(1, 1e-9);
          expect(Math.min(w - whole.widthMm, h - whole.heightMm)).to.be.closeTo(0, 1e-9);
        },
      ),
    );
  });
  it('finds 4000 px over 154 mm at 660 ppi', () => {
    // 4000 ÷ (154 ÷ 25.4) = 659.7
    expect(effectivePpi({ widthPx: 4000 }, { xMm: 0, yMm: 0, widthMm: 154, heightMm: 1 })).to.be.closeTo(659.74, 0.01);
  });
});

describe('planArt', () => {
  const withFront = (face: Partial<FaceArt>, picture = { widthPx: 4000, heightPx: 3000 }): Job =>
    jobWith(
      ...sized('tentFold', 148, 105),
      decide((job) => job.pictures.at('boat'), {
        name: 'boat.jpg',
        sha256: '0'.repeat(64),
        mime: 'image/jpeg',
        ...picture,
      }),
      decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [], ...face }),
    );
  const boat = { pictureId: 'boat', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };

  it('bleeds at the trim and not over the fold', () => {
    const front = plan(withFront({})).art.faces[0]!;
    // A tent's front has the fold on top: bleed left, right and below only.
    expect(front.bleed).to.deep.equal({ xMm: -3, yMm: 0, widthMm: 154, heightMm: 108 });
  });

  it('refuses a picture too coarse to print and offers to zoom out', () => {
    const job = withFront({ picture: { ...boat, zoom: 2 } }, { widthPx: 1200, heightPx: 900 });
    const snag = plan(job).art.snags.find((s) => s.id === 'art-ppi-front')!;
    // 900 px over 108 mm needs 1200 px over 154 mm: width rules, 1200 ÷ (308 ÷ 25.4) = 99 ppi at twice the size.
    expect(snag.level).to.equal('stop');
    expect(snag.title).to.contain('99 ppi');
    expect(plan(changeJob(job, snag.remedies[0]!.changes)).art.snags[0]!.title).to.contain('198 ppi');
  });

  it('finds words across safe and moves them inside', () => {
    const job = withFront({ texts: [words('Ebb', { leftMm: 0, topMm: 0 })] });
    const snag = plan(job).art.snags.find((s) => s.id.startsWith('art-safe'))!;
    expect(snag.why).to.contain('safe inset of 3 mm');
    expect(plan(changeJob(job, snag.remedies[0]!.changes)).art.snags.filter((s) => s.id.startsWith('art-safe'))).to.be
      .empty;
  });

  it('finds type too small, smaller for a script', () => {
    const small = (sizePt: number, typefaceId: string) =>
      plan(withFront({ texts: [words('Ebb', { sizePt, typefaceId })] })).art.snags.some((s) =>
        s.id.startsWith('art-small'),
      );
    expect(small(5.5, 'eb-garamond-400')).to.be.true;
    expect(small(7, 'eb-garamond-400')).to.be.false;
    expect(small(7, 'great-vibes-400')).to.be.true;
  });
});
