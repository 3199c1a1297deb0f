import { closureField } from '../closureField';
import { levels, torsoSection } from '../../body';
import { count, length, ownFoam, type ParamsOf, setting } from '../../document';
import { ellipsePerimeter } from '../../geometry';
import { gridOf, halfTurnFor, type Join, onSlice, type Panel } from '../../panel';
import { trimNumber, itemAt } from '../../units';
import { defineForm, ownPly, type Design, type FormInput } from '../contract';

const hasTassets = (params: object): boolean => (params as { tassets?: number }).tassets !== 0;

const fields = [
  length('heightMm', 'Belt height', [25, 140], 'Lower to upper edge.', 'Size', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  length('atMm', 'Above the waist', [-200, 80], 'Where the upper edge lies.', 'Size', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  closureField('Shut with', 'Behind, across the ends of the belt.'),
  length('overlapMm', 'Overlap', [0, 150], 'Of the closure behind.', 'Closure'),
  length('roomMm', 'Room', [0, 40], 'Between clothing and belt.', 'Room', {
    gives: [{ need: 'room', by: 1 }],
  }),
  count('tassets', 'Tassets', [0, 7], 'Plates across the front.', 'Tassets'),
  length('tassetMm', 'Tasset length', [60, 400], 'From the belt down.', 'Tassets', { when: hasTassets }),
  length('tassetWidthMm', 'Tasset width', [50, 300], 'At the belt.', 'Tassets', { when: hasTassets }),
  length('flareMm', 'Stand out', [0, 80], 'How far the lower edges stand from the body.', 'Tassets', {
    when: hasTassets,
  }),
  ownFoam('tassetFoam', 'Tasset foam', { when: hasTassets }),
] as const;

/** Left free at the edges of a sheet. */
const SHEET_SPARE_MM = 30;

type BeltParams = ParamsOf<typeof fields>;

function design(input: FormInput<BeltParams>): Design {
  const { params, body, underLayerMm, liningMm, foam } = input;
  const at = levels(body);
  const out = underLayerMm + liningMm + params.roomMm;
  const top = at.waist + params.atMm;
  const slice = (z: number) => ({ ...torsoSection(body, z), x: 0, y: torsoSection(body, z).forwardMm, z });
  const upper = slice(top);
  const run = ellipsePerimeter({ a: upper.a + out, b: upper.b + out });
  // A belt longer than its sheet is glued from lengths, seams spread evenly round the front.
  const lengths = Math.max(1, Math.ceil(run / (Math.max(foam.widthMm, foam.heightMm) - SHEET_SPARE_MM)));
  const belts = Array.from({ length: lengths }, (_, i): Panel => {
    const [first, last] = [i === 0, i === lengths - 1];
    return {
      id: lengths === 1 ? 'belt' : `belt-${i + 1}`,
      name: lengths === 1 ? 'belt' : `belt, length ${i + 1}`,
      grid: gridOf(Math.ceil(56 / lengths), 2, (u, v) =>
        onSlice(slice(top - params.heightMm * (1 - v)), 271 + ((i + u) / lengths) * 358, out),
      ),
      edges: {
        bottom: 'lower edge',
        right: last ? 'back end' : 'seam',
        top: 'upper edge',
        left: first ? 'back end' : 'seam',
      },
    };
  });
  const hang = top - params.heightMm + 15;
  const girth = 2 * Math.PI * Math.sqrt((slice(hang).a ** 2 + slice(hang).b ** 2) / 2);
  const half = halfTurnFor(slice(hang), 90, params.tassetWidthMm, out + foam.thicknessMm.value);
  const spread = Math.min(170, (params.tassets - 1) * (2 * half + 3));
  const tassets = Array.from({ length: params.tassets }, (_, i): Panel => {
    const middle = 90 + (params.tassets === 1 ? 0 : spread / 2 - (i * spread) / (params.tassets - 1));
    return {
      id: `tasset-${i + 1}`,
      name: `tasset ${i + 1}`,
      grid: gridOf(8, 5, (u, v) => {
        const down = params.tassetMm * (1 - v);
        const narrow = 1 - 0.25 * (1 - v) ** 2;
        return onSlice(
          { ...slice(hang), z: hang - down },
          middle + half * narrow * (2 * u - 1),
          out + foam.thicknessMm.value + params.flareMm * (1 - v),
        );
      }),
      edges: { bottom: 'lower edge', right: 'side', top: 'belt edge', left: 'side' },
      attached: {
        top: {
          by: 'rivet',
          words: 'riveted or strapped on the face of the belt, 15 mm above its lower edge',
          meets: { on: belts.map((b) => b.id), way: 'over' },
        },
      },
      ...ownPly(input, params.tassetFoam),
    };
  });
  const above = hang - params.tassetMm - body.kneeHeight.valueMm;
  return {
    panels: [...belts, ...tassets],
    joins: belts.slice(1).map((next, i): Join => ({
      a: [itemAt(belts, i).id, 'right'],
      b: [next.id, 'left'],
      kind: 'seam',
    })),
    roomMm: params.roomMm,
    closure: params.closure,
    measures: ['waistGirth', 'hipGirth'],
    fastenings: [
      {
        closure: params.closure,
        where: 'behind, across the ends of the belt',
        count: 1,
        lengthMm: params.overlapMm + 120,
        overlapMm: params.overlapMm,
      },
    ],
    figures: [
      {
        key: 'belt',
        label: 'belt with overlap',
        value:
          girth +
          2 * Math.PI * (out + foam.thicknessMm.value * foam.neutralFraction.value) +
          params.overlapMm,
        unit: 'mm',
        decimals: 0,
      },
      {
        key: 'knee',
        label: 'tassets end above the knee',
        value: above,
        unit: 'mm',
        decimals: 0,
      },
    ],
    checks:
      params.tassets > 0 && above < 40
        ? [
            {
              id: 'knee',
              severity: 'mind',
              station: 'shape',
              title: `tassets end ${trimNumber(above, 0)} mm above the knee; walking kicks them out.`,
              why: 'Plates below mid-thigh swing against the knee at every step; 40 mm is the least.',
              provenance: 'practice',
              excess: 40 - above,
              remedies: [
                setting(`Tassets ${Math.floor(params.tassetMm - 40 + above)} mm long`, {
                  tassetMm: Math.floor(params.tassetMm - 40 + above),
                }),
                setting('Tassets 60 mm long', { tassetMm: 60 }),
                setting('No tassets', { tassets: 0 }),
              ],
            },
          ]
        : [],
  };
}

export const belt = defineForm<BeltParams>({
  kind: 'belt',
  label: 'Belt with tassets',
  zones: ['hips'],
  summary: 'A stiff belt and plates that hang from it.',
  fields,
  defaults: () => ({
    heightMm: 60,
    atMm: -45,
    closure: 'hook-and-loop',
    overlapMm: 60,
    roomMm: 4,
    tassets: 3,
    tassetMm: 190,
    tassetWidthMm: 130,
    flareMm: 25,
    tassetFoam: 0,
  }),
  design,
  silhouette: ({ heightMm, tassetMm }) => [
    { x: -90, y: 0 },
    { x: -70, y: -tassetMm * 0.6 },
    { x: 0, y: -tassetMm },
    { x: 70, y: -tassetMm * 0.6 },
    { x: 90, y: 0 },
    { x: 90, y: heightMm },
    { x: -90, y: heightMm },
  ],
});
