import { cross3, dot3, unit3, type Vec3 } from '../geometry';

/** From where something is looked at, from far off: what is to the right, what is up, and the way towards the eye. */
export interface Eye {
  right: Vec3;
  up: Vec3;
  out: Vec3;
}

/** An eye that stands out along a way, the scene's own up (y) kept upright. */
export function eyeAlong(out: Vec3): Eye {
  const towards = unit3(out);
  // Straight from above there is no up: ahead is up then.
  const upright = Math.abs(towards.y) > 0.999 ? { x: 0, y: 0, z: -1 } : { x: 0, y: 1, z: 0 };
  const right = unit3(cross3(upright, towards));
  return { right, up: cross3(towards, right), out: towards };
}

/** An eye turned to the right of straight ahead and raised, degrees. */
export function eyeAt(turnDeg: number, raisedDeg: number): Eye {
  const [turn, raised] = [(turnDeg * Math.PI) / 180, (raisedDeg * Math.PI) / 180];
  return eyeAlong({
    x: Math.sin(turn) * Math.cos(raised),
    y: Math.sin(raised),
    z: Math.cos(turn) * Math.cos(raised),
  });
}

/** A point as it is seen: to the right, up, and nearer to the eye; mm. */
export const seen = ({ right, up, out }: Eye, p: Vec3): Vec3 => ({
  x: dot3(p, right),
  y: dot3(p, up),
  z: dot3(p, out),
});

/** The usual eye: before it, a little to the side and above. */
export const usualEye = eyeAt(28, 16);
