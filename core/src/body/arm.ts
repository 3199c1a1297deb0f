import { ellipseOfGirth, type Ellipse } from '../geometry/ellipse';
import type { Body } from './estimate';

/** Breadth over depth of the arm's section, thumb side to little-finger side against back to palm; from memory. */
const WRIST_RATIO = 1.38;
const FOREARM_RATIO = 1.12;

/** Bare-arm girth at `atMm` from the wrist towards the elbow, between the tape readings. */
export function armGirthMm(body: Body, atMm: number): number {
  const stations = armStations(body);
  const first = stations[0]!;
  const last = stations.at(-1)!;
  if (atMm <= first.atMm) return first.girthMm;
  if (atMm >= last.atMm) return last.girthMm;
  const i = stations.findIndex((s) => s.atMm > atMm);
  const a = stations[i - 1]!;
  const b = stations[i]!;
  return a.girthMm + ((b.girthMm - a.girthMm) * (atMm - a.atMm)) / (b.atMm - a.atMm);
}

/** The tape readings along the arm, wrist first. */
export function armStations(body: Body): { atMm: number; girthMm: number; label: string }[] {
  const length = body.forearmLength.valueMm;
  const widest = Math.min(Math.max(body.forearmGirthAt.valueMm, length * 0.2), length * 0.95);
  return [
    { atMm: 0, girthMm: body.wristGirth.valueMm, label: 'wrist' },
    { atMm: widest, girthMm: body.forearmGirth.valueMm, label: 'widest' },
    { atMm: length, girthMm: body.elbowGirth.valueMm, label: 'below elbow' },
  ];
}

/** Section of the bare arm as an ellipse of the right girth; x to the back of the hand, y to the sides. */
export function armSection(body: Body, atMm: number): Ellipse {
  const share = Math.min(1, Math.max(0, atMm / body.forearmLength.valueMm));
  const ratio = WRIST_RATIO + (FOREARM_RATIO - WRIST_RATIO) * Math.min(1, share * 1.6);
  const { a, b } = ellipseOfGirth(armGirthMm(body, atMm), ratio);
  return { a: b, b: a };
}

/** Girth the hand needs to pass a closed cuff, thumb tucked: about an eighth over the knuckle girth; from memory. */
export const handPassMm = (body: Body): number => body.handGirth.valueMm * 1.12;

/** Girth of the upper arm near the elbow fold, a ratio to the girth below the elbow; from memory. */
export const upperArmGirthMm = (body: Body): number => body.elbowGirth.valueMm * 1.1;
