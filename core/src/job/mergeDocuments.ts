/** A decision that was changed here and elsewhere, to different ends. */
export interface Clash {
  /** Tells it from others of the same document, and stays the same as long as both do. */
  readonly key: string;
  /** Where it is, from the top, things by their own names. */
  readonly place: readonly string[];
  /** Undefined where it was taken away. */
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged<T> {
  readonly value: T;
  readonly clashes: readonly Clash[];
}

/**
 * Joins two documents that were changed from the same one: whatever one of them changed stands, whichever it was. Lists of
 * things with ids are joined thing by thing, other lists as a whole unless only their cells differ.
 * @param base what both were changed from; undefined where that is not known any more, and then all that differs clashes
 * @param theirsAt keys of clashes in which theirs is to stand; mine stands in the others
 * @returns the joined document, with mine where both changed the same decision, and those decisions
 */
export function mergeDocuments<T>(
  base: T | undefined,
  mine: T,
  theirs: T,
  theirsAt: ReadonlySet<string> = new Set(),
): Merged<T> {
  const clashes: Clash[] = [];
  const at = { ids: [], names: [] };
  const value = merge(base, mine, theirs, at, (clash) => {
    clashes.push(clash);
    return theirsAt.has(clash.key);
  });
  return { value: value as T, clashes };
}

/** Fields that make one decision together: half of one and half of the other would be neither. */
const TOGETHER: readonly (readonly string[])[] = [
  ['printerId', 'pathId'],
  ['finishedWidthMm', 'finishedHeightMm'],
  ['leftMm', 'topMm'],
  ['widthMm', 'heightMm'],
  ['zoom', 'focusX', 'focusY'],
];

interface Place {
  readonly ids: readonly string[];
  readonly names: readonly string[];
}
/** Notes a clash. @returns whether theirs is to stand */
type Ask = (clash: Clash) => boolean;
type Fields = Readonly<Record<string, unknown>>;
type Thing = Fields & { readonly id: string };

function merge(base: unknown, mine: unknown, theirs: unknown, at: Place, ask: Ask): unknown {
  if (isSame(mine, theirs) || isSame(base, theirs)) return mine;
  if (isSame(base, mine)) return theirs;
  if (isFields(mine) && isFields(theirs) && isOneKind(base, mine, theirs))
    return mergeFields(isFields(base) ? base : {}, mine, theirs, at, ask);
  if (isThings(mine) && isThings(theirs)) return mergeThings(isThings(base) ? base : [], mine, theirs, at, ask);
  if (isList(base) && isList(mine) && isList(theirs) && base.length === mine.length && mine.length === theirs.length)
    return mine.map((item, i) => merge(base[i], item, theirs[i], step(at, String(i), String(i + 1)), ask));
  return ask(clashOf(at, mine, theirs)) ? theirs : mine;
}

function mergeFields(base: Fields, mine: Fields, theirs: Fields, at: Place, ask: Ask): Fields {
  const merged: Record<string, unknown> = {};
  const put = (key: string, value: unknown): void => void (value !== undefined && (merged[key] = value));
  const done = new Set<string>();
  for (const keys of unitsOf(base, mine, theirs)) {
    const of = (fields: Fields): Fields => Object.fromEntries(keys.map((key) => [key, own(fields, key)]));
    const [was, here, there] = [of(base), of(mine), of(theirs)];
    const theirsStand =
      !isSame(here, there) &&
      !isSame(was, there) &&
      (isSame(was, here) || ask(clashOf(step(at, keys[0]!, keys.join(', ')), here, there)));
    for (const key of keys) {
      put(key, own(theirsStand ? theirs : mine, key));
      done.add(key);
    }
  }
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)]))
    if (!done.has(key)) put(key, merge(own(base, key), own(mine, key), own(theirs, key), step(at, key, key), ask));
  return merged;
}

/** Which fields of a record are one decision. A list whose columns changed is one too: its rows have a cell for each. */
function unitsOf(base: Fields, mine: Fields, theirs: Fields): readonly (readonly string[])[] {
  const all = [base, mine, theirs];
  const units = TOGETHER.filter((keys) => keys.every((key) => all.some((fields) => own(fields, key) !== undefined)));
  const columns = all.map((fields) => own(fields, 'columns'));
  return columns.every((one) => isSame(one, columns[0])) ? units : [...units, ['columns', 'rows']];
}

function mergeThings(
  base: readonly Thing[],
  mine: readonly Thing[],
  theirs: readonly Thing[],
  at: Place,
  ask: Ask,
): readonly unknown[] {
  const find = (list: readonly Thing[], id: string): Thing | undefined => list.find((thing) => thing.id === id);
  const merged = new Map<string, unknown>();
  for (const id of new Set([...mine, ...theirs].map((thing) => thing.id))) {
    const [was, here, there] = [find(base, id), find(mine, id), find(theirs, id)];
    const value = merge(was, here, there, step(at, id, nameOf(here ?? there!)), ask);
    if (value !== undefined) merged.set(id, value);
  }
  const idsOf = (list: readonly Thing[]): readonly string[] => list.map(({ id }) => id);
  const inBase = (ids: readonly string[]): readonly string[] => ids.filter((id) => find(base, id));
  const common = idsOf(base).filter((id) => find(mine, id) && find(theirs, id));
  const keptOrder = isSame(
    inBase(idsOf(mine)).filter((id) => find(theirs, id)),
    common,
  );
  // Whoever moved things about has the say; what the other added comes after what it came after there.
  const [first, second] = keptOrder ? [idsOf(theirs), idsOf(mine)] : [idsOf(mine), idsOf(theirs)];
  const order = [...first];
  for (const [i, id] of second.entries())
    if (!order.includes(id)) order.splice(i === 0 ? 0 : order.indexOf(second[i - 1]!) + 1, 0, id);
  return order.filter((id) => merged.has(id)).map((id) => merged.get(id));
}

const step = (at: Place, id: string, name: string): Place => ({
  ids: [...at.ids, id],
  names: [...at.names, name],
});
const clashOf = (at: Place, mine: unknown, theirs: unknown): Clash => ({
  key: at.ids.join('/'),
  place: at.names,
  mine,
  theirs,
});

const own = (fields: Fields, key: string): unknown => (Object.hasOwn(fields, key) ? fields[key] : undefined);
const isList = (value: unknown): value is readonly unknown[] => Array.isArray(value);
const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !isList(value);
const isThings = (value: unknown): value is readonly Thing[] =>
  isList(value) && value.every((item) => isFields(item) && typeof item.id === 'string');

/** Variants of a thing have fields of their own, which must not be mixed. */
const isOneKind = (base: unknown, mine: Fields, theirs: Fields): boolean =>
  own(mine, 'kind') === own(theirs, 'kind') && (!isFields(base) || own(base, 'kind') === own(mine, 'kind'));

/** As a maker would call it. */
function nameOf({ id, name, text }: Thing): string {
  const called = [name, text].find((one): one is string => typeof one === 'string' && one.trim() !== '');
  return called?.trim().split('\n')[0] ?? id;
}

/** Whether two values are the same JSON; the order of fields says nothing. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (isList(a) && isList(b)) return a.length === b.length && a.every((item, i) => isSame(item, b[i]));
  if (!isFields(a) || !isFields(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => isSame(own(a, key), own(b, key)));
}
