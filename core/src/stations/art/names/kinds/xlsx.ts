import { zipSync } from 'fflate';
import readXlsxFile from 'read-excel-file/universal';
import { localeOf } from '../../../../ground/money.ts';
import type { CellWords, ListKind, ReadTables, Table } from '../types.ts';
import { rectangular } from './rectangular.ts';
import { isZip, unpacked, zipHolds } from './zipped.ts';

/** A workbook of Office Open XML (ECMA-376), sheet by sheet. */
export const XLSX: ListKind = {
  knows: (bytes) => isZip(bytes) && zipHolds(bytes, '[Content_Types].xml'),
  read: readXlsx,
};

/** What the reader keeps of a cell: it makes dates of numbers that are shown as dates. */
type Cell = string | number | boolean | Date | null;

async function readXlsx(bytes: Uint8Array, words: CellWords): Promise<ReadTables> {
  const opened = unpacked(bytes, ({ name }) => /\.(xml|rels)$/.test(name));
  if (!opened.ok) return opened;
  try {
    // Handed on as it was unpacked here, under its limit: the reader would unpack whatever there is.
    const plain = zipSync(opened.parts, { level: 0 });
    const sheets = await readXlsxFile(plain.buffer);
    const tables = sheets.map(({ sheet, data }): Table => ({
      name: sheet,
      rows: rectangular((data as unknown as Cell[][]).map((row) => row.map((cell) => wordsOf(cell, words)))),
    }));
    return { ok: true, tables, plain: false, note: null };
  } catch {
    return {
      ok: false,
      why: 'The spreadsheet cannot be read; open it in its program, save it again as XLSX or as CSV, and take that in.',
    };
  }
}

/** Seventeen digits are kept of every number, of which fifteen are shown: 0.1 + 0.2 is 0.3 to whoever typed it. */
function wordsOf(cell: Cell, { region }: CellWords): string {
  if (cell === null) return '';
  if (typeof cell === 'number') return String(Number(cell.toPrecision(15)));
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no';
  // A day has no time of day, and is the same day wherever it is read: the reader gives it at midnight in Greenwich.
  if (cell instanceof Date)
    return new Intl.DateTimeFormat(localeOf(region), { dateStyle: 'long', timeZone: 'UTC' }).format(cell);
  return cell.trim();
}
