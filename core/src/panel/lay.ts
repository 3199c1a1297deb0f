import { letterAt } from '../units';
import { bendStrain, foamMassG } from '../foam';
import type { PieceDarts } from '../document';
import {
  dist3,
  joinMeshes,
  lerp2,
  type Mesh,
  meshArea,
  regionArea,
  overlapsItself,
  shellMesh,
  type Vec2,
  type Vec3,
} from '../geometry';
import type { FoamSheet, Habits } from '../materials';
import { bevelsOf, cuttableBevel } from './bevels';
import { edgeRun } from './edgeRun';
import { foldOf } from './fold';
import { type Flush, flushEaseMm, flushEdges } from './flush';
import { flatPanel, type FlatOptions, type FlatPanel } from './flatPanel';
import { growEdges } from './growEdges';
import { flatPlate, plateEdgeLines, plateVolumeMm3 } from './plate';
import { plateMesh } from './plateMesh';
import { plateRegion } from './plateShape';
import { mirrorPiece } from './mirror';
import { onGrid } from './patch';
import {
  gridMesh,
  edgesOf,
  edgeVertices,
  offsetGrid,
  planeNormal,
  splitPanel,
  tightestGridRadiusMm,
  type Join,
  type Panel,
} from './panel';
import type { Piece, PieceEdge } from './piece';

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** A panel in its foam, laid flat. */
export interface LaidPanel extends FlatPanel {
  panel: Panel;
  foam: FoamSheet;
}

/** How a form's panels are laid: limits for all of them, and darts by hand for some. */
export interface LayOptions extends FlatOptions {
  dartsByHand?: readonly PieceDarts[];
  /** How folds are cut; the default V when absent. */
  fold?: Habits['fold'];
}

/** Lays a panel flat; one that would overlap itself is split down its middle, at most twice over. */
function lay(panel: Panel, foam: FoamSheet, options: LayOptions, depth: number, joins: Join[]): LaidPanel[] {
  if (panel.plate) return [{ panel, foam, ...flatPlate(panel, panel.plate, foam) }];
  const seams = joins
    .flatMap((j) => (j.kind === 'seam' ? [j.a, j.b] : []))
    .flatMap(([id, side]) => (id === panel.id ? [side] : []));
  const byHand = options.dartsByHand?.find((d) => d.pieceId === panel.id)?.darts;
  const flat = flatPanel(panel, foam, { ...options, seams, ...(byHand && { byHand }) });
  if (depth === 0 || panel.rim || panel.grid[0]!.length < 5 || !overlapsItself(flat.piece.outline))
    return [{ panel, foam, ...flat }];
  const [a, b] = splitPanel(panel);
  joins.forEach((join) => {
    for (const end of ['a', 'b'] as const) {
      if (join[end][0] !== panel.id) continue;
      if (join[end][1] === 'left') join[end] = [a.id, 'left'];
      else if (join[end][1] === 'right') join[end] = [b.id, 'right'];
    }
  });
  joins.push({ a: [a.id, 'right'], b: [b.id, 'left'], kind: 'seam' });
  return [...lay(a, foam, options, depth - 1, joins), ...lay(b, foam, options, depth - 1, joins)];
}

/** Notches at equal shares of a seam, so that ease spreads evenly. */
function notch(piece: Piece, edge: PieceEdge, letter: string, backwards: boolean): void {
  const run = edgeRun(piece.outline, edge);
  const shares = edge.lengthMm > 160 ? [0.25, 0.5, 0.75] : [0.5];
  shares.forEach((share, i) => {
    const at = (backwards ? 1 - share : share) * (run.length - 1);
    const k = Math.min(run.length - 2, Math.floor(at));
    const name = shares.length > 1 ? `${letter}${i + 1}` : letter;
    piece.marks.push({ kind: 'notch', points: [lerp2(run[k]!, run[k + 1]!, at - k)], text: name });
  });
}

/**
 * Bevels of every seam, and what they do to the flat pieces: at a mitre the layer that is cut reaches further than
 * the inner face by its depth times the tangent of the bevel, and the outer face by the whole thickness' worth. At a
 * fold the piece ends where its groove is cut.
 */
function bevelSeams(
  laid: readonly LaidPanel[],
  joins: readonly Join[],
  flush: readonly Flush[],
  fold: Habits['fold'],
): void {
  const find = ([id, side]: Join['a']): PieceEdge | undefined =>
    laid.find((l) => l.panel.id === id)?.piece.edges.find((e) => e.id === side);
  for (const { a, b, kind } of joins) {
    if (kind === 'closure' || (a[0] === b[0] && a[1] === b[1])) continue;
    const [panelA, panelB] = [a, b].map(([id]) => laid.find((l) => l.panel.id === id)?.panel);
    const [edgeA, edgeB] = [find(a), find(b)];
    if (!panelA || !panelB || !edgeA || !edgeB) continue;
    const asked = bevelsOf(panelA, a[1], panelB, b[1]);
    if (kind === 'fold') {
      edgeA.foldDeg = edgeB.foldDeg = 2 * asked;
      continue;
    }
    edgeA.bevelDeg = edgeB.bevelDeg = cuttableBevel(asked);
    if (edgeA.bevelDeg !== asked) edgeA.foldsBackDeg = edgeB.foldsBackDeg = 2 * asked;
  }
  for (const { laid: one, side, along, bevelDeg } of flush) {
    if (bevelDeg === 0) continue;
    for (const { panel, side: of } of [{ panel: one.panel, side }, ...along]) {
      const edge = find([panel.id, of]);
      if (edge?.bevelDeg === 0) edge.bevelDeg = bevelDeg;
    }
  }
  for (const l of laid) {
    const { thicknessMm, neutralFraction } = l.foam;
    const tangent = (e: PieceEdge): number => Math.tan(rad(e.bevelDeg));
    for (const edge of l.piece.edges)
      if (edge.bevelDeg !== 0) edge.proudMm = (1 - neutralFraction.value) * thicknessMm.value * tangent(edge);
    const out = l.piece.edges.map((e) =>
      e.foldDeg === undefined
        ? neutralFraction.value * thicknessMm.value * tangent(e)
        : foldOf(l.foam, rad(e.foldDeg), fold).outMm,
    );
    if (out.some((mm) => Math.abs(mm) > LEAST_GROWTH_MM)) l.piece = growEdges(l.piece, out);
  }
}

/** A knife follows no finer line than this. */
const LEAST_GROWTH_MM = 0.1;

/** Two or more mates agree to this, or carry a stated ease; mm. */
const SEAM_TOLERANCE_MM = 0.5;

/**
 * Whether both edges are one line of the form. Where pieces are folded, their edges end at fold lines on the far face and
 * are drawn longer or shorter by that, though they meet all the same.
 */
function alike(laid: readonly LaidPanel[], { a, b }: Join): boolean {
  const [one, other] = [a, b].map(([id, side]) => {
    const panel = laid.find((l) => l.panel.id === id)!.panel;
    const points = panel.grid.flat();
    const run = edgeVertices(panel, side).map((v) => points[v]!);
    return run.slice(1).reduce((sum, p, i) => sum + dist3(p, run[i]!), 0);
  });
  return Math.abs(one! - other!) < ALIKE_MM;
}

const ALIKE_MM = 0.05;

function joinEdges(laid: readonly LaidPanel[], joins: readonly Join[], flush: readonly Flush[]): void {
  const met = joins.filter((j) => j.kind !== 'fold');
  for (const { a, b, kind } of joins)
    if (kind === 'fold')
      for (const [id, side] of [a, b])
        laid.find((l) => l.panel.id === id)!.piece.edges.find((e) => e.id === side)!.joint = 'fold';
  met.forEach((join, i) => {
    const [a, b] = [join.a, join.b].map(([id, side]) => {
      const piece = laid.find((l) => l.panel.id === id)?.piece;
      return piece && { piece, edge: piece.edges.find((e) => e.id === side)! };
    });
    if (!a || !b) return;
    const letter = letterAt(i);
    const ease = a.edge.lengthMm - b.edge.lengthMm;
    const eased =
      join.kind === 'seam' &&
      Math.abs(ease) > SEAM_TOLERANCE_MM &&
      !(a.piece.edges.concat(b.piece.edges).some((e) => e.joint === 'fold') && alike(laid, join));
    Object.assign(a.edge, {
      joint: join.kind,
      letter,
      mate: { pieceId: b.piece.id, edgeId: b.edge.id },
      ...(eased && { easeMm: ease }),
    });
    Object.assign(b.edge, {
      joint: join.kind,
      letter,
      mate: { pieceId: a.piece.id, edgeId: a.edge.id },
      ...(eased && { easeMm: -ease }),
    });
    notch(a.piece, a.edge, letter, false);
    notch(b.piece, b.edge, letter, true);
  });
  // What is fastened to the face of another piece has no mate; its letter is named in the step that fastens it.
  for (const one of flush) {
    const ease = flushEaseMm(one, laid);
    const edge = one.laid.piece.edges.find((e) => e.id === one.side)!;
    if (Math.abs(ease) > SEAM_TOLERANCE_MM) edge.easeMm = ease;
  }
  let next = met.length;
  for (const { piece } of laid)
    for (const edge of piece.edges)
      if (edge.hung && edge.joint === 'hung') {
        edge.letter = letterAt(next++);
        notch(piece, edge, edge.letter, false);
      }
}

/** Panels turned into flat pieces, each in its foam, with bevels, mates and notches. */
export function layPanels(
  panels: readonly Panel[],
  joins: readonly Join[],
  foamFor: (panel: Panel) => FoamSheet,
  options: LayOptions,
): LaidPanel[] {
  const all = joins.map((j) => ({ ...j }));
  const laid: LaidPanel[] = [];
  for (const panel of panels) {
    const foam = foamFor(panel);
    const twin = laid.find((l) => l.panel.id === panel.mirrorOf);
    if (twin) laid.push({ panel, foam, ...mirrorPiece(twin, panel) });
    else laid.push(...lay(panel, foam, options, 2, all));
  }
  const flush = flushEdges(laid);
  bevelSeams(laid, all, flush, options.fold ?? 'v-groove');
  joinEdges(laid, all, flush);
  return laid;
}

/** Where an edge of a piece runs on the outer face of the solid. */
export interface EdgeLine {
  pieceId: string;
  edgeId: string;
  points: Vec3[];
}

export interface Solid {
  mesh: Mesh;
  edgeLines: EdgeLine[];
  /** Outlines of openings on the outer face. */
  openings: Vec3[][];
}

/**
 * A piece where it lies on the form: the shell's inner face as a grid (rows from its first edge up, columns
 * left to right seen from outside) and the same points laid flat.
 */
export interface Surface {
  pieceId: string;
  grid: Vec3[][];
  flat: Vec2[][];
  /** Its edges, where they are not just the four sides of the grid. */
  rim?: Panel['rim'];
  /** What is cut out of it. */
  openings?: Panel['openings'];
  /** A strap or belt that hangs free. */
  loose?: true;
}

export const surfaceOf = ({ panel, flat }: LaidPanel): Surface => ({
  pieceId: panel.id,
  grid: panel.grid,
  flat,
  ...(panel.rim && { rim: panel.rim }),
  ...(panel.openings && { openings: panel.openings }),
  ...(panel.loose && { loose: true as const }),
});

/** A panel and the foam it is made of. */
export type Skin = Pick<LaidPanel, 'panel' | 'foam'>;

function edgeLines({ panel }: Skin, outer: Panel['grid']): EdgeLine[] {
  const flat = outer.flat();
  return edgesOf(panel).map(({ id, run }) => ({
    pieceId: panel.id,
    edgeId: id,
    points: run.map((v) => flat[v]!),
  }));
}

/** The foam as a closed mesh, drawn from the very panels that are laid flat. */
export function solidOf(skins: readonly Skin[]): Solid {
  const seen = skins.filter(({ panel }) => !panel.unseen);
  const made = seen.map(skinMesh);
  return {
    mesh: joinMeshes(made.map((m) => m.mesh)),
    edgeLines: made.flatMap((m) => m.edgeLines),
    openings: made.flatMap((m) => m.openings),
  };
}

/** One panel in its foam. */
export function skinMesh(skin: Skin): Solid {
  const { panel, foam } = skin;
  const t = foam.thicknessMm.value;
  if (panel.plate)
    return {
      mesh: plateMesh(panel.plate, t),
      edgeLines: plateEdgeLines(panel, panel.plate, t),
      openings: [],
    };
  const outer = offsetGrid(panel.grid, t);
  const openings = (panel.openings ?? []).map(({ outline }) =>
    [...outline, outline[0]!].map((uv) => onGrid(outer, uv)),
  );
  return { mesh: shellMesh(panel.grid, outer, false), edgeLines: edgeLines(skin, outer), openings };
}

/** How far the foam is bent at its tightest, over all panels. */
export interface Bending {
  bendStrain: number;
  tightestRadiusMm: number;
}

export function bendingOf(skins: readonly Skin[]): Bending {
  // How points lie within a plane bends nothing.
  const bent = skins.filter(({ panel }) => !panel.plate && !planeNormal(panel.grid));
  const radii = bent.map(({ panel }) => tightestGridRadiusMm(panel.grid));
  const strains = bent.map(({ foam }, i) =>
    bendStrain({
      thicknessMm: foam.thicknessMm.value,
      insideRadiusMm: radii[i]!,
      neutralFraction: foam.neutralFraction.value,
    }),
  );
  return { bendStrain: Math.max(0, ...strains), tightestRadiusMm: Math.min(1e6, ...radii) };
}

/** Foam of the panels at their neutral layers, without laying them flat: area, mass and the longest way round. */
export function foamOf(
  skins: readonly Skin[],
  joins: readonly Join[],
  fold: Habits['fold'] = 'v-groove',
): { areaMm2: number; massG: number; girthMm: number } {
  const grids = skins.map(({ panel, foam }) =>
    offsetGrid(panel.grid, foam.neutralFraction.value * foam.thicknessMm.value),
  );
  const grown = bevelAreas(skins, grids, joins, fold);
  const areas = grids.map((grid, i) => {
    const { plate } = skins[i]!.panel;
    return plate ? regionArea(plateRegion(plate)) : meshArea(gridMesh(grid)) + grown[i]!;
  });
  return {
    areaMm2: areas.reduce((sum, a) => sum + a, 0),
    massG: areas.reduce((sum, a, i) => {
      const { panel, foam } = skins[i]!;
      const g = panel.plate
        ? plateVolumeMm3(panel.plate, foam.thicknessMm.value) * foam.densityKgM3.value * 1e-6
        : foamMassG(a, foam);
      return sum + g;
    }, 0),
    girthMm: girthOf(skins, grids, joins),
  };
}

/** What bevels add to each piece: at a mitre the layer that is cut reaches further than the inner face. */
function bevelAreas(
  skins: readonly Skin[],
  grids: readonly Vec3[][][],
  joins: readonly Join[],
  fold: Habits['fold'],
): number[] {
  const grown = skins.map(() => 0);
  for (const { a, b, kind } of joins) {
    const [i, k] = [a, b].map(([id]) => skins.findIndex((s) => s.panel.id === id)) as [number, number];
    if (kind === 'closure' || i < 0 || k < 0 || (i === k && a[1] === b[1])) continue;
    const bevelDeg = bevelsOf(skins[i]!.panel, a[1], skins[k]!.panel, b[1]);
    const tangent = Math.tan(rad(cuttableBevel(bevelDeg)));
    for (const [at, side] of [
      [i, a[1]],
      [k, b[1]],
    ] as const) {
      const { panel, foam } = skins[at]!;
      const points = grids[at]!.flat();
      const run = edgeVertices(panel, side).map((v) => points[v]!);
      const lengthMm = run.slice(1).reduce((sum, p, n) => sum + dist3(p, run[n]!), 0);
      grown[at]! +=
        lengthMm *
        (kind === 'fold'
          ? foldOf(foam, rad(2 * bevelDeg), fold).outMm
          : foam.neutralFraction.value * foam.thicknessMm.value * tangent);
    }
  }
  return grown;
}

/** The longest run round: rows of panels that meet side to side, added up, at either end. */
function girthOf(skins: readonly Skin[], grids: readonly Vec3[][][], joins: readonly Join[]): number {
  const ring = new Map(skins.map(({ panel }) => [panel.id, panel.id]));
  const root = (id: string): string => (ring.get(id) === id ? id : root(ring.get(id)!));
  for (const { a, b } of joins) {
    const across = [a[1], b[1]].every((side) => side === 'left' || side === 'right');
    if (across && ring.has(a[0]) && ring.has(b[0])) ring.set(root(a[0]), root(b[0]));
  }
  const runs = new Map<string, [number, number]>();
  skins.forEach(({ panel }, i) => {
    if (panel.plate) return;
    const run = (row: readonly Vec3[]): number =>
      row.slice(1).reduce((sum, q, k) => sum + dist3(q, row[k]!), 0);
    const known = runs.get(root(panel.id)) ?? [0, 0];
    runs.set(root(panel.id), [known[0] + run(grids[i]![0]!), known[1] + run(grids[i]!.at(-1)!)]);
  });
  return Math.max(0, ...[...runs.values()].flat());
}
