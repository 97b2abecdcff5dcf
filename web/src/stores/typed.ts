import { keptUnder } from '../api/studio.ts';

/**
 * Text that was typed into a field and could not be read, or was left before it was taken: kept for this tab, over
 * stations and reloads, until it is taken or given up. Fields of two studios are two, at whatever address.
 */
const NAME = 'zippy-typed';
const memory = globalThis.sessionStorage as Storage | undefined;

function load(): Map<string, string> {
  try {
    return new Map(Object.entries(JSON.parse(memory?.getItem(NAME) ?? '{}') as Record<string, string>));
  } catch {
    return new Map();
  }
}
const texts = load();

function keep(): void {
  try {
    memory?.setItem(NAME, JSON.stringify(Object.fromEntries(texts)));
  } catch {
    // A full memory keeps what it has; the page itself still knows.
  }
}

export const typedText = {
  get: (field: string): string | null => texts.get(keptUnder(field)) ?? null,
  set(field: string, text: string): void {
    texts.set(keptUnder(field), text);
    keep();
  },
  remove(field: string): void {
    if (texts.delete(keptUnder(field))) keep();
  },
};
