import * as draw from '../../thumbnail';
import { choice, type ParamsOf } from '../../document';
import type { Piece } from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { magnetPairs } from '../laying/magnets';

const fields = [
  choice(
    'held',
    'Held by',
    [
      ['magnets', 'magnets'],
      ['hook-and-loop', 'hook-and-loop'],
      ['dry', 'its own fit, left dry'],
    ],
    'What keeps it in place; all of them open without a tool.',
  ),
] as const;

type LooseParams = ParamsOf<typeof fields>;

/** A pair of magnets to this much of its edge, mm, and no fewer than two pairs; common practice, no source. */
const PAIR_MM = 120;
const LEAST_PAIRS = 2;
/** Let into both edges, a pair at a time, min; from memory. */
const PAIR_MIN = 4;
/** Hook-and-loop goes on this share of the edge; from memory. */
const TAPED = 0.5;

/** What would be glued to it if it were not held: its own edges, and those of others that lie on its faces, mm. */
function heldMm(own: Piece, pieces: readonly Piece[]): number {
  const long = (edges: Piece['edges']): number => edges.reduce((sum, e) => sum + e.lengthMm, 0);
  const onIt = pieces.flatMap((p) => p.edges.filter((e) => e.attached?.meets?.on.includes(own.id)));
  return long(own.edges.filter((e) => e.joint === 'seam' || e.joint === 'attached')) + long(onIt);
}

/** A whole piece that is held and not glued, so that what is behind it comes out again. */
export const loosePiece = defineFeature<LooseParams>({
  kind: 'loose-piece',
  label: 'Loose piece',
  verb: 'Leave loose',
  picture: [
    draw.plate,
    draw.line(draw.box(22, 12, 28, 24)),
    draw.casing(draw.discs(5, [27, 17], [45, 17], [27, 31], [45, 31])),
  ],
  summary: 'A whole piece held by magnets, hook-and-loop or its own fit: it comes off and is put on again.',
  station: 'inside',
  opens: 'piece',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { held: 'magnets' },
  }),
  divide: (panels, { place }) =>
    place.on !== 'panel'
      ? [...panels]
      : panels.map((p) => (p.id === place.panel && !p.existing ? { ...p, comesOff: true } : p)),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid) return notLaid(feature, 'inside', 'the piece that was to come off is no longer there.');
    const { panel, piece } = laid;
    if (panel.existing)
      return notLaid(feature, 'inside', `${panel.name} is there already; its own lid or door opens it.`);
    const folds = piece.edges.filter((e) => e.joint === 'fold').length;
    const edgeMm = heldMm(
      piece,
      on.panels.map((l) => l.piece),
    );
    if (folds > 0)
      return notLaid(
        feature,
        'inside',
        `${panel.name} is folded from one sheet with its neighbour: choose corners that are glued.`,
      );
    if (edgeMm === 0)
      return notLaid(feature, 'inside', `${panel.name} is glued to nothing: it comes off as it is.`);
    const pairs = Math.max(LEAST_PAIRS, Math.ceil(edgeMm / PAIR_MM));
    const how = {
      magnets: {
        bought: [magnetPairs(pairs)],
        minutes: PAIR_MIN * pairs,
        words: `${pairs} pairs of magnets let into its edges and those it meets, poles tried before the glue. Keep loose magnets from children and from pacemakers`,
      },
      'hook-and-loop': {
        bought: [
          {
            what: 'hook-and-loop, self-adhesive',
            unit: 'mm',
            count: Math.ceil(TAPED * edgeMm),
            each: 0.003,
            massG: 2,
            provenance: 'memory' as const,
          },
        ],
        minutes: 10,
        words: `hook-and-loop over ${trimNumber((TAPED * edgeMm) / 1000, 2)} m of its edge, with a strip of foam behind to carry it`,
      },
      dry: {
        bought: [],
        minutes: 5,
        words: 'left dry: tried until it sits by itself, no glue on any edge of it',
      },
    }[params.held];
    return {
      ...nothing(),
      bought: how.bought,
      work: [
        {
          step: `loose-${id}`,
          when: 'formed',
          verb: 'fit',
          what: `${panel.name} so that it comes off`,
          count: 1,
          eachMin: how.minutes,
          detail: `${panel.name}: ${how.words}. A ribbon loop lifts it.`,
          cautions: params.held === 'magnets' ? ['blade'] : [],
          waitMin: 0,
        },
      ],
    };
  },
});
