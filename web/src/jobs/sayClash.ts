import { cutText, formatLength, sayMoney, type Clash, type Spoken } from '@zippy/core';

/** Units that stand at the end of a field’s name; a maker reads them with the value. */
const UNIT = /(Mm|Pt|Minor|Micron|Deg)$/;

/** Where a decision is, in words: “art › front › Supper at six › size”. */
export const sayPlace = ({ place }: Clash): string =>
  place
    .map((step) =>
      step
        .split(', ')
        .map((name) => (/^[a-z]+([A-Z][a-z]*)+$/.test(name) ? inWords(name) : name))
        .join(' and '),
    )
    .join(' › ');

const inWords = (name: string): string =>
  name.replace(UNIT, '').replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** What a decision came to on one side, in a few words. */
export function sayValue(value: unknown, field: string, spoken: Spoken): string {
  if (value === undefined) return 'taken away';
  if (value === null) return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return sayNumber(value, field, spoken);
  if (typeof value === 'string') return cutText(value, 60);
  const fields = Object.entries(value);
  // Fields of one decision, and small things; a large one says what it is.
  return cutText(
    fields
      .filter(([, one]) => typeof one !== 'object' || one === null)
      .map(([name, one]) => sayValue(one, name, spoken))
      .join(', ') || `${fields.length} of them`,
    60,
  );
}

function sayNumber(value: number, field: string, spoken: Spoken): string {
  if (field.endsWith('Mm')) return formatLength(value, spoken.unit);
  if (field.endsWith('Minor')) return sayMoney(value, spoken);
  return String(value);
}
