import { add3, length3, rayReach, scale3, sub3, type Vec3 } from '../geometry';
import { type PartReport, placingOf, placingsOf, sidesOf } from '../parts';
import { firstOf, trimNumber } from '../units';
import { type BuildRule, inPart } from './rule';

/** A wedge may be off its gap by so much, mm: foam gives. */
const OFF_MM = 1.5;

/** As in “17 to 20”, or “17” where both ends are alike. */
const inWords = (mm: readonly number[]): string => [...new Set(mm.map((v) => trimNumber(v, 0)))].join(' to ');

/** How far each other part lies in from the spots of one end, on the mean of those it is met from; nothing where none is. */
function gapIn(
  spots: PartReport['wedges'][number]['ends'][number]['spots'],
  place: (p: Vec3) => Vec3,
  others: readonly PartReport['solid']['mesh'][],
  mostMm: number,
): number | undefined {
  const found = spots.flatMap(({ at, inward }) => {
    const from = place(at);
    const way = sub3(place(add3(at, inward)), from);
    const unit = scale3(way, 1 / length3(way));
    const reach = Math.min(...others.map((mesh) => rayReach(mesh, from, unit) ?? Infinity));
    return reach <= mostMm ? [reach] : [];
  });
  return found.length > spots.length / 2 ? found.reduce((sum, mm) => sum + mm, 0) / found.length : undefined;
}

/** Wedges towards another part are as thick as the gap that is really there, at either end. */
export const wedgesFill: BuildRule = ({ doc, report, context }) =>
  report.parts.flatMap((part) => {
    const index = doc.parts.findIndex((p) => p.id === part.id);
    if (part.wedges.length === 0 || index < 0) return [];
    const { parts } = report;
    const place = placingOf(context.body, parts, part.id, firstOf(sidesOf(part)));
    const others = parts
      .filter((p) => p.id !== part.id)
      .flatMap((p) =>
        placingsOf(context.body, parts, p.id).map((to) => ({
          ...p.solid.mesh,
          points: p.solid.mesh.points.map(to),
        })),
      );
    return part.wedges.flatMap(({ featureId, pieceId, name, ends, range }) => {
      const base = {
        severity: 'mind' as const,
        station: 'shape' as const,
        provenance: 'standard' as const,
        partId: part.id,
        pieceId,
        featureId,
      };
      const gaps = ends.map(({ spots }) => gapIn(spots, place, others, range[1]));
      const known = gaps.filter((g) => g !== undefined);
      if (known.length < ends.length)
        return [
          {
            ...base,
            id: `wedge-none:${part.id}:${featureId}`,
            title: `${part.name}, ${name}: no other part lies within ${range[1]} mm of the whole spacer there.`,
            why: 'It would hang free. Move it over the other part, make it shorter, or fill the gap to the wearer.',
            excess: 1,
            remedies: [],
          },
        ];
      const off = Math.max(...ends.map(({ gapMm }, i) => Math.abs(gapMm - known[i]!)));
      if (off <= OFF_MM) return [];
      const words = inWords(known);
      return [
        {
          ...base,
          id: `wedge:${part.id}:${featureId}`,
          title: `${part.name}, ${name}: the gap to the other part is ${words} mm, lower end first; the spacer is made for ${inWords(ends.map(({ gapMm }) => gapMm))} mm.`,
          why: 'It is too thick and pushes the two apart, or too thin and does not touch.',
          excess: off - OFF_MM,
          remedies: [
            {
              label: `Fill ${words} mm`,
              changes: inPart(
                index,
                ends.map(({ path }, i) => ({ path, value: Math.round(known[i]! * 2) / 2 })),
              ),
            },
          ],
        },
      ];
    });
  });
