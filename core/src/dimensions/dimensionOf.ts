import { add3, dist3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '../geometry';
import type { Dimension } from './dimension';
import { appearing, type Moving, movingOf } from './motion';
import type { Tracked } from './tracked';
import { circleThrough, turned } from './turning';

/** A model as it is, with one value a little more and a little less. */
export interface Varied {
  now: ReadonlyMap<string, Tracked>;
  more?: ReadonlyMap<string, Tracked>;
  less?: ReadonlyMap<string, Tracked>;
  /** How far the value was moved either way. */
  by: number;
}

type About = Pick<Dimension, 'path' | 'label' | 'unit' | 'value' | 'range'>;

/** A dimension that may be drawn, and how badly: the least is taken. */
interface Candidate {
  penalty: number;
  drawn: Dimension;
}

/** Moves a millimetre for a millimetre, or half of one at either side, within this. */
const RATE = 0.06;
/** What is opposite may be off what is measured by this, mm and as a share: a foam's thickness lies between. */
const OFF_MM = 1;
const OFF = 0.02;

/** Spots in the middle of an edge or a piece read best; those beside another grip worst. */
function unclear({ at, spot }: Moving, taken: readonly Vec3[], roomMm: number): number {
  const crowded = taken.some((t) => dist3(t, at) < roomMm) ? 0.5 : 0;
  const aside = spot ? Math.min(Math.abs(spot.u - 0.5), Math.abs(spot.v - 0.5)) : 0.25;
  return crowded + 0.4 * aside;
}

const spotsOf = (from: Pick<Tracked, 'spot'> | undefined, to: Moving): Pick<Dimension, 'on'> =>
  to.spot || from?.spot
    ? { on: { ...(from?.spot && { from: from.spot }), ...(to.spot && { to: to.spot }) } }
    : {};

/** Between a point and the one across from it that moves the other way: both sides of a width. */
function bothSides(about: About, one: Moving, moving: readonly Moving[]): Candidate | undefined {
  const way = unit3(one.by);
  let best: { other: Moving; off: number } | undefined;
  for (const other of moving) {
    if (dot3(other.by, way) > -0.2 || Math.abs(one.speed - dot3(other.by, way) - 1) > RATE) continue;
    const apart = sub3(one.at, other.at);
    const along = dot3(apart, way);
    const off = Math.abs(along - about.value) + 0.05 * length3(sub3(apart, scale3(way, along)));
    if (!best || off < best.off) best = { other, off };
  }
  if (!best || best.off > OFF_MM + OFF * about.value + 0.05 * about.value) return undefined;
  return {
    penalty: best.off / (1 + about.value),
    drawn: {
      ...about,
      way: 'between',
      from: sub3(one.at, scale3(way, about.value)),
      to: one.at,
      step: one.by,
      ...spotsOf(best.other, one),
    },
  };
}

/** How far two spots of a panel are from lying straight across or above each other. */
const skew = ({ spot }: Pick<Tracked, 'spot'>, one: Moving): number =>
  spot && one.spot ? Math.min(Math.abs(spot.u - one.spot.u), Math.abs(spot.v - one.spot.v)) : 1;

/** From where the value would be nought to a point that moves as it does; better where something stands still there. */
function oneSide(about: About, one: Moving, standing: readonly Tracked[]): Candidate | undefined {
  if (Math.abs(one.speed - 1) > RATE) return undefined;
  const way = unit3(one.by);
  const nought = sub3(one.at, scale3(way, about.value));
  const level = standing.filter(
    (p) => Math.abs(dot3(sub3(p.at, nought), way)) < OFF_MM + OFF * Math.abs(about.value),
  );
  const same = level
    .filter((p) => p.spot && p.spot.panel === one.spot?.panel)
    .sort((a, b) => skew(a, one) - skew(b, one) || dist3(a.at, nought) - dist3(b.at, nought))[0];
  return {
    penalty: level.length > 0 ? 0.05 : 0.35,
    drawn: { ...about, way: 'between', from: nought, to: one.at, step: one.by, ...spotsOf(same, one) },
  };
}

/** An arc about the middle a point turns round. */
function round(about: About, one: Moving, varied: Varied): Candidate | undefined {
  const [less, more] = [varied.less?.get(one.key)?.at, varied.more?.get(one.key)?.at];
  const circle = less && more && circleThrough(less, one.at, more);
  const rate = (one.speed * 180) / Math.PI;
  if (!circle || circle.radius > 3000) return undefined;
  const off = Math.abs(circle.radius - rate) / rate;
  if (off > 0.3) return undefined;
  return {
    penalty: off,
    drawn: {
      ...about,
      way: 'arc',
      centre: circle.centre,
      axis: circle.axis,
      from: turned(one.at, circle.centre, circle.axis, (-about.value * Math.PI) / 180),
      to: one.at,
      step: one.by,
      ...spotsOf(undefined, one),
    },
  };
}

/** A note where the thing answers, but not by as much as the value says: a girth, an ease. */
const noted = (about: About, one: Moving): Candidate => ({
  penalty: 2 + Math.abs(Math.log(one.speed)) * 0.1,
  drawn: { ...about, way: 'note', from: one.at, to: one.at, step: one.by, ...spotsOf(undefined, one) },
});

/** Where a value nothing moves for is noted: where it would make something, else in the middle of the thing. */
function stillAt(about: About, { now, more }: Varied): Dimension {
  const points = [...now.values()];
  const middle = scale3(
    points.reduce((sum, p) => add3(sum, p.at), { x: 0, y: 0, z: 0 }),
    1 / Math.max(1, points.length),
  );
  const nearest = points.reduce<Tracked | undefined>(
    (best, p) => (!best || dist3(p.at, middle) < dist3(best.at, middle) ? p : best),
    undefined,
  );
  const at = (more && appearing(now, more)) ?? nearest?.at ?? middle;
  return { ...about, way: 'note', from: at, to: at, step: { x: 0, y: 0, z: 1 }, still: true };
}

/**
 * The dimension of a value, measured on the model: whatever moves when it changes is what it measures. So a form declares
 * nothing, and what is drawn cannot say anything else than what the form does.
 * @param taken spots of other grips, kept clear by `roomMm` where that can be.
 */
export function dimensionOf(about: About, varied: Varied, taken: readonly Vec3[], roomMm: number): Dimension {
  const { now, more, less, by } = varied;
  const moving = more ? movingOf(now, more, by) : less ? movingOf(now, less, -by) : [];
  const moved = new Set(moving.map((m) => m.key));
  const standing = [...now].flatMap(([key, t]) => (t.corners === undefined && !moved.has(key) ? [t] : []));
  const every = Math.ceil(standing.length / 400);
  const some = standing.filter((_, i) => i % every === 0);
  let best: Candidate | undefined;
  for (const one of moving) {
    const candidates =
      about.unit === 'deg'
        ? [round(about, one, varied)]
        : about.unit === 'mm'
          ? [bothSides(about, one, moving), oneSide(about, one, some)]
          : [];
    for (const candidate of [...candidates, noted(about, one)]) {
      if (!candidate) continue;
      const penalty = candidate.penalty + unclear(one, taken, roomMm);
      if (!best || penalty < best.penalty) best = { ...candidate, penalty };
    }
  }
  return best?.drawn ?? stillAt(about, varied);
}
