import type { Zone } from '../body';
import type { Part } from '../document';
import type { Context, PartReport } from '../parts';
import { createCovered } from './covered';
import { dressing, type DressingStep } from './dressing';

import { movementCures, type MovementCure } from './moving/remedies';
import { createMovements, type Movement } from './moving/moving';
import { strapsOf, type Strap } from './straps';

/** A movement with what would free it, when it ends too soon. */
export interface JudgedMovement extends Movement {
  remedies: MovementCure[];
}

/** How everything worn goes together. */
export interface Fitting {
  movements: JudgedMovement[];
  dressing: DressingStep[];
  straps: Strap[];
  /** Share of the skin covered by foam. */
  covered: number;
}

type WornReport = PartReport & { zone: Zone };
const isWorn = (part: PartReport): part is WornReport => part.zone !== undefined;

const isClosed = (part: PartReport): boolean =>
  part.pieces.every((p) => p.role !== 'shell' || p.edges.every((e) => e.joint !== 'closure'));

/** Works out how the parts go together, remembering movements whose parts have not changed. */
export function createFitting(): (
  context: Context,
  parts: readonly PartReport[],
  docParts: readonly Part[],
  coarse?: boolean,
) => Fitting {
  const movements = createMovements();
  const covered = createCovered();
  const judged = new WeakMap<Movement, JudgedMovement>();
  let last: JudgedMovement[] = [];
  let lastCovered = 0;
  const moving = (
    context: Context,
    worn: readonly WornReport[],
    docParts: readonly Part[],
  ): JudgedMovement[] => {
    const moved = worn.map((p) => ({ id: p.id, name: p.name, zone: p.zone, mesh: p.solid.mesh }));
    last = movements(context.body, moved).map((m) => {
      let known = judged.get(m);
      if (!known) judged.set(m, (known = { ...m, remedies: movementCures(m, context, moved, docParts) }));
      return known;
    });
    return last;
  };
  return (context, parts, docParts, coarse = false) => {
    const worn = parts.filter(isWorn);
    if (!coarse) lastCovered = covered(context.body, worn);
    return {
      movements: coarse ? last : moving(context, worn, docParts),
      dressing: dressing(worn.map((p) => ({ ...p, closed: isClosed(p) }))),
      straps: strapsOf(parts),
      covered: lastCovered,
    };
  };
}
