import Joi from 'joi';
import { isRealDay } from '../units';

/**
 * What a value must be, and the type of a value that is so: one description from which a type is inferred and by which
 * what comes in is checked.
 * @example
 * const pageRule = object({ size: oneOf('A4', 'A3'), overlapMm: optional(within(0, 40)) });
 * type Page = ValueOf<typeof pageRule>; // { size: 'A4' | 'A3'; overlapMm?: number }
 */
export interface Rule<T> {
  readonly joi: Joi.Schema;
  /** Never there: it carries the type. */
  readonly type?: () => T;
}

/** A key that may be left out. */
interface Optional<T> extends Rule<T> {
  readonly optional: true;
}

export type ValueOf<R> = R extends Rule<infer T> ? T : never;

/** The rules of an object, by key. */
export type Shape = Record<string, Rule<unknown>>;
type Flat<T> = { [K in keyof T]: T[K] };
type Required<S> = { -readonly [K in keyof S as S[K] extends Optional<unknown> ? never : K]: ValueOf<S[K]> };
type Left<S> = { -readonly [K in keyof S as S[K] extends Optional<unknown> ? K : never]?: ValueOf<S[K]> };
export type ShapeValue<S> = Flat<Required<S> & Left<S>>;

/** A rule that Joi words; the type is the caller's to say. */
export const rule = <T>(joi: Joi.Schema): Rule<T> => ({ joi });

export const optional = <T>(of: Rule<T>): Optional<T> => ({ joi: of.joi, optional: true });
export const nullable = <T>(of: Rule<T>): Rule<T | null> => ({ joi: of.joi.allow(null) });

export const within = (low: number, high: number): Rule<number> => rule(Joi.number().min(low).max(high));
export const whole = (low: number, high: number): Rule<number> =>
  rule(Joi.number().integer().min(low).max(high));
export const anyNumber: Rule<number> = rule(Joi.number());
/** Above nought. */
export const above0 = (high: number): Rule<number> => rule(Joi.number().greater(0).max(high));

export const oneOf = <const T extends readonly (string | number | boolean)[]>(
  ...values: T
): Rule<T[number]> => rule(Joi.valid(...values));
/** Left out, or true. */
export const flag: Optional<true> = optional(oneOf(true));
export const truth: Rule<boolean> = rule(Joi.boolean());

/** A text of at most so many characters; empty too, unless it is to say something. */
export const text = (most: number): Rule<string> => rule(Joi.string().allow('').max(most));
export const words = (most: number): Rule<string> => rule(Joi.string().max(most));
export const matching = (pattern: RegExp, name?: string): Rule<string> =>
  rule(name === undefined ? Joi.string().pattern(pattern) : Joi.string().pattern(pattern, name));
export const id = matching(/^[A-Za-z0-9_.:-]{1,64}$/);
export const name: Rule<string> = rule(Joi.string().trim().min(1).max(120));
/** An ISO moment. */
export const moment: Rule<string> = rule(Joi.string().isoDate());
/** A day of the calendar, YYYY-MM-DD. */
export const day: Rule<string> = rule(
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/, 'date as YYYY-MM-DD')
    .custom((value: string, helpers) =>
      isRealDay(value)
        ? value
        : helpers.message({ custom: `{{#label}} is not a day of the calendar: ${value}` }),
    ),
);

interface Many {
  least?: number;
  most?: number;
  /** No two alike: by this key of theirs, or as they are. */
  unique?: string | true;
}

export function list<T>(of: Rule<T>, { least, most, unique }: Many = {}): Rule<T[]> {
  let joi = Joi.array().items(of.joi);
  if (least !== undefined) joi = joi.min(least);
  if (most !== undefined) joi = joi.max(most);
  if (unique !== undefined) joi = unique === true ? joi.unique() : joi.unique(unique);
  return rule(joi);
}

/** A list of so many, each with its own rule. */
export const tuple = <const R extends readonly Rule<unknown>[]>(
  ...of: R
): Rule<{ -readonly [I in keyof R]: ValueOf<R[I]> }> =>
  rule(Joi.array().ordered(...of.map((r) => r.joi.required())));

/** Values by a key that is free. */
export const byKey = <T>(key: Rule<string>, of: Rule<T>, most?: number): Rule<Record<string, T>> => {
  const joi = Joi.object().pattern(key.joi, of.joi);
  return rule(most === undefined ? joi : joi.max(most));
};

export const keysOf = (shape: Shape): Record<string, Joi.Schema> =>
  Object.fromEntries(
    Object.entries(shape).map(([key, of]) => [key, 'optional' in of ? of.joi : of.joi.required()]),
  );

/** An object with these keys and no others. */
export const object = <S extends Shape>(shape: S): Rule<ShapeValue<S>> => rule(Joi.object(keysOf(shape)));

/** One of several shapes, told apart by what stands under a key. */
export const either = <const K extends string, C extends Record<string, Shape>>(
  key: K,
  cases: C,
): Rule<{ [N in keyof C]: Flat<{ [k in K]: N } & ShapeValue<C[N]>> }[keyof C]> =>
  rule(
    Joi.alternatives().conditional(`.${key}`, {
      switch: Object.entries(cases).map(([value, shape]) => ({
        is: value,
        then: Joi.object({ [key]: Joi.string(), ...keysOf(shape) }),
      })),
      otherwise: Joi.object({ [key]: Joi.valid(...Object.keys(cases)).required() }).unknown(),
    }),
  );

/** What else must hold: a sentence where it does not; `{{#label}}` stands for the field. */
export const also = <T>(of: Rule<T>, wrong: (value: T) => string | undefined): Rule<T> =>
  rule(
    of.joi.custom((value: T, helpers) => {
      const says = wrong(value);
      return says === undefined ? value : helpers.message({ custom: says });
    }),
  );
