import { leastDistanceMm } from '../../light';
import type { Recipe } from '../contract';
import { lampPitchMm, stripStepMm } from '../laying/stripParts';
import { boxFaceBy } from './box';
import type { BoxParams } from './fields';

/** Lamps stand at least so far behind; further than the most they are not looked for, mm. */
const [SHALLOWEST_MM, DEEPEST_MM] = [3, 60];
/** Rows of strip, and single lamps, about so far apart; common practice, no source. */
const ROW_MM = 17;
const LAMP_MM = 15;

const timesIn = (mm: number, eachMm: number): number => Math.min(12, Math.max(1, Math.round(mm / eachMm)));

/** A box of other values, its lamps just as far behind as makes it as even as is wanted. */
function evened(params: BoxParams): BoxParams {
  const least = leastDistanceMm(boxFaceBy(params, 1), params.evenPct / 100, DEEPEST_MM);
  return { ...params, deepMm: Math.max(SHALLOWEST_MM, Math.ceil(least ?? DEEPEST_MM)) };
}

/** Strip in rows as far apart as its lamps, read on a tile before the box is built. */
const ofStrip = (params: BoxParams, more: Partial<BoxParams> & { lit: '12v' | '5v' }): BoxParams =>
  evened({
    ...params,
    // A row is one segment at least.
    widthMm: Math.max(params.widthMm, Math.ceil(stripStepMm(more.lit))),
    rows: timesIn(params.heightMm, Math.min(ROW_MM, lampPitchMm(more.lit))),
    boredMm: 0,
    walls: 'white',
    tile: 'cut',
    tileReadPct: 0,
    evenPct: 75,
    ...more,
  });

/** Boxes that makers build again and again, for a window of any size. */
export const boxRecipes: readonly Recipe<BoxParams>[] = [
  {
    label: 'Strip behind two foams and acrylic',
    summary:
      '12 V strip in rows, two layers of 3 mm white foam and sanded acrylic, read on a test tile first.',
    of: (params) => ofStrip(params, { lit: '12v', diffuser: 'pe-3', layers: 2, over: 'acrylic-sanded' }),
  },
  {
    label: 'Addressable panel',
    summary: '5 V strip in rows behind the same foams and acrylic: patterns run over it.',
    of: (params) => ofStrip(params, { lit: '5v', diffuser: 'pe-3', layers: 2, over: 'acrylic-sanded' }),
  },
  {
    label: 'Dark until it is lit',
    summary: '12 V strip behind packing foam and tinted plastic: nearly black while it is off.',
    of: (params) => ofStrip(params, { lit: '12v', diffuser: 'packing', layers: 2, over: 'tinted' }),
  },
  {
    label: 'LEDs behind white foam',
    summary: 'Single flat-top LEDs in even rows behind 5 mm white foam, walls painted white.',
    of: (params) =>
      evened({
        ...params,
        lit: 'lamps',
        shine: 'flat-top',
        columns: timesIn(params.widthMm, LAMP_MM),
        rows: timesIn(params.heightMm, LAMP_MM),
        diffuser: 'pe-5',
        layers: 1,
        over: 'none',
        boredMm: 0,
        walls: 'white',
        tileReadPct: 0,
        evenPct: 60,
      }),
  },
];
