import { add3, type Vec2, type Vec3 } from '../../geometry';
import type { Room } from '../../panel';

/** The round hollow of a pipe or a turned part, seen from the front: as wide as its bore, as deep as its chord. */
export function boreRoom(id: string, name: string, boreMm: number, foot: Vec3, lengthMm: number): Room {
  const r = boreMm / 2;
  const chord = (x: number): number => 2 * Math.sqrt(Math.max(0, r * r - x * x));
  const outline: Vec2[] = [
    { x: -r, y: 0 },
    { x: r, y: 0 },
    { x: r, y: lengthMm },
    { x: -r, y: lengthMm },
  ];
  return {
    id,
    name,
    outline,
    middle: { x: 0, y: lengthMm / 2 },
    depthAt: (p) => (Math.abs(p.x) <= r && p.y >= 0 && p.y <= lengthMm ? chord(p.x) : undefined),
    toSpace: (p, depthMm) => add3(foot, { x: -p.x, y: chord(p.x) / 2 - depthMm, z: p.y }),
  };
}
