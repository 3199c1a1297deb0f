import type { Check, Cure, Feature, Part } from '../../document';
import type { Item } from '../../features';
import { contains, distanceToEdge, type Vec2 } from '../../geometry';

/** Two things this near touch once wires are on, mm; from memory. */
const CLEAR_MM = 3;

/** How deep a spot with some size lies in an outline, mm; none when it is clear of it. */
function into(outline: readonly Vec2[], at: Vec2, reachMm: number): number {
  const away = distanceToEdge(outline, at);
  return contains(outline, at) ? away + reachMm : Math.max(0, reachMm - away);
}

/** How far two things behind the same piece are in each other's way, mm. */
function overlapMm(box: Item, other: Item): number {
  const outline = box.fit?.outline;
  if (!outline || outline.length < 3 || box.pieceId !== other.pieceId || !other.flat) return 0;
  const reach = (other.lamp ? other.fit!.widthMm / 2 : 0) + CLEAR_MM;
  const spots = [other.flat, ...(other.fit?.outline ?? [])];
  return Math.max(0, ...spots.map((p) => into(outline, p, other.lamp ? reach : CLEAR_MM)));
}

/** The same feature slid along its piece, a little and more. */
function slid(part: Part, id: string): Cure[] {
  const at = part.features.findIndex((f) => f.id === id);
  const place: Feature['place'] | undefined = part.features[at]?.place;
  if (place?.on !== 'panel') return [];
  const moved = (key: 'u' | 'v', way: string, by: number): Cure[] => {
    const share = Math.round((place[key] + by) * 1e4) / 1e4;
    return share < 0 || share > 1
      ? []
      : [
          {
            label: `Move it to ${Math.round(share * 100)} % ${way}`,
            changes: [{ path: ['features', at, 'place', key], value: share }],
          },
        ];
  };
  return [
    ...[-0.1, 0.1, -0.2, 0.2, -0.3, 0.3].flatMap((by) => moved('u', 'across', by)),
    ...[-0.2, 0.2, -0.35, 0.35].flatMap((by) => moved('v', 'up', by)),
  ];
}

/** Packs and switches that lie over lamps or over each other. */
export function clashChecks(part: Part, items: readonly Item[]): Check[] {
  return items.flatMap((box, i): Check[] => {
    if (box.lamp) return [];
    // Of two boxes the later one speaks; a box against lamps speaks for itself.
    const others = items.filter((o, k) => o.featureId !== box.featureId && (o.lamp || k < i));
    const worst = others
      .map((other) => ({ other, mm: overlapMm(box, other) }))
      .reduce<{ other: Item; mm: number } | undefined>((w, o) => (o.mm > (w?.mm ?? 0) ? o : w), undefined);
    if (!worst) return [];
    return [
      {
        id: `clash-${box.id}`,
        severity: 'stop',
        station: 'inside',
        title: `${box.name} lies in the way of ${worst.other.name}.`,
        why: 'Both are behind the same piece and would need the same room.',
        sure: 'standard',
        excess: worst.mm,
        ...(box.pieceId && { pieceId: box.pieceId }),
        cures: slid(part, box.featureId),
      },
    ];
  });
}
