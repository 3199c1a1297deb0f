import { newtonsOf } from '../../units';
import { JOLT } from '../laying/screws';

/** A flange that a pipe stands in, round the pipe; mm, from memory of common floor flanges. */
export const FLANGE = { beyondMm: 25, circleBeyondMm: 14, thickMm: 4, socketMm: 20, socketWallMm: 3 };

export const flangeAcrossMm = (pipeMm: number): number => pipeMm + 2 * FLANGE.beyondMm;
export const screwCircleMm = (pipeMm: number): number => pipeMm + 2 * FLANGE.circleBeyondMm;

/** A load on a flange: the weight of what stands in it, how far before the face its middle is, and the screws that hold it. */
export interface Held {
  massG: number;
  armMm: number;
  screws: number;
  pipeMm: number;
}

/**
 * The most that pulls at one screw, whichever way it hangs, jolts included; newton: its share of the weight, and of the
 * lever M what evenly spaced bolts of a circle take, 2M / (n·r) (machine design handbooks, from memory).
 */
export const pullN = ({ massG, armMm, screws, pipeMm }: Held): number =>
  newtonsOf(massG) * JOLT * (1 / screws + (2 * armMm) / (screws * (screwCircleMm(pipeMm) / 2)));
