import { firstOf, itemAt } from '../../units';
import type { Check } from '../../document';
import { add3, dot3, scale3, sub3, unit3, type Vec3 } from '../../geometry';
import { type Stick, gridNormals, type LaidPanel, type Side } from '../../panel';
import { type Axis, overlapOf, panelFaces, spotTurned, stickFaces, turned, wallsOfFaces } from '../../space';
import type { Body } from '../bodies';

/** A lid is opened this far, and looked at so often on the way, degrees. */
const OPEN_DEG = 90;
const STEP_DEG = 5;
/** Things that slide past each other give this much, mm; common practice, no source. */
const GIVES_MM = 0.5;

/** The line a lid turns about: its hinge, on the outer face, so directed that it opens outwards counter-clockwise. */
function hingeOf({ panel, foam }: LaidPanel, side: Side): Axis {
  const { grid } = panel;
  const normals = gridNormals(grid);
  const [rows, columns] = [grid.length - 1, firstOf(grid).length - 1];
  const outer = (r: number, c: number): Vec3 =>
    add3(itemAt(itemAt(grid, r), c), scale3(itemAt(itemAt(normals, r), c), foam.thicknessMm.value));
  const ends = {
    left: [outer(0, 0), outer(rows, 0)],
    right: [outer(0, columns), outer(rows, columns)],
    bottom: [outer(0, 0), outer(0, columns)],
    top: [outer(rows, 0), outer(rows, columns)],
  }[side] as [Vec3, Vec3];
  const [r, c] = [Math.round(rows / 2), Math.round(columns / 2)];
  const along = unit3(sub3(ends[1], ends[0]));
  const middle = outer(r, c);
  const opened = sub3(spotTurned(middle, { at: ends[0], along }, 0.1), middle);
  return { at: ends[0], along: dot3(opened, itemAt(itemAt(normals, r), c)) > 0 ? along : scale3(along, -1) };
}

/** What is fixed inside a lid and meets a wall, a stick or something else as the lid is opened. */
export function lidSwingChecks(
  laid: readonly LaidPanel[],
  sticks: readonly Stick[],
  bodies: readonly Body[],
): Check[] {
  return laid.flatMap((lid): Check[] => {
    const side = lid.panel.existing?.hinge;
    const on = bodies.filter((b) => b.item.pieceId === lid.panel.id);
    if (!side || on.length === 0) return [];
    const hinge = hingeOf(lid, side);
    const walls = wallsOfFaces([
      ...laid.filter((l) => l !== lid && !l.panel.unseen).flatMap((l) => panelFaces(l)),
      ...sticks.flatMap(stickFaces),
    ]);
    const others = bodies.filter((b) => !on.includes(b));
    return on.flatMap((body): Check[] => {
      /** What it meets at an angle; nothing where it is free. */
      const meets = (deg: number): string | undefined => {
        const solids = body.solids.map((s) => turned(s, hinge, (deg * Math.PI) / 180));
        const other = others.find((o) =>
          o.solids.some((q) => solids.some((s) => (overlapOf(s, q)?.mm ?? 0) > GIVES_MM)),
        );
        return other?.name ?? (solids.some((s) => walls.meets(s)) ? 'the case' : undefined);
      };
      // What is in the way while it is shut is reported already.
      if (meets(0) !== undefined) return [];
      for (let deg = STEP_DEG; deg <= OPEN_DEG; deg += STEP_DEG) {
        const what = meets(deg);
        if (what !== undefined)
          return [
            {
              id: `swing-${body.id}`,
              severity: 'stop',
              station: 'inside',
              title: `the ${lid.panel.name} opens only ${deg - STEP_DEG}°: ${body.name} on it meets ${what}.`,
              why: 'What is fixed inside a lid swings with it. Move it nearer to the hinge, or fix it to another wall.',
              provenance: 'standard',
              excess: OPEN_DEG - deg + STEP_DEG,
              pieceId: lid.panel.id,
              remedies: [],
            },
          ];
      }
      return [];
    });
  });
}
