import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import { dist3, type Vec3 } from '../../geometry';
import { offsetGrid, onGrid, platePiece } from '../../panel';
import { counted, firstOf, itemAt, lastOf, trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { windingOf } from './turns';

const isFoam = (params: object): boolean => (params as { of?: string }).of === 'foam';

const fields = [
  choice(
    'of',
    'Of',
    [
      ['foam', 'strips of foam'],
      ['leather', 'leather'],
      ['cloth', 'cloth tape'],
      ['cord', 'cord'],
    ],
    'What is wound.',
  ),
  length('widthMm', 'Width', [2, 120], 'Of the band, square across it.'),
  length('overlapMm', 'Overlap', [0, 60], 'Over the turn before; 0 lies edge to edge.'),
  length('fromMm', 'Begins above the lower edge', [0, 1000], 'Along the wall.'),
  length('toMm', 'Ends below the upper edge', [0, 1000], 'Along the wall.'),
  { ...madeOf, when: isFoam },
  { ...thicknessOf('Of the band.'), when: isFoam },
] as const;

/** By the metre, price and mass for a millimetre of width; from memory. */
const stuffs = {
  leather: { what: 'leather strip', price: 0.09, g: 0.7 },
  cloth: { what: 'cloth tape', price: 0.012, g: 0.2 },
  cord: { what: 'cord', price: 0.1, g: 1.2 },
} as const;

/** Edges that meet behind are no further apart than this, mm. */
const CLOSED_MM = 1.5;
/** Tucked under at either end, mm; common practice, no source. */
const TUCK_MM = 30;
/** Winding and pressing down, a metre; from memory. */
const MIN_PER_M = 4;
const STEPS = 40;
/** Points of the line that shows it, about. */
const MOST_DRAWN = 6000;

/** Length of a line in space, mm. */
const lengthOf = (line: readonly Vec3[]): number =>
  line.slice(1).reduce((sum, p, i) => sum + dist3(p, itemAt(line, i)), 0);

/** A band wound round a tube, a barrel or a cone: how long it is, its turns, and how its ends are cut. */
export const woundBand = defineFeature<ParamsOf<typeof fields>>({
  kind: 'wound-band',
  label: 'Wound band',
  verb: 'Wind a band round',
  picture: [draw.foam(draw.box(22, 2, 28, 44)), draw.casing('M20 8L52 14V22L20 16ZM20 22L52 28V36L20 30Z')],
  summary:
    'Leather, tape, cord or foam wound round a tube or cone, with its overlap and the angle of its ends.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['panel'],
  spotless: true,
  start: ({ panel }) => ({
    place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
    params: { of: 'leather', widthMm: 20, overlapMm: 4, fromMm: 0, toMm: 0, madeOf: 'part', foamMm: 2 },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid) return notLaid(feature, 'shape', 'the piece that carried a wound band is no longer there.');
    const { name, grid } = laid.panel;
    const t = laid.foam.thicknessMm.value;
    const face = offsetGrid(grid, t);
    if (grid.some((row) => dist3(firstOf(row), lastOf(row)) > CLOSED_MM))
      return notLaid(feature, 'shape', `a band is wound round what is closed; ${name} is open.`);
    const sheet = params.of === 'foam' ? ownSheet(on, params) : undefined;
    // Its middle lies half its thickness off the face.
    const middle = sheet ? offsetGrid(grid, t + sheet.thicknessMm.value / 2) : face;
    const girth = (v: number): number =>
      lengthOf(Array.from({ length: STEPS + 1 }, (_, i) => onGrid(middle, { x: i / STEPS, y: v })));
    const wallMm = lengthOf(
      Array.from({ length: STEPS + 1 }, (_, i) => onGrid(face, { x: 0.5, y: i / STEPS })),
    );
    const slantMm = wallMm - params.fromMm - params.toMm;
    const share = (mm: number): number => Math.min(1, Math.max(0, mm / wallMm));
    const winding = windingOf({
      startMm: girth(share(params.fromMm)),
      endMm: girth(share(wallMm - params.toMm)),
      slantMm,
      widthMm: params.widthMm,
      overlapMm: params.overlapMm,
    });
    if (!winding)
      return notLaid(
        feature,
        'shape',
        slantMm <= 0
          ? `a wound band begins above where it ends on ${name}.`
          : `a band of ${trimNumber(params.widthMm)} mm with ${trimNumber(params.overlapMm)} mm of overlap does not go round ${name}.`,
      );
    const { turns, lengthMm, endDeg, pitchMm } = winding;
    const cutMm = lengthMm + 2 * TUCK_MM;
    const made = nothing();
    // Where its lower edge runs.
    const steps = Math.max(8, Math.min(STEPS, Math.floor(MOST_DRAWN / turns)));
    const helix = Array.from({ length: Math.ceil(turns * steps) + 1 }, (_, i): Vec3 => {
      const done = Math.min(1, i / (turns * steps));
      return onGrid(face, { x: (i / steps) % 1, y: share(params.fromMm + done * slantMm) });
    });
    made.drawn.push({ kind: 'score', points: helix, acrossMm: 1 });
    if (sheet) {
      const most = Math.max(sheet.widthMm, sheet.heightMm) - 20;
      const pieces = Math.ceil(cutMm / most);
      made.pieces.push({
        ...platePiece(
          { id, name: 'wound band' },
          {
            origin: { x: 0, y: 0, z: 0 },
            across: { x: 1, y: 0, z: 0 },
            up: { x: 0, y: 1, z: 0 },
            outline: [
              { x: 0, y: 0 },
              { x: cutMm / pieces, y: 0 },
              { x: cutMm / pieces, y: params.widthMm },
              { x: 0, y: params.widthMm },
            ],
            cuts: [],
          },
          sheet,
        ),
        role: 'laid',
        featureId: id,
        face: 'outer',
        ownStep: true,
        each: pieces,
        note: `Wound round ${name}; lengths are butted.`,
      });
    } else {
      const stuff = stuffs[params.of as keyof typeof stuffs];
      made.bought.push({
        what: `${stuff.what}, ${trimNumber(params.widthMm)} mm`,
        unit: 'metres',
        count: Math.ceil(cutMm / 100) / 10,
        each: stuff.price * params.widthMm,
        massG: (cutMm / 1000) * stuff.g * params.widthMm,
        provenance: 'memory',
      });
    }
    made.work.push({
      step: 'bands',
      when: 'painted',
      verb: 'wind',
      what: 'bands',
      count: 1,
      eachMin: 5 + (cutMm / 1000) * MIN_PER_M,
      detail: `${trimNumber(cutMm, 0)} mm, ${TUCK_MM} mm of it tucked under at each end: ${counted(Math.ceil(turns), 'turn')}, ${trimNumber(pitchMm[0])} mm from turn to turn${Math.abs(pitchMm[0] - pitchMm[1]) > 0.1 ? ` below and ${trimNumber(pitchMm[1])} above` : ''}. Cut the first end ${trimNumber(endDeg[0], 0)}° off square and the last ${trimNumber(endDeg[1], 0)}°, so that they lie level with the rims; from below upwards, so that the overlap sheds water.`,
      cautions: ['solvent'],
      waitMin: 0,
    });
    return made;
  },
});
