import { levels, torsoSection } from '../../body/sections';
import type { FormInput, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { count, length } from '../draped/fields';
import { gridOf } from '../draped/grids';
import { sides, type Join, type Panel } from '../draped/panel';

interface BackFrameParams extends FormParams {
  widthMm: number;
  heightMm: number;
  boxes: number;
  boxMm: number;
  deepMm: number;
  tubes: number;
  tubeMm: number;
  tubeLongMm: number;
  strapMm: number;
  strapOverlapMm: number;
}

/** A plate on the back, boxes on it, two straps and a belt; plane pieces all. */
function design({ params, body, underLayerMm, foam }: FormInput<BackFrameParams>): Design {
  const at = levels(body);
  const t = foam.thicknessMm.value;
  const back = torsoSection(body, at.chest);
  const y = back.forwardMm - back.b - underLayerMm - 6;
  // Seen from behind: columns run from the wearer's left (seen left) to the right.
  const plane = (
    id: string,
    name: string,
    w: number,
    h: number,
    cx: number,
    z: number,
    depth: number,
  ): Panel => ({
    id,
    name,
    grid: gridOf(2, 2, (u, v) => ({ x: cx - w / 2 + w * u, y: y - depth, z: z + h * v })),
    edges: { bottom: 'bottom', right: 'right', top: 'top', left: 'left' },
  });
  const panels = [plane('plate', 'plate', params.widthMm, params.heightMm, 0, at.waist, 0)];
  const joins: Join[] = [];
  const boxH = params.heightMm / Math.max(1, params.boxes) - 12;
  for (let i = 0; i < params.boxes; i++) {
    const z = at.waist + 6 + i * (boxH + 12);
    panels.push({
      ...plane(`box-${i + 1}-face`, `box ${i + 1} face`, params.boxMm, boxH, 0, z, params.deepMm),
      hung: Object.fromEntries(sides.map((side) => [side, 'glued to its walls, which stand on the plate'])),
    });
    // Walls are cut as one strip and folded round the face.
    panels.push({
      ...plane(
        `box-${i + 1}-wall`,
        `box ${i + 1} walls`,
        2 * (params.boxMm + boxH) - 8 * t * (1 - foam.neutralFraction.value),
        params.deepMm - t,
        0,
        z,
        params.deepMm + 40,
      ),
      loose: true,
      unseen: true,
    });
  }
  // Tubes stand in a row behind the plate, beside the boxes from the middle outwards; each a wrap closed on itself.
  for (let i = 0; i < params.tubes; i++) {
    const step = Math.ceil(i / 2) * (params.tubeMm + 12) * (i % 2 === 0 ? 1 : -1);
    const centre = {
      x: (params.boxes > 0 ? params.boxMm / 2 + params.tubeMm : 0) * (i % 2 === 0 ? 1 : -1) + step,
      y: y - t - params.tubeMm / 2,
    };
    const radius = params.tubeMm / 2;
    panels.push({
      id: `tube-${i + 1}`,
      name: `tube ${i + 1}`,
      grid: gridOf(36, 2, (u, v) => ({
        x: centre.x + radius * Math.cos(2 * Math.PI * u),
        y: centre.y + radius * Math.sin(2 * Math.PI * u),
        z: at.waist + params.tubeLongMm * v,
      })),
      edges: { bottom: 'lower end', right: 'seam', top: 'upper end', left: 'seam' },
      hung: { bottom: 'closed by a disc, glued in', top: 'closed by a disc, glued in' },
      loose: true,
    });
    joins.push({ a: [`tube-${i + 1}`, 'right'], b: [`tube-${i + 1}`, 'left'], kind: 'seam' });
  }
  const strap = params.heightMm + 2 * body.shoulderBreadth.valueMm * 0.35 + params.strapOverlapMm;
  const belt = body.waistGirth.valueMm + 2 * Math.PI * underLayerMm + params.strapOverlapMm;
  panels.push(
    {
      ...plane('strap', 'shoulder strap, twice', strap, params.strapMm, 0, at.waist - 90, 0),
      loose: true,
      unseen: true,
    },
    { ...plane('belt', 'belt', belt, params.strapMm, 0, at.waist - 150, 0), loose: true, unseen: true },
  );
  const wide = params.widthMm > body.shoulderBreadth.valueMm + 60;
  return {
    panels,
    joins,
    roomMm: 6,
    figures: [
      { label: 'strap', value: strap, unit: 'mm', decimals: 0 },
      ...(params.tubes > 0
        ? [{ label: 'tube end discs, across', value: params.tubeMm, unit: 'mm' as const, decimals: 0 }]
        : []),
      { label: 'belt with overlap', value: belt, unit: 'mm', decimals: 0 },
    ],
    checks: wide
      ? [
          {
            id: 'wide',
            severity: 'mind',
            title: `plate ${params.widthMm} mm wide, shoulders ${Math.round(body.shoulderBreadth.valueMm)} mm tip to tip.`,
            why: 'A frame wider than the shoulders catches doors and neighbours.',
            sure: 'practice',
            cures: [
              {
                label: 'As wide as the shoulders',
                set: { widthMm: Math.round(body.shoulderBreadth.valueMm) },
              },
            ],
          },
        ]
      : [],
  };
}

export const backFrame = drapedKind<BackFrameParams>({
  kind: 'back-frame',
  label: 'Back frame',
  zone: 'back',
  summary: 'A plate from shoulders and trunk with boxes, straps and belt.',
  fields: [
    length('widthMm', 'Plate width', [150, 600], 'Tip to tip of the shoulders is usual.'),
    length('heightMm', 'Plate height', [150, 700], 'Waist to top of shoulder is usual.'),
    count('boxes', 'Boxes', [0, 4], 'Stacked on the plate.', 'Boxes'),
    length('boxMm', 'Box width', [60, 400], 'Outside.', 'Boxes'),
    length('deepMm', 'Box depth', [30, 200], 'Outside.', 'Boxes'),
    { ...count<BackFrameParams>('tubes', 'Tubes', [0, 4], 'Standing behind the plate.', 'Tubes'), absent: 0 },
    {
      ...length<BackFrameParams>(
        'tubeMm',
        'Tube, inside across',
        [20, 160],
        'Over a pipe: its outside.',
        'Tubes',
      ),
      absent: 60,
    },
    {
      ...length<BackFrameParams>('tubeLongMm', 'Tube length', [60, 600], 'End to end.', 'Tubes'),
      absent: 260,
    },
    length('strapMm', 'Strap width', [25, 80], 'Shoulder straps and belt.', 'Straps'),
    length('strapOverlapMm', 'Overlap', [40, 200], 'Hook-and-loop at the ends.', 'Straps'),
  ],
  defaults: (body) => ({
    widthMm: Math.round(body.shoulderBreadth.valueMm),
    heightMm: Math.round(body.waistToShoulder.valueMm),
    boxes: 1,
    boxMm: 200,
    deepMm: 80,
    tubes: 0,
    tubeMm: 60,
    tubeLongMm: 260,
    strapMm: 40,
    strapOverlapMm: 80,
  }),
  design,
  silhouette: ({ widthMm, heightMm }) => [
    { x: -widthMm / 2, y: 0 },
    { x: widthMm / 2, y: 0 },
    { x: widthMm / 2, y: heightMm },
    { x: -widthMm / 2, y: heightMm },
  ],
});
