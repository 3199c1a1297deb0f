import type { Vec2 } from '../geometry';
import type { Drawing } from '../view';

/** Room of an inset, units of the drawing. */
const WIDE = 150;
const HIGH = 110;

const blank = (width: number, height: number): Drawing => ({
  width,
  height,
  regions: [],
  lines: [],
  words: [],
});

/** A drawing and an inset at its right, one picture. */
export function withInset(main: Drawing, inset: Drawing): Drawing {
  const moved = ({ x, y }: Vec2): Vec2 => ({ x: x + main.width, y: y + (main.height - inset.height) / 2 });
  return {
    width: main.width + inset.width,
    height: main.height,
    regions: [
      ...main.regions,
      ...inset.regions.map((r) => ({ ...r, rings: r.rings.map((g) => g.map(moved)) })),
    ],
    lines: [...main.lines, ...inset.lines.map((l) => ({ ...l, runs: l.runs.map((g) => g.map(moved)) }))],
    words: [...main.words, ...inset.words.map((w) => ({ ...w, at: moved(w.at) }))],
  };
}

/**
 * A sheet cut through, its outer face up, and the knife along its bevel.
 * @param deg off square: positive is lost from the back, negative from the face.
 */
export function knifeInset(thicknessMm: number, deg: number): Drawing {
  const drawing = blank(WIDE, HIGH);
  const t = 34;
  const [left, right, top] = [16, 92, 38];
  const off = Math.min(44, Math.abs(Math.tan((deg * Math.PI) / 180)) * t);
  const lostBelow = deg > 0;
  const upper = { x: right - (lostBelow ? 0 : off), y: top };
  const lower = { x: right - (lostBelow ? off : 0), y: top + t };
  drawing.regions.push({
    look: 'there',
    rings: [[{ x: left, y: top }, upper, lower, { x: left, y: top + t }]],
  });
  const way = { x: lower.x - upper.x, y: lower.y - upper.y };
  const along = (s: number, aside: number): Vec2 => {
    const long = Math.hypot(way.x, way.y);
    return {
      x: upper.x + way.x * s + (-way.y / long) * -aside,
      y: upper.y + way.y * s + (way.x / long) * -aside,
    };
  };
  // The blade comes from the face that is cut, its edge on the bevel.
  const [tip, heel] = lostBelow ? [0.1, 2.1] : [0.9, -1.1];
  drawing.regions.push({
    look: 'work',
    rings: [[along(tip, 2), along(heel, 2), along(heel, 13), along(tip + (heel - tip) * 0.2, 11)]],
  });
  drawing.words.push(
    {
      at: { x: 58, y: 16 },
      text: `${Math.abs(Math.round(deg))}° ${lostBelow ? 'from the back' : 'from the face'}`,
      look: 'work',
    },
    { at: { x: 48, y: top + t / 2 }, text: `${thicknessMm} mm`, look: 'there' },
  );
  return drawing;
}

/** The curve of a bent sheet, to its tightest radius. */
export function bendInset(thicknessMm: number, radiusMm: number): Drawing {
  const drawing = blank(WIDE, HIGH);
  const scale = Math.min(1.2, 66 / (radiusMm + thicknessMm));
  const [inner, outer] = [radiusMm * scale, (radiusMm + thicknessMm) * scale];
  const middle = { x: WIDE / 2, y: 22 + outer };
  const arc = (r: number, back: boolean): Vec2[] =>
    Array.from({ length: 33 }, (_, i) => {
      const a = Math.PI * (1.12 + 0.76 * ((back ? 32 - i : i) / 32));
      return { x: middle.x + Math.cos(a) * r, y: middle.y + Math.sin(a) * r };
    });
  drawing.regions.push({ look: 'work', rings: [[...arc(outer, false), ...arc(inner, true)]] });
  drawing.words.push({
    at: { x: WIDE / 2, y: Math.min(HIGH - 8, middle.y + 4) },
    text: `bent to r ${Math.round(radiusMm)} mm`,
    look: 'work',
  });
  return drawing;
}
