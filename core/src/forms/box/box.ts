import { choice, length, type ParamsOf } from '../../document';
import type { Vec3 } from '../../geometry';
import { boxPanels, boxRoom, type Facing, type Join, type Panel, platePanel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { rectangle } from '../held/outlines';

const fields = [
  length('widthMm', 'Width', [10, 1500], 'From side to side.', 'Size'),
  length('heightMm', 'Height', [10, 1500], 'Upwards.', 'Size'),
  length('deepMm', 'Depth', [10, 1500], 'From front to back.', 'Size'),
  choice(
    'held',
    'Sizes are',
    [
      ['inside', 'inside'],
      ['outside', 'outside'],
    ],
    'Which of the two stays as typed whatever the sheet.',
    'Size',
  ),
  choice(
    'corners',
    'Corners',
    [
      ['mitre', 'mitred'],
      ['butt', 'butt: sides give way'],
      ['folded', 'folded from one net'],
    ],
    'Every edge bevelled to half the corner, cut square with the plates behind each other, or the walls folded from the face in grooved foam and bevelled where they meet.',
    'Size',
  ),
  choice(
    'open',
    'Open',
    [
      ['none', 'nowhere'],
      ['back', 'at the back'],
      ['top', 'on top'],
    ],
    'Left off, or closed by a lid.',
    'Size',
  ),
  length(
    'skinMm',
    'Skin',
    [0, 5],
    'Thermoplastic, filler or paint on every face. A lid is drawn in by it twice all round, and outside sizes count it.',
    'Size',
  ),
] as const;

export type BoxParams = ParamsOf<typeof fields>;

const axes = { x: { x: 1, y: 0, z: 0 }, y: { x: 0, y: 1, z: 0 }, z: { x: 0, y: 0, z: 1 } } as const;
const neg = (v: Vec3): Vec3 => ({ x: -v.x, y: -v.y, z: -v.z });

/** Plates cut square: top and foot whole, front and back between them, sides between all four. */
function butt(w: number, h: number, d: number, t: number, open: BoxParams['open']): Panel[] {
  const plate = (
    id: string,
    name: string,
    origin: Vec3,
    across: Vec3,
    up: Vec3,
    width: number,
    height: number,
    attached?: { words: string; onto: Partial<Record<Facing, string>> },
  ): Panel =>
    platePanel({
      id,
      name,
      origin,
      across,
      up,
      outline: rectangle({ x: 0, y: 0 }, width, height),
      cuts: [],
      ...(attached && { rimAttached: { by: 'glue', ...attached } }),
    });
  const [hw, hd] = [w / 2, d / 2];
  const { x, y, z } = axes;
  // Inner sizes w, h, d; every origin is the middle of a plate's inner face.
  const at = (dx: number, dy: number, dz: number): Vec3 => ({ x: dx, y: dy, z: dz });
  // A plate over the top is missing when the box is open there; each joint is glued along one plate's edge.
  const levels = { down: 'foot', ...(open !== 'top' && { up: 'top' }) };
  const betweenLevels = {
    words: open === 'top' ? 'glued on the foot' : 'glued between top and foot',
    onto: levels,
  };
  // Seen from outside the back is to the left of the right side, and to the right of the left one.
  const sideOf = (behind: Facing, ahead: Facing) => ({
    words: 'glued between the plates round it',
    onto: { ...levels, [ahead]: 'front', ...(open !== 'back' && { [behind]: 'back' }) },
  });
  // Where the back is left off, top and foot end flush with the sides.
  const [deep, ahead] = open === 'back' ? [d + t, t / 2] : [d + 2 * t, 0];
  return [
    plate('foot', 'foot', at(0, ahead, 0), x, neg(y), w + 2 * t, deep),
    ...(open === 'top' ? [] : [plate('top', 'top', at(0, ahead, h), x, y, w + 2 * t, deep)]),
    plate('front', 'front', at(0, hd, h / 2), neg(x), z, w + 2 * t, h, betweenLevels),
    ...(open === 'back' ? [] : [plate('back', 'back', at(0, -hd, h / 2), x, z, w + 2 * t, h, betweenLevels)]),
    plate('right', 'right side', at(hw, 0, h / 2), y, z, d, h, sideOf('left', 'right')),
    plate('left', 'left side', at(-hw, 0, h / 2), neg(y), z, d, h, sideOf('right', 'left')),
  ];
}

function design({ params, foam }: FormInput<BoxParams>): Design {
  const t = foam.thicknessMm.value;
  const { skinMm, open } = params;
  /** Between bare plates. Where one is left off, the skin lies over the rim and makes up for that on the plate across. */
  const inside = (mm: number, plates = 2): number =>
    Math.max(
      2,
      params.held === 'inside' ? mm + (plates === 2 ? 2 * skinMm : 0) : mm - plates * t - 2 * skinMm,
    );
  const w = inside(params.widthMm);
  const h = inside(params.heightMm, open === 'top' ? 1 : 2);
  const d = inside(params.deepMm, open === 'back' ? 1 : 2);
  const outline = rectangle({ x: 0, y: h / 2 }, w, h);
  const room = boxRoom('inside', 'inside', outline, d, (p, depth) => ({ x: -p.x, y: d / 2 - depth, z: p.y }));
  const figures: Design['figures'] = [
    { key: 'inside', label: 'inside, wide', value: w - 2 * skinMm, unit: 'mm', decimals: 1 },
    {
      key: 'insideHigh',
      label: 'inside, high',
      value: open === 'top' ? h : h - 2 * skinMm,
      unit: 'mm',
      decimals: 1,
    },
    { key: 'outside', label: 'outside, wide', value: w + 2 * (t + skinMm), unit: 'mm', decimals: 1 },
  ];
  if (params.corners === 'butt')
    return {
      panels: butt(w, h, d, t, open),
      joins: [],
      roomMm: 0,
      rooms: [room],
      figures,
      checks: [],
    };
  // The face of an open box looks to the front; its back is a plate of its own.
  const level = open === 'top';
  // The walls run on round a back that is set within them.
  const round = open === 'none' ? t : 0;
  const made = boxPanels({
    id: '',
    name: '',
    base: level ? { x: 0, y: 0, z: h } : { x: 0, y: -d / 2 - round, z: h / 2 },
    across: level ? axes.x : neg(axes.x),
    up: level ? neg(axes.y) : axes.z,
    widthMm: w,
    heightMm: level ? d : h,
    deepMm: level ? h : d + round,
  });
  const back =
    open === 'none'
      ? [
          platePanel({
            id: 'back',
            name: 'back, set within the walls',
            origin: { x: 0, y: -d / 2, z: h / 2 },
            across: axes.x,
            up: axes.z,
            // The skin of the walls and that of its own rim both take of the opening.
            outline: rectangle({ x: 0, y: 0 }, Math.max(2, w - 4 * skinMm), Math.max(2, h - 4 * skinMm)),
            cuts: [],
            rimAttached: {
              by: 'glue',
              words: 'the back glued within the walls',
              onto: { right: 'back', left: 'front', up: 'roof', down: 'floor' },
            },
          }),
        ]
      : [];
  const panels = [...made.panels, ...back.map((p) => ({ ...p, id: 'lid' }))];
  // The walls hang from the face; where they meet each other they are glued.
  const joins = made.joins.map((j): Join => ({
    ...j,
    kind: params.corners === 'folded' && j.a[0] === 'face' ? 'fold' : j.kind,
  }));
  return { panels, joins, roomMm: 0, rooms: [room], figures, checks: [] };
}

export const box = defineForm<BoxParams>({
  kind: 'box',
  label: 'Box',
  summary: 'Folded from one net, or plates with mitred or butt corners; inside or outside sizes held.',
  zones: [],
  // Its inner sides begin at its own foot: the sheet of the foot lies under that.
  rides: { anchor: 'tip', alongMm: 6 },
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 6 }],
  defaults: () => ({
    widthMm: 120,
    heightMm: 160,
    deepMm: 60,
    held: 'inside',
    corners: 'mitre',
    open: 'none',
    skinMm: 0,
  }),
  design,
  silhouette: ({ widthMm, heightMm }) => rectangle({ x: 0, y: heightMm / 2 }, widthMm, heightMm),
});
