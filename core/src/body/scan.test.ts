import { expect } from 'chai';
import fc from 'fast-check';
import { readMesh } from '../files/mesh/readMesh';
import { measuresCsv, readMeasuresCsv } from '../files/measuresCsv';
import { type Mesh, sliceAt, tapeGirthMm } from '../geometry';
import { resolveBody } from './estimate';
import type { MeasureKey } from './measures';
import type { Measure } from './wearer';
import { likelyUnits, measureScan, standUp } from './scan';
import { bodiesOfSlice, evened, steady } from './scanSlices';
import { headAxes } from './sections';
import { simulateScan } from './simulatedScanner';

const taken = (values: Partial<Record<MeasureKey, number>>): Measure[] =>
  (Object.entries(values) as [MeasureKey, number][]).map(([key, valueMm]) => ({
    key,
    valueMm,
    source: 'tape',
    takenOn: '2026-03-01',
  }));

const ascii = (mesh: Mesh): { obj: string; stl: string; ply: string } => ({
  obj: [
    ...mesh.points.map((p) => `v ${p.x} ${p.y} ${p.z}`),
    ...mesh.triangles.map((t) => `f ${t.map((v) => `${v + 1}//1`).join(' ')}`),
  ].join('\n'),
  stl: `solid s\n${mesh.triangles.map((t) => `facet normal 0 0 1\nouter loop\n${t.map((v) => `vertex ${mesh.points[v]!.x} ${mesh.points[v]!.y} ${mesh.points[v]!.z}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid s`,
  ply: `ply\nformat ascii 1.0\nelement vertex ${mesh.points.length}\nproperty float x\nproperty float y\nproperty float z\nelement face ${mesh.triangles.length}\nproperty list uchar int vertex_indices\nend_header\n${mesh.points.map((p) => `${p.x} ${p.y} ${p.z}`).join('\n')}\n${mesh.triangles.map((t) => `3 ${t.join(' ')}`).join('\n')}\n`,
});

/** The same mesh as binary PLY, with a colour on every corner as scanners write it. */
function binaryPly(mesh: Mesh, little: boolean): Uint8Array {
  const header = `ply\nformat binary_${little ? 'little' : 'big'}_endian 1.0\nelement vertex ${mesh.points.length}\nproperty float x\nproperty float y\nproperty float z\nproperty uchar red\nelement face ${mesh.triangles.length}\nproperty list uchar int vertex_indices\nend_header\n`;
  const head = new TextEncoder().encode(header);
  const bytes = new Uint8Array(head.length + mesh.points.length * 13 + mesh.triangles.length * 13);
  bytes.set(head);
  const view = new DataView(bytes.buffer);
  let at = head.length;
  for (const p of mesh.points) {
    [p.x, p.y, p.z].forEach((v, k) => view.setFloat32(at + 4 * k, v, little));
    view.setUint8(at + 12, 200);
    at += 13;
  }
  for (const t of mesh.triangles) {
    view.setUint8(at, 3);
    t.forEach((v, k) => view.setInt32(at + 1 + 4 * k, v, little));
    at += 13;
  }
  return bytes;
}

describe('a scan', () => {
  it('gives the girths of a hidden wearer within 1 %, noise and holes and all', function () {
    this.timeout(60_000);
    fc.assert(
      fc.property(
        fc.integer({ min: 1500, max: 1950 }),
        fc.double({ min: 0.54, max: 0.64, noNaN: true }),
        fc.double({ min: 0.8, max: 0.86, noNaN: true }),
        fc.integer({ min: 1, max: 1000 }),
        (stature, chest, waist, seed) => {
          const hidden = resolveBody(
            taken({
              stature,
              chestGirth: chest * stature,
              waistGirth: waist * chest * stature,
              hipGirth: chest * stature * 1.04,
            }),
          );
          const read = measureScan(simulateScan(hidden, { seed }));
          if (!read.ok) throw new Error(read.message);
          for (const key of ['waistGirth', 'chestGirth', 'hipGirth', 'calfGirth', 'headGirth'] as const) {
            expect(read.value[key], key).to.be.closeTo(hidden[key].valueMm, hidden[key].valueMm * 0.01);
          }
          expect(read.value.stature).to.be.closeTo(stature, stature * 0.01);
        },
      ),
      { numRuns: 6, endOnFailure: true },
    );
  });

  it('is stood up from any axis and unit', () => {
    const body = resolveBody([]);
    for (const [unit, perUnitMm] of [
      ['mm', 1],
      ['cm', 10],
      ['m', 1000],
      ['in', 25.4],
    ] as const) {
      const scan = simulateScan(body, { perUnitMm, noiseMm: 0, holes: 0 });
      const lying: Mesh = {
        points: scan.points.map((p) => ({ x: p.x, y: p.z, z: -p.y })),
        triangles: scan.triangles,
      };
      expect(likelyUnits(lying)).to.include(unit);
      const stood = measureScan(standUp(lying, unit));
      expect(stood.ok && stood.value.waistGirth).to.be.closeTo(
        body.waistGirth.valueMm,
        body.waistGirth.valueMm * 0.02,
      );
    }
    expect(measureScan(standUp(simulateScan(body), 'cm')).ok).to.equal(false);
  });

  it('of a head alone gives its girth within 1 %, its length and breadth within 2 %', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 610 }),
        fc.integer({ min: 1, max: 1000 }),
        (headGirth, seed) => {
          const hidden = resolveBody(taken({ stature: 1700, headGirth }));
          const scan = simulateScan(hidden, { seed, only: 'head', perUnitMm: 10 });
          expect(likelyUnits(scan)).to.deep.equal(['cm']);
          const read = measureScan(standUp(scan, 'cm'));
          if (!read.ok) throw new Error(read.message);
          expect(read.value.headGirth).to.be.closeTo(headGirth, headGirth * 0.01);
          const { side, front } = headAxes(hidden);
          expect(read.value.headLength).to.be.closeTo(2 * front, front * 0.04);
          expect(read.value.headBreadth).to.be.closeTo(2 * side, side * 0.04);
        },
      ),
      { numRuns: 8 },
    );
  });

  it('of a head alone, turned any way, shows where eyes, nose and ears are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1150, max: 1950 }),
        fc.integer({ min: 1, max: 1000 }),
        fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
        (stature, seed, turn) => {
          const guess = resolveBody(taken({ stature }));
          const hidden = resolveBody(
            taken({
              stature,
              noseOut: guess.noseOut.valueMm * 1.15,
              earLength: guess.earLength.valueMm * 0.9,
            }),
          );
          const scan = simulateScan(hidden, { seed, only: 'head' });
          const [c, s] = [Math.cos(turn), Math.sin(turn)];
          const points = scan.points.map((p) => ({
            x: p.x * c - p.y * s + 40,
            y: p.x * s + p.y * c - 25,
            z: p.z,
          }));
          const read = measureScan(standUp({ ...scan, points }, 'mm'));
          if (!read.ok) throw new Error(read.message);
          for (const [key, withinMm] of [
            ['eyeDepth', 6],
            ['noseOut', 8],
            ['earDepth', 6],
            ['earLength', 9],
          ] as const)
            expect(read.value[key], key).to.be.closeTo(hidden[key].valueMm, withinMm);
        },
      ),
      { numRuns: 12, seed: 11 },
    );
  });

  it('of a head is refused when there is nothing on it', () => {
    const upsideDown = simulateScan(resolveBody([]), { only: 'head', holes: 1 });
    const nothing = measureScan(upsideDown);
    expect(nothing.ok).to.equal(false);
  });

  it('tells two legs apart', () => {
    const scan = simulateScan(resolveBody([]), { noiseMm: 0, holes: 0 });
    expect(bodiesOfSlice(sliceAt(scan, 350))).to.have.length(2);
  });

  it('is read from OBJ, STL and PLY alike, and refused with a reason when broken', () => {
    const scan = simulateScan(resolveBody([]), { noiseMm: 0, holes: 0 });
    const files = ascii(scan);
    for (const kind of ['obj', 'stl', 'ply'] as const) {
      const read = readMesh(`a.${kind}`, new TextEncoder().encode(files[kind]));
      if (!read.ok) throw new Error(`${kind}: ${read.message}`);
      expect(read.value.triangles.length).to.equal(scan.triangles.length);
      expect(tapeGirthMm(sliceAt(read.value, 900))).to.be.closeTo(tapeGirthMm(sliceAt(scan, 900)), 0.01);
    }
    for (const little of [true, false]) {
      const read = readMesh('a.ply', binaryPly(scan, little));
      if (!read.ok) throw new Error(read.message);
      expect(read.value.triangles).to.deep.equal(scan.triangles);
      expect(read.value.points[7]!.z).to.be.closeTo(scan.points[7]!.z, 0.001);
      const short = readMesh('a.ply', binaryPly(scan, little).subarray(0, 4000));
      expect(!short.ok && short.message).to.include('ends before');
    }
    const bad = (name: string, text: string): string => {
      const read = readMesh(name, new TextEncoder().encode(text));
      return read.ok ? 'ok' : read.message;
    };
    expect(bad('a.obj', 'v 0 0 0\nf 1 2 3')).to.include('not there');
    expect(bad('a.obj', 'nothing')).to.include('no triangles');
    expect(bad('a.ply', 'ply\nformat strange 1.0\nend_header\n')).to.include('header');
    for (const share of [0.05, 0.5, 0.9, 0.99])
      expect(bad('a.ply', files.ply.slice(0, files.ply.length * share))).to.include('ends before');
    const promises = new Uint8Array(84);
    new DataView(promises.buffer).setUint32(80, 0xffffffff, true);
    const huge = readMesh('a.stl', promises);
    expect(!huge.ok && huge.message).to.include('ends before the last of its 4294967295');
    expect(
      bad('a.ply', 'ply\nformat ascii 1.0\nelement vertex 4000000000\nproperty float x\nend_header\n1 2 3\n'),
    ).to.include('ends before');
    expect(bad('a.png', '')).to.include('neither');
  });
});

describe('measures as CSV', () => {
  it('round-trip', () => {
    const all: Measure[] = [
      ...taken({ stature: 1700, chestGirth: 985.5 }),
      { ...taken({ wristGirth: 170 })[0]!, side: 'left' },
    ];
    const read = readMeasuresCsv(measuresCsv(all), '2026-05-05');
    expect(read.ok && read.value).to.deep.equal(all.map((m) => ({ ...m, source: 'csv' })));
  });

  it('take names as shown, any unit, and today when there is no date', () => {
    const read = readMeasuresCsv('Waist girth,32 1/2"\nCalf girth,38cm\n', '2026-05-05');
    expect(read.ok && read.value.map((m) => [m.key, Math.round(m.valueMm), m.takenOn])).to.deep.equal([
      ['waistGirth', 826, '2026-05-05'],
      ['calfGirth', 380, '2026-05-05'],
    ]);
  });

  it('name the line that is wrong and read nothing', () => {
    const read = readMeasuresCsv('measure,value\nwaistGirth,800\nelbow thing,20\n', '2026-05-05');
    expect(!read.ok && read.message)
      .to.include('Line 3')
      .and.include('elbow thing');
    expect(readMeasuresCsv('', '2026-05-05').ok).to.equal(false);
  });
});

describe('slices of a scan', () => {
  const noisy = (radius: number, noiseMm: number): { x: number; y: number }[] =>
    Array.from({ length: 720 }, (_, i) => {
      const a = (i / 720) * 2 * Math.PI;
      // A repeatable wobble in place of chance.
      const r = radius + noiseMm * Math.sin(i * 12.9898) * Math.cos(i * 78.233);
      return { x: 40 + r * Math.cos(a), y: -10 + r * Math.sin(a) };
    });

  it('read a noisy round within half a percent where its bare hull is too wide', () => {
    const points = noisy(150, 4);
    const true_ = 2 * Math.PI * 150;
    expect(tapeGirthMm(points)).to.be.greaterThan(true_ * 1.015);
    expect(tapeGirthMm(evened(points))).to.be.closeTo(true_, true_ * 0.005);
  });

  it('do not follow one odd slice', () => {
    expect(steady([10, 11, 90, 12, 13])).to.deep.equal([11, 11, 12, 13, 13]);
    expect(steady([])).to.deep.equal([]);
    expect(steady([7])).to.deep.equal([7]);
  });
});
