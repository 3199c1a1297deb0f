import { firstOf } from '../../units';
import { levels, torsoSection } from '../../body';
import { type Check, length, type ParamsOf, type Row, rows, setting } from '../../document';
import { boxPanels, discGrid, gridOf, type Attachment, type Join, type Panel, type Room } from '../../panel';
import type { Vec3 } from '../../geometry';
import { defineForm, type Design, type FormInput } from '../contract';
import { strapWayMm } from '../strapWay';
import { facingFields, shoulderStraps, strapFacings, strapFields } from '../shoulderStraps';

const last = (before: readonly Row[], first: Row): Row => before.at(-1) ?? first;

const fields = [
  rows(
    'plates',
    'Plates',
    [
      length('widthMm', 'Width', [100, 600], 'Tip to tip of the shoulders is usual.'),
      length('heightMm', 'Height', [100, 700], 'Waist to top of shoulder is usual.'),
      length('spacerMm', 'Spacers before', [0, 80], 'Gap to the plate before it, kept by upright spacers.'),
    ],
    [1, 3],
    (before) => ({
      widthMm: Math.max(100, Number(before.at(-1)?.['widthMm'] ?? 400) * 0.7),
      heightMm: Math.max(100, Number(before.at(-1)?.['heightMm'] ?? 450) * 0.7),
      spacerMm: before.length === 0 ? 0 : 25,
    }),
    'plate',
    'From the back outwards.',
  ),
  rows(
    'boxes',
    'Boxes',
    [
      length('widthMm', 'Width', [40, 400], 'Outside.'),
      length('heightMm', 'Height', [40, 400], 'Outside.'),
      length('deepMm', 'Depth', [30, 200], 'Outside.'),
      length('acrossMm', 'Right of the middle', [-250, 250], 'As seen from behind.'),
      length('upMm', 'Above the waist', [-100, 600], 'Of its lower edge.'),
    ],
    [0, 6],
    (before) => {
      const {
        heightMm = 120,
        upMm = 6,
        ...rest
      } = last(before, {
        widthMm: 160,
        deepMm: 80,
        acrossMm: 0,
      });
      const up = before.length === 0 ? 6 : Number(upMm) + Number(heightMm) + 12;
      return { ...rest, heightMm, upMm: Math.min(600, up) };
    },
    'box',
    'Glued on the outermost plate.',
  ),
  rows(
    'tubes',
    'Tubes',
    [
      length('insideMm', 'Inside across', [20, 160], 'Over a pipe: its outside.'),
      length('longMm', 'Length', [60, 600], 'End to end.'),
      length('acrossMm', 'Right of the middle', [-250, 250], 'As seen from behind.'),
      length('upMm', 'Above the waist', [-100, 600], 'Of its lower end.'),
    ],
    [0, 6],
    (before) => {
      const row = last(before, { insideMm: 60, longMm: 260, acrossMm: -172, upMm: 0 });
      return { ...row, acrossMm: Math.min(250, Number(row['acrossMm']) + Number(row['insideMm']) + 12) };
    },
    'tube',
    'Standing behind the outermost plate, closed by discs.',
  ),
  length('paddingMm', 'Padding', [0, 30], 'Between clothing and plate.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  ...strapFields,
  ...facingFields,
] as const;

type BackFrameParams = ParamsOf<typeof fields>;

/** Seen from behind: right is the wearer's right, and out is backwards. */
const across: Vec3 = { x: 1, y: 0, z: 0 };
const up: Vec3 = { x: 0, y: 0, z: 1 };

const glued = (words: string, on?: string): Attachment => ({
  by: 'glue',
  words,
  ...(on !== undefined && { meets: { on: [on], way: 'on' } }),
});

/** Plates on the back with spacers between, boxes and tubes on the outermost, straps and belt; plane pieces and wraps. */
function design({ params, body, underLayerMm, liningMm, foam, own }: FormInput<BackFrameParams>): Design {
  const at = levels(body);
  const t = foam.thicknessMm.value;
  const back = torsoSection(body, at.chest);
  const panels: Panel[] = [];
  const joins: Join[] = [];
  const rooms: Room[] = [];
  const flat = (id: string, name: string, w: number, h: number, y: number, z: number): Panel => ({
    id,
    name,
    grid: gridOf(2, 2, (u, v) => ({ x: w * (u - 0.5), y, z: z + h * v })),
    edges: { bottom: 'bottom', right: 'right', top: 'top', left: 'left' },
  });
  let y = back.forwardMm - back.b - underLayerMm - liningMm - params.paddingMm;
  const [first] = params.plates;
  params.plates.forEach((plate, i) => {
    const z = at.waist + (first!.heightMm - plate.heightMm) / 2;
    if (i > 0 && plate.spacerMm > 0) {
      const half = Math.max(10, plate.widthMm / 2 - 30);
      // Its other edge is glued to the back of the plate that follows.
      const onEdge = glued('glued on edge between the plates', i === 1 ? 'plate' : `plate-${i}`);
      for (const side of [1, -1] as const)
        panels.push({
          id: `spacer-${i + 1}-${side === 1 ? 'right' : 'left'}`,
          name: `${side === 1 ? 'right' : 'left'} spacer before plate ${i + 1}`,
          // Standing on edge between the plates.
          grid: gridOf(2, 2, (u, v) => ({
            x: side * half,
            y: y - plate.spacerMm * (side === 1 ? 1 - u : u),
            z: z + plate.heightMm * v,
          })),
          edges: { bottom: 'bottom', right: 'plate edge', top: 'top', left: 'plate edge' },
          attached: {
            left: side === -1 ? onEdge : glued(onEdge.words),
            right: side === 1 ? onEdge : glued(onEdge.words),
          },
        });
    }
    if (i > 0) y -= plate.spacerMm;
    panels.push(
      flat(
        i === 0 ? 'plate' : `plate-${i + 1}`,
        i === 0 ? 'plate' : `plate ${i + 1}`,
        plate.widthMm,
        plate.heightMm,
        y,
        z,
      ),
    );
    y -= t;
  });
  params.boxes.forEach((row, i) => {
    const made = boxPanels({
      id: `box-${i + 1}-`,
      name: `box ${i + 1}`,
      base: { x: row.acrossMm, y, z: at.waist + row.upMm + row.heightMm / 2 },
      across,
      up,
      widthMm: Math.max(10, row.widthMm - 2 * t),
      heightMm: Math.max(10, row.heightMm - 2 * t),
      deepMm: Math.max(10, row.deepMm - t),
      attached: glued(
        'glued on the plate',
        params.plates.length === 1 ? 'plate' : `plate-${params.plates.length}`,
      ),
    });
    panels.push(...made.panels);
    joins.push(...made.joins);
    rooms.push(made.room);
  });
  params.tubes.forEach((row, i) => {
    const id = `tube-${i + 1}`;
    const radius = row.insideMm / 2;
    const middle = { x: row.acrossMm, y: y - t - radius };
    const z = at.waist + row.upMm;
    panels.push({
      id,
      name: `tube ${i + 1}`,
      grid: gridOf(36, 2, (u, v) => ({
        x: middle.x + radius * Math.cos(2 * Math.PI * u + Math.PI / 2),
        y: middle.y + radius * Math.sin(2 * Math.PI * u + Math.PI / 2),
        z: z + row.longMm * v,
      })),
      edges: { bottom: 'lower end', right: 'seam', top: 'upper end', left: 'seam' },
      attached: {
        bottom: glued('closed by a disc, glued in'),
        top: glued('closed by a disc, glued in'),
      },
      loose: true,
    });
    for (const end of ['lower', 'upper'] as const)
      panels.push({
        id: `${id}-${end}`,
        name: `tube ${i + 1}, ${end} disc`,
        grid: discGrid(
          { ...middle, z: end === 'lower' ? z + t : z + row.longMm - t },
          end === 'lower' ? { x: -1, y: 0, z: 0 } : across,
          { x: 0, y: 1, z: 0 },
          radius,
        ),
        edges: { bottom: 'rim', right: 'rim', top: 'rim', left: 'rim' },
        loose: true,
      });
    joins.push({ a: [id, 'right'], b: [id, 'left'], kind: 'seam' });
  });
  const strap = strapWayMm(body, underLayerMm, {
    topMm: at.waist + first!.heightMm,
    footMm: at.waist,
    forwardMm: back.forwardMm - back.b - underLayerMm - liningMm - params.paddingMm,
  });
  const waist = body.waistGirth.valueMm + 2 * Math.PI * underLayerMm;
  const shoulders = body.shoulderBreadth.valueMm;
  const widest = Math.max(...params.plates.map((p) => p.widthMm));
  const over = widest - shoulders - 60;
  const checks: Check[] = [];
  if (over > 0)
    checks.push({
      id: 'wide',
      severity: 'mind',
      station: 'shape',
      title: `plate ${Math.round(widest)} mm wide, shoulders ${Math.round(shoulders)} mm tip to tip.`,
      why: 'A frame wider than the shoulders catches doors and neighbours.',
      provenance: 'practice',
      excess: over,
      remedies: [
        setting('As wide as the shoulders', {
          plates: params.plates.map((p) => ({
            ...p,
            widthMm: Math.min(p.widthMm, Math.max(100, Math.round(shoulders))),
          })),
        }),
      ],
    });
  panels.push(...strapFacings(params, body, { own, underLayerMm }));
  return {
    panels,
    joins,
    rooms,
    checks,
    measures: ['shoulderBreadth', 'waistToShoulder'],
    roomMm: params.paddingMm,
    padded: params.paddingMm > 0,
    fastenings: shoulderStraps(
      params,
      strap,
      waist,
      'over each shoulder, from the top of the plate to its foot',
      params.facing === 'foam',
    ),
    figures: [
      {
        key: 'strap',
        label: 'shoulder strap',
        value: strap + params.strapOverlapMm,
        unit: 'mm',
        decimals: 0,
      },
      {
        key: 'belt',
        label: 'belt with overlap',
        value: waist + params.strapOverlapMm,
        unit: 'mm',
        decimals: 0,
      },
    ],
  };
}

export const backFrame = defineForm<BackFrameParams>({
  kind: 'back-frame',
  label: 'Back frame',
  zones: ['back'],
  summary: 'Plates from shoulders and trunk with boxes, tubes, straps and belt.',
  fields,
  defaults: (body) => ({
    plates: [
      {
        widthMm: Math.round(body.shoulderBreadth.valueMm),
        heightMm: Math.round(body.waistToShoulder.valueMm),
        spacerMm: 0,
      },
    ],
    boxes: [
      {
        widthMm: 200,
        heightMm: Math.min(400, Math.max(40, Math.round(body.waistToShoulder.valueMm) - 12)),
        deepMm: 80,
        acrossMm: 0,
        upMm: 6,
      },
    ],
    tubes: [],
    paddingMm: 6,
    strapOverlapMm: 80,
    strapWideMm: 25,
    facing: 'none',
    facingFoam: 0,
  }),
  design,
  silhouette: ({ plates }) => {
    const { widthMm, heightMm } = firstOf(plates);
    return [
      { x: -widthMm / 2, y: 0 },
      { x: widthMm / 2, y: 0 },
      { x: widthMm / 2, y: heightMm },
      { x: -widthMm / 2, y: heightMm },
    ];
  },
});
