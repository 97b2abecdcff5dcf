import { MM_PER_INCH, MM_PER_POINT, type LengthUnit, type Mm } from './types.ts';

export type ParsedLength = { readonly ok: true; readonly mm: Mm } | { readonly ok: false; readonly why: string };

const UNIT_MM: Readonly<Record<string, number>> = {
  mm: 1,
  millimetre: 1,
  millimeter: 1,
  cm: 10,
  centimetre: 10,
  centimeter: 10,
  m: 1000,
  µm: 0.001,
  μm: 0.001,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  "''": MM_PER_INCH,
  '′′': MM_PER_INCH,
  '″': MM_PER_INCH,
  '”': MM_PER_INCH,
  thou: MM_PER_INCH / 1000,
  mil: MM_PER_INCH / 1000,
  ft: 12 * MM_PER_INCH,
  foot: 12 * MM_PER_INCH,
  feet: 12 * MM_PER_INCH,
  "'": 12 * MM_PER_INCH,
  '′': 12 * MM_PER_INCH,
  '’': 12 * MM_PER_INCH,
  pt: MM_PER_POINT,
};

type Token =
  | { readonly kind: 'number'; readonly value: number; readonly unit: string | null }
  | { readonly kind: 'symbol'; readonly symbol: string };

/** A value on its way through the sum; `power` is 1 for a length, 0 for a bare number. */
type Quantity = { readonly value: number; readonly power: 0 | 1 };

class Unreadable extends Error {}

/**
 * Reads a length as makers write it: `5 1/2`, `5½ in`, `5-1/2"`, `139,7mm`, `8.5in/2 - 3mm`.
 * A bare number takes `unit`; bare numbers that multiply or divide a length stay bare.
 * @returns millimetres, or one sentence saying what could not be read
 */
export function parseLength(text: string, unit: LengthUnit): ParsedLength {
  try {
    const sum = new Sum(tokenise(text), UNIT_MM[unit]!);
    const mm = sum.read();
    if (!Number.isFinite(mm)) throw new Unreadable('that divides by zero');
    return { ok: true, mm };
  } catch (problem) {
    if (problem instanceof Unreadable) return { ok: false, why: problem.message };
    throw problem;
  }
}

const EXAMPLES = 'try 5 1/2 in, 139.7 mm or 8.5in/2 - 3mm';

function tokenise(raw: string): readonly Token[] {
  // Vulgar fractions decompose to digits round U+2044; a whole number before one needs a space.
  let rest = raw
    .replace(/(\d)(?=[¼-¾⅐-⅞])/g, '$1 ')
    // Decomposing would split a double prime in two; it is one mark here.
    .replaceAll('″', '"')
    .normalize('NFKD')
    .replaceAll('\u2044', '/')
    .replaceAll('−', '-')
    .replaceAll('×', '*')
    .replaceAll('÷', '/')
    .trim();
  if (rest === '') throw new Unreadable(`nothing is typed; ${EXAMPLES}`);
  const tokens: Token[] = [];
  const number = /^(?:(\d+)(?:\s+|-)(\d+)\/(\d+)|(\d+)\/(\d+)(?![\d.,])|(\d+(?:[.,]\d+)?|[.,]\d+))/;
  const unitName =
    /^\s*(inch(?:es)?|in|(?:milli|centi)met(?:re|er)s?|mm|cm|ft|foot|feet|pt|thou|mils?|[µμ]m|m|''|′′|"|”|'|′|’)(?![a-z])\.?/i;
  while (rest !== '') {
    const found = number.exec(rest);
    if (found) {
      rest = rest.slice(found[0].length);
      const [, whole, top, bottom, plainTop, plainBottom, decimal] = found;
      const value =
        whole !== undefined
          ? Number(whole) + Number(top) / Number(bottom)
          : plainTop !== undefined
            ? Number(plainTop) / Number(plainBottom)
            : Number(decimal!.replace(',', '.'));
      const named = unitName.exec(rest);
      if (named) rest = rest.slice(named[0].length);
      const unit = named ? named[1]!.toLowerCase().replace(/(?<=met(?:re|er)|mil)s$/, '') : null;
      // “1 ft 3 in” and “5 in 1/2” are sums without a sign; the half takes the unit before it.
      const before = tokens.at(-1);
      if (before?.kind === 'number' && before.unit) {
        tokens.push({ kind: 'symbol', symbol: '+' });
        tokens.push({ kind: 'number', value, unit: unit ?? before.unit });
      } else tokens.push({ kind: 'number', value, unit });
    } else if (/^[-+*/()x]/i.test(rest)) {
      tokens.push({ kind: 'symbol', symbol: rest[0]!.toLowerCase() === 'x' ? '*' : rest[0]! });
      rest = rest.slice(1);
    } else {
      const word = /^\S+/.exec(rest)![0];
      throw new Unreadable(`“${word}” is not a number or a unit; ${EXAMPLES}`);
    }
    rest = rest.trimStart();
  }
  return tokens;
}

/** Sum → Product (± Product)*, Product → Factor (×÷ Factor)*, Factor → number | ( Sum ) | −Factor. */
class Sum {
  private at = 0;
  constructor(
    private readonly tokens: readonly Token[],
    private readonly bareMm: number,
  ) {}

  read(): number {
    const total = this.sum();
    if (this.at < this.tokens.length) throw new Unreadable(`there is something left over; ${EXAMPLES}`);
    return this.asLength(total).value;
  }

  private asLength(quantity: Quantity): Quantity {
    return quantity.power === 1 ? quantity : { value: quantity.value * this.bareMm, power: 1 };
  }

  private symbol(...wanted: string[]): string | null {
    const token = this.tokens[this.at];
    if (token?.kind !== 'symbol' || !wanted.includes(token.symbol)) return null;
    this.at += 1;
    return token.symbol;
  }

  private sum(): Quantity {
    let total = this.product();
    for (let sign = this.symbol('+', '-'); sign; sign = this.symbol('+', '-')) {
      let next = this.product();
      if (total.power !== next.power) [total, next] = [this.asLength(total), this.asLength(next)];
      total = { value: sign === '+' ? total.value + next.value : total.value - next.value, power: total.power };
    }
    return total;
  }

  private product(): Quantity {
    let total = this.factor();
    for (let sign = this.symbol('*', '/'); sign; sign = this.symbol('*', '/')) {
      const next = this.factor();
      if (sign === '*') {
        if (total.power + next.power > 1) throw new Unreadable('that multiplies a length by a length');
        total = { value: total.value * next.value, power: total.power === 1 || next.power === 1 ? 1 : 0 };
      } else {
        if (next.power === 1) throw new Unreadable('that divides by a length');
        total = { value: total.value / next.value, power: total.power };
      }
    }
    return total;
  }

  private factor(): Quantity {
    if (this.symbol('-')) {
      const next = this.factor();
      return { value: -next.value, power: next.power };
    }
    if (this.symbol('(')) {
      const inner = this.sum();
      if (!this.symbol(')')) throw new Unreadable('a bracket is not closed');
      const unit = this.tokens[this.at];
      if (unit?.kind === 'number') throw new Unreadable(`an operator is missing after the bracket; ${EXAMPLES}`);
      return inner;
    }
    const token = this.tokens[this.at];
    if (token?.kind !== 'number') throw new Unreadable(`a number is missing; ${EXAMPLES}`);
    this.at += 1;
    if (!token.unit) return { value: token.value, power: 0 };
    return { value: token.value * UNIT_MM[token.unit]!, power: 1 };
  }
}
