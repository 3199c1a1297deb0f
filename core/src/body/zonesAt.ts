import type { Vec3 } from '../geometry';
import type { Body } from './estimate';
import type { FigurePart } from './figure';
import { levels, torsoSection } from './sections';
import type { Zone } from './zones';

/** Zones that a spot on the bare figure stands for, nearest first. */
export function zonesAt(body: Body, on: FigurePart['of'], p: Vec3): Zone[] {
  const at = levels(body);
  const near = (z: number, mm: number): boolean => Math.abs(p.z - z) < mm;
  switch (on) {
    case 'head':
      return ['head', 'ear'];
    case 'neck':
      return ['neck', 'head'];
    case 'trunk':
      if (p.z > at.neckBase - 25) return ['neck', 'torso'];
      if (p.z < at.waist + 20) return ['hips', 'torso'];
      return p.y < torsoSection(body, p.z).forwardMm ? ['torso', 'back'] : ['torso'];
    case 'shoulder':
      return ['shoulder', 'upperArm'];
    case 'upperArm':
      return near(at.shoulder, 90) ? ['shoulder', 'upperArm'] : ['upperArm', 'elbow'];
    case 'hand':
      return ['hand', 'forearm'];
    case 'forearm':
      return ['forearm', 'elbow'];
    case 'thigh':
      return near(body.kneeHeight.valueMm, 90) ? ['knee', 'thigh'] : ['thigh'];
    case 'lowerLeg':
    case 'foot':
      return near(body.kneeHeight.valueMm, 70) ? ['knee', 'lowerLeg'] : ['lowerLeg'];
  }
}
