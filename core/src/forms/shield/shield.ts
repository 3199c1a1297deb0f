import { choice, count, length, type ParamsOf } from '../../document';
import type { Vec2 } from '../../geometry';
import { platePanel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { dishPanels } from './dish';
import { drawnCheck } from '../held/checks';
import { bevelledNodes, cornerNodes, drawnOutline, sidedOutlineField, squareSides } from '../../outline';
import { ringCuts, ringsField } from '../held/rings';
import { profileField, sloping } from '../held/edges';
import { fitBevel, laminate, stackMm } from '../held/laminate';
import { ellipse, mirrored, rounded } from '../held/outlines';
import { isDrawn, isSized } from '../held/shape';
import { layerFigures } from '../held/hollow';

/** Flatter than this a board is bent, not built. */
const LEAST_DISH_MM = 5;

const isRoundShield = (params: object): boolean => (params as { shape?: string }).shape === 'round';
const isDished = (params: object): boolean =>
  isRoundShield(params) && ((params as { dishMm?: number }).dishMm ?? 0) >= LEAST_DISH_MM;
const isFlat = (params: object): boolean => !isDished(params);

const fields = [
  choice(
    'shape',
    'Shape',
    [
      ['round', 'round'],
      ['point', 'pointed below'],
      ['tower', 'tower'],
      ['drawn', 'drawn'],
    ],
    'Seen from the front.',
    'Size',
  ),
  length('widthMm', 'Width', [150, 1200], 'From side to side.', 'Size', { when: isSized }),
  length('heightMm', 'Height', [150, 1600], 'From foot to top.', 'Size', { when: isSized }),
  length('dishMm', 'Dish', [0, 500], 'How deep the back is hollowed; 0 for a flat board.', 'Size', {
    when: isRoundShield,
  }),
  count('sectors', 'Sectors', [3, 12], 'Pieces each layer of a dish is cut in.', 'Size', { when: isDished }),
  length('bevelMm', 'Edge eased', [0, 60], 'From the edge inwards, both faces.', 'Edge', { when: isFlat }),
  profileField,
  length('bossMm', 'Boss', [0, 400], 'Across the disc in the middle; 0 for none.', 'Boss'),
  length('strapMm', 'Arm strap', [200, 900], 'Round the forearm, with overlap.', 'Hold'),
  sidedOutlineField(isDrawn),
  ringsField(isDrawn),
] as const;

export type ShieldParams = ParamsOf<typeof fields>;

function outlineOf({ shape, widthMm: w, heightMm: h, outline }: ShieldParams): {
  outline: Vec2[];
  crosses: boolean;
} {
  switch (shape) {
    case 'drawn':
      return drawnOutline(outline);
    case 'round':
      return { outline: ellipse({ x: 0, y: h / 2 }, w / 2, h / 2, 72), crosses: false };
    case 'tower':
      return { outline: rounded({ x: 0, y: h / 2 }, w, h, w * 0.12), crosses: false };
    case 'point': {
      const side = Array.from({ length: 13 }, (_, i): Vec2 => {
        const s = i / 12;
        return { x: (w / 2) * Math.sqrt(Math.sin((Math.min(1, s * 1.6) * Math.PI) / 2)), y: h * s };
      });
      return { outline: mirrored(side), crosses: false };
    }
  }
}

/** The fist hangs so far behind the middle of a dish, mm. */
const FIST_MM = 60;

function design(input: FormInput<ShieldParams>): Design {
  const { params, stack } = input;
  const total = stackMm(stack);
  const { outline, crosses } = outlineOf(params);
  const bevel =
    params.bevelMm > 0
      ? fitBevel(outline, {
          widthMm: params.bevelMm,
          edgeMm: total * 0.4,
          profile: params.profile,
          ...sloping('all', isDrawn(params) ? squareSides(params.outline) : []),
        })
      : undefined;
  const middle = outline.reduce((sum, p) => sum + p.y, 0) / outline.length;
  const t = input.foam.thicknessMm.value;
  // No deeper than half a ball of the shield's width.
  const deepMm = isDished(params) ? Math.min(params.dishMm, params.widthMm / 2) : 0;
  const round = (across: number): Vec2[] => ellipse({ x: 0, y: middle }, across / 2);
  const boss =
    params.bossMm > 10
      ? [
          platePanel({
            id: 'boss',
            name: 'boss',
            origin: { x: 0, y: deepMm > 0 ? deepMm + total : total / 2, z: 0 },
            across: { x: -1, y: 0, z: 0 },
            up: { x: 0, y: 0, z: 1 },
            outline: round(params.bossMm),
            cuts: [],
            sections: [
              { atMm: 0, region: [round(params.bossMm)] },
              { atMm: t, region: [round(params.bossMm * 0.8)] },
            ],
            ply: input.ply,
          }),
        ]
      : [];
  const rings = ringCuts(isDrawn(params) ? params.rings : [], outline);
  const board =
    deepMm > 0
      ? dishPanels({ ...params, deepMm, stack })
      : {
          panels: laminate({
            id: 'board',
            outline,
            stack,
            ...(bevel && { bevel }),
            cuts: () => rings.cuts,
            through: [],
          }),
          joins: [],
        };
  return {
    panels: [...board.panels, ...boss],
    joins: board.joins,
    roomMm: 0,
    heldAt: { x: 0, y: deepMm > 0 ? Math.max(0, deepMm - FIST_MM) : -total / 2 - 30, z: middle },
    fastenings: [
      {
        closure: 'buckle',
        where: 'across the back, round the forearm, and a second in the fist',
        count: 2,
        lengthMm: params.strapMm,
        overlapMm: 80,
      },
    ],
    figures: layerFigures(stack),
    checks: [...drawnCheck(crosses), ...rings.checks],
  };
}

export const shield = defineForm<ShieldParams>({
  kind: 'shield',
  label: 'Shield',
  summary: 'A board of layers, flat or dished, with a boss and straps for the arm.',
  zones: ['hand'],
  fields,
  developable: true,
  sheets: 'layers',
  startStack: [
    { foamId: 'floor-mat', nominalMm: 12 },
    { foamId: 'dense-eva', nominalMm: 4 },
  ],
  defaults: () => ({
    shape: 'round',
    widthMm: 470,
    heightMm: 470,
    dishMm: 0,
    sectors: 6,
    bevelMm: 8,
    profile: 'slope',
    bossMm: 140,
    strapMm: 420,
    rings: [],
    outline: bevelledNodes(
      cornerNodes([
        [-200, 60],
        [0, 0],
        [200, 60],
        [200, 460],
        [-200, 460],
      ]),
    ),
  }),
  design,
  silhouette: (params) => outlineOf(params).outline,
});
