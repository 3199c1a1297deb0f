import { itemAt, newtonsOf } from '../units';

/** A mass on a beam, so far from where the beam is held. */
export interface Load {
  atMm: number;
  massG: number;
}

const STATIONS = 240;

/** How a stick held at one end hangs under what it carries, and how slowly it swings. */
export interface Hang {
  sagMm: number;
  /** First natural frequency; infinite when nothing is carried. */
  hz: number;
}

/**
 * A cantilever of even stiffness under point masses: curvature M/EI summed twice (beam tables: PL³/3EI, wL⁴/8EI), the
 * free end running straight on beyond the stick. First frequency by Rayleigh's quotient on that shape.
 * @param stiffness EI in N·mm².
 */
export function hang(loads: readonly Load[], lengthMm: number, endMm: number, stiffness: number): Hang {
  const beyond = loads.filter((l) => l.atMm > 0 && l.massG > 0);
  if (beyond.length === 0 || lengthMm <= 0) return { sagMm: 0, hz: Infinity };
  const step = lengthMm / STATIONS;
  const moment = (s: number): number =>
    beyond.reduce((sum, { atMm, massG }) => sum + newtonsOf(massG) * Math.max(0, atMm - s), 0);
  const down: number[] = [0];
  const slopes: number[] = [0];
  for (let i = 1; i <= STATIONS; i++) {
    // Simpson over the step for the slope, and the step's own curvature for the sag.
    const [a, m, b] = [moment((i - 1) * step), moment((i - 0.5) * step), moment(i * step)];
    slopes.push(itemAt(slopes, i - 1) + ((a + 4 * m + b) * step) / 6 / stiffness);
    down.push(
      itemAt(down, i - 1) + itemAt(slopes, i - 1) * step + ((a + 2 * m) * step * step) / 6 / stiffness,
    );
  }
  const sagAt = (s: number): number => {
    if (s >= lengthMm) return itemAt(down, STATIONS) + itemAt(slopes, STATIONS) * (s - lengthMm);
    const at = s / step;
    const i = Math.floor(at);
    return itemAt(down, i) + (at - i) * (itemAt(down, i + 1) - itemAt(down, i));
  };
  const sums = beyond.reduce(
    ({ one, two }, { atMm, massG }) => {
      const y = sagAt(atMm);
      return { one: one + massG * y, two: two + massG * y * y };
    },
    { one: 0, two: 0 },
  );
  return {
    sagMm: sagAt(Math.max(endMm, lengthMm)),
    hz: sums.two > 0 ? Math.sqrt((9806.65 * sums.one) / sums.two) / (2 * Math.PI) : Infinity,
  };
}
