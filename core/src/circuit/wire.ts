import { dist3, type Vec3 } from '../geometry';

/** Spare wire at each thing that must come out again (common practice; length from memory). */
const SERVICE_LOOP_MM = 80;

/** Two conductors from pack to switch to the nearest lamp and along the lamps, loops included; mm. */
export function wireLengthMm(pack: Vec3, toggle: Vec3, lamps: readonly Vec3[]): number {
  if (lamps.length === 0) return 0;
  let reach = 0;
  for (let i = 1; i < lamps.length; i++) reach += dist3(lamps[i - 1]!, lamps[i]!);
  const toLamps = Math.min(dist3(toggle, lamps[0]!), dist3(toggle, lamps.at(-1)!));
  return 2 * (dist3(pack, toggle) + toLamps + reach + 2 * SERVICE_LOOP_MM);
}
