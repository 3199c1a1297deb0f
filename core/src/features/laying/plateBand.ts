import { byId, findIn, itemAt, lastOf } from '../../units';
import type { Feature } from '../../document';
import { add3, alongRun, common, cross3, dist2, largestRing, lerp2, scale3, type Vec2 } from '../../geometry';
import { edgeRun, type LaidPanel, type Piece, type Plate, plateMesh, platePiece } from '../../panel';
import type { Laid } from '../contract';
import type { Band } from './bandSpec';

/** A flat panel and the run of one of its edges, in its own plane; nothing when it has no such edge. */
export function plateRun(laid: LaidPanel, edgeId: string): { plate: Plate; run: Vec2[] } | undefined {
  const { plate } = laid.panel;
  const edge = plate && byId(laid.piece.edges, edgeId);
  return plate && edge && { plate, run: edgeRun(plate.outline, edge) };
}

/** What of a flat panel lies within a distance of the run of one of its edges, in its own plane. */
export const alongPlate = (plate: Plate, run: Vec2[], widthMm: number): Vec2[] =>
  largestRing(common([plate.outline], alongRun(run, widthMm)));

/** A strip along an edge of a flat panel. */
export function stripOnPlate(
  feature: Pick<Feature, 'id'>,
  suffix: string,
  laid: LaidPanel,
  edgeId: string,
  band: Band,
): Pick<Laid, 'pieces' | 'solids'> | undefined {
  const found = plateRun(laid, edgeId);
  if (!found) return undefined;
  const { plate, run } = found;
  const outline = alongPlate(plate, run, band.widthMm);
  if (outline.length < 3) return undefined;
  const out = cross3(plate.across, plate.up);
  const t = band.foam.thicknessMm.value;
  const lift = band.face === 'outer' ? laid.foam.thicknessMm.value : -t;
  const strip: Plate = {
    origin: add3(plate.origin, scale3(out, lift)),
    across: plate.across,
    up: plate.up,
    outline,
    cuts: [],
  };
  const name = findIn(laid.piece.edges, (e) => e.id === edgeId).name;
  const piece: Piece = {
    ...platePiece({ id: `${feature.id}${suffix}`, name: `${band.name}, ${name}` }, strip, band.foam),
    role: 'laid',
    featureId: feature.id,
    face: band.face,
    note: `${band.note} On ${laid.panel.name}.`,
  };
  return { pieces: [piece], solids: [plateMesh(strip, t)] };
}

/** Places along a run, so far in from it and about so far apart, clear of its ends; in the panel's plane. */
export function spotsOnPlate(run: readonly Vec2[], insetMm: number, spacingMm: number): Vec2[] {
  const lengths = [0];
  for (let i = 1; i < run.length; i++)
    lengths.push(itemAt(lengths, i - 1) + dist2(itemAt(run, i - 1), itemAt(run, i)));
  const free = lastOf(lengths) - 2 * insetMm;
  if (free < 0) return [];
  const count = Math.max(1, Math.round(free / spacingMm));
  return Array.from({ length: count + 1 }, (_, k) => {
    const want = insetMm + (free * k) / count;
    const i = Math.max(
      1,
      lengths.findIndex((mm) => mm >= want - 1e-9),
    );
    const [a, b] = [itemAt(run, i - 1), itemAt(run, i)];
    const size = dist2(a, b) || 1;
    const at = lerp2(a, b, (want - itemAt(lengths, i - 1)) / size);
    // Outlines run counter-clockwise: inwards is to the left.
    return { x: at.x - ((b.y - a.y) / size) * insetMm, y: at.y + ((b.x - a.x) / size) * insetMm };
  });
}
