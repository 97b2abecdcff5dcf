import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import { decide, cardRows, fieldsIn, plural, rowName, type Job, type NamesPlan } from '@zippy/core';
import { useJob } from '../../../stores/job.ts';
import { useView } from '../../../stores/view/index.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { OnOff } from '../../../ui/OnOff.tsx';
import { WordsField } from '../../../ui/fields/WordsField.tsx';
import { PlainButton, Quiet } from '../../../ui/buttons.tsx';
import { Row } from '../../../ui/ModalDialog.tsx';
import { Scroll } from './namesLook.ts';
import { LISTS } from './listKinds.ts';
import { useTakeList } from './useTakeList.tsx';

/** Rows that are drawn at once; a list of thousands is read by its search, not by its scroll. */
const ROWS_SHOWN = 120;

/** A list with headings, taken in from a file or pasted; one card a row. */
export function NamesPanel({ job, names }: { readonly job: Job; readonly names: NamesPlan | null }): ReactNode {
  const change = useJob((s) => s.change);
  const takeAway = useJob((s) => s.takeAway);
  const { showCard } = useView.getState();
  const [pasted, setPasted] = useState('');
  const { takeFile, takePasted, said, chooser } = useTakeList(() => setPasted(''));
  const list = job.names ?? null;
  const rows = list ? cardRows(list) : [];
  const repeats = (list?.repeat ?? []).length > 0;
  const shownRow = names ? rows[names.shown] : undefined;
  const asked = new Set(
    Object.values(job.art.faces)
      .flatMap((face) => face.texts.flatMap((t) => fieldsIn(t.text)))
      .map((field) => field.toLowerCase()),
  );
  return (
    <>
      {list ? (
        <>
          <p>
            {list.rows.length} {plural(list.rows.length, 'row')}, {rows.length} {plural(rows.length, 'card')}. Write{' '}
            {list.columns.map((column) => `{${column}}`).join(', ')} in a block of words and every card gets its own.
          </p>
          <Scroll tabIndex={0} role="region" aria-label="The list">
            <table>
              <thead>
                <tr>
                  {repeats && <th scope="col">Again</th>}
                  {list.columns.map((column) => (
                    <th key={column} scope="col" data-used={asked.has(column.toLowerCase()) || undefined}>
                      {column}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {list.rows.slice(0, ROWS_SHOWN).map((row, i) => (
                  <tr
                    key={i}
                    aria-current={i === shownRow || undefined}
                    onClick={() => rows.includes(i) && showCard(rows.indexOf(i))}
                  >
                    {repeats && (
                      <td>
                        <input
                          type="checkbox"
                          aria-label={`Repeat ${rowName(list, i)} on spare cards`}
                          checked={list.repeat!.includes(i)}
                          onClick={(event) => event.stopPropagation()}
                          onChange={(event) => {
                            const next = event.target.checked
                              ? [...list.repeat!, i].sort((a, b) => a - b)
                              : list.repeat!.filter((one) => one !== i);
                            change([decide((job) => job.names.repeat, next)]);
                          }}
                        />
                      </td>
                    )}
                    {row.map((cell, k) => (
                      <td key={list.columns[k]}>{cell}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </Scroll>
          {list.rows.length > ROWS_SHOWN && <p>and {list.rows.length - ROWS_SHOWN} more rows.</p>}
        </>
      ) : (
        <p>One card a row: from a spreadsheet (XLSX, ODS, CSV) or an address book (vCard), or pasted from either.</p>
      )}
      {list && (
        <>
          <OnOff
            label="The list decides how many are made"
            value={list.decides !== false}
            onChange={(decides) => change([decide((job) => job.names.decides, decides)])}
          />
          <Choice
            label="Spare cards"
            value={(list.repeat ?? []).length > 0 ? 'repeat' : 'bare'}
            options={[
              { id: 'bare', name: 'Bare, to write by hand' },
              { id: 'repeat', name: 'Names again' },
            ]}
            onChange={(how) =>
              change([decide((job) => job.names.repeat, how === 'repeat' ? list.rows.map((_, i) => i) : [])])
            }
          />
          {(list.repeat ?? []).length > 0 && (
            <p>
              {list.repeat!.length === list.rows.length
                ? 'In the list’s order, from its start.'
                : `${list.repeat!.length} chosen names in turn.`}{' '}
              Tick those to repeat in the list.
            </p>
          )}
        </>
      )}
      <Row>
        <FileTrigger acceptedFileTypes={LISTS} onSelect={(files) => void takeFile(files?.[0])}>
          <PlainButton>{list ? 'Another list …' : 'A list from a file …'}</PlainButton>
        </FileTrigger>
        {list && (
          <Quiet onPress={() => takeAway([decide((job) => job.names, null)], 'The list of names is off.')}>
            Take the list off
          </Quiet>
        )}
      </Row>
      {!list && (
        <>
          <WordsField
            label="or paste it here"
            rows={4}
            value={pasted}
            onChange={setPasted}
            hint="name, then a line for everybody"
          />
          <PlainButton isDisabled={pasted.trim() === ''} onPress={() => void takePasted(pasted)}>
            Take the pasted list
          </PlainButton>
        </>
      )}
      {said && <p role="alert">{said}</p>}
      {chooser}
    </>
  );
}
