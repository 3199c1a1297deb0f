import { createDeriver, derive } from '@fomrik/core/report';
import { applyChanges, firstParts, type BuildDoc } from '@fomrik/core/document';
import { flattenLocalGlobal } from '../core/src/flatten/localGlobal';
import { stretchOf } from '@fomrik/core/flatten';
import { referenceFlat } from '../core/src/flatten/testing/reference';
import { cap } from '../core/src/flatten/testing/surfaces';
import type { Mesh } from '@fomrik/core/geometry';
import { readBuildFile } from '@fomrik/core/files/buildFile';
import { readMesh } from '../core/src/files/mesh/readMesh';
import { breakDown } from '../core/src/carry/breakDown';
import { packSticks } from '../core/src/cut/sticks/plan';
import { newPart } from '@fomrik/core/parts';
import { chance } from '@fomrik/core/units';
import { exportOf, makeExport } from '@fomrik/core/files/exports';
import { fontFile } from '../core/src/files/testing/font';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serialize } from 'node:v8';
import { gzipSync } from 'node:zlib';
import { createSender } from '../web/src/workers/difference';
import { againstCgal } from './cgal';
import { glow, manyBoxes, nudged, placesIn, solveSixty } from './inside';
import {
  largestGroup,
  nestedAt,
  nestedFor,
  shareUsed,
  sheetsByLibrary,
  sheetsTaken,
  timesOver,
} from './nesting';
import { stripsBeside } from './strips';
import { diaryMs } from './diary';
import { book, foldings, picturesOf, sixtyPictures } from './pictures';
import { frameTimes } from './frames';
import { crowdOf, grown, power } from './growth';
import { closeHistory, report } from './history';
import { repaintMs } from './repaint';
import { reportScreens } from './screens';
import { shelfMs } from './shelf';

const root = new URL('..', import.meta.url).pathname;

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

/** Median milliseconds of a job after warming up; one that is timed once is long enough to warm up by itself. */
async function time(runs: number, job: (i: number) => unknown): Promise<number> {
  for (let i = 0; i < (runs > 5 ? 10 : Math.min(1, runs - 1)); i++) await job(-1 - i);
  const all: number[] = [];
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    await job(i);
    all.push(performance.now() - start);
  }
  return median(all);
}

function load(name: string): BuildDoc {
  const read = readBuildFile(readFileSync(join(root, 'demo', `${name}.fomrik.json`), 'utf8'));
  if (!read.ok) throw new Error(read.message);
  return read.value.build;
}

/** Script the browser needs before the first page is drawn, compressed. */
function firstPageKb(): number {
  const html = readFileSync(join(root, 'web/dist/index.html'), 'utf8');
  const scripts = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((m) => m[1]!);
  return (
    scripts.reduce((sum, file) => sum + gzipSync(readFileSync(join(root, 'web/dist', file))).length, 0) / 1000
  );
}

/** Resident memory of the served application after a few hundred requests. */
async function serverMemoryMb(): Promise<number> {
  const data = mkdtempSync(join(tmpdir(), 'fomrik-bench-'));
  const child = spawn(
    process.execPath,
    ['server/dist/main.js', '--data', data, '--port', '4680', '--seed', 'demo'],
    { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/[\d.:]+/.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
  });
  for (let i = 0; i < 300; i++) await (await fetch(`${url}/api/builds`)).text();
  const status = readFileSync(`/proc/${child.pid}/status`, 'utf8');
  child.kill();
  rmSync(data, { recursive: true, force: true });
  return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024;
}

/** A cap of about so many triangles, as a skin to be flattened. */
const capOf = (count: number): Mesh => {
  const rings = Math.round(Math.sqrt(count / 4));
  return cap(100, 0.9, rings, rings * 2);
};

/** Lengths in threes that fill a stick of 1000 (Falkenauer, 1996). */
function tripletsOf(count: number): number[] {
  const random = chance(1);
  return Array.from({ length: count }, () => {
    const first = 380 + Math.floor(random() * 111);
    const second = 250 + Math.floor(random() * (Math.floor((1000 - first) / 2) - 250));
    return [first, second, 1000 - first - second];
  }).flat();
}

const doc = load('lampwarden-bracers');
const harness = load('lampwarden-harness');
const greave = harness.parts.findIndex((p) => p.id === 'greave-1');
const edit = (i: number): BuildDoc =>
  applyChanges(doc, [{ path: ['parts', 0, 'params', 'easeMm'], value: 20 + (i % 50) / 10 }]);

const coldStart = performance.now();
const first = derive(doc);
report('derive, very first call', performance.now() - coldStart, 'ms');
report('derive, cold (nothing remembered)', await time(20, () => derive(doc)), 'ms');
const warm = createDeriver();
report('derive, warm (nothing changed)', await time(60, () => warm(doc)), 'ms', 50);
report('derive, one part edited', await time(30, (i) => warm(edit(i))), 'ms', 40);
report('harness, cold (nothing remembered)', await time(4, () => derive(harness)), 'ms');
const group = largestGroup(harness);
report(
  'nesting 29 pieces, first answer',
  await time(5, () => nestedFor(group, 5, { layouts: 2 })),
  'ms',
  300,
);
report(
  'harness, share of foam used, by boxes',
  100 * shareUsed(nestedFor(group, 5, { layouts: 1 }), group),
  '%',
);
report(
  'the same, sheets over what maxrects-packer takes for the boxes',
  100 * (sheetsTaken(nestedFor(group, 5, { layouts: 1 }), group) / sheetsByLibrary(group, 5) - 1),
  '%',
  0,
);
// A search takes one core: these strips lie on the other meanwhile.
const strips = stripsBeside();
const SECONDS = [10, 30];
const shares = nestedAt(
  group,
  5,
  SECONDS.map((s) => 1000 * s),
).map((found) => shareUsed(found, group));
shares.forEach((share, i) =>
  report(`harness, share of foam used, nested for ${SECONDS[i]} s`, 100 * share, '%'),
);
const tenfold = timesOver(group, 10);
const [atFirst, afterMinute] = nestedAt(tenfold, 5, [0, 60_000]);
report(
  `${tenfold.items.length} pieces, share of foam used, at first`,
  100 * shareUsed(atFirst!, tenfold),
  '%',
);
report('the same after a minute', 100 * shareUsed(afterMinute!, tenfold), '%');
const { squares, shapes, slanting } = await strips;
report('square of 21 squares over its perfect length, 30 s', 100 * squares, '%', 1);
report('SHAPES2 over its best known length, 30 s', 100 * shapes, '%', 3);
report('sheet cut into twenty slanting pieces over its length, 20 s', 100 * slanting, '%', 13.6);
const worn = createDeriver();
worn(harness);
const renamed = (of: BuildDoc, i: number): BuildDoc =>
  applyChanges(of, [{ path: ['name'], value: `Build ${i}` }]);
report('harness, only the name changed', await time(30, (i) => worn(renamed(harness, i))), 'ms', 2);
report('harness, warm (nothing changed)', await time(30, () => worn(harness)), 'ms', 50);
const ease = (i: number): BuildDoc =>
  applyChanges(harness, [{ path: ['parts', greave, 'params', 'easeMm'], value: 15 + (i % 40) / 10 }]);
report(
  'harness, coarse answer to an edit',
  await time(20, (i) => worn(ease(i + 0.5), { coarse: true, goOn: () => false })),
  'ms',
  10,
);
report('harness, one part edited in full (greaves)', await time(20, (i) => worn(ease(i))), 'ms', 50);
report('circuit of sixty LEDs, solved', await time(20, solveSixty), 'ms', 5);
report('lit face of 256 × 256', await time(5, glow), 'ms', 1000);
report(
  'best five places for a pack, searched',
  await time(3, (i) => placesIn(load('lampwarden-harness'), i)),
  'ms',
  2000,
);
const many = manyBoxes(200);
const boxed = createDeriver();
const boxing = performance.now();
boxed(many);
report('two hundred parts with a pack each, worked out in full', performance.now() - boxing, 'ms', 60_000);
report(
  'the same, a pack nudged: a first answer',
  await time(20, (i) => boxed(nudged(many, i), { coarse: true })),
  'ms',
  16,
);
const arms = load('lampwarden-arms');
/** A sword of four layers with a channel, bevels and a grip. */
const haft = newPart('haft', arms.wearer, 'haft');
const sword: BuildDoc = {
  ...arms,
  parts: [
    { ...haft, params: { ...haft.params, rod: 'dowel-16' } },
    newPart('grip', arms.wearer, 'grip', undefined, 'haft'),
    newPart('blade', arms.wearer, 'blade', undefined, 'haft'),
  ],
};
const forged = createDeriver();
forged(sword);
const wide = (i: number): BuildDoc =>
  applyChanges(sword, [{ path: ['parts', 2, 'params', 'widthMm'], value: 60 + (i % 40) / 4 }]);
report(
  'sword, coarse answer to an edit',
  await time(20, (i) => forged(wide(i + 0.5), { coarse: true, goOn: () => false })),
  'ms',
  16,
);
report('sword, one edit in full', await time(20, (i) => forged(wide(i))), 'ms', 50);
report('arms, cold (nothing remembered)', await time(2, () => derive(arms)), 'ms');
const cuts = Array.from({ length: 60 }, (_, i) => 180 + ((i * 7919) % 1400));
report('sixty cuts packed into sticks', await time(5, () => packSticks(cuts, 2000, 1.8)), 'ms', 1000);
const triplets = tripletsOf(20);
report(
  'sixty cuts in triplets, proved the fewest',
  await time(3, () => packSticks(triplets, 1000, 0)),
  'ms',
  1000,
);
report('sticks they take over the fewest', packSticks(triplets, 1000, 0).sticks.length - 20, 'sticks', 0);
console.log(
  `${'sixty cuts packed into sticks'.padEnd(44)} ${packSticks(cuts, 2000, 1.8).proved ? 'proved the fewest' : 'within one of the bound'}`,
);
report('where a pike comes apart', await time(20, () => breakDown(0, 2600, [[300, 700]], 640)), 'ms', 300);
const crowded = createDeriver();
const crowd = crowdOf(harness, 200);
const asked = performance.now();
const figures = crowded(firstParts(crowd, 8), { coarse: true, goOn: () => false });
report('200 parts, first figures', performance.now() - asked, 'ms', 600);
report(
  '200 parts, the first message to the page',
  serialize(createSender()(figures).sent).length / 1e6,
  'MB',
  5,
);
const growth = [10, 50, 200, 500].map((parts) => grown(harness, parts));
for (const g of growth) {
  report(`${g.parts} parts, all coarsely`, g.coarseMs, 'ms', g.parts === 200 ? 6000 : undefined);
  report(`${g.parts} parts, one edited`, g.editMs, 'ms', g.parts === 200 ? 30 : undefined);
  report(`${g.parts} parts, renamed`, g.renameMs, 'ms', 2);
}
growth.slice(1).forEach((g, i) => {
  const before = growth[i]!;
  const powers = (
    [
      ['coarse', (x) => x.coarseMs],
      ['edit', (x) => x.editMs],
    ] as const satisfies [string, (x: typeof g) => number][]
  ).map(([what, of]) => `${what} ${power(before, g, of).toFixed(2)}`);
  console.log(`grows from ${before.parts} to ${g.parts} parts with the power: ${powers.join(', ')}`);
});
for (const [count, target] of [
  [5_000, 300],
  [20_000, 1000],
  [100_000, 8000],
] as const) {
  const skin = capOf(count);
  report(
    `flatten ${skin.triangles.length} triangles`,
    await time(count > 50_000 ? 1 : 3, () => flattenLocalGlobal(skin)),
    'ms',
    target,
  );
}
const dome = capOf(5_000);
const [oursMs, theirsMs] = [
  await time(5, () => flattenLocalGlobal(dome)),
  await time(5, () => referenceFlat(dome)),
];
const reference = await referenceFlat(dome);
console.log(
  `${'same dome, ours to watlas (conformal map)'.padEnd(44)} time ratio ${(oursMs / theirsMs).toFixed(2)}, worst stretch ${
    reference
      ? `${(stretchOf(dome, flattenLocalGlobal(dome)).worst * 100).toFixed(1)} % to ${(stretchOf(dome, reference).worst * 100).toFixed(1)} %`
      : 'not compared: it cuts the dome'
  }`,
);
const rigid = againstCgal();
if (!rigid) console.log('not compared with CGAL: g++, libcgal-dev and libeigen3-dev are not installed');
for (const { name, oursMs, theirsMs, ours, theirs } of rigid ?? []) {
  report(`${name}, worst stretch over CGAL’s`, 100 * (ours - theirs), 'points', 0.02);
  report(`${name}, time to CGAL’s`, oursMs / theirsMs, 'times', 1);
}
/** A wavy tube of a million triangles. */
const side = 707;
const tube: Mesh = {
  points: Array.from({ length: side * side }, (_, k) => {
    const [i, j] = [Math.floor(k / side), k % side];
    const [turn, r] = [(j / (side - 1)) * 2 * Math.PI, 150 + 20 * Math.sin(i / 50)];
    return { x: r * Math.cos(turn), y: r * Math.sin(turn), z: (i / side) * 1700 };
  }),
  triangles: Array.from({ length: (side - 1) * (side - 1) * 2 }, (_, t): [number, number, number] => {
    const cell = Math.floor(t / 2);
    const a = Math.floor(cell / (side - 1)) * side + (cell % (side - 1));
    return t % 2 === 0 ? [a, a + 1, a + side] : [a + 1, a + side + 1, a + side];
  }),
};
const obj = new TextEncoder().encode(
  [
    ...tube.points.map((p) => `v ${p.x.toFixed(3)} ${p.y.toFixed(3)} ${p.z.toFixed(3)}`),
    ...tube.triangles.map((t) => `f ${t.map((v) => v + 1).join(' ')}`),
  ].join('\n'),
);
const scanStart = performance.now();
readMesh('tube.obj', obj);
report('scan of a million triangles, OBJ', performance.now() - scanStart, 'ms', 3000);
const source = { doc, report: first, stamp: new Date(0), font: fontFile, unit: 'mm' as const };
report('pattern PDF', await time(15, () => makeExport(exportOf('pattern.pdf'), source)), 'ms');
const pictured = picturesOf(harness);
report('pictures of 60 parts', await time(1, () => sixtyPictures(pictured)), 'ms', 5000);
report('harness, every part folded', await time(1, () => foldings(pictured)), 'ms');
report('harness, build book', await time(1, () => book(pictured)), 'ms', 20_000);
report('pattern DXF', await time(30, () => makeExport(exportOf('pattern.dxf'), source)), 'ms');
const repaint = await repaintMs(12);
report('browser, nudge to first redrawn piece', repaint.firstMs, 'ms', 100);
report('browser, nudge to last redrawn piece', repaint.fullMs, 'ms');
await reportScreens();
const frames = await frameTimes();
report('browser, a frame while the solid is turned, grey', frames.greyMs, 'ms');
report('the same in its finish', frames.finishedMs, 'ms', 1.5 * frames.greyMs);
report('the same in the dark', frames.darkMs, 'ms');
report('browser, shelf of 300 builds', await shelfMs(300, 5), 'ms', 300);
const diary = await diaryMs(5000);
report('browser, log of 5,000 entries opened', diary.shownMs, 'ms');
report('browser, the same, a letter typed for the next', diary.letterMs, 'ms', 100);
report('first page, script compressed', firstPageKb(), 'kB', 250);
report('server memory', await serverMemoryMb(), 'MB', 200);
closeHistory();
