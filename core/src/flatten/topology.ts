import type { Mesh } from '../geometry';

/** Half-edges of a triangle mesh: `a→b` belongs to the triangle that has them in that order. */
export function edgeTriangles(mesh: Mesh): Map<number, number> {
  const size = mesh.points.length;
  const owner = new Map<number, number>();
  mesh.triangles.forEach(([a, b, c], t) => {
    owner.set(a * size + b, t);
    owner.set(b * size + c, t);
    owner.set(c * size + a, t);
  });
  return owner;
}

/** Boundary loops as vertex runs, each with the mesh on its left; the longest first. */
export function boundaryLoops(mesh: Mesh): number[][] {
  const size = mesh.points.length;
  const owner = edgeTriangles(mesh);
  const next = new Map<number, number>();
  for (const key of owner.keys()) {
    const a = Math.floor(key / size);
    const b = key % size;
    if (!owner.has(b * size + a)) next.set(a, b);
  }
  const loops: number[][] = [];
  while (next.size > 0) {
    const [start] = next.keys();
    const loop: number[] = [];
    let at = start!;
    for (;;) {
      loop.push(at);
      const to = next.get(at);
      next.delete(at);
      if (to === undefined || to === start) break;
      at = to;
    }
    loops.push(loop);
  }
  return loops.sort((a, b) => b.length - a.length);
}

/** Vertices joined to each vertex. */
export function vertexNeighbours(mesh: Mesh): number[][] {
  const sets: Set<number>[] = mesh.points.map(() => new Set());
  for (const [a, b, c] of mesh.triangles) {
    sets[a]!.add(b).add(c);
    sets[b]!.add(a).add(c);
    sets[c]!.add(a).add(b);
  }
  return sets.map((s) => [...s]);
}
