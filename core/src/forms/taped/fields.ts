import { choice, count, number, type ParamsOf, rows } from '../../document';
import { pointFields } from '../../outline';

/** A pattern has so many pieces at most. */
export const MOST_PIECES = 12;

export const fields = [
  choice(
    'over',
    'Taped over',
    [
      ['thing', 'the thing itself: foam goes outside it'],
      ['outside', 'what it is to be: foam goes inside'],
      ['flat', 'nothing: pieces are as they are'],
    ],
    'Foam that bends round the thing needs more than the film on it; under a finished outside it needs less.',
    'Pattern',
  ),
  rows(
    'pieces',
    'Pieces',
    [
      number(
        'bendsDeg',
        'Bends across',
        [0, 360],
        '°',
        'How far it turns from its left to its right; 360 goes all round.',
      ),
      number('bendsUpDeg', 'Bends upwards', [0, 360], '°', 'How far it turns from its foot to its top.'),
    ],
    [1, MOST_PIECES],
    () => ({ bendsDeg: 0, bendsUpDeg: 0 }),
    'piece',
    'How far each turns round the thing; 0 lies flat.',
    'Pieces',
  ),
  rows(
    'outline',
    'Outlines',
    [count('piece', 'Piece', [1, MOST_PIECES], 'Which piece it is a point of.'), ...pointFields],
    [3, 400],
    (before) => ({
      piece: Number(before.at(-1)?.piece) || 1,
      xMm: (Number(before.at(-1)?.xMm) || 0) + 10,
      yMm: Number(before.at(-1)?.yMm) || 0,
      node: 'corner',
    }),
    'point',
    'Points round each piece, its outer face up; trace them from a photograph, read them from a file, or drag them.',
    'Outlines',
    { draws: 'pieces' },
  ),
  rows(
    'seams',
    'Seams',
    [
      count('a', 'Piece', [1, MOST_PIECES], 'One piece.'),
      count('aEdge', 'Edge', [1, 40], 'Its edge, numbered in the drawing.'),
      count('b', 'Meets piece', [1, MOST_PIECES], 'The other; the same one for a dart or a ring.'),
      count('bEdge', 'Edge', [1, 40], 'Its edge.'),
    ],
    [0, 40],
    () => ({ a: 1, aEdge: 1, b: 1, bEdge: 3 }),
    'seam',
    'Which edges are glued to which.',
    'Seams',
  ),
] as const;

export type TapedParams = ParamsOf<typeof fields>;
export type TapedPoint = TapedParams['outline'][number];
