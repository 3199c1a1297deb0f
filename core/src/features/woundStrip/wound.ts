import type { LitFace } from '../../light';
import { lobes } from '../../materials';
import { diffuserOf } from '../lightBox/box';

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
