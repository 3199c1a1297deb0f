import { byId } from '../../units';
import type { KeptMesh } from '../../document';
import type { Mesh, Vec3 } from '../../geometry';
import {
  chartCount,
  cutBy,
  cutByLine,
  facetPanels,
  MOST_FACETS,
  type Charted,
  gullMask,
  keptSide,
  meshOf,
  movedOut,
  type PlaneCut,
  panelsOf,
  setAs,
  type Skinned,
  spanOf,
  soundCharts,
  spanned,
  whole,
} from '../../skin';
import { type SkinParams, STAND_IN } from './fields';
import { namesOf } from './names';

const rad = (deg: number): number => (deg * Math.PI) / 180;
const degOf = (r: number): number => Math.round((r * 1800) / Math.PI) / 10;

type Cut = SkinParams['cuts'][number];

/** Spots are kept at the size in the file, so that they stay on the surface when it is made larger. */
const spotOf = ({ xMm, yMm, zMm }: { xMm: number; yMm: number; zMm: number }, scale: number): Vec3 => ({
  x: xMm * scale,
  y: yMm * scale,
  z: zMm * scale,
});

/** Lines as they are drawn, with their mirror images where that is asked, by their numbers. */
function linesOf({ lines, bothSides, scalePct }: SkinParams): { line: number; runs: Vec3[][] }[] {
  return [...new Set(lines.map((l) => l.line))].map((line) => {
    const run = lines.filter((l) => l.line === line).map((l) => spotOf(l, scalePct / 100));
    const mirrored = run.map((p) => ({ ...p, x: -p.x }));
    return { line, runs: bothSides === 'yes' ? [run, mirrored] : [run] };
  });
}

/** The surface parted by the lines drawn on it, and the lines that part nothing; nothing when there are none. */
export function drawnOn(face: Mesh, params: SkinParams): { charted: Charted; idle: number[] } | undefined {
  const lines = linesOf(params);
  if (lines.length === 0) return undefined;
  const idle: number[] = [];
  const charted = lines.reduce((before, { line, runs }) => {
    const after = runs.reduce(cutByLine, before);
    if (chartCount(after) === chartCount(before)) idle.push(line);
    return after;
  }, whole(face));
  return { charted, idle };
}

const cutOf = (cut: Cut, scale: number): PlaneCut => ({
  at: spotOf(cut, scale),
  normal: facing(cut),
  ...(cut.of === 'all' && { all: true as const }),
});

const facing = ({ turnDeg, tiltDeg }: Pick<Cut, 'turnDeg' | 'tiltDeg'>): Vec3 => ({
  x: Math.cos(rad(tiltDeg)) * Math.cos(rad(turnDeg)),
  y: Math.cos(rad(tiltDeg)) * Math.sin(rad(turnDeg)),
  z: Math.sin(rad(tiltDeg)),
});

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** Cuts as they are kept among the values of a part, at the size in the file. */
export const rowsOf = (cuts: readonly PlaneCut[], scalePct: number): Cut[] =>
  cuts.map(({ at, normal, all }) => ({
    xMm: tenth((100 * at.x) / scalePct),
    yMm: tenth((100 * at.y) / scalePct),
    zMm: tenth((100 * at.z) / scalePct),
    turnDeg: degOf(Math.atan2(normal.y, normal.x)),
    tiltDeg: degOf(Math.asin(Math.min(1, Math.max(-1, normal.z)))),
    of: all ? 'all' : 'piece',
  }));

const read = new WeakMap<KeptMesh, Mesh>();
let standIn: Mesh | undefined;

/** The surface a part names, as it is in the file; nothing when it is not in the build. */
export function namedMesh(id: string, meshes: readonly KeptMesh[]): Mesh | undefined {
  if (id === STAND_IN) return (standIn ??= gullMask());
  const kept = byId(meshes, id);
  if (!kept) return undefined;
  let mesh = read.get(kept);
  if (!mesh) read.set(kept, (mesh = meshOf(kept)));
  return mesh;
}

/**
 * The face of the surface that the foam lies on, in its own space: cuts are given there, its lower edge at nought. Where
 * the surface is the outer face, it lies the foam's thickness further in, as far as there is room. Only this part's own
 * side of where it comes apart; `bare` when nothing is on that side: then all of it.
 */
export function faceOf(
  mesh: Mesh,
  params: SkinParams,
  thicknessMm: number,
): { mesh: Mesh; held: number; bare: boolean } {
  const { mesh: face, held } = movedOut(setOf(mesh, params), params.face === 'outer' ? -thicknessMm : 0);
  return { ...ownSide(face, params), held };
}

/** The surface at its size, turned and widened. */
const setOf = (mesh: Mesh, params: SkinParams): Mesh =>
  setAs(mesh, {
    scale: params.scalePct / 100,
    turnRad: rad(params.turnDeg),
    nodRad: rad(params.nodDeg),
    at: { x: 0, y: 0, z: 0 },
    wide: { fromMm: params.widenFromMm, toMm: params.widenToMm, byMm: params.widenMm },
  });

/** Only this part's own side of where it comes apart; all of it when nothing is there. */
function ownSide(face: Mesh, params: SkinParams): { mesh: Mesh; bare: boolean } {
  const own = params.apart.reduce(
    (left, cut) => keptSide(left, spotOf(cut, params.scalePct / 100), facing(cut), cut.keep === 'over'),
    face,
  );
  const bare = own.triangles.length === 0;
  return { mesh: bare ? face : own, bare };
}

/** The pieces of a part in its own space. */
interface Parted extends Skinned {
  /** The face the foam lies on, its openings open. */
  face: Mesh;
  spanMm: [number, number, number];
  /** Cuts that were added where a piece could not lie flat. */
  cut: number;
  openings: number[][];
  /** Points at which there is no room for the foam. */
  held: number;
  /** Lines that part nothing. */
  idle: number[];
  /** Nothing of the surface is on this part's side of where it comes apart. */
  bare: boolean;
  /** Flat faces it was folded from; absent where it is curved. */
  facets?: number;
}

/** What was parted last, by its values: every foam and feature of a part asks for the same. */
const MOST_KNOWN = 12;
const split = new WeakMap<Mesh, Map<string, Parted>>();

/** The surface parted by the lines and cuts of a part, and further where a piece could not lie flat, as panels. */
export function piecesOf(mesh: Mesh, params: SkinParams, thicknessMm: number): Parted {
  const outer = params.face === 'outer' ? thicknessMm : 0;
  const thick = params.madeAs === 'nets' ? thicknessMm : outer;
  const key = JSON.stringify([{ ...params, aheadMm: 0, upMm: 0, most: 0 }, outer, thick]);
  let known = split.get(mesh);
  if (!known) split.set(mesh, (known = new Map<string, Parted>()));
  const before = known.get(key);
  if (before) return before;
  const nets = params.madeAs === 'nets' ? folded(mesh, params, outer, thicknessMm) : undefined;
  // Too many faces: curved pieces stand in, and it is reported.
  const made =
    nets && nets.facets! <= MOST_FACETS
      ? nets
      : { ...curved(mesh, params, thicknessMm), ...(nets && { facets: nets.facets! }) };
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(key, made);
  return made;
}

/** Facets of the surface folded from nets, its outer or its inner face the foam's. */
function folded(mesh: Mesh, params: SkinParams, inMm: number, thicknessMm: number): Parted {
  const { mesh: face, bare } = ownSide(setOf(mesh, params), params);
  const { panels, joins, facets } = facetPanels(face, inMm, params.netMm, thicknessMm);
  return {
    panels,
    joins,
    followsMm: 0,
    open: [],
    face,
    spanMm: spanOf(face),
    cut: 0,
    openings: [],
    held: 0,
    idle: [],
    bare,
    facets,
  };
}

/** The surface parted by its lines and cuts, each piece bent to it. */
function curved(mesh: Mesh, params: SkinParams, thicknessMm: number): Parted {
  const { mesh: inner, held, bare } = faceOf(mesh, params, thicknessMm);
  const { mesh: face, openings } = spanned(inner);
  const drawn = drawnOn(face, params);
  const { charted, cut } = soundCharts(
    cutBy(
      drawn?.charted ?? whole(face),
      params.cuts.map((c) => cutOf(c, params.scalePct / 100)),
    ),
  );
  return {
    ...panelsOf(charted, namesOf(charted), openings),
    face: inner,
    spanMm: spanOf(charted.mesh),
    cut,
    openings,
    held,
    idle: drawn?.idle ?? [],
    bare,
  };
}
