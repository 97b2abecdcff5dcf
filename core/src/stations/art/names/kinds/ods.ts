import { Parser } from 'htmlparser2';
import { LIMITS } from '../../../../job/limits.ts';
import type { ListKind, ReadTables, Table } from '../types.ts';
import { rectangular } from './rectangular.ts';
import { isZip, unpacked, zipHolds } from './zipped.ts';

/** A spreadsheet of OpenDocument (ISO/IEC 26300), sheet by sheet, its cells as they are shown. */
export const ODS: ListKind = {
  knows: (bytes) => isZip(bytes) && zipHolds(bytes, 'content.xml') && zipHolds(bytes, 'mimetype'),
  read: readOds,
};

function readOds(bytes: Uint8Array): ReadTables {
  const opened = unpacked(bytes, ({ name }) => name === 'content.xml');
  if (!opened.ok) return opened;
  const tables = tablesOf(new TextDecoder().decode(opened.parts['content.xml']));
  return tables.length > 0
    ? { ok: true, tables, plain: false, note: null }
    : { ok: false, why: 'This document has no sheets; choose a spreadsheet, or save its list as CSV.' };
}

/** How often a row or a cell stands there; a sheet's empty rest is written as one that stands there a million times. */
const timesOf = (attribute: string | undefined, most: number): number => {
  const times = Number(attribute ?? 1);
  return Number.isInteger(times) && times > 0 ? Math.min(times, most) : 1;
};

const repeated = <T>(one: T, times: number): readonly T[] => Array.from({ length: times }, () => one);

/**
 * Sheets, rows and cells by their elements. A cell's paragraphs are lines of it; notes on it are nobody's name. What a
 * row repeats is counted up to one more than a list may have, so that a list that is too long is still seen as that.
 */
function tablesOf(xml: string): readonly Table[] {
  const tables: { name: string; rows: (readonly string[])[] }[] = [];
  let [row, cell]: [string[], string[] | null] = [[], null];
  let [rowTimes, cellTimes, notes] = [1, 1, 0];
  let inParagraph = false;
  const parser = new Parser(
    {
      onopentag: (name, attributes) => {
        if (name === 'office:annotation') notes += 1;
        else if (name === 'table:table') tables.push({ name: attributes['table:name'] ?? '', rows: [] });
        else if (name === 'table:table-row') {
          row = [];
          rowTimes = timesOf(attributes['table:number-rows-repeated'], LIMITS.names.rows + 2);
        } else if (name === 'table:table-cell' || name === 'table:covered-table-cell') {
          cell = [];
          cellTimes = timesOf(attributes['table:number-columns-repeated'], LIMITS.names.columns + 1);
        } else if (cell && notes === 0 && name === 'text:p') {
          cell.push('');
          inParagraph = true;
        } else if (inParagraph && notes === 0) add(inBetween(name, attributes));
      },
      ontext: (text) => inParagraph && notes === 0 && add(text),
      onclosetag: (name) => {
        if (name === 'office:annotation') notes -= 1;
        else if (name === 'text:p') inParagraph = notes > 0 && inParagraph;
        else if (cell && (name === 'table:table-cell' || name === 'table:covered-table-cell')) {
          if (row.length <= LIMITS.names.columns) row.push(...repeated(cell.join('\n').trim(), cellTimes));
          cell = null;
        } else if (name === 'table:table-row') {
          const rows = tables.at(-1)?.rows;
          if (rows && rows.length <= LIMITS.names.rows + 1) rows.push(...repeated(row, rowTimes));
        }
      },
    },
    { xmlMode: true },
  );
  const add = (text: string): void => {
    if (cell && cell.length > 0) cell[cell.length - 1] += text;
  };
  parser.end(xml);
  return tables.map(({ name, rows }) => ({ name, rows: rectangular(rows) }));
}

/** Spaces in a row, tabs and breaks are elements of their own. */
function inBetween(name: string, attributes: Readonly<Record<string, string>>): string {
  if (name === 'text:s') return ' '.repeat(timesOf(attributes['text:c'], LIMITS.names.cell));
  if (name === 'text:tab') return ' ';
  return name === 'text:line-break' ? '\n' : '';
}
