import Joi from 'joi';
import { id, within } from './common';

/** Layouts that were searched for. */
export const nests = Joi.array()
  .max(60)
  .unique('key')
  .items(
    Joi.object({
      key: Joi.string().max(64).required(),
      sheets: Joi.array()
        .max(200)
        .items(
          Joi.array()
            .max(500)
            .items(
              Joi.object({
                partId: id.required(),
                pieceId: Joi.string().max(200).required(),
                flipped: Joi.boolean().required(),
                turnRad: within(-10, 10).required(),
                x: within(-20_000, 20_000).required(),
                y: within(-20_000, 20_000).required(),
                over: Joi.valid(true),
                locked: Joi.valid(true),
              }),
            ),
        )
        .required(),
      offcuts: Joi.array().max(200).items(Joi.string().allow('').max(64)),
    }),
  );
