import { choice, count, length, type ParamsOf } from '../../document';
import { outlineField } from '../../outline';
import { madeOf, thicknessOf } from '../laying/ownSheet';

const is =
  (...ways: string[]) =>
  (params: object): boolean =>
    ways.includes((params as { way?: string }).way ?? '');

/** Whether it is a piece of its own. */
const isPiece = is('layer', 'inlaid');

export const fields = [
  choice(
    'way',
    'It is',
    [
      ['layer', 'laid on: a piece glued on the face'],
      ['inlaid', 'inlaid: let into the face, flush with it'],
      ['carved', 'carved: a hollow in the face'],
      ['engraved', 'engraved: its line cut into the face'],
    ],
    'What becomes of the outline.',
  ),
  length('deepMm', 'Depth', [0.5, 40], 'Of the hollow or the line, from the face.', 'Size', {
    when: is('carved', 'engraved'),
  }),
  count('scalePct', 'Scale, %', [10, 1000], 'Of the drawing.'),
  count('count', 'How many', [1, 40], 'In a row, the way it is turned; the spot is the middle of the row.'),
  length('stepMm', 'From one to the next', [1, 1000], 'Middle to middle.', 'Size', {
    when: (params) => Number((params as { count?: number }).count) > 1,
  }),
  outlineField(() => true),
  { ...madeOf, when: isPiece },
  { ...thicknessOf('Of the piece; one that is inlaid is let in so deep.', { usualMm: 6 }), when: isPiece },
] as const;

export type ShapeParams = ParamsOf<typeof fields>;
