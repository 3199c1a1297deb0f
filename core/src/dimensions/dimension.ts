import type { Vec2, Vec3 } from '../geometry';
import type { Tracked } from './tracked';

/**
 * Where a value is on the thing, as a drawing would show it: a length between two points, an angle round a middle, or a
 * note at the spot that answers to it. Points are in the part's space.
 */
export interface Dimension {
  /** The value's place among the values of the part. */
  path: readonly (string | number)[];
  /** The detail it is a value of; of the part itself when absent. */
  featureId?: string;
  label: string;
  /** Millimetres, degrees, or the unit of a plain number such as a size in percent. */
  unit: string;
  value: number;
  range: readonly [number, number];
  way: 'between' | 'arc' | 'note';
  /** From where to where it is measured; a note stands at `to`. */
  from: Vec3;
  to: Vec3;
  /** The middle of an arc and what it turns about; from `from` to `to` about it by the value. */
  centre?: Vec3;
  axis?: Vec3;
  /** Where `to` goes for one unit more, which is how it is dragged. */
  step: Vec3;
  /** Nothing of the picture answers to it: its grip only holds the number. */
  still?: true;
  /** Both ends on a panel, as shares of its width and height, where they lie on one. */
  on?: { from?: Tracked['spot']; to?: Tracked['spot'] };
  /** The same on the flat piece, in its millimetres. */
  flat?: { pieceId: string; to: Vec2; from?: Vec2 };
}
