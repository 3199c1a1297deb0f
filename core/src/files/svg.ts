import { pathData } from './curves';
import { withoutControls } from './text';
import { layers, lineStyle, type Shape } from '../pattern';

const escape = (text: string): string =>
  withoutControls(text)
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');
const n = (value: number): string => String(Number(value.toFixed(3)));

/** Shapes by kind of line, a group each; y turned down from the top of the drawing. */
function layerGroups(shapes: readonly Shape[], heightMm: number, indent: string, ids: boolean): string[] {
  const y = (value: number): string => n(heightMm - value);
  const turned = ({ at, turnRad = 0 }: Shape & { kind: 'text' }): string =>
    turnRad === 0 ? '' : ` transform="rotate(${n((-turnRad * 180) / Math.PI)} ${n(at.x)} ${y(at.y)})"`;
  const draw = (shape: Shape): string => {
    if (shape.kind === 'line')
      return `${indent}  <path d="${pathData(shape.points, shape.closed, n, heightMm)}"/>`;
    if (shape.kind === 'circle')
      return `${indent}  <circle cx="${n(shape.centre.x)}" cy="${y(shape.centre.y)}" r="${n(shape.radiusMm)}"/>`;
    return `${indent}  <text x="${n(shape.at.x)}" y="${y(shape.at.y)}" font-size="${n(shape.heightMm)}" text-anchor="middle"${turned(shape)}>${escape(shape.text)}</text>`;
  };
  return layers.flatMap((layer) => {
    const inside = shapes.filter((s) => s.layer === layer);
    if (inside.length === 0) return [];
    const { dashMm, widthMm: stroke } = lineStyle[layer];
    const dash = dashMm.length > 0 ? ` stroke-dasharray="${dashMm.join(' ')}"` : '';
    const look =
      layer === 'text'
        ? 'fill="#000" font-family="sans-serif"'
        : `fill="none" stroke="#000" stroke-width="${stroke}"${dash}`;
    const name = ids ? `id="${layer}"` : `class="${layer}"`;
    return [`${indent}<g ${name} ${look}>`, ...inside.map(draw), `${indent}</g>`];
  });
}

const file = (widthMm: number, heightMm: number, title: string, body: readonly string[]): string =>
  [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}">`,
    `  <title>${escape(title)}</title>`,
    ...body,
    '</svg>',
    '',
  ].join('\n');

/** One drawing as SVG 1.1: user units are millimetres, one group per kind of line, y turned down. */
export const drawingSvg = (
  shapes: readonly Shape[],
  widthMm: number,
  heightMm: number,
  title: string,
): string => file(widthMm, heightMm, title, layerGroups(shapes, heightMm, '  ', true));

/** Pieces as SVG 1.1, a group for each with its name, and in it a group per kind of line. */
export const piecesSvg = (
  pieces: readonly { name: string; shapes: readonly Shape[] }[],
  widthMm: number,
  heightMm: number,
  title: string,
): string =>
  file(
    widthMm,
    heightMm,
    title,
    pieces.flatMap(({ name, shapes }, i) => [
      `  <g id="piece-${i + 1}">`,
      `    <title>${escape(name)}</title>`,
      ...layerGroups(shapes, heightMm, '    ', false),
      '  </g>',
    ]),
  );
