import { ownPly, type FormInput } from '../contract';
import { gridOf, type Attachment, type Join, type Panel } from '../../panel';
import { rad, type HelmetFrame } from './frame';
import type { HelmetParams } from './params';

/** Opening over each ear and each air hole; from memory. */
const EAR_MM = 30;
const AIR_MM = 8;
/** Cheek pieces reach this far round behind the ears. */
const CHEEK_DEG = 30;

/** The wall below the brow: one skirt, or two cheeks with a nape between them. An opening over each ear. */
export function lowerWall(
  params: HelmetParams,
  frame: HelmetFrame,
  dome: readonly Panel[],
): { panels: Panel[]; joins: Join[] } {
  const { browZ, bottomZ, earZ, wall } = frame;
  const face = params.faceDeg;
  const earV = Math.min(0.8, Math.max(0.2, (earZ - bottomZ) / (browZ - bottomZ)));
  const piece = (
    id: string,
    name: string,
    fromDeg: number,
    toDeg: number,
    edges: [string, string],
  ): Panel => ({
    id,
    name,
    grid: gridOf(Math.max(8, Math.round((toDeg - fromDeg) / 8)), 4, (u, v) =>
      wall(rad(fromDeg + (toDeg - fromDeg) * u), v),
    ),
    holes:
      params.ears === 'open' && browZ - bottomZ > EAR_MM * 1.6
        ? [180, 360]
            .filter((az) => az > fromDeg && az < toDeg)
            .map((az) => ({
              at: [(az - fromDeg) / (toDeg - fromDeg), earV],
              diameterMm: EAR_MM,
              kind: 'ear' as const,
            }))
        : [],
    edges: { bottom: 'lower edge', right: edges[1], top: 'brow edge', left: edges[0] },
    attached: {
      top: {
        by: 'glue',
        words: 'glued to the edge of the dome',
        meets: { on: dome.map((p) => p.id), way: 'edge' },
      },
    },
  });
  if (params.scheme !== 'cap')
    return {
      panels: [piece('skirt', 'skirt', 90 + face, 450 - face, ['cheek edge', 'cheek edge'])],
      joins: [],
    };
  const right = piece('cheek-right', 'right cheek', 360 - CHEEK_DEG, 450 - face, ['nape seam', 'cheek edge']);
  return {
    panels: [
      right,
      {
        ...piece('cheek-left', 'left cheek', 90 + face, 180 + CHEEK_DEG, ['cheek edge', 'nape seam']),
        mirrorOf: 'cheek-right',
      },
      piece('nape', 'nape', 180 + CHEEK_DEG, 360 - CHEEK_DEG, ['nape seam', 'nape seam']),
    ],
    joins: [
      { a: ['cheek-left', 'right'], b: ['nape', 'left'], kind: 'seam' },
      { a: ['nape', 'right'], b: ['cheek-right', 'left'], kind: 'seam' },
    ],
  };
}

/** Air between visor and cheek, so that it swings, mm. */
export const VISOR_AIR_MM = 3;

/** Reach of the visor past the cheek edges, degrees. */
export const VISOR_PAST_DEG = 14;

/** A visor over the face: closed with a slit and air holes, or a peak. */
export function visorPanel(
  input: FormInput<HelmetParams>,
  frame: HelmetFrame,
  lower: readonly Panel[],
): Panel[] {
  const { params } = input;
  if (params.visor === 'none') return [];
  const { eye, browZ, bottomZ, centre, wall } = frame;
  const slitted = params.visor === 'slit';
  const reach = params.faceDeg + VISOR_PAST_DEG;
  const slitLow = eye.z - params.slitDropMm - params.slitMm / 2;
  // As low as the skirt, but always some foam below the slit.
  const low = slitted ? Math.min(Math.max(bottomZ, slitLow - 60), slitLow - 15) : eye.z - 12;
  const height = browZ + 18 - low;
  const slitV = (eye.z - params.slitDropMm - low) / height;
  const overCheek: Attachment = {
    by: 'rivet',
    words: 'hinged or riveted over the cheek',
    meets: { on: lower.map((p) => p.id), way: 'over' },
  };
  return [
    {
      id: 'visor',
      name: 'visor',
      grid: gridOf(24, 12, (u, v) => {
        const p = wall(rad(90 - reach + 2 * reach * u), 1);
        const push =
          (input.foam.thicknessMm.value + VISOR_AIR_MM) / Math.hypot(p.x - centre.x, p.y - centre.y);
        return {
          x: p.x + (p.x - centre.x) * push,
          y: p.y + (p.y - centre.y) * push,
          z: low + height * v,
        };
      }),
      holes:
        params.breath === 'holes' && slitted
          ? [0.36, 0.43, 0.5, 0.57, 0.64].map((u) => ({
              at: [u, slitV * 0.4],
              diameterMm: AIR_MM,
              kind: 'air',
            }))
          : [],
      edges: { bottom: 'lower edge', right: 'hinge', top: 'upper edge', left: 'hinge' },
      attached: {
        left: overCheek,
        right: overCheek,
      },
      ...ownPly(input, params.visorFoam),
      ...(slitted && {
        slots: [{ from: [0.12, slitV], to: [0.88, slitV], heightMm: params.slitMm }] as Panel['slots'],
      }),
    },
  ];
}

/** A ridge plate along the crown. */
export function crestPanel(
  { crestMm }: HelmetParams,
  { axes, centre }: HelmetFrame,
  thicknessMm: number,
  dome: readonly Panel[],
): Panel[] {
  if (crestMm === 0) return [];
  return [
    {
      id: 'crest',
      name: 'crest',
      grid: gridOf(18, 4, (u, v) => {
        const el = rad(30 + 120 * u);
        const r = 1 + ((crestMm * (0.25 + 0.75 * Math.sin(Math.PI * u))) / axes.z) * v;
        // It stands on the outer face, its own middle over the crown.
        return {
          x: thicknessMm / 2,
          y: centre.y + (axes.y + thicknessMm) * r * Math.cos(el),
          z: centre.z + (axes.z + thicknessMm) * r * Math.sin(el),
        };
      }),
      edges: { bottom: 'crown edge', right: 'back', top: 'ridge', left: 'front' },
      attached: {
        bottom: {
          by: 'glue',
          words: 'glued along the crown',
          meets: { on: dome.map((p) => p.id), way: 'on' },
        },
      },
    },
  ];
}
