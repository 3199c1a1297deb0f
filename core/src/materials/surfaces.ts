import type { SheetKind } from './foams';
import type { Habits } from './habits';
import { type Coating, coatings } from './working';

/** What a surface is of, as far as its finish goes. */
export type Surface = 'foam' | 'rigid' | 'soft' | 'skin' | 'print' | 'bought';

export const surfaceOfSheet: Record<SheetKind, Surface> = {
  foam: 'foam',
  board: 'rigid',
  acrylic: 'rigid',
  block: 'soft',
  thermoplastic: 'skin',
};

const primer: Coating = {
  name: 'primer for plastic',
  coats: 2,
  workMin: 8,
  betweenMin: 30,
  handleMin: 60,
  pricePerM2: 14,
  gPerM2: 70,
  mlPerM2: 110,
  soldMl: 400,
  soldIn: 'cans',
};

/** How a surface is got ready for paint: what is done before any coat, and what goes on it. */
export interface SurfaceWay {
  /** What is done to it before its coats, and how. */
  ready?: { verb: string; detail: string; heat?: true };
  coating?: (seal: Habits['seal']) => Coating;
}

/** By material; common practice, no source, amounts from memory: the can's label wins. */
export const surfaceWays: Record<Surface, SurfaceWay> = {
  foam: {
    ready: {
      verb: 'heat-seal',
      detail: 'Warm air over every face of the foam until it turns slightly glossy.',
      heat: true,
    },
    coating: (seal) => coatings[seal],
  },
  rigid: {
    ready: {
      verb: 'scuff',
      detail: 'Board and pipe are scuffed with 240 grit, wet, and wiped with alcohol; no heat.',
    },
    coating: () => primer,
  },
  soft: {
    ready: {
      verb: 'skin',
      detail: 'Upholstery foam melts rather than seals: no heat comes near it; snip the edges round.',
    },
    coating: () => coatings.latex,
  },
  skin: {
    ready: {
      verb: 'fill and sand',
      detail: 'Thermoplastic is filled, sanded and wiped; no heat, or it moves.',
    },
    coating: () => ({ ...primer, name: 'filler primer', coats: 3, gPerM2: 150, mlPerM2: 140 }),
  },
  print: {
    ready: {
      verb: 'wipe',
      detail: 'Prints are wiped free of dust with alcohol; no heat, polylactide softens at about 60 °C.',
    },
    coating: () => primer,
  },
  bought: {},
};
