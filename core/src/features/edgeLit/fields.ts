import { choice, count, length, type ParamsOf } from '../../document';
import type { EdgeLit } from '../../light';
import { walls } from '../../materials';
import { colourField } from '../laying/stripFields';

export const fields = [
  choice(
    'stands',
    'Stands',
    [
      ['behind', 'behind a window'],
      ['free', 'free, on its lit edge'],
    ],
    'Behind a window of a piece, or out of a slot in it: an eyepiece, a sign, a crest.',
  ),
  length('widthMm', 'Across', [15, 400], 'Of what is seen of the sheet; lamps stand along this.'),
  length('heightMm', 'From lit edge to far edge', [10, 400], 'The further, the dimmer at its end.'),
  choice(
    'sheetMm',
    'Sheet',
    [
      [2, '2 mm'],
      [3, '3 mm'],
      [5, '5 mm'],
    ],
    'Thick sheet carries light further.',
  ),
  choice(
    'look',
    'Acrylic',
    [
      ['clear', 'clear: looked through'],
      ['fluorescent', 'fluorescent: edges glow'],
    ],
    'Fluorescent sheet gathers daylight into its edges and glows there and where it is cut, lamps on or off.',
  ),
  count(
    'engravedPct',
    'Engraved, %',
    [1, 60],
    'Of the face: lines and dots scratched or milled; what is left is looked through.',
  ),
  count('lamps', 'Lamps an edge', [1, 40], 'Set into the edge, evenly.'),
  colourField,
  choice(
    'edges',
    'Far edge',
    [
      ['plain', 'left plain'],
      ['foil', 'foil tape on it'],
      ['lit', 'lit as well'],
    ],
    'What is done at the edge opposite the lamps.',
  ),
  count('evenPct', 'Evenness wanted, %', [10, 95], 'Darkest spot against the mean.'),
] as const;

export type EdgeParams = ParamsOf<typeof fields>;

/** The sheet lies behind its window this far on every side; common practice, no source. */
export const LIP_MM = 8;

/** What stands free goes so far on behind its piece, to be glued and lit; mm, common practice, no source. */
export const FOOT_MM = 5;

/** The sheet as light goes through it; of what stands free, the piece's foam hides its foot. */
export const sheetOf = (
  { stands, heightMm, sheetMm, engravedPct, edges }: EdgeParams,
  hiddenMm = 2 * LIP_MM,
): EdgeLit => ({
  lengthMm: heightMm + hiddenMm,
  thicknessMm: sheetMm,
  engraved: engravedPct / 100,
  farReturns: edges === 'lit' && stands === 'behind' ? 1 : edges === 'foil' ? walls.foil.reflectance : 0.04,
});
