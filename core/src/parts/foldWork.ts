import type { Work } from '../features';
import { speeds } from '../materials';
import type { LaidPanel } from '../panel';

/** What folds ask of the maker while the net lies flat; each fold has two edges. */
export function foldWork(laid: readonly LaidPanel[]): Work[] {
  const folds = laid.flatMap((l) => l.piece.edges.filter((e) => e.joint === 'fold'));
  if (folds.length === 0) return [];
  const metres = folds.reduce((sum, e) => sum + e.lengthMm, 0) / 2000;
  const count = folds.length / 2;
  return [
    {
      step: 'folds',
      when: 'flat',
      verb: 'cut',
      what: 'folds of the net',
      count,
      eachMin: Math.max(1, Math.round(metres / count / speeds.grooveMPerMin)),
      detail:
        'On the lines drawn, to the depth written there; try one on a scrap. Fold, and glue the groove shut before the corners.',
      cautions: ['blade'],
      waitMin: 0,
    },
  ];
}
