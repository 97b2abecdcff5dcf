import { readTypeface } from '@zippy/core/typefaces';
import { newGlyph, openDocument } from './kit.ts';

/**
 * Writes a file with some letters of a font in it, as sheets are written, and lets it go.
 * @throws Error when they cannot stand in one
 */
export async function tryFont(font: Uint8Array, letters: string): Promise<void> {
  const doc = openDocument('Letters', null);
  const ended = new Promise<void>((done, failed) => doc.once('end', () => done()).once('error', failed));
  doc.resume();
  doc.registerFont('tried', Buffer.from(font));
  doc.font('tried');
  for (const { id, chars } of readTypeface('tried', font).shape(letters)) newGlyph(doc._font, id, chars);
  doc._font.ref();
  doc.end();
  await ended;
}
