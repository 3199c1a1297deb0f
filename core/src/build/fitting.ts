import type { Body } from '../body/estimate';
import { dressing } from '../fit/dressing';
import { coveredShare } from '../fit/heat';
import { createMovements, type Movement } from '../fit/moving/moving';
import { strapsOf } from '../fit/straps';
import type { Fitting, PartReport } from './report';

const isClosed = (part: PartReport): boolean =>
  part.pieces.every((p) => p.role !== 'shell' || p.edges.every((e) => e.joint !== 'closure'));

/** Works out how the parts go together, remembering movements whose parts have not changed. */
export function createFitting(): (
  body: Body,
  underLayerMm: number,
  parts: readonly PartReport[],
  quick?: boolean,
) => Fitting {
  const movements = createMovements();
  let last: Movement[] = [];
  const moving = (body: Body, parts: readonly PartReport[]): Movement[] =>
    (last = movements(
      body,
      parts.map((p) => ({ id: p.id, name: p.name, zone: p.zone, mesh: p.solid.mesh })),
    ));
  return (body, underLayerMm, parts, quick = false) => ({
    movements: quick ? last : moving(body, parts),
    dressing: dressing(parts.map((p) => ({ ...p, closed: isClosed(p) }))),
    straps: strapsOf(
      body,
      underLayerMm,
      parts.map((p) => ({ ...p, laced: p.closure === 'lacing' })),
    ),
    covered: coveredShare(
      body,
      parts.reduce((sum, p) => sum + p.areaMm2 * p.copies, 0),
    ),
  });
}
