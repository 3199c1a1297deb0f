import { choice, length, type ParamsOf } from '../../document';
import { boundsOf, grown, largestRing, outlineLength, signedArea, type Vec2 } from '../../geometry';
import { boxRoom, platePanel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { drawnCheck } from '../held/checks';
import { cornerNodes, drawnOutline, outlineField } from '../../outline';
import { foldedWall } from '../held/foldedWall';
import { ellipse, regular, rounded } from '../held/outlines';
import { isDrawn, isSized } from '../held/shape';

const fields = [
  choice(
    'shape',
    'Shape',
    [
      ['round', 'round'],
      ['hexagon', 'hexagon'],
      ['square', 'rounded square'],
      ['drawn', 'drawn'],
    ],
    'Of the plate.',
    'Size',
  ),
  length('widthMm', 'Width', [40, 1200], 'Outside, from side to side.', 'Size', { when: isSized }),
  length('heightMm', 'Height', [40, 1200], 'Outside, from foot to top.', 'Size', { when: isSized }),
  length('wallMm', 'Wall', [8, 400], 'How far the wall stands behind the plate.', 'Wall'),
  choice(
    'turns',
    'Turns of the wall',
    [
      ['groove', 'as the shop folds'],
      ['partial', 'a partial cut with a depth stop'],
      ['scores', 'a run of scores, opened with heat'],
    ],
    'How the strip is folded at its corners.',
    'Wall',
  ),
  outlineField(isDrawn),
] as const;

export type RimmedParams = ParamsOf<typeof fields>;

/** Strips are kept this far from the edge of their sheet. */
const SPARE_MM = 30;
function outlineOf(params: RimmedParams): { outline: Vec2[]; crosses: boolean } {
  const { widthMm: w, heightMm: h } = params;
  const o = { x: 0, y: h / 2 };
  switch (params.shape) {
    case 'drawn':
      return drawnOutline(params.outline);
    case 'round':
      return { outline: ellipse(o, w / 2, h / 2, 60), crosses: false };
    case 'hexagon': {
      const hex = regular({ x: 0, y: 0 }, 6, 1);
      const b = boundsOf(hex);
      return {
        outline: hex.map((p) => ({
          x: (p.x / (b.maxX - b.minX)) * w,
          y: h / 2 + (p.y / (b.maxY - b.minY)) * h,
        })),
        crosses: false,
      };
    }
    case 'square':
      return { outline: rounded(o, w, h, Math.min(w, h) * 0.15), crosses: false };
  }
}

/** Turns that are made otherwise than the shop's other folds. */
const methods = {
  groove: {},
  partial: { method: 'partial-cut' },
  scores: { method: 'heat-and-fold' },
} as const;

function design({ params, foam, ply }: FormInput<RimmedParams>): Design {
  const t = foam.thicknessMm.value;
  const { outline, crosses } = outlineOf(params);
  const inner = largestRing(grown([outline], -t));
  const usable = inner.length >= 3 && Math.abs(signedArea(inner)) > 100;
  const ring = usable ? inner : outline;
  const wall = foldedWall({
    id: 'wall',
    name: 'wall',
    ring,
    // The wall stands behind the plate, its face outwards.
    toSpace: (p, height) => ({ x: -p.x, y: (height - 1) * params.wallMm, z: p.y }),
    edges: { bottom: 'back edge', top: 'plate edge' },
    attached: { top: { by: 'glue', words: 'glued behind the plate, flush with its edge' } },
    longestMm: Math.max(foam.widthMm, foam.heightMm) - SPARE_MM,
    foamMm: t,
    ...methods[params.turns],
    ply,
  });
  return {
    panels: [
      platePanel({
        id: 'plate',
        name: 'plate',
        origin: { x: 0, y: 0, z: 0 },
        across: { x: -1, y: 0, z: 0 },
        up: { x: 0, y: 0, z: 1 },
        outline,
        cuts: [],
        ply,
      }),
      ...(usable ? wall.panels : []),
    ],
    joins: usable ? wall.joins : [],
    roomMm: 0,
    rooms: usable
      ? [
          boxRoom('inside', 'behind the plate', ring, params.wallMm, (p, depth) => ({
            x: -p.x,
            y: -depth,
            z: p.y,
          })),
        ]
      : [],
    figures: [
      { key: 'wall', label: 'wall, inside', value: outlineLength(ring), unit: 'mm', decimals: 0 },
      { key: 'turns', label: 'turns', value: usable ? wall.folds : 0, unit: '', decimals: 0 },
    ],
    checks: drawnCheck(crosses),
  };
}

export const rimmed = defineForm<RimmedParams>({
  kind: 'rimmed-plate',
  label: 'Rimmed plate',
  summary: 'Any outline with a wall round its edge: pack, machine face, dial.',
  zones: [],
  rides: { anchor: 'tip', alongMm: 0 },
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 6 }],
  defaults: () => ({
    shape: 'hexagon',
    widthMm: 200,
    heightMm: 200,
    wallMm: 35,
    turns: 'groove',
    outline: cornerNodes([
      [-80, 0],
      [80, 0],
      [100, 120],
      [0, 180],
      [-100, 120],
    ]),
  }),
  design,
  silhouette: (params) => outlineOf(params).outline,
});
