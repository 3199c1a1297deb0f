import Joi from 'joi';
import { also, id, name, object, type Rule, rule, type ValueOf } from '../rule';

/** No kept surface has more points or triangles, and none reaches further, mm. */
const MOST_POINTS = 8000;
const MOST_TRIANGLES = 12_000;
const MOST_MM = 10_000;

/** Long lists of numbers, looked through at once: a rule for each number takes a hundred times as long. */
const numbers = (most: number, holds: (v: number) => boolean, words: string): Rule<number[]> =>
  also(rule<number[]>(Joi.any()), (value: unknown) => {
    if (!Array.isArray(value) || value.length === 0 || value.length % 3 !== 0 || value.length > 3 * most)
      return `{{#label}} must be 3 to ${3 * most} numbers, in threes`;
    return value.every((v) => typeof v === 'number' && holds(v)) ? undefined : `{{#label}} ${words}`;
  });

/** A surface from a file, mended and simplified; a part is skinned over it. */
export const keptMeshRule = also(
  object({
    id,
    name,
    /** x, y and z of each point, mm, and three points for each triangle, seen from outside counter-clockwise. */
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
  }),
  ({ points, triangles }) =>
    triangles.every((v) => 3 * v < points.length) ? undefined : '{{#label}} names a point that is not there',
);
export type KeptMesh = ValueOf<typeof keptMeshRule>;
