import type { Body } from '@fomrik/core/body/estimate';
import { levels, torsoSection } from '@fomrik/core/body/sections';
import type { Zone } from '@fomrik/core/forms/contract';
import type { Vec3 } from '@fomrik/core/geometry/vec';

/** Zones that a spot on the bare figure stands for, nearest first; `name` is the figure's own part. */
export function zonesAt(body: Body, name: string, p: Vec3): Zone[] {
  const at = levels(body);
  const near = (z: number, mm: number): boolean => Math.abs(p.z - z) < mm;
  if (name === 'head') return ['head'];
  if (name === 'neck') return ['neck', 'head'];
  if (name === 'trunk') {
    if (p.z > at.neckBase - 25) return ['neck', 'torso'];
    if (p.z < at.waist + 20) return ['hips', 'torso'];
    return p.y < torsoSection(body, p.z).forwardMm ? ['torso', 'back'] : ['torso'];
  }
  if (name.endsWith('shoulder')) return ['shoulder', 'upperArm'];
  if (name.endsWith('upperArm'))
    return near(at.shoulder, 90) ? ['shoulder', 'upperArm'] : ['upperArm', 'elbow'];
  if (name.endsWith('hand')) return ['forearm'];
  if (name.endsWith('forearm')) return ['forearm', 'elbow'];
  if (name.endsWith('thigh')) return near(body.kneeHeight.valueMm, 90) ? ['knee', 'thigh'] : ['thigh'];
  return near(body.kneeHeight.valueMm, 70) ? ['knee', 'lowerLeg'] : ['lowerLeg'];
}
