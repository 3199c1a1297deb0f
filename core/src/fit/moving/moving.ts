import type { Body } from '../../body/estimate';
import { headTurn } from './headTurn';
import { bodiesOf, jointMotions, type MovingPart } from './joints';
import { sweep } from './sweep';

/** How far a movement goes with everything worn, and what stops it. */
export interface Movement {
  joint: 'elbow' | 'knee' | 'shoulder' | 'waist' | 'head';
  label: string;
  angleDeg: number;
  mostDeg: number;
  wantedDeg: number;
  /** The two that meet, by name; a part carries its id. */
  stoppedBy?: { name: string; partId?: string }[];
  /** What the wanted angle is for. */
  for: string;
}

/** A head is turned this far to look over the shoulder; from memory. */
const HEAD_WANTED_DEG = 45;

/** Every movement that some part could hinder. */
export function movementsOf(body: Body, parts: readonly MovingPart[]): Movement[] {
  const joints = jointMotions(body).flatMap((motion): Movement[] => {
    const moving = bodiesOf(body, motion.plane, motion.movingZones, parts, motion.movingBare);
    const fixed = bodiesOf(body, motion.plane, motion.fixedZones, parts, motion.fixedBare);
    if (![...moving, ...fixed].some((b) => !b.bare)) return [];
    const { angleDeg, pair } = sweep(moving, fixed, motion.turn, motion.mostDeg);
    return [
      {
        joint: motion.name,
        label: motion.label,
        angleDeg,
        mostDeg: motion.mostDeg,
        wantedDeg: motion.wantedDeg,
        ...(pair && { stoppedBy: pair.map(({ name, partId }) => ({ name, ...(partId && { partId }) })) }),
        for: motion.for,
      },
    ];
  });
  const turn = headTurn(body, parts);
  if (!turn) return joints;
  return [
    ...joints,
    {
      joint: 'head',
      label: 'head turns to each side',
      angleDeg: turn.angleDeg,
      mostDeg: 78,
      wantedDeg: HEAD_WANTED_DEG,
      ...(turn.pair && { stoppedBy: turn.pair.map(({ name, id }) => ({ name, partId: id })) }),
      for: 'looking over the shoulder wants 45°',
    },
  ];
}
