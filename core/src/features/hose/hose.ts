import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import {
  add3,
  alongRun,
  contains,
  dist3,
  largestRing,
  type Mesh,
  rayReach,
  scale3,
  sub3,
  unit3,
  type Vec3,
} from '../../geometry';
import { gridMesh, gridNormals, offsetGrid, onGrid } from '../../panel';
import { firstOf, itemAt, lastOf, trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { leastRadiusMm, roundedRun, tubeMesh } from './run';

/**
 * Kinds of hose and cable: how tightly they bend without a kink, in outside diameters, and what a metre weighs and costs by
 * its outside. Bends as makers of hose state them for corrugated, smooth and braided ones; all from memory.
 */
const kinds = {
  corrugated: { label: 'corrugated hose', bends: 2.5, gPerMm2: 0.22, pricePerM: 3 },
  smooth: { label: 'smooth PVC hose', bends: 5, gPerMm2: 0.45, pricePerM: 2 },
  cable: { label: 'rubber cable', bends: 4, gPerMm2: 1.1, pricePerM: 2.5 },
  foam: { label: 'round foam cord', bends: 3, gPerMm2: 0.03, pricePerM: 1 },
} as const;

const fields = [
  choice(
    'of',
    'Of',
    (Object.keys(kinds) as (keyof typeof kinds)[]).map((key) => [key, kinds[key].label] as const),
    'Says how tightly it bends and what it weighs.',
  ),
  length('outsideMm', 'Outside', [2, 80], 'By caliper.'),
  length('bendMm', 'Least bend', [0, 500], 'To its middle, as its maker states; 0 takes what is usual.'),
  choice(
    'ends',
    'Its ends',
    [
      ['holes', 'go into holes'],
      ['face', 'end on the face'],
    ],
    'A hole is as wide as the hose.',
  ),
] as const;

type HoseParams = ParamsOf<typeof fields>;

/** Pushed in beyond the face at each end, mm; common practice, no source. */
const IN_MM = 15;
/** A tie or a spot of glue every so far, mm; common practice, no source. */
const HELD_MM = 120;

/** The least radius its middle may be bent to, mm. */
export const leastBendMm = ({
  of,
  outsideMm,
  bendMm,
}: Pick<HoseParams, 'of' | 'outsideMm' | 'bendMm'>): number =>
  bendMm > 0 ? bendMm : kinds[of].bends * outsideMm;

/** Whether a line in space goes through a surface. */
const runsThrough = (run: readonly Vec3[], mesh: Mesh): boolean =>
  run.slice(1).some((to, i) => {
    const from = itemAt(run, i);
    const mm = dist3(from, to);
    const met = mm > 0 ? rayReach(mesh, from, unit3(sub3(to, from))) : undefined;
    return met !== undefined && met <= mm;
  });

/** A hose or cable laid over a face from point to point, its corners as round as it bends. */
export const hose = defineFeature<HoseParams>({
  kind: 'hose',
  label: 'Hose',
  verb: 'Lay a hose',
  picture: [draw.plate, draw.casing('M6 36C24 36 22 12 40 12S58 28 66 28V34C54 34 50 18 40 18S30 42 6 42Z')],
  summary: 'A hose or cable over the face, bent no tighter than it may be.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['path'],
  start: ({ panel }) => ({
    place: {
      on: 'path',
      panel,
      points: [
        [0.25, 0.6],
        [0.75, 0.6],
      ],
    },
    params: { of: 'corrugated', outsideMm: 10, bendMm: 0, ends: 'holes' },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'path' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'path')
      return notLaid(feature, 'shape', 'the piece that carried a hose is no longer there.');
    const { name } = laid.panel;
    const { outsideMm, ends } = params;
    const kind = kinds[params.of];
    const leastMm = leastBendMm(params);
    const { line, bends } = roundedRun(
      place.points.map(([x, y]) => laid.flatAt({ x, y })),
      leastMm,
    );
    const print = largestRing(alongRun(line, outsideMm / 2));
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    const normals = gridNormals(laid.panel.grid);
    const above = line.map((p): Vec3 | undefined => {
      const uv = laid.uvAt(p);
      return uv && add3(onGrid(face, uv), scale3(onGrid(normals, uv), outsideMm / 2));
    });
    const run = above.filter((p) => p !== undefined);
    if (run.length < above.length || run.length < 2 || line.some((p) => !contains(laid.piece.outline, p)))
      return notLaid(feature, 'shape', `a hose runs over the edge of ${name}.`);
    const through = on.panels.find((l) => l !== laid && runsThrough(run, gridMesh(l.panel.grid)));
    const tightMm = Math.min(leastRadiusMm(run), ...bends.map((b) => b.radiusMm));
    const onFaceMm = run.slice(1).reduce((sum, p, i) => sum + dist3(p, run[i]!), 0);
    const cutMm = onFaceMm + (ends === 'holes' ? 2 * IN_MM : 0);
    const metres = Math.ceil(cutMm / 100) / 10;
    return {
      ...nothing(),
      marks: [
        {
          pieceId: laid.panel.id,
          mark: { kind: 'glue', points: [...print, ...print.slice(0, 1)], text: 'hose' },
        },
      ],
      holes:
        ends === 'holes'
          ? [firstOf(line), lastOf(line)].map((centre, i) => ({
              pieceId: laid.panel.id,
              hole: { id: `${id}.${i + 1}`, kind: 'hole' as const, centre, diameterMm: outsideMm },
            }))
          : [],
      solids: [tubeMesh(run, outsideMm)],
      bought: [
        {
          what: `${kind.label}, ${trimNumber(outsideMm)} mm`,
          unit: 'metres',
          count: metres,
          each: kind.pricePerM,
          massG: (cutMm / 1000) * kind.gPerMm2 * ((Math.PI * outsideMm ** 2) / 4),
          provenance: 'memory',
        },
      ],
      work: [
        {
          step: 'hoses',
          when: 'painted',
          verb: 'lay',
          what: 'hoses',
          count: 1,
          eachMin: 5 + (cutMm / HELD_MM) * 2,
          detail: `${trimNumber(cutMm, 0)} mm of ${kind.label}${ends === 'holes' ? `, ${IN_MM} mm of it in each hole` : ''}. Bend it over a kettle’s steam or warm it, no tighter than ${trimNumber(leastMm, 0)} mm to its middle; glue it every ${HELD_MM} mm from one end on, so that it does not spring.`,
          cautions: ['instantGlue'],
          waitMin: 0,
        },
      ],
      checks: [
        ...(through
          ? [
              {
                id: `through-${id}`,
                severity: 'mind' as const,
                station: 'shape' as const,
                title: `a hose on ${name} runs through ${through.panel.name}.`,
                why: 'Draw its points round it, or end it there in a hole.',
                provenance: 'standard' as const,
                excess: 1,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : []),
        ...(tightMm < leastMm * 0.97
          ? [
              {
                id: `bend-${id}`,
                severity: 'mind' as const,
                station: 'shape' as const,
                title: `${name}: a hose is bent to ${trimNumber(tightMm, 0)} mm, ${kind.label} of ${trimNumber(outsideMm)} mm kinks under ${trimNumber(leastMm, 0)} mm.`,
                why: 'Its corners are as round as the way between them leaves room for, and the face bends besides. Draw its points further apart, take a thinner hose, or a corrugated one.',
                provenance: 'memory' as const,
                excess: leastMm - tightMm,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : []),
      ],
    };
  },
});
