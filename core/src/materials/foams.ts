import { figure, type Figure } from '../units';

/** One thickness of a foam as sold. */
export interface SheetSize {
  nominalMm: number;
  widthMm: number;
  heightMm: number;
  price: Figure;
}

/** What kind of sheet it is: how it is cut, joined and shaped follows from it. */
export type SheetKind = 'foam' | 'board' | 'acrylic' | 'thermoplastic' | 'block';

/** A kind of sheet. Density in kg/m³, modulus in MPa; `neutralFraction` is k from the inner face. */
export interface Foam {
  id: string;
  name: string;
  kind: SheetKind;
  /** As it comes, unpainted. */
  colour: string;
  /** Gives off hydrogen chloride when it burns, so that it is never cut by laser. */
  neverLaser?: true;
  densityKgM3: Figure;
  modulusMPa: Figure;
  neutralFraction: Figure;
  /** Faces with a pattern on them. */
  texture: 'none' | 'one' | 'both';
  use: string;
  sheets: SheetSize[];
}

/** Kinds that are sawn and sanded: their dust wants a mask. */
export const isRigid = (kind: SheetKind): boolean => kind === 'board' || kind === 'acrylic';

const sheet = (nominalMm: number, widthMm: number, heightMm: number, price: number): SheetSize => ({
  nominalMm,
  widthMm,
  heightMm,
  price: figure(price, 'memory'),
});

/** Boards and plastics, densities from memory or common practice. */
const plastic = (
  id: string,
  name: string,
  kind: SheetKind,
  colour: string,
  densityKgM3: number,
  modulusMPa: number,
  use: string,
  sheets: SheetSize[],
): Foam => ({
  id,
  name,
  kind,
  colour,
  densityKgM3: figure(densityKgM3, 'memory'),
  modulusMPa: figure(modulusMPa, 'memory'),
  neutralFraction: figure(0.5, 'memory'),
  texture: 'none',
  use,
  sheets,
});

/** Clear sheet as it looks over what is dark. */
const acrylicColours = { clear: '#c9d2d3', frosted: '#dfe6e6', fluorescent: '#b9d98a' } as const;

/** Densities, moduli and prices are typical values from memory; sizes sold are common practice, no source. */
export const foams: Foam[] = [
  {
    id: 'dense-eva',
    name: 'dense EVA',
    kind: 'foam',
    colour: '#33393c',
    densityKgM3: figure(100, 'memory'),
    modulusMPa: figure(4.5, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texture: 'none',
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
    kind: 'foam',
    colour: '#454c50',
    densityKgM3: figure(50, 'memory'),
    modulusMPa: figure(1.5, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texture: 'none',
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
    kind: 'foam',
    colour: '#3c4042',
    densityKgM3: figure(75, 'memory'),
    modulusMPa: figure(2.2, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texture: 'one',
    use: 'cheap bodies of armour',
    sheets: [sheet(10, 600, 600, 6), sheet(12, 600, 600, 7)],
  },
  {
    id: 'pe-white',
    name: 'white polyethylene foam',
    kind: 'foam',
    colour: '#f1f0ea',
    densityKgM3: figure(36, 'memory'),
    modulusMPa: figure(1, 'memory'),
    neutralFraction: figure(0.5, 'memory'),
    texture: 'none',
    use: 'diffusers',
    sheets: [sheet(3, 1000, 500, 6), sheet(5, 1000, 500, 8), sheet(10, 1000, 500, 12)],
  },
  plastic('upholstery', 'upholstery foam', 'block', '#e8dcbc', 30, 0.1, 'squashy spikes and tips', [
    sheet(20, 1000, 500, 9),
    sheet(50, 1000, 500, 18),
    sheet(100, 500, 500, 20),
  ]),
  {
    ...plastic(
      'pvc-board',
      'PVC foam board',
      'board',
      '#ecebe6',
      550,
      1000,
      'stiff layers, plates and boxes',
      [
        sheet(3, 1000, 500, 9),
        sheet(5, 1000, 500, 13),
        sheet(6, 1000, 500, 15),
        sheet(10, 1000, 500, 22),
        sheet(19, 1000, 500, 38),
      ],
    ),
    neverLaser: true,
  },
  ...(['clear', 'frosted', 'fluorescent'] as const).map((look) =>
    plastic(
      `acrylic-${look}`,
      `${look} acrylic`,
      'acrylic',
      acrylicColours[look],
      1190,
      3000,
      'windows, lenses and blades of light',
      [sheet(2, 500, 400, 9), sheet(3, 500, 400, 12), sheet(5, 500, 400, 18)],
    ),
  ),
  plastic(
    'thermoplastic',
    'thermoplastic sheet',
    'thermoplastic',
    '#b59f7c',
    1050,
    600,
    'hard skins over foam',
    [sheet(1, 750, 500, 24), sheet(2, 750, 500, 40)],
  ),
];
