import type { Vec3 } from '../../geometry/vec';
import type { FoamSheet } from '../../materials/stock';
import type { FormCheck, Surface } from '../contract';
import { flatPanel } from '../draped/flatPanel';
import { offsetGrid, type Panel } from '../draped/panel';
import { shellMesh, type Mesh } from '../../geometry/mesh';
import type { Mark, Piece, PieceRole } from '../piece';
import type { Detail, LayerDetail, TrimDetail } from './detail';
import { bandAlong, insetOf, onFlat, onGrid, sideOfEdge, spotsAlong } from './patch';

/** What details add to a part: pieces of their own, marks on the shell's, their solids, and what could not be made. */
export interface Detailed {
  pieces: Piece[];
  marks: Map<string, Mark[]>;
  meshes: Mesh[];
  /** Lines and rivets where they lie on the form's outer face. */
  drawn: { kind: 'groove' | 'score' | 'rivet'; points: Vec3[] }[];
  rivets: number;
  checks: FormCheck[];
}

export interface DetailInput {
  pieces: readonly Piece[];
  surfaces: readonly Surface[];
  details: readonly Detail[];
  sheetOf: (nominalMm: number) => FoamSheet;
}

interface Laid {
  piece: Piece;
  mesh: Mesh;
}

/** A patch of a face as a piece of its own foam, flattened at its own neutral layer. */
function layPatch(
  detail: TrimDetail | LayerDetail,
  on: Piece,
  grid: Vec3[][],
  role: PieceRole,
  words: { name: string; edges: Panel['edges']; note: string },
  foam: FoamSheet,
): Laid {
  const panel: Panel = { id: detail.id, name: words.name, grid, edges: words.edges };
  const { piece } = flatPanel(panel, foam, { limit: 1, darts: 0, seams: [] });
  return {
    piece: { ...piece, role, note: `${words.note} On ${on.name}.` },
    mesh: shellMesh(grid, offsetGrid(grid, foam.thicknessMm.value), false),
  };
}

const mitred = (details: readonly Detail[], trim: TrimDetail, edgeId: string | undefined): boolean =>
  details.some(
    (d) => d.kind === 'trim' && d.pieceId === trim.pieceId && d.edgeId === edgeId && d.face === trim.face,
  );

function layTrim(trim: TrimDetail, input: DetailInput, on: Piece, surface: Surface): Laid | undefined {
  const ids = on.edges.map((e) => e.id);
  const side = sideOfEdge(ids, trim.edgeId);
  if (!side) return undefined;
  const at = ids.indexOf(trim.edgeId);
  const mitre = {
    start: mitred(input.details, trim, ids[(at + 3) % 4]),
    end: mitred(input.details, trim, ids[(at + 1) % 4]),
  };
  const foam = input.sheetOf(trim.nominalMm);
  const lift = trim.face === 'outer' ? on.thicknessMm : -foam.thicknessMm.value;
  const face = offsetGrid(surface.grid, lift);
  const band = bandAlong(face, side, trim.widthMm, mitre);
  if (!band) return undefined;
  const edge = on.edges[at]!.name;
  const end = (cut: boolean): string => (cut ? 'mitred end' : 'square end');
  return layPatch(
    trim,
    on,
    band.map((row) => row.map((uv) => onGrid(face, uv))),
    trim.face === 'outer' ? 'trim' : 'strip',
    {
      name: `${trim.face === 'outer' ? 'trim' : 'stiffening strip'}, ${edge}`,
      edges: { bottom: edge, right: end(mitre.end), top: 'inner edge of strip', left: end(mitre.start) },
      note:
        trim.face === 'inner'
          ? 'Glued inside, so that the edge keeps its shape.'
          : trim.look === 'rounded'
            ? 'Overhang the edge by half its thickness, then sand both round together.'
            : 'Flush with the edge, left square.',
    },
    foam,
  );
}

function layLayer(layer: LayerDetail, input: DetailInput, on: Piece, surface: Surface): Laid | undefined {
  const face = offsetGrid(surface.grid, on.thicknessMm);
  const inset = insetOf(face, layer.insetMm);
  if (!inset) return undefined;
  return layPatch(
    layer,
    on,
    inset.map((row) => row.map((uv) => onGrid(face, uv))),
    'layer',
    {
      name: `layer on ${on.name}`,
      edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
      note: `Glued on the outer face, ${layer.insetMm} mm in from every edge.`,
    },
    input.sheetOf(layer.nominalMm),
  );
}

const CIRCLE = 16;

/** Trim, layers, rivets and drawn lines of a part laid on its pieces. Pieces a detail names that are gone are told of. */
export function applyDetails(input: DetailInput): Detailed {
  const made: Detailed = { pieces: [], marks: new Map(), meshes: [], drawn: [], rivets: 0, checks: [] };
  const mark = (pieceId: string, ...marks: Mark[]): void => {
    made.marks.set(pieceId, [...(made.marks.get(pieceId) ?? []), ...marks]);
  };
  const lost = (detail: Detail, why: string): void => {
    made.checks.push({
      id: `detail-${detail.id}`,
      severity: 'mind',
      title: why,
      why: 'It was left off the pattern; change it or take it away under Details.',
      sure: 'standard',
      cures: [],
    });
  };
  for (const detail of input.details) {
    const on = input.pieces.find((p) => p.id === detail.pieceId);
    const surface = input.surfaces.find((s) => s.pieceId === detail.pieceId);
    if (!on || !surface) {
      lost(detail, `the piece “${detail.pieceId}” that carried ${words[detail.kind]} is no longer there.`);
      continue;
    }
    switch (detail.kind) {
      case 'trim':
      case 'layer': {
        const laid =
          detail.kind === 'trim' ? layTrim(detail, input, on, surface) : layLayer(detail, input, on, surface);
        if (laid) {
          made.pieces.push(laid.piece);
          made.meshes.push(laid.mesh);
        } else lost(detail, `${on.name} is too small for ${words[detail.kind]} of that width.`);
        break;
      }
      case 'rivets': {
        const side = sideOfEdge(
          on.edges.map((e) => e.id),
          detail.edgeId,
        );
        const face = offsetGrid(surface.grid, on.thicknessMm);
        const spots = side ? spotsAlong(face, side, detail.insetMm, detail.spacingMm) : [];
        if (spots.length === 0)
          lost(detail, `${on.name} has no room for rivets ${detail.spacingMm} mm apart.`);
        made.rivets += spots.length;
        for (const uv of spots) {
          const c = onFlat(surface.flat, uv);
          const points = Array.from({ length: CIRCLE }, (_, i) => ({
            x: c.x + (detail.diameterMm / 2) * Math.cos((i / CIRCLE) * 2 * Math.PI),
            y: c.y + (detail.diameterMm / 2) * Math.sin((i / CIRCLE) * 2 * Math.PI),
          }));
          mark(on.id, { kind: 'rivet', points });
          made.drawn.push({ kind: 'rivet', points: [onGrid(face, uv)] });
        }
        break;
      }
      case 'line': {
        const face = offsetGrid(surface.grid, on.thicknessMm);
        const along = detail.points.slice(1).flatMap((to, i) =>
          Array.from({ length: 12 }, (_, k) => {
            const from = detail.points[i]!;
            return { x: from.x + ((to.x - from.x) * k) / 12, y: from.y + ((to.y - from.y) * k) / 12 };
          }),
        );
        const run = [...along, detail.points.at(-1)!];
        mark(on.id, { kind: detail.look, points: run.map((uv) => onFlat(surface.flat, uv)) });
        made.drawn.push({ kind: detail.look, points: run.map((uv) => onGrid(face, uv)) });
        break;
      }
    }
  }
  return made;
}

const words: Record<Detail['kind'], string> = {
  trim: 'a strip',
  layer: 'a layer',
  rivets: 'rivets',
  line: 'a drawn line',
};
