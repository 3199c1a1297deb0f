import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A fault put into the code on purpose, and the tests that must notice it. */
interface Fault {
  what: string;
  file: string;
  find: string;
  put: string;
  tests: string[];
}

const inCore = (file: string): string => `core/src/${file}`;
const fault = (what: string, file: string, find: string, put: string, ...tests: string[]): Fault => ({
  what,
  file: inCore(file),
  find,
  put,
  tests: tests.map(inCore),
});

/** Faults of arithmetic: signs, sides, factors, least for most, what is counted once or twice. */
const faults: readonly Fault[] = [
  fault(
    'inner cuts run outside their line',
    'files/cutter/operations.ts',
    'beside(at(ring), kerfMm, false)',
    'beside(at(ring), kerfMm, true)',
    'files/cutter/cutter.test.ts',
  ),
  fault(
    'outlines run inside their line',
    'files/cutter/operations.ts',
    'beside(at(piece.outline), kerfMm, true)',
    'beside(at(piece.outline), kerfMm, false)',
    'files/cutter/cutter.test.ts',
  ),
  fault(
    'paint of a pair is that of one',
    'plan/cost.ts',
    'const times = 1e-6 * part.copies * coverage;',
    'const times = 1e-6 * coverage;',
    'plan/cost.test.ts',
  ),
  fault(
    'glue of a pair is that of one',
    'plan/cost.ts',
    'gluedMm(p.pieces) * p.copies, 0)',
    'gluedMm(p.pieces), 0)',
    'plan/cost.test.ts',
  ),
  fault(
    'foam of a pair is that of one',
    'report/totals.ts',
    'p.areaMm2 * p.copies, 0)',
    'p.areaMm2, 0)',
    'plan/cost.test.ts',
  ),
  fault(
    'mass of a pair is that of one',
    'report/totals.ts',
    'p.totalG * p.copies, 0)',
    'p.totalG, 0)',
    'plan/cost.test.ts',
  ),
  fault(
    'sag is read at the end of the stick',
    'carry/beam.ts',
    'sagAt(Math.max(endMm, lengthMm))',
    'sagAt(lengthMm)',
    'carry/carry.test.ts',
  ),
  fault(
    'a beam hangs by half its curvature',
    'carry/beam.ts',
    '((a + 2 * m) * step * step) / 6 / stiffness',
    '((a + m) * step * step) / 6 / stiffness',
    'carry/carry.test.ts',
  ),
  fault(
    'the nearer face decides how far a shell springs',
    'foam/spring.ts',
    'Math.max(neutralFraction, 1 - neutralFraction)',
    'Math.min(neutralFraction, 1 - neutralFraction)',
    'foam/foam.test.ts',
  ),
  fault(
    'a groove opens by the whole fold',
    'foam/groove.ts',
    '2 * depthMm * Math.tan(foldRad / 2)',
    '2 * depthMm * Math.tan(foldRad)',
    'foam/foam.test.ts',
  ),
  fault(
    'upper and lower edges change names',
    'panel/plate.ts',
    "up: 'upper edge',\n  down: 'lower edge',",
    "up: 'lower edge',\n  down: 'upper edge',",
    'panel/plate.test.ts',
  ),
  fault(
    'a lone piece has no border on its pages',
    'pattern/pages.ts',
    '(size + 2 * BORDER_MM - shown)',
    '(size - shown)',
    'pattern/pages.test.ts',
  ),
  fault(
    'ease is not shared round the girth',
    'forms/limbShell/shell.ts',
    'params.easeMm / (2 * Math.PI);\n\n/** Gap',
    'params.easeMm;\n\n/** Gap',
    'forms/limbShell/bracer.test.ts',
    'parts/forms.test.ts',
  ),
  fault(
    'an overlap of solids is taken as a touch',
    'space/convex.ts',
    'if (ahead <= 0 || back <= 0) return false;',
    'if (ahead <= 2 || back <= 2) return false;',
    'space/convex.test.ts',
  ),
  fault(
    'a thing on its way out may cut into walls',
    'space/cutsInto.ts',
    'return high <= least + off || low >= most + off;',
    'return high <= least + off + 3 || low >= most + off - 3;',
    'space/wayOut.test.ts',
  ),
  fault(
    'the lead on the head is reckoned from the middle of the head',
    'carry/onHead.ts',
    'massG: (massG * offMm) / armMm',
    'massG: (massG * armMm) / offMm',
    'carry/onHead.test.ts',
  ),
  fault(
    'a dry seam is glued',
    'parts/glued.ts',
    "e.joint === 'seam' && !e.dry",
    "e.joint === 'seam'",
    'parts/wayOut.test.ts',
  ),
  fault(
    'light falls off with the distance and not its square',
    'light/face.ts',
    'const power = (lamp.lobe + 3) / 2;',
    'const power = (lamp.lobe + 2) / 2;',
    'light/face.test.ts',
  ),
  fault(
    'two diffusers spread as their sum',
    'light/face.ts',
    'Math.sqrt(layers.reduce((sum, l) => sum + l.spreadMm ** 2, 0))',
    'layers.reduce((sum, l) => sum + l.spreadMm, 0)',
    'light/face.test.ts',
    'features/lightBox/lightBox.test.ts',
  ),
  fault(
    'thicker foam passes as much light',
    'materials/diffusers.ts',
    'own.transmission ** times',
    'own.transmission',
    'features/lamps/through.test.ts',
  ),
];

const root = new URL('..', import.meta.url).pathname;

/** Puts every fault into a copy of the code, one at a time, and runs the tests that must fail. Returns what they noticed. */
export function plantedFaults(): { killed: string[]; survived: string[] } {
  const copy = mkdtempSync(join(tmpdir(), 'fomrik-faults-'));
  const found = { killed: [] as string[], survived: [] as string[] };
  try {
    for (const name of ['core', 'demo', 'e2e', 'docs', 'package.json', 'tsconfig.json', 'tsconfig.base.json'])
      cpSync(join(root, name), join(copy, name), {
        recursive: true,
        filter: (from) => !/node_modules|dist/.test(from.slice(root.length)),
      });
    symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
    symlinkSync(join(root, 'core/node_modules'), join(copy, 'core/node_modules'));
    for (const { what, file, find, put, tests } of faults) {
      const path = join(copy, file);
      const whole = readFileSync(path, 'utf8');
      if (whole.split(find).length !== 2) throw new Error(`“${what}”: ${file} has changed`);
      writeFileSync(
        path,
        whole.replace(find, () => put),
      );
      const { status } = spawnSync(
        process.execPath,
        ['node_modules/mocha/bin/mocha.js', '--no-config', '--require', './e2e/setUp.ts', '--bail', ...tests],
        {
          cwd: copy,
          env: { ...process.env, NODE_OPTIONS: '--import tsx/esm' },
          stdio: 'ignore',
          timeout: 240_000,
        },
      );
      found[status === 0 ? 'survived' : 'killed'].push(what);
      writeFileSync(path, whole);
    }
    return found;
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}

const { killed, survived } = plantedFaults();
console.log(`${killed.length} of ${faults.length} planted faults are noticed`);
for (const what of survived) console.log(`  not noticed: ${what}`);
if (killed.length < 0.9 * faults.length) process.exitCode = 1;
