import { expect } from 'chai';
import fc from 'fast-check';
import sharp from 'sharp';
import { inkTotal } from '@zippy/core';
import { heaviestInk, loadInkLattice, readPicture } from '../src/exports/index.ts';

/** Straight from the profile, by the library’s own conversion of each colour. */
async function byProfile(colours: readonly (readonly number[])[]): Promise<readonly number[]> {
  const raw = { width: colours.length, height: 1, channels: 3 as const };
  const inks = await sharp(Buffer.from(colours.flat()), { raw }).toColourspace('cmyk').raw().toBuffer();
  return colours.map((_, i) => [0, 1, 2, 3].reduce((sum, k) => sum + inks[4 * i + k]! / 255, 0));
}

/** A white picture with this many of its hundred rows in one colour. */
const rows = async (dark: number, colour: string): Promise<Buffer> =>
  sharp({ create: { width: 200, height: 100, channels: 3, background: '#ffffff' } })
    .composite(
      dark === 0
        ? []
        : [
            {
              input: { create: { width: 200, height: dark, channels: 3, background: colour } },
              gravity: 'south',
            },
          ],
    )
    .png()
    .toBuffer();

describe('four inks', () => {
  it('are read between the crossings to within a few hundredths of the profile, mostly', async () => {
    const lattice = await loadInkLattice();
    const colours = fc.sample(fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 }))), 600);
    const wanted = await byProfile(colours);
    const off = colours
      .map((parts, i) =>
        Math.abs(inkTotal(`#${parts.map((v) => v.toString(16).padStart(2, '0')).join('')}`, lattice) - wanted[i]!),
      )
      .sort((a, b) => a - b);
    expect(off[Math.floor(off.length * 0.9)]).to.be.below(0.06);
    expect(off.at(-1)).to.be.below(0.5);
  });

  it('of a picture are those of its heaviest hundredth: two rows of a hundred count, none counts for nothing', async () => {
    const [navy] = await byProfile([[0x0b, 0x1f, 0x3a]]);
    expect(await heaviestInk(sharp(await rows(2, '#0b1f3a')))).to.be.closeTo(navy!, 0.01);
    expect(await heaviestInk(sharp(await rows(0, '#0b1f3a')))).to.equal(0);
  });

  it('come with a picture when it is taken in, drawn or photographed, and clear parts are card', async () => {
    const svg = (fill: string): Buffer =>
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="50"><rect width="50" height="50" fill="${fill}"/></svg>`,
      );
    const [navy] = await byProfile([[0x0b, 0x1f, 0x3a]]);
    expect((await readPicture('drawn.svg', svg('#0b1f3a'))).ref.inkTotal).to.be.closeTo(navy!, 0.01);
    expect((await readPicture('clear.svg', svg('none'))).ref.inkTotal).to.equal(0);
    expect((await readPicture('photo.png', await rows(40, '#0b1f3a'))).ref.inkTotal).to.be.closeTo(navy!, 0.01);
  });
});
