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
  const lit = wanted ? parts.filter(isLit).map((p) => p.id) : [];
  const ask = async (): Promise<ReadonlyMap<string, Shine>> =>
    new Map(await insideWorker.shines(shownDoc(useBuild.getState().doc, useView.getState().versionId), lit));
  const { value } = useWorked(lit.length > 0 ? ask : undefined, [wanted, parts]);
  return (wanted && value) || none;
}
