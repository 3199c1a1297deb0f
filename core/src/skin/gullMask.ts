import type { Mesh } from '../geometry';

const ACROSS = 44;
const UP = 28;

const bell = (x: number, width: number): number => Math.exp(-((x / width) ** 2));

/**
 * A made-up gull's mask as a surface: a shell round the front and top of a head with a beak and two eye holes, x the
 * wearer's right, y ahead, z up from its lower edge, mm. It stands in until a file is read.
 */
export function gullMask(): Mesh {
  const mesh: Mesh = { points: [], triangles: [] };
  for (let r = 0; r <= UP; r++)
    for (let c = 0; c <= ACROSS; c++) {
      // Azimuth from right to left over the front, height from the lower edge to near the crown.
      const turn = (-20 + (220 * c) / ACROSS) * (Math.PI / 180);
      const up = r / UP;
      const rise = 215 * up;
      const round = Math.sqrt(Math.max(0.02, 1 - Math.max(0, (rise - 95) / 130) ** 2));
      const ahead = Math.sin(turn);
      const beak = ahead > 0 ? 80 * bell(Math.cos(turn), 0.38) * bell(rise - 78, 30) : 0;
      mesh.points.push({
        x: 76 * round * Math.cos(turn),
        y: 96 * round * ahead + beak,
        z: rise - 0.3 * beak,
      });
    }
  const at = (r: number, c: number): number => r * (ACROSS + 1) + c;
  const isEye = (r: number, c: number): boolean =>
    r >= 15 && r <= 17 && ((c >= 13 && c <= 16) || (c >= ACROSS - 17 && c <= ACROSS - 14));
  for (let r = 0; r < UP; r++)
    for (let c = 0; c < ACROSS; c++) {
      if (isEye(r, c)) continue;
      const [a, b, d, e] = [at(r, c), at(r, c + 1), at(r + 1, c), at(r + 1, c + 1)];
      // Diagonals fall alike on both sides.
      if (c < ACROSS / 2) mesh.triangles.push([a, b, e], [a, e, d]);
      else mesh.triangles.push([a, b, d], [b, e, d]);
    }
  return mesh;
}
