import { add3, cross3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '../geometry';

/** Turned about an axis through a middle, right-handed, radians. */
export function turned(p: Vec3, centre: Vec3, axis: Vec3, angle: number): Vec3 {
  const arm = sub3(p, centre);
  const along = scale3(axis, dot3(arm, axis));
  const out = sub3(arm, along);
  const round = add3(scale3(out, Math.cos(angle)), scale3(cross3(axis, out), Math.sin(angle)));
  return add3(centre, add3(along, round));
}

/** The middle, axis and radius of the circle through three points, the way they are met; none where they are in a line. */
export function circleThrough(
  a: Vec3,
  b: Vec3,
  c: Vec3,
): { centre: Vec3; axis: Vec3; radius: number } | undefined {
  const [u, v] = [sub3(b, a), sub3(c, a)];
  const normal = cross3(u, v);
  const size = dot3(normal, normal);
  if (size < 1e-12) return undefined;
  const to = scale3(
    add3(scale3(cross3(normal, u), dot3(v, v)), scale3(cross3(v, normal), dot3(u, u))),
    1 / (2 * size),
  );
  return { centre: add3(a, to), axis: unit3(normal), radius: length3(to) };
}
