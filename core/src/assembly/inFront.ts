import { cross3, unit3, type Vec3 } from '../geometry';
import { allOntoRoot, membersOf, type PartReport } from '../parts';
import { prism, type Convex } from '../space';
import { rigid } from './between';
import { deepIn } from './putIn';

/** Something in front of a switch: in the way of its lever, or only of the finger that moves it. */
export interface InFront {
  partId: string;
  featureId: string;
  name: string;
  otherId: string;
  /** Its lever cannot move at all. */
  blocked: boolean;
  /** Room that is wanted in front of it, mm. */
  wantsMm: number;
}

/** A fingertip, mm; from memory. */
const FINGER_MM = 15;
/** The room begins so far off the face, so that the foam beside it does not count, mm. */
const OFF_MM = 1;
/** A lever stands out so far at least, mm; from memory. */
const LEAST_THROW_MM = 2;
/** Foam gives this much, mm; common practice, no source. */
const GIVES_MM = 0.5;

type Item = PartReport['items'][number];

/** The room in front of a switch, from its face to so far out. */
function roomBefore({ at, normal, toggle }: Item, deepMm: number): Convex {
  const aside: Vec3 = Math.abs(normal.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 0, y: 1, z: 0 };
  const across = unit3(cross3(aside, normal));
  const up = cross3(normal, across);
  const stand = { at, across, up, inward: normal };
  const half =
    Math.max(toggle!.face?.lengthMm ?? toggle!.lengthMm, toggle!.face?.widthMm ?? toggle!.widthMm) / 2;
  const outline = [
    { x: -half, y: -half },
    { x: half, y: -half },
    { x: half, y: half },
    { x: -half, y: half },
  ];
  return prism(stand, outline, OFF_MM, OFF_MM + deepMm);
}

/** Switches of parts that are put together, with what another part leaves no room for in front of them. */
export function inFrontOf(parts: readonly PartReport[], rootOf: (part: PartReport) => PartReport): InFront[] {
  return parts.flatMap((part): InFront[] => {
    const switches = part.items.filter((i) => i.toggle && i.toggle.kind !== 'remote');
    if (switches.length === 0) return [];
    const root = rootOf(part);
    const [own] = allOntoRoot(parts, part.id, root.id);
    const others = membersOf(parts, root.id).filter((o) => o !== part);
    if (!own) return [];
    return switches.flatMap((item): InFront[] => {
      const throwMm = Math.max(LEAST_THROW_MM, item.toggle!.throwMm);
      const met = (deepMm: number): PartReport | undefined =>
        others.find((other) =>
          allOntoRoot(parts, other.id, root.id).some((theirs) => {
            const { back } = rigid(theirs);
            const way = rigid((p) => back(own(p)));
            return deepIn(roomBefore(item, deepMm), other, way) > GIVES_MM;
          }),
        );
      const other = met(FINGER_MM);
      if (!other) return [];
      const { featureId, name } = item;
      return [
        {
          partId: part.id,
          featureId,
          name,
          otherId: other.id,
          blocked: met(throwMm) !== undefined,
          wantsMm: FINGER_MM,
        },
      ];
    });
  });
}
