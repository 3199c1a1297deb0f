import type { Vec2 } from '../../geometry';
import type { Turn } from './revolved';

/** A profile seen from the side. */
export function silhouetteOf(profile: readonly Turn[]): Vec2[] {
  const points = [...profile].sort((a, b) => a.zMm - b.zMm);
  return [
    ...points.map((p) => ({ x: p.acrossMm / 2, y: p.zMm })),
    ...[...points].reverse().map((p) => ({ x: -p.acrossMm / 2, y: p.zMm })),
  ];
}
