import { figure, type Figure } from '../units';
import { clearAcrylic } from './diffusers';
import { socketMm } from './pipeFittings';

/** A half round lies on its flat, a triangle of equal sides on one of them. */
export type RodShape = 'tube' | 'round' | 'bar' | 'half-round' | 'triangle';
export type RodMatter = 'pvc' | 'wood' | 'aluminium' | 'carbon' | 'clear' | 'opal' | 'foam';

/** A pipe, dowel, flat bar or foam rod as sold in sticks. */
export interface Rod {
  id: string;
  name: string;
  matter: RodMatter;
  shape: RodShape;
  /** Outside of a pipe or rod; width of a bar, of the flat of a half round, of a triangle's side. */
  acrossMm: Figure;
  /** Wall of a pipe; thickness of a bar. */
  wallMm?: Figure;
  stickMm: number;
  price: Figure;
  /** Socket of its coupler takes the outside; so deep, and so far across. */
  coupler?: { acrossMm: Figure; socketMm: Figure; price: Figure };
}

/** What lets light through, if it does. */
export interface LightMatter {
  /** What a wall of it lets through and how far it spreads it; absent of what is opaque. */
  lets?: { transmission: number; spreadMm: number };
}

/** What a stick is made of. */
interface Matter extends LightMatter {
  name: string;
  densityKgM3: Figure;
  modulusMPa: Figure;
  rigid: boolean;
  saw: string;
  /** Where it yields, and what it bears for years, MPa; absent where it is not known here. */
  strength?: { yieldsMPa: Figure; lastsMPa: Figure };
}

const acrylic = {
  densityKgM3: figure(1190, 'standard'),
  modulusMPa: figure(3000, 'memory'),
  rigid: true,
  saw: 'fine-toothed saw, slowly, taped round so that it does not chip',
};

/** Density in kg/m³, modulus in MPa; typical values from memory, aluminium's modulus and acrylic's density as in handbooks. */
export const rodMatters: Record<RodMatter, Matter> = {
  pvc: {
    name: 'rigid PVC',
    densityKgM3: figure(1400, 'memory'),
    modulusMPa: figure(2900, 'memory'),
    rigid: true,
    saw: 'fine hand saw or pipe cutter; never a laser',
    // Tensile strength of cell class 12454 (ASTM D1784, 7000 psi), hydrostatic design stress of PVC 1120 (ASTM D1785, 2000 psi).
    strength: { yieldsMPa: figure(48.3, 'standard'), lastsMPa: figure(13.8, 'standard') },
  },
  wood: {
    name: 'wood',
    densityKgM3: figure(500, 'memory'),
    modulusMPa: figure(10000, 'memory'),
    rigid: true,
    saw: 'fine hand saw',
  },
  aluminium: {
    name: 'aluminium',
    densityKgM3: figure(2700, 'standard'),
    modulusMPa: figure(69000, 'standard'),
    rigid: true,
    saw: 'hacksaw, then a file',
  },
  carbon: {
    name: 'carbon tube',
    densityKgM3: figure(1550, 'memory'),
    modulusMPa: figure(90000, 'memory'),
    rigid: true,
    saw: 'fine saw under water or with a mask; the dust is harmful',
  },
  clear: { ...acrylic, name: 'clear acrylic', lets: clearAcrylic },
  // From memory.
  opal: { ...acrylic, name: 'opal acrylic', lets: { transmission: 0.5, spreadMm: 6 } },
  foam: {
    name: 'foam rod',
    densityKgM3: figure(35, 'memory'),
    modulusMPa: figure(1, 'memory'),
    rigid: false,
    saw: 'knife',
  },
};

const INCH = 25.4;

/** Outside and least wall in inches: ASTM D1785, table of Schedule 40 dimensions. */
const schedule40: readonly [nominal: string, outsideIn: number, wallIn: number, price: number][] = [
  ['1/2', 0.84, 0.109, 4],
  ['3/4', 1.05, 0.113, 5],
  ['1', 1.315, 0.133, 7],
  ['1 1/4', 1.66, 0.14, 9],
  ['1 1/2', 1.9, 0.145, 11],
  ['2', 2.375, 0.154, 14],
  ['3', 3.5, 0.216, 28],
  ['4', 4.5, 0.237, 38],
];

/** Outside and wall in millimetres of pressure pipe and waste pipe; typical values from memory. */
const metric: readonly [outsideMm: number, wallMm: number, use: string, price: number][] = [
  [20, 1.5, 'pressure', 3],
  [25, 1.9, 'pressure', 4],
  [32, 2.4, 'pressure', 5],
  [40, 3, 'pressure', 7],
  [50, 3.7, 'pressure', 9],
  [75, 3, 'waste', 9],
  [110, 3.2, 'waste', 12],
];

const couplerOf = (outsideMm: number, wallMm: number): NonNullable<Rod['coupler']> => ({
  acrossMm: figure(outsideMm + 2 * wallMm, 'memory'),
  socketMm: socketMm(outsideMm),
  price: figure(1.5, 'memory'),
});

const pipe = (
  id: string,
  name: string,
  outsideMm: number,
  wallMm: number,
  provenance: Figure['provenance'],
  stickMm: number,
  price: number,
): Rod => ({
  id,
  name,
  matter: 'pvc',
  shape: 'tube',
  acrossMm: figure(outsideMm, provenance),
  wallMm: figure(wallMm, provenance),
  stickMm,
  price: figure(price, 'memory'),
  coupler: couplerOf(outsideMm, wallMm),
});

const dowel = (mm: number, price: number): Rod => ({
  id: `dowel-${mm}`,
  name: `${mm} mm dowel`,
  matter: 'wood',
  shape: 'round',
  acrossMm: figure(mm, 'practice'),
  stickMm: 1000,
  price: figure(price, 'memory'),
});

const bar = (wide: number, thick: number, price: number): Rod => ({
  id: `flat-${wide}x${thick}`,
  name: `${wide} × ${thick} mm aluminium flat bar`,
  matter: 'aluminium',
  shape: 'bar',
  acrossMm: figure(wide, 'practice'),
  wallMm: figure(thick, 'practice'),
  stickMm: 1000,
  price: figure(price, 'memory'),
});

const seeThroughTube = (matter: 'clear' | 'opal', acrossMm: number, wallMm: number, price: number): Rod => ({
  id: `acrylic-${matter}-${acrossMm}x${wallMm}`,
  name: `${acrossMm} × ${wallMm} mm ${matter} acrylic tube`,
  matter,
  shape: 'tube',
  acrossMm: figure(acrossMm, 'practice'),
  wallMm: figure(wallMm, 'practice'),
  stickMm: 1000,
  price: figure(price, 'memory'),
});

const foamRod = (mm: number, price: number, shape: RodShape = 'round'): Rod => ({
  id: shape === 'round' ? `foam-rod-${mm}` : `foam-${shape}-${mm}`,
  name: `${mm} mm ${shape === 'half-round' ? 'half-round' : shape === 'triangle' ? 'triangular' : ''} foam rod`.replace(
    '  ',
    ' ',
  ),
  matter: 'foam',
  shape,
  acrossMm: figure(mm, 'practice'),
  stickMm: 1000,
  price: figure(price, 'memory'),
});

/** Every stick known; a maker's own measured size goes in the part. */
export const rods: readonly Rod[] = [
  ...schedule40.map(([nominal, outside, wall, price]) =>
    pipe(
      `pvc-${nominal.replace(/[ /]/g, '-')}in`,
      `${nominal} in PVC pipe`,
      outside * INCH,
      wall * INCH,
      'standard',
      3048,
      price,
    ),
  ),
  ...metric.map(([outside, wall, use, price]) =>
    pipe(`pvc-${outside}mm`, `${outside} mm ${use} pipe`, outside, wall, 'memory', 2000, price),
  ),
  dowel(8, 1.5),
  dowel(10, 2),
  dowel(12, 2.5),
  dowel(16, 4),
  dowel(20, 5),
  dowel(25, 7),
  dowel(28, 8),
  {
    ...dowel(40, 16),
    id: 'handrail-40',
    name: '40 mm handrail',
    stickMm: 2400,
  },
  bar(15, 2, 4),
  bar(20, 2, 5),
  bar(20, 3, 6),
  bar(25, 3, 8),
  {
    id: 'alu-tube-16x1',
    name: '16 × 1 mm aluminium tube',
    matter: 'aluminium',
    shape: 'tube',
    acrossMm: figure(16, 'practice'),
    wallMm: figure(1, 'practice'),
    stickMm: 2000,
    price: figure(9, 'memory'),
  },
  {
    id: 'carbon-12x1',
    name: '12 × 1 mm carbon tube',
    matter: 'carbon',
    shape: 'tube',
    acrossMm: figure(12, 'practice'),
    wallMm: figure(1, 'practice'),
    stickMm: 1000,
    price: figure(16, 'memory'),
  },
  seeThroughTube('clear', 20, 2, 8),
  seeThroughTube('clear', 30, 2, 12),
  seeThroughTube('clear', 40, 3, 18),
  seeThroughTube('clear', 60, 3, 30),
  seeThroughTube('opal', 30, 2, 15),
  seeThroughTube('opal', 40, 3, 22),
  foamRod(20, 2),
  foamRod(30, 3),
  foamRod(20, 2, 'half-round'),
  foamRod(30, 2.5, 'half-round'),
  foamRod(20, 2, 'triangle'),
  foamRod(30, 2.5, 'triangle'),
];
