import { choice, count, length, number, type ParamsOf, rows } from '../../document';
import { outlineField } from '../../outline';
import { caseMaterials } from './materials';

const isBox = (params: object): boolean => (params as { shape?: string }).shape === 'box';
const isRound = (params: object): boolean => (params as { shape?: string }).shape === 'round';
const isDrawn = (params: object): boolean => (params as { shape?: string }).shape === 'outline';
const isSection = (params: object): boolean => (params as { shape?: string }).shape === 'section';
const hasScrews = (params: object): boolean => (params as { opens?: string }).opens === 'screws';
const hasHinge = (params: object): boolean => (params as { opens?: string }).opens === 'hinge';

/** The outside of a round thing. */
export const girthsField = (when?: (params: object) => boolean) =>
  rows(
    'girths',
    'Girths',
    [
      length('zMm', 'At', [0, 1500], 'Above its foot.'),
      length('girthMm', 'Girth', [10, 3000], 'Tape round it there.'),
    ],
    [2, 12],
    (before) => ({
      zMm: Math.min(1500, (Number(before.at(-1)?.zMm) || 0) + 20),
      girthMm: Number(before.at(-1)?.girthMm) || 200,
    }),
    'girth',
    'From its foot up; straight between them. Two make a cylinder or a cone, more a dome.',
    'Outside',
    when ? { when } : {},
  );

const lids = [
  ['front', 'the front'],
  ['back', 'the back'],
  ['top', 'the top'],
  ['foot', 'the foot'],
] as const;

/** Where the middle of something inside is. */
const middleFields = [
  length(
    'acrossMm',
    'Across',
    [-500, 500],
    'Its middle, to the right of the thing’s middle, seen from the front.',
  ),
  length('upMm', 'Up', [0, 1500], 'Its middle above the foot.'),
] as const;

/** What its case is, and how its inside is come to. */
export const caseFields = [
  length('wallMm', 'Wall', [0.5, 20], 'Thickness of its case.', 'Outside'),
  choice(
    'material',
    'Made of',
    Object.entries(caseMaterials).map(([key, { label }]): [string, string] => [key, label]),
    'Says how it takes paint.',
    'Outside',
  ),
  number('massG', 'Mass', [1, 5000], 'g', 'On a scale, emptied of what comes out.', 'Outside'),
  number(
    'price',
    'Price',
    [0, 5000],
    '',
    'In the currency of the build; 0 when it was there already.',
    'Outside',
  ),
  choice(
    'opens',
    'Opens',
    [
      ['screws', 'by screws'],
      ['clips', 'by clips'],
      ['hinge', 'by a lid on a hinge'],
      ['open', 'it is open'],
      ['glued', 'it is glued shut'],
    ],
    'How you get at its inside.',
    'Inside',
  ),
  count('screws', 'Screws', [1, 40], 'To be bagged and put back in their order.', 'Inside', {
    when: hasScrews,
  }),
  choice('lid', 'The lid', lids, 'The wall that swings open.', 'Inside', { when: hasHinge }),
  choice(
    'hingeAt',
    'Its hinge',
    [
      ['left', 'at its left edge'],
      ['right', 'at its right edge'],
      ['top', 'at its upper edge'],
      ['bottom', 'at its lower edge'],
    ],
    'Seen from outside, as its template lies.',
    'Inside',
    { when: hasHinge },
  ),
  choice(
    'uncut',
    'Stays whole',
    [['none', 'any wall may be cut'], ...lids],
    'A battery door, a part that carries.',
    'Inside',
  ),
  choice(
    'power',
    'In it was',
    [
      ['none', 'no current'],
      ['cells', 'cells'],
      ['mains', 'a mains plug'],
    ],
    'What it ran on.',
    'Inside',
  ),
  choice(
    'guards',
    'It is',
    [
      ['no', 'a thing like any other'],
      ['yes', 'a safety helmet or other protection'],
    ],
    'Protection that has been cut protects nobody.',
    'Inside',
  ),
] as const;

export const fields = [
  choice(
    'shape',
    'Outside',
    [
      ['box', 'a box'],
      ['round', 'round: by its girths'],
      ['outline', 'as deep all over: by its outline'],
      ['section', 'as wide all the way up: by its section'],
    ],
    'What it comes nearest to.',
    'Outside',
  ),
  length('wideMm', 'Wide', [5, 1000], 'From side to side, outside.', 'Outside', { when: isBox }),
  length('highMm', 'High', [5, 1500], 'Upwards, outside.', 'Outside', {
    when: (params) => isBox(params) || isSection(params),
  }),
  length('deepMm', 'Deep', [5, 1000], 'From front to back, outside.', 'Outside', {
    when: (params) => isBox(params) || isDrawn(params),
  }),
  girthsField(isRound),
  outlineField((params) => isDrawn(params) || isSection(params)),
  ...caseFields,
  rows(
    'rooms',
    'Rooms',
    [
      ...middleFields,
      length('wideMm', 'Wide', [3, 1000], 'Inside.'),
      length('highMm', 'High', [3, 1500], 'Inside.'),
      length('deepMm', 'Deep', [3, 1000], 'From the front wall inwards.'),
    ],
    [0, 6],
    (before) => ({
      acrossMm: Number(before.at(-1)?.acrossMm) || 0,
      upMm: Number(before.at(-1)?.upMm) || 20,
      wideMm: Number(before.at(-1)?.wideMm) || 20,
      highMm: Number(before.at(-1)?.highMm) || 20,
      deepMm: Number(before.at(-1)?.deepMm) || 10,
    }),
    'room',
    'Where there is room inside, as you measured it; none takes the whole hollow.',
    'Rooms',
  ),
  rows(
    'ribs',
    'Ribs and the like',
    [
      ...middleFields,
      length('wideMm', 'Wide', [1, 1000], 'From side to side.'),
      length('highMm', 'High', [1, 1500], 'Upwards.'),
      length('tallMm', 'Stands out', [1, 1000], 'From the back wall forwards.'),
      choice(
        'fate',
        'Can be removed',
        [
          ['cut', 'may be cut away'],
          ['stays', 'must stay'],
          ['out', 'comes out whole'],
        ],
        'Ribs and bosses may go; what carries a lid or a screw stays.',
      ),
    ],
    [0, 12],
    (before) => ({
      acrossMm: Number(before.at(-1)?.acrossMm) || 0,
      upMm: (Number(before.at(-1)?.upMm) || 10) + 10,
      wideMm: Number(before.at(-1)?.wideMm) || 10,
      highMm: Number(before.at(-1)?.highMm) || 4,
      tallMm: Number(before.at(-1)?.tallMm) || 10,
      fate: 'cut',
    }),
    'rib',
    'Bosses, the old battery tray: what stands on the back wall inside.',
    'Rooms',
  ),
] as const;

/** What a case begins as. */
export const caseDefaults: CaseParams = {
  wallMm: 2,
  material: 'hard',
  massG: 80,
  price: 0,
  opens: 'screws',
  screws: 4,
  lid: 'back',
  hingeAt: 'left',
  uncut: 'none',
  power: 'cells',
  guards: 'no',
};

export type DonorParams = ParamsOf<typeof fields>;
export type CaseParams = ParamsOf<typeof caseFields>;
