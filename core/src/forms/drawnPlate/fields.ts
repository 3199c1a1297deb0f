import { angle, choice, length, type ParamsOf } from '../../document';
import { outlineField } from '../../outline';

const follows = (params: object): boolean => (params as { follows?: string }).follows === 'wearer';

export const fields = [
  outlineField(() => true),
  angle('aroundDeg', 'Middle, round the body', [-180, 180], '0 is in front, 180 behind.', 'Place'),
  length('paddingMm', 'Padding', [0, 30], 'Foam between clothing and shell.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  choice(
    'follows',
    'Size',
    [
      ['wearer', 'grows with the wearer'],
      ['own', 'stays as drawn'],
    ],
    'Whether the drawing is widened and heightened as the wearer’s measures change.',
    'Size',
  ),
  length(
    'drawnGirthMm',
    'Drawn for a girth of',
    [100, 2000],
    'The girth there as the outline was drawn.',
    'Size',
    { when: follows },
  ),
  length(
    'drawnHeightMm',
    'Drawn for a height of',
    [100, 1000],
    'On the trunk from waist to neck, on a limb all of it, as the outline was drawn.',
    'Size',
    { when: follows },
  ),
  choice(
    'halves',
    'Division',
    [
      [1, 'one piece'],
      [2, 'two halves, centre seam'],
    ],
    'A centre seam takes up what a swelling body bends both ways.',
    'Division',
    { gives: [{ need: 'split', by: 1 }] },
  ),
] as const;

export type DrawnPlateParams = ParamsOf<typeof fields>;
