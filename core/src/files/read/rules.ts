import Joi from 'joi';
import type { Mm } from '../../ground/length/types.ts';
import { parseLength } from '../../ground/length/parseLength.ts';
import { formatLength } from '../../ground/length/formatLength.ts';
import type { Limits } from '../../ground/limits.ts';

declare const reads: unique symbol;
declare const spared: unique symbol;

/**
 * What lets through values of one type and no other; the type is part of it, so that a schema which forgets a field of a
 * type, adds one, or lets something else through does not compile.
 */
export type Rule<T> = Joi.Schema & { readonly [reads]: (value: T) => T };
/** May be left out, of files and of what is stored. */
export type Spared<T> = Rule<T> & { readonly [spared]: true };

/** A rule for every field of a type, and for none that it lacks; what may be left out of it may be left out here. */
export type FieldsOf<T> = {
  readonly [K in keyof T]-?: undefined extends T[K] ? Spared<Exclude<T[K], undefined>> : Rule<T[K]>;
};
interface Tagged {
  readonly kind: string;
}
type KindsOf<T extends Tagged> = {
  readonly [K in T['kind']]: FieldsOf<Omit<Extract<T, { readonly kind: K }>, 'kind'>>;
};

const rule = <T>(schema: Joi.Schema): Rule<T> => schema as Rule<T>;

/** Wanted even in a file that leaves other things to their starting values. */
export const required = <T>(of: Rule<T>): Rule<T> => rule(of.required());
export const spare = <T>(of: Rule<T>): Spared<T> => of.optional() as Spared<T>;
/** Left out, it takes this value. */
export const starting = <T>(of: Rule<T>, value: T): Rule<T> => rule(of.default(value as Joi.BasicType));
export const orNull = <T>(of: Rule<T>): Rule<T | null> => rule(of.allow(null));

export const object = <T>(fields: FieldsOf<T>): Rule<T> => rule(Joi.object(fields));
/** What is one of several kinds, each with fields of its own. */
export const oneOfKinds = <T extends Tagged>(kinds: KindsOf<T>): Rule<T> => {
  const names = Object.keys(kinds);
  return rule(
    Joi.object().when('.kind', {
      switch: Object.entries<object>(kinds).map(([kind, fields]) => ({
        is: kind,
        then: Joi.object({ kind: Joi.valid(kind).required(), ...fields }),
      })),
      otherwise: Joi.object({ kind: Joi.valid(...names).required() }).unknown(),
    }),
  );
};
export const record = <T>(key: RegExp | Joi.Schema, of: Rule<T>): Rule<Readonly<Record<string, T>>> =>
  rule(Joi.object().pattern(key as RegExp, of));
/** @param most how many; never fewer than the least */
export const list = <T>(of: Rule<T>, most?: number, least = 0): Rule<readonly T[]> => {
  const all = least > 0 ? Joi.array().min(least) : Joi.array();
  return rule((most === undefined ? all : all.max(most)).items(of));
};

/** A list of things that are told apart by their ids. */
export const things = <T extends { readonly id: string }>(of: Rule<T>, most?: number, least = 0): Rule<readonly T[]> =>
  rule((list(of, most, least) as unknown as Joi.ArraySchema).unique('id'));

export const oneOf = <T extends string | number>(...values: readonly T[]): Rule<T> => rule(Joi.valid(...values));
export const yesOrNo: Rule<boolean> = rule(Joi.boolean());
export const number = ({ least, most }: Limits): Rule<number> => rule(Joi.number().min(least).max(most));
export const whole = ({ least, most }: Limits): Rule<number> => rule(Joi.number().integer().min(least).max(most));
/** From nought to one. */
export const share = number({ least: 0, most: 1 });
export const id: Rule<string> = rule(Joi.string().max(80));
/** May be empty. */
export const words = (most: number): Rule<string> => rule(Joi.string().allow('').max(most));
/** At least a letter. */
export const filled = (most: number): Rule<string> => rule(Joi.string().max(most));
export const name = (most: number): Rule<string> => rule(Joi.string().trim().min(1).max(most));

export const colour: Rule<string> = rule(
  Joi.string()
    .pattern(/^#[0-9a-fA-F]{6}$/)
    .lowercase()
    .messages({
      'string.pattern.base': 'wants a colour such as #36454f',
    }),
);
/** So many capital letters; anything else the platform’s own tables of names would choke on. */
export const code = (letters: number, example: string): Rule<string> =>
  rule(
    Joi.string()
      .pattern(new RegExp(`^[A-Z]{${letters}}$`))
      .messages({ 'string.pattern.base': `wants ${letters} capital letters, such as ${example}` }),
  );

export const day: Rule<string> = rule(
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .custom((value: string, helpers) =>
      // The years in which anybody makes these cards; others are slips of a key.
      Number.isNaN(Date.parse(value)) || value < '1900' || value >= '2200'
        ? helpers.error('string.pattern.base')
        : value,
    )
    .messages({ 'string.pattern.base': 'wants a day such as 2026-12-03' }),
);

/** How every length field begins to describe itself. */
export const LENGTH_SAID = 'A number of millimetres, or text such as "5 1/2 in",';
export const OR_NULL = ', or null';

/** A length field: millimetres as a number, or anything a maker would type as text. */
export const length = ({ least, most }: Limits): Rule<Mm> =>
  rule(
    Joi.any()
      .description(sayLength({ least, most }))
      .custom((value: unknown, helpers) => {
        const parsed =
          typeof value === 'number'
            ? { ok: true as const, mm: value }
            : typeof value === 'string'
              ? parseLength(value, 'mm')
              : null;
        if (!parsed)
          return helpers.message({ custom: 'wants a length: a number of millimetres, or text such as "5 1/2 in"' });
        if (!parsed.ok) return helpers.message({ custom: `cannot be read: ${parsed.why}` });
        if (!(parsed.mm >= least && parsed.mm <= most))
          return helpers.message({
            custom: `wants between ${formatLength(least, 'mm')} and ${formatLength(most, 'mm')}, got ${formatLength(parsed.mm, 'mm')}`,
          });
        return parsed.mm;
      }),
  );
export const lengthOrNull = (limits: Limits): Rule<Mm | null> =>
  rule(
    length(limits)
      .allow(null)
      .description(`${sayLength(limits)}${OR_NULL}`),
  );

const sayLength = ({ least, most }: Limits): string =>
  `${LENGTH_SAID} from ${formatLength(least, 'mm')} to ${formatLength(most, 'mm')}`;
