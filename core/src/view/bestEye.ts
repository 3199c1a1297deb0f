import type { Vec3 } from '../geometry';
import { type Eye, eyeAlong, eyeAt, usualEye } from './eye';
import { frameOf } from './frame';
import { rasterOf } from './raster';
import type { Shown } from './shown';
import { visibleRuns } from './visibleLines';

/** Eyes that are tried, the usual one first: all round, from above and from below. */
const eyes: readonly Eye[] = [
  usualEye,
  ...[-28, 70, -70, 118, -118, 152, -152].map((turn) => eyeAt(turn, 16)),
  eyeAt(20, 55),
  eyeAt(-160, 55),
  eyeAt(20, -50),
  eyeAt(-160, -50),
  eyeAlong({ x: 0, y: 1, z: 0 }),
];

/** Looked at coarsely: as many pixels either way. */
const SIZE = 90;
/** A seen pixel of a line counts as so many of a face. */
const LINE = 6;
/** Another eye must show so much more than the usual one. */
const BETTER = 1.35;

/** What is looked for: things by their index among what is shown, and lines. */
export interface LookedFor {
  isOf: (index: number) => boolean;
  lines: readonly (readonly Vec3[])[];
}

/** The eye that shows most of what is looked for. */
export function bestEye(shown: readonly Shown[], { isOf, lines }: LookedFor): Eye {
  const shows = (eye: Eye): number => {
    const frame = frameOf(shown, eye, SIZE, SIZE);
    const raster = rasterOf(shown, eye, frame);
    let count = 0;
    for (const index of raster.of) if (index >= 0 && isOf(index)) count++;
    for (const line of lines)
      for (const run of visibleRuns(line, eye, frame, raster)) count += LINE * run.length;
    return count;
  };
  return eyes
    .map((eye, i) => ({ eye, shows: shows(eye) * (i === 0 ? BETTER : 1) }))
    .reduce((a, b) => (b.shows > a.shows ? b : a)).eye;
}
