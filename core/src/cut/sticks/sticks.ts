import { letterAt, itemAt } from '../../units';
import type { PartReport } from '../../parts';
import type { Catalogue, Rod } from '../../materials';
import { packSticks } from './plan';

/** One length to be cut from a stick. */
export interface StickCut {
  partId: string;
  /** Letter among the cuts of one kind of stick. */
  letter: string;
  name: string;
  lengthMm: number;
}

/** All sticks of one kind. */
export interface StickSet {
  rod: Rod;
  sticks: { cuts: StickCut[]; offcutMm: number }[];
  bound: number;
  proved: boolean;
  tooLong: StickCut[];
}

/** Every length of every stick in the build, packed into sticks as sold; every cut takes what the saw takes. */
export function sticksOf(parts: readonly PartReport[], { rods }: Catalogue, kerfMm: number): StickSet[] {
  const sticks = parts.flatMap((part) =>
    part.sticks.flatMap((stick) =>
      Array.from({ length: part.copies }, () => stick.cutMm)
        .flat()
        .map((lengthMm) => ({ partId: part.id, name: part.name, rodId: stick.rodId, lengthMm })),
    ),
  );
  return rods.flatMap((rod): StickSet[] => {
    const cuts = sticks
      .filter((c) => c.rodId === rod.id)
      .map(({ partId, name, lengthMm }, i): StickCut => ({ partId, name, lengthMm, letter: letterAt(i) }));
    if (cuts.length === 0) return [];
    const plan = packSticks(
      cuts.map((c) => c.lengthMm),
      rod.stickMm,
      kerfMm,
    );
    return [
      {
        rod,
        sticks: plan.sticks.map((indices) => {
          const of = indices.map((i) => itemAt(cuts, i));
          // What is left is parted from the last length by a cut of its own.
          const used = of.reduce((sum, c) => sum + c.lengthMm + kerfMm, 0);
          return { cuts: of, offcutMm: Math.max(0, rod.stickMm - used) };
        }),
        bound: plan.bound,
        proved: plan.proved,
        tooLong: plan.tooLong.map((i) => itemAt(cuts, i)),
      },
    ];
  });
}
