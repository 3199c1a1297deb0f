import { litFace } from '../../light';
import { diffusers } from '../../materials';
import type { LightBox } from './box';
import { boxFace } from './tile';

/** One method of diffuser before the same lamps. */
export interface DiffuserRow {
  diffuser: string;
  name: string;
  layers: number;
  /** Darkest spot against the mean, and what share of the light comes out. */
  evenness: number;
  passed: number;
}

const CELLS = 40;
const MOST_LAYERS = 3;

/** Every diffuser in one to three layers before the lamps of a light box, the most even first. */
export const diffuserRows = (box: LightBox): DiffuserRow[] =>
  diffusers
    .flatMap(({ id, name }) =>
      Array.from({ length: MOST_LAYERS }, (_, i): DiffuserRow => {
        const { evenness, passed } = litFace(boxFace({ ...box, diffuser: id, layers: i + 1 }), CELLS);
        return { diffuser: id, name, layers: i + 1, evenness, passed };
      }),
    )
    .sort((a, b) => b.evenness - a.evenness);
