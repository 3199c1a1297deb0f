import { type Body, SHOULDER_ROUND_MM, STRAP_AT, zoneInfo } from '../body';
import { placedWeight, togetherWeight } from '../geometry';
import { type PartReport, placingsOf, rootOf } from '../parts';
import { newtonsOf } from '../units';

/** A pair of straps over the shoulders, and how hard the more laden one presses. */
export interface StrapLoad {
  partId: string;
  name: string;
  wideMm: number;
  /** On the shoulder that carries more, newton. */
  loadN: number;
  kPa: number;
}

/** Everything that hangs on the shoulders: front and back, collar, shoulder pieces, what is on the back, and what hangs on them. */
export interface OnShoulders {
  partIds: string[];
  massG: number;
  /** On each shoulder by the lever, newton; what a belt or a waist strap takes is not counted. */
  rightN: number;
  leftN: number;
  straps: StrapLoad[];
}

/**
 * What a strap presses with that goes over a round ridge and hangs straight down on both sides: the pressure of a belt on a
 * pulley, tension over radius and width, and either run carries half. kPa from newton and millimetres.
 */
export const strapKPa = (loadN: number, wideMm: number): number =>
  ((loadN / 2 / (SHOULDER_ROUND_MM * wideMm)) * 1e6) / 1000;

interface Share {
  partId: string;
  rootId: string;
  massG: number;
  rightN: number;
  leftN: number;
}

/** Weight of one copy of a part on each shoulder: by the lever between the straps, wholly on one beyond it. */
function sharesOf(parts: readonly PartReport[], part: PartReport, body: Body): Share[] {
  const strapMm = STRAP_AT * body.shoulderBreadth.valueMm;
  const rootId = rootOf(part, parts).id;
  return placingsOf(body, parts, part.id).map((toFigure) => {
    const { massG, at } = togetherWeight([placedWeight(part.weight, toFigure)]);
    const right = Math.min(1, Math.max(0, 0.5 + at.x / (2 * strapMm)));
    const weightN = newtonsOf(massG);
    return { partId: part.id, rootId, massG, rightN: weightN * right, leftN: weightN * (1 - right) };
  });
}

/** What the shoulders carry in all, and each pair of straps; nothing when nothing hangs on them. */
export function onShoulders(parts: readonly PartReport[], body: Body): OnShoulders | undefined {
  const hung = parts.filter((part) => {
    const { mount } = rootOf(part, parts);
    return mount.to === 'wearer' && zoneInfo(mount.zone).onShoulders;
  });
  if (hung.length === 0) return undefined;
  const shares = hung.flatMap((part) => sharesOf(parts, part, body));
  const sum = (of: (s: Share) => number, own = shares): number => own.reduce((total, s) => total + of(s), 0);
  const straps = parts.flatMap((part): StrapLoad[] => {
    const shoulder = part.fastenings.find((f) => f.shoulder)?.shoulder;
    const own = shares.filter((s) => s.rootId === part.id);
    if (!shoulder || own.length === 0) return [];
    const loadN = Math.max(
      sum((s) => s.rightN, own),
      sum((s) => s.leftN, own),
    );
    const { wideMm } = shoulder;
    return [{ partId: part.id, name: part.name, wideMm, loadN, kPa: strapKPa(loadN, wideMm) }];
  });
  return {
    partIds: hung.map((p) => p.id),
    massG: sum((s) => s.massG),
    rightN: sum((s) => s.rightN),
    leftN: sum((s) => s.leftN),
    straps,
  };
}
