import { dist3, dot3, length3, scale3, sub3, unit3, cross3, type Vec3 } from '../../geometry';
import type { PipeFitting } from '../../materials';
import { itemAt } from '../../units';
import type { PipeFrameParams } from './fields';

/** One end of a pipe at a corner: which pipe, which way it goes from there. */
export interface End {
  pipe: number;
  /** Its first end or its last. */
  last: boolean;
  away: Vec3;
}

/** What joins the pipes of a corner. */
export type Joining =
  | { by: 'fitting'; fitting: PipeFitting }
  /** Two mitred, or branches that sit on the pair that runs through. */
  | { by: 'mitre'; turnDeg: number }
  | { by: 'saddle'; through: [End, End]; branches: End[] }
  | { by: 'bend'; turnDeg: number }
  /** A single end, left as it is sawn. */
  | { by: 'nothing' }
  /** Pipes that no fitting takes and none of which runs through. */
  | { by: 'unknown' };

export interface Corner {
  index: number;
  at: Vec3;
  ends: End[];
  joining: Joining;
  /** A bought fitting was asked for, and none is sold for these pipes. */
  unsold: boolean;
  /** What was asked cannot be done where so many pipes meet: another joint is taken. */
  otherwise: boolean;
  radiusMm: number;
}

/** Pipes that turn back by more are neither mitred nor bent: a mitre would be sawn over 70° off square. */
const MOST_TURN_DEG = 140;

/** A fitting takes a pipe within so much of its own angle, degrees; common practice, no source. */
const GIVE_DEG = 3;

const angleDeg = (a: Vec3, b: Vec3): number =>
  (Math.atan2(length3(cross3(a, b)), dot3(a, b)) * 180) / Math.PI;
const near = (deg: number, wanted: number): boolean => Math.abs(deg - wanted) <= GIVE_DEG;

/** Two ends that run straight through a corner. */
function straightPair(ends: readonly End[]): [End, End] | undefined {
  for (const [i, a] of ends.entries())
    for (const b of ends.slice(i + 1)) if (near(angleDeg(a.away, b.away), 180)) return [a, b];
  return undefined;
}

const allSquare = (ends: readonly End[]): boolean =>
  ends.every((a, i) => ends.slice(i + 1).every((b) => near(angleDeg(a.away, b.away), 90)));

/** The bought fitting that takes these pipes, by the angles between them. */
export function fittingFor(ends: readonly End[]): PipeFitting | undefined {
  if (ends.length === 1) return 'cap';
  const pair = straightPair(ends);
  const others = pair ? ends.filter((e) => !pair.includes(e)) : [];
  if (ends.length === 2) {
    const between = angleDeg(itemAt(ends, 0).away, itemAt(ends, 1).away);
    return near(between, 180)
      ? 'coupler'
      : near(between, 90)
        ? 'elbow'
        : near(between, 135)
          ? 'halfElbow'
          : undefined;
  }
  if (ends.length === 3) {
    if (allSquare(ends)) return 'corner';
    return pair && near(angleDeg(pair[0].away, itemAt(others, 0).away), 90) ? 'tee' : undefined;
  }
  if (ends.length === 4 && pair && straightPair(others))
    return near(angleDeg(pair[0].away, itemAt(others, 0).away), 90) ? 'cross' : undefined;
  return undefined;
}

function sawn(ends: readonly End[]): Joining {
  if (ends.length === 1) return { by: 'nothing' };
  const pair = straightPair(ends);
  if (pair) return { by: 'saddle', through: pair, branches: ends.filter((e) => !pair.includes(e)) };
  if (ends.length !== 2) return { by: 'unknown' };
  const turnDeg = turnOf(ends);
  return turnDeg > MOST_TURN_DEG ? { by: 'unknown' } : { by: 'mitre', turnDeg };
}

/** How far the way turns from the first of two pipes into the second. */
const turnOf = (ends: readonly End[]): number => 180 - angleDeg(itemAt(ends, 0).away, itemAt(ends, 1).away);

/** A bend where two pipes meet that do not turn back on each other. */
const bent = (ends: readonly End[]): Joining =>
  turnOf(ends) > MOST_TURN_DEG ? { by: 'unknown' } : { by: 'bend', turnDeg: turnOf(ends) };

/** Pipes that run between two different corners there are, each once, in the order they stand in. */
export const wholePipes = ({ pipes, corners }: PipeFrameParams): { from: number; to: number }[] =>
  pipes
    .map(({ from, to }) => ({ from: from - 1, to: to - 1 }))
    .filter(
      ({ from, to }, i, all) =>
        from !== to &&
        corners[from] &&
        corners[to] &&
        dist3(spot(corners[from]), spot(corners[to])) > 1 &&
        all.findIndex((p) => (p.from === from && p.to === to) || (p.from === to && p.to === from)) === i,
    );

const spot = ({ acrossMm, forwardMm, upMm }: PipeFrameParams['corners'][number]): Vec3 => ({
  x: acrossMm,
  y: forwardMm,
  z: upMm,
});

/** What meets at each corner, and what joins it. */
export function cornersOf(params: PipeFrameParams, outsideMm: number): Corner[] {
  const pipes = wholePipes(params);
  return params.corners.map((row, index): Corner => {
    const at = spot(row);
    const ends = pipes.flatMap(({ from, to }, pipe): End[] => {
      if (from !== index && to !== index) return [];
      const other = spot(itemAt(params.corners, from === index ? to : from));
      return [{ pipe, last: to === index, away: unit3(sub3(other, at)) }];
    });
    const fitting = fittingFor(ends);
    const joining: Joining =
      ends.length === 0
        ? { by: 'nothing' }
        : row.joint === 'flange' && ends.length === 1
          ? { by: 'fitting', fitting: 'flange' }
          : row.joint === 'bent' && ends.length === 2
            ? bent(ends)
            : row.joint === 'sawn' || !fitting
              ? sawn(ends)
              : { by: 'fitting', fitting };
    const unsold = row.joint === 'fitting' && ends.length > 1 && !fitting;
    const otherwise =
      ends.length > 0 &&
      ((row.joint === 'bent' && ends.length !== 2) || (row.joint === 'flange' && ends.length !== 1));
    return { index, at, ends, joining, unsold, otherwise, radiusMm: row.radiusMm || 4 * outsideMm };
  });
}

/** A spot so far from a corner along one of its pipes. */
export const along = ({ at }: Corner, { away }: End, mm: number): Vec3 => {
  const by = scale3(away, mm);
  return { x: at.x + by.x, y: at.y + by.y, z: at.z + by.z };
};
