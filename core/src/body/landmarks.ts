import type { Body } from './estimate';
import { levels } from './sections';

/** Something that is seen on a standing figure, and how high above the floor it is, mm. */
export interface Landmark {
  name: string;
  upMm: number;
  /** How far it reaches to either side there, as the figure is drawn. */
  halfMm: number;
}

/** The two ends of a standing figure, and what else of it is marked by. */
export const CROWN = 'crown';
export const FLOOR = 'floor';
export const seenMarks = ['eyes', 'shoulders', 'knees'] as const;

/** What a picture of someone standing is matched by, from the crown down. */
export function landmarks(body: Body): Landmark[] {
  const at = levels(body);
  const half = (key: 'headBreadth' | 'shoulderBreadth'): number => body[key].valueMm / 2;
  const round = (girth: number): number => girth / (2 * Math.PI);
  return [
    { name: CROWN, upMm: at.crown, halfMm: half('headBreadth') * 0.5 },
    { name: 'eyes', upMm: at.crown - body.eyeDepth.valueMm, halfMm: half('headBreadth') },
    { name: 'chin', upMm: at.chin, halfMm: half('headBreadth') * 0.45 },
    { name: 'shoulders', upMm: at.shoulder, halfMm: half('shoulderBreadth') },
    { name: 'waist', upMm: at.waist, halfMm: round(body.waistGirth.valueMm) * 1.15 },
    { name: 'crotch', upMm: at.crotch, halfMm: round(body.hipGirth.valueMm) * 1.1 },
    { name: 'knees', upMm: body.kneeHeight.valueMm, halfMm: round(body.hipGirth.valueMm) * 0.8 },
    { name: FLOOR, upMm: 0, halfMm: round(body.hipGirth.valueMm) * 0.8 },
  ];
}
