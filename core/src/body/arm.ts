import type { Ellipse } from '../geometry/ellipse';
import type { Body } from './estimate';
import { limbGirthMm, limbSection, limbStations } from './sections';

/** Bare-arm girth at `atMm` from the wrist towards the elbow, between the tape readings. */
export const armGirthMm = (body: Body, atMm: number): number => limbGirthMm(body, 'forearm', atMm);

/** The tape readings along the arm, wrist first. */
export const armStations = (body: Body): { atMm: number; girthMm: number }[] => limbStations(body, 'forearm');

/** Section of the bare arm as an ellipse of the right girth; x to the back of the hand, y to the sides. */
export const armSection = (body: Body, atMm: number): Ellipse => limbSection(body, 'forearm', atMm);

/** Girth the hand needs to pass a closed cuff, thumb tucked: about an eighth over the knuckle girth; from memory. */
export const handPassMm = (body: Body): number => body.handGirth.valueMm * 1.12;

/** Girth of the upper arm near the elbow fold, where a bent forearm meets it. */
export const upperArmGirthMm = (body: Body): number => limbGirthMm(body, 'upperArm', 40);
