import { choice } from '../../document';
import { diffusers, type LampColour, leds } from '../../materials';

/** The colour of lamps or of a strip. */
export const colourField = choice(
  'colour',
  'Colour',
  (Object.keys(leds) as LampColour[]).map((c) => [c, c] as const),
  'Of the light.',
);

/** What the light goes through on its way out. */
export const diffuserField = (
  label: string,
  group = 'Size',
  rest: { when?: (params: object) => boolean } = {},
) =>
  choice(
    'diffuser',
    label,
    diffusers.map((d) => [d.id, d.name] as const),
    'What the light goes through.',
    group,
    rest,
  );
