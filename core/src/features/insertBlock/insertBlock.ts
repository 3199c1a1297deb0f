import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { largestRing, type Mesh, stacked, type Vec2, without } from '../../geometry';
import { platePiece, type Piece } from '../../panel';
import { counted, trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { footingOf, type Footing } from '../laying/device';

const fields = [
  length('widthMm', 'Width', [10, 600], 'Of the block: the room it is pushed into.', 'Block'),
  length('lengthMm', 'Length', [10, 600], 'Of the block.', 'Block'),
  length('deepMm', 'Depth', [3, 200], 'Of the block; as many layers as it takes.', 'Block'),
  madeOf,
  thicknessOf('Of each layer.', { own: true, group: 'Block' }),
  length(
    'pocketWideMm',
    'Pocket width',
    [2, 500],
    'Of what goes in; it is cut 2 mm under, to hold.',
    'Pocket',
  ),
  length('pocketLongMm', 'Pocket length', [2, 500], 'Of what goes in.', 'Pocket'),
  length('pocketDeepMm', 'Pocket depth', [0, 190], 'From the top layer down; 0 cuts none.', 'Pocket'),
  length(
    'notchMm',
    'Notch',
    [0, 100],
    'From the pocket to the upper edge, for wires or a switch; 0 cuts none.',
    'Pocket',
  ),
] as const;

type BlockParams = ParamsOf<typeof fields>;

/** A pocket is cut this much under what goes in, and leaves this much foam round it; common practice, no source. */
const SNUG_MM = 2;
const WALL_MM = 5;
const GIVES_MM = 1;

const rect = (x: number, y: number, w: number, h: number): Vec2[] => [
  { x: x - w / 2, y: y - h / 2 },
  { x: x + w / 2, y: y - h / 2 },
  { x: x + w / 2, y: y + h / 2 },
  { x: x - w / 2, y: y + h / 2 },
];

/** Layers of the block, and how many of them the pocket goes through. */
export function layersOf(
  { deepMm, pocketDeepMm }: BlockParams,
  thicknessMm: number,
): { all: number; open: number } {
  const all = Math.max(1, Math.round(deepMm / thicknessMm));
  return { all, open: Math.min(all, pocketDeepMm === 0 ? 0 : Math.ceil(pocketDeepMm / thicknessMm - 1e-6)) };
}

/** The block where it stands: on the floor of its room. */
function meshOf({ room, outline, depthMm }: Footing, deepMm: number): Mesh {
  const at = (d: number) => outline.map((p) => room.toSpace(p, d));
  return stacked([at(depthMm), at(Math.max(0, depthMm - deepMm))]);
}

/** A block of foam for a room: layers glued, a pocket cut snug in the upper ones, a notch out of it. */
export const insertBlock = defineFeature<BlockParams>({
  kind: 'insert-block',
  label: 'Insert block',
  verb: 'Insert block',
  picture: [draw.foam(draw.box(10, 4, 52, 40)), draw.clear(draw.box(22, 14, 28, 20))],
  summary:
    'A block of foam layers pushed into a room, with a snug pocket for a pack and a notch for its wires.',
  station: 'inside',
  fields,
  places: ['room', 'panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      widthMm: 50,
      lengthMm: 70,
      deepMm: 24,
      madeOf: 'part',
      foamMm: 0,
      pocketWideMm: 26,
      pocketLongMm: 52,
      pocketDeepMm: 18,
      notchMm: 8,
    },
  }),
  lay: (on, feature) => {
    const { id, params } = feature;
    // Foam gives: a block as large as its room goes in.
    const footing = footingOf(on, feature, {
      widthMm: params.widthMm - GIVES_MM,
      lengthMm: params.lengthMm - GIVES_MM,
    });
    if (!footing || footing.room.solid)
      return notLaid(feature, 'inside', 'the room an insert block was for is no longer there.');
    const sheet = ownSheet(on, params);
    const t = sheet.thicknessMm.value;
    const { all, open } = layersOf(params, t);
    const body = rect(0, 0, params.widthMm, params.lengthMm);
    const pocket = rect(
      0,
      0,
      Math.max(1, params.pocketWideMm - SNUG_MM),
      Math.max(1, params.pocketLongMm - SNUG_MM),
    );
    const wallMm = Math.min(params.widthMm - params.pocketWideMm, params.lengthMm - params.pocketLongMm) / 2;
    const cuts = open > 0 && wallMm >= 1;
    const notched = cuts && params.notchMm > 0;
    const notch = rect(0, params.lengthMm / 2, params.notchMm, params.lengthMm);
    const layer = (suffix: string, name: string, each: number, cut: boolean): Piece[] =>
      each === 0
        ? []
        : [
            {
              ...platePiece(
                { id: `${id}${suffix}`, name },
                {
                  origin: { x: 0, y: 0, z: 0 },
                  across: { x: 1, y: 0, z: 0 },
                  up: { x: 0, y: 1, z: 0 },
                  outline: cut && notched ? largestRing(without([body], [pocket, notch])) : body,
                  cuts:
                    cut && !notched ? [{ id: 'pocket', name: 'pocket, right through', outline: pocket }] : [],
                  layers: all,
                },
                sheet,
              ),
              role: 'laid',
              ownStep: true as const,
              featureId: id,
              face: 'inner',
              each,
              inside: true,
              note: `Layers of the block in ${footing.room.name}.`,
            },
          ];
    const tall = all * t;
    const over = tall - footing.depthMm;
    return {
      ...nothing(),
      pieces: [
        ...layer('', 'insert block, whole layer', cuts ? all - open : all, false),
        ...layer('.open', 'insert block, layer with pocket', cuts ? open : 0, true),
      ],
      solids: [meshOf(footing, tall)],
      work: [
        {
          step: 'blocks',
          when: 'flat',
          verb: 'glue',
          what: 'insert blocks',
          count: 1,
          eachMin: 10 + 4 * all,
          detail: `${counted(all, 'layer')} of ${sheet.name}${cuts ? `, the upper ${open} with the pocket` : ''}, glued face to face; shave it until it pushes in and stays. A ribbon under the pack pulls it out.`,
          cautions: ['blade', 'solvent'],
          waitMin: 15,
          waitFor: 'glue holding',
        },
      ],
      checks: [
        ...(over > 0.5
          ? [
              {
                id: `block-deep-${id}`,
                severity: 'mind' as const,
                station: 'inside' as const,
                title: `the insert block is ${trimNumber(tall)} mm deep, its room ${trimNumber(footing.depthMm)} mm.`,
                why: 'It keeps the thing from closing.',
                provenance: 'standard' as const,
                excess: over,
                remedies:
                  footing.depthMm >= Math.max(3, t)
                    ? [
                        {
                          label: `${trimNumber(Math.floor(footing.depthMm / t) * t)} mm deep`,
                          changes: [
                            {
                              path: featurePath(on, feature, 'params', 'deepMm'),
                              value: Math.max(3, Math.floor(footing.depthMm / t) * t),
                            },
                          ],
                        },
                      ]
                    : [],
              },
            ]
          : []),
        ...(footing.inside < 0.999
          ? [
              {
                id: `block-in-${id}`,
                severity: 'mind' as const,
                station: 'inside' as const,
                title: 'the insert block reaches beyond its room.',
                why: 'Foam gives a millimetre or two; more must be cut off.',
                provenance: 'standard' as const,
                excess: 1 - footing.inside,
                remedies: [],
              },
            ]
          : []),
        ...(open > 0 && wallMm < WALL_MM
          ? [
              {
                id: `block-wall-${id}`,
                severity: 'mind' as const,
                station: 'inside' as const,
                title: cuts
                  ? `the pocket leaves ${trimNumber(wallMm)} mm of foam round it; keep ${WALL_MM} mm.`
                  : 'the pocket is as large as its block, and is not cut.',
                why: 'A thin wall tears when the pack is pulled out.',
                provenance: 'practice' as const,
                excess: WALL_MM - wallMm,
                remedies: [],
              },
            ]
          : []),
      ],
    };
  },
});
