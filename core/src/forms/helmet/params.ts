import { angle, choice, count, length, ownFoam, type ParamsOf } from '../../document';

const isScheme = (scheme: string) => (params: object) => (params as { scheme?: string }).scheme === scheme;
const isSlitted = (params: object): boolean => (params as { visor?: string }).visor === 'slit';
const hasVisor = (params: object): boolean => (params as { visor?: string }).visor !== 'none';

export const helmetFields = [
  choice(
    'scheme',
    'Dome',
    [
      ['gores', 'gores'],
      ['strip', 'crown strip and two sides'],
      ['cap', 'cap in quarters, brow band, cheeks'],
    ],
    'Gores are many and easy; a strip and two sides are few and stretch; a band hides the edge of a cap.',
    'Division',
  ),
  count('gores', 'Gores', [4, 12], 'Segments of the dome.', 'Division', { when: isScheme('gores') }),
  length('stripMm', 'Strip width', [40, 140], 'Of the crown strip.', 'Division', {
    when: isScheme('strip'),
  }),
  length('bandMm', 'Brow band', [15, 90], 'Height of the band laid over the edge of the cap.', 'Division', {
    when: isScheme('cap'),
  }),
  ownFoam('bandFoam', 'Band foam', { when: isScheme('cap') }),
  length('paddingMm', 'Padding', [5, 30], '5–15 mm is usual; hair and hood go here.', 'Room', {
    gives: [
      { need: 'room', by: 1 },
      { need: 'girth', by: 2 * Math.PI },
    ],
  }),
  length('skirtMm', 'Skirt', [20, 220], 'From the brow line down.', 'Size', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  angle('faceDeg', 'Face opening, each side', [25, 90], 'From straight ahead to the cheek edge.', 'Face'),
  choice(
    'visor',
    'Visor',
    [
      ['slit', 'closed, with a slit'],
      ['open', 'brow peak only'],
      ['none', 'none'],
    ],
    'What covers the face.',
    'Face',
  ),
  length('slitMm', 'Slit height', [8, 60], 'Of the opening in the visor.', 'Face', { when: isSlitted }),
  length('slitDropMm', 'Slit below the eyes', [-15, 30], 'Lower sees the ground better.', 'Face', {
    when: isSlitted,
  }),
  choice(
    'ears',
    'Ears',
    [
      ['open', 'openings cut'],
      ['covered', 'covered'],
    ],
    'Never cover ears completely.',
    'Safety',
  ),
  choice(
    'breath',
    'Air',
    [
      ['holes', 'holes near the mouth'],
      ['none', 'none'],
    ],
    'Holes behind the visor’s lower edge.',
    'Safety',
  ),
  length('crestMm', 'Crest', [0, 120], 'Height of the ridge plate; 0 for none.'),
  ownFoam('visorFoam', 'Visor foam', { when: hasVisor }),
] as const;

export type HelmetParams = ParamsOf<typeof helmetFields>;

export const helmetDefaults = (): HelmetParams => ({
  scheme: 'gores',
  gores: 8,
  stripMm: 80,
  bandMm: 36,
  bandFoam: 0,
  paddingMm: 12,
  skirtMm: 130,
  faceDeg: 55,
  visor: 'slit',
  slitMm: 34,
  slitDropMm: 10,
  ears: 'open',
  breath: 'holes',
  crestMm: 35,
  visorFoam: 0,
});
