import type { Body } from '../body/estimate';
import type { MeasureKey } from '../body/measures';
import type { Mesh } from '../geometry/mesh';
import type { Vec2, Vec3 } from '../geometry/vec';
import type { FoamSheet } from '../materials/stock';
import type { Sure } from '../units/sure';
import type { LimbFit } from './limbFit';
import type { Piece, Placement } from './piece';
import type { PieceDarts } from './details/detail';

/** One value the maker can set. The interface and the build file's schema are generated from it. */
export type Field<P> = NumberField<P> | ChoiceField<P>;

interface FieldBase<P> {
  key: keyof P & string;
  label: string;
  help: string;
  group: string;
  /** What builds saved before the field existed mean by leaving it out. */
  absent?: number | string;
}

export interface NumberField<P> extends FieldBase<P> {
  type: 'length' | 'angle' | 'count';
  /** Sensible range: mm, degrees or pieces. */
  range: [number, number];
  seededBy?: MeasureKey;
}

export interface ChoiceField<P> extends FieldBase<P> {
  type: 'choice';
  choices: { value: string | number; label: string }[];
}

/** Everything a form is computed from. */
export interface FormInput<P> {
  params: P;
  body: Body;
  underLayerMm: number;
  foam: FoamSheet;
  /** Foam glued inside the shell to cover wires, if any. */
  lining?: FoamSheet;
  /** The same foam in another thickness, or the part's own when it is not sold so. */
  sheetOf: (nominalMm: number) => FoamSheet;
  /** Darts the maker has placed; pieces not named are darted by the stretch. */
  dartsByHand?: readonly PieceDarts[];
  /** A first answer while something is being dragged: fewer rounds, no search for darts. */
  coarse?: boolean;
}

/** A figure a form tells of itself. */
export interface FormFigure {
  label: string;
  value: number;
  unit: 'mm' | 'deg' | 'g' | '';
  decimals: number;
}

/** Something a form noticed about itself; becomes a finding. */
export interface FormCheck {
  id: string;
  severity: 'stop' | 'mind' | 'note';
  title: string;
  why: string;
  sure: Sure;
  /** Fields that would cure it. */
  cures: { label: string; set: Record<string, number | string> }[];
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
}

/**
 * A piece where it lies on the form: the shell's inner face as a grid (rows from its first edge up, columns
 * left to right seen from outside) and the same points laid flat.
 */
export interface Surface {
  pieceId: string;
  grid: Vec3[][];
  flat: Vec2[][];
  /** A strap or belt that hangs free. */
  loose?: true;
}

/** A value of the form that can be dragged on the solid. */
export interface FormHandle {
  key: string;
  label: string;
  at: Vec3;
  /** Where the handle goes for one unit more (millimetre or degree). */
  step: Vec3;
}

/** An opening and the girth that must pass it, drawn as rings. */
export interface PassingRing {
  name: string;
  openingMm: number;
  needMm: number;
  /** Rings lie level on the figure and across a limb. */
  centre: Vec3;
}

/** What a form becomes in its foam. */
export interface FormShape {
  /** The foam as a closed mesh, made when looked at. */
  solid: () => Solid;
  /** Shell pieces, seams named. */
  pieces: Piece[];
  /** Where each shell piece lies on the form and on the flat. */
  surfaces: () => Surface[];
  rings: PassingRing[];
  /** Lines from the eye past the rim of what it sees through; helmets and masks only. */
  sightLines: Vec3[][];
  /** Lining pieces, when a lining is asked for. */
  linings: () => Piece[];
  /** Girth of the flat pattern round its widest end, all panels together. */
  patternGirthMm: number;
  bendStrain: number;
  tightestRadiusMm: number;
  /** How a shell sits on the forearm; only forms that are worn there have it. */
  fit?: LimbFit;
  figures: FormFigure[];
  checks: FormCheck[];
  /** Gap between shell and body. */
  roomMm: number;
  /** Where a spot of the shell is: `aroundDeg` from the back of the limb, `alongMm` from its narrow end. */
  place?: (aroundDeg: number, alongMm: number) => Placement | undefined;
}

/** Places on the wearer that forms hang from; limb forms are mirrored, the others stand in the middle. */
export type Zone =
  | 'head'
  | 'neck'
  | 'torso'
  | 'hips'
  | 'shoulder'
  | 'upperArm'
  | 'elbow'
  | 'forearm'
  | 'thigh'
  | 'knee'
  | 'lowerLeg'
  | 'back';

/** Values of a form's fields. */
export type FormParams = Record<string, number | string>;

/** What a thickness does to a part, without laying every piece flat. */
export interface Outlook {
  areaMm2: number;
  patternGirthMm: number;
  bendStrain: number;
  roomMm: number;
  openingMm?: number;
  passNeedMm?: number;
}

/** A kind of shape. Adding one is adding a folder that exports one of these. */
export interface FormKind<P> {
  kind: string;
  label: string;
  summary: string;
  /** Where on the wearer it hangs. */
  zone: Zone;
  fields: Field<P>[];
  defaults: (body: Body) => P;
  shape: (input: FormInput<P>) => FormShape;
  outlook: (input: FormInput<P>) => Outlook;
  /** Values that can be dragged on the solid; forms with handles of their own leave it out. */
  handles?: (input: FormInput<P>) => FormHandle[];
  /** Outline in its own proportions for the rack, millimetres, y up. */
  silhouette: (params: P, body: Body) => Vec2[];
}
