import { expect } from 'chai';
import { newMakersMark } from '../../../../src/stations/art/faces/makersMark.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import type { ArtObject, FaceArt, Job } from '../../../../src/job/types.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { Snag } from '../../../../src/job/findings.ts';
import { jobWith, plan, sized, words, workshop } from '../../../support.ts';

const faceOf = (id: string, art: Partial<FaceArt>): JobChange =>
  decide((job) => job.art.faces.at(id), { background: null, picture: null, texts: [], ...art });
const card = (...changes: readonly JobChange[]): Job => jobWith(...sized('sideFold', 105, 148), ...changes);
const markSnags = (job: Job): readonly Snag[] => plan(job).art.snags.filter(({ id }) => id.startsWith('art-mark'));
const mended = (job: Job): Job => {
  const [snag] = markSnags(job);
  return changeJob(job, snag!.remedies[0]!.changes);
};
const sprig = (part: Partial<ArtObject>): ArtObject => ({
  kind: 'ornament',
  ...{ id: 'm', ornament: 'shell', colour: '#1d2930', makersMark: true },
  ...{ leftMm: 40, topMm: 20, widthMm: 12, heightMm: 12 },
  ...(part as object),
});

describe('a maker’s mark', () => {
  it('goes low and centred on the back, inside safe, in ink that is read there', () => {
    for (const background of [null, '#14263c']) {
      const start = card(faceOf('back', { background }));
      const back = plan(start).art.faces.find(({ face }) => face.id === 'back')!;
      const mark = newMakersMark(back, workshop.studioName, 'mark');
      const job = changeJob(start, [decide((job) => job.art.faces.at('back').texts, [mark])]);
      const { snags, faces } = plan(job).art;
      expect(snags.filter(({ id }) => /mark|contrast|safe|small|reversed/.test(id))).to.deep.equal([]);
      const { ink } = faces.find(({ face }) => face.id === 'back')!.blocks[0]!;
      expect(ink!.xMm + ink!.widthMm / 2).to.be.closeTo(52.5, 0.5);
      expect(ink!.yMm).to.be.above(135);
    }
  });

  it('on the front is moved to the back by one press, words and ornaments alike', () => {
    const onFront = [
      card(faceOf('front', { texts: [words('Saltmarsh Lane', { makersMark: true, topMm: 60 })] })),
      card(faceOf('front', { objects: [sprig({})] })),
    ];
    for (const job of onFront) {
      expect(markSnags(job).map(({ level }) => level)).to.deep.equal(['warn']);
      const moved = mended(job);
      expect(markSnags(moved)).to.deep.equal([]);
      const { front, back } = moved.art.faces;
      expect([...front!.texts, ...(front!.objects ?? [])]).to.have.length(0);
      expect([...back!.texts, ...(back!.objects ?? [])]).to.have.length(1);
    }
  });

  it('that stands high, aside or large on the back is settled, at the size it may have', () => {
    const large = card(faceOf('back', { objects: [sprig({ leftMm: 5, topMm: 5, widthMm: 40, heightMm: 40 })] }));
    expect(markSnags(large)[0]!.title).to.include('large and high and off the middle');
    const object = mended(large).art.faces.back!.objects![0]!;
    // A fifth of 148 mm, its shape kept, on the safe edge 3 mm above the foot.
    expect(object.heightMm).to.be.closeTo(29.6, 1e-9);
    expect(object.widthMm).to.be.closeTo(29.6, 1e-9);
    expect(object.topMm + object.heightMm).to.be.closeTo(145, 1e-9);
    const text = card(
      faceOf('back', { texts: [words('Saltmarsh\nLane', { makersMark: true, sizePt: 60, fit: 'fill', widthMm: 90 })] }),
    );
    expect(markSnags(text)).to.have.length(1);
    expect(markSnags(mended(text))).to.deep.equal([]);
  });

  it('is settled at a size that prints even where the safe inset leaves nothing of the face', () => {
    const large = sprig({ leftMm: 5, topMm: 5, widthMm: 40, heightMm: 40 });
    const high = words('Saltmarsh Lane', { makersMark: true, topMm: 4 });
    const tight = card(
      decide((job) => job.size.safeMm, 80),
      faceOf('back', { objects: [large], texts: [high] }),
    );
    const places = markSnags(tight).filter(({ id }) => id.startsWith('art-mark-place'));
    expect(places).to.have.length(2);
    const { objects, texts } = changeJob(
      tight,
      places.flatMap(({ remedies }) => remedies[0]!.changes),
    ).art.faces.back!;
    expect(objects![0]!.heightMm).to.be.closeTo(29.6, 1e-9);
    expect(texts[0]!.sizePt).to.equal(12);
    expect(texts[0]!.widthMm).to.equal(105);
  });

  it('that is turned within its frame is turned upright; inside, and on other things, nothing is said', () => {
    const picture = {
      kind: 'picture',
      ...{ id: 'm', makersMark: true, leftMm: 42.5, topMm: 125, widthMm: 20, heightMm: 20 },
      picture: { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false, quarterTurns: 2 },
    } as const;
    const ref = { name: 'mark.svg', sha256: 'a'.repeat(64), mime: 'image/svg+xml' as const, widthPx: 90, heightPx: 90 };
    const job = card(
      decide((job) => job.pictures, { p: ref }),
      faceOf('back', { objects: [picture] }),
    );
    expect(markSnags(job)[0]!.title).to.include('upside-down');
    expect(markSnags(mended(job))).to.deep.equal([]);
    expect(markSnags(card(faceOf('insideLeft', { objects: [sprig({})] })))).to.deep.equal([]);
    expect(markSnags(card(faceOf('front', { objects: [sprig({ makersMark: false })] })))).to.deep.equal([]);
  });
});
