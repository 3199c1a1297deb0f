import { expect } from 'chai';
import type { KeptMesh } from '../document';
import { newBuild } from '../parts';
import { keepMesh } from '../skin';
import { egg } from '../skin/testing/surfaces';
import { checkDoc } from './schema';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const good = keepMesh('mesh-1', 'egg', egg(80, 95, 115, 4));

/** What is said of a build with a surface changed so; nothing when it is taken. */
function said(change: Partial<Record<keyof KeptMesh, unknown>>): string | undefined {
  const checked = checkDoc({ ...newBuild('One', '2026-03-01', wearer), meshes: [{ ...good, ...change }] });
  return checked.ok ? undefined : `${checked.field}: ${checked.message}`;
}

describe('surfaces in a build file', () => {
  it('are taken as they are kept', () => {
    expect(said({})).to.equal(undefined);
  });

  it('are refused with the field and the range when something is wrong', () => {
    const points = (at: number, value: unknown): unknown[] =>
      good.points.map((v, i) => (i === at ? value : v));
    const wrong: [Partial<Record<keyof KeptMesh, unknown>>, RegExp][] = [
      [{ points: points(4, 10_001) }, /^meshes.*points.*between −10000 and 10000/],
      [{ points: points(4, Number.NaN) }, /^meshes.*points.*between −10000 and 10000/],
      [{ points: points(4, '7') }, /^meshes.*points.*between −10000 and 10000/],
      [{ points: good.points.slice(1) }, /^meshes.*points.*3 to 24000 numbers, in threes/],
      [{ points: [] }, /^meshes.*points.*3 to 24000 numbers, in threes/],
      [{ points: new Array(24_003).fill(1) }, /^meshes.*points.*3 to 24000 numbers, in threes/],
      [{ triangles: [0, 1, 2.5] }, /^meshes.*triangles.*whole numbers from 0 to 7999/],
      [{ triangles: [0, 1, -1] }, /^meshes.*triangles.*whole numbers from 0 to 7999/],
      [{ triangles: [0, 1] }, /^meshes.*triangles.*3 to 36000 numbers, in threes/],
      [{ triangles: [0, 1, good.points.length / 3] }, /^meshes.*names a point that is not there/],
      [{ id: '' }, /^meshes.*id/],
      [{ name: 'x'.repeat(121) }, /^meshes.*name.*120/],
    ];
    for (const [change, words] of wrong) expect(said(change), JSON.stringify(words.source)).to.match(words);
  });
});
