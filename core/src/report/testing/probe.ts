import { limbGirthMm } from '../../body';
import { length, type ParamsOf } from '../../document';
import { features, nothing } from '../../features';
import { defineFeature, notLaid, panelOf } from '../../features/contract';
import { defineForm } from '../../forms/contract';
import { forms } from '../../forms';
import type { Vec2 } from '../../geometry';
import { gridOf, onGrid, onSlice } from '../../panel';
import { kindsOf } from '../../parts/kinds';

const ringFields = [
  length('atMm', 'Up the arm', [0, 300], 'From the elbow to the lower edge.'),
  length('heightMm', 'Height', [20, 120], 'From lower to upper edge.'),
  length('roomMm', 'Room', [2, 40], 'All round.', 'Room', { gives: [{ need: 'room', by: 1 }] }),
] as const;

/** A closed ring worn on the upper arm. */
export const armlet = defineForm<ParamsOf<typeof ringFields>>({
  kind: 'armlet',
  label: 'Armlet',
  summary: 'A closed ring round the upper arm.',
  zones: ['upperArm'],
  fields: ringFields,
  defaults: () => ({ atMm: 90, heightMm: 50, roomMm: 10 }),
  design: ({ params, body, underLayerMm, liningMm }) => {
    const radius =
      limbGirthMm(body, 'upperArm', params.atMm + params.heightMm) / (2 * Math.PI) +
      underLayerMm +
      liningMm +
      params.roomMm;
    return {
      panels: [
        {
          id: 'ring',
          name: 'ring',
          grid: gridOf(48, 4, (u, v) =>
            onSlice(
              { a: radius, b: radius, x: 0, y: 0, z: params.atMm + v * params.heightMm },
              -90 + 360 * u,
              0,
            ),
          ),
          edges: { bottom: 'lower edge', right: 'seam', top: 'upper edge', left: 'seam' },
        },
      ],
      joins: [{ a: ['ring', 'right'], b: ['ring', 'left'], kind: 'seam' }],
      measures: ['upperArmGirth'],
      roomMm: params.roomMm,
    };
  },
  silhouette: ({ heightMm }) => [
    { x: -50, y: 0 },
    { x: 50, y: 0 },
    { x: 50, y: heightMm },
    { x: -50, y: heightMm },
  ],
});

const hoopFields = [length('acrossMm', 'Across', [60, 400], 'Inside.')] as const;

/** The same by itself, on a stand. */
export const hoop = defineForm<ParamsOf<typeof hoopFields>>({
  kind: 'hoop',
  label: 'Hoop',
  summary: 'A ring that stands by itself.',
  zones: [],
  fields: hoopFields,
  developable: true,
  defaults: () => ({ acrossMm: 180 }),
  design: ({ params }) => ({
    panels: [
      {
        id: 'hoop',
        name: 'hoop',
        grid: gridOf(60, 3, (u, v) =>
          onSlice({ a: params.acrossMm / 2, b: params.acrossMm / 2, x: 0, y: 0, z: v * 40 }, 360 * u, 0),
        ),
        edges: { bottom: 'lower edge', right: 'seam', top: 'upper edge', left: 'seam' },
      },
    ],
    joins: [{ a: ['hoop', 'right'], b: ['hoop', 'left'], kind: 'seam' }],
    roomMm: 0,
  }),
  silhouette: ({ acrossMm }) => [
    { x: 0, y: 0 },
    { x: acrossMm, y: 0 },
    { x: acrossMm, y: 40 },
    { x: 0, y: 40 },
  ],
});

const dotFields = [length('acrossMm', 'Across', [2, 60], 'Of the dot.')] as const;

const ringRound = (c: Vec2, r: number): Vec2[] =>
  Array.from({ length: 12 }, (_, i) => ({
    x: c.x + r * Math.cos((i / 12) * 2 * Math.PI),
    y: c.y + r * Math.sin((i / 12) * 2 * Math.PI),
  }));

/** A dot engraved in the outer face. */
export const dot = defineFeature<ParamsOf<typeof dotFields>>({
  kind: 'dot',
  label: 'Dot',
  verb: 'Engrave a dot',
  picture: [],
  summary: 'A round hollow in the outer face.',
  station: 'shape',
  fields: dotFields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { acrossMm: 12 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a dot is gone.');
    const at = { x: place.u, y: place.v };
    return {
      ...nothing(),
      marks: [
        {
          pieceId: laid.panel.id,
          mark: {
            kind: 'score',
            points: ringRound(laid.flatAt(at), params.acrossMm / 2),
            text: 'engraved dot',
          },
        },
      ],
      drawn: [{ kind: 'score', points: [onGrid(laid.panel.grid, at)], acrossMm: params.acrossMm }],
      bought: [
        { what: 'ball burr', unit: 'pieces', count: 1, each: 2, massG: 0, provenance: 'memory' as const },
      ],
      work: [
        {
          step: 'dots',
          when: 'flat' as const,
          verb: 'engrave',
          what: 'dots',
          count: 1,
          eachMin: 4,
          detail: 'With a ball burr, before the shell is formed.',
          cautions: ['dust' as const],
          waitMin: 0,
        },
      ],
    };
  },
});

/** The product with one form worn, one on a stand, and one feature more. */
export const withProbes = kindsOf([...forms, armlet, hoop], [...features, dot]);
