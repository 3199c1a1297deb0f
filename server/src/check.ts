import { check } from '@fomrik/core/files/schema';
import Joi from 'joi';
import { HttpError } from './errors';

/** The value, or a 400 that names the field and the allowed range. */
export function checked<T>(schema: Joi.Schema, value: unknown): T {
  const result = check<T>(schema, value ?? {});
  if (result.ok) return result.value;
  throw new HttpError(
    400,
    'invalid',
    result.message,
    result.field === undefined ? {} : { field: result.field },
  );
}

export const idSchema = Joi.string().pattern(/^[A-Za-z0-9_.:-]{1,64}$/);

/** The id in the path; anything that cannot be one is simply not found. */
export function pathId(value: unknown, what: string): string {
  if (typeof value === 'string' && !idSchema.validate(value).error) return value;
  throw new HttpError(404, 'not-found', `There is no such ${what}.`);
}
