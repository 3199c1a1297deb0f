import type { Body } from '../../body/estimate';
import type { ClosureKind } from '../../materials/closures';
import type { Field } from '../contract';

export interface BracerParams {
  /** Cuff edge and elbow edge, from the wrist fold towards the elbow. */
  startMm: number;
  endMm: number;
  /** Extra girth for movement. */
  easeMm: number;
  /** Foam or strap between body and shell. */
  paddingMm: number;
  panels: 1 | 2;
  closure: ClosureKind;
  gapMm: number;
  /** Where the gap stands: 0 back of the arm, 180 inside, counter-clockwise seen from the elbow. */
  gapAtDeg: number;
  wristEnd: 'straight' | 'point';
  pointMm: number;
  pointWidthDeg: number;
  /** Depth of the scoop on the inside of the elbow edge. */
  elbowCutMm: number;
}

const number = (
  group: string,
  key: keyof BracerParams,
  label: string,
  range: [number, number],
  help: string,
  type: 'length' | 'angle' = 'length',
): Field<BracerParams> => ({ type, group, key, label, range, help });

export const bracerFields: Field<BracerParams>[] = [
  {
    ...number(
      'Reach',
      'startMm',
      'Cuff edge from wrist',
      [0, 120],
      'From the wrist fold up the arm to the lower edge.',
    ),
    type: 'length',
    range: [0, 120],
    seededBy: 'forearmLength',
  },
  {
    ...number(
      'Reach',
      'endMm',
      'Elbow edge from wrist',
      [60, 330],
      'From the wrist fold up the arm to the upper edge.',
    ),
    type: 'length',
    range: [60, 330],
    seededBy: 'forearmLength',
  },
  number('Room', 'easeMm', 'Ease in girth', [0, 60], 'Extra girth so the arm can turn; 10–20 mm is usual.'),
  number('Room', 'paddingMm', 'Padding', [0, 15], 'Thickness of foam or strap between sleeve and shell.'),
  {
    type: 'choice',
    group: 'Division',
    key: 'panels',
    label: 'Pieces round the arm',
    help: 'One piece bends all the way round; two are glued along the back seam opposite the gap.',
    choices: [
      { value: 1, label: 'one piece' },
      { value: 2, label: 'two pieces' },
    ],
  },
  {
    type: 'choice',
    group: 'Closure',
    key: 'closure',
    label: 'Shut with',
    help: 'A closed tube is glued edge to edge and must pass the hand.',
    choices: [
      { value: 'hook-and-loop', label: 'hook-and-loop' },
      { value: 'buckle', label: 'strap and buckle' },
      { value: 'lacing', label: 'eyelets and lace' },
      { value: 'none', label: 'closed tube' },
    ],
  },
  number('Closure', 'gapMm', 'Gap', [0, 80], 'Width of the opening between the two edges when worn.'),
  number('Closure', 'gapAtDeg', 'Gap position', [0, 359], '0° back of the arm, 180° inside.', 'angle'),
  {
    type: 'choice',
    group: 'Edges',
    key: 'wristEnd',
    label: 'Cuff edge',
    help: 'Straight round the wrist, or drawn to a point over the back of the hand.',
    choices: [
      { value: 'straight', label: 'straight' },
      { value: 'point', label: 'point over the hand' },
    ],
  },
  number('Edges', 'pointMm', 'Point length', [0, 120], 'How far the point reaches past the cuff edge.'),
  number(
    'Edges',
    'pointWidthDeg',
    'Point half-width',
    [15, 120],
    'Angle round the arm over which the edge rises to the point.',
    'angle',
  ),
  number(
    'Edges',
    'elbowCutMm',
    'Elbow cut-away',
    [0, 120],
    'Depth of the scoop inside the elbow so the arm can bend.',
  ),
];

const round5 = (mm: number): number => Math.round(mm / 5) * 5;

export const bracerDefaults = (body: Body): BracerParams => ({
  startMm: 5,
  endMm: round5(body.forearmLength.valueMm * 0.86),
  easeMm: 12,
  paddingMm: 3,
  panels: 1,
  closure: 'hook-and-loop',
  gapMm: 20,
  gapAtDeg: 180,
  wristEnd: 'point',
  pointMm: Math.min(60, round5(body.handLength.valueMm * 0.25)),
  pointWidthDeg: 60,
  elbowCutMm: round5(body.forearmLength.valueMm * 0.16),
});
