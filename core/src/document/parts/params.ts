import Joi from 'joi';
import { id, list, object, oneOf, type Rule, rule, whole, within } from '../../rule';
import type { Field } from '../field';
import type { Params, Row, Value } from './value';

/** The rule of one field, from its range or choices: the same description the interface is drawn from. */
function fieldRule(field: Field): Rule<Value> {
  switch (field.type) {
    case 'choice':
      return field.open ? id : oneOf(...field.choices.map((c) => c.value));
    case 'foam':
      return field.own ? rule(Joi.alternatives(Joi.valid(0), within(1, 50).joi)) : within(1, 50);
    case 'rows':
      return list(paramsRule(field.of) as Rule<Row>, { least: field.range[0], most: field.range[1] });
    case 'count':
      return whole(...field.range);
    default:
      return within(...field.range);
  }
}

export const paramsRule = (fields: readonly Field[]): Rule<Params> =>
  object(Object.fromEntries(fields.map((f) => [f.key, fieldRule(f)])));

/** An object of which one key says by what rule another is checked: a form its fields, a kind its values. */
export const chosenBy = <T>(key: string, choices: Iterable<readonly [string, Rule<T>]>): Rule<T> =>
  rule(
    Joi.when(key, {
      switch: [...choices].map(([is, then]) => ({ is, then: then.joi.required() })),
    }),
  );

/** One of several kinds, each with values of its own, told apart by a key. */
export const kindsRule = <T>(
  key: string,
  cases: ReadonlyMap<string, Readonly<Record<string, Rule<unknown>>>>,
): Rule<T> =>
  rule(
    Joi.alternatives().conditional(`.${key}`, {
      switch: [...cases].map(([is, shape]) => ({ is, then: object(shape).joi })),
      otherwise: Joi.object({ [key]: Joi.valid(...cases.keys()).required() }).unknown(),
    }),
  );
