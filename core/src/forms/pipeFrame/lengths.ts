import { dist3 } from '../../geometry';
import { takeOffMm } from '../../materials';
import { mitreWrap, saddleWrap, type Wrap } from '../../pipe';
import { itemAt } from '../../units';
import { type Corner, type End, wholePipes } from './corners';
import type { PipeFrameParams } from './fields';

export interface Tube {
  outsideMm: number;
  boreMm: number;
}

/** What an end does to its pipe: how far from the corner it stops, and the line it is sawn to. */
export interface Stop {
  corner: Corner;
  offMm: number;
  wrap?: Wrap;
  /** It goes on in another pipe, straight on or round a bend. */
  goesOn?: true;
}

/** A pipe from corner to corner. */
export interface Run {
  /** Numbers of its corners, from 1, as the fields have them. */
  name: string;
  straightMm: number;
  stops: [Stop, Stop];
}

/** One length to saw: runs that are one piece of pipe, bent or running through. */
export interface Length {
  runs: number[];
  lengthMm: number;
  /** It has no ends: a ring. */
  closed: boolean;
}

export const bendTangentMm = (radiusMm: number, turnDeg: number): number =>
  radiusMm * Math.tan((turnDeg * Math.PI) / 360);
export const bendArcMm = (radiusMm: number, turnDeg: number): number => (radiusMm * turnDeg * Math.PI) / 180;

function stopAt(corner: Corner, end: End, tube: Tube, measuredTakeOffMm: number): Stop {
  const { joining } = corner;
  switch (joining.by) {
    case 'fitting': {
      const { fitting } = joining;
      if (fitting === 'cap' || fitting === 'flange') return { corner, offMm: 0 };
      const square = fitting !== 'coupler' && fitting !== 'halfElbow';
      const own = square && measuredTakeOffMm > 0;
      return { corner, offMm: own ? measuredTakeOffMm : takeOffMm(fitting, tube.outsideMm) };
    }
    case 'mitre': {
      const wrap = mitreWrap(tube.outsideMm, joining.turnDeg / 2);
      return { corner, offMm: wrap.tipMm, wrap };
    }
    case 'saddle': {
      if (joining.through.some((e) => e.pipe === end.pipe && e.last === end.last))
        return { corner, offMm: 0, goesOn: true };
      const lean = leanDeg(joining.through[0], end);
      const wrap = saddleWrap(tube, tube.outsideMm, lean);
      return wrap ? { corner, offMm: wrap.tipMm, wrap } : { corner, offMm: 0 };
    }
    case 'bend':
      return { corner, offMm: bendTangentMm(corner.radiusMm, joining.turnDeg), goesOn: true };
    default:
      return { corner, offMm: 0 };
  }
}

/** The smaller angle between two pipes, degrees. */
function leanDeg(a: End, b: End): number {
  const dot = a.away.x * b.away.x + a.away.y * b.away.y + a.away.z * b.away.z;
  return (Math.acos(Math.min(1, Math.abs(dot))) * 180) / Math.PI;
}

/** Every pipe, with what either end does to it. */
export function runsOf(params: PipeFrameParams, corners: readonly Corner[], tube: Tube): Run[] {
  return wholePipes(params).map(({ from, to }, pipe): Run => {
    const stop = (index: number, last: boolean): Stop => {
      const corner = itemAt(corners, index);
      const end = corner.ends.find((e) => e.pipe === pipe && e.last === last);
      return end ? stopAt(corner, end, tube, params.takeOffMm) : { corner, offMm: 0 };
    };
    return {
      name: `${from + 1} to ${to + 1}`,
      straightMm: dist3(itemAt(corners, from).at, itemAt(corners, to).at),
      stops: [stop(from, false), stop(to, true)],
    };
  });
}

/** What is left of a run between its ends, along its middle; tips of sawn ends counted. */
export const sawnMm = ({ straightMm, stops }: Run): number => straightMm - stops[0].offMm - stops[1].offMm;

/** Runs joined into the lengths that are sawn: those that go on in each other are one, bends added along their middle. */
export function lengthsOf(runs: readonly Run[], corners: readonly Corner[]): Length[] {
  const group = runs.map((_, i) => i);
  const root = (i: number): number => (group[i] === i ? i : root(itemAt(group, i)));
  const bends = corners.flatMap((corner) => {
    const { joining } = corner;
    const pair = joining.by === 'saddle' ? joining.through : joining.by === 'bend' ? corner.ends : [];
    const [a, b] = pair;
    if (!a || !b) return [];
    group[root(a.pipe)] = root(b.pipe);
    return joining.by === 'bend' ? [{ pipe: a.pipe, mm: bendArcMm(corner.radiusMm, joining.turnDeg) }] : [];
  });
  return [...new Set(runs.map((_, i) => root(i)))].map((top) => {
    const own = runs.flatMap((_, i) => (root(i) === top ? [i] : []));
    const straight = own.reduce((sum, i) => sum + Math.max(0, sawnMm(itemAt(runs, i))), 0);
    const round = bends.filter((b) => root(b.pipe) === top).reduce((sum, b) => sum + b.mm, 0);
    const closed = own.every((i) => itemAt(runs, i).stops.every((s) => s.goesOn));
    return { runs: own, lengthMm: straight + round, closed };
  });
}
