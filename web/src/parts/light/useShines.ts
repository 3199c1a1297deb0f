import type { Shine } from '@fomrik/core/features';
import type { PartReport } from '@fomrik/core/parts';
import { useBuild } from '../../store/build';
import { shownDoc } from '../../store/version';
import { useView } from '../../store/view';
import { insideWorker } from '../../workers/insideClient';
import { useWorked } from '../useWorked';

const none: ReadonlyMap<string, Shine> = new Map();

const isLit = ({ items }: PartReport): boolean => items.some((i) => i.lamp ?? i.steady);

/** All the light that parts give, by their ids; asked for when it is wanted. */
export function useShines(parts: readonly PartReport[], wanted: boolean): ReadonlyMap<string, Shine> {
  const lit = wanted ? parts.filter(isLit) : [];
  const { value } = useWorked(async () => {
    if (lit.length === 0) return none;
    const doc = shownDoc(useBuild.getState().doc, useView.getState().versionId);
    const found = await insideWorker.shines(
      doc,
      lit.map((p) => p.id),
    );
    return new Map(found);
  }, [wanted, parts]);
  return (wanted && value) || none;
}
