import { type DiffuserLayer, litFace, type LitFace } from '../../light';
import { coats, lobes } from '../../materials';
import type { LightWall, Room, WallAt } from '../../panel';
import type { Footing } from '../laying/device';
import { wayOf } from '../laying/spot';
import { lampPitchMm } from '../laying/stripParts';
import { diffuserOf } from '../lightBox/box';
import type { WoundParams } from './fields';
import { flatFace, sleeveFace } from './wound';

/** Cells along a stretch of a wall; a sleeve is as wide as it is long and wants fewer. */
const CELLS = 96;
export const ROUND_CELLS = 40;
/** A wall is looked at so often along the strip. */
const SPOTS = 3;
/** Walls further off than this are not looked for. */
const FURTHEST_MM = 60;
/** So many lamps before a wall, of which the middle third stands for all. */
const LAMPS = 12;

/** How a wall glows: at its worst along the strip. */
export interface WallGlow {
  wall: LightWall;
  /** Darkest spot against the mean, where it is least. */
  evenness: number;
  /** Of the light that goes its way, the share that comes out: least and most along it; nothing where it is opaque. */
  passed: readonly [number, number];
  /** From the lamps’ middle to it where it is nearest, and how thick it is at most. */
  standOffMm: number;
  thickMm: number;
  /** The wall itself where its light is least even. */
  worst: WallAt;
}

/** The walls that the lamps look at: all of them from a winding, those they face from a flat core. */
export function wallsFaced(room: Pick<Room, 'walls'>, params: WoundParams): LightWall[] {
  const all = room.walls ?? [];
  if (params.way === 'wound') return [...all];
  const faced = all.filter((w) => w.way === 'round' || w.way === params.lies);
  return params.faces === 1 ? faced.slice(0, 1) : faced;
}

const sleeveLayers = ({ through, diffuser, layers }: WoundParams): DiffuserLayer[] =>
  through === 'sleeve'
    ? Array.from({ length: layers }, () => {
        const { transmission, spreadMm } = diffuserOf(diffuser);
        return { transmission, spreadMm };
      })
    : [];

/** A stretch of a wall before a row of lamps; what the dark sides of the hollow give back is not counted. */
function wallFace(
  params: WoundParams,
  wall: LightWall,
  distanceMm: number,
  layers: readonly DiffuserLayer[],
): LitFace {
  const pitch = lampPitchMm(params.type);
  const rows = params.way === 'along' ? params.rows : 1;
  const acrossMm = params.way === 'along' ? Math.min(wall.acrossMm, params.wideMm) : params.coreMm;
  return {
    widthMm: wall.acrossMm,
    heightMm: LAMPS * pitch,
    distanceMm,
    sources: Array.from({ length: rows * LAMPS }, (_, i) => ({
      xMm: wall.acrossMm / 2 + (((i % rows) + 0.5) / rows - 0.5) * acrossMm,
      yMm: (Math.floor(i / rows) + 0.5) * pitch,
      flux: 1,
      lobe: lobes['flat-top'],
    })),
    layers,
    wallReflectance: 0,
  };
}

/** Evenness and share of the middle third of a stretch: the ends of it have lamps on one side alone. */
function middleOf(face: LitFace): { evenness: number; passed: number } {
  const { columns, rows, values } = litFace(face, CELLS);
  const [from, to] = [Math.round(rows / 3), Math.round((2 * rows) / 3)];
  const seen = values.slice(from * columns, to * columns);
  const sum = seen.reduce((a, b) => a + b, 0);
  const mean = sum / seen.length;
  const cellMm2 = (face.widthMm / columns) * (face.heightMm / rows);
  return {
    evenness: mean > 0 ? seen.reduce((a, b) => Math.min(a, b), Infinity) / mean : 0,
    passed: Math.min(1, (3 * sum * cellMm2) / face.sources.length),
  };
}

/** From the lamps to a wall, mm. */
const distanceTo = ({ standOffMm }: WallAt, params: WoundParams): number =>
  Math.max(1, standOffMm - (params.way === 'along' ? params.thickMm : params.coreMm) / 2);

/** The sleeve or tube round the strip, closed and as good as endless. */
export function roundFace(
  params: WoundParams,
  insideMm: number,
  layers: readonly DiffuserLayer[] = sleeveLayers(params),
): LitFace {
  const wound = { ...params, lampMm: lampPitchMm(params.type), sleeveMm: insideMm };
  return { ...(params.way === 'along' ? flatFace(wound) : sleeveFace(wound)), layers };
}

/** All that light goes through on its way out, from the lamps; paint where it comes out of the walls. */
export const layersOut = (params: WoundParams, { lets }: WallAt): DiffuserLayer[] => [
  ...sleeveLayers(params),
  ...(lets ? [lets] : []),
  ...(params.through === 'walls' ? [coats[params.coat]] : []),
];

/** What spreads light by less than this hides no lamp: each is seen as itself; mm, from memory. */
const HIDES_MM = 1;

export const hidesLamps = (layers: readonly DiffuserLayer[]): boolean =>
  Math.hypot(...layers.map((l) => l.spreadMm)) >= HIDES_MM;

/** How a wall glows at one height of it; not evenly at all where the lamps are seen through it. */
function glowAt(params: WoundParams, wall: LightWall, at: WallAt) {
  const layers = layersOut(params, at);
  if (!at.lets || layers.some((l) => l.transmission === 0)) return { evenness: 0, passed: 0 };
  const insideMm = params.through === 'sleeve' ? params.sleeveMm : 2 * at.standOffMm;
  const { evenness, passed } =
    wall.way !== 'round' && params.through === 'walls'
      ? middleOf(wallFace(params, wall, distanceTo(at, params), layers))
      : litFace(roundFace(params, insideMm, layers), ROUND_CELLS);
  return { evenness: hidesLamps(layers) ? evenness : 0, passed };
}

/** Heights of the room where a strip is looked at, from one end to the other. */
export const heightsOf = (
  { flat, print }: Pick<Footing, 'flat' | 'print'>,
  { lengthMm }: Pick<WoundParams, 'lengthMm'>,
  spots = SPOTS,
): number[] =>
  Array.from(
    { length: spots },
    (_, i) => flat.y + wayOf(print.turnDeg).y * ((i + 0.5) / spots - 0.5) * lengthMm,
  );

/** How each wall that the lamps look at glows along the strip; none where no wall is known. */
export function glowOver(footing: Pick<Footing, 'room' | 'flat' | 'print'>, params: WoundParams): WallGlow[] {
  const along = heightsOf(footing, params);
  return wallsFaced(footing.room, params).flatMap((wall): WallGlow[] => {
    const spots = along.flatMap((mm) => wall.at(mm) ?? []);
    if (spots.length === 0) return [];
    // Where the wall is the same all along, once is enough.
    const known = new Map<string, ReturnType<typeof glowAt>>();
    const glows = spots.map((at) => {
      const key = `${at.standOffMm} ${at.thickMm}`;
      const glow = known.get(key) ?? glowAt(params, wall, at);
      known.set(key, glow);
      return { at, ...glow };
    });
    const passed = glows.map((g) => g.passed);
    const worst = glows.reduce((a, b) => (b.evenness < a.evenness ? b : a));
    return [
      {
        wall,
        worst: worst.at,
        evenness: worst.evenness,
        passed: [Math.min(...passed), Math.max(...passed)],
        standOffMm: Math.min(...spots.map((s) => s.standOffMm)),
        thickMm: Math.max(...spots.map((s) => s.thickMm)),
      },
    ];
  });
}

/** How even all that glows is; of walls that let nothing through none counts. */
export const evennessOf = (glows: readonly WallGlow[]): number | undefined => {
  const lit = glows.filter((g) => g.passed[1] > 0);
  return lit.length > 0 ? Math.min(...lit.map((g) => g.evenness)) : undefined;
};

/** How much further from the lamps a wall has to stand to be as even as wanted, mm; nothing when no distance up to the most is. */
export function furtherMm(
  params: WoundParams,
  { wall, worst }: Pick<WallGlow, 'wall' | 'worst'>,
): number | undefined {
  const even = (mm: number): boolean =>
    glowAt(params, wall, { ...worst, standOffMm: worst.standOffMm + mm }).evenness >= params.evenPct / 100;
  for (let mm = 1; mm <= FURTHEST_MM; mm = Math.ceil(mm * 1.25)) if (even(mm)) return mm;
  return undefined;
}
