import type { Nest } from '@fomrik/core/document';

/** How far one search has come with one foam. */
export interface FoamProgress {
  sheetMm2: number;
  tries: number;
  sheets: number;
  lastMm: number;
  leastSheets: number;
  /** Share of the whole sheets that is pieces. */
  used: number;
  /** Ready to be kept, where every piece is laid. */
  nest?: Nest;
}

/** How far all foams together have come. */
export interface NestProgress {
  tries: number;
  sheets: number;
  leastSheets: number;
  used: number;
  nests: Nest[];
}

const isBetter = (a: FoamProgress, b: FoamProgress): boolean =>
  a.sheets < b.sheets || (a.sheets === b.sheets && a.lastMm < b.lastMm);

/** What several searches of the same foams have come to: of each foam the best, after the tries of all. */
export function bestOf(searches: readonly (readonly FoamProgress[])[]): NestProgress {
  const foams: FoamProgress[] = [];
  for (const search of searches)
    search.forEach((now, i) => {
      const before = foams[i];
      const tries = (before?.tries ?? 0) + now.tries;
      foams[i] = { ...(!before || isBetter(now, before) ? now : before), tries };
    });
  const sum = (of: (foam: FoamProgress) => number): number => foams.reduce((all, f) => all + of(f), 0);
  const sheetsMm2 = sum((f) => f.sheetMm2 * f.sheets);
  return {
    tries: sum((f) => f.tries),
    sheets: sum((f) => f.sheets),
    leastSheets: sum((f) => f.leastSheets),
    used: sheetsMm2 === 0 ? 0 : sum((f) => f.used * f.sheetMm2 * f.sheets) / sheetsMm2,
    nests: foams.flatMap((f) => f.nest ?? []),
  };
}
