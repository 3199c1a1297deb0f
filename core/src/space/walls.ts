import { BufferAttribute, BufferGeometry, DoubleSide, Ray } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { add3, cross3, scale3, triangulated, unit3, type Vec3 } from '../geometry';
import { type Core, coreMesh, gridNormals, type LaidPanel, onPlane } from '../panel';

/** Triangles, three corners each. */
type Triangle = [Vec3, Vec3, Vec3];

/** Both faces of a grid of foam: the inner one it is given by, and the outer one a thickness further out. */
function gridFaces({ panel, foam }: LaidPanel): Triangle[] {
  const normals = gridNormals(panel.grid);
  const outer = panel.grid.map((row, r) =>
    row.map((p, c) => add3(p, scale3(normals[r]![c]!, foam.thicknessMm.value))),
  );
  return [panel.grid, outer].flatMap((grid) =>
    grid.slice(1).flatMap((row, r) =>
      row.slice(1).flatMap((q, c): Triangle[] => {
        const [a, b, d] = [grid[r]![c]!, grid[r]![c + 1]!, grid[r + 1]![c]!];
        return [
          [a, b, q],
          [a, q, d],
        ];
      }),
    ),
  );
}

/** Both faces of a plate, as far as its outline goes. */
function plateFaces({ panel, foam }: LaidPanel): Triangle[] {
  const plate = panel.plate!;
  const out = unit3(cross3(plate.across, plate.up));
  const { points, triangles } = triangulated([plate.outline]);
  return [0, foam.thicknessMm.value].flatMap((heightMm) => {
    const at = points.map((p) => add3(onPlane(plate, p), scale3(out, heightMm)));
    return triangles.map(([a, b, c]): Triangle => [at[a]!, at[b]!, at[c]!]);
  });
}

/** The outside of a stick. */
function stickFaces(core: Core): Triangle[] {
  const { points, triangles } = coreMesh(core);
  return triangles.map(([a, b, c]): Triangle => [points[a]!, points[b]!, points[c]!]);
}

/** What bounds the rooms of a part: asked along rays for the nearest of it. */
export interface Walls {
  /** How far it is from a spot along a way to the nearest wall, mm; nothing where there is none. */
  reach: (from: Vec3, way: Vec3) => number | undefined;
}

/** A ray begins this far off the face it leaves, so that it does not meet that face. */
const OFF_MM = 0.05;

/** A ray that runs exactly along a seam may slip between the triangles beside it: then others next to it are tried, mm. */
const aside = [
  [0, 0],
  [0.02, 0.01],
  [-0.02, -0.01],
] as const;

/** The foam of a part, both faces of every piece of it, and its sticks. */
export function wallsOf(laid: readonly LaidPanel[], cores: readonly Core[]): Walls {
  const triangles = [
    ...laid.filter((l) => !l.panel.unseen).flatMap((l) => (l.panel.plate ? plateFaces(l) : gridFaces(l))),
    ...cores.flatMap(stickFaces),
  ];
  const places = new Float32Array(triangles.length * 9);
  triangles.forEach((t, i) => t.forEach((p, k) => places.set([p.x, p.y, p.z], 9 * i + 3 * k)));
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(places, 3));
  const tree = triangles.length > 0 ? new MeshBVH(geometry) : undefined;
  const ray = new Ray();
  const first = (from: Vec3, way: Vec3): number | undefined => {
    ray.origin.set(from.x, from.y, from.z);
    ray.direction.set(way.x, way.y, way.z);
    return tree?.raycastFirst(ray, DoubleSide)?.distance;
  };
  return {
    reach: (from, way) => {
      const start = add3(from, scale3(way, OFF_MM));
      const beside = unit3(cross3(way, Math.abs(way.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }));
      const over = cross3(way, beside);
      for (const [x, y] of aside) {
        const hit = first(add3(start, add3(scale3(beside, x), scale3(over, y))), way);
        if (hit !== undefined) return hit + OFF_MM;
      }
      return undefined;
    },
  };
}
