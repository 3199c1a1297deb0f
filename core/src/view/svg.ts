import type { Vec2 } from '../geometry';
import type { Drawing, Look } from './drawing';

/** Ink of what is filled and of its outline; pages print black on white, and teal reads as grey there. */
export const inks: Record<Look, { fill: string; stroke: string; width: number }> = {
  there: { fill: '#f4f7f5', stroke: '#1d2526', width: 0.9 },
  work: { fill: '#cfe6e4', stroke: '#0b5c63', width: 1.9 },
  wearer: { fill: '#eee9e3', stroke: '#b9aa9a', width: 0.7 },
  case: { fill: '#dde2e1', stroke: '#4b5658', width: 0.9 },
  light: { fill: '#f8d891', stroke: '#a8700a', width: 1.4 },
};

const number = (v: number): string => String(Math.round(v * 10) / 10);

/** Points as a path, closed or open. */
export const pathOf = (points: readonly Vec2[], closed: boolean): string =>
  points.length === 0
    ? ''
    : `M${points.map(({ x, y }) => `${number(x)} ${number(y)}`).join('L')}${closed ? 'Z' : ''}`;

const escaped = (text: string): string =>
  text.replace(/[<>&"]/g, (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;' })[c]!);

/** The inside of an SVG of a drawing. */
export function svgBody({ regions, lines, words }: Drawing): string {
  return [
    ...regions.map(({ look, rings }) => {
      const { fill, stroke, width } = inks[look];
      const d = rings.map((r) => pathOf(r, true)).join('');
      return `<path d="${d}" fill="${fill}" fill-rule="evenodd" stroke="${stroke}" stroke-width="${width}" stroke-linejoin="round"/>`;
    }),
    ...lines.map(({ look, runs, dashed }) => {
      const { stroke, width } = inks[look];
      const d = runs.map((r) => pathOf(r, false)).join('');
      return `<path d="${d}" fill="none" stroke="${stroke}" stroke-width="${dashed ? width * 0.6 : width}" stroke-linecap="round" stroke-linejoin="round"${dashed ? ' stroke-dasharray="3 3"' : ''}/>`;
    }),
    ...words.map(
      ({ at, text, look }) =>
        `<text x="${number(at.x)}" y="${number(at.y)}" font-size="12" font-family="Barlow, sans-serif" font-weight="600" text-anchor="middle" dominant-baseline="central" fill="${inks[look].stroke}" stroke="#fff" stroke-width="3" paint-order="stroke">${escaped(text)}</text>`,
    ),
  ].join('\n');
}

/** A drawing as an SVG of its own. */
export const svgOf = (drawing: Drawing): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${drawing.width} ${drawing.height}">\n${svgBody(drawing)}\n</svg>`;
