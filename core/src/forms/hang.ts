import type { Body } from '../body/estimate';
import { limbFrame, onLimb } from '../body/figure';
import type { Vec3 } from '../geometry/vec';
import type { Zone } from './contract';

const framed = ['upperArm', 'forearm', 'elbow', 'shoulder', 'lowerLeg', 'thigh', 'knee'] as const;
type Framed = (typeof framed)[number];
const isFramed = (zone: Zone): zone is Framed => (framed as readonly Zone[]).includes(zone);

/** Whether forms of a zone are drawn in the space of a limb or joint rather than of the whole figure. */
export const hasOwnSpace = isFramed;

/** How a form of a zone hangs on the figure, on the right (+1) or mirrored on the left (−1). */
export function hangOn(body: Body, zone: Zone, side: 1 | -1): (p: Vec3) => Vec3 {
  if (!isFramed(zone)) return (p) => ({ x: side * p.x, y: p.y, z: p.z });
  const frame = limbFrame(body, zone, side);
  return (p) => onLimb(frame, p);
}
