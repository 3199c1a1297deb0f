import { byId, firstOf } from '../../units';
import { applyChanges, type Change, type Part } from '../../document';
import { type Context, foamFor, isValid, modelOf, needCandidates } from '../../parts';
import { solidOf } from '../../panel';
import type { MovingPart } from './joints';
import { movementOf, type Movement } from './moving';

/** A change of one part that was tried and lets a movement go further; it leads from the part. */
export interface MovementCure {
  partId: string;
  label: string;
  changes: readonly Change[];
}

/** A part is drawn in by this, and more where that is not enough; mm. */
const STEPS_MM = [14, 48];

const solidFor = (part: Part, context: Context): MovingPart['mesh'] => {
  const foam = foamFor(context, firstOf(part.stack));
  return solidOf(modelOf(part, context).panels.map((panel) => ({ panel, foam: foam(panel) }))).mesh;
};

/** What draws either of the parts that meet away from the joint, tried on the movement itself. */
export function movementCures(
  movement: Movement,
  context: Context,
  moving: readonly MovingPart[],
  docParts: readonly Part[],
): MovementCure[] {
  if (!movement.stoppedBy || movement.angleDeg >= movement.wantedDeg) return [];
  return movement.stoppedBy.flatMap(({ partId }) => {
    const part = byId(docParts, partId);
    if (!part) return [];
    const best = new Map<string, { cure: MovementCure; angleDeg: number }>();
    for (const { group, label, changes } of STEPS_MM.flatMap((mm) =>
      needCandidates(part, context, 'reach', mm),
    )) {
      if ((best.get(group)?.angleDeg ?? 0) >= movement.wantedDeg) continue;
      const changed = applyChanges(part, changes);
      if (!isValid(changed, context)) continue;
      const mesh = solidFor(changed, context);
      const { angleDeg = movement.mostDeg } =
        movementOf(
          context.body,
          movement.joint,
          moving.map((m) => (m.id === part.id ? { ...m, mesh } : m)),
        ) ?? {};
      if (angleDeg > (best.get(group)?.angleDeg ?? movement.angleDeg))
        best.set(group, {
          cure: { partId: part.id, label: `${part.name}: ${label.toLowerCase()}`, changes },
          angleDeg,
        });
    }
    return [...best.values()].sort((a, b) => b.angleDeg - a.angleDeg).map((b) => b.cure);
  });
}
