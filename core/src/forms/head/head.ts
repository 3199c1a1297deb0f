import { choice, length, type ParamsOf } from '../../document';
import { boundsOf, type Vec2 } from '../../geometry';
import { sizeOf } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { drawnCheck } from '../held/checks';
import { bevelledNodes, drawnOutline, sidedOutlineField, squareSides } from '../../outline';
import { facingField, profileField, sloping } from '../held/edges';
import { ringCuts, ringsField } from '../held/rings';
import { fitBevel, laminate, stackMm, type Layer } from '../held/laminate';
import { arc, ellipse, mirrored, rectangle } from '../held/outlines';
import { wallCheck } from '../held/seat';
import { isDrawn, isSized } from '../held/shape';
import { hollowRoom, innerLayers, layerFigures } from '../held/hollow';

const fields = [
  choice(
    'shape',
    'Shape',
    [
      ['axe', 'axe'],
      ['double', 'double axe'],
      ['hammer', 'hammer'],
      ['round', 'round'],
      ['drawn', 'drawn'],
    ],
    'Seen from the front.',
    'Size',
  ),
  length('widthMm', 'Width', [40, 900], 'From side to side.', 'Size', { when: isSized }),
  length('heightMm', 'Height', [40, 900], 'Along the stick.', 'Size', { when: isSized }),
  length('bevelMm', 'Bevel', [0, 120], 'From the edge inwards, both faces.', 'Edge'),
  length('edgeMm', 'Edge left', [1, 60], 'Square at the very edge.', 'Edge'),
  facingField,
  profileField,
  length('cavityMm', 'Cavity', [0, 300], 'Round hollow in the middle layers for lamps; 0 for none.', 'Light'),
  length('cavityAtMm', 'Cavity across', [-400, 400], 'From the stick to the middle of the hollow.', 'Light', {
    when: (p) => (p as { cavityMm?: number }).cavityMm !== 0,
  }),
  sidedOutlineField(isDrawn),
  ringsField(isDrawn),
] as const;

export type HeadParams = ParamsOf<typeof fields>;

const start = bevelledNodes([
  { xMm: -20, yMm: 0, node: 'corner' },
  { xMm: 20, yMm: 0, node: 'corner' },
  { xMm: 90, yMm: 40, node: 'smooth' },
  { xMm: 40, yMm: 160, node: 'corner' },
  { xMm: -20, yMm: 120, node: 'corner' },
]);

/** An axe's one side: neck by the stick, cheeks that open, and a bow for an edge. */
function axeSide(w: number, h: number): Vec2[] {
  const neck = h * 0.28;
  const middle = h / 2;
  const bow = arc({ x: w * 0.55, y: middle }, w * 0.45, h / 2, -78, 78, 18);
  return [{ x: 0, y: middle - neck }, ...bow, { x: 0, y: middle + neck }];
}

function outlineOf(params: HeadParams): { outline: Vec2[]; crosses: boolean } {
  const { widthMm: w, heightMm: h } = params;
  const plain = (outline: Vec2[]) => ({ outline, crosses: false });
  switch (params.shape) {
    case 'drawn':
      return drawnOutline(params.outline);
    case 'round':
      return plain(ellipse({ x: 0, y: h / 2 }, w / 2, h / 2));
    case 'hammer':
      return plain(rectangle({ x: 0, y: h / 2 }, w, h));
    case 'double':
      return plain(mirrored(axeSide(w / 2, h)));
    case 'axe': {
      const poll = w * 0.22;
      return plain([{ x: -poll, y: h * 0.28 }, ...axeSide(w - poll, h), { x: -poll, y: h * 0.72 }]);
    }
  }
}

const WALL_MM = 8;

function design({ params, stack, through }: FormInput<HeadParams>): Design {
  const total = stackMm(stack);
  const { outline, crosses } = outlineOf(params);
  const bevel =
    params.bevelMm > 0
      ? fitBevel(outline, {
          widthMm: params.bevelMm,
          edgeMm: Math.min(params.edgeMm, total - 0.5),
          profile: params.profile,
          ...sloping(params.edges, isDrawn(params) ? squareSides(params.outline) : []),
        })
      : undefined;
  const b = boundsOf(outline);
  const rings = ringCuts(isDrawn(params) ? params.rings : [], outline);
  const middle = { x: params.cavityAtMm, y: (b.minY + b.maxY) / 2 };
  const hollowed = innerLayers(stack);
  const cavity = (layer: Layer) =>
    params.cavityMm > 0 && hollowed.some((l) => l.index === layer.index)
      ? [
          {
            id: 'cavity',
            name: `cavity ${params.cavityMm} mm`,
            outline: ellipse(middle, params.cavityMm / 2),
          },
        ]
      : [];
  return {
    panels: laminate({
      id: 'head',
      outline,
      stack,
      ...(bevel && { bevel }),
      through,
      cuts: (layer) => [...cavity(layer), ...rings.cuts],
    }),
    joins: [],
    roomMm: 0,
    rooms:
      params.cavityMm > 0
        ? hollowRoom('cavity', 'cavity', ellipse(middle, params.cavityMm / 2), {
            stack,
            within: outline,
            ...(bevel && { bevel }),
          })
        : [],
    figures: layerFigures(stack, bevel),
    checks: [
      ...drawnCheck(crosses),
      ...rings.checks,
      ...through.flatMap((stick) =>
        wallCheck(
          `socket-${stick.id}`,
          stick.name,
          (total - sizeOf(stick.section)[1]) / 2,
          Math.min(WALL_MM, 2),
        ).map((c) => ({
          ...c,
          remedies: [],
        })),
      ),
    ],
  };
}

export const head = defineForm<HeadParams>({
  kind: 'head',
  label: 'Axe, hammer or flat ornament',
  summary: 'Layers with a bevelled edge and a socket for the stick.',
  zones: [],
  rides: { anchor: 'tip', alongMm: -170 },
  fields,
  developable: true,
  sheets: 'layers',
  startStack: [
    { foamId: 'dense-eva', nominalMm: 10 },
    { foamId: 'dense-eva', nominalMm: 10 },
    { foamId: 'dense-eva', nominalMm: 10 },
  ],
  defaults: () => ({
    shape: 'axe',
    widthMm: 220,
    heightMm: 240,
    bevelMm: 25,
    edgeMm: 5,
    edges: 'all',
    profile: 'slope',
    cavityMm: 0,
    cavityAtMm: 60,
    rings: [],
    outline: start,
  }),
  design,
  silhouette: (params) => outlineOf(params).outline,
});
