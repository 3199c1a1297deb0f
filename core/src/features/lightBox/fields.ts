import { madeOf, thicknessOf } from '../laying/ownSheet';
import { choice, count, length, type ParamsOf } from '../../document';
import { diffusers } from '../../materials';
import { colourField, diffuserField } from '../laying/stripFields';
import { diffuserOf } from './box';

const litOf = (params: object): string | undefined => (params as { lit?: string }).lit;
const ofLamps = (params: object): boolean => litOf(params) === 'lamps';

export const fields = [
  length('widthMm', 'Width', [8, 400], 'Of the window.'),
  length('heightMm', 'Height', [8, 400], 'Of the window.'),
  choice(
    'side',
    'Stands',
    [
      ['inside', 'behind the wall, through a window'],
      ['outside', 'on the wall, standing out'],
    ],
    'On the wall, no window is cut: only a hole for the wires.',
  ),
  choice(
    'lit',
    'Lit by',
    [
      ['lamps', 'single lamps'],
      ['12v', '12 V strip, cut in segments'],
      ['5v', '5 V addressable strip'],
    ],
    'Single lamps stand in the back; strip is glued across it.',
  ),
  count('columns', 'Lamps across', [1, 12], 'Behind it.', 'Size', { when: ofLamps }),
  count('rows', 'Rows', [1, 12], 'Of lamps or of strip, one over the other.'),
  count('brightPct', 'Brightness, %', [5, 100], 'Of full white, at its brightest.', 'Size', {
    when: (params) => litOf(params) === '5v',
  }),
  colourField,
  choice(
    'shine',
    'Lamps',
    [
      ['flat-top', '5 mm flat-top'],
      ['diffused', '5 mm diffused'],
      ['clear', '5 mm clear'],
    ],
    'Clear ones shine narrowly and leave spots.',
    'Size',
    { when: ofLamps },
  ),
  length('deepMm', 'Lamps behind', [3, 80], 'From the lamps to the diffuser.'),
  diffuserField('Diffuser'),
  count('layers', 'Layers', [1, 4], 'Of it.'),
  choice(
    'over',
    'Over it',
    [['none', 'nothing more'] as const, ...diffusers.map((d) => [d.id, d.name] as const)],
    'A second diffuser outside the first: soft foam under a hard sheet.',
  ),
  length(
    'boredMm',
    'Bored into the foam',
    [0, 40],
    'From every lamp into soft foam: light comes further.',
    'Light',
    {
      when: (p) => diffuserOf(String(p['diffuser'])).boreable === true,
    },
  ),
  choice(
    'walls',
    'Walls',
    [
      ['plain', 'plain foam'],
      ['white', 'painted white'],
      ['foil', 'lined with foil'],
    ],
    'Inside the box.',
  ),
  choice(
    'tile',
    'Test tile',
    [
      ['none', 'none'],
      ['cut', 'cut one, 60 × 60 mm'],
    ],
    'The same foam, depth and lamps on a small box, built and read before the large one.',
    'Test tile',
  ),
  count(
    'tileReadPct',
    'Read off it, %',
    [0, 100],
    'Its darkest spot against its mean, by a light meter through a hole in card; 0 until it is read. The glow follows it.',
    'Test tile',
    { when: (params) => (params as { tile?: string }).tile === 'cut' },
  ),
  count('evenPct', 'Evenness wanted, %', [10, 95], 'The darkest spot against the mean.'),
  madeOf,
  thicknessOf('Of the box behind the window.'),
] as const;

export type BoxParams = ParamsOf<typeof fields>;
