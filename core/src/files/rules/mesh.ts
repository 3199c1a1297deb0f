import Joi from 'joi';
import { id, name } from './common';

/** No kept surface has more points or triangles, and none reaches further, mm. */
const MOST_POINTS = 8000;
const MOST_TRIANGLES = 12_000;
const MOST_MM = 10_000;

/** Long lists of numbers, looked through at once: a rule for each number takes a hundred times as long. */
const numbers = (most: number, holds: (v: number) => boolean, words: string) =>
  Joi.any()
    .required()
    .custom((value: unknown, helpers) => {
      if (!Array.isArray(value) || value.length === 0 || value.length % 3 !== 0 || value.length > 3 * most)
        return helpers.error('any.custom', { words: `must be 3 to ${3 * most} numbers, in threes` });
      if (!value.every((v) => typeof v === 'number' && holds(v)))
        return helpers.error('any.custom', { words });
      return value as number[];
    })
    .messages({ 'any.custom': '{{#label}} {{#words}}' });

export const mesh = Joi.object({
  id: id.required(),
  name: name.required(),
  points: numbers(
    MOST_POINTS,
    (v) => Math.abs(v) <= MOST_MM,
    `must be numbers between −${MOST_MM} and ${MOST_MM}`,
  ),
  triangles: numbers(
    MOST_TRIANGLES,
    (v) => Number.isInteger(v) && v >= 0 && v < MOST_POINTS,
    `must be whole numbers from 0 to ${MOST_POINTS - 1}`,
  ),
})
  .custom((value: { points: number[]; triangles: number[] }, helpers) =>
    value.triangles.every((v) => 3 * v < value.points.length)
      ? value
      : helpers.error('any.custom', { words: 'names a point that is not there' }),
  )
  .messages({ 'any.custom': '{{#label}} {{#words}}' });
