import Joi from 'joi';
import { coatings } from '../../materials';
import { day, id, name, within } from './common';

const week = Joi.array().length(7).items(within(0, 16));
const minuteOfDay = Joi.number().integer().min(0).max(1440);

/** When work is done. */
export const calendar = Joi.object({
  hours: week.custom((hours: number[], helpers) =>
    hours.some((h) => h > 0)
      ? hours
      : helpers.message({ custom: '“hours”: at least one weekday must have some, up to 16' }),
  ),
  helperHours: week,
  daysOff: Joi.array().max(400).unique().items(day),
  quiet: Joi.object({ fromMin: minuteOfDay.required(), toMin: minuteOfDay.required() }),
  order: Joi.valid('parts', 'batches'),
});

/** How a part is finished. */
export const finish = Joi.object({
  seal: Joi.valid(...Object.keys(coatings)),
  sealCoats: Joi.number().integer().min(0).max(12),
  colours: Joi.number().integer().min(0).max(12).required(),
  weathering: Joi.valid('none', 'wash', 'dry-brush').required(),
  clearCoats: Joi.number().integer().min(0).max(6).required(),
});

/** Cases it travels in. */
export const cases = Joi.array()
  .max(20)
  .unique('id')
  .items(
    Joi.object({
      id: id.required(),
      name: name.required(),
      insideMm: Joi.array().length(3).items(within(50, 3000)).required(),
    }),
  );
