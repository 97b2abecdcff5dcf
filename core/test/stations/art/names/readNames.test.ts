import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { readNames } from '../../../../src/stations/art/names/readNames.ts';
import { cardRows, fieldsIn, fillFields, wrongCounts } from '../../../../src/job/namesList.ts';
import { cardAt } from '../../../../src/stations/sheet/draw/nameSheet.ts';
import { decide, type JobChange } from '../../../../src/job/decide.ts';
import type { NamesList, TextBlock } from '../../../../src/job/types.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { changeJob, drawSheetPage, planJob, type Plan } from '../../../../src/index.ts';
import { jobWith, sized, typefaces, words, workshop } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const read = (text: string) => readNames(utf8(text));
const why = (bytes: Uint8Array): string => {
  const found = readNames(bytes);
  return found.ok ? 'taken' : found.why;
};

describe('a list of names', () => {
  it('is read with commas, semicolons or tabs, quoted cells, a byte order mark and empty lines', () => {
    const names: NamesList = {
      columns: ['Name', 'Table'],
      rows: [
        ['Wren, Tove', '3'],
        ['Őry "Ebb"', ''],
      ],
    };
    expect(read('Name,Table\n"Wren, Tove",3\n\n"Őry ""Ebb""",\n')).to.deep.include({ ok: true, names });
    expect(read('\ufeffName;Table\r\nWren, Tove;3\r\n"Őry ""Ebb""";\r\n')).to.deep.include({ ok: true, names });
    expect(read('Name\tTable\nWren, Tove\t3\n"Őry ""Ebb"""\t\n')).to.deep.include({ ok: true, names });
    const utf16 = Uint8Array.from([0xff, 0xfe, ...Buffer.from('Name,Table\nŐry,1\n', 'utf16le')]);
    expect(readNames(utf16)).to.deep.include({ ok: true, names: { columns: ['Name', 'Table'], rows: [['Őry', '1']] } });
  });

  it('is read in the old western encoding, with a word about it', () => {
    const latin = Uint8Array.from(Buffer.from('Name\nRen\xe9e\n', 'latin1'));
    const found = readNames(latin);
    if (!found.ok) throw new Error(found.why);
    expect(found.names.rows).to.deep.equal([['Renée']]);
    expect(found.note).to.match(/look at the accents/);
  });

  it('comes back from any spreadsheet as it was', () => {
    const cell = fc
      .string({ unit: fc.constantFrom(...'abÉő€;,"\n\t {}鷺'), maxLength: 12 })
      .map((s) => s.replaceAll('\r', '').trim());
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.stringMatching(/^[a-z]{1,8}$/), { minLength: 2, maxLength: 4 }),
        fc.array(fc.array(cell, { minLength: 4, maxLength: 4 }), { minLength: 1, maxLength: 8 }),
        (columns, wide) => {
          const rows = wide.map((row) => row.slice(0, columns.length)).filter((row) => row.some((c) => c !== ''));
          fc.pre(rows.length > 0);
          const found = read(Papa.unparse([columns, ...rows]));
          expect(found).to.deep.include({ ok: true, names: { columns, rows } });
        },
      ),
      { numRuns: runs(150) },
    );
  });

  it('says what is wrong and in which row', () => {
    expect(why(utf8('name,table\nWren,1\nTove\n'))).to.match(/^Row 3 has 1 cell and the headings are 2: fill/);
    expect(why(utf8('name,table\nWren, Tove,1\n'))).to.match(/^Row 2 has 3 cells .* quotation marks round a cell/);
    expect(why(utf8('name,\n,\nWren,x\n'))).to.match(/^Row 2 has 2 cells and the headings are 1|^Row \d/);
    expect(why(utf8('name,Name\na,b\n'))).to.match(/Two columns are called “Name”/);
    expect(why(utf8('name,,table\na,b,c\n'))).to.match(/^Column 2 has no heading/);
    expect(why(utf8('name\n'))).to.match(/no rows/);
    expect(why(utf8('   \n'))).to.match(/empty/);
    expect(why(utf8('name\n"Wren\n'))).to.match(/quotation mark that is never closed/);
    expect(why(Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0, 0, 0]))).to.match(
      /^This is no list that can be read here; save it/,
    );
    expect(why(new Uint8Array(100 * 1024 * 1024).fill(65))).to.match(/100 MB and the most is 4 MB/);
    expect(why(utf8(`name\n${'x'.repeat(400)}\n`))).to.match(/^Row 2 has a cell of 400 letters/);
    expect(why(utf8(`name\n${'x\n'.repeat(5001)}`))).to.match(/5001 rows and the most is 5000/);
  });

  it('fills braces whose word is a heading, whatever its case, and leaves others as typed', () => {
    const names = { columns: ['Name', 'Table'], rows: [['Wren', '3']] };
    expect(fieldsIn('{name} {Table} {name} {}')).to.deep.equal(['name', 'Table']);
    expect(fillFields('Dear {name}, table { table } {boat}', names, 0)).to.equal('Dear Wren, table 3 {boat}');
    expect(fillFields('Dear {name}', names, null)).to.equal('Dear ');
  });

  it('counts a row as often as its own column says', () => {
    const names = {
      columns: ['name', 'Cards'],
      rows: [
        ['a', '2'],
        ['b', ''],
        ['c', '0'],
        ['d', 'x'],
      ],
    };
    // What is no count is no card; it stops the job and is said by its row.
    expect(cardRows(names)).to.deep.equal([0, 0]);
    expect(wrongCounts(names).map(({ row, text }) => [row, text])).to.deep.equal([
      [1, ''],
      [3, 'x'],
    ]);
    expect(cardRows({ columns: ['name'], rows: [['a'], ['b']] })).to.deep.equal([0, 1]);
  });
});

describe('names on sheets', () => {
  const list: NamesList = {
    columns: ['name'],
    rows: ['Wren', 'Tove', 'Ash', 'Brook', 'Fern', 'Hazel', 'Reed'].map((n) => [n]),
  };
  const named = (part: Partial<TextBlock> = {}, names = list, ...changes: readonly JobChange[]) =>
    jobWith(
      ...sized('flat', 90, 50),
      decide((job) => job.names, names),
      decide((job) => job.brief.wanted, names.rows.length),
      decide((job) => job.sheet.spares, 0),
      decide((job) => job.art.faces.at('front'), {
        background: '#c9ddd4',
        picture: null,
        texts: [words('{name}', { leftMm: 5, widthMm: 80, ...part })],
      }),
      ...changes,
    );
  const planned = (job: ReturnType<typeof named>, part: { card?: number; sheetNumber?: number } = {}): Plan =>
    planJob(job, workshop, { typefaces, today: null, ...part });
  const texts = (shapes: readonly Shape[]): readonly string[] =>
    shapes.flatMap((s) => (s.kind === 'group' ? texts(s.children) : s.kind === 'line' ? [s.text] : []));
  const titles = (plan: Plan): readonly string[] => plan.art.snags.map((s) => s.title);

  it('come off the trimmer in the list’s order: pile on pile, every card once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 24 }), (cards, up) => {
        const sheets = Math.ceil(cards / up);
        const order: number[] = [];
        for (let place = 0; place < up; place += 1)
          for (let sheet = 1; sheet <= sheets; sheet += 1) {
            const card = cardAt(place, sheet, sheets);
            if (card < cards) order.push(card);
          }
        expect(order).to.deep.equal(Array.from({ length: cards }, (_, i) => i));
      }),
    );
  });

  it('stand each at its own place, the card shown first at the bench, spares without a name', () => {
    const job = named();
    const first = planned(job);
    const { up, sheets } = first.sheet;
    expect(up).to.be.greaterThan(2);
    for (let sheetNumber = 1; sheetNumber <= sheets; sheetNumber += 1) {
      const { named: own } = planned(job, { sheetNumber }).sheet;
      own!.shapes.outside.forEach((shapes, place) => {
        const card = cardAt(place, sheetNumber, sheets);
        expect(texts(shapes)).to.deep.equal(card < 7 ? [list.rows[card]![0]] : []);
      });
    }
    const shown = planned(job, { card: 4 }).art;
    expect(shown.names).to.deep.equal({ cards: 7, shown: 4 });
    expect(shown.faces[0]!.blocks[0]!.lines[0]!.text).to.equal('Fern');
    expect(planned(job, { card: 99 }).art.names!.shown).to.equal(6);
  });

  it('finds names that are too long, shrinks them on request, and says when they get too small', () => {
    const long = {
      columns: ['name'],
      rows: [['Wren'], ['The Worshipful Company of Lantern Keepers of Marrowby Quay']],
    };
    const before = planned(named({ sizePt: 20, fit: 'none', text: '{name}', topMm: 20, widthMm: 30 }, long));
    const snag = before.art.snags.find((s) => s.id.startsWith('art-names-long'))!;
    expect(snag.title).to.equal('1 name is too long on the front');
    expect(snag.why).to.match(/“The Worshipful Company/);
    const job = named({ sizePt: 20, topMm: 20, widthMm: 30 }, long);
    const shrunk = planned(changeJob(job, snag.remedies[0]!.changes));
    expect(titles(shrunk)).to.not.include(snag.title);
    // 30 mm for 57 letters is under 6 pt.
    expect(titles(shrunk)).to.include('1 name shrinks under 6 pt on the front');
  });

  it('decides how many are made, names strangers among fields, and offers to go when nothing asks for it', () => {
    const few = planned(
      named(
        {},
        list,
        decide((job) => job.brief.wanted, 3),
      ),
    );
    expect([few.brief.wanted, few.make.steps.at(-1)!.big]).to.deep.equal([7, '7']);
    expect(few.sheet.sheets).to.equal(Math.ceil(7 / few.sheet.up));
    expect(titles(planned(named({ text: '{name} of {boat}' })))).to.include('The list has no column “boat”');
    expect(titles(planned(named({ text: 'Ebb' })))).to.include('No words ask for the list of 7 rows');
    expect(planned(named({ text: 'Ebb' })).sheet.named).to.equal(null);
  });

  it('stops the job where the maker decides for fewer, naming who is left out; one press makes them all', () => {
    const job = named(
      {},
      { ...list, decides: false },
      decide((job) => job.brief.wanted, 3),
    );
    const plan = planned(job);
    expect(plan.brief.wanted).to.equal(3);
    const snag = plan.art.snags.find(({ id }) => id === 'art-names-left-out')!;
    expect(snag.level).to.equal('stop');
    expect(snag.why).to.include('Without a card: Brook, Fern, Hazel, Reed.');
    const mended = planned(changeJob(job, snag.remedies[0]!.changes));
    expect(mended.brief.wanted).to.equal(7);
    expect(mended.art.snags.filter(({ id }) => id.startsWith('art-names-'))).to.deep.equal([]);
    const more = planned(
      named(
        {},
        { ...list, decides: false },
        decide((job) => job.brief.wanted, 9),
      ),
    );
    expect(more.art.snags.filter(({ id }) => id.startsWith('art-names-'))).to.deep.equal([]);
  });

  it('takes no count for one that is none: each is said by its row, and both remedies mend it', () => {
    const counted: NamesList = {
      columns: ['name', 'count'],
      rows: [
        ['Wren', '2'],
        ['Tove', '2.5'],
        ['Ash', '-1'],
        ['Brook', 'two'],
        ['Fern', ''],
        ['Hazel', '1e9'],
        ['Reed', '0'],
      ],
    };
    const job = named({}, counted);
    const snag = planned(job).art.snags.find(({ id }) => id === 'art-names-counts')!;
    expect(snag.level).to.equal('stop');
    for (const said of ['row 3, Tove: “2.5”', 'row 4, Ash: “-1”', 'row 5, Brook: “two”', 'row 6, Fern: nothing'])
      expect(snag.why).to.include(said);
    expect(snag.title).to.match(/^5 rows/);
    const [one, none] = snag.remedies.map(({ changes }) => planned(changeJob(job, changes)).brief.wanted);
    expect([one, none]).to.deep.equal([7, 2]);
  });

  it('leaves spares bare, or repeats the names that were chosen, in turn', () => {
    const spare = (repeat?: readonly number[]) => {
      const job = named(
        {},
        { ...list, ...(repeat ? { repeat } : {}) },
        decide((job) => job.sheet.spares, 5),
      );
      const { sheets } = planned(job).sheet;
      return Array.from({ length: sheets }, (_, i) => planned(job, { sheetNumber: i + 1 }).sheet.named!).flatMap(
        ({ cards, shapes }) =>
          cards.flatMap((card, place) => (card === null ? [texts(shapes.outside[place]!).join()] : [])),
      );
    };
    expect(new Set(spare())).to.deep.equal(new Set(['']));
    const again = spare([1, 4]);
    expect(again.length).to.be.at.least(5);
    expect(new Set(again)).to.deep.equal(new Set(['Tove', 'Fern']));
    expect(Math.abs(again.filter((n) => n === 'Tove').length - again.filter((n) => n === 'Fern').length)).to.be.at.most(
      1,
    );
  });

  it('says which place is pile 1 and how the piles go together, at the bench and on the slug', () => {
    const { make, sheet, size, art } = planned(named());
    const step = make.steps.find(({ id }) => id === 'piles')!;
    expect(step.big).to.equal(`${sheet.placements.length} piles`);
    expect(step.detail).to.match(/Pile 1 is first from the top, first from the left, pile 2 /);
    const { scene } = drawSheetPage(size, art, sheet, 'front', { title: 'Ebb', date: null, sheetNumber: 1 });
    const slug = scene.shapes.flatMap((s) => (s.kind === 'label' ? [s.text] : [])).join();
    expect(slug).to.include('pile 1: first from the top, first from the left');
    // The place that is called first is the one whose cards come first.
    const first = sheet.placements[0]!.trim;
    for (const { trim } of sheet.placements) {
      expect(trim.yMm).to.be.at.least(first.yMm - 1);
      if (Math.abs(trim.yMm - first.yMm) < 1) expect(trim.xMm).to.be.at.least(first.xMm);
    }
  });
});
