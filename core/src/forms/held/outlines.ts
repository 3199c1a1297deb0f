import type { Vec2 } from '../../geometry';

/** Points of an arc about a middle, from one angle to another, degrees counter-clockwise; both ends included. */
export const arc = (c: Vec2, rx: number, ry: number, fromDeg: number, toDeg: number, steps = 24): Vec2[] =>
  Array.from({ length: steps + 1 }, (_, i) => {
    const t = ((fromDeg + ((toDeg - fromDeg) * i) / steps) * Math.PI) / 180;
    return { x: c.x + rx * Math.cos(t), y: c.y + ry * Math.sin(t) };
  });

/** A level rectangle about a middle, counter-clockwise. */
export const rectangle = (c: Vec2, width: number, height: number): Vec2[] => [
  { x: c.x - width / 2, y: c.y - height / 2 },
  { x: c.x + width / 2, y: c.y - height / 2 },
  { x: c.x + width / 2, y: c.y + height / 2 },
  { x: c.x - width / 2, y: c.y + height / 2 },
];

/** A circle or ellipse, counter-clockwise. */
export const ellipse = (c: Vec2, rx: number, ry = rx, steps = 48): Vec2[] =>
  arc(c, rx, ry, 0, 360 - 360 / steps, steps - 1);

/** A rectangle with rounded corners. */
export function rounded(c: Vec2, width: number, height: number, radius: number): Vec2[] {
  const r = Math.min(radius, width / 2 - 0.01, height / 2 - 0.01);
  if (r <= 0.01) return rectangle(c, width, height);
  const [x, y] = [width / 2 - r, height / 2 - r];
  return [
    ...arc({ x: c.x + x, y: c.y - y }, r, r, -90, 0, 6),
    ...arc({ x: c.x + x, y: c.y + y }, r, r, 0, 90, 6),
    ...arc({ x: c.x - x, y: c.y + y }, r, r, 90, 180, 6),
    ...arc({ x: c.x - x, y: c.y - y }, r, r, 180, 270, 6),
  ];
}

/** A regular polygon standing on a flat side, so far across its flats. */
export const regular = (c: Vec2, sides: number, acrossFlats: number): Vec2[] => {
  const r = acrossFlats / 2 / Math.cos(Math.PI / sides);
  return Array.from({ length: sides }, (_, i) => {
    const t = -Math.PI / 2 + Math.PI / sides + (i / sides) * 2 * Math.PI;
    return { x: c.x + r * Math.cos(t), y: c.y + r * Math.sin(t) };
  });
};

/** The mirror image about the y axis of the right half of an outline, joined to it; counter-clockwise from below. */
export const mirrored = (half: readonly Vec2[]): Vec2[] => [
  ...half,
  ...[...half]
    .reverse()
    .filter((p) => Math.abs(p.x) > 1e-6)
    .map((p) => ({ x: -p.x, y: p.y })),
];
