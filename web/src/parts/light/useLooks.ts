import type { PartReport } from '@fomrik/core/parts';
import { useMemo } from 'react';
import { useShownParts } from '../../store/version';
import { useView } from '../../store/view';
import type { FigureLooks } from '../FigureView';
import { usePlayed } from './played';
import { useShines } from './useShines';

/** How everything worn is looked at: grey, in its finish, or in the dark by its own light. */
export function useLooks(made: readonly PartReport[]): FigureLooks {
  const dark = useView((v) => v.darkOpen);
  const finish = useView((v) => v.finishOpen);
  const parts = useShownParts();
  const shines = useShines(made, dark);
  const played = usePlayed(made.map((p) => p.id));
  const finished = useMemo(
    () => (dark || finish ? new Map(parts.map((p) => [p.id, p.scheme])) : undefined),
    [dark, finish, parts],
  );
  const night = useMemo(() => (dark ? { shines, played } : undefined), [dark, shines, played]);
  return { finished, night };
}
