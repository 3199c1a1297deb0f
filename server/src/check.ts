import { check, id, type Rule } from '@fomrik/core/rule';
import { withLiftedDoc } from '@fomrik/core/files/buildFile';
import { HttpError } from './errors';

/** The value, or a 400 that names the field and the allowed range. */
export function checked<T>(rule: Rule<T>, value: unknown): T {
  const result = check(rule, value ?? {});
  if (result.ok) return result.value;
  throw new HttpError(
    400,
    'invalid',
    result.message,
    result.field === undefined ? {} : { field: result.field },
  );
}

/** The same of a body with a document, which an older page in a browser may have written. */
export const checkedWithDoc = <T>(rule: Rule<T>, value: unknown): T => checked(rule, withLiftedDoc(value));

/** The id in the path; anything that cannot be one is simply not found. */
export function pathId(value: unknown, what: string): string {
  const result = check(id, value);
  if (result.ok) return result.value;
  throw new HttpError(404, 'not-found', `There is no such ${what}.`);
}
