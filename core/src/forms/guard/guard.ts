import { type Check, choice, length, type ParamsOf } from '../../document';
import type { Vec2 } from '../../geometry';
import { sizeOf } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { bevelledNodes, cornerNodes, drawnOutline, sidedOutlineField, squareSides } from '../../outline';
import { ringCuts, ringsField } from '../held/rings';
import { facingField, profileField, sloping } from '../held/edges';
import { fitBevel, laminate, stackMm } from '../held/laminate';
import { arc, ellipse, rectangle, rounded } from '../held/outlines';
import { drawnCheck } from '../held/checks';
import { wallCheck } from '../held/seat';
import { isDrawn, isSized } from '../held/shape';
import { layerFigures } from '../held/hollow';

const fields = [
  choice(
    'shape',
    'Shape',
    [
      ['bar', 'bar'],
      ['disc', 'disc'],
      ['horns', 'horns'],
      ['drawn', 'drawn'],
    ],
    'Seen along the stick.',
    'Size',
  ),
  length('widthMm', 'Width', [20, 600], 'From side to side.', 'Size', {
    when: isSized,
    gives: [{ need: 'room', by: 2 }],
  }),
  length('deepMm', 'Depth', [15, 400], 'From front to back.', 'Size', {
    when: isSized,
    gives: [{ need: 'room', by: 2 }],
  }),
  length('bevelMm', 'Bevel', [0, 60], 'Round its edge, both faces; 0 leaves it square.', 'Edge'),
  facingField,
  profileField,
  sidedOutlineField(isDrawn),
  ringsField(isDrawn),
] as const;

export type GuardParams = ParamsOf<typeof fields>;

const WALL_MM = 6;

function outlineOf(params: GuardParams): { outline: Vec2[]; crosses: boolean } {
  const { widthMm: w, deepMm: d } = params;
  const o = { x: 0, y: 0 };
  switch (params.shape) {
    case 'drawn':
      return drawnOutline(params.outline);
    case 'disc':
      return { outline: ellipse(o, w / 2, d / 2), crosses: false };
    case 'bar':
      return { outline: rounded(o, w, d, Math.min(w, d) * 0.3), crosses: false };
    case 'horns':
      // Wide and thin at the ends, as deep as asked in the middle.
      return {
        outline: [
          { x: -w / 2, y: -d * 0.15 },
          ...arc(o, w * 0.2, d / 2, 200, 340, 8),
          { x: w / 2, y: -d * 0.15 },
          { x: w / 2, y: d * 0.15 },
          ...arc(o, w * 0.2, d / 2, 20, 160, 8),
          { x: -w / 2, y: d * 0.15 },
        ],
        crosses: false,
      };
  }
}

function design({ params, stack, through }: FormInput<GuardParams>): Design {
  const total = stackMm(stack);
  const { outline, crosses } = outlineOf(params);
  const bevel =
    params.bevelMm > 0
      ? fitBevel(outline, {
          widthMm: params.bevelMm,
          edgeMm: total * 0.3,
          profile: params.profile,
          ...sloping(params.edges, isDrawn(params) ? squareSides(params.outline) : []),
        })
      : undefined;
  const rings = ringCuts(isDrawn(params) ? params.rings : [], outline);
  const checks: Check[] = [...drawnCheck(crosses), ...rings.checks];
  for (const stick of through) {
    const [wide] = sizeOf(stick.section);
    const near = Math.min(...outline.map((p) => Math.hypot(p.x - stick.from.x, p.y - stick.from.y)));
    checks.push(...wallCheck(`guard-wall-${stick.id}`, stick.name, near - wide / 2, WALL_MM));
  }
  return {
    panels: laminate({
      id: 'guard',
      outline,
      stack,
      ...(bevel && { bevel }),
      cuts: () => rings.cuts,
      through,
      level: { footMm: -total / 2 },
    }),
    joins: [],
    roomMm: 0,
    figures: layerFigures(stack),
    checks,
  };
}

export const guard = defineForm<GuardParams>({
  kind: 'guard',
  label: 'Guard',
  summary: 'A level plate across the stick, with a hole for it.',
  zones: [],
  rides: { anchor: 'hand', alongMm: 75 },
  fields,
  developable: true,
  sheets: 'layers',
  startStack: [{ foamId: 'dense-eva', nominalMm: 10 }],
  defaults: () => ({
    shape: 'bar',
    widthMm: 190,
    deepMm: 45,
    bevelMm: 0,
    edges: 'all',
    profile: 'slope',
    rings: [],
    outline: bevelledNodes(
      cornerNodes([
        [-90, -12],
        [0, -28],
        [90, -12],
        [90, 12],
        [0, 28],
        [-90, 12],
      ]),
    ),
  }),
  design,
  silhouette: ({ widthMm }) => rectangle({ x: 0, y: 0 }, widthMm, 20),
});
