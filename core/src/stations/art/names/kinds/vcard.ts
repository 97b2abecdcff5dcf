import ICAL from 'ical.js';
import type { ListKind, ReadTables } from '../types.ts';
import { rectangular } from './rectangular.ts';
import { decode } from './text.ts';

/** Contacts of an address book: vCard 3 and 4 (RFC 2426, RFC 6350), and 2.1 as older telephones write it. */
export const VCARD: ListKind = {
  knows: (bytes) => /^\s*begin:vcard\s/i.test(new TextDecoder().decode(bytes.subarray(0, 200)).replace(/^\ufeff/, '')),
  read: readVcard,
};

const COLUMNS = [
  'name',
  'first name',
  'family name',
  'organisation',
  'street',
  'town',
  'region',
  'postcode',
  'country',
] as const;

/** Of what an address book knows, only what is printed is looked at: no telephone, birthday or portrait is taken in. */
const WANTED = /^(?:[\w-]+\.)?(?:BEGIN|END|VERSION|FN|N|ORG|ADR)(?=[;:])/i;

/** A property of jCard (RFC 7095): its name, its parameters, the kind of its value, and the value. */
type Property = readonly [string, Readonly<Record<string, string | readonly string[]>>, string, Value];
type Value = string | readonly (string | readonly string[])[];

function readVcard(bytes: Uint8Array): ReadTables {
  const decoded = decode(bytes);
  if (!decoded.ok) return decoded;
  const lines = linesOf(decoded.text).filter((line) => WANTED.test(line));
  try {
    const read = ICAL.parse(lines.join('\r\n')) as unknown[];
    const cards = (read[0] === 'vcard' ? [read] : read) as readonly (readonly [string, readonly Property[]])[];
    const people = cards.map(([, properties]) => personOf(properties)).filter((person) => person[0] !== '');
    const said = COLUMNS.map((_, i) => people.some((person) => person[i] !== ''));
    const rows = [COLUMNS, ...people].map((row) => row.filter((_cell, i) => said[i]));
    return people.length > 0
      ? { ok: true, tables: [{ name: '', rows: rectangular(rows) }], plain: false, note: decoded.note }
      : { ok: false, why: 'The address book has nobody with a name in it; choose its people, and save them again.' };
  } catch {
    return {
      ok: false,
      why: 'The address book breaks off or is damaged; save it from its program again as vCard, and take that in.',
    };
  }
}

function personOf(properties: readonly Property[]): readonly string[] {
  const find = (name: string): Property | undefined => properties.find(([is]) => is === name);
  const part = (property: Property | undefined, at: number): string => wordsOf(partsOf(property)[at] ?? '');
  const [n, address] = [find('n'), likelyAddress(properties.filter(([is]) => is === 'adr'))];
  const [first, family, organisation] = [part(n, 1), part(n, 0), part(find('org'), 0)];
  const name = part(find('fn'), 0) || [first, family].filter(Boolean).join(' ') || organisation;
  const street = [1, 2].map((at) => part(address, at)).filter(Boolean);
  return [name, first, family, organisation, street.join(', '), ...[3, 4, 5, 6].map((at) => part(address, at))];
}

const partsOf = (property: Property | undefined): Exclude<Value, string> => {
  const value = property?.[3] ?? '';
  return typeof value === 'string' ? [value] : value;
};

/** A line of its own within a part is a comma in an address that is set by its parts. */
const wordsOf = (part: string | readonly string[]): string =>
  (typeof part === 'string' ? [part] : part)
    .flatMap((words) => words.split(/\s*[\r\n]+\s*/))
    .map((words) => words.trim())
    .filter(Boolean)
    .join(', ');

/** The one marked as preferred, else the one at home, else the first: a card goes to where somebody lives. */
function likelyAddress(addresses: readonly Property[]): Property | undefined {
  const is = (what: string) => (property: Property) =>
    [property[1]['type'] ?? []].flat().some((type) => type.toLowerCase() === what) ||
    (what === 'pref' && property[1]['pref'] !== undefined);
  return addresses.find(is('pref')) ?? addresses.find(is('home')) ?? addresses[0];
}

/**
 * Whole lines as vCard 3 would write them. Folded ones are joined (RFC 6350, 3.2); the quoted-printable of 2.1 ends a line
 * that goes on with an equals sign and writes letters as bytes, and its parameters may be bare words.
 */
function linesOf(text: string): readonly string[] {
  const folded = text.replace(/\r\n?/g, '\n').replace(/\n[ \t]/g, '');
  const lines: string[] = [];
  let going = false;
  for (const line of folded.split('\n')) {
    if (going) lines[lines.length - 1] += line;
    else lines.push(line);
    const quoted = /^[^:]*quoted-printable/i.test(lines.at(-1)!);
    going = quoted && line.endsWith('=');
    if (going) lines[lines.length - 1] = lines.at(-1)!.slice(0, -1);
    else if (quoted) lines[lines.length - 1] = unquoted(lines.at(-1)!);
  }
  return lines.map(namedParameters);
}

function unquoted(line: string): string {
  const at = line.indexOf(':');
  const charset = /charset=([\w-]+)/i.exec(line.slice(0, at))?.[1] ?? 'utf-8';
  const bytes = line
    .slice(at + 1)
    .replace(/=([0-9a-f]{2})/gi, (_all, hex: string) => String.fromCharCode(parseInt(hex, 16)));
  const plain = Uint8Array.from(bytes, (letter) => letter.charCodeAt(0));
  return `${line.slice(0, at).replace(/;(?:encoding=)?quoted-printable/i, '')}:${decoderOf(charset)
    .decode(plain)
    .replace(/\r?\n/g, '\\n')}`;
}

/** An encoding that is nobody's is read as what it most likely was meant to be. */
function decoderOf(charset: string): TextDecoder {
  try {
    return new TextDecoder(charset);
  } catch {
    return new TextDecoder();
  }
}

const namedParameters = (line: string): string => {
  const at = line.indexOf(':');
  if (at < 0) return line;
  const [name, ...parameters] = line.slice(0, at).split(';');
  const named = parameters.map((parameter) => (parameter.includes('=') ? parameter : `TYPE=${parameter}`));
  return `${[name, ...named].join(';')}${line.slice(at)}`;
};
