import { expect } from 'chai';
import { signedArea } from '../../geometry';
import { readOutline } from './readOutline';

const reach = { xMm: [-1500, 1500], yMm: [-1500, 3000] } as const;

const areaOf = (points: readonly [number, number][]): number =>
  signedArea(points.map(([x, y]) => ({ x, y })));

function points(text: string, name: string, unit?: number): [number, number][] {
  const read = readOutline(text, name, 2000, reach, unit);
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
    const asked = readOutline(svg, 'n.svg', 2000, reach);
    if (!asked.ok || !('asks' in asked.value)) throw new Error('does not ask');
    expect(asked.value.units.map((u) => u.mm)).to.deep.equal([1, 10, 25.4, 25.4 / 72, 25.4 / 96]);
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
      const read = readOutline(text, name, 2000, reach);
      expect(read.ok, text).to.equal(false);
      if (!read.ok) expect(read.message).to.match(/\.$/);
    }
  });

  const whole = (text: string, name: string) => {
    const read = readOutline(text, name, 2000, reach, 1);
    if (!read.ok) throw new Error(read.message);
    if (!('points' in read.value)) throw new Error('asks for its unit');
    return read.value;
  };
  const svgOf = (inner: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" viewBox="0 0 400 400">${inner}</svg>`;
  const dxfOf = (pairs: readonly (readonly [number, string | number])[], blocks: typeof pairs = []): string =>
    [
      [0, 'SECTION'],
      [2, 'BLOCKS'],
      ...blocks,
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
      ...pairs,
      [0, 'ENDSEC'],
      [0, 'EOF'],
    ]
      .map(([c, v]) => `${c}\n${v}`)
      .join('\n');

  it('keeps every tooth of a comb of three hundred', () => {
    const teeth = Array.from({ length: 300 }, (_, i) => `L${i} 10L${i + 0.5} 0`).join('');
    const { points: read, offMm } = whole(svgOf(`<path d="M0 30${teeth}L300 30Z"/>`), 'comb.svg');
    expect(read).to.have.length(602);
    expect(offMm).to.be.at.most(0.1);
  });

  it('rounds the corners of rectangles that say so', () => {
    const area = areaOf(points(svgOf('<rect width="100" height="60" rx="20"/>'), 'r.svg'));
    expect(area).to.be.closeTo(100 * 60 - (4 - Math.PI) * 400, 15);
  });

  it('joins lines that meet, and goes on after a sub-path has closed', () => {
    const lines =
      '<line x1="0" y1="0" x2="90" y2="0"/><line x1="90" y1="0" x2="0" y2="50"/><line x1="0" y1="50" x2="0" y2="0"/>';
    expect(areaOf(points(svgOf(lines), 'l.svg'))).to.be.closeTo(90 * 25, 0.1);
    const again = '<path d="M10 10h5v5h-5zh80v80h-80z"/>';
    expect(areaOf(points(svgOf(again), 'z.svg'))).to.be.closeTo(6400, 0.1);
  });

  it('takes rings inside it, and names what it does not take: other outlines, text, pictures, use', () => {
    const { left, rings } = whole(
      svgOf(
        '<rect width="100" height="100"/><circle cx="50" cy="50" r="10"/><circle cx="300" cy="50" r="10"/><text>T</text><use href="#a"/><image/>',
      ),
      'n.svg',
    );
    expect(left).to.deep.equal(['1 other outline', '1 text', '1 use', '1 image']);
    expect(rings).to.have.length(1);
    // The middle of the circle, on the middle line and 50 mm over the foot; its area by its radius.
    const ring = rings[0]!.map(([x, y]) => ({ x, y }));
    for (const p of ring) expect(Math.hypot(p.x, p.y - 50)).to.be.closeTo(10, 0.15);
    expect(Math.abs(areaOf(rings[0]!))).to.be.closeTo(Math.PI * 100, 5);
  });

  it('refuses what reaches further than an outline may, and more points than a hand cuts', () => {
    const wide = readOutline(svgOf('<rect width="4000" height="50"/>'), 'w.svg', 2000, reach);
    expect(wide).to.deep.include({ ok: false });
    if (!wide.ok) expect(wide.message).to.include('4000 × 50 mm').and.include('3000 × 3000');
    const dense = readOutline(svgOf(`<path d="M0 0${'h1v1'.repeat(150_000)}Z"/>`), 'd.svg', 2000, reach);
    if (dense.ok) throw new Error('was read');
    expect(dense.message).to.include('more than 200000 points');
  });

  it('reads splines, ellipses and blocks of a DXF, and names the rest', () => {
    // A uniform cubic whose control points lie on a circle of 100 closes to a round of about two thirds of the way in.
    const control = Array.from({ length: 11 }, (_, i) => (2 * Math.PI * i) / 8);
    const knots = Array.from({ length: 15 }, (_, i) => i);
    const closed = dxfOf([
      [0, 'SPLINE'],
      [71, 3],
      [72, 15],
      [73, 11],
      ...knots.map((k) => [40, k] as const),
      ...control.flatMap((t) => [[10, 100 * Math.cos(t)] as const, [20, 100 * Math.sin(t)] as const]),
    ]);
    // The middle of such a span is (P0 + 23 P1 + 23 P2 + P3) / 48, its joints (P0 + 4 P1 + P2) / 6: both by hand.
    const joint = (100 * (2 * Math.cos(Math.PI / 4) + 4)) / 6;
    const spline = whole(closed, 's.dxf');
    const area = areaOf(spline.points);
    expect(area).to.be.closeTo(Math.PI * joint ** 2, Math.PI * joint ** 2 * 0.01);
    const ellipse = dxfOf([
      [0, 'ELLIPSE'],
      [10, 5],
      [20, 5],
      [11, 40],
      [21, 0],
      [40, 0.5],
      [41, 0],
      [42, 2 * Math.PI],
      [0, 'TEXT'],
      [1, 'note'],
    ]);
    const read = whole(ellipse, 'e.dxf');
    expect(areaOf(read.points)).to.be.closeTo(Math.PI * 40 * 20, 10);
    expect(read.left).to.deep.equal(['1 text']);
    const block = [
      [0, 'BLOCK'],
      [2, 'tile'],
      [10, 0],
      [20, 0],
      [0, 'CIRCLE'],
      [10, 0],
      [20, 0],
      [40, 10],
      [0, 'ENDBLK'],
    ] as const;
    const placed = dxfOf(
      [
        [0, 'INSERT'],
        [2, 'tile'],
        [10, 30],
        [20, 40],
        [41, 2],
        [42, 3],
        [50, 90],
      ],
      block,
    );
    const turned = whole(placed, 'b.dxf').points;
    expect(areaOf(turned)).to.be.closeTo(Math.PI * 20 * 30, 10);
    expect(Math.max(...turned.map((p) => p[0]))).to.be.closeTo(30, 0.2);
  });
});
