import { fail, ok, type Result, firstOf } from '../units';
import { hostileName, hostileSays } from './hostileName';
import type { Rule } from './rule';

/** A value that was checked, or a sentence and the field it is about. */
export type Checked<T> = Result<T> & { field?: string };

/** Checks a value; on failure the sentence names the field's path and the allowed range. */
export function check<T>(rule: Rule<T>, value: unknown): Checked<T> {
  const hostile = hostileName(value);
  if (hostile !== undefined) return { ...fail(hostileSays(hostile)), field: hostile };
  const checked = rule.joi.validate(value, { convert: false, errors: { wrap: { label: '“' } } });
  if (!checked.error) return ok(checked.value as T);
  const detail = firstOf(checked.error.details);
  const field = detail.path.join('.');
  return { ...fail(`${checked.error.message}.`.replace(/“\[ref:.*?\]“/, 'the other value')), field };
}
