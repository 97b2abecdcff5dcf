import type { Linkage } from './types.ts';

/** Parts that move each other, apart from those that only move with the pages: each set can be solved by itself. */
export function linked({ parts, straps, alike }: Linkage): readonly Linkage[] {
  const leader = new Map(parts.map(({ id }) => [id, id]));
  const find = (id: string): string => {
    const up = leader.get(id)!;
    return up === id ? id : find(up);
  };
  const join = (...ids: readonly (string | null)[]): void => {
    const own = ids.filter((id) => id !== null);
    for (const id of own.slice(1)) leader.set(find(id), find(own[0]!));
  };
  for (const part of parts) for (const { on } of part.joints) join(part.id, on.partId);
  for (const { from, to } of straps) join(from.body.partId, to.body.partId);
  for (const [a, b] of alike) join(a.partId, b.partId);
  const of = (id: string | null): string | null => (id === null ? null : find(id));
  return [...new Set(parts.map(({ id }) => find(id)))].map((lead) => ({
    parts: parts.filter(({ id }) => of(id) === lead),
    straps: straps.filter(({ from, to }) => of(from.body.partId ?? to.body.partId) === lead),
    alike: alike.filter(([{ partId }]) => of(partId) === lead),
  }));
}
