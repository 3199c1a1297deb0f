import { choice, count, length, number, type ParamsOf, rows } from '../../document';

/** Kinds of found things; a cap closes its upper end. */
export const things = [
  ['tube', 'tube'],
  ['coupler', 'coupler'],
  ['bottle', 'bottle'],
  ['cup', 'cup'],
  ['torch', 'torch'],
  ['cap', 'cap'],
  ['other', 'something else'],
] as const;

/**
 * How far a thing may be off the size it is sold as, mm across: what is turned or moulded least, what is blown or drawn thin
 * most. From memory.
 */
export const offMm: Record<(typeof things)[number][0], number> = {
  tube: 0.3,
  coupler: 0.2,
  bottle: 0.8,
  cup: 1,
  torch: 0.1,
  cap: 0.3,
  other: 0.5,
};

/** A caliper in a maker's hand reads so well, mm; from memory. */
export const CALIPER_MM = 0.1;

export const fields = [
  rows(
    'things',
    'Found things',
    [
      count('place', 'Place', [1, 12], 'From the foot up; things of one place are alternatives.'),
      choice('what', 'What', things, 'Its name in the lists.'),
      length('longMm', 'Long', [5, 1500], 'Along the axis.'),
      length('lowMm', 'Across below', [5, 400], 'Outside.'),
      length('highMm', 'Across above', [5, 400], 'Outside.'),
      length('wallMm', 'Wall', [0.2, 30], 'Of it; the bore is what it leaves.'),
      choice(
        'meets',
        'Meets the next',
        [
          ['butt', 'end to end'],
          ['inside', 'goes into it'],
          ['over', 'goes over it'],
        ],
        'How its upper end meets the next thing.',
      ),
      length('intoMm', 'By', [0, 300], 'How far one goes into the other.'),
      choice(
        'light',
        'Light through it',
        [
          ['unknown', 'not known'],
          ['none', 'none'],
          ['clear', 'clear'],
          ['opal', 'milky'],
        ],
        'Held over a lamp.',
        'Found things',
        { formerly: 'unknown' },
      ),
      number('massG', 'Mass', [1, 3000], 'g', 'Empty, on a scale.'),
      number('price', 'Price', [0, 500], '', 'What it costs; 0 if you have it already.'),
      choice(
        'known',
        'Sizes known',
        [
          ['sold', 'as it is sold'],
          ['caliper', 'by caliper'],
        ],
        'As sold it may be off by what its kind usually is; by caliper by 0.1 mm.',
        'Found things',
        { formerly: 'sold' },
      ),
    ],
    [1, 24],
    (before) => ({
      place: Math.min(12, (Number(before.at(-1)?.place) || 0) + 1),
      what: 'tube',
      longMm: 80,
      lowMm: Number(before.at(-1)?.highMm) || 40,
      highMm: Number(before.at(-1)?.highMm) || 40,
      wallMm: 2,
      meets: 'butt',
      intoMm: 0,
      known: 'sold',
      light: 'unknown',
      massG: 40,
      price: 0,
    }),
    'thing',
    'Strung along an axis from the foot up. Two of one place are alternatives, and sets that go together are reported, cheapest first.',
    'Found things',
  ),
  count('set', 'Set', [1, 40], 'Of the sets that go together: 1 is the cheapest.', 'Set'),
  number('budget', 'Budget', [0, 2000], '', 'For the found things; 0 asks nothing.', 'Set'),
  length('gripMm', 'Held at', [0, 3000], 'Up from the foot, where the hand holds it.', 'Set'),
] as const;

export type StrungParams = ParamsOf<typeof fields>;
export type Thing = StrungParams['things'][number];
