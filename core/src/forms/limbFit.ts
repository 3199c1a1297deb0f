import { sprungOpeningMm } from '../foam/spring';

/** How a shell sits on a limb, all millimetres unless named otherwise. */
export interface LimbFit {
  /** Gap between shell (or lining) and body at the narrow end and at the wide end, ease included. */
  roomMm: number;
  /** Inside girth at the narrow end. */
  insideGirthMm: number;
  /** Largest girth that passes when the closure is open and the shell sprung. */
  openingMm: number;
  /** Girth that must pass. */
  passNeedMm: number;
  /** Needed minus available girth where the limb is thickest between the ends; negative is loose. */
  bulgeMisfitMm: number;
  bulgeAtMm: number;
  /** Bend the elbow reaches before shell and upper arm touch, degrees. */
  flexionDeg: number;
  /** Shallowest extra cut-away that reaches the wanted bend, if any does. */
  deeperCutMm?: number;
}

/** The elbow bend at which a maker can drink and take off a helmet; from memory. */
export const wantedFlexionDeg = 125;

export interface OpeningInput {
  closed: boolean;
  insideGirthMm: number;
  gapMm: number;
  thicknessMm: number;
  neutralFraction: number;
}

/** A closed tube passes its own inside girth; an open one what it can be sprung to. */
export const openingMm = ({ closed, ...shell }: OpeningInput): number =>
  closed ? shell.insideGirthMm : sprungOpeningMm(shell);

/**
 * Elbow bend before the shell's corner on the inside of the arm meets the upper arm, in the plane of the bend.
 * The corner stands `alongMm` from the crease and `outMm` from the forearm's axis; the upper arm's flesh
 * is a half-plane `armMm` from its own axis, which gives a third of its depth when pressed (from memory).
 * @returns degrees, 0 straight, at most the 145° of a bare arm (from memory).
 */
export function elbowFlexionDeg(alongMm: number, outMm: number, armMm: number): number {
  const distance = Math.hypot(Math.max(alongMm, 0), outMm);
  const pressed = armMm * (2 / 3);
  if (distance <= pressed) return 0;
  const corner = Math.atan2(outMm, Math.max(alongMm, 0));
  const between = corner + Math.asin(pressed / distance);
  return Math.min(145, Math.max(0, 180 - (between * 180) / Math.PI));
}
