import type { Ellipse } from '../geometry';
import type { Body } from './estimate';
import { limbGirthMm, limbSection } from './sections';

/** Bare-arm girth at `atMm` from the wrist towards the elbow, between the tape readings. */
export const armGirthMm = (body: Body, atMm: number): number => limbGirthMm(body, 'forearm', atMm);

/** Section of the bare arm as an ellipse of the right girth; x to the back of the hand, y to the sides. */
export const armSection = (body: Body, atMm: number): Ellipse => limbSection(body, 'forearm', atMm);
