import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Mesh, Vec2 } from '@fomrik/core/geometry';
import { stretchOf } from '@fomrik/core/flatten';
import { flattenLocalGlobal } from '../core/src/flatten/localGlobal';
import { surfaces } from '../core/src/flatten/testing/surfaces';

/** How ours stands to CGAL's as-rigid-as-possible parameterisation on one surface. */
interface Against {
  name: string;
  oursMs: number;
  theirsMs: number;
  /** Worst stretch, as a share. */
  ours: number;
  theirs: number;
}

const source = new URL('../bench/rigid.cpp', import.meta.url).pathname;

const asOff = ({ points, triangles }: Mesh): string =>
  [
    'OFF',
    `${points.length} ${triangles.length} 0`,
    ...points.map((p) => `${p.x} ${p.y} ${p.z}`),
    ...triangles.map((t) => `3 ${t.join(' ')}`),
    '',
  ].join('\n');

/** The same surfaces laid flat by both; nothing where CGAL and a compiler are not installed. */
export function againstCgal(): Against[] | undefined {
  if (!existsSync('/usr/include/CGAL') || !existsSync('/usr/include/eigen3')) return undefined;
  const folder = mkdtempSync(join(tmpdir(), 'fomrik-cgal-'));
  const program = join(folder, 'rigid');
  try {
    const built = spawnSync('g++', [
      ...['-O2', '-std=c++17', '-I/usr/include/eigen3', '-DCGAL_EIGEN3_ENABLED'],
      ...[source, '-o', program, '-lgmp', '-lmpfr'],
    ]);
    if (built.status !== 0) return undefined;
    return Object.entries(surfaces()).map(([name, mesh]) => {
      const file = join(folder, 'surface.off');
      writeFileSync(file, asOff(mesh));
      const told = spawnSync(program, [file], { encoding: 'utf8' }).stdout.trim().split('\n');
      const flat = told.slice(1).map((line): Vec2 => {
        const [x, y] = line.split(' ').map(Number);
        return { x: x!, y: y! };
      });
      // The first time warms up.
      flattenLocalGlobal(mesh);
      const begun = performance.now();
      const own = flattenLocalGlobal(mesh);
      return {
        name,
        oursMs: performance.now() - begun,
        theirsMs: Number(told[0]),
        ours: stretchOf(mesh, own).worst,
        theirs: stretchOf(mesh, flat).worst,
      };
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
