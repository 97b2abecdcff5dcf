import { expect } from 'chai';
import fc from 'fast-check';
import { mergeDocuments, isSame } from '../../src/job/mergeDocuments.ts';
import { runs } from '../runs.ts';

interface Text {
  readonly id: string;
  readonly text: string;
  readonly sizePt?: number;
  readonly leftMm?: number;
  readonly topMm?: number;
}
const text = (id: string, part: Partial<Text> = {}): Text => ({ id, text: id, ...part });
const keysOf = ({ clashes }: { readonly clashes: readonly { readonly key: string }[] }): readonly string[] =>
  clashes.map(({ key }) => key);

describe('mergeDocuments', () => {
  it('lets each change stand, whoever made it', () => {
    const base = { brief: { title: 'Ebb', wanted: 12 }, sell: { packOf: 6 } };
    const mine = { brief: { title: 'Flow', wanted: 12 }, sell: { packOf: 6 } };
    const theirs = { brief: { title: 'Ebb', wanted: 40 }, sell: { packOf: 8 } };
    expect(mergeDocuments(base, mine, theirs)).to.deep.equal({
      value: { brief: { title: 'Flow', wanted: 40 }, sell: { packOf: 8 } },
      clashes: [],
    });
  });

  it('asks only where both changed the same decision to different ends, and does as it is told', () => {
    const base = { brief: { title: 'Ebb', wanted: 12 }, cut: { tool: 'a' } };
    const mine = { brief: { title: 'Flow', wanted: 20 }, cut: { tool: 'b' } };
    const theirs = { brief: { title: 'Slack', wanted: 20 }, cut: { tool: 'a' } };
    const asked = mergeDocuments(base, mine, theirs);
    expect(asked.clashes).to.deep.equal([
      { key: 'brief/title', place: ['brief', 'title'], mine: 'Flow', theirs: 'Slack' },
    ]);
    expect(asked.value).to.deep.equal({ brief: { title: 'Flow', wanted: 20 }, cut: { tool: 'b' } });
    expect(mergeDocuments(base, mine, theirs, new Set(['brief/title'])).value).to.deep.equal({
      brief: { title: 'Slack', wanted: 20 },
      cut: { tool: 'b' },
    });
  });

  it('without the document both began from, asks for all that differs and for nothing else', () => {
    const found = mergeDocuments(undefined, { a: 1, b: 2, c: { d: 3 } }, { a: 1, b: 5, c: { d: 4 } });
    expect(keysOf(found)).to.have.members(['b', 'c/d']);
  });

  it('joins things by their ids: moved, added, taken away and changed', () => {
    const base = [text('a'), text('b'), text('c')];
    const mine = [text('b'), text('new', { text: 'mine' }), text('c', { sizePt: 9 })];
    const theirs = [text('c'), text('a'), text('b', { sizePt: 12 }), text('late')];
    // Mine took a away and they left it as it was; they moved c to the front, so the order is theirs, and what each
    // added comes after what it came after.
    expect(mergeDocuments(base, mine, theirs)).to.deep.equal({
      value: [text('c', { sizePt: 9 }), text('b', { sizePt: 12 }), text('new', { text: 'mine' }), text('late')],
      clashes: [],
    });
    // I moved them and they only added: then the order is mine.
    expect(
      mergeDocuments(base, [text('c'), text('b'), text('a')], [text('first'), ...base]).value.map(({ id }) => id),
    ).to.deep.equal(['first', 'c', 'b', 'a']);
  });

  it('asks about a thing that one took away and the other worked on, calling it as a maker would', () => {
    const base = { texts: [text('t1', { text: 'Supper at six\nby lantern' })] };
    const theirs = { texts: [text('t1', { text: 'Supper at six\nby lantern', sizePt: 20 })] };
    const found = mergeDocuments(base, { texts: [] as Text[] }, theirs);
    expect(found.clashes).to.deep.equal([
      { key: 'texts/t1', place: ['texts', 'Supper at six'], mine: undefined, theirs: theirs.texts[0] },
    ]);
    expect(found.value.texts).to.deep.equal([]);
    expect(mergeDocuments(base, { texts: [] as Text[] }, theirs, new Set(['texts/t1'])).value).to.deep.equal(theirs);
    // Seen from the other side it is theirs that is away.
    expect(mergeDocuments(base, theirs, { texts: [] }).value).to.deep.equal(theirs);
  });

  it('keeps together what is one decision: a place, a size, a printer and its path', () => {
    const base = { stock: { stockId: 's', printerId: 'p', pathId: 'tray' } };
    const mine = { stock: { stockId: 's', printerId: 'q', pathId: 'rear' } };
    const theirs = { stock: { stockId: 't', printerId: 'p', pathId: 'slot' } };
    const found = mergeDocuments(base, mine, theirs);
    expect(keysOf(found)).to.deep.equal(['stock/printerId']);
    expect(found.value.stock).to.deep.equal({ stockId: 't', printerId: 'q', pathId: 'rear' });
    expect(mergeDocuments(base, mine, theirs, new Set(['stock/printerId'])).value.stock).to.deep.equal(theirs.stock);
    const place = (leftMm: number, topMm: number): Text[] => [text('a', { leftMm, topMm })];
    expect(keysOf(mergeDocuments(place(1, 1), place(2, 1), place(1, 2)))).to.deep.equal(['a/leftMm']);
    expect(mergeDocuments(place(1, 1), place(2, 1), place(1, 1)).value).to.deep.equal(place(2, 1));
  });

  it('never mixes two kinds of a thing', () => {
    const base = { envelope: { kind: 'shelf', envelopeId: 'teal', liner: true } };
    const mine = { envelope: { kind: 'own', widthMm: 110 } as object };
    const theirs = { envelope: { kind: 'shelf', envelopeId: 'kraft', liner: true } as object };
    const found = mergeDocuments<{ envelope: object }>(base, mine, theirs);
    expect(keysOf(found)).to.deep.equal(['envelope']);
    expect(found.value).to.deep.equal(mine);
  });

  it('joins a list of names row by row, and asks once a column was added', () => {
    const names = (columns: string[], rows: string[][]): object => ({ names: { columns, rows } });
    const base = names(['name'], [['Ada'], ['Bo'], ['Cy']]);
    const mine = names(['name'], [['Ada'], ['Bo!'], ['Cy']]);
    expect(mergeDocuments(base, mine, names(['name'], [['Ada'], ['Bo'], ['Cy?']])).value).to.deep.equal(
      names(['name'], [['Ada'], ['Bo!'], ['Cy?']]),
    );
    const wider = names(
      ['name', 'table'],
      [
        ['Ada', '1'],
        ['Bo', '1'],
        ['Cy', '2'],
      ],
    );
    const found = mergeDocuments(base, mine, wider);
    expect(keysOf(found)).to.deep.equal(['names/columns']);
    // Every row has a cell for every column, whichever is chosen.
    expect(found.value).to.deep.equal(mine);
    expect(mergeDocuments(base, mine, wider, new Set(['names/columns'])).value).to.deep.equal(wider);
    // A row more on one side is another list; the same on both is none.
    const longer = names(['name'], [['Ada'], ['Bo'], ['Cy'], ['Di']]);
    expect(mergeDocuments(base, longer, base).value).to.deep.equal(longer);
    expect(keysOf(mergeDocuments(base, longer, mine))).to.deep.equal(['names/rows']);
  });

  describe('laws, for any three documents', () => {
    const leaf = fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('x', 'y'), fc.constant(null));
    const list = fc.uniqueArray(
      fc.record({ id: fc.constantFrom('p', 'q', 'r', 's'), n: leaf, m: leaf }, { requiredKeys: ['id', 'n'] }),
      { selector: ({ id }) => id, maxLength: 4 },
    );
    const fields = fc.record(
      { a: leaf, b: leaf, kind: fc.constantFrom('one', 'two'), leftMm: leaf, topMm: leaf, list },
      { requiredKeys: ['a'] },
    );
    const document = fc.record({ u: fields, v: fields, w: list }, { requiredKeys: ['u'] });
    const law = (holds: (b: object, m: object, t: object) => void): void =>
      fc.assert(fc.property(document, document, document, holds), { numRuns: runs(600) });

    it('what only one changed is as that one has it', () => {
      law((base, mine) => {
        expect(mergeDocuments(base, mine, base)).to.deep.equal({ value: mine, clashes: [] });
        const back = mergeDocuments(base, base, mine);
        expect(isSame(back.value, mine), JSON.stringify(back)).to.equal(true);
        expect(back.clashes).to.have.length(0);
        expect(mergeDocuments(base, mine, mine).clashes).to.have.length(0);
      });
    });
    it('both sides are asked about the same decisions, and choosing the other’s everywhere joins as they would', () => {
      law((base, mine, theirs) => {
        const [here, there] = [mergeDocuments(base, mine, theirs), mergeDocuments(base, theirs, mine)];
        expect([...keysOf(here)].sort()).to.deep.equal([...keysOf(there)].sort());
        const all = new Set(keysOf(here));
        const sorted = (value: unknown): string =>
          JSON.stringify(value, (_key, v: unknown) =>
            Array.isArray(v)
              ? [...(v as { id: string }[])].sort((a, b) => (a.id < b.id ? -1 : 1))
              : typeof v === 'object' && v !== null
                ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
                : v,
          );
        expect(sorted(mergeDocuments(base, mine, theirs, all).value)).to.equal(sorted(there.value));
      });
    });
    it('joined once, nothing is left to join', () => {
      law((base, mine, theirs) => {
        const { value } = mergeDocuments(base, mine, theirs);
        const again = mergeDocuments(theirs, value, theirs);
        expect(again.clashes).to.have.length(0);
        expect(again.value).to.deep.equal(value);
      });
    });
  });
});
