import { figure, type Figure } from '../units';

/** One thickness of a foam as sold. */
export interface SheetSize {
  nominalMm: number;
  widthMm: number;
  heightMm: number;
  price: Figure;
}

/** A kind of foam. Density in kg/m³, modulus in MPa; `neutralFraction` is k from the inner face. */
export interface Foam {
  id: string;
  name: string;
  densityKgM3: Figure;
  modulusMPa: Figure;
  neutralFraction: Figure;
  texturedOneFace: boolean;
  use: string;
  sheets: SheetSize[];
}

const sheet = (nominalMm: number, widthMm: number, heightMm: number, price: number): SheetSize => ({
  nominalMm,
  widthMm,
  heightMm,
  price: figure(price, 'memory'),
});

/** Densities, moduli and prices are typical values from memory; sizes sold are common practice, no source. */
export const foams: Foam[] = [
  {
    id: 'dense-eva',
    name: 'dense EVA',
    densityKgM3: figure(100, 'memory'),
    modulusMPa: figure(4.5, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texturedOneFace: false,
    use: 'blades, detail, bracers',
    sheets: [
      sheet(2, 1000, 500, 7),
      sheet(4, 1000, 500, 10),
      sheet(5, 1000, 500, 12),
      sheet(6, 1000, 500, 14),
      sheet(8, 1000, 500, 18),
      sheet(10, 1000, 500, 22),
    ],
  },
  {
    id: 'light-eva',
    name: 'light EVA',
    densityKgM3: figure(50, 'memory'),
    modulusMPa: figure(1.5, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texturedOneFace: false,
    use: 'large armour',
    sheets: [
      sheet(2, 1200, 600, 6),
      sheet(3, 1200, 600, 8),
      sheet(5, 1200, 600, 11),
      sheet(6, 1200, 600, 12),
      sheet(8, 1200, 600, 15),
      sheet(10, 1200, 600, 18),
      sheet(12, 1200, 600, 21),
    ],
  },
  {
    id: 'floor-mat',
    name: 'floor mat',
    densityKgM3: figure(75, 'memory'),
    modulusMPa: figure(2.2, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texturedOneFace: true,
    use: 'cheap bodies of armour',
    sheets: [sheet(10, 600, 600, 6), sheet(12, 600, 600, 7)],
  },
  {
    id: 'pe-white',
    name: 'white polyethylene foam',
    densityKgM3: figure(36, 'memory'),
    modulusMPa: figure(1, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texturedOneFace: false,
    use: 'diffusers',
    sheets: [sheet(3, 1000, 500, 6), sheet(5, 1000, 500, 8), sheet(10, 1000, 500, 12)],
  },
];
