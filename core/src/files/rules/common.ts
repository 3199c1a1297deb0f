import Joi from 'joi';
import { isRealDay } from '../../units';

export const id = Joi.string().pattern(/^[A-Za-z0-9_.:-]{1,64}$/);
export const name = Joi.string().trim().min(1).max(120);
export const iso = Joi.string().isoDate();
export const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/, 'date as YYYY-MM-DD')
  .custom((value: string, helpers) =>
    isRealDay(value)
      ? value
      : helpers.message({ custom: `{{#label}} is not a day of the calendar: ${value}` }),
  );
export const within = (low: number, high: number): Joi.NumberSchema => Joi.number().min(low).max(high);

export const turnDeg = within(-360, 360).required();
