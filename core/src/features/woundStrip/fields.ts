import { choice, count, length, type ParamsOf } from '../../document';
import { coats } from '../../materials';
import { colourField, diffuserField } from '../laying/stripFields';

const isAlong = (params: object): boolean => (params as { way?: string }).way === 'along';
const isWound = (params: object): boolean => !isAlong(params);
const inSleeve = (params: object): boolean => (params as { through?: string }).through !== 'walls';
const inWalls = (params: object): boolean => !inSleeve(params);

/** Least and most of a sleeve’s inside. */
export const SLEEVE_MM: [number, number] = [20, 400];

export const fields = [
  choice(
    'type',
    'Strip',
    [
      ['12v', '12 V, cut in segments'],
      ['5v', '5 V, addressable'],
    ],
    'Wound round a dowel or tube.',
  ),
  colourField,
  choice(
    'way',
    'Runs',
    [
      ['wound', 'round a round core'],
      ['along', 'along a flat core or board'],
    ],
    'Round a dowel or tube in turns, or straight along the faces of a bar or board.',
  ),
  length('coreMm', 'Core across', [8, 150], 'Of the dowel or tube it is wound on.', 'Size', {
    when: isWound,
  }),
  length('wideMm', 'Core width', [8, 400], 'Of the bar or board.', 'Size', { when: isAlong }),
  length('thickMm', 'Core thickness', [1, 60], 'Of the bar or board.', 'Size', { when: isAlong }),
  count('faces', 'Faces', [1, 2], 'One side of it, or both.', 'Size', { when: isAlong }),
  count('rows', 'Rows on each face', [1, 20], 'Of strip, side by side.', 'Size', { when: isAlong }),
  choice(
    'lies',
    'Lamps look',
    [
      ['face', 'to the front and back'],
      ['edge', 'to both edges'],
    ],
    'The core lies flat in its hollow, or stands on edge in it.',
    'Size',
    { when: isAlong },
  ),
  length('lengthMm', 'Length', [20, 1500], 'Along the core.'),
  length('pitchMm', 'Pitch', [8, 200], 'From turn to turn; a strip is at least its width.', 'Size', {
    when: isWound,
  }),
  choice(
    'through',
    'Shines through',
    [
      ['sleeve', 'a sleeve of diffuser'],
      ['walls', 'the walls of its hollow'],
    ],
    'A clear tube, or foam that light goes through, is a wall too.',
    'Light',
  ),
  choice(
    'coat',
    'Outside of the walls',
    (['bare', 'thin', 'opaque'] as const).map((id) => [id, coats[id].name] as const),
    'Where the light is meant to come out.',
    'Light',
    { when: inWalls },
  ),
  length('sleeveMm', 'Sleeve inside', SLEEVE_MM, 'Of the diffuser round it.', 'Light', { when: inSleeve }),
  diffuserField('Sleeve of', 'Light', { when: inSleeve }),
  count('layers', 'Layers', [1, 4], 'Of diffuser.', 'Light', { when: inSleeve }),
  count('evenPct', 'Evenness wanted, %', [10, 95], 'Darkest spot against the mean.', 'Light'),
] as const;

export type WoundParams = ParamsOf<typeof fields>;
