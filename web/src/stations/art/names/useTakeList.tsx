import { lazy, Suspense, useState, type ReactNode } from 'react';
import { cardRows, decide, likelyHeading, namesFrom, namesTooLarge, type NamesList, type Table } from '@zippy/core';
import { useJob } from '../../../stores/job.ts';
import { useView } from '../../../stores/view/index.ts';
import { useWorkshop } from '../../../stores/workshop.ts';
import { readList } from './readList.ts';

const ListChooser = lazy(() => import('./ListChooser.tsx'));

interface Offered {
  readonly title: string;
  readonly tables: readonly Table[];
  readonly note: string | null;
}

/**
 * Takes a list into the job. Plain text whose first row names the columns is taken as it stands; of a spreadsheet, an
 * address book, or text that is not as plain as that, the maker chooses what of it is the list by looking at it.
 */
export function useTakeList(onTaken: () => void): {
  readonly takeFile: (file: File | undefined) => Promise<void>;
  readonly takePasted: (text: string) => Promise<void>;
  readonly said: string | null;
  /** To be put on the page: the choice of the list, while it is asked for. */
  readonly chooser: ReactNode;
} {
  const change = useJob((s) => s.change);
  const region = useWorkshop((s) => s.workshop?.region);
  const [said, setSaid] = useState<string | null>(null);
  const [offered, setOffered] = useState<Offered | null>(null);
  const put = (names: NamesList, note: string | null): void => {
    const cards = cardRows(names).length;
    change([decide((job) => job.names, names), ...(cards > 0 ? [decide((job) => job.brief.wanted, cards)] : [])]);
    useView.getState().showFirst();
    setOffered(null);
    setSaid(note);
    onTaken();
  };
  const take = async (bytes: Uint8Array, title: string): Promise<void> => {
    const read = await readList(bytes, { region });
    if (!read.ok) return setSaid(read.why);
    const rows = read.tables[0]!.rows;
    const plain = read.plain ? namesFrom(rows, { heading: 0 }) : null;
    if (plain?.ok) return put(plain.names, read.note);
    // What stands wrong in a row is mended in its file; which row names the columns can be said here.
    if (plain?.at === 'rows' && likelyHeading(rows) === 0) return setSaid(plain.why);
    setSaid(null);
    setOffered({ title, tables: read.tables, note: read.note });
  };
  const takeFile = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const large = namesTooLarge(file.size);
    if (large) return setSaid(large);
    // A file may be gone, or on a disk that is, since it was chosen.
    const bytes = await file.arrayBuffer().catch(() => null);
    if (!bytes) return setSaid(`${file.name} cannot be opened any more; choose it again.`);
    await take(new Uint8Array(bytes), file.name);
  };
  const chooser = offered && (
    <Suspense fallback={null}>
      <ListChooser {...offered} onTaken={(names) => put(names, offered.note)} onClose={() => setOffered(null)} />
    </Suspense>
  );
  return { takeFile, takePasted: (text) => take(new TextEncoder().encode(text), 'what was pasted'), said, chooser };
}
