import { expect } from 'chai';
import fc from 'fast-check';
import jscad from '@jscad/modeling';
import { polygonArea, polygonCentroid, polygonContains, polygonHull, polygonLength } from 'd3-polygon';
import polygonClipping, { type Polygon } from 'polygon-clipping';
import { BoxGeometry, BufferGeometry, Box3, Matrix4, Mesh as Solid, Ray, Vector3 } from 'three';
import { e24, nextE24 } from '../circuit/e24';
import { reportOf } from '../report/testing/reportOf';
import { demo } from '../files/testing/demo';
import { scheduleIcs } from '../files/ics';
import { cutListCsv } from '../files/csv';
import { drawingSvg } from '../files/svg';
import { paper } from '../pattern';
import { bendStrain, groovesForBend } from '../foam';
import {
  boundsOf,
  centroid,
  contains,
  convexHull,
  distanceToEllipse,
  ellipsePerimeter,
  type Mesh,
  meshArea,
  outlineLength,
  parallelGirth,
  signedArea,
  sliceAt,
  tapeGirthMm,
  unrollStrip,
  type Vec2,
} from '../geometry';
import { cross3, meshWeight, unit3 } from '../geometry';
import { meshVolume } from '../geometry/mesh';
import { stickMesh, sectionAreaMm2, sectionOutline } from '../panel';
import { laidOutline } from '../cut';
import { packs } from '../materials';
import { ownWeightSagMm } from '../parts/wear/sag';
import { parseLengthMm, printLength } from '../units';

const { geometries, measurements } = jscad;
const { geom3, poly3 } = geometries;

/**
 * Figures held against something outside this project: standards, handbook relations and tables, and general-purpose
 * libraries that share no line with it. docs/checked.md lists them all.
 */

const ring = (points: readonly Vec2[]): [number, number][] => points.map((p) => [p.x, p.y]);

/** A star-shaped outline about a middle, counter-clockwise. */
const outline = fc
  .array(fc.double({ min: 20, max: 200, noNaN: true }), { minLength: 5, maxLength: 14 })
  .map((radii) =>
    radii.map((r, i) => {
      const a = (i / radii.length) * 2 * Math.PI;
      return { x: 300 + r * Math.cos(a), y: 250 + r * Math.sin(a) };
    }),
  );

/** A ball of latitude rings. */
function ball(radius: number, rings: number): Mesh {
  const n = rings * 2;
  const points = Array.from({ length: rings + 1 }, (_, r) =>
    Array.from({ length: n }, (_, i) => {
      const [polar, turn] = [(r / rings) * Math.PI, (i / n) * 2 * Math.PI];
      return {
        x: radius * Math.sin(polar) * Math.cos(turn),
        y: radius * Math.sin(polar) * Math.sin(turn),
        z: radius * Math.cos(polar),
      };
    }),
  ).flat();
  const triangles: Mesh['triangles'] = [];
  for (let r = 0; r < rings; r++)
    for (let i = 0; i < n; i++) {
      const [a, b, c, d] = [r * n + i, r * n + ((i + 1) % n), (r + 1) * n + i, (r + 1) * n + ((i + 1) % n)];
      triangles.push([a, c, b], [b, c, d]);
    }
  return { points, triangles };
}

describe('held against the outside: plane geometry', () => {
  it('areas agree with d3-polygon', () => {
    fc.assert(
      fc.property(outline, (points) => {
        expect(Math.abs(signedArea(points))).to.be.closeTo(Math.abs(polygonArea(ring(points))), 1e-6);
      }),
    );
  });

  it('outline lengths agree with d3-polygon', () => {
    fc.assert(
      fc.property(outline, (points) => {
        expect(outlineLength(points)).to.be.closeTo(polygonLength(ring(points)), 1e-6);
      }),
    );
  });

  it('convex hulls agree with d3-polygon', () => {
    fc.assert(
      fc.property(outline, (points) => {
        const theirs = polygonHull(ring(points))!;
        expect(outlineLength(convexHull(points))).to.be.closeTo(polygonLength(theirs), 1e-6);
      }),
    );
  });

  it('points inside agree with d3-polygon', () => {
    fc.assert(
      fc.property(outline, fc.nat(600), fc.nat(500), (points, x, y) => {
        expect(contains(points, { x: x + 0.31, y: y + 0.17 })).to.equal(
          polygonContains(ring(points), [x + 0.31, y + 0.17]),
        );
      }),
    );
  });

  it('a middle of a triangle is d3-polygon’s', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 90, y: 0 },
      { x: 30, y: 60 },
    ];
    const [x, y] = polygonCentroid(ring(points));
    expect(centroid(points).x).to.be.closeTo(x, 1e-9);
    expect(centroid(points).y).to.be.closeTo(y, 1e-9);
  });

  it('the perimeter of an ellipse of axes 1 and ½ is 4.844 224 (complete elliptic integral tables)', () => {
    // 4·E(m = 0.75) with E = 1.211 056 (Abramowitz and Stegun, table 17.1).
    expect(ellipsePerimeter({ a: 1, b: 0.5 })).to.be.closeTo(4 * 1.211056, 2e-5);
    expect(ellipsePerimeter({ a: 3, b: 3 })).to.be.closeTo(6 * Math.PI, 1e-12);
  });

  it('a distance to an ellipse agrees with a search of its points', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 80, noNaN: true }),
        (x, y) => {
          const axes = { a: 50, b: 30 };
          let least = Infinity;
          for (let i = 0; i < 20000; i++) {
            const t = (i / 20000) * 2 * Math.PI;
            least = Math.min(least, Math.hypot(x - 50 * Math.cos(t), y - 30 * Math.sin(t)));
          }
          expect(Math.abs(distanceToEllipse(axes, { x, y }))).to.be.closeTo(least, 0.01);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('a closed convex curve pushed out by d is longer by 2πd (Steiner’s formula)', () => {
    const hexagon = Array.from({ length: 6 }, (_, i) => ({
      x: 100 * Math.cos((i * Math.PI) / 3),
      y: 100 * Math.sin((i * Math.PI) / 3),
    }));
    expect(parallelGirth(outlineLength(hexagon), 7)).to.be.closeTo(600 + 14 * Math.PI, 1e-9);
  });
});

describe('held against the outside: solids', () => {
  it('area and volume of a ball are 4πr² and 4πr³/3', () => {
    const mesh = ball(100, 80);
    expect(meshArea(mesh)).to.be.closeTo(4 * Math.PI * 1e4, 4 * Math.PI * 1e4 * 0.002);
    expect(Math.abs(meshVolume(mesh))).to.be.closeTo(
      (4 / 3) * Math.PI * 1e6,
      (4 / 3) * Math.PI * 1e6 * 0.003,
    );
  });

  it('a slice of a ball at height h has girth 2π√(r² − h²)', () => {
    for (const h of [0.5, 30, 60, 90])
      expect(tapeGirthMm(sliceAt(ball(100, 90), h))).to.be.closeTo(2 * Math.PI * Math.sqrt(1e4 - h * h), 1);
  });

  it('bounds agree with three’s Box3', () => {
    const points = [3, -8, 12, 40, -2].map((x, i) => ({ x, y: i * 7 - 9 }));
    const box = new Box3().setFromPoints(points.map((p) => new Vector3(p.x, p.y, 0)));
    const b = boundsOf(points);
    expect([b.minX, b.minY, b.maxX, b.maxY]).to.deep.equal([box.min.x, box.min.y, box.max.x, box.max.y]);
  });

  it('a cylinder unrolls to a rectangle, as three’s matrices place its points', () => {
    const turn = (deg: number, z: number): Vector3 =>
      new Vector3(50, 0, z).applyMatrix4(new Matrix4().makeRotationZ((deg * Math.PI) / 180));
    const run = (z: number) =>
      Array.from({ length: 91 }, (_, i) => {
        const p = turn(i * 2, z);
        return { x: p.x, y: p.y, z: p.z };
      });
    const { low, high } = unrollStrip({ low: run(0), high: run(80) });
    const flat = [...low, ...high.slice().reverse()];
    expect(Math.abs(signedArea(flat))).to.be.closeTo(Math.PI * 50 * 80, 5);
    for (let i = 0; i < low.length; i++)
      expect(Math.hypot(low[i]!.x - high[i]!.x, low[i]!.y - high[i]!.y)).to.be.closeTo(80, 1e-6);
  });

  it('a ray through a box enters and leaves as three says, by its slices', () => {
    const box = new Solid(new BoxGeometry(100, 60, 40));
    const geometry = box.geometry as BufferGeometry;
    const at = geometry.attributes.position!;
    const index = geometry.index!;
    const mesh: Mesh = {
      points: Array.from({ length: at.count }, (_, i) => ({ x: at.getX(i), y: at.getY(i), z: at.getZ(i) })),
      triangles: Array.from({ length: index.count / 3 }, (_, t) => [
        index.getX(3 * t),
        index.getX(3 * t + 1),
        index.getX(3 * t + 2),
      ]),
    };
    const ray = new Ray(new Vector3(-200, 0.01, 5), new Vector3(1, 0, 0));
    const hit = ray.intersectBox(new Box3().setFromObject(box), new Vector3())!;
    expect(Math.min(...sliceAt(mesh, 5).map((p) => p.x))).to.be.closeTo(hit.x, 1e-9);
    expect(Math.abs(meshVolume(mesh))).to.be.closeTo(100 * 60 * 40, 1e-6);
  });
});

describe('held against the outside: foam and mechanics', () => {
  it('a ring of foam keeps the length of its neutral axis (bend allowance of sheet-metal handbooks)', () => {
    // A = θ(R + kT): outside length less allowance over allowance is the strain of the outer face.
    for (const [t, r, k] of [
      [6, 50, 0.45],
      [10, 80, 0.5],
      [2, 12, 0.33],
    ] as const) {
      const allowance = 2 * Math.PI * (r + k * t);
      const outside = 2 * Math.PI * (r + t);
      expect(bendStrain({ thicknessMm: t, insideRadiusMm: r, neutralFraction: k })).to.be.closeTo(
        (outside - allowance) / allowance,
        1e-12,
      );
    }
  });

  it('a half turn takes nine grooves of twenty degrees', () => {
    expect(groovesForBend(Math.PI, 90).count * 20).to.be.at.least(180);
  });

  it('a cantilever sags by wL⁴/8EI (beam tables), worked here in newtons and metres', () => {
    const foam = { densityKgM3: 100, modulusMPa: 2, thicknessMm: 6 };
    const [b, h, long] = [1, 0.006, 0.1];
    const load = 100 * 9.80665 * b * h;
    const second = (b * h ** 3) / 12;
    const sag = (load * long ** 4) / (8 * 2e6 * second);
    expect(ownWeightSagMm(foam, 100, 0)).to.be.closeTo(sag * 1000, sag * 1000 * 0.01);
  });
});

describe('held against the outside: electricity', () => {
  it('E24 is the series of IEC 60063, and a decade up is the same series', () => {
    expect(e24.map((v) => nextE24(v * 10 - 0.5))).to.deep.equal(e24.map((v) => v * 10));
  });

  it('cells are of IEC 60086 and their packs in series add up', () => {
    for (const p of packs.filter((x) => x.cell.id === 'aa' || x.cell.id === 'aaa'))
      expect(p.cell.nominalV * p.series).to.be.closeTo(1.5 * p.series, 1e-12);
  });
});

describe('held against the outside: units and files', () => {
  it('an inch is 25.4 mm, a foot 304.8 mm, exactly (international yard and pound, 1959)', () => {
    const mm = (text: string): number => {
      const read = parseLengthMm(text, 'mm');
      return read.ok ? read.value : NaN;
    };
    expect(mm('1"')).to.equal(25.4);
    expect(mm("1'")).to.be.closeTo(304.8, 1e-9);
    expect(mm('5/8"')).to.be.closeTo(15.875, 1e-9);
    expect(mm('2,54 cm')).to.be.closeTo(25.4, 1e-9);
    expect(printLength(25.4, 'in')).to.match(/^1\b/);
  });

  it('A sizes keep the ratio of √2 to the millimetre (ISO 216)', () => {
    for (const size of ['A4', 'A3'] as const)
      expect(paper[size].heightMm / paper[size].widthMm).to.be.closeTo(Math.SQRT2, 0.005);
  });

  const doc = demo('lampwarden-harness');
  const report = reportOf(doc);

  it('lines of a calendar are at most 75 octets and end in CRLF (RFC 5545, 3.1)', () => {
    const ics = scheduleIcs(report, 'Żółw\r\nLampwarden\u0007', new Date(0));
    const lines = ics.split('\r\n');
    for (const l of lines) {
      expect(Buffer.byteLength(l), l).to.be.at.most(75);
      expect(l).to.not.match(/\p{Cc}/u);
    }
  });

  it('every row of a list has as many cells as its head, whatever is in them (RFC 4180)', () => {
    const odd = {
      ...report,
      parts: report.parts.map((p) => ({ ...p, name: 'two\nlines, "quoted"' })),
    };
    const text = cutListCsv(odd);
    expect(text).to.include('"two\nlines, ""quoted"""');
    expect(text.endsWith('\r\n')).to.equal(true);
  });

  it('SVG holds no control character XML 1.0 forbids', () => {
    const svg = drawingSvg(
      [{ kind: 'text', layer: 'text', at: { x: 0, y: 0 }, heightMm: 4, text: 'a\u0000b\u0007c\u001f<&>' }],
      100,
      100,
      'n\u0001me',
    );
    expect(svg).to.not.match(/(?![\t\n\r])\p{Cc}/u);
    expect(svg).to.include('&lt;&amp;&gt;');
  });

  it('no two pieces on a sheet share any area (polygon-clipping)', () => {
    for (const sheet of report.packed.sheets) {
      const laid = sheet.laid.map((l): Polygon => {
        const piece = report.parts.find((p) => p.id === l.partId)!.pieces.find((p) => p.id === l.pieceId)!;
        return [ring(laidOutline(piece.outline, l))];
      });
      laid.forEach((a, i) =>
        laid.slice(i + 1).forEach((b) => {
          expect(polygonClipping.intersection(a, b)).to.deep.equal([]);
        }),
      );
    }
  });

  it('days to spare are those of the calendar', () => {
    const start = Date.UTC(...(report.schedule.firstDay.split('-').map(Number) as [number, number, number]));
    const event = Date.UTC(...(doc.brief.eventDate.split('-').map(Number) as [number, number, number]));
    // Months are counted from nought here, which shifts both alike except across month ends of unequal length.
    const days = (event - start) / 86_400_000;
    expect(report.totals.daysToSpare).to.be.within(days - report.schedule.finishMin / 1440 - 3, days + 3);
  });

  it('volume and middle of a solid agree with @jscad/modeling', () => {
    const loaf = stickMesh({
      id: 'c',
      name: 'c',
      rodId: 'r',
      from: { x: 3, y: -20, z: 5 },
      to: { x: 90, y: 40, z: 200 },
      wide: unit3(cross3({ x: 87, y: 60, z: 195 }, { x: 0, y: 0, z: 1 })),
      section: { shape: 'triangle', widthMm: 30 },
      cutMm: [1],
    });
    const shell = reportOf(demo('lampwarden-harness')).parts.find((p) => p.form === 'pauldron')!.solid.mesh;
    for (const mesh of [loaf, shell]) {
      const solid = geom3.create(
        mesh.triangles.map((t) =>
          poly3.create(t.map((v) => [mesh.points[v]!.x, mesh.points[v]!.y, mesh.points[v]!.z])),
        ),
      );
      expect(meshVolume(mesh)).to.be.closeTo(measurements.measureVolume(solid), 1e-4 * meshVolume(mesh));
      const [x, y, z] = measurements.measureCenterOfMass(solid);
      const { at } = meshWeight(mesh, 100);
      for (const [own, theirs] of [
        [at.x, x],
        [at.y, y],
        [at.z, z],
      ])
        expect(own).to.be.closeTo(theirs!, 0.01);
    }
  });

  it('sections of sticks have the areas of their outlines by d3-polygon', () => {
    for (const section of [
      { shape: 'half-round', widthMm: 30 },
      { shape: 'triangle', widthMm: 20 },
      { shape: 'bar', widthMm: 20, thickMm: 3 },
      { shape: 'round', outsideMm: 25 },
    ] as const) {
      const outline = sectionOutline(section, 720).map((p): [number, number] => [p.x, p.y]);
      expect(sectionAreaMm2(section)).to.be.closeTo(Math.abs(polygonArea(outline)), 0.02);
    }
  });
});
