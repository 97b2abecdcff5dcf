import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import { cardAt, nameSheet, sayPiles, sayPlace } from '../../../../src/stations/sheet/draw/nameSheet.ts';
import { drawSheetPage } from '../../../../src/stations/sheet/draw/drawSheet.ts';
import type { Placement } from '../../../../src/stations/sheet/types.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { labelsOf, pathsOf } from '../../../drawn.ts';
import { inkedWith, plan, sized, typefaces, words } from '../../../support.ts';

const GUESTS = ['Ada', 'Bram', 'Cleo', 'Dov', 'Edda', 'Finn', 'Gisa', 'Hugo', 'Ines', 'Jory'];
const job = inkedWith(
  ...sized('sideFold', 60, 80),
  decide((job) => job.names, { columns: ['name'], rows: GUESTS.map((name) => [name]) }),
  decide((job) => job.sheet.spares, 0),
  decide(
    (job) => job.art.faces.at('front').texts,
    [words('{name}'), words('Lantern supper', { id: 'same', topMm: 40 })],
  ),
  decide((job) => job.art.faces.at('insideFront'), { background: null, picture: null, texts: [words('for {name}')] }),
);
/** Letters of a group of shapes, as they are read. */
const read = (shapes: readonly Shape[]): string =>
  shapes
    .map((s) =>
      s.kind === 'line' ? s.glyphs.map(({ chars }) => chars).join('') : s.kind === 'group' ? read(s.children) : '',
    )
    .join(' ');

describe('names on a sheet', () => {
  const p = plan(job);
  const { up, sheets } = p.sheet;
  const named = (sheetNumber: number, options: Parameters<typeof nameSheet>[1] = {}) =>
    nameSheet({ job, size: p.size, sheet: p.sheet, typefaces, sheetNumber }, options)!;

  it('lie so that piles cut apart and laid on each other come in the list’s order', () => {
    expect(up).to.be.above(1);
    expect(sheets).to.equal(Math.ceil(10 / up));
    // Each place’s pile holds as many as there are sheets, and the next goes on from there.
    expect([cardAt(0, 1, 4), cardAt(0, 2, 4), cardAt(1, 1, 4), cardAt(2, 3, 4)]).to.deep.equal([0, 1, 4, 10]);
    const all = Array.from({ length: sheets }, (_, i) => named(i + 1));
    expect(all.map(({ sheetNumber }) => sheetNumber)).to.deep.equal(all.map((_, i) => i + 1));
    const piles = Array.from({ length: up }, (_, place) =>
      all.map(({ shapes }) => read(shapes.outside[place]!).trim()),
    );
    expect(piles.flat().slice(0, 10)).to.deep.equal(GUESTS);
    // A place beyond the list has no card, and nothing of a name on it.
    expect(all.flatMap(({ cards }) => cards).filter((card) => card === null)).to.have.length(up * sheets - 10);
    expect(piles.flat().slice(10).join('')).to.not.match(/[A-Z]/);
    expect(
      all
        .flatMap(({ cards }) => cards)
        .filter((card) => card !== null)
        .sort((a, b) => a - b),
    ).to.deep.equal(GUESTS.map((_, i) => i));
  });

  it('are set on the sides that are asked for, and nothing but the words that come from the list', () => {
    const both = named(1);
    expect(read(both.shapes.inside[0]!)).to.match(/for\s*Ada/);
    expect(read(both.shapes.outside[0]!)).to.not.include('supper');
    const one = named(1, { sides: ['outside'] });
    expect([one.shapes.outside.length, one.shapes.inside.length]).to.deep.equal([up, 0]);
    const drawn = (outlines: boolean): string =>
      JSON.stringify(named(1, { sides: ['outside'], outlines }).shapes.outside[0]);
    expect(drawn(true).length).to.be.above(drawn(false).length);
    expect(
      nameSheet({ job: { ...job, names: undefined }, size: p.size, sheet: p.sheet, typefaces, sheetNumber: 1 }),
    ).to.equal(null);
  });

  it('stand on the page over what all cards share, and the slug says which pile is the first', () => {
    const sheet = { ...p.sheet, named: named(1) };
    const page = drawSheetPage(p.size, p.art, sheet, 'front', { title: 'T', date: null, sheetNumber: 1 }).scene;
    expect(page.shapes.filter(({ kind }) => kind === 'group')).to.have.length(up);
    expect(read(page.symbols.outside!.shapes)).to.include('supper').and.not.include('name');
    const [slug] = labelsOf(page);
    expect(slug!.text).to.match(new RegExp(`^T · front · sheet 1 of ${sheets} · pile 1: first from the `));
    expect(pathsOf(page, 'mark').length).to.be.above(0);
  });

  it('name a place by its row and column as they are counted, from the top and from the left', () => {
    const at = (...places: readonly (readonly [number, number])[]) => ({
      placements: places.map(([xMm, yMm]) => ({ trim: { xMm, yMm, widthMm: 50, heightMm: 30 } }) as Placement),
    });
    const grid = at([10, 10], [70, 10], [10, 50], [70, 50], [10, 90], [70, 90]);
    expect([0, 1, 2, 5].map((place) => sayPlace(grid, place))).to.deep.equal([
      'first from the top, first from the left',
      'first from the top, second from the left',
      'second from the top, first from the left',
      'third from the top, second from the left',
    ]);
    expect(sayPlace(at([10, 10], [70, 10]), 1)).to.equal('second from the left');
    expect(sayPlace(at([10, 10], [10, 50]), 1)).to.equal('second from the top');
    // Whatever order they were placed in.
    expect(sayPlace(at([70, 50], [10, 10], [70, 10], [10, 50]), 0)).to.equal(
      'second from the top, second from the left',
    );
    expect(sayPlace(at([10, 10]), 0)).to.equal('place 1');
    const row = at(...Array.from({ length: 12 }, (_, i) => [10 + 60 * i, 10] as const));
    expect([sayPlace(row, 9), sayPlace(row, 10)]).to.deep.equal(['tenth from the left', 'number 11 from the left']);
    expect([sayPiles(at([10, 10])), sayPiles(grid)]).to.deep.equal([
      'in the list’s order',
      'pile 1: first from the top, first from the left',
    ]);
  });
});
