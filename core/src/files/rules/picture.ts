import Joi from 'joi';
import { measures, seenMarks } from '../../body';
import { views } from '../../picture';
import { id, name, turnDeg, within } from './common';

export const content = Joi.string().pattern(/^[0-9a-f]{64}$/, 'SHA-256 in hexadecimal');
const pixel = within(-20_000, 20_000).required();
const spot = Joi.array().ordered(pixel, pixel).required();

export const picture = Joi.object({
  id: id.required(),
  name: name.required(),
  content: content.required(),
  widthPx: within(1, 20_000).integer().required(),
  heightPx: within(1, 20_000).integer().required(),
  sheet: Joi.object({
    corners: Joi.array().ordered(spot, spot, spot, spot).required(),
    widthMm: within(10, 5000).required(),
    heightMm: within(10, 5000).required(),
  }),
  known: Joi.object({
    from: spot,
    to: spot,
    lengthMm: within(1, 10_000).required(),
    measure: Joi.valid(...measures.map((m) => m.key)),
    figure: Joi.array()
      .max(seenMarks.length)
      .unique('name')
      .items(Joi.object({ name: Joi.valid(...seenMarks).required(), at: spot })),
  }),
  view: Joi.valid(...views),
  lines: Joi.array()
    .max(60)
    .unique('id')
    .items(
      Joi.object({
        id: id.required(),
        from: spot,
        to: spot,
        part: id.required(),
        field: Joi.string().max(64).required(),
      }),
    ),
});

export const beneath = Joi.object({
  picture: id.required(),
  xMm: within(-5000, 5000).required(),
  yMm: within(-5000, 5000).required(),
  turnDeg,
});
