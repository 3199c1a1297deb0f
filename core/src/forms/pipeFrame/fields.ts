import { choice, count, length, type ParamsOf, rows } from '../../document';
import { rods } from '../../materials';
import { strapFields } from '../shoulderStraps';

/** Pipes that are sold with fittings. */
export const framePipes = rods.filter((r) => r.shape === 'tube' && r.coupler);

/** So many corners a frame has at most, each with a letter. */
export const MOST_CORNERS = 26;

const row = (before: readonly Record<string, unknown>[], key: string): number =>
  Number(before.at(-1)?.[key] ?? 0);

export const fields = [
  choice(
    'rod',
    'Pipe',
    framePipes.map((r): [string, string] => [r.id, r.name]),
    'The pipe of the whole frame.',
    'Pipe',
    { open: true },
  ),
  length('measuredMm', 'Measured outside', [0, 200], 'By caliper; less than 3 mm takes the table.', 'Pipe'),
  length(
    'takeOffMm',
    'Measured take-off',
    [0, 120],
    'Middle of a bought elbow to the end of the pipe in it; 0 takes the standard’s.',
    'Pipe',
  ),
  rows(
    'corners',
    'Corners',
    [
      length('acrossMm', 'Across', [-2000, 2000], 'From the middle, to the wearer’s right.'),
      length('forwardMm', 'Forward', [-2000, 2000], 'From the middle.'),
      length('upMm', 'Up', [-2000, 3000], 'From the foot.'),
      choice(
        'joint',
        'Joint',
        [
          ['fitting', 'bought fitting'],
          ['sawn', 'sawn and glued'],
          ['bent', 'bent hot'],
          ['flange', 'flange and screws'],
        ],
        'How the pipes that meet here are joined. A free end gets a cap, is left sawn, or has a flange.',
      ),
      length('radiusMm', 'Bend radius', [0, 600], 'To the middle of a bent pipe; 0 takes four widths.'),
    ],
    [2, MOST_CORNERS],
    (before) => ({
      acrossMm: row(before, 'acrossMm'),
      forwardMm: row(before, 'forwardMm'),
      upMm: Math.min(3000, row(before, 'upMm') + 200),
      joint: 'fitting',
      radiusMm: 0,
    }),
    'corner',
    'Where the middles of pipes meet or end, numbered in this order.',
  ),
  rows(
    'pipes',
    'Pipes',
    [
      count('from', 'From corner', [1, MOST_CORNERS], 'Number of the corner it starts at.'),
      count('to', 'To corner', [1, MOST_CORNERS], 'Number of the corner it runs to.'),
    ],
    [1, 40],
    (before) => ({
      from: Math.min(MOST_CORNERS, row(before, 'to') || 1),
      to: Math.min(MOST_CORNERS, (row(before, 'to') || 1) + 1),
    }),
    'pipe',
    'Each runs straight from one corner to another.',
  ),
  // Of one that is worn on the back.
  ...strapFields,
] as const;

export type PipeFrameParams = ParamsOf<typeof fields>;
