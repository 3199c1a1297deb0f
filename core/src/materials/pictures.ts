import { box, casing, centred, clear, discs, foam, line, type Picture, scaleFor } from '../thumbnail';
import type { Foam } from './foams';
import type { Habits } from './habits';
import type { Pack } from './packs';
import type { Switch } from './switches';

/** Every pack and every switch is drawn at the one scale of its kind, so that they can be told apart by size. */
const PACK_MM = 116;
const SWITCH_MM = 46;
/** Rows of pores in the picture of a foam as light as 30 kg/m³; denser ones have finer ones. */
const PORES = 5;
const LIGHT_KG_M3 = 30;

/** A pack from above, its cells side by side in it. */
export function packPicture({ lengthMm, widthMm, series }: Pack): Picture {
  const scale = scaleFor(PACK_MM);
  const [l, w] = [Math.min(66, lengthMm * scale), Math.min(44, widthMm * scale)];
  const { x, y } = centred(l, w);
  const each = w / Math.max(1, series);
  const cells = Array.from({ length: series }, (_, i) =>
    box(x + l * 0.06, y + each * (i + 0.12), l * 0.82, each * 0.76),
  ).join('');
  return [casing(box(x, y, l, w)), clear(cells), casing(box(x + l * 0.9, y + w * 0.3, l * 0.1, w * 0.4))];
}

/** A switch from the side that shows: its body, and its lever or cap. */
export function switchPicture({ lengthMm, widthMm, face, kind }: Switch): Picture {
  const scale = scaleFor(SWITCH_MM);
  const [l, w] = [Math.min(66, lengthMm * scale), Math.min(44, widthMm * scale)];
  const { x, y } = centred(l, w);
  const shown = face ?? { lengthMm: lengthMm / 3, widthMm: widthMm / 2 };
  const cap = Math.max(4, Math.min(w, shown.widthMm * scale));
  const [fl, fw] = [Math.min(l, shown.lengthMm * scale), cap];
  const knob =
    face?.round || kind === 'momentary' ? discs(cap, [36, 24]) : box(36 - fl / 2, 24 - fw / 2, fl, fw);
  return [casing(box(x, y, l, w)), foam(knob), ...(kind === 'remote' ? [line('M30 6q6 -5 12 0')] : [])];
}

/** A block of a sheet cut through: pores as fine as it is dense, a board or plastic without any. */
export function foamPicture({ kind, densityKgM3, texture }: Foam): Picture {
  const block = box(8, 14, 56, 22);
  if (kind === 'acrylic') return [clear(block), line('M14 32L30 16M24 32L40 16')];
  if (kind !== 'foam' && kind !== 'block') return [casing(block), line('M8 20H64M8 30H64')];
  const rows = Math.round(PORES * Math.cbrt(densityKgM3.value / LIGHT_KG_M3));
  const step = 20 / rows;
  const pores = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: Math.floor(54 / step) - 1 }, (_, c): [number, number] => [
      11 + (c + (r % 2) / 2) * step,
      15 + (r + 0.5) * step,
    ]),
  ).flat();
  return [
    foam(block),
    clear(discs(step * 0.35, ...pores)),
    ...(texture !== 'none' ? [line('M8 14q3.5 -4 7 0t7 0t7 0t7 0t7 0t7 0t7 0t7 0')] : []),
  ];
}

/** How a sheet is made to fold, cut through. */
export const foldPictures: Readonly<Record<Habits['fold'], Picture>> = {
  'v-groove': [foam('M4 16H68V32H40L36 19L32 32H4Z')],
  'slanted-pair': [foam('M4 16H68V32H46L42 24L38 32H34L30 24L26 32H4Z')],
  'heat-and-fold': [foam('M4 16H68V32H4Z'), line('M36 40V34M30 40q0 -4 3 -6M42 40q0 -4 -3 -6')],
  'partial-cut': [foam('M4 16H68V32H37V21H35V32H4Z')],
};

/** How an edge is taken off square, cut through. */
export const bevelPictures: Readonly<Record<Habits['bevel'], Picture>> = {
  'two-lines': [foam('M4 14H56L44 34H4Z'), line('M56 14V34H44')],
  tilted: [foam('M4 14H56L44 34H4Z'), casing('M60 6L64 8L46 40L42 38Z')],
};
