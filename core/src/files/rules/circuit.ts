import Joi from 'joi';
import { effectWords } from '../../light';
import { gauges, regulators } from '../../materials';
import { id, name, within } from './common';

export const circuit = Joi.object({
  id: id.required(),
  name: name.required(),
  source: id.required(),
  switch: id.allow(null).required(),
  loads: Joi.array()
    .max(100)
    .unique('feature')
    .items(Joi.object({ feature: id.required(), currentMa: within(0.5, 60).required() }))
    .required(),
  wireAwg: Joi.valid(...gauges.map((g) => g.awg)),
  onShare: within(0.01, 1),
  apart: Joi.valid(true),
  fused: Joi.valid(true),
  regulator: Joi.object({
    kind: Joi.valid(...Object.keys(regulators)).required(),
    volts: within(1.5, 24).required(),
  }),
  effect: Joi.object({
    kind: Joi.valid(...Object.keys(effectWords)).required(),
    periodS: within(0.2, 60).required(),
  }),
});
