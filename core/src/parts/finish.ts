import { byId } from '../units';
import type { Finish, Part } from '../document';
import { dist3, outlineLength } from '../geometry';
import {
  type Catalogue,
  type Coating,
  coatings,
  glues,
  type Habits,
  type PaintCoat,
  paints,
  type Surface,
  surfaceOfSheet,
  surfaceWays,
} from '../materials';
import { type Stick, eachOf, type Piece, sectionOutline } from '../panel';
import { gluedMm } from './glued';
import { colourCount } from './scheme';

/** What is sealed and painted of one copy, by what it is of. */
export interface Painted {
  surface: Surface;
  areaMm2: number;
}

/** Round the outside of a stick, mm. */
const roundMm = (stick: Stick): number => outlineLength(sectionOutline(stick.section, 64));

/**
 * All faces that are seen: of pieces, of the walls of a bought thing, and of sticks that nothing is wrapped round. Layers
 * between others are glued over.
 */
export function paintedOf(
  {
    pieces,
    templates,
    sticks,
    printed,
  }: {
    pieces: readonly Piece[];
    templates: readonly Piece[];
    sticks: readonly Stick[];
    /** Whether its shell is printed. */
    printed: boolean;
  },
  foams: Catalogue['foams'],
): Painted[] {
  const areas = new Map<Surface, number>();
  const add = (surface: Surface, areaMm2: number): void => {
    if (areaMm2 > 0) areas.set(surface, (areas.get(surface) ?? 0) + areaMm2);
  };
  const seen = pieces.filter((p) => (p.role === 'shell' && !p.inside) || p.face === 'outer');
  for (const p of seen) {
    const kind = byId(foams, p.foamId)?.kind ?? 'foam';
    add(printed && p.role === 'shell' ? 'print' : surfaceOfSheet[kind], p.areaMm2 * eachOf(p));
  }
  for (const p of templates) add('bought', p.areaMm2);
  if (seen.length === 0)
    for (const stick of sticks) add('rigid', roundMm(stick) * dist3(stick.from, stick.to));
  return [...areas].map(([surface, areaMm2]) => ({ surface, areaMm2 }));
}

/** Area that is painted in one copy, mm². */
export const paintedMm2 = (painted: readonly Painted[]): number =>
  painted.reduce((sum, p) => sum + p.areaMm2, 0);

/** What goes on a surface before paint, and in how many coats; nothing on what is painted as it is. */
export function coatsOf(
  surface: Surface,
  { finish }: Pick<Part, 'finish'>,
  habits: Pick<Habits, 'seal'>,
): { coating: Coating; coats: number } | undefined {
  const coating = surfaceWays[surface].coating?.(finish?.seal ?? habits.seal);
  if (!coating) return undefined;
  const coats = surface === 'foam' ? (finish?.sealCoats ?? coating.coats) : coating.coats;
  return coats > 0 ? { coating, coats } : undefined;
}

/** Coats of a part, from sealer to clear, when it has no finish of its own. */
const usual: Finish = { colours: 2, weathering: 'none', clearCoats: 1 };

/** How a part is finished, with every coat counted; a scheme says which colours and what wear. */
export function recipeOf(
  { finish, scheme }: Pick<Part, 'finish' | 'scheme'>,
  habits: Pick<Habits, 'seal'>,
): Required<Finish> {
  const seal = finish?.seal ?? habits.seal;
  return {
    seal,
    sealCoats: coatings[seal].coats,
    ...usual,
    ...finish,
    ...(scheme && { colours: colourCount(scheme), weathering: weatheringsOf({ scheme })[0] ?? 'none' }),
  };
}

type Weathering = Exclude<Finish['weathering'], 'none'>;

/** What wear is made with, in the order it goes on: a wash for creases and dust, a dry brush for edges and scratches. */
export function weatheringsOf({ finish, scheme }: Pick<Part, 'finish' | 'scheme'>): Weathering[] {
  if (!scheme) return finish && finish.weathering !== 'none' ? [finish.weathering] : [];
  const { creases, dust, edges, scratches } = scheme.wear;
  return [
    ...(creases > 0 || dust > 0 ? (['wash'] as const) : []),
    ...(edges > 0 || scratches > 0 ? (['dry-brush'] as const) : []),
  ];
}

/** The paints of a part in the order they go on. */
export function paintsOf(part: Pick<Part, 'finish' | 'scheme'>, habits: Pick<Habits, 'seal'>): PaintCoat[] {
  const { colours, clearCoats } = recipeOf(part, habits);
  return [
    ...(colours > 0 ? [paints.base] : []),
    ...Array.from({ length: Math.max(0, colours - 1) }, () => paints.detail),
    ...weatheringsOf(part).map((w) => paints[w]),
    ...Array.from({ length: clearCoats }, () => paints.clear),
  ];
}

/** Dry mass of glue, coats and paint on one copy. */
export function finishG(
  pieces: readonly Piece[],
  painted: readonly Painted[],
  part: Pick<Part, 'finish' | 'scheme'>,
  habits: Pick<Habits, 'glue' | 'seal'>,
): number {
  const paintG = paintsOf(part, habits).reduce((sum, p) => sum + p.gPerM2, 0);
  const coatsG = painted.reduce((sum, { surface, areaMm2 }) => {
    const own = coatsOf(surface, part, habits);
    const coatG = own ? own.coating.gPerM2 * (own.coats / own.coating.coats) : 0;
    return sum + areaMm2 * 1e-6 * (coatG + paintG);
  }, 0);
  return (gluedMm(pieces) / 1000) * glues[habits.glue].gPerM + coatsG;
}
