import type { Body, MeasureKey, Zone } from '../body';
import { type Check, count, type Field, type KeptMesh, type Lift, type Params, type Ply } from '../document';
import type { Bought, Work } from '../features';
import type { Mesh, Vec2, Vec3 } from '../geometry';
import type { ClosureKind, FoamSheet, Rod } from '../materials';
import type { Stick, Join, Panel, Room, Section } from '../panel';

/** Everything a form is computed from. */
export interface FormInput<P> {
  params: P;
  body: Body;
  /** Where on the wearer it is worn; absent for what is mounted on something else. */
  zone?: Zone;
  underLayerMm: number;
  /** Foam glued inside the shell to cover wires; 0 for none. */
  liningMm: number;
  foam: FoamSheet;
  ply: Ply;
  /** Every layer of the part, from the inside out. */
  stack: readonly { ply: Ply; foam: FoamSheet }[];
  /** Sticks of what it is mounted on, in its own space: what may pass through it. */
  through: readonly Stick[];
  rods: readonly Rod[];
  /** Surfaces from files. */
  meshes: readonly KeptMesh[];
  /** The part's foam in a thickness of its own; 0 takes the part's. */
  own: (nominalMm: number) => { ply: Ply; foam: FoamSheet };
}

/** A figure a form tells of itself. */
export interface FormFigure {
  key: string;
  label: string;
  value: number;
  unit: 'mm' | 'deg' | 'g' | '';
  decimals: number;
}

/** An opening and the girth that must pass it. */
export interface OpeningClearance {
  what: string;
  openingMm: number;
  needMm: number;
  /** Middle of the ring; level on the figure and across a limb. */
  at: Vec3;
}

/** A frame where another part can be mounted: its origin, the way out of the form and the way up. */
export interface Anchor {
  id: string;
  name: string;
  at: Vec3;
  out: Vec3;
  up: Vec3;
  /** Which way a mount is moved along it; up when absent. */
  along?: Vec3;
  /** The face it is the middle of, on which a mount may be moved anywhere: inner face, its spot there, and the foam. */
  face?: { grid: Vec3[][]; at: Vec2; thickMm: number };
}

/** A strap, lace or elastic that holds one copy on the wearer. */
export interface Fastening {
  closure: ClosureKind;
  where: string;
  count: number;
  lengthMm: number;
  overlapMm: number;
  /** It runs over the shoulders and carries: how wide it lies on each, with what is under it. */
  shoulder?: { wideMm: number };
}

/** Points that are drawn towards those of the same name on another part, such as the sides of two plates. */
export interface Tie {
  name: string;
  /** The near end says what the strap is; the far end is only tied to. */
  end: 'near' | 'far';
  points: Vec3[];
  fastening: Omit<Fastening, 'lengthMm'>;
  /** What of the wearer it may be drawn over, each in one upright or level plane; the nearest of them counts. */
  over: Mould[];
}

/** A line of the clothed wearer in a plane that runs fore and aft, or in a level one. */
export interface Mould {
  plane: 'upright' | 'level';
  points: Vec3[];
}

/** A point of a drawing as it lies on the wearer: its line of the list, its spot, and where it goes for a millimetre more of either value. */
export interface DrawnPoint {
  field: string;
  row: number;
  at: Vec3;
  across: Vec3;
  up: Vec3;
}

/** Pipes of one kind, stiffly joined where they meet: what bends under what they carry. */
export interface Framework {
  corners: { name: string; at: Vec3 }[];
  /** By the numbers of their corners, from 0; and the anchor things are mounted on. */
  pipes: { name: string; from: number; to: number; anchorId: string }[];
  rodId: string;
  section: Section;
  /** Where its pipe is chosen among its values, and what it may be. */
  rodField: string;
  rodIds: string[];
}

/** What a form is made of, in the figure's space (limb forms in their limb's). */
export interface Model {
  panels: Panel[];
  joins: Join[];
  rooms: Room[];
  /** Sticks it is made of. */
  sticks: Stick[];
  /** Where the hand holds it, when it is carried. */
  heldAt?: Vec3;
  /** Turned about the upright when it is held, so that what points forwards does; degrees. */
  heldTurnDeg?: number;
  /** From there towards the tip, when the maker asks for one. */
  balanceWantedMm?: number;
  /** Its pipes, where it is a frame of them. */
  framework?: Framework;
  /** Where its stick is chosen among its values. */
  stickField?: string;
  /** What sets its joints, for a stick that can be parted. */
  splitAt?: (atMm: readonly number[]) => Params;
  /** Solids that are there already and are not made, such as the case of a bought thing; their mass is ballast. */
  existing: Mesh[];
  /** Dead weight put in. */
  ballast: { what: string; massG: number; at: Vec3 }[];
  anchors: Anchor[];
  clearances: OpeningClearance[];
  /** How its gaps are shut. */
  closure: ClosureKind;
  fastenings: Fastening[];
  ties: Tie[];
  /** Fastenings when no other part is there to be tied to. */
  alone: Fastening[];
  /** Measures that decide whether it fits. */
  measures: MeasureKey[];
  figures: FormFigure[];
  checks: Check[];
  /** To buy for it, and to do to it, besides its sheets and sticks. */
  bought: Bought[];
  work: Work[];
  /** Points of what is drawn on the wearer. */
  drawnPoints: DrawnPoint[];
  /** Lines from the eye past the rim of what it sees through. */
  sight: Vec3[][];
  /** Gap asked between shell and clothed body. */
  roomMm: number;
  /** Leaves room for padding, so that pads carry it. */
  padded: boolean;
}

/** Only what a form has; the rest is empty. */
export type Design = Partial<Model> & Pick<Model, 'panels' | 'joins' | 'roomMm'>;

/** Whether a form is made of one sheet, of layers glued face to face, is there already and only covered in sheet, or of no sheet at all. */
export type Sheets = 'one' | 'layers' | 'existing' | 'none';

/** Where a part is first put on what carries it: an anchor, and how far along it. */
export interface Rides {
  anchor: 'foot' | 'hand' | 'tip';
  alongMm: number;
}

/** What decides where a drawing lies on the wearer. */
export type DrawnOnInput<P> = Pick<
  FormInput<P>,
  'params' | 'body' | 'zone' | 'underLayerMm' | 'liningMm' | 'foam'
>;

/** From spots on or near the wearer, in the space the form is drawn in, to a drawing. */
export interface DrawnOn<P> {
  /** Where in the drawing, as it lies now, a spot is: across and up, mm. */
  spot: (input: DrawnOnInput<P>, p: Vec3) => Vec2;
  /** The values of a drawing whose points are all these spots. */
  drawing: (input: DrawnOnInput<P>, spots: readonly Vec3[]) => Params;
}

/** A kind of shape. Adding one is adding a folder that exports one of these, and a line in the registry. */
export interface FormKind {
  kind: string;
  label: string;
  summary: string;
  /** Places on the wearer it can hang from; none when it stands by itself or on another part. */
  zones: readonly Zone[];
  fields: readonly Field[];
  /** What became of values it had in earlier files. */
  lifts?: readonly Lift[];
  /** The sheets a new one is made of, from the inside out, and whether it may have one, several or none. */
  startStack: readonly Ply[];
  sheets: Sheets;
  /** Skinned over a surface that is read from a file: where the middle of its lower edge stands. */
  surface?: (params: Params, body: Body) => Vec3;
  /** Its outline can be drawn on the wearer. */
  drawnOn?: DrawnOn<Params>;
  /** Where it begins on a part with a stick in it. */
  rides?: Rides;
  defaults: (body: Body) => Params;
  model: (input: FormInput<Params>) => Model;
  /** Outline in its own proportions for the rack, millimetres, y up. */
  silhouette: (params: Params, body: Body) => Vec2[];
}

/** A form as its folder writes it; P is what its fields describe. */
export interface FormSpec<P> {
  kind: string;
  label: string;
  summary: string;
  zones: readonly Zone[];
  fields: readonly Field[];
  lifts?: readonly Lift[];
  /** Unrolls exactly, so that no stretch and no darts are asked about. */
  developable?: boolean;
  startStack?: readonly Ply[];
  sheets?: Sheets;
  surface?: (params: P, body: Body) => Vec3;
  drawnOn?: DrawnOn<P>;
  rides?: Rides;
  defaults: (body: Body) => P;
  design: (input: FormInput<P>) => Design;
  silhouette: (params: P, body: Body) => Vec2[];
}

/** Fields of every form that does not simply unroll. */
export const layFields = [
  count(
    'stretchPct',
    'Stretch worked in, %',
    [1, 15],
    'Up to 5 % cold, 10–12 % hot and held; more is left to darts.',
    'Flattening',
  ),
  count('darts', 'Darts at most', [0, 6], 'Wedges cut out and closed, in each piece.', 'Flattening'),
] as const;

/** A form under the common contract. */
export function defineForm<P>(spec: FormSpec<P>): FormKind {
  const { kind, label, summary, zones, developable = false } = spec;
  return {
    kind,
    label,
    summary,
    zones,
    fields: developable ? spec.fields : [...spec.fields, ...layFields],
    ...(spec.lifts && { lifts: spec.lifts }),
    startStack: spec.startStack ?? [{ foamId: 'light-eva', nominalMm: 6 }],
    sheets: spec.sheets ?? 'one',
    ...(spec.surface && { surface: spec.surface as unknown as NonNullable<FormKind['surface']> }),
    ...(spec.drawnOn && { drawnOn: spec.drawnOn as unknown as NonNullable<FormKind['drawnOn']> }),
    ...(spec.rides && { rides: spec.rides }),
    defaults: (body) => ({
      ...(spec.defaults(body) as unknown as Params),
      ...(!developable && { stretchPct: 8, darts: 2 }),
    }),
    model: (input) => ({
      rooms: [],
      sticks: [],
      existing: [],
      ballast: [],
      anchors: [],
      clearances: [],
      closure: 'none',
      fastenings: [],
      ties: [],
      alone: [],
      measures: [],
      figures: [],
      checks: [],
      bought: [],
      work: [],
      drawnPoints: [],
      sight: [],
      padded: false,
      ...spec.design(input as unknown as FormInput<P>),
    }),
    silhouette: (params, body) => spec.silhouette(params as unknown as P, body),
  };
}

/** The part's own ply stays unnamed, so that a panel has a foam of its own only when it differs. */
export const ownPly = ({ own }: Pick<FormInput<unknown>, 'own'>, nominalMm: number): { ply?: Ply } =>
  nominalMm === 0 ? {} : { ply: own(nominalMm).ply };
