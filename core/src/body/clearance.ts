import { cross3, distanceToEllipse, dot3, sub3, type Vec3 } from '../geometry';
import type { Body } from './estimate';
import { limbFrame, type Frame } from './figure';
import { fromHeadForm, headForm } from './head';
import { levels, limbLengthMm, limbSection, neckSection, torsoSection, type Limb } from './sections';

/** Distance from the skin at a point, millimetres; negative inside the body. */
export type Clearance = (p: Vec3) => number;

/** A point of the figure in the space of a limb: the way back from `onLimb`. */
export function intoLimb({ origin, along, out, side }: Frame, p: Vec3): Vec3 {
  const d = sub3(p, origin);
  return { x: dot3(d, out), y: side * dot3(d, cross3(along, out)), z: dot3(d, along) };
}

/** From a limb in its own space: slice by slice, and past its ends from the last slice. */
export function fromLimb(body: Body, limb: Limb): Clearance {
  const length = limbLengthMm(body, limb);
  return (p) => {
    const z = Math.min(length, Math.max(0, p.z));
    const across = distanceToEllipse(limbSection(body, limb, z), p);
    return z === p.z ? across : Math.hypot(Math.max(0, across), p.z - z);
  };
}

/** From a limb as it hangs on the figure. */
export function fromHungLimb(body: Body, limb: Limb, side: 1 | -1): Clearance {
  const frame = limbFrame(body, limb, side);
  const own = fromLimb(body, limb);
  return (p) => own(intoLimb(frame, p));
}

export function fromTorso(body: Body): Clearance {
  const at = levels(body);
  return (p) => {
    const z = Math.min(at.neckBase, Math.max(at.crotch, p.z));
    const slice = torsoSection(body, z);
    const across = distanceToEllipse(slice, { x: p.x, y: p.y - slice.forwardMm });
    return z === p.z ? across : Math.hypot(Math.max(0, across), p.z - z);
  };
}

export function fromNeck(body: Body): Clearance {
  const at = levels(body);
  return (p) => {
    const z = Math.min(at.chin, Math.max(at.neckBase - 20, p.z));
    const slice = neckSection(body, z);
    const across = distanceToEllipse(slice, { x: p.x, y: p.y - slice.forwardMm });
    return z === p.z ? across : Math.hypot(Math.max(0, across), p.z - z);
  };
}

/** From the head with its face and ears. */
export const fromHead = (body: Body): Clearance => fromHeadForm(headForm(body));

/** From the nearest of several. */
export const fromNearest =
  (...of: readonly Clearance[]): Clearance =>
  (p) =>
    Math.min(...of.map((clearance) => clearance(p)));
