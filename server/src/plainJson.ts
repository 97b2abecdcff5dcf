/** Where in a body something is that no one types, and what. */
export interface OddThing {
  readonly field: string;
  readonly why: string;
}

/** Names under which JavaScript keeps its own things; nothing of ours is called so. */
const ITS_OWN = new Set(['__proto__', 'constructor', 'prototype']);
/** Deeper than any document of ours, and shallow enough for whatever walks it next. */
const DEEPEST = 40;

/**
 * Finds what a database cannot hold as text, or a program would trip over: NUL, half of a letter that is written in
 * two, a name that is JavaScript's own, or nesting without end. Nothing where all is plain.
 */
export function oddThing(value: unknown): OddThing | null {
  const open: { readonly value: unknown; readonly path: readonly string[] }[] = [{ value, path: [] }];
  while (open.length > 0) {
    const { value: thing, path } = open.pop()!;
    if (typeof thing === 'string') {
      const why = textFault(thing);
      if (why) return { field: named(path), why };
      continue;
    }
    if (typeof thing !== 'object' || thing === null) continue;
    if (path.length >= DEEPEST) return { field: named(path.slice(0, 3)), why: 'is nested deeper than anything here' };
    for (const [key, own] of Object.entries(thing)) {
      const faulty = ITS_OWN.has(key) ? 'has a name in it that is not taken here' : textFault(key);
      if (faulty) return { field: named(path), why: faulty };
      open.push({ value: own, path: [...path, key] });
    }
  }
  return null;
}

/** What is wrong with a text, to follow its field's name; null where nothing is. */
function textFault(text: string): string | null {
  if (text.includes('\0')) return 'holds a NUL, which no keyboard types; delete it and type it again';
  return text.isWellFormed() ? null : 'ends or begins in half of a letter; delete it and type it again';
}

/** As a document names its fields: what it travels in is not part of it. */
const named = (path: readonly string[]): string =>
  (/^(document|workshop|file)$/.test(path[0] ?? '') ? path.slice(1) : path).join('.') || 'The body';
