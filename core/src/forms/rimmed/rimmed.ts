import { choice, length, type ParamsOf } from '../../document';
import { boundsOf, grown, largestRing, outlineLength, signedArea, type Vec2 } from '../../geometry';
import { boxRoom, type Join, type Panel, platePanel } from '../../panel';
import { trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { drawnCheck } from '../held/checks';
import { cornerNodes, drawnOutline, outlineField } from '../held/drawn';
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
    'Form',
  ),
  length('widthMm', 'Width', [40, 1200], 'Outside, from side to side.', 'Form', { when: isSized }),
  length('heightMm', 'Height', [40, 1200], 'Outside, from foot to top.', 'Form', { when: isSized }),
  length('wallMm', 'Wall', [8, 400], 'How far the wall stands behind the plate.', 'Wall'),
  choice(
    'turns',
    'Turns of the wall',
    [
      ['groove', 'a groove at each'],
      ['partial', 'a partial cut with a depth stop'],
      ['scores', 'a run of scores'],
    ],
    'How the strip follows the corners.',
    'Wall',
  ),
  outlineField(isDrawn),
] as const;

export type RimmedParams = ParamsOf<typeof fields>;

/** Strips are kept this far from the edge of their sheet. */
const SPARE_MM = 30;
/** A wall turns rather than bends where its outline turns by more than this, degrees. */
const TURN_DEG = 12;
/** No fold goes round a sharper corner than this: the wall is glued from two lengths there, degrees. */
const SHARP_DEG = 130;

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

/** A ring with points no further apart than a step, its own corners kept. */
function dense(ring: readonly Vec2[], stepMm: number): Vec2[] {
  return ring.flatMap((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    const n = Math.max(1, Math.ceil(Math.hypot(q.x - p.x, q.y - p.y) / stepMm));
    return Array.from({ length: n }, (_, k) => ({
      x: p.x + ((q.x - p.x) * k) / n,
      y: p.y + ((q.y - p.y) * k) / n,
    }));
  });
}

/** How far a ring turns at one of its points, degrees, either way. */
function turnAt(ring: readonly Vec2[], i: number): number {
  const [a, p, b] = [-1, 0, 1].map((k) => ring[(i + k + ring.length) % ring.length]!) as [Vec2, Vec2, Vec2];
  const turn = Math.atan2(
    (p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x),
    (p.x - a.x) * (b.x - p.x) + (p.y - a.y) * (b.y - p.y),
  );
  return (Math.abs(turn) * 180) / Math.PI;
}

/** A corner no fold goes round, be it cut off with a short flat. */
function isSharp(ring: readonly Vec2[], i: number, foamMm: number): boolean {
  const [p, next] = [ring[i]!, ring[(i + 1) % ring.length]!];
  const blunt = Math.hypot(next.x - p.x, next.y - p.y) < 2 * foamMm ? turnAt(ring, (i + 1) % ring.length) : 0;
  return turnAt(ring, i) + blunt > SHARP_DEG;
}

function design({ params, foam, ply }: FormInput<RimmedParams>): Design {
  const t = foam.thicknessMm.value;
  const { outline, crosses } = outlineOf(params);
  const inner = largestRing(grown([outline], -t));
  const usable = inner.length >= 3 && Math.abs(signedArea(inner)) > 100;
  const ring = usable ? inner : outline;
  // Begin in the middle of a flat, so that no seam lies in a corner.
  const points = dense(ring, 40);
  const run = outlineLength(points);
  const most = Math.max(foam.widthMm, foam.heightMm) - SPARE_MM;
  const count = Math.max(1, Math.ceil((run + 2 * Math.PI * t) / most));
  const per = Math.ceil(points.length / count);
  const begins = points.flatMap((_, i) => (i % per === 0 || isSharp(points, i, t) ? [i] : []));
  const strips = begins.map((from, i) => {
    const to = begins[i + 1] ?? points.length;
    return Array.from({ length: to - from + 1 }, (_, k) => points[(from + k) % points.length]!);
  });
  // The wall stands behind the plate, its face outwards.
  const walls = strips.map((strip, i): Panel => ({
    id: strips.length === 1 ? 'wall' : `wall-${i + 1}`,
    name: strips.length === 1 ? 'wall' : `wall, length ${i + 1}`,
    grid: [-params.wallMm, -params.wallMm / 2, 0].map((y) => strip.map((p) => ({ x: -p.x, y, z: p.y }))),
    edges: { bottom: 'back edge', right: 'seam', top: 'plate edge', left: 'seam' },
    hung: { top: { by: 'glue', words: 'glued behind the plate, flush with its edge' } },
    ply,
  }));
  const joins = walls.map((wall, i): Join => ({
    a: [wall.id, 'right'],
    b: [walls[(i + 1) % walls.length]!.id, 'left'],
    kind: 'seam',
  }));
  const turns = ring.filter((_, i) => turnAt(ring, i) > TURN_DEG).length;
  const words = {
    groove: 'a V groove behind each turn',
    partial: `a partial cut, the blade held ${trimNumber(t * 0.6)} mm deep between stops`,
    scores: 'a run of scores 4 mm apart, opened with heat',
  }[params.turns];
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
      ...(usable ? walls : []),
    ],
    joins: usable ? joins : [],
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
      { key: 'wall', label: 'wall, inside', value: run, unit: 'mm', decimals: 0 },
      { key: 'turns', label: 'turns', value: turns, unit: '', decimals: 0 },
    ],
    checks: drawnCheck(crosses),
    work:
      turns > 0
        ? [
            {
              step: 'turns',
              when: 'flat',
              verb: 'cut',
              what: 'turns of the wall',
              count: turns,
              eachMin: 2,
              detail: `On the strip, ${words}; bend it round the plate before it is glued.`,
              cautions: ['blade'],
              waitMin: 0,
            },
          ]
        : [],
  };
}

export const rimmed = defineForm<RimmedParams>({
  kind: 'rimmed-plate',
  label: 'Rimmed plate',
  summary: 'Any outline with a wall round its edge: pack, machine face, dial.',
  zones: [],
  rides: { anchor: 'hand', alongMm: 0 },
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
