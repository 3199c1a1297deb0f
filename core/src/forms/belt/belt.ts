import { levels, torsoSection } from '../../body/sections';
import type { FormInput, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { count, length, orSame, ownFoam } from '../draped/fields';
import { gridOf, halfTurnFor, onSlice } from '../draped/grids';
import type { Panel } from '../draped/panel';

interface BeltParams extends FormParams {
  heightMm: number;
  atMm: number;
  overlapMm: number;
  roomMm: number;
  tassets: number;
  tassetMm: number;
  tassetWidthMm: number;
  flareMm: number;
  tassetFoam: number;
}

function design({ params, body, underLayerMm, foam }: FormInput<BeltParams>): Design {
  const at = levels(body);
  const out = underLayerMm + params.roomMm;
  const top = at.waist + params.atMm;
  const slice = (z: number) => ({ ...torsoSection(body, z), x: 0, y: torsoSection(body, z).forwardMm, z });
  const belt: Panel = {
    id: 'belt',
    name: 'belt',
    grid: gridOf(56, 2, (u, v) => onSlice(slice(top - params.heightMm * (1 - v)), 271 + u * 358, out)),
    edges: { bottom: 'lower edge', right: 'back end', top: 'upper edge', left: 'back end' },
  };
  const hang = top - params.heightMm + 15;
  const girth = 2 * Math.PI * Math.sqrt((slice(hang).a ** 2 + slice(hang).b ** 2) / 2);
  const half = halfTurnFor(slice(hang), 90, params.tassetWidthMm, out + foam.thicknessMm.value);
  const spread = Math.min(170, (params.tassets - 1) * (2 * half + 3));
  const tassets = Array.from({ length: params.tassets }, (_, i): Panel => {
    const middle = 90 + (params.tassets === 1 ? 0 : spread / 2 - (i * spread) / (params.tassets - 1));
    return {
      id: `tasset-${i + 1}`,
      name: `tasset ${i + 1}`,
      grid: gridOf(8, 5, (u, v) => {
        const down = params.tassetMm * (1 - v);
        const narrow = 1 - 0.25 * (1 - v) ** 2;
        return onSlice(
          { ...slice(hang), z: hang - down },
          middle + half * narrow * (2 * u - 1),
          out + foam.thicknessMm.value + params.flareMm * (1 - v),
        );
      }),
      edges: { bottom: 'lower edge', right: 'side', top: 'belt edge', left: 'side' },
      hung: { top: 'riveted or strapped behind the belt, 15 mm under its lower edge' },
      ...orSame(params.tassetFoam),
    };
  });
  return {
    panels: [belt, ...tassets],
    joins: [],
    roomMm: params.roomMm,
    figures: [
      {
        label: 'belt with overlap',
        value:
          girth +
          2 * Math.PI * (out + foam.thicknessMm.value * foam.neutralFraction.value) +
          params.overlapMm,
        unit: 'mm',
        decimals: 0,
      },
      {
        label: 'tassets end above the knee',
        value: hang - params.tassetMm - body.kneeHeight.valueMm,
        unit: 'mm',
        decimals: 0,
      },
    ],
    checks:
      hang - params.tassetMm < body.kneeHeight.valueMm + 40
        ? [
            {
              id: 'knee',
              severity: 'mind',
              title: 'tassets reach the knee; walking kicks them out.',
              why: 'Plates below mid-thigh swing against the knee at every step.',
              sure: 'practice',
              cures: [{ label: 'Shorten to 200 mm', set: { tassetMm: 200 } }],
            },
          ]
        : [],
  };
}

export const belt = drapedKind<BeltParams>({
  kind: 'belt',
  label: 'Belt with tassets',
  zone: 'hips',
  summary: 'A stiff belt and plates that hang from it.',
  fields: [
    length('heightMm', 'Belt height', [25, 140], 'Lower to upper edge.'),
    length('atMm', 'Above the waist', [-200, 80], 'Where the upper edge lies.'),
    length('overlapMm', 'Overlap', [0, 150], 'For hook-and-loop behind.', 'Closure'),
    length('roomMm', 'Room', [0, 40], 'Between clothing and belt.', 'Room'),
    count('tassets', 'Tassets', [0, 7], 'Plates across the front.', 'Tassets'),
    length('tassetMm', 'Tasset length', [60, 400], 'From the belt down.', 'Tassets'),
    length('tassetWidthMm', 'Tasset width', [50, 300], 'At the belt.', 'Tassets'),
    length('flareMm', 'Stand out', [0, 80], 'How far the lower edges stand from the body.', 'Tassets'),
    ownFoam('tassetFoam', 'Tasset foam'),
  ],
  defaults: () => ({
    heightMm: 60,
    atMm: -45,
    overlapMm: 60,
    roomMm: 4,
    tassets: 3,
    tassetMm: 190,
    tassetWidthMm: 130,
    flareMm: 25,
    tassetFoam: 0,
  }),
  design,
  grips: [
    { key: 'atMm', label: 'Belt: up or down', panel: 'belt', at: [0.5, 1] },
    { key: 'tassetMm', label: 'Tasset length', panel: 'tasset-1', at: [0.5, 0] },
    { key: 'flareMm', label: 'Stand out', panel: 'tasset-2', at: [0.5, 0] },
  ],
  silhouette: ({ heightMm, tassetMm }) => [
    { x: -90, y: 0 },
    { x: -70, y: -tassetMm * 0.6 },
    { x: 0, y: -tassetMm },
    { x: 70, y: -tassetMm * 0.6 },
    { x: 90, y: 0 },
    { x: 90, y: heightMm },
    { x: -90, y: heightMm },
  ],
});
