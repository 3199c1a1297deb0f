import * as draw from '../../thumbnail';
import { count, length, type ParamsOf } from '../../document';
import { bendStrain, strainClass } from '../../foam';
import { add3, contains, dot3, rotate2, scale3, sub3, unit3, type Vec2, type Vec3 } from '../../geometry';
import type { FoamSheet } from '../../materials';
import {
  gridNormals,
  type LaidPanel,
  type Mark,
  offsetGrid,
  onGrid,
  type Piece,
  plateMesh,
  platePiece,
} from '../../panel';
import { counted, trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, panelOf } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { wayInSpace } from '../laying/spot';
import { type Arc, arcOf, flatMm, section } from './arc';

const fields = [
  length('widthMm', 'Width', [15, 300], 'Across its foot, outside.'),
  length('highMm', 'Height', [6, 150], 'Of its crown over the face; half the width makes it half-round.'),
  length('lengthMm', 'Length', [15, 800], 'The way it is turned.'),
  count('formers', 'Formers', [2, 20], 'Standing under the strip to keep its round, one at either end.'),
  madeOf,
  thicknessOf('Of the strip and its formers.', { usualMm: 6 }),
] as const;

/** A bevel less than this is not cut, mm. */
const LEAST_BEVEL_MM = 0.3;
/** The face may fall away from a straight foot by so much before it shows, mm; from memory. */
const GAP_MM = 2;
/** Marking, bending and gluing one hump, and each of its formers; from memory. */
const WRAP_MIN = 18;
const FORMER_MIN = 4;

const flatPlate = {
  origin: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
  cuts: [],
};

/** The strip that is bent over: as wide as its outer face is long, with a bevel at both feet where the inner is shorter. */
function stripOf(id: string, arc: Arc, lengthMm: number, sheet: FoamSheet): Piece {
  const [outer, inner] = [flatMm(arc, 'outer'), flatMm(arc, 'inner')];
  const [lossMm, t] = [(outer - inner) / 2, arc.thicknessMm];
  // From the corner of its box, as pieces are.
  const outline: Vec2[] = [
    { x: 0, y: 0 },
    { x: outer, y: 0 },
    { x: outer, y: lengthMm },
    { x: 0, y: lengthMm },
  ];
  const deg = (Math.atan2(lossMm, t) * 180) / Math.PI;
  const bevels = [lossMm, outer - lossMm].map((x): Mark => ({
    kind: 'bevel',
    points: [
      { x, y: 0 },
      { x, y: lengthMm },
    ],
    bevel: { face: 'back', deg },
  }));
  const piece = platePiece({ id: `${id}.strip`, name: 'hump, strip' }, { ...flatPlate, outline }, sheet);
  return {
    ...piece,
    ...(lossMm > LEAST_BEVEL_MM && {
      marks: [...piece.marks, ...bevels],
      volumeMm3: (lengthMm * t * (outer + inner)) / 2,
    }),
  };
}

/** How far the face lies below a straight foot anywhere under a hump, mm. */
function fallsMm(
  laid: LaidPanel,
  face: readonly Vec3[][],
  at: Vec3,
  out: Vec3,
  spots: readonly Vec2[],
): number {
  return spots.reduce((most, spot) => {
    const uv = laid.uvAt(spot);
    return uv ? Math.max(most, Math.abs(dot3(sub3(onGrid(face, uv), at), out))) : most;
  }, 0);
}

/** A half-round hump on a face: a strip bent over formers, cut to its arc. */
export const hump = defineFeature<ParamsOf<typeof fields>>({
  kind: 'hump',
  label: 'Hump',
  verb: 'Round hump',
  picture: [draw.plate, draw.foam('M8 34A16 16 0 0 1 40 34L64 34A16 16 0 0 0 32 18L24 18Z')],
  summary: 'A strip of foam bent over formers: half of a tube, or less of it, along a face.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { widthMm: 40, highMm: 16, lengthMm: 50, formers: 2, madeOf: 'part', foamMm: 4 },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a hump is no longer there.');
    const { name } = laid.panel;
    const { widthMm, lengthMm, formers } = params;
    const sheet = ownSheet(on, params);
    const t = sheet.thicknessMm.value;
    // More than half of a tube would close in again.
    const highMm = Math.min(params.highMm, widthMm / 2);
    if (highMm <= t + 1)
      return notLaid(
        feature,
        'shape',
        `a hump on ${name} is hardly higher than its foam: a raised layer does.`,
      );
    const arc = arcOf(widthMm, highMm, t, sheet.neutralFraction.value);
    const spot = laid.flatAt({ x: place.u, y: place.v });
    const flatOf = (x: number, y: number): Vec2 => {
      const p = rotate2({ x: x * widthMm, y: y * lengthMm }, (-place.turnDeg * Math.PI) / 180);
      return { x: spot.x + p.x, y: spot.y + p.y };
    };
    const foot = [flatOf(-0.5, -0.5), flatOf(0.5, -0.5), flatOf(0.5, 0.5), flatOf(-0.5, 0.5)];
    if (foot.some((p) => !contains(laid.piece.outline, p)))
      return notLaid(feature, 'shape', `a hump reaches beyond ${name}.`);
    const inside = section(arc, arc.radiusMm - t);
    const made = nothing();
    const own = { role: 'laid', featureId: id, face: 'outer', ownStep: true } as const;
    made.pieces.push(
      {
        ...stripOf(id, arc, lengthMm, sheet),
        ...own,
        note: `Bent over its formers on ${name}, both feet on the face.`,
      },
      {
        ...platePiece({ id: `${id}.former`, name: 'hump, former' }, { ...flatPlate, outline: inside }, sheet),
        ...own,
        each: formers,
        note: `Upright under the strip, one at either end${formers > 2 ? ', the others evenly between' : ''}.`,
      },
    );
    made.marks.push({
      pieceId: laid.panel.id,
      mark: { kind: 'glue', points: [...foot, foot[0]!], text: 'hump' },
    });
    const uv = { x: place.u, y: place.v };
    const out = unit3(onGrid(gridNormals(laid.panel.grid), uv));
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    const at = onGrid(face, uv);
    const { along, across } = wayInSpace(out, place.turnDeg);
    made.solids.push(
      plateMesh(
        {
          origin: add3(at, scale3(along, lengthMm / 2)),
          across,
          up: out,
          outline: section(arc, arc.radiusMm),
          cuts: [],
        },
        lengthMm,
      ),
    );
    const strain = bendStrain({
      thicknessMm: t,
      insideRadiusMm: arc.radiusMm - t,
      neutralFraction: sheet.neutralFraction.value,
    });
    const how = strainClass(strain);
    made.work.push({
      step: 'humps',
      when: 'formed',
      verb: 'wrap',
      what: 'humps',
      count: 1,
      eachMin: WRAP_MIN + FORMER_MIN * formers,
      detail: `${counted(formers, 'former')} glued upright on the marked foot; the strip ${how === 'cold' ? 'bent' : 'warmed, bent over a pipe and held until it is cool, then'} glued over them from one foot to the other.`,
      cautions: how === 'cold' ? ['solvent'] : ['heat', 'solvent'],
      waitMin: 0,
    });
    const check = { station: 'shape', pieceId: laid.panel.id } as const;
    const set = (key: string, value: number) => [{ path: featurePath(on, feature, 'params', key), value }];
    if (params.highMm > widthMm / 2)
      made.checks.push({
        ...check,
        id: `hump-high-${id}`,
        severity: 'mind',
        title: `a hump on ${name} is higher than half its width; it is made half-round, ${trimNumber(widthMm / 2, 1)} mm high.`,
        why: 'More than half of a tube would close in again above its foot.',
        provenance: 'standard',
        excess: params.highMm - widthMm / 2,
        remedies: [
          { label: `${trimNumber(widthMm / 2, 1)} mm high`, changes: set('highMm', widthMm / 2) },
          {
            label: `${trimNumber(2 * params.highMm, 1)} mm wide`,
            changes: set('widthMm', 2 * params.highMm),
          },
        ],
      });
    if (how === 'grooved' || how === 'laminate')
      made.checks.push({
        ...check,
        id: `hump-bend-${id}`,
        severity: 'mind',
        title: `${sheet.name} stretches ${trimNumber(strain * 100, 0)} % over a hump on ${name}, more than heat gives.`,
        why: 'It tears or springs open. Thinner foam, or a wider hump.',
        provenance: 'memory',
        excess: strain,
        remedies: [2, 3, 4]
          .filter((mm) => mm < params.foamMm)
          .reverse()
          .map((mm) => ({ label: `${mm} mm foam`, changes: set('foamMm', mm) })),
      });
    const falls = fallsMm(laid, face, at, out, [
      ...foot,
      flatOf(0, -0.5),
      flatOf(0, 0.5),
      flatOf(-0.5, 0),
      flatOf(0.5, 0),
    ]);
    if (falls > GAP_MM)
      made.checks.push({
        ...check,
        id: `hump-foot-${id}`,
        severity: 'mind',
        title: `${name} falls ${trimNumber(falls, 0)} mm away under a hump that is straight at its foot.`,
        why: 'Cut the feet and the formers to the curve, or turn it along the straight of the piece; a shorter hump leaves less.',
        provenance: 'memory',
        excess: falls - GAP_MM,
        remedies: [],
      });
    return made;
  },
});
