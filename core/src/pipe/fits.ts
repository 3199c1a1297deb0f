import { type Pack, type Rod, rodMatters } from '../materials';

/** Pipes slide into each other with at least this much between them; jam under it. mm across, from memory. */
const SLIDES_MM = 0.4;
/** What touches the bore with its corners still goes in: no more than this is asked all round, as inside a part, mm. */
const CLEAR_MM = 0.1;
/** A plug is cut over the bore by this much so that it pushes in snug; common practice, 3 % from memory. */
const PLUG_OVER = 1.03;

export const boreOf = (rod: Rod): number =>
  rod.shape === 'tube' ? rod.acrossMm.value - 2 * (rod.wallMm?.value ?? 0) : 0;

/** How one stick goes with another. */
export interface Fit {
  rod: Rod;
  /** Between the bore and what is in it, across. */
  playMm: number;
  how: 'slides' | 'packed out';
}

/** Sticks that go into a pipe, the snuggest first; loose ones want a ring or tape. */
export const inside = (pipe: Rod, rods: readonly Rod[]): Fit[] =>
  rods
    .filter((r) => r.shape !== 'bar' && r.id !== pipe.id)
    .map((rod) => ({ rod, playMm: boreOf(pipe) - rod.acrossMm.value }))
    .filter((f) => f.playMm >= SLIDES_MM)
    .map((f): Fit => ({ ...f, how: f.playMm < 2 ? 'slides' : 'packed out' }))
    .sort((a, b) => a.playMm - b.playMm);

type Box = Pick<Pack, 'lengthMm' | 'widthMm' | 'thickMm'>;

/** Across a bore a box needs, corner to corner. */
export const boreForPack = ({ lengthMm, widthMm, thickMm }: Box): number => {
  const [a, b] = [lengthMm, widthMm, thickMm].sort((x, y) => x - y);
  return Math.hypot(a!, b!) + 2 * CLEAR_MM;
};

/** A pipe beside a pack: how much wider its bore is than the pack needs; below nought it does not go in. */
export interface PipeForPack {
  rod: Rod;
  spareMm: number;
}

/** The narrowest pipe that takes a pack lengthwise and hides it, with the next narrower and the next wider one, narrowest first. */
export function pipesForPack(pack: Box, rods: readonly Rod[]): PipeForPack[] {
  const need = boreForPack(pack);
  const tubes = rods
    .filter((r) => r.shape === 'tube' && !rodMatters[r.matter].lets)
    .map((rod) => ({ rod, spareMm: boreOf(rod) - need }))
    .sort((a, b) => a.rod.acrossMm.value - b.rod.acrossMm.value || a.spareMm - b.spareMm);
  const first = tubes.findIndex((t) => t.spareMm >= 0);
  if (first < 0) return tubes.slice(-1);
  return tubes.slice(Math.max(0, first - 1), first + 2);
}

/** The narrowest pipe that takes a pack lengthwise. */
export const pipeForPack = (pack: Box, rods: readonly Rod[]): Rod | undefined =>
  pipesForPack(pack, rods).find((p) => p.spareMm >= 0)?.rod;

/** A foam disc that pushes into a bore and stays. */
export const plugMm = (boreMm: number): number => boreMm * PLUG_OVER;
