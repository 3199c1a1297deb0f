import type { MeasureKey, Zone } from '../body';
import { type Check, copiesOf, type Mount, type Part } from '../document';
import type { Bought, Drawn, Item, Work } from '../features';
import type { Anchor, Fastening, FormFigure, Passage, Tie } from '../forms';
import { strainClass, type StrainClass } from '../foam';
import { joinMeshes, type Mesh, outlineLength, type Vec2, type Vec3, type Weight } from '../geometry';
import type { ClosureKind, FoamSheet, SheetKind } from '../materials';
import {
  type Core,
  coreMesh,
  eachOf,
  foamOf,
  gridNormals,
  type Mark,
  type Piece,
  type PieceEdge,
  type Solid,
  solidOf,
  type Surface,
} from '../panel';
import type { Around } from './around';
import { changesAnything, dartsOf, triedCures, type Tried } from './cures';
import { finishG, type Painted, paintedOf } from './finish';
import { fasteningsG, gapFastenings } from './gapFastenings';
import { gripsOf, type FormHandle } from './grips';
import type { Convex, WayOut } from '../space';
import { closedFeatures, comingOut } from './checks/wayOut';
import { formOf } from './kinds';
import { makePart, zoneOf, type MadePart } from './made';
import { packingOf, smallestBox, type PackedPart } from './packed';
import { thicknessTrial, type TrialRow } from './trial';
import { coresG, pieceG, weightOf } from './weight';
import { padSizeMm, type Pad } from './wear/pads';
import type { PartFit } from './wear/partFit';

/** A room as it is told of: where it can be pointed at. */
export interface RoomReport {
  id: string;
  name: string;
  outline: Vec2[];
  middle: Vec2;
  panel?: string;
  solid?: true;
}

/** A panel and its edges, as places name them. */
export interface PanelReport {
  id: string;
  name: string;
  edges: Pick<PieceEdge, 'id' | 'name' | 'mate'>[];
}

/** Something that was noticed, with the cures that were tried; changes lead from the part. */
export interface PartCheck extends Omit<Check, 'cures'> {
  cures: Tried[];
}

/** Everything worked out about one part. Masses and areas are for one copy. */
export interface PartReport {
  id: string;
  name: string;
  form: string;
  mount: Mount;
  /** Where on the wearer it hangs, when it does. */
  zone?: Zone;
  copies: number;
  foam: FoamSheet;
  /** Kinds of sheet its pieces are cut from. */
  sheetKinds: SheetKind[];
  /** Some of its pieces are bent to shape. */
  bent: boolean;
  lining?: FoamSheet;
  solid: Solid;
  /** What features lay on the shell. */
  extras: Mesh;
  drawn: Drawn[];
  surfaces: Surface[];
  /** What features are laid on: the panels by the names they have in the document. */
  panels: PanelReport[];
  rooms: RoomReport[];
  anchors: Anchor[];
  /** Sticks it is made of, and where the hand holds it. */
  cores: Core[];
  heldAt?: Vec3;
  heldTurnDeg?: number;
  balanceWantedMm?: number;
  /** Where its stick is chosen among the values of the part. */
  stickField?: string;
  /** Mass, middle and spread of one copy, in its own space. */
  weight: Weight;
  /** How it sits on the wearer, when it is worn. */
  wear?: PartFit;
  passages: Passage[];
  sight: Vec3[][];
  pieces: Piece[];
  /** Walls of a bought thing with what is drilled in them: printed, not cut. */
  templates: Piece[];
  /** Lamps, packs and switches where they really sit. */
  items: Item[];
  bought: Bought[];
  work: Work[];
  closure: ClosureKind;
  /** What holds one copy, apart from ties to other parts. */
  fastenings: Fastening[];
  ties: Tie[];
  alone: Fastening[];
  measures: MeasureKey[];
  silhouette: Vec2[];
  girthMm: number;
  bendStrain: number;
  strainClass: StrainClass;
  tightestRadiusMm: number;
  figures: FormFigure[];
  checks: PartCheck[];
  roomMm: number;
  areaMm2: number;
  foamG: number;
  /** Pipes, dowels and bars. */
  coreG: number;
  /** Dry glue, coats and paint. */
  finishG: number;
  /** What is sealed and painted of one copy. */
  painted: Painted[];
  /** What was put in, as solids where they stand, by their features. */
  bodies: { featureId: string; name: string; solids: Convex[] }[];
  /** How what may have to come out does, by its feature: how long the way is, mm, or why not; as before in a first answer. */
  comesOut: Record<string, number | Exclude<WayOut, object>>;
  /** Features that nothing reaches once the part is closed; as it was before in a first answer. */
  sealedIn: string[];
  totalG: number;
  /** The smallest box it goes into, and how it travels. */
  packed: PackedPart;
  trial: TrialRow[];
  grips: FormHandle[];
}

/** Everything flat of a part that is drawn: what is cut, and the walls of a bought thing. */
export const drawnPieces = ({ pieces, templates }: Pick<PartReport, 'pieces' | 'templates'>): Piece[] => [
  ...pieces,
  ...templates,
];

/** Bent on a wider radius than this a sheet is flat. */
const FLAT_MM = 1e5;

const square = (c: Vec2, size: number): Vec2[] => {
  const h = size / 2;
  return [
    { x: c.x - h, y: c.y - h },
    { x: c.x + h, y: c.y - h },
    { x: c.x + h, y: c.y + h },
    { x: c.x - h, y: c.y + h },
  ];
};

/** Pads on the back of a piece, where they carry. */
const padMarks = (pads: readonly Pad[], pieceId: string): Mark[] =>
  pads
    .filter((pad) => pad.pieceId === pieceId)
    .map((pad) => ({
      kind: 'pad',
      points: square(pad.flat, padSizeMm),
      text: `pad ${pad.thicknessMm} mm`,
    }));

/** Anchors of the form, and the middle of every panel. */
const anchorsOf = ({ model, laid }: MadePart): Anchor[] => [
  ...model.anchors,
  ...laid
    .filter(({ panel }) => !panel.loose && !panel.unseen && !panel.plate?.inside)
    .map(({ panel, foam }): Anchor => {
      const r = Math.floor(panel.grid.length / 2);
      const c = Math.floor(panel.grid[0]!.length / 2);
      const n = gridNormals(panel.grid)[r]![c]!;
      const at = panel.grid[r]![c]!;
      const t = foam.thicknessMm.value;
      return {
        id: `panel:${panel.id}`,
        name: `on ${panel.name}`,
        at: { x: at.x + n.x * t, y: at.y + n.y * t, z: at.z + n.z * t },
        out: n,
        up: { x: 0, y: 0, z: 1 },
        face: {
          grid: panel.grid,
          at: { x: c / (panel.grid[0]!.length - 1), y: r / (panel.grid.length - 1) },
          thickMm: t,
        },
      };
    }),
];

/**
 * Works out one part. With a report from before it is a first, coarse answer: darts stay where they were, fewer
 * rounds of flattening, and how it sits, the thickness trial and the cures are those from before. Pure: the same part, body,
 * stock and catalogue give the same report.
 */
export function partReport(part: Part, around: Around, coarse = false, before?: PartReport): PartReport {
  const byHand = new Set(part.darts.map((d) => d.pieceId));
  const made = makePart(part, around, {
    coarse,
    ...(coarse &&
      before && {
        darts: dartsOf(before).filter((d) => !byHand.has(d.pieceId)),
        ...(before.wear && { wear: before.wear }),
      }),
  });
  const { model, foam, lining, laid, featured, wear, bending } = made;
  const zone = zoneOf(part);
  const copies = copiesOf(part) * around.times;
  const pieces = made.pieces.map((p) => ({
    ...p,
    marks: [...p.marks, ...padMarks(wear?.pads ?? [], p.id)],
  }));
  const areaMm2 = pieces.reduce((sum, p) => sum + p.areaMm2 * eachOf(p), 0);
  const foamG = pieces.reduce((sum, p) => sum + pieceG(p) * eachOf(p), 0);
  const coreG = coresG(model.cores, around.catalogue);
  const painted = paintedOf(
    { pieces, templates: made.templates, cores: model.cores },
    around.catalogue.foams,
  );
  const finishing = finishG(pieces, painted, part, around.habits) * around.finish;
  const { nets } = made;
  const whole = solidOf(laid);
  const solid: Solid = {
    ...whole,
    edgeLines: whole.edgeLines.map((line) => {
      const net = nets.placeOf(line.pieceId);
      return net ? { ...line, pieceId: net.netId, edgeId: net.edgeId(line.edgeId) } : line;
    }),
  };
  const extras = joinMeshes([
    ...featured.solids,
    ...model.given,
    ...model.cores.map((core) => coreMesh(core)),
  ]);
  const packed: PackedPart =
    coarse && before
      ? before.packed
      : {
          sidesMm: smallestBox([...solid.mesh.points, ...extras.points]),
          // The case of a bought thing gives way to nothing.
          how:
            made.templates.length > 0 ? 'as it is' : packingOf(made.pieces, strainClass(bending.bendStrain)),
        };
  const shell = pieces.filter((p) => p.role === 'shell');
  const fastenings = [...gapFastenings(model), ...model.fastenings];
  const itemsG = featured.items.reduce((sum, i) => sum + i.massG, 0);
  const bought = [...model.bought, ...featured.bought];
  const boughtG = bought.reduce((sum, b) => sum + b.massG, 0);
  const ballastG = model.ballast.reduce((sum, b) => sum + b.massG, 0);
  const totalG = foamG + coreG + ballastG + finishing + fasteningsG(fastenings) + itemsG + boughtG;
  return {
    id: part.id,
    name: part.name,
    form: part.form,
    mount: part.mount,
    ...(zone && { zone }),
    copies,
    foam,
    sheetKinds: [...new Set(laid.filter((l) => !l.panel.given).map((l) => l.foam.kind))],
    bent: laid.some((l) => !l.panel.plate && !l.panel.given) && bending.tightestRadiusMm < FLAT_MM,
    ...(lining && { lining }),
    solid,
    extras,
    drawn: featured.drawn,
    surfaces: made.surfaces,
    rooms: made.rooms.map(({ id, name, outline, middle, panel, solid }) => ({
      id,
      name,
      outline,
      middle,
      ...(panel !== undefined && { panel }),
      ...(solid && { solid }),
    })),
    anchors: anchorsOf(made),
    cores: model.cores,
    ...(model.heldAt && { heldAt: model.heldAt }),
    ...(model.heldTurnDeg !== undefined && { heldTurnDeg: model.heldTurnDeg }),
    ...(model.stickField && { stickField: model.stickField }),
    ...(model.balanceWantedMm !== undefined && { balanceWantedMm: model.balanceWantedMm }),
    weight: weightOf(made, pieces, around.catalogue, totalG),
    ...(wear && { wear }),
    passages: model.passages,
    sight: model.sight,
    pieces,
    templates: made.templates,
    items: featured.items.map((item) => {
      const net = item.pieceId === undefined ? undefined : nets.placeOf(item.pieceId);
      return net ? { ...item, pieceId: net.netId, ...(item.flat && { flat: net.move(item.flat) }) } : item;
    }),
    panels: laid.map(({ piece: { id, name, edges } }) => ({
      id,
      name,
      edges: edges.map(({ id: edge, name: called, mate }) => ({
        id: edge,
        name: called,
        ...(mate && { mate }),
      })),
    })),
    bought,
    work: [...model.work, ...featured.work],
    closure: model.closure,
    fastenings,
    ties: model.ties,
    alone: model.alone,
    measures: model.measures,
    silhouette: formOf(around.kinds, part.form).silhouette(part.params, around.body),
    girthMm: foamOf(laid, model.joins, around.habits.fold).girthMm,
    bendStrain: bending.bendStrain,
    strainClass: strainClass(bending.bendStrain),
    tightestRadiusMm: bending.tightestRadiusMm,
    figures: model.figures,
    checks: made.noticed.map((noticed) => ({
      ...noticed.check,
      cures: coarse
        ? (before?.checks.find((c) => c.id === noticed.check.id)?.cures ?? []).filter((cure) =>
            changesAnything(part, cure),
          )
        : triedCures(noticed, part, around, made),
    })),
    roomMm: model.roomMm,
    areaMm2,
    foamG,
    coreG,
    finishG: finishing,
    painted,
    bodies: made.bodies.map(({ featureId, name, solids }) => ({ featureId, name, solids })),
    comesOut: made.ways ? comingOut(made.ways) : (before?.comesOut ?? {}),
    // A bought thing is opened as it was made to.
    sealedIn:
      made.templates.length > 0 ? [] : made.ways ? closedFeatures(made.ways) : (before?.sealedIn ?? []),
    totalG,
    packed,
    trial: coarse
      ? (before?.trial ?? [])
      : formOf(around.kinds, part.form).sheets !== 'one'
        ? []
        : thicknessTrial(part, around, {
            outlineMm: shell.reduce((sum, p) => sum + outlineLength(p.outline), 0),
            longestMm: packed.sidesMm[0],
            pieces: shell.length,
            copies,
            model: made.model,
            lampMm: Math.max(0, ...featured.items.map((i) => i.lamp?.led.lengthMm ?? 0)),
            ...(wear?.sags[0] && { sag: wear.sags[0] }),
          }),
    grips: gripsOf(part, around, model, coarse ? before?.grips : undefined),
  };
}
