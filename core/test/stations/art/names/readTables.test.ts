import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import fc from 'fast-check';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { likelyHeading, namedColumns, namesFrom } from '../../../../src/stations/art/names/namesFrom.ts';
import { readTables } from '../../../../src/stations/art/names/readTables.ts';
import type { Table } from '../../../../src/stations/art/names/types.ts';
import { runs } from '../../../runs.ts';

const words = { region: 'GB' };
const kept = (name: string): Uint8Array => new Uint8Array(readFileSync(new URL(`kept/${name}`, import.meta.url)));
async function tablesOf(bytes: Uint8Array): Promise<readonly Table[]> {
  const read = await readTables(bytes, words);
  if (!read.ok) throw new Error(read.why);
  return read.tables;
}
async function whyNot(bytes: Uint8Array): Promise<string> {
  const read = await readTables(bytes, words);
  return read.ok ? 'taken' : read.why;
}
const contacts = (...lines: readonly string[]): Uint8Array => strToU8(`${lines.join('\r\n')}\r\n`);
const person = (version: string, ...lines: readonly string[]): readonly string[] => [
  'BEGIN:VCARD',
  `VERSION:${version}`,
  ...lines,
  'END:VCARD',
];

describe('lists as they are kept', () => {
  /** Written by openpyxl, and by gnumeric from that: a title over the headings, a merged cell, days, sums, a stray word. */
  for (const file of ['guests.xlsx', 'guests-again.xlsx', 'guests.ods'])
    it(`${file}: every sheet by its name, its cells as they are read by people`, async () => {
      const [sums, guests, ...more] = await tablesOf(kept(file));
      expect(more).to.deep.equal([]);
      expect(sums).to.deep.equal({
        name: 'Sums',
        rows: [
          ['What the boats cost', ''],
          ['hire', '240'],
        ],
      });
      const ods = file.endsWith('.ods');
      const [third, fourth] = ods ? ['2026-12-03', '2026-12-04'] : ['3 December 2026', '4 December 2026'];
      const [coming, not] = ods ? ['TRUE', 'FALSE'] : ['yes', 'no'];
      expect(guests!.name).to.equal('Guests');
      expect(guests!.rows.slice(0, 3)).to.deep.equal([
        ['Lantern Regatta supper', '', '', '', '', '', '', ''],
        ['', '', '', '', '', '', '', ''],
        ['Name', 'Table', 'Evening', 'Fare', 'Coming', '', 'Notes', ''],
      ]);
      expect(guests!.rows[3]).to.deep.equal(['Tove Wren', '3', third, '0.3', coming, '', 'window seat', 'stray']);
      expect(guests!.rows[4]!.map((cell) => cell.replace('12.50', '12.5'))).to.deep.equal([
        'Őry "Ebb" Holm',
        '12',
        fourth,
        '12.5',
        not,
        '',
        '',
        '',
      ]);
      expect(guests!.rows[6]).to.deep.equal(['Marit; of the Quay', '007', '', '1000000', '', '', '', '']);
      expect(guests!.rows).to.have.length(7);
    });

  it('become the list that is chosen by looking: the heading row, columns with a name, rows that say something', async () => {
    const { rows } = (await tablesOf(kept('guests.ods')))[1]!;
    const heading = likelyHeading(rows);
    expect(heading).to.equal(2);
    const columns = namedColumns(rows[heading]!);
    expect(columns).to.deep.equal([0, 1, 2, 3, 4, 6]);
    const taken = namesFrom(rows, { heading, columns: [0, 1], keeps: (row) => row !== 4 });
    expect(taken).to.deep.equal({
      ok: true,
      names: {
        columns: ['Name', 'Table'],
        rows: [
          ['Tove Wren', '3'],
          ['Marit; of the Quay', '007'],
        ],
      },
    });
    expect(namesFrom(rows, { heading: 6, columns: [0] })).to.include({ ok: false });
    expect(namedColumns(['Name', '', 'name ', 'Table'])).to.deep.equal([0, 3]);
  });

  it('never lose a cell to a comma too many, whichever columns are kept', () => {
    const table = [['Guests of the supper'], ['name', 'table'], ['Holm, Őry', '3'], ['Wren', ' Tove', '1']];
    expect(namesFrom(table, { heading: 1, columns: [0] })).to.deep.include({ ok: false, at: 'rows' });
    expect(namesFrom(table, { heading: 1, columns: [0], keeps: (row) => row < 3 })).to.deep.equal({
      ok: true,
      names: { columns: ['name'], rows: [['Holm, Őry']] },
    });
    expect(namesFrom(table, { heading: 0 })).to.deep.include({ ok: false, at: 'rows' });
    expect(
      namesFrom(
        [
          ['a', 'A'],
          ['1', '2'],
        ],
        { heading: 0 },
      ),
    ).to.deep.include({ ok: false, at: 'headings' });
  });

  it('have their headings below a title, however many columns, and in the first row where there is none', () => {
    expect(likelyHeading([['Supper'], [], ['Name', 'Table'], ['Wren', '3']])).to.equal(2);
    expect(
      likelyHeading([
        ['Name', 'Table'],
        ['Wren', '3'],
      ]),
    ).to.equal(0);
    expect(likelyHeading([['Name'], ['Wren']])).to.equal(0);
    expect(likelyHeading([])).to.equal(0);
  });

  it('from a spreadsheet of any cells come back as they were typed', async () => {
    const cell = fc.string({ unit: fc.constantFrom(...'aÉő€;,<&"\'{}鷺 '), maxLength: 9 }).map((s) => s.trim());
    await fc.assert(
      fc.asyncProperty(fc.array(fc.array(cell, { minLength: 3, maxLength: 3 }), { maxLength: 6 }), async (typed) => {
        const rows = [...typed, ['the', 'last', 'row']];
        const [ods, xlsx] = [await tablesOf(odsOf(rows)), await tablesOf(xlsxOf(rows))];
        expect(ods).to.deep.equal([{ name: 'One & only', rows }]);
        expect(xlsx).to.deep.equal([{ name: 'One & only', rows }]);
      }),
      { numRuns: runs(60) },
    );
  });

  it('of OpenDocument keep lines, spaces and repeats, and leave notes and the endless empty rest out', async () => {
    const ods = odsOf(
      [],
      [
        '<table:table-row table:number-rows-repeated="2">',
        '<table:table-cell table:number-columns-repeated="2"><text:p>a<text:s text:c="2"/>b</text:p><text:p>c</text:p></table:table-cell>',
        '<table:table-cell><office:annotation><text:p>nobody</text:p></office:annotation><text:p><text:span>d</text:span></text:p></table:table-cell>',
        '<table:table-cell table:number-columns-repeated="16000"/></table:table-row>',
        '<table:table-row table:number-rows-repeated="1048574"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>',
      ],
    );
    const row = ['a  b\nc', 'a  b\nc', 'd'];
    expect(await tablesOf(ods)).to.deep.equal([{ name: 'One & only', rows: [row, row] }]);
  });

  it('of an address book are a name and an address each, the preferred one, and nothing else of it', async () => {
    const [table] = await tablesOf(
      contacts(
        ...person(
          '3.0',
          'N:Wren;Tove;;;',
          'FN:Tove Wren',
          'TEL;TYPE=CELL:+00 555 0101',
          'BDAY:1980-02-03',
          'item1.ADR;TYPE=work:;;1 Pier;Marrowby;;;',
          'item2.ADR;TYPE=home;TYPE=pref:;Flat 2;3 Saltmarsh',
          '  Lane;Marrowby;Shire;MB1 2AA;Homeland\\, the',
          'PHOTO;ENCODING=b;TYPE=JPEG:AAAA',
          ' BBBB',
        ),
        ...person('4.0', 'FN:Őry Holm', 'ADR;TYPE=work:;;9 Yard;Elsewhere;;;', 'ADR;TYPE=home:;;4 Quay;Marrowby;;;'),
        ...person('4.0', 'N:;;;;', 'ORG:Harbour\\; Shop;Books'),
        ...person('4.0', 'TEL:+00 555 0199'),
      ),
    );
    expect(table!.rows).to.deep.equal([
      ['name', 'first name', 'family name', 'organisation', 'street', 'town', 'region', 'postcode', 'country'],
      ['Tove Wren', 'Tove', 'Wren', '', 'Flat 2, 3 Saltmarsh Lane', 'Marrowby', 'Shire', 'MB1 2AA', 'Homeland, the'],
      ['Őry Holm', '', '', '', '4 Quay', 'Marrowby', '', '', ''],
      ['Harbour; Shop', '', '', 'Harbour; Shop', '', '', '', '', ''],
    ]);
  });

  it('of an older telephone are read too: quoted letters, lines that go on, bare parameters', async () => {
    const [table] = await tablesOf(
      contacts(
        ...person(
          '2.1',
          'N;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:=C5=90ry;Ren=C3=A9e;;;',
          'FN;CHARSET=ISO-8859-1;QUOTED-PRINTABLE:Ren=E9e =',
          'Holm',
          'ADR;WORK:;;1 Pier;Far;;;',
          'ADR;HOME;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:;;4 Quay=0D=0AStair B;Marrowby;;;',
        ),
      ),
    );
    expect(table!.rows[1]).to.deep.equal(['Renée Holm', 'Renée', 'Őry', '4 Quay, Stair B', 'Marrowby']);
  });

  it('that nobody can read are refused in a sentence that says what to do', async () => {
    expect(await whyNot(contacts('BEGIN:VCARD', 'VERSION:3.0', 'FN:Wren'))).to.match(/^The address book breaks off/);
    expect(await whyNot(contacts(...person('3.0', 'TEL:1')))).to.match(/^The address book has nobody with a name/);
    expect(await whyNot(zipSync({ 'word/document.xml': strToU8('<a/>') }))).to.match(/^This is no list/);
    expect(await whyNot(zipSync({ '[Content_Types].xml': strToU8('<a/>') }))).to.match(
      /^The spreadsheet cannot be read/,
    );
    expect(await whyNot(xlsxOf([]))).to.match(/^The list is empty/);
    const broken = kept('guests.ods');
    const content = Buffer.from(broken).indexOf('content.xml');
    // The bits after its name: what they say of how they are packed is nonsense.
    broken.fill(0xff, content + 40, content + 400);
    expect(await whyNot(broken)).to.match(/damaged/);
    // 80 MB of spaces pack into less than 100 kB.
    const bomb = zipSync({ mimetype: strToU8('x'), 'content.xml': new Uint8Array(80 * 1024 * 1024).fill(32) });
    expect(bomb.length).to.be.below(1024 * 1024);
    expect(await whyNot(bomb)).to.match(/unpacks to more than 64 MB/);
  });

  it('cut off anywhere or with any bytes changed are taken or refused, never a crash', async () => {
    const whole = [
      kept('guests.xlsx'),
      kept('guests.ods'),
      contacts(...person('3.0', 'N:Wren;Tove;;;', 'ADR:;;a;b;;;')),
    ];
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    await fc.assert(
      fc.asyncProperty(
        fc.nat(2),
        share,
        fc.array(fc.tuple(share, fc.nat(255)), { maxLength: 9 }),
        async (which, length, flips) => {
          const bytes = whole[which]!.slice(0, Math.ceil(Math.max(length, 0.3) * whole[which]!.length));
          for (const [at, value] of flips) bytes[Math.floor(at * (bytes.length - 1))] = value;
          const read = await readTables(bytes, words);
          if (!read.ok) expect(read.why).to.match(/^[A-Z].*[.]$/);
        },
      ),
      { numRuns: runs(200) },
    );
  });
});

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The least that OpenDocument asks of a spreadsheet; spaces in a row are elements, as its programs write them. */
function odsOf(rows: readonly (readonly string[])[], own: readonly string[] = []): Uint8Array {
  const spaced = (text: string): string =>
    escaped(text).replace(/ {2,}/g, (s) => ` <text:s text:c="${s.length - 1}"/>`);
  const cells = (row: readonly string[]): string =>
    row.map((cell) => `<table:table-cell><text:p>${spaced(cell)}</text:p></table:table-cell>`).join('');
  const body = [...rows.map((row) => `<table:table-row>${cells(row)}</table:table-row>`), ...own].join('');
  const parts: Zippable = {
    mimetype: [strToU8('application/vnd.oasis.opendocument.spreadsheet'), { level: 0 }],
    'content.xml': strToU8(
      `<?xml version="1.0"?><office:document-content><office:body><office:spreadsheet><table:table table:name="One &amp; only">${body}</table:table></office:spreadsheet></office:body></office:document-content>`,
    ),
  };
  return zipSync(parts);
}

/** The least that ECMA-376 asks of a workbook, its words in the cells themselves. */
function xlsxOf(rows: readonly (readonly string[])[]): Uint8Array {
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
  const rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  const cells = (row: readonly string[], at: number): string =>
    row
      .map(
        (cell, i) =>
          `<c r="${'ABC'[i]}${at + 1}" t="inlineStr"><is><t xml:space="preserve">${escaped(cell)}</t></is></c>`,
      )
      .join('');
  const sheet = rows.map((row, at) => `<row r="${at + 1}">${cells(row, at)}</row>`).join('');
  return zipSync({
    '[Content_Types].xml': strToU8('<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>'),
    'xl/workbook.xml': strToU8(
      `<workbook xmlns="${main}" xmlns:r="${rel}"><sheets><sheet name="One &amp; only" sheetId="1" r:id="r1"/></sheets></workbook>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="${rel}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet xmlns="${main}"><sheetData>${sheet}</sheetData></worksheet>`),
  });
}
