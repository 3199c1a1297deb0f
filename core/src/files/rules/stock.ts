import Joi from 'joi';
import { signedArea } from '../../geometry';
import { day, id, within } from './common';

/** What encloses less is no foam. */
const LEAST_OFFCUT_MM2 = 100;

const ring = Joi.array()
  .min(3)
  .max(600)
  .items(Joi.object({ x: within(0, 5000).required(), y: within(0, 5000).required() }))
  .custom((points: { x: number; y: number }[], helpers) =>
    Math.abs(signedArea(points)) >= LEAST_OFFCUT_MM2
      ? points
      : helpers.message({ custom: '{{#label}} encloses under 1 cm²' }),
  );

const offcut = Joi.object({
  id: id.required(),
  place: Joi.string().allow('').max(80).required(),
  since: day.required(),
  outline: ring.required(),
  holes: Joi.array().max(40).items(ring),
});

/** One foam in one thickness: how many sheets there are, what was measured of it, what was left of sheets. */
export const foamItemSchema = Joi.object({
  foamId: id.required(),
  nominalMm: within(0.5, 200).required(),
  sheets: within(0, 1000).integer().required(),
  measuredMm: within(0.5, 240),
  sheetG: within(1, 50000),
  neutralFraction: within(0, 1),
  rightAngleMm: within(0.5, 60),
  pricePerSheet: within(0, 10000),
  turns: Joi.valid('any', 'quarters', 'halves'),
  offcuts: Joi.array().max(100).unique('id').items(offcut),
});

/** Foam on the shelf. */
export const stockSchema = Joi.array().max(200).items(foamItemSchema);
