import { type Body, earOf, headForm, type HeadForm } from '../../body';
import { type Check, setting } from '../../document';
import { type Mesh, rayMeets, type Vec3 } from '../../geometry';
import { trimNumber } from '../../units';
import { sightLeast, sightWanted } from '../helmet/sight';

/** Half the distance between the eyes, and how far they lie behind the front of the head, mm; from memory. */
const HALF_APART_MM = 31;
const BEHIND_MM = 12;
/** Rays are cast this far apart, up to this far from straight ahead, degrees. */
const STEP_DEG = 5;
const MOST_DEG = 90;
/** An ear is heard through anything open within so much of straight out, degrees. */
const EAR_DEG = 25;

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** What a head sees and hears in a surface, by rays from eyes and ears. */
export interface Senses {
  /** To each side and down from straight ahead, as far as it is clear without a break; 0 where foam is straight ahead. */
  sideDeg: number;
  downDeg: number;
  /** Something is open beside at least one ear. */
  hears: boolean;
}

const eyeOf = (head: HeadForm, side: 1 | -1): Vec3 => ({
  x: side * HALF_APART_MM,
  y: head.middle.y + head.front - BEHIND_MM,
  z: head.eyeZ,
});

/** How far a fan of rays is clear from its first on. */
function clearDeg(mesh: Mesh, from: Vec3, wayAt: (deg: number) => Vec3): number {
  for (let deg = 0; deg <= MOST_DEG; deg += STEP_DEG)
    if (rayMeets(mesh, from, wayAt(deg))) return Math.max(0, deg - STEP_DEG);
  return MOST_DEG;
}

/** @param mesh the surface where it stands on the figure, openings open. */
export function sensesIn(mesh: Mesh, body: Body): Senses {
  const head = headForm(body);
  const eyes = ([1, -1] as const).map((side) => {
    const eye = eyeOf(head, side);
    return {
      sideDeg: clearDeg(mesh, eye, (d) => ({ x: side * Math.sin(rad(d)), y: Math.cos(rad(d)), z: 0 })),
      downDeg: clearDeg(mesh, eye, (d) => ({ x: 0, y: Math.cos(rad(d)), z: -Math.sin(rad(d)) })),
    };
  });
  const hears = ([1, -1] as const).some((side) => {
    const { at } = earOf(head, side);
    return [-EAR_DEG, 0, EAR_DEG].some((turn) =>
      [-EAR_DEG, 0, EAR_DEG].some(
        (rise) =>
          !rayMeets(mesh, at, {
            x: side * Math.cos(rad(turn)) * Math.cos(rad(rise)),
            y: Math.sin(rad(turn)) * Math.cos(rad(rise)),
            z: Math.sin(rad(rise)),
          }),
      ),
    );
  });
  return {
    sideDeg: Math.min(...eyes.map((e) => e.sideDeg)),
    downDeg: Math.max(...eyes.map((e) => e.downDeg)),
    hears,
  };
}

/** Moves up and down that are tried for better sight, mm. */
const MOVES_MM = [8, 16, 24, 32, 40, 48].flatMap((mm) => [mm, -mm]);

const lackDeg = ({ sideDeg, downDeg }: Senses): number =>
  Math.max(0, sightWanted.sideDeg - sideDeg) + Math.max(0, sightWanted.downDeg - downDeg);

/**
 * What is reported of seeing and hearing; holes and slots that are added as details are not counted.
 * @param movedUp what would be seen with the surface so much higher; asked when little is seen.
 */
export function senseChecks(senses: Senses, upMm: number, movedUp: (byMm: number) => Senses): Check[] {
  const { sideDeg, downDeg, hears } = senses;
  const poor = sideDeg < sightWanted.sideDeg || downDeg < sightWanted.downDeg;
  const badly = sideDeg < sightLeast.sideDeg || downDeg < sightLeast.downDeg;
  const better = poor
    ? MOVES_MM.filter((by) => Math.abs(upMm + by) <= 500)
        .map((by) => ({ by, lack: lackDeg(movedUp(by)) }))
        .reduce((a, b) => (b.lack < a.lack ? b : a), { by: 0, lack: lackDeg(senses) })
    : undefined;
  return [
    ...(poor
      ? [
          {
            id: 'sight',
            severity: badly ? ('stop' as const) : ('mind' as const),
            station: 'shape' as const,
            title:
              sideDeg === 0 && downDeg === 0
                ? 'foam lies straight ahead of the eyes.'
                : `sees ${trimNumber(sideDeg, 0)}° to each side and ${trimNumber(downDeg, 0)}° down; walking safely wants ${sightWanted.sideDeg}° and ${sightWanted.downDeg}°.`,
            why: 'By rays from both eyes through the openings of the surface; real eyes differ, and openings cut besides are not counted. Move it up or down, open the eyes wider, and have a guide on stairs and in crowds.',
            provenance: 'memory' as const,
            excess: lackDeg(senses),
            remedies:
              better && better.by !== 0
                ? [
                    setting(`Move it ${Math.abs(better.by)} mm ${better.by > 0 ? 'up' : 'down'}`, {
                      upMm: upMm + better.by,
                    }),
                  ]
                : [],
          },
        ]
      : []),
    ...(hears
      ? []
      : [
          {
            id: 'ears',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: 'both ears are covered with no opening.',
            why: 'A wearer who cannot hear cannot be warned. Cut openings beside the ears; those cut besides the surface’s own are not counted.',
            provenance: 'practice' as const,
            excess: 1,
            remedies: [],
          },
        ]),
  ];
}
