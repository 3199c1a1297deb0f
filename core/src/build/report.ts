import type { Body } from '../body/estimate';
import type { Doubt } from '../body/plausible';
import type { Packed } from '../cut/packing';
import type { DressingStep } from '../fit/dressing';
import type { Movement } from '../fit/moving/moving';
import type { PartFit } from '../fit/partFit';
import type { Strap } from '../fit/straps';
import type { Finding } from '../findings/finding';
import type { StrainClass } from '../foam/bend';
import type { FormCheck, FormFigure, PassingRing, Solid, Surface, Zone } from '../forms/contract';
import type { Detailed } from '../forms/details/applyDetails';
import type { Mesh } from '../geometry/mesh';
import type { LimbFit } from '../forms/limbFit';
import type { Piece } from '../forms/piece';
import type { Vec2, Vec3 } from '../geometry/vec';
import type { PackRoom } from '../inside/room';
import type { ClosureKind } from '../materials/closures';
import type { LampColour } from '../materials/lamps';
import type { Pack } from '../materials/packs';
import type { FoamSheet } from '../materials/stock';
import type { Switch } from '../materials/switches';
import type { CostLine } from '../plan/cost';
import type { Schedule } from '../plan/schedule';
import type { Step } from '../plan/step';
import type { Circuit } from '../power/circuit';
import type { RunTime } from '../power/runtime';
import type { TrialRow } from './thicknessTrial';

/** A lamp where it really sits. */
export interface LampSpot {
  id: string;
  rowId: string;
  colour: LampColour;
  at: Vec3;
  normal: Vec3;
  pieceId: string;
  flat: Vec2;
  marginMm: number;
  diameterMm: number;
}

/** What is inside one part: circuit or the reason there is none, how long it burns, and what it weighs. */
export interface InsideReport {
  lamps: LampSpot[];
  pack?: Pack;
  packAt?: Vec3;
  switch?: Switch;
  switchAt?: Vec3;
  room?: PackRoom;
  /** How far a lamp's body stands out behind the foam, and the gap there. */
  lampOverhangMm: number;
  lampRoomMm: number;
  circuit?: Circuit;
  /** Shown instead of a circuit when the lamps cannot be lit. */
  infeasible?: string;
  run?: RunTime;
  wireMm: number;
  massG: number;
}

/** Everything worked out about one part. Masses and areas are for one copy. */
export interface PartReport {
  id: string;
  name: string;
  form: string;
  copies: number;
  foam: FoamSheet;
  lining?: FoamSheet;
  solid: Solid;
  /** Trim, layers and strips laid on the shell. */
  extras: Mesh;
  /** Grooves, scores and rivets where they lie on the form. */
  drawn: Detailed['drawn'];
  rivets: number;
  /** What shuts it. */
  closure: ClosureKind;
  surfaces: Surface[];
  /** How it sits on the wearer. */
  wear: PartFit;
  rings: PassingRing[];
  sightLines: Vec3[][];
  pieces: Piece[];
  silhouette: Vec2[];
  patternGirthMm: number;
  bendStrain: number;
  strainClass: StrainClass;
  tightestRadiusMm: number;
  /** Where on the wearer it hangs. */
  zone: Zone;
  fit?: LimbFit;
  figures: FormFigure[];
  checks: FormCheck[];
  roomMm: number;
  areaMm2: number;
  foamG: number;
  totalG: number;
  longestMm: number;
  inside?: InsideReport;
  trial: TrialRow[];
}

/** The figures of the ledger. */
export interface Totals {
  massG: number;
  foamAreaMm2: number;
  sheets: number;
  cost: number;
  /** Shortest burn of any lit part; null when nothing is lit. */
  lightHours: number | null;
  workMin: number;
  daysToSpare: number;
}

/** How everything worn goes together. */
export interface Fitting {
  movements: Movement[];
  dressing: DressingStep[];
  straps: Strap[];
  /** Share of the body covered by foam. */
  covered: number;
}

export interface Report {
  /** The larger of both sides, which pairs are cut to. */
  body: Body;
  sides: { left: Body; right: Body };
  doubts: Doubt[];
  parts: PartReport[];
  fitting: Fitting;
  packed: Packed;
  steps: Step[];
  schedule: Schedule;
  cost: CostLine[];
  totals: Totals;
  findings: Finding[];
}
