import { expect } from 'chai';
import fc from 'fast-check';
import { TYPEFACES, PAIRINGS, typefacesFor } from '../../../../src/stations/art/words/typefaces.ts';
import { setText, type SetBlock } from '../../../../src/stations/art/words/setText.ts';
import type { TextBlock } from '../../../../src/job/types.ts';
import { typefaces, words } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const set = (text: string, part: Partial<TextBlock> = {}): SetBlock => setText(words(text, part), typefaces);
const right = ({ ink }: SetBlock): number => ink!.xMm + ink!.widthMm;
const sizeMm = (pt: number): number => (pt * 25.4) / 72;

describe('words', () => {
  it('ships fourteen families and more, every one with a mood, and pairs that exist', () => {
    expect(new Set(TYPEFACES.map(({ css }) => css.family)).size).to.be.at.least(14);
    expect(new Set(TYPEFACES.map(({ mood }) => mood)).size).to.equal(5);
    for (const { large, plain } of PAIRINGS)
      for (const id of [large, plain]) expect(TYPEFACES.map((t) => t.id)).to.include(id);
  });

  it('has the accents of European languages in every typeface, from its companion where need be', () => {
    const letters = 'ÀÉÎÕÜßæøåçñ ĄĆĘŁŃŚŹŻ ČĎĚŇŘŠŤŮŽ ŐŰ ĞİŞ ĀĒĢĪĶĻŅŪ ăâî ėįų';
    for (const { id, name } of TYPEFACES) {
      const { missing } = set(letters, { typefaceId: id, widthMm: 400 });
      expect(missing, name).to.deep.equal([]);
    }
    // One script of them lacks the Romanian letters with a comma below, and says so.
    expect(set('ș', { typefaceId: 'parisienne-400' }).missing).to.deep.equal(['ș']);
    expect(set('ș', { typefaceId: 'lora-400' }).missing).to.deep.equal([]);
    expect(typefacesFor('lora-400', 'Señor')).to.deep.equal(['lora-400']);
    expect(typefacesFor('lora-400', 'Łódź')).to.deep.equal(['lora-400', 'lora-400-ext']);
  });

  it('spaces letters by so much of the type size between each two, and joins no ligature then', () => {
    const plain = set('wave');
    const wide = set('wave', { letterSpacingEm: 0.1 });
    // Three gaps of a tenth of 12 pt.
    expect(right(wide) - right(plain)).to.be.closeTo(3 * 0.1 * sizeMm(12), 1e-6);
    const office = set('office');
    expect(office.lines[0]!.glyphs.length).to.be.below(6);
    expect(set('office', { letterSpacingEm: 0.02 }).lines[0]!.glyphs).to.have.length(6);
    // Centred, it stays in the middle: the last letter carries no space.
    const centred = set('II', { letterSpacingEm: 0.5, align: 'centre' });
    expect((centred.ink!.xMm + right(centred)) / 2).to.be.closeTo(40, 0.05);
  });

  it('fits the widest line to the block’s width, or only shrinks to it, without breaking lines', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('Wren', 'Old Harbour Lane', 'ebb', 'The Net Loft, Marrowby'), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.double({ min: 15, max: 160, noNaN: true }),
        fc.constantFrom(...TYPEFACES.map((t) => t.id)),
        (lines, widthMm, typefaceId) => {
          const text = lines.join('\n');
          const block = { widthMm, typefaceId, align: 'left' as const };
          const filled = set(text, { ...block, fit: 'fill' });
          const asked = set(text, { ...block, widthMm: 5000 });
          const natural = widest(asked);
          // No letter is made larger than 400 pt.
          const times = Math.min(400 / 12, widthMm / natural);
          expect(filled.fitted).to.be.closeTo(times, 1e-9);
          expect(widest(filled)).to.be.closeTo(natural * times, 1e-6);
          const shrunk = set(text, { ...block, fit: 'shrink' });
          expect(shrunk.fitted).to.be.closeTo(Math.min(1, widthMm / natural), 1e-9);
          expect(shrunk.tooWide).to.deep.equal([]);
          expect(shrunk.lines.map((l) => l.text)).to.deep.equal(lines);
        },
      ),
      { numRuns: runs(80) },
    );
  });

  it('sets chosen lines larger in another typeface, each as high as its own size asks', () => {
    const block = set('together with\nWren & Tove\nat the net loft', {
      emphasis: { lines: [1], scale: 2, typefaceId: 'great-vibes-400' },
      lineSpacing: 1.5,
    });
    expect(block.lines.map((l) => [l.typefaceId, Math.round(l.sizeMm / sizeMm(1))])).to.deep.equal([
      ['eb-garamond-400', 12],
      ['great-vibes-400', 24],
      ['eb-garamond-400', 12],
    ]);
    expect(block.box.heightMm).to.be.closeTo(1.5 * sizeMm(12 + 24 + 12), 1e-9);
  });

  it('sets small capitals as capitals of four fifths, in one line', () => {
    const { lines } = set('Net Loft 7', { smallCaps: true });
    expect(lines.map((l) => [l.text, Math.round((l.sizeMm / sizeMm(12)) * 10)])).to.deep.equal([
      ['N', 10],
      ['ET', 8],
      [' L', 10],
      ['OFT', 8],
      [' 7', 10],
    ]);
    const ys = lines.map((l) => l.at.yMm);
    expect(Math.max(...ys)).to.equal(Math.min(...ys));
  });

  it('sets fractions: a ready one where there is one, a built one elsewhere; dates are left alone', () => {
    const text = (line: string): string =>
      set(line, { fractions: true })
        .lines.map((l) => l.text)
        .join('|');
    expect(text('5 1/2 by 3/8')).to.equal('5 |½| by |3|⁄|8');
    expect(text('12/11/2026')).to.equal('12/11/2026');
    expect(set('1/2').lines.map((l) => l.text)).to.deep.equal(['1/2']);
    const [above, , below] = set('3/8', { fractions: true }).lines;
    expect(above!.at.yMm).to.be.below(below!.at.yMm);
  });

  it('bends a line round a circle: every letter stands at right angles to its radius', () => {
    const radius = 40;
    const block = set('Lantern Regatta', { arcMm: radius, align: 'centre' });
    const baseline = set('Lantern Regatta', { align: 'centre' }).lines[0]!.at.yMm;
    const down = baseline - 10;
    const centre = { xMm: 40, yMm: baseline + radius - down };
    for (const { turn } of block.lines) {
      const [dx, dy] = [turn!.about.xMm - centre.xMm, turn!.about.yMm - centre.yMm];
      expect(Math.hypot(dx, dy)).to.be.closeTo(radius - down, 1e-9);
      expect((Math.atan2(dx, -dy) * 180) / Math.PI).to.be.closeTo(turn!.deg, 1e-9);
    }
    const degs = block.lines.map((l) => l.turn!.deg);
    expect(degs).to.deep.equal([...degs].sort((a, b) => a - b));
    // Bent down, it is the mirror: the first letter leans the other way.
    expect(set('Lantern Regatta', { arcMm: -radius, align: 'centre' }).lines[0]!.turn!.deg).to.be.above(0);
    expect(degs[0]).to.be.below(0);
    // A circle as large as the bay is a straight line.
    const flat = set('Lantern Regatta', { arcMm: 5000, align: 'centre' });
    expect(Math.abs(flat.ink!.widthMm - set('Lantern Regatta', { align: 'centre' }).ink!.widthMm)).to.be.below(0.05);
  });
});

/** The widest line of a block that is set left, to the end of its last letter’s advance. */
function widest({ lines }: SetBlock): number {
  return Math.max(
    ...lines.map((line) => {
      const glyphs = typefaces.get(line.typefaceId)!.shape(line.text);
      const last = glyphs.at(-1)!;
      return line.at.xMm - 10 + (last.xEm + last.advanceEm) * line.sizeMm;
    }),
  );
}
