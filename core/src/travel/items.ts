import type { Carried } from '../carry';
import type { PartReport } from '../parts';
import type { TravelItem } from './boxes';

/** So much more a shell takes that lies in its twin, mm. */
const NESTED_MM = 12;

type Part = Pick<PartReport, 'id' | 'name' | 'copies' | 'packed' | 'totalG'>;

/** What has to travel: every copy of what is worn, twins one in the other where they go, and what is carried taken apart. */
export function travelItems(
  parts: readonly Part[],
  carried: readonly Pick<
    Carried,
    'rootId' | 'name' | 'partIds' | 'massG' | 'lengthMm' | 'apartMm' | 'sidesMm'
  >[],
): TravelItem[] {
  const held = new Set(carried.flatMap((c) => c.partIds));
  const worn = parts
    .filter((p) => !held.has(p.id))
    .flatMap((p): TravelItem[] => {
      const [a, b, c] = p.packed.sidesMm;
      if (p.copies === 2 && p.packed.how === 'nested')
        return [
          {
            id: p.id,
            name: `${p.name}, one in the other`,
            sidesMm: [a, b, c + NESTED_MM],
            massG: p.totalG * 2,
          },
        ];
      return Array.from({ length: p.copies }, (_, i) => ({
        id: p.copies > 1 ? `${p.id}/${i + 1}` : p.id,
        name: p.copies > 1 ? `${p.name} ${i + 1} of ${p.copies}` : p.name,
        sidesMm: [a, b, c] as const,
        massG: p.totalG,
      }));
    });
  const props = carried.flatMap((c): TravelItem[] => {
    const lengths = Math.max(1, Math.ceil(c.lengthMm / Math.max(1, c.apartMm) - 1e-6));
    const [long, wide, deep] = c.sidesMm;
    return Array.from({ length: lengths }, (_, i) => ({
      id: lengths > 1 ? `${c.rootId}/${i + 1}` : c.rootId,
      name: lengths > 1 ? `${c.name}, length ${i + 1} of ${lengths}` : c.name,
      sidesMm: [lengths > 1 ? Math.min(long, c.apartMm) : long, wide, deep] as const,
      massG: c.massG / lengths,
    }));
  });
  return [...worn, ...props];
}
