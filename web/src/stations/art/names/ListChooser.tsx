import { useState, type ReactNode } from 'react';
import { Checkbox } from 'react-aria-components';
import { cardRows, likelyHeading, namedColumns, namesFrom, plural, type NamesList, type Table } from '@zippy/core';
import { Pick } from '../../../ui/Pick.tsx';
import { SeekField } from '../../../ui/SeekField.tsx';
import { DoNow, PlainButton, Quiet } from '../../../ui/buttons.tsx';
import { ModalDialog, Row } from '../../../ui/ModalDialog.tsx';
import { Chooser, Grid } from './chooserLook.ts';

/** Rows that are drawn at once; who is further down is found by a word. */
const ROWS_SHOWN = 60;

/** What of one table is taken; columns and rows by their place in it. */
interface Taking {
  readonly heading: number;
  readonly columns: readonly number[];
  readonly left: ReadonlySet<number>;
}

/** Beside a list a workbook has sums and remarks, which are shorter. */
const longest = (tables: readonly Table[]): number =>
  tables.reduce((best, { rows }, i) => (rows.length > tables[best]!.rows.length ? i : best), 0);

const likely = ({ rows }: Table): Taking => under(rows, likelyHeading(rows));
const under = (rows: Table['rows'], heading: number): Taking => ({
  heading,
  columns: namedColumns(rows[heading] ?? []),
  left: new Set(),
});

/** A spreadsheet or an address book as it stands: which sheet, which row names the columns, which columns and rows. */
export default function ListChooser({
  title,
  tables,
  note,
  onTaken,
  onClose,
}: {
  readonly title: string;
  readonly tables: readonly Table[];
  readonly note: string | null;
  readonly onTaken: (names: NamesList) => void;
  readonly onClose: () => void;
}): ReactNode {
  const [at, setAt] = useState(() => longest(tables));
  const table = tables[at]!;
  const [taking, setTaking] = useState<Taking>(() => likely(table));
  const [sought, setSought] = useState('');
  const keeps = (row: number): boolean => !taking.left.has(row);
  const found = namesFrom(table.rows, { ...taking, keeps });
  const cards = found.ok ? cardRows(found.names).length : 0;
  const below = table.rows.flatMap((row, i) => (i > taking.heading && row.some((cell) => cell !== '') ? [i] : []));
  return (
    <ModalDialog title={`Which part of ${title} is the list?`} isOpen onClose={onClose} wide>
      <Chooser>
        {note && <p role="status">{note}</p>}
        <div className="asks">
          {tables.length > 1 && (
            <Pick
              label="Sheet"
              value={String(at)}
              sections={[
                {
                  heading: null,
                  options: tables.map(({ name, rows }, i) => ({
                    id: String(i),
                    name: name || `Sheet ${i + 1}`,
                    note: `${rows.length} ${plural(rows.length, 'row')}`,
                  })),
                },
              ]}
              onChange={(id) => {
                setAt(Number(id));
                setTaking(likely(tables[Number(id)]!));
              }}
            />
          )}
          <SeekField label="Find in it" value={sought} onChange={setSought} />
          <Row>
            <Quiet onPress={() => setTaking({ ...taking, left: new Set() })}>All rows</Quiet>
            <Quiet onPress={() => setTaking({ ...taking, left: new Set(below) })}>No rows</Quiet>
          </Row>
        </div>
        <TableGrid table={table} taking={taking} sought={sought.trim().toLowerCase()} onTaking={setTaking} />
        <div className="foot">
          <p role="status">{found.ok ? sayTaken(found.names, cards) : found.why}</p>
          <Row>
            <PlainButton onPress={onClose}>Leave it</PlainButton>
            <DoNow isDisabled={!found.ok} onPress={() => found.ok && onTaken(found.names)}>
              {found.ok ? `Take ${found.names.rows.length} ${plural(found.names.rows.length, 'row')}` : 'Take the list'}
            </DoNow>
          </Row>
        </div>
      </Chooser>
    </ModalDialog>
  );
}

const sayTaken = ({ columns, rows }: NamesList, cards: number): string =>
  `${columns.join(', ')}: ${rows.length} ${plural(rows.length, 'row')}, ${cards} ${plural(cards, 'card')}.`;

/** The table as its program shows it, with what is taken of it marked. */
function TableGrid({
  table: { rows },
  taking,
  sought,
  onTaking,
}: {
  readonly table: Table;
  readonly taking: Taking;
  readonly sought: string;
  readonly onTaking: (taking: Taking) => void;
}): ReactNode {
  const headings = rows[taking.heading] ?? [];
  const namable = namedColumns(headings);
  const shown = rows.flatMap((row, i) => {
    const matches = sought === '' || i <= taking.heading || row.some((cell) => cell.toLowerCase().includes(sought));
    return matches && row.some((cell) => cell !== '') ? [i] : [];
  });
  const some = shown.slice(0, ROWS_SHOWN);
  return (
    <>
      <Grid tabIndex={0} role="region" aria-label="The list as it stands in its file">
        <table>
          <thead>
            <tr>
              <th scope="col">Headings</th>
              <th scope="col">Take</th>
              {headings.map((heading, column) => (
                <th key={column} scope="col">
                  {namable.includes(column) && (
                    <Tick
                      label={`Take the column ${heading}`}
                      on={taking.columns.includes(column)}
                      onChange={(on) => onTaking({ ...taking, columns: joined(taking.columns, column, on) })}
                    />
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {some.map((i) => (
              <tr key={i} data-is={i < taking.heading ? 'above' : i === taking.heading ? 'heading' : undefined}>
                <td>
                  <label className="pick">
                    <input
                      type="radio"
                      name="heading"
                      checked={i === taking.heading}
                      aria-label={`Row ${i + 1} names the columns`}
                      onChange={() => onTaking(under(rows, i))}
                    />
                    <span aria-hidden>{i + 1}</span>
                  </label>
                </td>
                <td>
                  {i > taking.heading && (
                    <Tick
                      label={`Take row ${i + 1}: ${rows[i]!.find((cell) => cell !== '') ?? ''}`}
                      on={!taking.left.has(i)}
                      onChange={(on) => onTaking({ ...taking, left: new Set(joined([...taking.left], i, !on)) })}
                    />
                  )}
                </td>
                {rows[i]!.map((cell, column) => (
                  <td key={column} data-left={!taking.columns.includes(column) || taking.left.has(i) || undefined}>
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Grid>
      {shown.length > some.length && <p>and {shown.length - some.length} more rows; find them by a word.</p>}
    </>
  );
}

/** Kept in the order of the table. */
const joined = (of: readonly number[], one: number, on: boolean): readonly number[] =>
  on ? [...of, one].sort((a, b) => a - b) : of.filter((other) => other !== one);

function Tick({
  label,
  on,
  onChange,
}: {
  readonly label: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}): ReactNode {
  return (
    <Checkbox className="tick" aria-label={label} isSelected={on} onChange={onChange}>
      {({ isSelected }) => <i aria-hidden>{isSelected ? '✓' : ''}</i>}
    </Checkbox>
  );
}
