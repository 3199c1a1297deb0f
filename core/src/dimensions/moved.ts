import { add3, scale3, sub3, unit3 } from '../geometry';
import type { Dimension } from './dimension';
import { turned } from './turning';

/** A dimension as it is drawn once its value is another: its end goes its way, until it is measured anew. */
export function movedTo(d: Dimension, value: number): Dimension {
  if (value === d.value) return d;
  if (d.way === 'arc' && d.centre && d.axis)
    return { ...d, value, to: turned(d.from, d.centre, d.axis, (value * Math.PI) / 180) };
  const to = add3(d.to, scale3(d.step, value - d.value));
  return { ...d, value, to, from: d.way === 'between' ? sub3(to, scale3(unit3(d.step), value)) : to };
}
