import type { Body } from '../body/estimate';
import { strainClass } from '../foam/bend';
import type { FormInput } from '../forms/contract';
import type { Mark, Piece } from '../forms/piece';
import { pathLength } from '../geometry/path';
import { boundsOf } from '../geometry/polygon';
import type { Vec2 } from '../geometry/vec';
import { snugPocketMm } from '../inside/room';
import { foamMassG } from '../mass/foamMass';
import type { Catalogue } from '../materials/catalogue';
import { foamSheet, type FoamSheet, type FoamStock } from '../materials/stock';
import type { Lights, Part } from './document';
import { padSizeMm, type Pad } from '../fit/pads';
import { partFit } from '../fit/partFit';
import { applyDetails } from '../forms/details/applyDetails';
import { joinMeshes } from '../geometry/mesh';
import { closureOf, isPaired, shapeOf, silhouetteOf, zoneOf } from '../forms/partForm';
import { insideReport } from './insideReport';
import type { InsideReport, PartReport } from './report';
import { thicknessTrial } from './thicknessTrial';

/** A copy for each side; a pair is one and one flipped. */
export const copiesOf = (part: Part): number => (part.sides === 'pair' && isPaired(part) ? 2 : 1);

const rectangle = (c: Vec2, w: number, h: number): Vec2[] => [
  { x: c.x - w / 2, y: c.y - h / 2 },
  { x: c.x + w / 2, y: c.y - h / 2 },
  { x: c.x + w / 2, y: c.y + h / 2 },
  { x: c.x - w / 2, y: c.y + h / 2 },
];

/** Pads on the back of a piece, where they carry. */
const padMarks = (pads: readonly Pad[], pieceId: string): Mark[] =>
  pads
    .filter((pad) => pad.pieceId === pieceId)
    .map((pad) => ({
      kind: 'pad',
      points: rectangle(pad.flat, padSizeMm, padSizeMm),
      text: `pad ${pad.thicknessMm} mm`,
    }));

/** Darts by hand as asked; in a coarse answer also those the stretch had placed before. */
function darting(
  part: Part,
  before: PartReport | undefined,
): Pick<FormInput<never>, 'dartsByHand' | 'coarse'> {
  const byHand = part.dartsByHand ?? [];
  if (!before) return byHand.length > 0 ? { dartsByHand: byHand } : {};
  const placed = before.pieces
    .filter((p) => p.role === 'shell' && p.darts && !p.mirrors && !byHand.some((d) => d.pieceId === p.id))
    .map((p) => ({ pieceId: p.id, darts: p.darts! }));
  return { dartsByHand: [...byHand, ...placed], coarse: true };
}

/** Lamp holes and the pack's pocket drawn on the pieces they land on. */
function drill(
  pieces: Piece[],
  inside: InsideReport,
  lights: Lights,
  packFlat: { pieceId: string; flat: Vec2 } | undefined,
): Piece[] {
  return pieces.map((piece) => {
    const holes = inside.lamps
      .filter((l) => l.pieceId === piece.id && l.marginMm > l.diameterMm / 2)
      .map((l) => ({ id: l.id, kind: 'lamp' as const, centre: l.flat, diameterMm: l.diameterMm }));
    const marks: Mark[] = [];
    if (lights.pocket && inside.pack && packFlat?.pieceId === piece.id) {
      const { widthMm, lengthMm } = inside.pack;
      const outline = rectangle(packFlat.flat, snugPocketMm(widthMm), snugPocketMm(lengthMm));
      marks.push({ kind: 'pocket', points: outline, text: 'pocket, back' });
    }
    return { ...piece, holes: [...piece.holes, ...holes], marks: [...piece.marks, ...marks] };
  });
}

/**
 * Works out one part. With a report from before it is a first, coarse answer: darts stay where they were, fewer
 * rounds of flattening, and the thickness trial is the one before. Pure: the same part, body, stock and catalogue give the same report.
 * @throws Error when the part names a foam that is not sold; the document's check comes first.
 */
export function partReport(
  part: Part,
  body: Body,
  underLayerMm: number,
  catalogue: Catalogue,
  stock: readonly FoamStock[],
  before?: PartReport,
): PartReport {
  const foam = foamSheet(catalogue.foams, stock, part.foam.foamId, part.foam.nominalMm);
  if (!foam)
    throw new Error(`${part.name}: ${part.foam.nominalMm} mm ${part.foam.foamId} is not in the catalogue.`);
  const lining = part.lining
    ? foamSheet(catalogue.foams, stock, part.lining.foamId, part.lining.nominalMm)
    : undefined;
  const sheetOf = (mm: number): FoamSheet => foamSheet(catalogue.foams, stock, part.foam.foamId, mm) ?? foam;
  const shape = shapeOf(part, {
    body,
    underLayerMm,
    foam,
    sheetOf,
    ...(lining && { lining }),
    ...darting(part, before),
  });
  const surfaces = shape.surfaces();
  const detailed = applyDetails({ pieces: shape.pieces, surfaces, details: part.details ?? [], sheetOf });
  const wear = partFit(
    body,
    zoneOf(part),
    underLayerMm,
    { pieces: shape.pieces, surfaces },
    part.details ?? [],
    sheetOf,
    Number((part.params as Partial<Record<string, unknown>>)['paddingMm'] ?? 0) > 0,
  );
  const copies = copiesOf(part);
  const place = shape.place;
  const inside =
    part.lights && place
      ? insideReport(part.lights, { place, roomMm: shape.roomMm }, foam, lining, catalogue)
      : undefined;
  const packFlat =
    (part.lights && shape.place?.(part.lights.packAt.aroundDeg, part.lights.packAt.alongMm)) ?? undefined;
  const drilled = inside && part.lights ? drill(shape.pieces, inside, part.lights, packFlat) : shape.pieces;
  const marked = drilled.map((p) => ({
    ...p,
    marks: [...p.marks, ...(detailed.marks.get(p.id) ?? []), ...padMarks(wear.pads, p.id)],
  }));
  const pieces = [...marked, ...shape.linings(), ...detailed.pieces].map((p) => ({
    ...p,
    quantity: copies,
    flipped: part.sides === 'right' && isPaired(part) ? 1 : copies - 1,
  }));
  const areaMm2 = pieces.reduce((sum, p) => sum + p.areaMm2, 0);
  const foamG = pieces.reduce(
    (sum, p) => sum + foamMassG(p.areaMm2, p.role === 'lining' && lining ? lining : sheetOf(p.nominalMm)),
    0,
  );
  const longestMm = Math.max(...pieces.map((p) => boundsOf(p.outline)).map((b) => b.maxY - b.minY));
  const shellPieces = pieces.filter((p) => p.role === 'shell');
  return {
    id: part.id,
    name: part.name,
    form: part.form,
    copies,
    foam,
    ...(lining && { lining }),
    solid: shape.solid(),
    extras: joinMeshes(detailed.meshes),
    drawn: detailed.drawn,
    rivets: detailed.rivets,
    closure: closureOf(part).kind,
    wear,
    surfaces,
    rings: shape.rings,
    sightLines: shape.sightLines,
    pieces,
    zone: zoneOf(part),
    silhouette: silhouetteOf(part, body),
    patternGirthMm: shape.patternGirthMm,
    bendStrain: shape.bendStrain,
    strainClass: strainClass(shape.bendStrain),
    tightestRadiusMm: shape.tightestRadiusMm,
    ...(shape.fit && { fit: shape.fit }),
    figures: shape.figures,
    checks: [...shape.checks, ...detailed.checks],
    roomMm: shape.roomMm,
    areaMm2,
    foamG,
    totalG: foamG + closureOf(part).massG + (inside?.massG ?? 0),
    longestMm,
    ...(inside && { inside }),
    trial:
      before?.trial ??
      thicknessTrial(part, body, underLayerMm, catalogue, stock, {
        outlineMm: shellPieces.reduce((sum, p) => sum + pathLength({ vertices: p.outline, closed: true }), 0),
        longestMm,
        pieces: shellPieces.length,
        copies,
        ...(wear.sag && { sag: wear.sag }),
      }),
  };
}
