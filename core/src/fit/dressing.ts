import { type Zone, zoneInfo } from '../body';
import type { OpeningClearance } from '../forms';

/** A part as far as putting it on goes. */
export interface WornPart {
  id: string;
  name: string;
  zone: Zone;
  clearances: readonly OpeningClearance[];
  /** Closed round the body, so that it must be slipped on. */
  closed: boolean;
}

/** One step of putting on, in order, with what must pass. */
export interface DressingStep {
  partId: string;
  name: string;
  how: string;
  openingMm?: number;
  needMm?: number;
  passes: boolean;
  /** A helper is needed, or hands must be free for it. */
  helper: boolean;
}

/** The order of putting on and what must pass where, foam and under-layer counted by each form. */
export function dressing(parts: readonly WornPart[]): DressingStep[] {
  // A closed collar goes over the head before anything that would stop it.
  const rank = ({ zone, closed }: WornPart): number =>
    zoneInfo(zone).dressing.rank + (zone === 'neck' && closed ? -2.5 : 0);
  return [...parts]
    .sort((a, b) => rank(a) - rank(b))
    .map(({ id, name, zone, clearances, closed }): DressingStep => {
      const { over, behind } = zoneInfo(zone).dressing;
      const tightest = clearances.reduce<OpeningClearance | undefined>(
        (worst, p) => (!worst || p.openingMm - p.needMm < worst.openingMm - worst.needMm ? p : worst),
        undefined,
      );
      return {
        partId: id,
        name,
        how:
          closed && over
            ? `slipped on ${over}`
            : tightest
              ? 'opened, laid round, strapped'
              : 'laid on, strapped',
        ...(tightest && { openingMm: tightest.openingMm, needMm: tightest.needMm }),
        passes: !tightest || tightest.openingMm >= tightest.needMm,
        helper: behind === true,
      };
    });
}
