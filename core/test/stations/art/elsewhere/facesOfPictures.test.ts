import { expect } from 'chai';
import fc from 'fast-check';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { decide } from '../../../../src/job/decide.ts';
import { facesOfPictures } from '../../../../src/stations/art/elsewhere/facesOfPictures.ts';
import { pixelPages } from '../../../../src/stations/art/elsewhere/pixelPages.ts';
import { jobWith, plan, sized } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const facesOf = (format: 'sideFold' | 'rollFold', widthMm: number, heightMm: number) =>
  plan(jobWith(...sized(format, widthMm, heightMm)));

describe('pictures for another program', () => {
  it('hold the open card and each face with its bleed in whole pixels, by hand', () => {
    const job = changeJob(jobWith(...sized('sideFold', 105, 148)), [decide((job) => job.size.bleedMm, 3)]);
    const pages = pixelPages(plan(job), { dpi: 300, shows: 'guides' });
    const sizes = Object.fromEntries(pages.map(({ id, pixels }) => [id, [pixels.widthPx, pixels.heightPx]]));
    // 210 + 6 mm by 148 + 6 mm; a face bleeds on three sides: 105 + 3 mm. At 300 to the inch: 216 ÷ 25.4 × 300 = 2551.2.
    expect(sizes['open-outside']).to.deep.equal([2551, 1819]);
    expect(sizes['open-inside']).to.deep.equal([2551, 1819]);
    expect(sizes['front']).to.deep.equal([1276, 1819]);
    expect(pages).to.have.length(6);
    expect(pixelPages(plan(job), { dpi: 300, shows: 'art' })).to.have.length(4);
    // One fold, away from whoever sees the outside and towards whoever sees the inside.
    const folds = pages.slice(0, 2).map(({ scene }) => JSON.stringify(scene).match(/crease(Away|Toward)/g));
    expect(folds).to.deep.equal([['creaseAway'], ['creaseToward']]);
    for (const { scene } of pixelPages(plan(job), { dpi: 300, shows: 'nothing' }))
      expect(JSON.stringify(scene.shapes)).to.not.match(/"role"/);
  });

  it('come back to the face of their name where all are alike, whatever order they are chosen in', () => {
    const { art } = facesOf('sideFold', 105, 148);
    const pages = pixelPages(facesOf('sideFold', 105, 148), { dpi: 300, shows: 'nothing' });
    const drawn = pages
      .filter(({ id }) => !id.startsWith('open'))
      .map(({ id, pixels }) => ({ name: `Heron-${id}.png`, widthPx: pixels.widthPx, heightPx: pixels.heightPx }));
    fc.assert(
      fc.property(fc.shuffledSubarray(drawn, { minLength: 1 }), (chosen) => {
        const places = facesOfPictures(chosen, art.faces);
        expect(places.map(({ faceId }) => `Heron-${faceId}.png`)).to.deep.equal(chosen.map(({ name }) => name));
        expect(places.every(({ bled }) => bled)).to.equal(true);
      }),
      { numRuns: runs(60) },
    );
  });

  it('come back by their shape alone where faces differ, at any fineness, and the open card to none', () => {
    const rolled = facesOf('rollFold', 100, 140);
    fc.assert(
      fc.property(fc.integer({ min: 72, max: 600 }), (dpi) => {
        const pages = pixelPages(rolled, { dpi, shows: 'nothing' });
        const named = pages.map(({ pixels: { widthPx, heightPx } }, i) => ({ name: `${i}.png`, widthPx, heightPx }));
        const places = facesOfPictures(named, rolled.art.faces);
        for (const [i, { faceId }] of places.entries()) {
          if (pages[i]!.id.startsWith('open')) {
            expect(faceId).to.equal(null);
            continue;
          }
          const [own, got] = [pages[i]!.id, faceId!].map(
            (id) => rolled.art.faces.find(({ face }) => face.id === id)!.page,
          );
          // Within what a pixel can tell.
          expect(Math.abs(own!.widthMm / own!.heightMm - got!.widthMm / got!.heightMm)).to.be.below(0.02);
        }
        expect(new Set(places.flatMap(({ faceId }) => faceId ?? [])).size).to.equal(rolled.art.faces.length);
      }),
      { numRuns: runs(40) },
    );
  });

  it('without bleed are known as that, and another shape is no face’s', () => {
    const { art } = facesOf('sideFold', 105, 148);
    const [trimmed, odd] = facesOfPictures(
      [
        { name: 'a.png', widthPx: 1240, heightPx: 1748 },
        { name: 'front.png', widthPx: 800, heightPx: 800 },
      ],
      art.faces,
    );
    expect(trimmed).to.deep.equal({ faceId: art.faces[0]!.face.id, bled: false, open: null });
    expect(odd).to.deep.equal({ faceId: null, bled: false, open: null });
  });
});
