import { headAxes, levels, neckSection } from '../../body/sections';
import { trimNumber } from '../../units/length';
import { ellipsePerimeter } from '../../geometry/ellipse';
import { meshArea } from '../../geometry/mesh';
import { add3, dot3, scale3, type Vec3 } from '../../geometry/vec';
import type { FormCheck, FormInput, FormParams } from '../contract';
import { drapedKind, type Design } from '../draped/drapedKind';
import { angle, choice, count, length, orSame, ownFoam } from '../draped/fields';
import { gridOf, onEllipsoid } from '../draped/grids';
import { gridMesh, type Join, type Panel } from '../draped/panel';
import { counterweightG, neckMomentNmm } from './balance';
import { sightLeast, sightThrough, sightWanted } from './sight';

interface HelmetParams extends FormParams {
  scheme: string;
  gores: number;
  stripMm: number;
  paddingMm: number;
  skirtMm: number;
  faceDeg: number;
  visor: string;
  slitMm: number;
  slitDropMm: number;
  ears: string;
  breath: string;
  crestMm: number;
  visorFoam: number;
}

/** Opening over each ear and each air hole; from memory. */
const EAR_MM = 30;
const AIR_MM = 8;

/** Elevation at which gores end; a button no larger than a coin covers the rest. */
const TIP_DEG = 87;
/** Eyes lie about 110 mm below the crown (from memory), as a share of an adult's head height. */
const EYE_SHARE = 110 / 225;

const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** The way from one unit vector to another over the sphere. */
function slerp(a: Vec3, b: Vec3, t: number): Vec3 {
  const angle = Math.acos(Math.min(1, Math.max(-1, dot3(a, b))));
  if (angle < 1e-6) return a;
  const [p, q] = [Math.sin((1 - t) * angle) / Math.sin(angle), Math.sin(t * angle) / Math.sin(angle)];
  return add3(scale3(a, p), scale3(b, q));
}

/** One side of the dome, between the edge of the crown strip and the brow line; its two ends are a few millimetres wide. */
function domeSide(side: 1 | -1, axes: Vec3, centre: Vec3, half: number, browDeg: number): Panel {
  const END_DEG = 4;
  const across = half / axes.x;
  const squeeze = Math.sqrt(1 - across * across);
  const ring = Math.cos(rad(browDeg));
  const startAz = Math.asin(Math.min(0.99, across / ring));
  const grid = gridOf(22, 10, (u, v) => {
    const along = side === 1 ? 1 - u : u;
    const el = rad(browDeg + (180 - 2 * browDeg) * along);
    const az = startAz + rad(END_DEG) + (Math.PI - 2 * (startAz + rad(END_DEG))) * along;
    const top = { x: across, y: squeeze * Math.cos(el), z: squeeze * Math.sin(el) };
    const brow = { x: ring * Math.sin(az), y: ring * Math.cos(az), z: Math.sin(rad(browDeg)) };
    const p = slerp(brow, top, v);
    return { x: side * axes.x * p.x, y: centre.y + axes.y * p.y, z: centre.z + axes.z * p.z };
  });
  const name = side === 1 ? 'right' : 'left';
  return {
    id: name,
    name: `${name} side`,
    grid,
    edges: { bottom: 'brow edge', right: 'end', top: 'strip seam', left: 'end' },
  };
}

function design({ params, body, underLayerMm, foam, sheetOf }: FormInput<HelmetParams>): Design {
  const head = headAxes(body);
  const at = levels(body);
  const out = underLayerMm + params.paddingMm;
  const centre: Vec3 = { x: 0, y: neckSection(body, at.chin).forwardMm + 12, z: head.centreMm };
  const axes = { x: head.side + out, y: head.front + out, z: head.up + out };
  const browDeg = 8;
  const browZ = centre.z + axes.z * Math.sin(rad(browDeg));
  const panels: Panel[] = [];
  const joins: Join[] = [];
  if (params.scheme === 'gores') {
    const step = 360 / params.gores;
    for (let i = 0; i < params.gores; i++) {
      const from = 90 - step / 2 + i * step;
      panels.push({
        id: `gore-${i + 1}`,
        name: `gore ${i + 1}`,
        grid: gridOf(6, 12, (u, v) =>
          onEllipsoid(axes, centre, from + u * step, browDeg + (TIP_DEG - browDeg) * v),
        ),
        edges: { bottom: 'brow edge', right: 'gore seam', top: 'crown', left: 'gore seam' },
      });
      joins.push({
        a: [`gore-${i + 1}`, 'right'],
        b: [`gore-${((i + 1) % params.gores) + 1}`, 'left'],
        kind: 'seam',
      });
    }
  } else {
    const half = params.stripMm / 2;
    const strip = (u: number, v: number): Vec3 => {
      const el = browDeg + (180 - 2 * browDeg) * v;
      const turn = rad(el);
      const x = half * (1 - 2 * u);
      const squeeze = Math.sqrt(Math.max(0, 1 - (x / axes.x) ** 2));
      return {
        x,
        y: centre.y + axes.y * squeeze * Math.cos(turn),
        z: centre.z + axes.z * squeeze * Math.sin(turn),
      };
    };
    panels.push({
      id: 'strip',
      name: 'crown strip',
      grid: gridOf(4, 22, strip),
      edges: { bottom: 'brow edge', right: 'strip seam', top: 'nape edge', left: 'strip seam' },
    });
    panels.push(domeSide(1, axes, centre, half, browDeg), {
      ...domeSide(-1, axes, centre, half, browDeg),
      mirrorOf: 'right',
    });
    joins.push(
      { a: ['right', 'top'], b: ['strip', 'left'], kind: 'seam' },
      { a: ['left', 'top'], b: ['strip', 'right'], kind: 'seam' },
    );
  }
  const face = params.faceDeg;
  const bottomZ = Math.max(at.chin - 20, browZ - params.skirtMm);
  const skirtPoint = (azimuth: number, v: number): Vec3 => {
    const z = browZ + (bottomZ - browZ) * (1 - v);
    const brow = Math.cos(rad(browDeg));
    return {
      x: centre.x + axes.x * brow * Math.cos(azimuth),
      y: centre.y + axes.y * brow * Math.sin(azimuth),
      z,
    };
  };
  /** Over each ear, a little below the middle of the head. */
  const earU = (90 - face) / (360 - 2 * face);
  const earV = Math.min(0.8, Math.max(0.2, (centre.z - 12 - bottomZ) / (browZ - bottomZ)));
  const ears = params.ears === 'open' && browZ - bottomZ > EAR_MM * 1.6 ? [earU, 1 - earU] : [];
  panels.push({
    id: 'skirt',
    name: 'skirt',
    grid: gridOf(30, 4, (u, v) => skirtPoint(rad(90 + face + u * (360 - 2 * face)), v)),
    holes: ears.map((u) => ({ at: [u, earV], diameterMm: EAR_MM, kind: 'ear' })),
    edges: { bottom: 'lower edge', right: 'cheek edge', top: 'brow edge', left: 'cheek edge' },
  });
  const eye = { x: 0, y: centre.y + head.front - 12, z: at.crown - EYE_SHARE * body.headHeight.valueMm };
  const visorOut = (params.visorFoam ? sheetOf(params.visorFoam) : foam).thicknessMm.value;
  const slitted = params.visor === 'slit';
  if (params.visor !== 'none') {
    const reach = face + 14;
    const visorBottom = slitted
      ? Math.max(bottomZ, eye.z - params.slitMm / 2 - params.slitDropMm - 60)
      : eye.z - 12;
    const height = browZ + 18 - visorBottom;
    const slitV = (eye.z - params.slitDropMm - visorBottom) / height;
    panels.push({
      id: 'visor',
      name: 'visor',
      grid: gridOf(24, 12, (u, v) => {
        const p = skirtPoint(rad(90 - reach + 2 * reach * u), 1);
        const push = (visorOut + 3) / Math.hypot(p.x - centre.x, p.y - centre.y);
        return {
          x: p.x + (p.x - centre.x) * push,
          y: p.y + (p.y - centre.y) * push,
          z: visorBottom + height * v,
        };
      }),
      holes:
        params.breath === 'holes' && slitted
          ? [0.36, 0.43, 0.5, 0.57, 0.64].map((u) => ({
              at: [u, slitV * 0.4],
              diameterMm: AIR_MM,
              kind: 'air',
            }))
          : [],
      edges: { bottom: 'lower edge', right: 'hinge', top: 'upper edge', left: 'hinge' },
      ...orSame(params.visorFoam),
      ...(slitted && {
        slots: [{ from: [0.12, slitV], to: [0.88, slitV], heightMm: params.slitMm }] as Panel['slots'],
      }),
    });
  }
  if (params.crestMm > 0) {
    const crest = (u: number, v: number): Vec3 => {
      const el = rad(30 + 120 * u);
      const r = 1 + ((params.crestMm * (0.25 + 0.75 * Math.sin(Math.PI * u))) / axes.z) * v;
      return { x: 0, y: centre.y + axes.y * r * Math.cos(el), z: centre.z + axes.z * r * Math.sin(el) };
    };
    panels.push({
      id: 'crest',
      name: 'crest',
      grid: gridOf(18, 4, crest),
      edges: { bottom: 'crown edge', right: 'back', top: 'ridge', left: 'front' },
    });
  }
  const faceX = axes.x * Math.sin(rad(face));
  const faceY = centre.y + axes.y * Math.cos(rad(face));
  const front = centre.y + axes.y + (params.visor === 'none' ? 0 : visorOut + 3);
  const slitReach = face + 14;
  const sight = slitted
    ? sightThrough(eye, {
        halfWidthMm: axes.x * Math.sin(rad(slitReach * 0.76)),
        sideY: centre.y + axes.y * Math.cos(rad(slitReach * 0.76)),
        topZ: eye.z - params.slitDropMm + params.slitMm / 2,
        bottomZ: eye.z - params.slitDropMm - params.slitMm / 2,
        frontY: front,
      })
    : sightThrough(eye, {
        halfWidthMm: faceX,
        sideY: faceY,
        topZ: browZ,
        bottomZ,
        frontY: front,
      });
  const checks: FormCheck[] = [];
  const poor = sight.sideDeg < sightWanted.sideDeg || sight.downDeg < sightWanted.downDeg;
  if (poor) {
    const stop = sight.sideDeg < sightLeast.sideDeg || sight.downDeg < sightLeast.downDeg;
    checks.push({
      id: 'sight',
      severity: stop ? 'stop' : 'mind',
      title: `sees ${trimNumber(sight.sideDeg, 0)}° to each side and ${trimNumber(sight.downDeg, 0)}° down; walking safely wants ${sightWanted.sideDeg}° and ${sightWanted.downDeg}°.`,
      why: 'Worked out from the eye points; real eyes differ. Have a guide on stairs and in crowds whatever the figure says.',
      sure: 'memory',
      cures: slitted
        ? [
            {
              label: `Slit ${Math.min(60, params.slitMm + 14)} mm, ${params.slitDropMm + 6} mm lower`,
              set: {
                slitMm: Math.min(60, params.slitMm + 14),
                slitDropMm: Math.min(30, params.slitDropMm + 6),
              },
            },
            { label: 'Open visor', set: { visor: 'open' } },
          ]
        : [
            {
              label: `Face opening ${Math.min(85, params.faceDeg + 12)}°`,
              set: { faceDeg: Math.min(85, params.faceDeg + 12) },
            },
          ],
    });
  }
  if (params.ears === 'covered') {
    checks.push({
      id: 'ears',
      severity: 'stop',
      title: 'both ears are covered with no opening.',
      why: 'A wearer who cannot hear cannot be warned.',
      sure: 'practice',
      cures: [{ label: 'Cut ear openings', set: { ears: 'open' } }],
    });
  }
  if (slitted && params.breath === 'none') {
    checks.push({
      id: 'breath',
      severity: 'mind',
      title: 'no air opening near the mouth behind a closed visor.',
      why: 'Heat and breath gather; take it off at the first dizziness.',
      sure: 'practice',
      cures: [{ label: 'Air holes', set: { breath: 'holes' } }],
    });
  }
  const neckOpening = ellipsePerimeter({
    a: axes.x * Math.cos(rad(browDeg)),
    b: axes.y * Math.cos(rad(browDeg)),
  });
  if (neckOpening < body.headGirth.valueMm) {
    checks.push({
      id: 'neck',
      severity: 'stop',
      title: `the lower opening is ${trimNumber(neckOpening, 0)} mm round; the head needs ${trimNumber(body.headGirth.valueMm, 0)} mm.`,
      why: 'The helmet goes on over the widest part of the head.',
      sure: 'standard',
      cures: [{ label: 'Padding +3 mm', set: { paddingMm: params.paddingMm + 3 } }],
    });
  }
  // Centre of mass of the shell ahead of the neck pivot, panels weighed by area and their own foam.
  const weights = panels.map((p) => {
    const sheet = p.nominalMm === undefined ? foam : sheetOf(p.nominalMm);
    const mesh = gridMesh(p.grid);
    const y = mesh.points.reduce((s, q) => s + q.y, 0) / mesh.points.length;
    return { g: meshArea(mesh) * sheet.thicknessMm.value * sheet.densityKgM3.value * 1e-6, y };
  });
  const massG = weights.reduce((s, w) => s + w.g, 0);
  const pivotY = neckSection(body, at.chin).forwardMm;
  const ahead = weights.reduce((s, w) => s + w.g * w.y, 0) / massG - pivotY;
  return {
    panels,
    joins,
    checks,
    roomMm: params.paddingMm,
    rings: [
      {
        name: 'the head through the lower opening',
        openingMm: neckOpening,
        needMm: body.headGirth.valueMm,
        centre: { x: 0, y: centre.y, z: bottomZ },
        axis: { x: 0, y: 0, z: 1 },
      },
    ],
    figures: [
      { label: 'sees to each side', value: sight.sideDeg, unit: 'deg', decimals: 0 },
      { label: 'sees down', value: sight.downDeg, unit: 'deg', decimals: 0 },
      { label: 'mass ahead of the neck', value: ahead, unit: 'mm', decimals: 0 },
      {
        label: `balances it behind (${trimNumber(neckMomentNmm(massG, ahead) / 1000, 2)} N·m)`,
        value: counterweightG(massG, ahead, head.front + pivotY - centre.y + out),
        unit: 'g',
        decimals: 0,
      },
    ],
  };
}

export const helmet = drapedKind<HelmetParams>({
  kind: 'helmet',
  label: 'Helmet',
  zone: 'head',
  summary: 'From the head form and padding: dome, skirt, visor with a slit, crest.',
  fields: [
    choice(
      'scheme',
      'Dome',
      [
        ['gores', 'gores'],
        ['strip', 'crown strip and two sides'],
      ],
      'Gores are many and easy; a strip and two sides are few and stretch.',
      'Division',
    ),
    count('gores', 'Gores', [4, 12], 'Segments of the dome.', 'Division'),
    length('stripMm', 'Strip width', [40, 140], 'Of the crown strip.', 'Division'),
    length('paddingMm', 'Padding', [5, 30], '5–15 mm is usual; hair and hood go here.', 'Room'),
    length('skirtMm', 'Skirt', [20, 220], 'From the brow line down.'),
    angle('faceDeg', 'Face opening, each side', [25, 90], 'From straight ahead to the cheek edge.', 'Face'),
    choice(
      'visor',
      'Visor',
      [
        ['slit', 'closed, with a slit'],
        ['open', 'brow peak only'],
        ['none', 'none'],
      ],
      'What covers the face.',
      'Face',
    ),
    length('slitMm', 'Slit height', [8, 60], 'Of the opening in the visor.', 'Face'),
    length('slitDropMm', 'Slit below the eyes', [-15, 30], 'Lower sees the ground better.', 'Face'),
    choice(
      'ears',
      'Ears',
      [
        ['open', 'openings cut'],
        ['covered', 'covered'],
      ],
      'Never cover ears completely.',
      'Safety',
    ),
    choice(
      'breath',
      'Air',
      [
        ['holes', 'holes near the mouth'],
        ['none', 'none'],
      ],
      'Holes behind the visor’s lower edge.',
      'Safety',
    ),
    length('crestMm', 'Crest', [0, 120], 'Height of the ridge plate; 0 for none.'),
    ownFoam('visorFoam', 'Visor foam'),
  ],
  defaults: () => ({
    scheme: 'gores',
    gores: 8,
    stripMm: 80,
    paddingMm: 12,
    skirtMm: 130,
    faceDeg: 55,
    visor: 'slit',
    slitMm: 34,
    slitDropMm: 10,
    ears: 'open',
    breath: 'holes',
    crestMm: 35,
    visorFoam: 0,
  }),
  design,
  silhouette: ({ skirtMm, crestMm }) => [
    { x: -90, y: -skirtMm },
    { x: 90, y: -skirtMm },
    { x: 92, y: 0 },
    { x: 70, y: 75 },
    { x: 14, y: 105 + crestMm },
    { x: -14, y: 105 + crestMm },
    { x: -70, y: 75 },
    { x: -92, y: 0 },
  ],
});
