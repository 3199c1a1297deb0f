import { boundsOf, type Vec2, type Vec3 } from '../../geometry';
import type { Node } from '../../outline';
import { onSlice } from '../../panel';
import type { DrawnOnInput } from '../contract';
import { type Carrier, carrierOf, normalAfter, roundMm } from './carrier';
import type { DrawnPlateParams } from './fields';

export type Input = DrawnOnInput<DrawnPlateParams>;

/** How a drawing lies on the wearer: across round the body, up along it. */
export interface Lie {
  carrier: Carrier;
  /** What its millimetres are multiplied by, across and up. */
  scale: Vec2;
  middleDeg: number;
  /** Off the skin, to the inner face and to where the foam keeps its length. */
  outMm: number;
  neutralMm: number;
}

export function lieOf({ params, body, zone = 'torso', underLayerMm, liningMm, foam }: Input): Lie {
  const carrier = carrierOf(body, zone);
  const outMm = underLayerMm + liningMm + params.paddingMm;
  const grows = params.follows === 'wearer';
  return {
    carrier,
    scale: {
      x: grows ? carrier.girthMm / params.drawnGirthMm : 1,
      y: grows ? carrier.heightMm / params.drawnHeightMm : 1,
    },
    middleDeg: carrier.frontDeg + params.aroundDeg,
    outMm,
    neutralMm: outMm + foam.neutralFraction.value * foam.thicknessMm.value,
  };
}

/** A spot of the drawing at its size on the wearer, on the inner face. */
export function laidAt({ carrier, middleDeg, outMm, neutralMm }: Lie, { x, y }: Vec2): Vec3 {
  const slice = carrier.slice(carrier.footMm + y);
  return onSlice(slice, normalAfter(slice, middleDeg, x, neutralMm), outMm);
}

export const sized = (nodes: readonly Node[], { x, y }: Vec2): Node[] =>
  nodes.map((n) => ({ ...n, xMm: n.xMm * x, yMm: n.yMm * y }));

export const tenth = (mm: number): number => Math.round(mm * 10) / 10;
export const tenths = (nodes: readonly Node[]) =>
  nodes.map(({ xMm, yMm, node }) => ({ xMm: tenth(xMm), yMm: tenth(yMm), node }));

/** The least way round what it lies on, over the height of an outline, mm. */
export function leastRoundMm({ carrier, outMm }: Lie, outline: readonly Vec2[]): number {
  const { minY, maxY } = boundsOf(outline);
  return Math.min(
    ...[0, 0.25, 0.5, 0.75, 1].map((t) =>
      roundMm(carrier.slice(carrier.footMm + minY + t * (maxY - minY)), 0, 360, outMm),
    ),
  );
}

/** What an outline is multiplied by and moved up by to end where there is still something to lie on. */
export function heightWithin({ carrier }: Lie, outline: readonly Vec2[]): { by: number; shiftMm: number } {
  const { minY, maxY } = boundsOf(outline);
  const [low, high] = carrier.reach.map((z) => z - carrier.footMm) as [number, number];
  const by = Math.min(1, (high - low) / (maxY - minY));
  return { by, shiftMm: Math.max(0, low - minY * by) - Math.max(0, maxY * by - high) };
}

/** Of once round, so much is drawn at most of a plate that goes further. */
const MOST_ROUND = 0.95;

/** From a spot of the outline to where it is shown: drawn in where it goes past an end or more than once round. */
export function shownAt(lie: Lie, outline: readonly Vec2[]): (p: Vec2) => Vec3 {
  const { by, shiftMm } = heightWithin(lie, outline);
  const upright = outline.map((p) => ({ x: p.x, y: p.y * by + shiftMm }));
  const { minX, maxX } = boundsOf(outline);
  const across = Math.min(1, (MOST_ROUND * leastRoundMm(lie, upright)) / (maxX - minX));
  return ({ x, y }) => laidAt(lie, { x: x * across, y: y * by + shiftMm });
}
