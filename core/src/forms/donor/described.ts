import type { Panel } from '../../panel';
import { hinged, keptWhole } from '../held/walls';
import type { CaseParams } from './fields';

/** Walls with what was said of them: the one that stays whole, and the lid on its hinge; each by its name. */
export const asDescribed = (
  walls: readonly Panel[],
  { uncut, opens, lid, hingeAt }: Pick<CaseParams, 'uncut' | 'opens' | 'lid' | 'hingeAt'>,
  idOf: (name: string) => string = (name) => name,
): Panel[] => {
  const kept = keptWhole(walls, idOf(uncut));
  return opens === 'hinge' ? hinged(kept, idOf(lid), hingeAt) : kept;
};
