import type { MeasureInfo } from './types';

export const headMeasures: MeasureInfo[] = [
  {
    key: 'headGirth',
    label: 'Head girth',
    region: 'head',
    standardName: 'head girth',
    how: 'Round the head just above the brows and over the widest part at the back, hair pressed flat.',
    rangeMm: [420, 680],
  },
  {
    key: 'headLength',
    label: 'Head length',
    region: 'head',
    standardName: 'head length',
    how: 'Between two books: from the brow to the back of the head, level.',
    rangeMm: [140, 230],
  },
  {
    key: 'headBreadth',
    label: 'Head breadth',
    region: 'head',
    standardName: 'head breadth',
    how: 'Between two books: across the head above the ears.',
    rangeMm: [110, 185],
  },
  {
    key: 'headHeight',
    label: 'Chin to crown',
    region: 'head',
    standardName: 'menton to vertex',
    how: 'Straight up from under the chin to a book flat on the head.',
    rangeMm: [150, 280],
  },
  {
    key: 'neckGirth',
    label: 'Neck girth',
    region: 'head',
    standardName: 'neck girth',
    how: 'Round the middle of the neck, one finger under the tape.',
    rangeMm: [220, 560],
  },
];
