import * as watlas from 'watlas';
import { type Mesh, meshArea, type Vec2 } from '../../geometry';
import { flatArea2 } from '../embedding';

let ready: Promise<void> | undefined;

/**
 * The same surface laid flat as one piece by watlas, a general-purpose mesh-parameterisation library from the
 * registry (least squares conformal maps), scaled to the surface's own area so that stretch can be compared.
 * @returns undefined when the library would cut it into several charts.
 */
export async function referenceFlat(mesh: Mesh): Promise<Vec2[] | undefined> {
  ready ??= watlas.Initialize();
  await ready;
  const atlas = new (watlas.Atlas as unknown as new () => watlas.Atlas)();
  try {
    atlas.addMesh({
      vertexPositionData: new Float32Array(mesh.points.flatMap((p) => [p.x, p.y, p.z])),
      vertexCount: mesh.points.length,
      vertexPositionStride: 12,
      indexData: new Uint32Array(mesh.triangles.flat()),
      indexCount: mesh.triangles.length * 3,
    });
    atlas.generate(
      {
        maxCost: 1e6,
        normalDeviationWeight: 0.01,
        roundnessWeight: 0,
        straightnessWeight: 0,
        normalSeamWeight: 0,
      },
      { resolution: 2048, padding: 0, rotateCharts: false, rotateChartsToAxis: false },
    );
    if (atlas.chartCount !== 1) return undefined;
    const made = atlas.getMesh(0);
    const flat: Vec2[] = mesh.points.map(() => ({ x: 0, y: 0 }));
    for (let i = 0; i < made.vertexCount; i++) {
      const { uv, xref } = made.getVertex(i);
      flat[xref] = { x: uv[0], y: uv[1] };
    }
    const twice = mesh.triangles.reduce((sum, [a, b, c]) => sum + flatArea2(flat[a]!, flat[b]!, flat[c]!), 0);
    const scale = Math.sqrt((2 * meshArea(mesh)) / Math.abs(twice));
    // Texture space may be mirrored.
    return flat.map((p) => ({ x: p.x * scale * Math.sign(twice), y: p.y * scale }));
  } finally {
    atlas.delete();
  }
}
