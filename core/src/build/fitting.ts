import type { Body } from '../body/estimate';
import { dressing } from '../fit/dressing';
import { coveredShare } from '../fit/heat';
import { movementsOf, type Movement } from '../fit/moving/moving';
import { strapsOf } from '../fit/straps';
import type { Zone } from '../forms/contract';
import type { Fitting, PartReport } from './report';

/** Zones whose parts take part in a movement; a change elsewhere leaves it as it was. */
const moving: Zone[] = [
  'head',
  'neck',
  'torso',
  'hips',
  'shoulder',
  'upperArm',
  'forearm',
  'thigh',
  'lowerLeg',
];

const isClosed = (part: PartReport): boolean =>
  part.pieces.every((p) => p.role !== 'shell' || p.edges.every((e) => e.joint !== 'closure'));

/** Works out how the parts go together, remembering the movements while none of the parts in them changes. */
export function createFitting(): (body: Body, underLayerMm: number, parts: readonly PartReport[]) => Fitting {
  let known: { key: readonly unknown[]; movements: Movement[] } | undefined;
  return (body, underLayerMm, parts) => {
    const worn = parts.filter((p) => moving.includes(p.zone));
    const key = [...worn.map((p) => p.solid), ...Object.values(body).map((m) => m.valueMm)];
    if (!known || known.key.length !== key.length || known.key.some((k, i) => k !== key[i])) {
      const movements = movementsOf(
        body,
        worn.map((p) => ({ id: p.id, name: p.name, zone: p.zone, mesh: p.solid.mesh })),
      );
      known = { key, movements };
    }
    return {
      movements: known.movements,
      dressing: dressing(parts.map((p) => ({ ...p, closed: isClosed(p) }))),
      straps: strapsOf(body, underLayerMm, parts),
      covered: coveredShare(
        body,
        parts.reduce((sum, p) => sum + p.areaMm2 * p.copies, 0),
      ),
    };
  };
}
