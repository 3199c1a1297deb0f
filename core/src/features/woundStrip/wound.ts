import type { LitFace } from '../../light';
import { lobes } from '../../materials';
import { stripOf } from '../laying/stripParts';
import { diffuserOf } from '../lightBox/box';
import type { WoundParams } from './fields';

/** A strip wound round a core within a sleeve. */
export interface Wound {
  coreMm: number;
  /** Along the core. */
  lengthMm: number;
  pitchMm: number;
  /** Inside of the sleeve that is lit. */
  sleeveMm: number;
  /** From lamp to lamp along the strip. */
  lampMm: number;
  diffuser: string;
  layers: number;
}

/** Turns of the helix, and how much strip they take: √((πd)² + p²) a turn. */
export function windingOf({ coreMm, lengthMm, pitchMm }: Pick<Wound, 'coreMm' | 'lengthMm' | 'pitchMm'>): {
  turns: number;
  stripMm: number;
} {
  const turns = lengthMm / pitchMm;
  return { turns, stripMm: turns * Math.hypot(Math.PI * coreMm, pitchMm) };
}

/**
 * The sleeve as it is lit, unrolled at its middle: rows of lamps one pitch apart, lamp by lamp along the turn, each row
 * shifted by what the helix leaves over; lit from half the difference of sleeve and core. A few turns stand for all,
 * mirrors at the ends for the turns beyond.
 */
export function sleeveFace(wound: Wound): LitFace {
  const { coreMm, pitchMm, sleeveMm, lampMm } = wound;
  const { transmission, spreadMm } = diffuserOf(wound.diffuser);
  const turnMm = Math.hypot(Math.PI * coreMm, pitchMm);
  const distanceMm = Math.max(1, (sleeveMm - coreMm) / 2);
  // Lamps fan out from the core to the sleeve: what is a lamp apart on the one is more on the other.
  const fan = sleeveMm / Math.max(1, coreMm);
  const spacingMm = lampMm * fan;
  const [rows, across] = [4, 4];
  const widthMm = across * spacingMm;
  const heightMm = rows * pitchMm;
  const over = (turnMm / lampMm) % 1;
  return {
    widthMm,
    heightMm,
    distanceMm,
    sources: Array.from({ length: rows * across }, (_, i) => {
      const row = Math.floor(i / across);
      const shift = (row * over) % 1;
      return {
        xMm: (((i % across) + 0.5 + shift) % across) * spacingMm,
        yMm: (row + 0.5) * pitchMm,
        flux: 1,
        lobe: lobes['flat-top'],
      };
    }),
    layers: Array.from({ length: wound.layers }, () => ({ transmission, spreadMm })),
    // Turns go on beyond what is looked at.
    wallReflectance: 0.98,
  };
}

/** Strip laid straight along a flat core. */
export interface Along extends Wound {
  wideMm: number;
  thickMm: number;
  faces: number;
  rows: number;
}

/** How much strip lies along a flat core, each row cut at a mark, mm. */
export const alongMm = (
  { lengthMm, faces, rows }: Pick<Along, 'lengthMm' | 'faces' | 'rows'>,
  stepMm: number,
): number => faces * rows * Math.floor(lengthMm / stepMm + 1e-6) * stepMm;

/** How many lamps along stand for all; mirrors at the ends for those beyond. */
const ALONG = 4;

/** The sleeve before one face of a flat core: rows of lamps across it, lit from half of what the sleeve leaves over. */
export function flatFace(along: Along): LitFace {
  const { wideMm, thickMm, rows, sleeveMm, lampMm, layers } = along;
  const { transmission, spreadMm } = diffuserOf(along.diffuser);
  return {
    widthMm: wideMm,
    heightMm: ALONG * lampMm,
    distanceMm: Math.max(1, (sleeveMm - thickMm) / 2),
    sources: Array.from({ length: rows * ALONG }, (_, i) => ({
      xMm: ((i % rows) + 0.5) * (wideMm / rows),
      yMm: (Math.floor(i / rows) + 0.5) * lampMm,
      flux: 1,
      lobe: lobes['flat-top'],
    })),
    layers: Array.from({ length: layers }, () => ({ transmission, spreadMm })),
    wallReflectance: 0.98,
  };
}

/** A strip on its core as it lies in a room: as wide as it is seen, as deep as it needs. */
export function lyingOf({
  way,
  type,
  coreMm,
  wideMm,
  thickMm,
  faces,
  lies,
  lengthMm,
}: Pick<WoundParams, 'way' | 'type' | 'coreMm' | 'wideMm' | 'thickMm' | 'faces' | 'lies' | 'lengthMm'>): {
  widthMm: number;
  lengthMm: number;
  needMm: number;
  shape?: 'bar';
} {
  const strip = stripOf(type).thickMm;
  if (way === 'wound') {
    const acrossMm = coreMm + 2 * strip;
    return { widthMm: acrossMm, needMm: acrossMm, lengthMm, shape: 'bar' };
  }
  const acrossMm = thickMm + faces * strip;
  return lies === 'edge'
    ? { widthMm: acrossMm, needMm: wideMm, lengthMm }
    : { widthMm: wideMm, needMm: acrossMm, lengthMm };
}

/** Inside of the narrowest sleeve that goes round a strip on its core: a flat one corner to corner. */
export function leastSleeveMm(params: Parameters<typeof lyingOf>[0]): number {
  const { widthMm, needMm, shape } = lyingOf(params);
  return shape === 'bar' ? needMm : Math.hypot(widthMm, needMm);
}
