import type { Zone } from '../body';
import { copiesOf, type Finding, type Part } from '../document';
import type { Laid } from '../features';
import type { Anchor, Fastening, Model } from '../forms';
import { strainClass, type StrainClass } from '../foam';
import { joinMeshes, type Mesh, outlineLength, type Vec2, type Weight } from '../geometry';
import type { SheetKind } from '../materials';
import {
  type Bending,
  stickMesh,
  eachOf,
  foamOf,
  gridNormals,
  letsLight,
  type Mark,
  type Piece,
  type PieceEdge,
  type Room,
  type Run,
  runsOf,
  type Solid,
  solidOf,
} from '../panel';
import type { WayOut } from '../space';
import type { Printing } from '../printed';
import { byId, pick, firstOf, itemAt } from '../units';
import type { Context } from './context';
import type { Body } from './bodies';
import { closedFeatures, comingOut } from './checks/wayOut';
import { finishG, type Painted, paintedOf } from './finish';
import { fasteningsG, gapFastenings } from './gapFastenings';
import { formOf } from './kinds';
import { makePart, type MadePart, type Noticed, zoneOf } from './made';
import { inPlastic, printingOfShell } from './printedShell';
import { packingOf, smallestBox, type PackedPart } from './packed';
import { changesAnything, dartsOf, triedRemedies } from './remedies';
import { thicknessTrial, type TrialRow } from './trial';
import { padSizeMm, type Pad } from './wear/pads';
import { sticksG, pieceG, weightOf } from './weight';

/** A room as it is reported: where it can be pointed at. */
export interface RoomReport extends Pick<Room, 'id' | 'name' | 'outline' | 'middle' | 'panel' | 'solid'> {
  /** Light comes out of a wall of it at its middle; false also where that is not known. */
  letsLight: boolean;
}

/** A panel and its edges, as places name them. */
export interface PanelReport {
  id: string;
  name: string;
  edges: Pick<PieceEdge, 'id' | 'name' | 'mate'>[];
}

/** What is reported of a part as it stands in the document, in the model of its form, and where it was made. */
const asInPart = [
  'id',
  'name',
  'form',
  'mount',
  'reused',
  'printed',
] as const satisfies readonly (keyof Part)[];
const asInModel = [
  'sticks',
  'heldAt',
  'heldTurnDeg',
  'balanceWantedMm',
  'stickField',
  'framework',
  'clearances',
  'drawnPoints',
  'sight',
  'closure',
  'ties',
  'alone',
  'measures',
  'figures',
  'roomMm',
] as const satisfies readonly (keyof Model)[];
const asMade = [
  'foam',
  'lining',
  'surfaces',
  'wear',
  'touching',
  'templates',
] as const satisfies readonly (keyof MadePart)[];

type AsItIs = Pick<Part, (typeof asInPart)[number]> &
  Pick<Model, (typeof asInModel)[number]> &
  Pick<MadePart, (typeof asMade)[number]> &
  Pick<Laid, 'drawn' | 'items' | 'bought' | 'work' | 'bears' | 'wedges'> &
  Bending;

/** Everything worked out about one part. Masses and areas are for one copy. */
export interface PartReport extends AsItIs {
  /** Where on the wearer it hangs, when it does. */
  zone?: Zone;
  copies: number;
  /** Kinds of sheet its pieces are cut from. */
  sheetKinds: SheetKind[];
  /** Some of its pieces are bent to shape. */
  bent: boolean;
  solid: Solid;
  /** What features lay on the shell, a bought thing and sticks; and which of its triangles are of which feature. */
  extras: Mesh;
  extraRuns: Run[];
  /** What features are laid on: the panels by the names they have in the document. */
  panels: PanelReport[];
  rooms: RoomReport[];
  /** Those of the form, and the middle of every panel. */
  anchors: Anchor[];
  /** Mass, middle and spread of one copy, in its own space. */
  weight: Weight;
  /** Drilled, marked and padded. */
  pieces: Piece[];
  /** What holds one copy, apart from ties to other parts. */
  fastenings: Fastening[];
  silhouette: Vec2[];
  girthMm: number;
  strainClass: StrainClass;
  /** What was found, with the remedies that were tried; changes lead from the part. */
  checks: Finding[];
  areaMm2: number;
  foamG: number;
  /** What printing its shell takes, one copy; where it is printed. */
  printing?: Printing;
  /** Pipes, dowels and bars. */
  stickG: number;
  /** Dry glue, coats and paint. */
  finishG: number;
  totalG: number;
  /** What is sealed and painted of one copy. */
  painted: Painted[];
  /** What was put in, as solids where they stand, by their features. */
  bodies: Pick<Body, 'featureId' | 'name' | 'solids'>[];
  /** How what may have to come out does, by its feature: how long the way is, mm, or why not; as before in a first answer. */
  comesOut: Record<string, number | Exclude<WayOut, object>>;
  /** Features that nothing reaches once the part is closed; as it was before in a first answer. */
  sealedIn: string[];
  /** The smallest box it goes into, and how it travels. */
  packed: PackedPart;
  trial: TrialRow[];
}

/** Everything flat of a part that is drawn: what is cut, and the walls of a bought thing. */
export const drawnPieces = ({ pieces, templates }: Pick<PartReport, 'pieces' | 'templates'>): Piece[] => [
  ...pieces,
  ...templates,
];

/** Pieces that are cut from sheet: of what is printed only what is laid on it, of what is there already none. */
export const cutPieces = ({
  pieces,
  reused,
  printing,
}: Pick<PartReport, 'pieces' | 'reused' | 'printing'>): Piece[] =>
  reused ? [] : printing ? pieces.filter((p) => p.role !== 'shell') : pieces;

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
      const c = Math.floor(firstOf(panel.grid).length / 2);
      const n = itemAt(itemAt(gridNormals(panel.grid), r), c);
      const at = itemAt(itemAt(panel.grid, r), c);
      const t = foam.thicknessMm.value;
      return {
        id: `panel:${panel.id}`,
        name: `on ${panel.name}`,
        at: { x: at.x + n.x * t, y: at.y + n.y * t, z: at.z + n.z * t },
        out: n,
        up: { x: 0, y: 0, z: 1 },
        face: {
          grid: panel.grid,
          at: { x: c / (firstOf(panel.grid).length - 1), y: r / (panel.grid.length - 1) },
          thickMm: t,
        },
      };
    }),
];

/** The solid of the shell, its edges named as they are on the pieces that are cut. */
function solidAsCut({ laid, nets }: MadePart): Solid {
  const whole = solidOf(laid);
  return {
    ...whole,
    runs: whole.runs.map((run) => ({ ...run, panel: run.id, id: nets.placeOf(run.id)?.netId ?? run.id })),
    edgeLines: whole.edgeLines.map((line) => {
      const net = nets.placeOf(line.pieceId);
      return net ? { ...line, pieceId: net.netId, edgeId: net.edgeId(line.edgeId) } : line;
    }),
  };
}

/** Things that were put in, on the pieces that are cut. */
const itemsAsCut = ({ featured, nets }: MadePart): Laid['items'] =>
  featured.items.map((item) => {
    const net = item.pieceId === undefined ? undefined : nets.placeOf(item.pieceId);
    return net ? { ...item, pieceId: net.netId, ...(item.flat && { flat: net.move(item.flat) }) } : item;
  });

const sumG = (things: readonly { massG: number }[]): number => things.reduce((sum, t) => sum + t.massG, 0);

/** Everything that was found, with the remedies `of` each. */
const findingsOf = (made: MadePart, of: (noticed: Noticed) => Finding['remedies']): Finding[] =>
  made.noticed.map((noticed) => ({ ...noticed.check, remedies: of(noticed) }));

/** Remedies from before that still change something. */
const remediesBefore =
  (part: Part, before: PartReport | undefined) =>
  ({ check }: Noticed): Finding['remedies'] =>
    (byId(before?.checks ?? [], check.id)?.remedies ?? []).filter((r) => changesAnything(part, r));

/** What another thickness of the same foam would do. */
function trialOf(
  part: Part,
  context: Context,
  { model, featured, wear }: MadePart,
  report: TrialBase,
): TrialRow[] {
  if (part.printed || formOf(context.kinds, part.form).sheets !== 'one') return [];
  const shell = report.pieces.filter((p) => p.role === 'shell');
  return thicknessTrial(part, context, {
    outlineMm: shell.reduce((sum, p) => sum + outlineLength(p.outline), 0),
    longestMm: report.packed.sidesMm[0],
    pieces: shell.length,
    copies: report.copies,
    model,
    lampMm: Math.max(0, ...featured.items.map((i) => i.lamp?.led.lengthMm ?? 0)),
    ...(wear?.sags[0] && { sag: wear.sags[0] }),
  });
}
type TrialBase = Pick<PartReport, 'pieces' | 'packed' | 'copies'>;

/**
 * Works out one part. With a report from before it is a first, coarse answer: darts stay where they were, fewer
 * rounds of flattening, and how it sits, what touches, the thickness trial and the remedies are those from before.
 * Pure: the same part, body, stock and catalogue give the same report. Untried, it has what was found and neither remedies nor trial.
 */
export function partReport(
  part: Part,
  context: Context,
  coarse = false,
  last?: PartReport,
  { untried = false }: { untried?: boolean } = {},
): PartReport {
  const before = coarse ? last : undefined;
  const byHand = new Set(part.darts.map((d) => d.pieceId));
  const asCut = makePart(part, context, {
    coarse,
    ...(coarse && { touching: before?.touching ?? [] }),
    ...(before && {
      darts: dartsOf(before).filter((d) => !byHand.has(d.pieceId)),
      ...(before.wear && { wear: before.wear }),
    }),
  });
  const printing = part.printed && printingOfShell(asCut);
  const made = printing ? inPlastic(asCut, printing) : asCut;
  const { model, laid, featured, wear, bending, templates } = made;
  const { sticks } = model;
  const zone = zoneOf(part);
  const pieces = made.pieces.map((p) => ({
    ...p,
    marks: [...p.marks, ...padMarks(wear?.pads ?? [], p.id)],
  }));
  const foamG = pieces.reduce((sum, p) => sum + pieceG(p) * eachOf(p), 0);
  const stickG = sticksG(sticks, context.catalogue);
  const printed = printing !== undefined;
  const painted = paintedOf({ pieces, templates, sticks, printed }, context.catalogue.foams);
  const finishing = finishG(pieces, painted, part, context.habits) * context.finish;
  const solid = solidAsCut(made);
  const extras = joinMeshes([
    ...featured.solids,
    ...model.existing,
    ...sticks.map((stick) => stickMesh(stick)),
  ]);
  const packed: PackedPart = before?.packed ?? {
    sidesMm: smallestBox([...solid.mesh.points, ...extras.points]),
    // The case of a bought thing gives way to nothing.
    how: templates.length > 0 ? 'as it is' : packingOf(made.pieces, strainClass(bending.bendStrain)),
  };
  const fastenings = [...gapFastenings(model), ...model.fastenings];
  const bought = [...model.bought, ...featured.bought];
  const totalG =
    foamG +
    stickG +
    sumG(model.ballast) +
    finishing +
    fasteningsG(fastenings) +
    sumG(featured.items) +
    sumG(bought);
  const copies = copiesOf(part) * context.times;
  return {
    ...pick(part, asInPart),
    ...pick(model, asInModel),
    ...pick(made, asMade),
    ...bending,
    ...(zone && { zone }),
    ...(printing && { printing: printing.takes }),
    copies,
    sheetKinds: [...new Set(laid.filter((l) => !l.panel.existing).map((l) => l.foam.kind))],
    bent: laid.some((l) => !l.panel.plate && !l.panel.existing) && bending.tightestRadiusMm < FLAT_MM,
    solid,
    extras,
    extraRuns: runsOf([...made.lays].flatMap(([id, { solids }]) => solids.map((mesh) => ({ id, mesh })))),
    drawn: featured.drawn,
    bears: featured.bears,
    wedges: featured.wedges,
    rooms: made.rooms.map((room) => ({
      ...pick(room, ['id', 'name', 'outline', 'middle', 'panel', 'solid']),
      letsLight: letsLight(room),
    })),
    anchors: anchorsOf(made),
    weight: weightOf(made, pieces, context.catalogue, totalG),
    pieces,
    items: itemsAsCut(made),
    panels: laid.map(({ piece: { id, name, edges } }) => ({
      id,
      name,
      edges: edges.map((edge) => pick(edge, ['id', 'name', 'mate'])),
    })),
    bought,
    work: [...model.work, ...featured.work],
    fastenings,
    silhouette: formOf(context.kinds, part.form).silhouette(part.params, context.body),
    girthMm: foamOf(laid, model.joins, context.habits.fold).girthMm,
    strainClass: strainClass(bending.bendStrain),
    checks: findingsOf(
      made,
      coarse
        ? remediesBefore(part, before)
        : (noticed) => (untried ? [] : triedRemedies(noticed, part, context, made)),
    ),
    areaMm2: pieces.reduce((sum, p) => sum + p.areaMm2 * eachOf(p), 0),
    foamG,
    stickG,
    finishG: finishing,
    totalG,
    painted,
    bodies: made.bodies.map((body) => pick(body, ['featureId', 'name', 'solids'])),
    comesOut: made.ways ? comingOut(made.ways) : (last?.comesOut ?? {}),
    // A bought thing is opened as it was made to.
    sealedIn: templates.length > 0 ? [] : made.ways ? closedFeatures(made.ways) : (last?.sealedIn ?? []),
    packed,
    trial:
      coarse || untried ? (before?.trial ?? []) : trialOf(part, context, made, { pieces, packed, copies }),
  };
}
