import type { Vec2 } from '../../geometry';

/** Rings of a drawing in its own units, y up; and what one unit is in millimetres, when the file says. */
export interface Drawn {
  rings: Vec2[][];
  unitMm?: number;
}
