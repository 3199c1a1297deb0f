import { add3, cross3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '../../geometry';
import { pipeFittings, socketMm } from '../../materials';
import type { Section, Stick } from '../../panel';
import { itemAt } from '../../units';
import { along, type Corner } from './corners';
import type { Length, Run, Tube } from './lengths';

const BEND_STEP_DEG = 15;

/** Any way square to a line. */
const beside = (dir: Vec3): Vec3 =>
  unit3(cross3(dir, Math.abs(dir.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 0, y: 1, z: 0 }));

const stick = (
  id: string,
  name: string,
  rodId: string,
  from: Vec3,
  to: Vec3,
  section: Section,
  cutMm: number[] = [],
): Stick => ({ id, name, rodId, from, to, wide: beside(sub3(to, from)), section, cutMm });

/** The straight pipes, each length on the first of its runs. */
export function straightSticks(
  runs: readonly Run[],
  lengths: readonly Length[],
  section: Section,
  rodId: string,
): Stick[] {
  return runs.flatMap((run, i): Stick[] => {
    const [a, b] = run.stops;
    const dir = unit3(sub3(b.corner.at, a.corner.at));
    const from = add3(a.corner.at, scale3(dir, a.offMm));
    const to = add3(b.corner.at, scale3(dir, -b.offMm));
    if (dot3(sub3(to, from), dir) <= 0) return [];
    const own = lengths.find((l) => l.runs[0] === i);
    const sawn = run.stops.flatMap(({ corner, wrap }) =>
      wrap
        ? [
            {
              name: `pipe ${run.name}, end at corner ${corner.index + 1}`,
              girthMm: wrap.girthMm,
              line: wrap.line,
            },
          ]
        : [],
    );
    return [
      {
        ...stick(`pipe-${i + 1}`, `pipe ${run.name}`, rodId, from, to, section, own ? [own.lengthMm] : []),
        ...(sawn.length > 0 && { sawn }),
      },
    ];
  });
}

/** A bend in short straight bits along its middle. */
export function bendSticks(corner: Corner, section: Section, rodId: string): Stick[] {
  if (corner.joining.by !== 'bend') return [];
  const { turnDeg } = corner.joining;
  const [a, b] = [itemAt(corner.ends, 0).away, itemAt(corner.ends, 1).away];
  const mid = add3(a, b);
  if (length3(mid) < 1e-6) return [];
  const half = ((180 - turnDeg) * Math.PI) / 360;
  const centre = add3(corner.at, scale3(unit3(mid), corner.radiusMm / Math.sin(half)));
  // From the tangent point on the first pipe round to that on the second.
  const out = unit3(sub3(along(corner, itemAt(corner.ends, 0), corner.radiusMm / Math.tan(half)), centre));
  const on = scale3(a, -1);
  const steps = Math.max(1, Math.ceil(turnDeg / BEND_STEP_DEG));
  const at = (i: number): Vec3 => {
    const turn = ((turnDeg * Math.PI) / 180) * (i / steps);
    return add3(
      centre,
      add3(scale3(out, corner.radiusMm * Math.cos(turn)), scale3(on, corner.radiusMm * Math.sin(turn))),
    );
  };
  return Array.from({ length: steps }, (_, i) =>
    stick(
      `bend-${corner.index + 1}-${i + 1}`,
      `bend at corner ${corner.index + 1}`,
      rodId,
      at(i),
      at(i + 1),
      section,
    ),
  );
}

/** A bought fitting as the sockets that take its pipes, each as far out as its pipe begins. */
export function fittingSticks(
  corner: Corner,
  runs: readonly Run[],
  tube: Tube,
  acrossMm: number,
  rodId: string,
): Stick[] {
  const { joining, index } = corner;
  if (joining.by !== 'fitting') return [];
  const section: Section = {
    shape: 'tube',
    outsideMm: Math.max(acrossMm, tube.outsideMm + 2),
    boreMm: tube.outsideMm,
  };
  return corner.ends.map((end, i) => {
    const { offMm } = itemAt(runs, end.pipe).stops[end.last ? 1 : 0];
    return stick(
      `fitting-${index + 1}-${i + 1}`,
      `${pipeFittings[joining.fitting].what} at corner ${index + 1}`,
      rodId,
      corner.at,
      along(corner, end, offMm + socketMm(tube.outsideMm).value),
      section,
    );
  });
}
