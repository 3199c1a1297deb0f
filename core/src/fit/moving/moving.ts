import { findIn } from '../../units';
import { type Body, type Zone, zonesIn } from '../../body';
import { headTurn } from './headTurn';
import { bodiesOf, jointMotions, type JointMotion, type MovingPart } from './joints';
import { sweep } from './sweep';

/** How far a movement goes with everything worn, and what stops it. */
export interface Movement {
  joint: JointMotion['name'] | 'head';
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

function ofJoint(body: Body, motion: JointMotion, parts: readonly MovingPart[]): Movement[] {
  const moving = bodiesOf(body, motion, 'moving', parts, motion.movingBare);
  const fixed = bodiesOf(body, motion, 'fixed', parts, motion.fixedBare);
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
}

function ofHead(body: Body, parts: readonly MovingPart[]): Movement[] {
  const turn = headTurn(body, parts);
  if (!turn) return [];
  return [
    {
      joint: 'head',
      label: 'head turns to each side',
      angleDeg: turn.angleDeg,
      mostDeg: turn.mostDeg,
      wantedDeg: HEAD_WANTED_DEG,
      ...(turn.pair && { stoppedBy: turn.pair.map(({ name, id }) => ({ name, partId: id })) }),
      for: 'looking over the shoulder wants 45°',
    },
  ];
}

const zonesOf = (joint: Movement['joint']): Zone[] => [
  ...zonesIn(joint, 'moving'),
  ...zonesIn(joint, 'fixed'),
];

/** One movement with other parts, to try what would free it; nothing when no part could hinder it. */
export function movementOf(
  body: Body,
  joint: Movement['joint'],
  parts: readonly MovingPart[],
): Movement | undefined {
  const zones = zonesOf(joint);
  const near = parts.filter((p) => zones.includes(p.zone));
  if (joint === 'head') return ofHead(body, near)[0];
  const motion = findIn(jointMotions(body), (m) => m.name === joint);
  return ofJoint(body, motion, near)[0];
}

/** Works out every movement that some part could hinder; one whose parts have not changed is not worked out again. */
export function createMovements(): (body: Body, parts: readonly MovingPart[]) => Movement[] {
  const known = new Map<string, { key: readonly unknown[]; made: Movement[] }>();
  const remember = (
    joint: Movement['joint'],
    body: Body,
    parts: readonly MovingPart[],
    make: (parts: readonly MovingPart[]) => Movement[],
  ): Movement[] => {
    const zones = zonesOf(joint);
    const near = parts.filter((p) => zones.includes(p.zone));
    const key = [...near.flatMap((p) => [p.mesh, p.name]), ...Object.values(body).map((m) => m.valueMm)];
    const last = known.get(joint);
    if (last?.key.length === key.length && last.key.every((k, i) => k === key[i])) return last.made;
    const made = make(near);
    known.set(joint, { key, made });
    return made;
  };
  return (body, parts) => [
    ...jointMotions(body).flatMap((motion) =>
      remember(motion.name, body, parts, (near) => ofJoint(body, motion, near)),
    ),
    ...remember('head', body, parts, (near) => ofHead(body, near)),
  ];
}

/** Every movement that some part could hinder. */
export const movementsOf = (body: Body, parts: readonly MovingPart[]): Movement[] =>
  createMovements()(body, parts);
