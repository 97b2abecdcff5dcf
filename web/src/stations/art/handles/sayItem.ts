import { cutText, type LaidItem } from '@zippy/core';

/** What a thing is, in a word or two and its own words. */
export function sayItem(item: LaidItem): string {
  switch (item.kind) {
    case 'text':
      return `Words: ${cutText(item.block.text.replaceAll('\n', ' '), 40) || '(empty)'}`;
    case 'picture':
      return 'Picture in a frame';
    case 'code':
      return 'Code to scan';
    case 'rule':
      return 'Rule';
    case 'ornament':
      return `Ornament: ${item.object.ornament}`;
  }
}
