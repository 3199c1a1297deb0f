import { itemAt } from '../units';
import { add3, type Mesh, meshArea, scale3, type Vec3 } from '../geometry';
import { type Charted, chartCount, edgesOf } from './charted';
import { cutByPlane } from './cutByPlane';
import { type Chart, chartOf, isDisc } from './loops';

/** Charts smaller than this, and than this share of the whole, are crumbs of a cut, mm². */
const CRUMB_MM2 = 60;
const CRUMB_SHARE = 0.002;

export const isCrumb = (chart: Pick<Chart, 'mesh'>, whole: Mesh): boolean =>
  meshArea(chart.mesh) < Math.min(CRUMB_MM2, CRUMB_SHARE * meshArea(whole));
const ROUNDS = 8;

const middleOf = (points: readonly Vec3[]): Vec3 =>
  scale3(
    points.reduce((sum, p) => add3(sum, p), { x: 0, y: 0, z: 0 }),
    1 / points.length,
  );

/** A cut that opens a chart which is no disc: right through its second rim, or a closed one across where it is longest. */
function opening({ mesh, loops }: Chart): { through: Vec3; normal: Vec3 } {
  const points = loops[1] ? loops[1].vertices.map((v) => itemAt(mesh.points, v)) : mesh.points;
  const spread = (key: keyof Vec3): number =>
    Math.max(...points.map((p) => p[key])) - Math.min(...points.map((p) => p[key]));
  const keys = (['x', 'y', 'z'] as const).map((key) => ({ key, size: spread(key) }));
  const { key } = keys.reduce((a, b) => (b.size > a.size ? b : a));
  return { through: middleOf(points), normal: { x: 0, y: 0, z: 0, [key]: 1 } };
}

/** Charts cut until each is a disc, as far as it goes; how many had to be cut besides those asked for. */
export function soundCharts(start: Charted): { charted: Charted; cut: number } {
  let charted = start;
  let cut = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const beside = edgesOf(charted.mesh);
    const bad = Array.from({ length: chartCount(charted) }, (_, id) => id)
      .map((id) => ({ id, chart: chartOf(charted, id, beside) }))
      .find(({ chart }) => !isDisc(chart) && !isCrumb(chart, charted.mesh));
    if (!bad) break;
    const { through, normal } = opening(bad.chart);
    const next = cutByPlane(charted, through, normal, bad.id);
    if (chartCount(next) === chartCount(charted)) break;
    charted = next;
    cut += 1;
  }
  return { charted, cut };
}
