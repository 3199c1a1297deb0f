import { choice, type Check } from '../../document';
import type { FoamSheet } from '../../materials';
import { type Piece, platePiece } from '../../panel';
import type { Vec2 } from '../../geometry';
import { featurePath, type LaidPart } from '../contract';
import { madeOf, thicknessOf } from './ownSheet';

/** Walking and setting down pull harder than hanging still; from memory. */
export const JOLT = 2.5;
/** A screw is trusted with a fifth of what pulls it out (Wood Handbook, FPL-GTR-190, chapter 8, from memory). */
const SAFETY = 5;
/** Less than this all through is no board for a screw, kg/m³; from memory. */
const LEAST_DENSITY = 350;
/** Screws end so far before the back of the board, mm. */
export const SHORT_MM = 1;

export const screwField = choice(
  'screwMm',
  'Screws',
  [
    [3, '3 mm'],
    [3.5, '3.5 mm'],
    [4, '4 mm'],
    [5, '5 mm'],
  ],
  'Across the thread.',
  'Screws',
);

/** The board that screws end in. */
export const backingFields = [
  { ...madeOf, label: 'Backed by', group: 'Backing', help: 'Foam holds no screw: a board behind it does.' },
  thicknessOf('Of the board behind the foam.', { group: 'Backing', usualMm: 10 }),
] as const;

/**
 * What pulls a wood screw straight out of its hole, newton: 108.25·G²·D·L with the specific gravity of the wood and the
 * diameter and length of thread in it in mm (Wood Handbook, FPL-GTR-190, equation 8-4 in metric; from memory). Foamed PVC
 * of the same density holds about as well, and is pre-drilled as hardwood is; from memory.
 */
export const withdrawalN = (densityKgM3: number, diameterMm: number, threadMm: number): number =>
  108.25 * (densityKgM3 / 1000) ** 2 * diameterMm * threadMm;

/** What one screw is trusted with; newton. */
export const trustedN = (densityKgM3: number, diameterMm: number, threadMm: number): number =>
  withdrawalN(densityKgM3, diameterMm, threadMm) / SAFETY;

/** A board of an outline, glued behind a piece. */
export const boardBehind = (
  id: string,
  what: string,
  on: string,
  outline: Vec2[],
  board: FoamSheet,
): Piece => ({
  ...platePiece(
    { id, name: `board behind ${what}` },
    {
      origin: { x: 0, y: 0, z: 0 },
      across: { x: 1, y: 0, z: 0 },
      up: { x: 0, y: 1, z: 0 },
      outline,
      cuts: [],
    },
    board,
  ),
  role: 'laid',
  featureId: id,
  face: 'inner',
  note: `Glued inside ${on}, behind the ${what}.`,
});

/** A board that no screw holds in; nothing where it does. */
export const softBoard = (
  on: LaidPart,
  id: string,
  what: { id: string; name: string; pieceId: string },
  board: FoamSheet,
): Check | undefined =>
  board.densityKgM3.value >= LEAST_DENSITY
    ? undefined
    : {
        id: what.id,
        severity: 'stop',
        station: 'inside',
        title: `${what.name}: ${board.name} holds no screw.`,
        why: 'Screws pull out of foam at once. Back them with PVC foam board or plywood.',
        provenance: 'practice',
        excess: LEAST_DENSITY - board.densityKgM3.value,
        pieceId: what.pieceId,
        remedies: [
          {
            label: 'PVC foam board behind',
            changes: [
              { path: featurePath(on, { id }, 'params', 'madeOf'), value: 'pvc-board' },
              { path: featurePath(on, { id }, 'params', 'foamMm'), value: 6 },
            ],
          },
        ],
      };
