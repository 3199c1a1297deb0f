import { dist2, outlineLength, stretchesOf } from '../../geometry';
import { cutSpeedMPerMin } from '../../materials';
import { bevelAngle } from '../../panel';
import type { Report } from '../../report';
import { inUnit, type LengthUnit, MM_PER_INCH, firstOf } from '../../units';
import { csv } from '../csv';
import { cutThrough } from '../../pattern';
import { sourcedTemplates } from '../../pattern';
import { CURVE_MM } from '../curves';

/** One piece as a hand with a knife cuts it. */
export interface HandRow {
  piece: string;
  foam: string;
  times: number;
  /** Of one of them: along the rule, and round curves; holes and slots apart. */
  straightMm: number;
  curvedMm: number;
  insideMm: number;
  /** Edges to bevel afterwards, along the cut line, and by which angles. */
  bevelMm: number;
  bevels: string;
  minutes: number;
  /** A fresh blade before it. */
  freshBlade: boolean;
}

/** A straight run longer than this is cut along a rule, mm. */
const RULE_MM = 15;
/** A blade is dull after so much, metres in 6 mm foam; thicker sooner. From memory. */
const BLADE_M = 12;

/** Every piece in the order it is cut: foam by foam, small ones first; fresh blades where the last is through. */
export function handRows(report: Report): HandRow[] {
  let dullMm = Infinity;
  return sourcedTemplates(report)
    .sort((a, b) => a.piece.foamName.localeCompare(b.piece.foamName) || a.piece.areaMm2 - b.piece.areaMm2)
    .map(({ piece, source }): HandRow => {
      const times = piece.quantity;
      const closed = [...piece.outline, firstOf(piece.outline)];
      let [straightMm, curvedMm] = [0, 0];
      let at = firstOf(closed);
      for (const s of stretchesOf(closed, CURVE_MM)) {
        if ('centre' in s) {
          const r = dist2(at, s.centre);
          curvedMm += 2 * r * Math.asin(Math.min(1, dist2(at, s.to) / 2 / r));
        } else if (dist2(at, s.to) >= RULE_MM) straightMm += dist2(at, s.to);
        else curvedMm += dist2(at, s.to);
        at = s.to;
      }
      const insideMm = cutThrough(piece).reduce(
        (sum, c) => sum + ('outline' in c ? outlineLength(c.outline) : Math.PI * c.diameterMm),
        0,
      );
      const bevelled = piece.edges.filter((e) => e.bevelDeg !== 0);
      const mm = (straightMm + curvedMm + insideMm) * times;
      const wear = mm * Math.max(1, piece.thicknessMm / 6);
      const freshBlade = dullMm + wear > BLADE_M * 1000;
      dullMm = freshBlade ? wear % (BLADE_M * 1000) : dullMm + wear;
      return {
        piece: `${source.code} ${source.partName}: ${piece.name}`,
        foam: piece.foamName,
        times,
        straightMm,
        curvedMm,
        insideMm,
        bevelMm: bevelled.reduce((sum, e) => sum + e.lengthMm, 0),
        bevels: [...new Set(bevelled.map(bevelAngle))].join(', '),
        minutes: mm / 1000 / cutSpeedMPerMin(piece.thicknessMm, 'knife') + times,
        freshBlade,
      };
    });
}

export const handCsv = (report: Report, unit: LengthUnit = 'mm'): string => {
  const size = (mm: number): number =>
    unit === 'mm' ? Math.round(mm) : Number((mm / MM_PER_INCH).toFixed(2));
  return csv(
    handRows(report).map((r) => ({
      piece: inUnit(r.piece, unit),
      foam: inUnit(r.foam, unit),
      times: r.times,
      [`straight_${unit}`]: size(r.straightMm),
      [`curved_${unit}`]: size(r.curvedMm),
      [`inside_${unit}`]: size(r.insideMm),
      [`bevel_${unit}`]: size(r.bevelMm),
      bevel: r.bevels,
      minutes: Math.round(r.minutes),
      fresh_blade: r.freshBlade ? 'yes' : '',
    })),
  );
};
