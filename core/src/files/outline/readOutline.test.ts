import { expect } from 'chai';
import { signedArea } from '../../geometry';
import { readOutline } from './readOutline';

const areaOf = (points: readonly [number, number][]): number =>
  signedArea(points.map(([x, y]) => ({ x, y })));

function points(text: string, name: string, unit?: number): [number, number][] {
  const read = readOutline(text, name, 120, unit);
  if (!read.ok) throw new Error(read.message);
  if (!('points' in read.value)) throw new Error('asks for its unit');
  return read.value.points;
}

describe('an outline from a drawing', () => {
  it('comes at true size from an SVG in millimetres, its largest outline, standing on nought', () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="100mm" viewBox="0 0 400 200">
      <circle cx="10" cy="10" r="4"/>
      <g transform="translate(20 10)"><rect x="0" y="0" width="160" height="80"/></g></svg>`;
    const found = points(svg, 'a.svg');
    expect(areaOf(found)).to.be.closeTo(80 * 40, 0.01);
    expect(Math.min(...found.map((p) => p[1]))).to.equal(0);
    expect(Math.min(...found.map((p) => p[0]))).to.equal(-40);
  });

  it('follows curves: a circle of arcs keeps its area within a tenth of a millimetre all round', () => {
    const svg = '<svg width="100mm" viewBox="0 0 100 100"><circle cx="50" cy="50" r="40"/></svg>';
    expect(areaOf(points(svg, 'c.svg'))).to.be.closeTo(Math.PI * 1600, 2 * Math.PI * 40 * 0.1);
  });

  it('asks for the unit where the file has none, and takes it', () => {
    const svg = '<svg viewBox="0 0 10 10"><path d="M0 0H10V5H0Z"/></svg>';
    expect(readOutline(svg, 'n.svg', 120)).to.deep.equal({ ok: true, value: { asks: 'unit' } });
    expect(areaOf(points(svg, 'n.svg', 25.4))).to.be.closeTo(50 * 25.4 ** 2, 1);
  });

  it('reads DXF polylines with bulges, and lines that meet, in inches', () => {
    const line = (pairs: (string | number)[][]): string => pairs.map(([c, v]) => `${c}\n${v}`).join('\n');
    const head = [
      [0, 'SECTION'],
      [2, 'HEADER'],
      [9, '$INSUNITS'],
      [70, 1],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
    ];
    const tail = [
      [0, 'ENDSEC'],
      [0, 'EOF'],
    ];
    // Two half circles of radius 1: a bulge of 1 each.
    const round = [
      [0, 'LWPOLYLINE'],
      [90, 2],
      [70, 1],
      [10, -1],
      [20, 0],
      [42, 1],
      [10, 1],
      [20, 0],
      [42, 1],
    ];
    expect(areaOf(points(line([...head, ...round, ...tail]), 'r.dxf'))).to.be.closeTo(
      Math.PI * 25.4 ** 2,
      20,
    );
    const corner = [
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 3],
    ] as const;
    const lines = corner.flatMap(([x, y], i) => {
      const [u, v] = corner[(i + 1) % 4]!;
      return [
        [0, 'LINE'],
        [10, x],
        [20, y],
        [11, u],
        [21, v],
      ];
    });
    expect(areaOf(points(line([...head, ...lines, ...tail]), 'l.dxf'))).to.be.closeTo(12 * 25.4 ** 2, 1);
  });

  it('says what is wrong with what is no drawing', () => {
    for (const [text, name] of [
      ['', 'a.svg'],
      ['<html></html>', 'a.svg'],
      ['<svg/>', 'a.svg'],
      ['nonsense', 'a.dxf'],
      ['<svg width="1mm" viewBox="0 0 1 1"><rect width="1" height="1"/></svg>', 'a.svg'],
    ] as const) {
      const read = readOutline(text, name, 120);
      expect(read.ok, text).to.equal(false);
      if (!read.ok) expect(read.message).to.match(/\.$/);
    }
  });
});
