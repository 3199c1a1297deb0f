import { itemAt } from '../../units';
import {
  alongRun,
  boundsOf,
  common,
  dist2,
  grown,
  joined,
  largestRing,
  lerp2,
  type Region,
  regionArea,
  type Vec2,
  without,
} from '../../geometry';
import type { FoamSheet } from '../../materials';
import type { Ply } from '../../document';
import { type Stick, type Panel, platePanel, type PlateCut } from '../../panel';
import { channelIn, type Lying, lyingIn, piercing } from './seat';

/** A glue line of contact cement between two layers, mm; from memory. */
export const GLUE_LINE_MM = 0.1;

/** Edges that slope from the outline to the faces, both sides alike. */
export interface Bevel {
  /** From the edge inwards. */
  widthMm: number;
  /** Left square at the very edge, over both sides together. */
  edgeMm: number;
  /** Below this height of the drawing edges stay square. */
  fromY?: number;
  /** Which sides of the outline slope, by their middle and the way they face; all when absent. */
  on?: (middle: Vec2, out: Vec2) => boolean;
  /** Straight when absent; rounded as a quarter of an ellipse; or every layer square and smaller than the one within. */
  profile?: BevelProfile;
}

export type BevelProfile = 'slope' | 'round' | 'steps';

export interface Lamination {
  id: string;
  /** As seen from the front: x to the right, y up; counter-clockwise. */
  outline: Vec2[];
  /** Left square and never sloped, joined to the outline: a tang or a lug. */
  square?: Vec2[];
  stack: readonly { ply: Ply; foam: FoamSheet }[];
  bevel?: Bevel;
  through: readonly Stick[];
  /** Cut in the layers named by a test of their place, besides channels. */
  cuts?: (layer: Layer) => PlateCut[];
  /** How far a channel goes on beyond the end of its stick. */
  beyondMm?: number;
  /** Layers lie level, one above the other, instead of standing behind each other. */
  level?: { footMm: number };
}

/** Thick foam inside and thinner outside: about 32 mm, what grips, frames and blades often begin as. */
export const fourLayers: readonly Ply[] = [6, 10, 10, 6].map((nominalMm) => ({
  foamId: 'dense-eva',
  nominalMm,
}));

/** One layer and where it lies from the middle of the stack. */
export interface Layer {
  index: number;
  count: number;
  lowMm: number;
  highMm: number;
  foam: FoamSheet;
}

/** All sheets and the glue between them. */
export const stackMm = (stack: readonly { foam: FoamSheet }[]): number =>
  stack.reduce((sum, { foam }) => sum + foam.thicknessMm.value, 0) + (stack.length - 1) * GLUE_LINE_MM;

export function layersOf(stack: Lamination['stack']): Layer[] {
  let at = -stackMm(stack) / 2;
  return stack.map(({ foam }, index) => {
    const lowMm = at;
    const highMm = lowMm + foam.thicknessMm.value;
    at = highMm + GLUE_LINE_MM;
    return { index, count: stack.length, lowMm, highMm, foam };
  });
}

/** The most an outline can be drawn in before nothing is left of it, mm. */
function inradius(left: (mm: number) => Region, mostMm: number): number {
  let [low, high] = [0, mostMm];
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2;
    if (left(middle).length > 0) low = middle;
    else high = middle;
  }
  return low;
}

/** A bevel no wider than its outline has room for: the two sides then meet in a ridge. */
export function fitBevel(outline: readonly Vec2[], bevel: Bevel): Bevel {
  const left = (mm: number): Region =>
    bevel.on ? besideRuns([[...outline]], slopingRuns(outline, bevel), mm) : grown([[...outline]], -mm);
  if (left(bevel.widthMm).length > 0) return bevel;
  return { ...bevel, widthMm: inradius(left, bevel.widthMm) };
}

/** Sides of an outline that slope one after another, and the corners beside them; none where all of it slopes. */
interface SlopingRun {
  points: Vec2[];
  before?: Vec2;
  after?: Vec2;
}

function slopingRuns(outline: readonly Vec2[], { on, fromY }: Bevel): SlopingRun[] {
  const n = outline.length;
  const at = (i: number): Vec2 => itemAt(outline, ((i % n) + n) % n);
  const slopes = outline.map((a, i) => {
    const b = at(i + 1);
    const long = dist2(a, b) || 1;
    const middle = lerp2(a, b, 0.5);
    const out = { x: (b.y - a.y) / long, y: (a.x - b.x) / long };
    return (fromY === undefined || middle.y > fromY + 1e-6) && on!(middle, out);
  });
  if (slopes.every((s) => s)) return [{ points: [...outline, at(0)] }];
  return slopes.flatMap((sloping, i): SlopingRun[] => {
    // Begun where a side that stays square ends.
    if (!sloping || itemAt(slopes, (i + n - 1) % n)) return [];
    let end = i + 1;
    while (itemAt(slopes, end % n)) end++;
    const points = Array.from({ length: end - i + 1 }, (_, k) => at(i + k));
    return [{ points, before: at(i - 1), after: at(end + 1) }];
  });
}

/** How far a slope of a width runs on past a corner into a side that stays square: only where that side falls back behind it. */
function runsOn(from: Vec2, corner: Vec2, beside: Vec2, mm: number): Vec2 {
  const [long, square] = [dist2(from, corner), dist2(corner, beside)];
  if (long < 1e-9 || square < 1e-9) return corner;
  const along = { x: (corner.x - from.x) / long, y: (corner.y - from.y) / long };
  const on = { x: (beside.x - corner.x) / square, y: (beside.y - corner.y) / square };
  const ahead = along.x * on.x + along.y * on.y;
  const aside = Math.abs(along.x * on.y - along.y * on.x);
  const by = ahead <= 0 || aside < 1e-6 ? 0 : Math.min(square, (mm * ahead) / aside);
  return { x: corner.x + along.x * by, y: corner.y + along.y * by };
}

/** Whether an outline that runs counter-clockwise turns left, so that the foam stands out there. */
const standsOut = (a: Vec2, b: Vec2, c: Vec2): boolean =>
  (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x) > 0;

/** What is left of an area without what lies under the slopes of some runs of its edge: planes that run on past their ends. */
const besideRuns = (region: Region, runs: readonly SlopingRun[], mm: number): Region =>
  runs.reduce<Region>((left, { points, before, after }) => {
    const run = [...points];
    const [a, b] = [itemAt(points, 0), itemAt(points, 1)];
    const [y, z] = [itemAt(points, points.length - 2), itemAt(points, points.length - 1)];
    if (before && standsOut(before, a, b)) run[0] = runsOn(b, a, before, mm);
    if (after && standsOut(y, z, after)) run[run.length - 1] = runsOn(y, z, after, mm);
    return without(left, alongRun(run, mm));
  }, region);

/** The outline moved in by a distance where it slopes, with what stays square joined on. */
function insetBy({ outline, square, bevel }: Lamination, mm: number): Region {
  const tang: Region = square ? [square] : [];
  if (mm <= 1e-6) return tang.length > 0 ? joined([outline], tang) : [outline];
  if (bevel?.on) return joined(besideRuns([outline], slopingRuns(outline, bevel), mm), tang);
  const base = bevel?.fromY;
  if (base === undefined) return joined(grown([outline], -mm), tang);
  // Carried on below the base by as much as it is drawn in, so that only its sides slope.
  const b = boundsOf(outline);
  const foot = outline.filter((p) => p.y < base + 1e-6);
  const { minX, maxX } = boundsOf(foot.length > 1 ? foot : outline);
  const skirt: Vec2[] = [
    { x: minX, y: b.minY - 2 * mm },
    { x: maxX, y: b.minY - 2 * mm },
    { x: maxX, y: base + 1e-3 },
    { x: minX, y: base + 1e-3 },
  ];
  const drawn = grown(joined([outline], [skirt]), -mm);
  const above: Vec2[] = [
    { x: b.minX - 1, y: base },
    { x: b.maxX + 1, y: base },
    { x: b.maxX + 1, y: b.maxY + 1 },
    { x: b.minX - 1, y: b.maxY + 1 },
  ];
  return joined(common(drawn, [above]), tang);
}

/** How far the outline stands back at a height off the middle of a stack. */
export function insetAt(heightMm: number, totalMm: number, bevel: Bevel | undefined): number {
  if (!bevel || bevel.widthMm <= 0) return 0;
  const [land, half] = [bevel.edgeMm / 2, totalMm / 2];
  if (half - land < 1e-6) return 0;
  const up = Math.min(1, Math.max(0, (heightMm - land) / (half - land)));
  return bevel.widthMm * (bevel.profile === 'round' ? 1 - Math.sqrt(1 - up * up) : up);
}

/** A rounded edge is cut to lines at so many levels of its height. */
const ROUND_LEVELS = 8;

/** Levels within a layer at which its edge changes slope, from its inner face. */
function sectionsOf(
  all: Lamination,
  layer: Layer,
  totalMm: number,
  floorsMm: readonly number[] = [],
): { atMm: number; region: Region }[] {
  const { bevel } = all;
  const [land, half] = [(bevel?.edgeMm ?? 0) / 2, totalMm / 2];
  if (bevel?.profile === 'steps') {
    // What lies within the edge that is left keeps the whole outline.
    const [near, far] = [layer.lowMm, layer.highMm].map(Math.abs).sort((a, b) => a - b) as [number, number];
    const within = layer.lowMm * layer.highMm < 0 || near < land;
    const region = insetBy(all, within ? 0 : insetAt((near + far) / 2, totalMm, bevel));
    return [layer.lowMm, layer.highMm].map((h) => ({ atMm: h - layer.lowMm, region }));
  }
  const up =
    bevel?.profile === 'round'
      ? Array.from(
          { length: ROUND_LEVELS },
          (_, i) => land + (half - land) * Math.sin(((i / ROUND_LEVELS) * Math.PI) / 2),
        )
      : [land];
  const breaks = bevel ? [...up.map((h) => -h).reverse(), ...up] : [];
  const between = [...breaks, ...floorsMm.map((mm) => layer.lowMm + mm)].sort((a, b) => a - b);
  const heights = [
    layer.lowMm,
    ...between.filter((h) => h > layer.lowMm + 1e-3 && h < layer.highMm - 1e-3),
    layer.highMm,
  ].filter((h, i, every) => i === 0 || h - itemAt(every, i - 1) > 1e-4);
  return heights.map((h) => ({
    atMm: h - layer.lowMm,
    region: insetBy(all, insetAt(Math.abs(h), totalMm, bevel)),
  }));
}

/** Holes for the sticks that stand through level layers. */
const piercings = (through: readonly Stick[], footMm: number, totalMm: number, layer: Layer): PlateCut[] =>
  through.flatMap((stick) => {
    const at = footMm + totalMm / 2;
    const hole = piercing(stick, at + layer.lowMm, at + layer.highMm, layer.foam);
    return hole ? [hole] : [];
  });

/** Layers glued face to face: each its own piece, with the channels of what passes through and its bevel lines. */
export function laminate(all: Lamination): Panel[] {
  const total = stackMm(all.stack);
  const lying = (all.level ? [] : all.through).flatMap((stick): Lying[] => {
    const found = lyingIn(stick);
    return found ? [found] : [];
  });
  return layersOf(all.stack).flatMap((layer, i) => {
    const edges = sectionsOf(all, layer, total);
    const widest = edges.reduce((a, b) => (regionArea(b.region) > regionArea(a.region) ? b : a));
    const outline = largestRing(widest.region);
    if (outline.length < 3) return [];
    const b = boundsOf(outline);
    const sloped = edges.some((s) => regionArea(widest.region) - regionArea(s.region) > 0.5);
    const channels = lying.flatMap(
      (l) => channelIn(l, layer, l.alongX ? [b.minX, b.maxX] : [b.minY, b.maxY], all.beyondMm) ?? [],
    );
    const cuts = [
      ...channels,
      ...(all.level ? piercings(all.through, all.level.footMm, total, layer) : []),
      ...(all.cuts?.(layer) ?? []),
    ];
    const thick = layer.highMm - layer.lowMm;
    const floors = cuts.flatMap(({ recess }) =>
      recess ? [recess.face === 'inner' ? recess.depthMm : thick - recess.depthMm] : [],
    );
    return [
      platePanel({
        id: all.stack.length === 1 ? all.id : `${all.id}-${i + 1}`,
        name: all.stack.length === 1 ? all.id : `${all.id}, layer ${i + 1} of ${all.stack.length}`,
        ...(all.level
          ? {
              origin: { x: 0, y: 0, z: all.level.footMm + total / 2 + layer.lowMm },
              across: { x: 1, y: 0, z: 0 },
              up: { x: 0, y: 1, z: 0 },
            }
          : {
              origin: { x: 0, y: layer.lowMm, z: 0 },
              across: { x: -1, y: 0, z: 0 },
              up: { x: 0, y: 0, z: 1 },
            }),
        outline,
        cuts,
        layers: all.stack.length,
        ...(i > 0 && { backed: true as const }),
        ...(sloped && { sections: sectionsOf(all, layer, total, floors) }),
        ...(sloped && all.bevel?.profile === 'round' && { rounded: true as const }),
        ...(i > 0 && i < all.stack.length - 1 && { inside: true as const }),
        ply: itemAt(all.stack, i).ply,
      }),
    ];
  });
}

/** The slope of a bevel off the face, degrees: its rise over its width. */
export const bevelDeg = (totalMm: number, { widthMm, edgeMm }: Bevel): number =>
  (Math.atan2((totalMm - edgeMm) / 2, widthMm) * 180) / Math.PI;
