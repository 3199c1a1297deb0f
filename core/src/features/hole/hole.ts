import * as draw from '../../thumbnail';
import { count, length, type ParamsOf } from '../../document';
import { distanceToEdge, type Vec2 } from '../../geometry';
import { trimNumber } from '../../units';
import { offsetGrid, onGrid } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';

const isRing = (params: object): boolean => Number((params as { count?: number }).count) > 1;

const fields = [
  length('diameterMm', 'Across', [2, 120], 'Of the hole.'),
  count('count', 'How many', [1, 60], 'Evenly on a circle about the spot; one stands on it.'),
  length('ringMm', 'Circle across', [5, 600], 'Through their middles.', 'Size', { when: isRing }),
] as const;

/** Least foam between a hole and an edge, mm; common practice, no source. */
const LEAST_MM = 6;

/** Middles evenly on a circle about a spot, the first the way it is turned; one stands on the spot. */
const ringOf = ({ x, y }: Vec2, many: number, acrossMm: number, turnDeg: number): Vec2[] =>
  many === 1
    ? [{ x, y }]
    : Array.from({ length: many }, (_, i) => {
        const t = Math.PI / 2 - (turnDeg * Math.PI) / 180 + (2 * Math.PI * i) / many;
        return { x: x + (acrossMm / 2) * Math.cos(t), y: y + (acrossMm / 2) * Math.sin(t) };
      });

/** A round hole cut through, or a ring of them. */
export const hole = defineFeature<ParamsOf<typeof fields>>({
  kind: 'hole',
  label: 'Hole',
  verb: 'Hole',
  picture: [draw.plate, draw.clear(draw.discs(10, [36, 24]))],
  summary: 'A round hole cut through, or a ring of them, for a post, a cord or air.',
  station: 'shape',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { diameterMm: 10, count: 1, ringMm: 40 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a hole is no longer there.');
    const { count: many, ringMm, diameterMm } = params;
    const centres = ringOf(laid.flatAt({ x: place.u, y: place.v }), many, ringMm, place.turnDeg);
    // From middle to middle round the circle: a chord of it.
    const bridgeMm = many > 1 ? ringMm * Math.sin(Math.PI / many) - diameterMm : Infinity;
    if (bridgeMm < 0.5)
      return notLaid(
        feature,
        'shape',
        `${many} holes of ${diameterMm} mm on a circle of ${ringMm} mm run into each other.`,
      );
    const uvs = centres.map((c) => laid.uvAt(c));
    const left = Math.min(
      ...centres.map((c, i) => (uvs[i] ? 1 : -1) * distanceToEdge(laid.piece.outline, c) - diameterMm / 2),
    );
    if (left < 1)
      return notLaid(
        feature,
        'shape',
        `a hole of ${params.diameterMm} mm breaks the edge of ${laid.panel.name}.`,
      );
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    return {
      ...nothing(),
      holes: centres.map((centre, i) => ({
        pieceId: laid.panel.id,
        hole: {
          id: i === 0 ? feature.id : `${feature.id}.${i + 1}`,
          kind: 'hole',
          centre,
          diameterMm,
          airs: true,
        },
      })),
      drawn: uvs.flatMap((uv) =>
        uv ? [{ kind: 'hole', points: [onGrid(face, uv)], acrossMm: diameterMm }] : [],
      ),
      work: [
        {
          step: 'holes',
          when: 'flat',
          verb: 'cut',
          what: 'holes',
          count: many,
          eachMin: many > 1 ? 2 : 3,
          detail: 'Before the outline, while the sheet still holds; a sharpened tube cuts them clean.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ],
      checks:
        Math.min(left, bridgeMm) < LEAST_MM
          ? [
              {
                id: `hole-${feature.id}`,
                severity: 'mind',
                station: 'shape',
                title: `${laid.panel.name}: a hole stands ${trimNumber(Math.min(left, bridgeMm))} mm from ${left <= bridgeMm ? 'an edge' : 'the next one'}; keep ${LEAST_MM} mm.`,
                why: 'A thin bridge of foam tears when it is bent.',
                provenance: 'practice',
                excess: LEAST_MM - Math.min(left, bridgeMm),
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : [],
    };
  },
});
