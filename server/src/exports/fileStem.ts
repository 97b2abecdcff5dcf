/** Letters that are no plain one with a sign on it. */
const PLAIN_LETTERS: Readonly<Record<string, string>> = {
  ...{ Ł: 'L', ł: 'l', Ø: 'O', ø: 'o', Đ: 'D', đ: 'd', Ħ: 'H', ħ: 'h', ı: 'i' },
  ...{ ß: 'ss', Æ: 'Ae', æ: 'ae', Œ: 'Oe', œ: 'oe', Þ: 'Th', þ: 'th' },
};

/** File names keep to letters, digits and dashes, so that every system takes them. */
export const fileStem = (title: string): string =>
  title
    .replace(/[ŁłØøĐđßÆæŒœÞþıĦħ]/g, (letter) => PLAIN_LETTERS[letter]!)
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 60) || 'card';
