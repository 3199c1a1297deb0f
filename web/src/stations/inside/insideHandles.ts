import type { Lights, Part, Spot } from '@fomrik/core/build/document';
import type { InsideReport } from '@fomrik/core/build/report';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** Grips on the first lamp of each row, on the pack and on the switch. */
export function insideHandles(
  lights: Lights,
  inside: InsideReport,
  drag: Changer,
  change: Changer,
  end: () => void,
): Handle[] {
  const move = (
    set: (lights: Draft<Lights>, spot: Spot) => void,
    from: Spot,
  ): Pick<Handle, 'onPlace' | 'onNudge' | 'onEnd'> => ({
    onPlace: (spot) =>
      drag((p) => {
        if (p.lights) set(p.lights, spot);
      }),
    onNudge: (alongMm, aroundDeg) =>
      change((p) => {
        if (p.lights)
          set(p.lights, {
            alongMm: from.alongMm + alongMm,
            aroundDeg: (from.aroundDeg + aroundDeg + 360) % 360,
          });
      }),
    onEnd: end,
  });
  const rows = lights.rows.flatMap((row, i): Handle[] => {
    const first = inside.lamps.find((l) => l.rowId === row.id);
    if (!first) return [];
    return [
      {
        id: `lamps-${row.id}`,
        label: `${row.colour} lamps: drag along the shell`,
        at: first.at,
        look: 'lamp',
        ...move((l, spot) => void Object.assign(l.rows[i]!, spot), row),
      },
    ];
  });
  const pack: Handle[] = inside.packAt
    ? [
        {
          id: 'pack',
          label: 'Pack: drag along the shell',
          at: inside.packAt,
          look: 'pack',
          ...move((l, spot) => void (l.packAt = spot), lights.packAt),
        },
      ]
    : [];
  const toggle: Handle[] = inside.switchAt
    ? [
        {
          id: 'switch',
          label: 'Switch: drag along the shell',
          at: inside.switchAt,
          look: 'switch',
          ...move((l, spot) => void (l.switchAt = spot), lights.switchAt),
        },
      ]
    : [];
  return [...rows, ...pack, ...toggle];
}
