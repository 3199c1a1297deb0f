import { figure } from '../units';
import type { FoamSheet } from './stock';

/** The wall of a bought thing as features find it: measured, rigid, cut from no sheet and bought with the thing. */
export const caseWall = (wallMm: number): FoamSheet => ({
  foamId: 'case',
  name: 'its case',
  kind: 'board',
  colour: '#454c50',
  nominalMm: wallMm,
  thicknessMm: figure(wallMm, 'measured'),
  densityKgM3: figure(0, 'measured'),
  modulusMPa: figure(2000, 'memory'),
  // What is laid on it is measured round its outer face.
  neutralFraction: figure(1, 'standard'),
  widthMm: 1e4,
  heightMm: 1e4,
  price: figure(0, 'measured'),
  inStock: 1,
  texture: 'none',
  sold: true,
});
