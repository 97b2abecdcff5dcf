import encodeQR from 'qr';
import type { CodeContent } from '../../../job/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import { QUIET_MODULES, type Code } from './codePath.ts';

/** In the networks’ own notation these characters take a backslash. */
const escaped = (text: string): string => text.replace(/([\\;,:"])/g, '\\$1');
const card = (text: string): string => text.replace(/([\\;,])/g, '\\$1').replaceAll('\n', '\\n');

/** A contact’s name as it is read: its parts where they were given, or as it was typed whole. */
export const fullName = ({ name, given, family }: CodeContent & { kind: 'contact' }): string =>
  [given, family].filter((part) => part?.trim()).join(' ') || name;

/** The same link with the scheme that telephones need to open it; null where it has one, or is no link at all. */
export function withScheme(url: string): string | null {
  const typed = url.trim();
  if (/^[a-z][a-z0-9+.-]*:/i.test(typed) && !/^[\w.-]+:\d+(\/|$)/.test(typed)) return null;
  return /^[^\s/]+\.[^\s]+$/.test(typed) ? `https://${typed}` : null;
}

/** What is written into a code; a contact card is vCard 3.0 (RFC 2426), which every telephone reads. */
export function codeText(content: CodeContent): string {
  switch (content.kind) {
    case 'link':
      return content.url.trim();
    case 'text':
      return content.text;
    case 'wifi':
      return content.security === 'none'
        ? `WIFI:T:nopass;S:${escaped(content.network)};;`
        : `WIFI:T:${content.security};S:${escaped(content.network)};P:${escaped(content.password)};;`;
    case 'contact': {
      const { name, firm, phone, email } = content;
      const url = content.url.trim();
      const optional = (field: string, value: string): readonly string[] => (value ? [`${field}:${card(value)}`] : []);
      return [
        'BEGIN:VCARD',
        'VERSION:3.0',
        // Family name; given name; and three more that nobody types.
        `N:${card(content.family ?? '')};${card(content.given ?? (content.family ? '' : name))};;;`,
        `FN:${card(fullName(content))}`,
        ...optional('ORG', firm),
        ...optional('TEL', phone),
        ...optional('EMAIL', email),
        ...optional('URL', url),
        'END:VCARD',
      ].join('\r\n');
    }
  }
}

/** The modules of a code and how large one is in a square of a given side, quiet zone and all. */
export function codeOf(content: CodeContent, sideMm: Mm): Code {
  const text = codeText(content);
  if (text === '') return { text, modules: [], moduleMm: 0 };
  // The library always draws some quiet zone; ours is part of the square instead.
  const framed = encodeQR(text, 'raw', { ecc: 'medium', border: 1 });
  const modules = framed.slice(1, -1).map((row) => row.slice(1, -1));
  return { text, modules, moduleMm: sideMm / (modules.length + 2 * QUIET_MODULES) };
}
