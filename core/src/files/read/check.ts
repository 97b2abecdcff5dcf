import type Joi from 'joi';
import type { Job } from '../../job/types.ts';
import { jobSchema } from './jobSchema.ts';
import { workshopSchema, type StoredWorkshop } from './workshopSchema.ts';

export type Checked<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly field: string; readonly why: string };

/** Checks a body and says the first thing wrong in one sentence that names the field and the remedy. */
export function check<T>(schema: Joi.Schema, value: unknown, name = 'the body'): Checked<T> {
  const result = schema.validate(value, {
    abortEarly: true,
    convert: true,
    errors: { label: false, wrap: { label: false } },
  });
  if (!result.error) return { ok: true, value: result.value as T };
  const [detail] = result.error.details;
  const field = detail!.path.join('.') || name;
  return { ok: false, field, why: `${field} ${sentence(detail!)}.` };
}

function sentence(detail: Joi.ValidationErrorItem): string {
  const context = detail.context ?? {};
  switch (detail.type) {
    case 'any.required':
      return 'is missing; add it';
    case 'any.only':
      return `wants one of ${(context.valids as unknown[]).map(String).join(', ')}; got ${JSON.stringify(context.value)}`;
    case 'object.unknown':
      return 'is not a field here; take it out or check its spelling';
    case 'object.base':
      return 'wants an object in curly brackets';
    case 'object.missing':
      return 'wants a file, its data or its sha256';
    case 'array.base':
      return 'wants a list in square brackets';
    case 'array.min':
      return `wants at least ${context.limit as number}`;
    case 'array.unique':
      return 'stands twice; give every one an id of its own';
    case 'array.max':
      return `wants at most ${context.limit as number}`;
    case 'number.base':
      return `wants a number; got ${JSON.stringify(context.value)}`;
    case 'number.integer':
      return `wants a whole number; got ${JSON.stringify(context.value)}`;
    case 'number.min':
      return `wants ${context.limit as number} or more; got ${JSON.stringify(context.value)}`;
    case 'number.max':
      return `wants ${context.limit as number} or less; got ${JSON.stringify(context.value)}`;
    case 'string.base':
      return `wants text in quotes; got ${JSON.stringify(context.value)}`;
    case 'string.empty':
    case 'string.min':
      return 'is empty; type something';
    case 'string.max':
      return `is longer than ${context.limit as number} letters; shorten it`;
    default:
      return detail.message.replace(/\.$/, '');
  }
}

export const checkJob = (value: unknown): Checked<Job> => check<Job>(jobSchema, value, 'the job');
export const checkWorkshop = (value: unknown): Checked<StoredWorkshop> =>
  check<StoredWorkshop>(workshopSchema, value, 'the workshop');
