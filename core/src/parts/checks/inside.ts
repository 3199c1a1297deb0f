import type { Check, Proposal, Feature, Part } from '../../document';
import { dot3, scale3, type Vec2 } from '../../geometry';
import type { LaidPanel, Room } from '../../panel';
import { type Overlap, overlapOf, standIn } from '../../space';
import { byId, trimNumber } from '../../units';
import type { Body } from '../bodies';

/** Room shared by glue and give alone, mm; common practice, no source. */
const GLUE_MM = 0.5;
/** Shifted clear, things stand this far apart, mm. */
const APART_MM = 1;

/** How deep two things lie in each other, and how the first is moved out. */
function worstOverlap(a: Body, b: Body): Overlap | undefined {
  let worst: Overlap | undefined;
  for (const p of a.solids)
    for (const q of b.solids) {
      const found = overlapOf(p, q);
      if (found && found.mm > (worst?.mm ?? GLUE_MM)) worst = found;
    }
  return worst;
}

const share = (value: number): number => Math.round(value * 1e4) / 1e4;

/** The same feature moved over its piece or room by so much on the flat. */
function shifted(part: Part, id: string, spot: Vec2, by: Vec2, laid: readonly LaidPanel[]): Proposal[] {
  const at = part.features.findIndex((f) => f.id === id);
  const place: Feature['place'] | undefined = part.features[at]?.place;
  if (place?.on === 'room')
    return [
      {
        label: `Move it ${trimNumber(Math.hypot(by.x, by.y), 0)} mm clear`,
        changes: [
          {
            path: ['features', at, 'place'],
            value: {
              ...place,
              acrossMm: Math.round(place.acrossMm + by.x),
              alongMm: Math.round(place.alongMm + by.y),
            },
          },
        ],
      },
    ];
  if (place?.on !== 'panel') return [];
  const uv = laid.find((l) => l.panel.id === place.panel)?.uvAt({ x: spot.x + by.x, y: spot.y + by.y });
  return uv
    ? [
        {
          label: `Move it ${trimNumber(Math.hypot(by.x, by.y), 0)} mm clear`,
          changes: [{ path: ['features', at, 'place'], value: { ...place, u: share(uv.x), v: share(uv.y) } }],
        },
      ]
    : [];
}

/** The same feature slid along its piece, a little and more. */
function slid(part: Part, id: string): Proposal[] {
  const at = part.features.findIndex((f) => f.id === id);
  const place: Feature['place'] | undefined = part.features[at]?.place;
  if (place?.on !== 'panel') return [];
  const moved = (key: 'u' | 'v', way: string, by: number): Proposal[] => {
    const value = share(place[key] + by);
    return value < 0 || value > 1
      ? []
      : [
          {
            label: `Move it to ${Math.round(value * 100)} % ${way}`,
            changes: [{ path: ['features', at, 'place', key], value }],
          },
        ];
  };
  return [
    ...[-0.1, 0.1, -0.2, 0.2, -0.3, 0.3].flatMap((by) => moved('u', 'across', by)),
    ...[-0.2, 0.2, -0.35, 0.35].flatMap((by) => moved('v', 'up', by)),
  ];
}

/** Ways to move something out of what it lies in: by the least shift, each way along its wall, and further off. */
function freed(
  part: Part,
  body: Body,
  { mm, way }: Overlap,
  rooms: readonly Room[],
  laid: readonly LaidPanel[],
): Proposal[] {
  const { fit, featureId } = body.item;
  const print = fit?.prints[0];
  const room = byId(rooms, fit?.roomId);
  const stand = print && room && standIn(room, print.at);
  if (!print || !stand) return slid(part, featureId);
  const out = scale3(way, mm + APART_MM);
  const by = { x: dot3(out, stand.across), y: dot3(out, stand.up) };
  const along = Math.hypot(by.x, by.y);
  // Straight off the wall there is no way along it.
  const exact = along > (mm + APART_MM) / 2 ? shifted(part, featureId, print.at, by, laid) : [];
  const aside = [
    { x: print.widthMm + APART_MM, y: 0 },
    { x: -print.widthMm - APART_MM, y: 0 },
    { x: 0, y: print.lengthMm + APART_MM },
    { x: 0, y: -print.lengthMm - APART_MM },
  ].flatMap((d) => shifted(part, featureId, print.at, d, laid));
  return [...exact, ...slid(part, featureId), ...aside];
}

/** Things that were put in and would be in the same place, wherever they are fixed. */
export function clashChecks(
  part: Part,
  bodies: readonly Body[],
  rooms: readonly Room[],
  laid: readonly LaidPanel[],
): Check[] {
  return bodies.flatMap((body, i): Check[] => {
    if (body.item.lamp) return [];
    // Of two the later one speaks; against lamps it speaks for itself.
    const others = bodies.filter((o, k) => o.featureId !== body.featureId && (o.item.lamp || k < i));
    const worst = others
      .flatMap((other) => {
        const overlap = worstOverlap(body, other);
        return overlap ? [{ other, overlap }] : [];
      })
      .reduce<{ other: Body; overlap: Overlap } | undefined>(
        (w, o) => (o.overlap.mm > (w?.overlap.mm ?? 0) ? o : w),
        undefined,
      );
    if (!worst) return [];
    return [
      {
        id: `clash-${body.id}`,
        severity: 'stop',
        station: 'inside',
        title: `${body.name} overlaps ${worst.other.name} by ${trimNumber(worst.overlap.mm)} mm.`,
        why: 'Two things cannot be in the same place, whichever piece each is fixed to.',
        provenance: 'standard',
        excess: worst.overlap.mm,
        ...(body.item.pieceId && { pieceId: body.item.pieceId }),
        remedies: freed(part, body, worst.overlap, rooms, laid),
      },
    ];
  });
}
