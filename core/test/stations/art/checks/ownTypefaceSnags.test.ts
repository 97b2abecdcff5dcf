import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { allSnags, changeJob, planJob, type Job, type Typeface } from '../../../../src/index.ts';
import { readTypeface } from '../../../../src/stations/art/words/readTypeface.ts';
import { jobWith, typefaces, words, workshop } from '../../../support.ts';

const SIGNAL = 'own-signal';
const font = (file: string): Typeface =>
  readTypeface(SIGNAL, readFileSync(new URL(`../../../../../server/test/files/${file}`, import.meta.url)));

describe('typefaces of the maker’s own', () => {
  const job: Job = {
    ...jobWith(),
    typefaces: { [SIGNAL]: { name: 'Marrowby Signal', sha256: 'a'.repeat(64) } },
    art: {
      faces: {
        front: {
          background: null,
          picture: null,
          texts: [
            words('LOW TIDE', { id: 'a', typefaceId: SIGNAL }),
            words('at\nTEN', { id: 'b', topMm: 40, emphasis: { lines: [1], scale: 2, typefaceId: SIGNAL } }),
          ],
        },
      },
    },
  };
  const planned = (brought: Typeface | null, of = job) =>
    planJob(of, workshop, { typefaces: brought ? new Map([...typefaces, [SIGNAL, brought]]) : typefaces, today: null });
  const said = (brought: Typeface | null, of = job) =>
    allSnags(planned(brought, of)).filter(({ id }) => id.startsWith('art-typeface'));

  it('are set in their own letters: each 0.6 of the size wide, as the font has it', () => {
    const { blocks } = planned(font('signal.ttf')).art.faces[0]!;
    const glyphs = blocks[0]!.lines[0]!.glyphs;
    const sizeMm = blocks[0]!.lines[0]!.sizeMm;
    expect(glyphs).to.have.length('LOW TIDE'.length);
    glyphs.forEach(({ xMm }, i) => expect(xMm).to.be.closeTo(i * 0.6 * sizeMm, 1e-9));
    expect(said(font('signal.ttf'))).to.deep.equal([]);
  });

  it('are stood in for while they are not here, which is a stop; its remedy sets every word in another', () => {
    const plan = planned(null);
    const lines = plan.art.faces[0]!.blocks.flatMap((block) => block.lines);
    expect(lines.map(({ typefaceId }) => typefaceId)).to.deep.equal([
      'atkinson-hyperlegible-next-400',
      'eb-garamond-400',
      'atkinson-hyperlegible-next-400',
    ]);
    const [gone] = said(null);
    expect(gone!.level).to.equal('stop');
    expect(gone!.title).to.equal('Marrowby Signal is not in this studio');
    const mended = changeJob(job, gone!.remedies[0]!.changes);
    expect(JSON.stringify(mended.art)).to.not.include(SIGNAL);
    expect(said(null, mended)).to.deep.equal([]);
  });

  it('that their makers keep out of files are said to be drawn there', () => {
    const [kept] = said(font('signal-kept.ttf'));
    expect(kept!.level).to.equal('note');
    expect(kept!.title).to.equal('Marrowby Signal goes into files as drawn letters');
  });
});
