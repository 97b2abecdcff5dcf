import Joi from 'joi';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** An id as this server writes it: other spellings of the same number would be other names for one thing. */
export const ID = Joi.string()
  .pattern(UUID)
  .messages({ 'string.pattern.base': 'wants an id of 36 letters and dashes' });
export const isId = (value: unknown): value is string => typeof value === 'string' && UUID.test(value);

/** Versions count in 32 bits in the database. */
export const INT32_MOST = 2_147_483_647;
export const VERSION = Joi.number().integer().min(1).max(INT32_MOST);

/** Whatever is done here is done in these two centuries: others are a clock gone wrong, and some the database cannot hold. */
export const inOurTime: Joi.CustomValidator<string> = (value, helpers) => {
  const year = new Date(value).getUTCFullYear();
  return year >= 2000 && year < 2200 ? value : helpers.error('string.isoDate');
};
