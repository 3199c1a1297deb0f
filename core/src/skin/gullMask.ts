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
      const beak = ahead > 0 ? 80 * bell(Math.cos(turn), 0.26) * bell(rise - 50, 24) : 0;
      mesh.points.push({
        x: 76 * round * Math.cos(turn),
        y: 96 * round * ahead + beak,
        z: rise - 0.3 * beak,
      });
    }
  const at = (r: number, c: number): number => r * (ACROSS + 1) + c;
  /** Eyes over the beak, and slits beside the ears; the same on the other side. */
  const isOpen = (r: number, c: number): boolean => {
    const side = Math.min(c, ACROSS - 1 - c);
    return (r >= 9 && r <= 13 && side >= 12 && side <= 19) || (r >= 7 && r <= 12 && side >= 2 && side <= 3);
  };
  for (let r = 0; r < UP; r++)
    for (let c = 0; c < ACROSS; c++) {
      if (isOpen(r, c)) continue;
      const [a, b, d, e] = [at(r, c), at(r, c + 1), at(r + 1, c), at(r + 1, c + 1)];
      // Diagonals fall alike on both sides.
      if (c < ACROSS / 2) mesh.triangles.push([a, b, e], [a, e, d]);
      else mesh.triangles.push([a, b, d], [b, e, d]);
    }
  return mesh;
}
