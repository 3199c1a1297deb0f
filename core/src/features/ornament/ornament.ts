import * as draw from '../../thumbnail';
import { itemAt, firstOf } from '../../units';
import { choice, count, length, type ParamsOf } from '../../document';
import { add3, cross3, dist3, dot3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../../geometry';
import { gridNormals, offsetGrid, onGrid, type Piece, plateMesh, platePiece } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';

const fields = [
  choice(
    'shape',
    'Shape',
    [
      ['circle', 'circle'],
      ['hexagon', 'hexagon'],
      ['square', 'square'],
      ['diamond', 'diamond'],
    ],
    'Of every piece.',
  ),
  length('acrossMm', 'Across', [4, 300], 'Of the lowest tier.'),
  count('count', 'How many', [1, 40], 'Evenly along the line, both ends included.'),
  count('tiers', 'Tiers', [1, 6], 'Pieces glued on each other.'),
  length('stepMm', 'Step', [0, 60], 'How much narrower each tier is than the one below, all round.'),
  madeOf,
  thicknessOf('Of each tier.', { usualMm: 6 }),
] as const;

const corners = { circle: 24, hexagon: 6, square: 4, diamond: 4 } as const;

/** A regular outline about nought, so far across its flats. */
function outlineOf(shape: keyof typeof corners, acrossMm: number): Vec2[] {
  const n = corners[shape];
  const r = acrossMm / 2 / Math.cos(Math.PI / n);
  const first = shape === 'square' ? Math.PI / 4 : shape === 'diamond' ? 0 : Math.PI / n;
  return Array.from({ length: n }, (_, i) => ({
    x: r * Math.cos(first + (i / n) * 2 * Math.PI),
    y: r * Math.sin(first + (i / n) * 2 * Math.PI),
  }));
}

/** Points spaced evenly along a line over a face, both ends included; the middle for one. */
function evenly(at: (t: number) => Vec3, n: number): number[] {
  if (n === 1) return [0.5];
  const steps = 120;
  const run = [0];
  for (let i = 1; i <= steps; i++) run.push(itemAt(run, i - 1) + dist3(at((i - 1) / steps), at(i / steps)));
  return Array.from({ length: n }, (_, k) => {
    const want = (itemAt(run, steps) * k) / (n - 1);
    const i = Math.max(
      1,
      run.findIndex((mm) => mm >= want - 1e-9),
    );
    const step = itemAt(run, i) - itemAt(run, i - 1);
    return (i - 1 + (step === 0 ? 0 : (want - itemAt(run, i - 1)) / step)) / steps;
  });
}

/** A small piece, or a stack of them, repeated along a line and cut from one template. */
export const ornament = defineFeature<ParamsOf<typeof fields>>({
  kind: 'ornament',
  label: 'Ornament',
  verb: 'Row of ornaments',
  picture: [draw.plate, draw.foam('M8 34l10 -20l10 20ZM26 34l10 -20l10 20ZM44 34l10 -20l10 20Z')],
  summary: 'A small shape or a stack of them, repeated evenly along a line.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['path'],
  start: ({ panel }) => ({
    place: {
      on: 'path',
      panel,
      points: [
        [0.2, 0.5],
        [0.8, 0.5],
      ],
    },
    params: { shape: 'hexagon', acrossMm: 24, count: 5, tiers: 2, stepMm: 4, madeOf: 'part', foamMm: 4 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'path' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'path')
      return notLaid(feature, 'shape', 'the piece that carried ornaments is no longer there.');
    const widths = Array.from(
      { length: params.tiers },
      (_, i) => params.acrossMm - 2 * i * params.stepMm,
    ).filter((mm) => mm >= 3);
    const sheet = ownSheet(on, params);
    const t = sheet.thicknessMm.value;
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    const normals = gridNormals(laid.panel.grid);
    const way = (s: number): Vec2 => {
      const k = Math.min(place.points.length - 2, Math.floor(s * (place.points.length - 1)));
      const [a, b] = [itemAt(place.points, k), itemAt(place.points, k + 1)];
      const f = s * (place.points.length - 1) - k;
      return { x: a[0] + f * (b[0] - a[0]), y: a[1] + f * (b[1] - a[1]) };
    };
    const spots = evenly((s) => onGrid(face, way(s)), params.count).map(way);
    const made = nothing();
    widths.forEach((acrossMm, tier) => {
      const outline = outlineOf(params.shape, acrossMm);
      const piece: Piece = platePiece(
        {
          id: `${feature.id}.${tier + 1}`,
          name: widths.length === 1 ? 'ornament' : `ornament, tier ${tier + 1}`,
        },
        {
          origin: firstOf(firstOf(face)),
          across: { x: 1, y: 0, z: 0 },
          up: { x: 0, y: 0, z: 1 },
          outline,
          cuts: [],
        },
        sheet,
      );
      made.pieces.push({
        ...piece,
        role: 'laid',
        featureId: feature.id,
        face: 'outer',
        each: params.count,
        note: `${params.count} from one template, on ${laid.panel.name}.`,
      });
      for (const uv of spots) {
        const out = unit3(onGrid(normals, uv));
        const at = add3(onGrid(face, uv), scale3(out, tier * t));
        // Upright where the face lets it be.
        const rise = { x: 0, y: 0, z: 1 };
        const level = sub3(rise, scale3(out, dot3(rise, out)));
        const up = unit3(
          Math.hypot(level.x, level.y, level.z) < 1e-3 ? cross3(out, { x: 1, y: 0, z: 0 }) : level,
        );
        made.solids.push(plateMesh({ origin: at, across: cross3(up, out), up, outline, cuts: [] }, t));
      }
    });
    for (const uv of spots)
      made.marks.push({
        pieceId: laid.panel.id,
        mark: {
          kind: 'glue',
          points: closed(
            outlineOf(params.shape, params.acrossMm).map((p) => {
              const c = laid.flatAt(uv);
              return { x: c.x + p.x, y: c.y + p.y };
            }),
          ),
        },
      });
    return made;
  },
});

const closed = (ring: readonly Vec2[]): Vec2[] => [...ring, firstOf(ring)];
