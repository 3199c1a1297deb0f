import { headAxes, levels, neckSection } from '../../body/sections';
import type { Vec3 } from '../../geometry/vec';
import { trimNumber } from '../../units/length';
import type { FormInput, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { length } from '../draped/fields';
import { gridOf } from '../draped/grids';
import type { Join, Panel } from '../draped/panel';

interface PodParams extends FormParams {
  widthMm: number;
  heightMm: number;
  deepMm: number;
  insideMm: number;
}

/** A box over the ear: two faces and four walls, its inside as asked. */
function design({ params, body, foam }: FormInput<PodParams>): Design {
  const head = headAxes(body);
  const at = levels(body);
  const t = foam.thicknessMm.value;
  const origin: Vec3 = {
    x: head.side + 4,
    y: neckSection(body, at.chin).forwardMm + 6,
    z: head.centreMm - 10,
  };
  const deep = Math.max(params.deepMm, params.insideMm + 2 * t);
  const [w, h] = [params.widthMm / 2, params.heightMm / 2];
  const quad = (
    id: string,
    name: string,
    corners: [Vec3, Vec3, Vec3, Vec3],
    edges: Panel['edges'],
  ): Panel => ({
    id,
    name,
    grid: gridOf(2, 2, (u, v) => {
      const mix = (a: number, b: number, c: number, d: number): number =>
        (a * (1 - u) + b * u) * (1 - v) + (d * (1 - u) + c * u) * v;
      const [a, b, c, d] = corners;
      return { x: mix(a.x, b.x, c.x, d.x), y: mix(a.y, b.y, c.y, d.y), z: mix(a.z, b.z, c.z, d.z) };
    }),
    edges,
  });
  const p = (x: number, y: number, z: number): Vec3 => ({
    x: origin.x + x,
    y: origin.y + y,
    z: origin.z + z,
  });
  const rim = { bottom: 'wall seam', right: 'wall seam', top: 'wall seam', left: 'wall seam' };
  const walls = { bottom: 'inner edge', right: 'corner', top: 'outer edge', left: 'corner' };
  // Grids lie on inner faces: the face's own foam stands outside of them.
  const reach = deep - t;
  const panels = [
    quad('face', 'face', [p(reach, -w, -h), p(reach, w, -h), p(reach, w, h), p(reach, -w, h)], rim),
    quad('front', 'front wall', [p(0, w, -h), p(0, w, h), p(reach, w, h), p(reach, w, -h)], walls),
    quad('back', 'back wall', [p(0, -w, h), p(0, -w, -h), p(reach, -w, -h), p(reach, -w, h)], walls),
    quad('roof', 'roof', [p(0, w, h), p(0, -w, h), p(reach, -w, h), p(reach, w, h)], walls),
    quad('floor', 'floor', [p(0, -w, -h), p(0, w, -h), p(reach, w, -h), p(reach, -w, -h)], walls),
  ];
  // Over the ear and down behind it: as long as the pod is high and a finger more, bent warm.
  const hook: Panel = {
    id: 'hook',
    name: 'hook, over the ear',
    grid: gridOf(2, 2, (u, v) => ({
      x: origin.x,
      y: origin.y - w - 30 + 14 * u,
      z: origin.z - h + (params.heightMm * 1.15 + 60) * v,
    })),
    edges: { bottom: 'end behind the ear', right: 'side', top: 'end on the pod', left: 'side' },
    hung: { top: 'glued inside the front wall' },
    loose: true,
  };
  const joins: Join[] = [
    { a: ['face', 'right'], b: ['front', 'top'], kind: 'seam' },
    { a: ['face', 'left'], b: ['back', 'top'], kind: 'seam' },
    { a: ['face', 'top'], b: ['roof', 'top'], kind: 'seam' },
    { a: ['face', 'bottom'], b: ['floor', 'top'], kind: 'seam' },
    { a: ['roof', 'left'], b: ['front', 'right'], kind: 'seam' },
    { a: ['roof', 'right'], b: ['back', 'left'], kind: 'seam' },
    { a: ['floor', 'right'], b: ['front', 'left'], kind: 'seam' },
    { a: ['floor', 'left'], b: ['back', 'right'], kind: 'seam' },
  ];
  const area = 4 * w * h + 2 * deep * (2 * w + 2 * h);
  const massG = area * t * foam.densityKgM3.value * 1e-6;
  return {
    panels: [...panels, hook],
    joins,
    roomMm: params.insideMm,
    figures: [
      { label: 'deep outside', value: deep, unit: 'mm', decimals: 0 },
      { label: 'empty', value: massG, unit: 'g', decimals: 0 },
    ],
    checks:
      massG > 40
        ? [
            {
              id: 'droop',
              severity: 'mind',
              title: `${trimNumber(massG, 0)} g on one ear; over 40 g it droops and hurts.`,
              why: 'An ear carries about as much as a heavy pair of glasses.',
              sure: 'memory',
              cures: [
                {
                  label: 'Make it smaller',
                  set: {
                    widthMm: Math.round(params.widthMm * 0.8),
                    heightMm: Math.round(params.heightMm * 0.8),
                  },
                },
              ],
            },
          ]
        : [],
  };
}

export const earPod = drapedKind<PodParams>({
  kind: 'ear-pod',
  label: 'Ear pod',
  zone: 'head',
  summary: 'A box shell hung on the ear, sized from what is inside.',
  fields: [
    length('widthMm', 'Width', [30, 160], 'Front to back.'),
    length('heightMm', 'Height', [30, 180], 'Top to bottom.'),
    length('deepMm', 'Depth', [12, 120], 'Out from the head.'),
    length('insideMm', 'Room inside', [6, 100], 'What must fit in; depth grows to suit the foam.', 'Room'),
  ],
  defaults: () => ({ widthMm: 70, heightMm: 90, deepMm: 34, insideMm: 20 }),
  design,
  silhouette: ({ widthMm, heightMm }) => [
    { x: -widthMm / 2, y: -heightMm / 2 },
    { x: widthMm / 2, y: -heightMm / 2 },
    { x: widthMm / 2, y: heightMm / 2 },
    { x: -widthMm / 2, y: heightMm / 2 },
  ],
});
