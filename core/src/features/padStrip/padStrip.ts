import * as draw from '../../thumbnail';
import { angle, count, type Check, type Feature, length, type ParamsOf } from '../../document';
import { boundsOf, type Vec2 } from '../../geometry';
import { edgeRun, type LaidPanel, type Piece, squareWhenSmall, STEEPEST_BEVEL_DEG } from '../../panel';
import { byId, counted, trimNumber, itemAt } from '../../units';
import { defineFeature, featurePath, type LaidPart, panelOf } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { layBand } from '../laying/band';
import { alongPlate, plateRun } from '../laying/plateBand';

const MOST_LAYERS = 8;

const fields = [
  length('widthMm', 'Width', [4, 120], 'From the edge inwards.'),
  madeOf,
  thicknessOf('Soft foam gives where it is worn.'),
  count('layers', 'Layers', [1, MOST_LAYERS], 'Glued face to face.'),
  angle(
    'closesDeg',
    'Closes at',
    [20, 180],
    'Angle between the two halves where they meet, seen from inside, when it is shut; 180 runs straight on.',
  ),
] as const;

type PadParams = ParamsOf<typeof fields>;

/** A strip this much thinner than the gap it is for holds nothing; no padding fills more than this; mm. */
const LOOSE_MM = 2;
const HOLLOW_MM = 60;

/** What two strips lose where they meet: half of what is missing to a straight angle each, by plane geometry. */
export const closingBevelDeg = (closesDeg: number): number => squareWhenSmall((180 - closesDeg) / 2);

/** The edge of a strip that lies along the run it was laid on; bent strips begin with theirs. */
function along(
  piece: Piece,
  laid: LaidPanel | undefined,
  edgeId: string,
  widthMm: number,
): string | undefined {
  const found = laid && plateRun(laid, edgeId);
  if (!found) return 'bottom';
  // The piece lies in the corner of its own box.
  const { minX, minY } = boundsOf(alongPlate(found.plate, found.run, widthMm));
  const run = found.run.map((p) => ({ x: p.x - minX, y: p.y - minY }));
  const off = piece.edges.map((e) =>
    Math.max(
      ...edgeRun(piece.outline, e).map((p) =>
        Math.min(...run.slice(1).map((q, i) => beside(p, itemAt(run, i), q))),
      ),
    ),
  );
  return piece.edges[off.indexOf(Math.min(...off))]?.id;
}

/** How far a spot is from a stretch of line. */
function beside(p: Vec2, a: Vec2, b: Vec2): number {
  const [x, y] = [b.x - a.x, b.y - a.y];
  const t = Math.max(0, Math.min(1, ((p.x - a.x) * x + (p.y - a.y) * y) / (x * x + y * y || 1)));
  return Math.hypot(p.x - a.x - t * x, p.y - a.y - t * y);
}

/** How far it is from the wall to what is worn inside it, half a strip in from the middle of an edge; nothing over a hollow. */
function gapAt(on: LaidPart, laid: LaidPanel, edge: string, widthMm: number): number | undefined {
  const own = byId(laid.piece.edges, edge);
  const room = on.rooms.find((r) => r.panel === laid.panel.id);
  if (!own || !room) return undefined;
  const run = edgeRun(laid.piece.outline, own);
  const k = Math.floor((run.length - 1) / 2);
  const [a, b] = [itemAt(run, k), run[k + 1] ?? itemAt(run, k)];
  const size = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  // Outlines run counter-clockwise: inwards is to the left.
  const gap = room.depthAt({
    x: (a.x + b.x) / 2 - ((b.y - a.y) / size) * (widthMm / 2),
    y: (a.y + b.y) / 2 + ((b.x - a.x) / size) * (widthMm / 2),
  });
  // Behind a wall that nobody wears is its own hollow.
  const hollow = laid.panel.existing && Math.abs((gap ?? 0) - laid.panel.existing.behindMm) < 1e-6;
  return gap !== undefined && gap <= HOLLOW_MM && !hollow ? gap : undefined;
}

function checksOf(
  on: LaidPart,
  feature: Feature & { params: PadParams },
  padMm: number,
  eachMm: number,
): Check[] {
  const { place, params, id } = feature;
  const bevelDeg = closingBevelDeg(params.closesDeg);
  const gaps = (place.on === 'edges' ? place.runs : []).flatMap(({ panel, edge }) => {
    const laid = panelOf(on, panel);
    const gapMm = laid && gapAt(on, laid, edge, params.widthMm);
    return gapMm === undefined ? [] : [{ name: laid!.panel.name, panel, gapMm }];
  });
  const widest = gaps.sort((a, b) => b.gapMm - a.gapMm)[0];
  const layers = widest && Math.min(MOST_LAYERS, Math.max(1, Math.round(widest.gapMm / eachMm)));
  return [
    ...(widest && layers && widest.gapMm - padMm > LOOSE_MM
      ? [
          {
            id: `pad-loose-${id}`,
            severity: 'note' as const,
            station: 'shape' as const,
            title: `padding in ${widest.name} is ${trimNumber(padMm)} mm thick, the gap there ${trimNumber(widest.gapMm)} mm.`,
            why: 'It holds nothing until it touches.',
            provenance: 'standard' as const,
            excess: widest.gapMm - padMm,
            pieceId: widest.panel,
            remedies:
              layers > params.layers
                ? [
                    {
                      label: counted(layers, 'layer'),
                      changes: [{ path: featurePath(on, feature, 'params', 'layers'), value: layers }],
                    },
                  ]
                : [],
          },
        ]
      : []),
    ...(bevelDeg > STEEPEST_BEVEL_DEG
      ? [
          {
            id: `pad-steep-${id}`,
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `padding cut at ${trimNumber(bevelDeg)}° comes to a feather; it is cut square.`,
            why: `No knife is held flatter than ${STEEPEST_BEVEL_DEG}°. Set the strip back from the edge instead.`,
            provenance: 'practice' as const,
            excess: bevelDeg - STEEPEST_BEVEL_DEG,
            remedies: [],
          },
        ]
      : []),
  ];
}

/** A strip of padding inside an edge, its edge cut at the angle at which the shell closes, so that both halves hold what is between. */
export const padStrip = defineFeature<PadParams>({
  kind: 'pad-strip',
  label: 'Padding strip',
  verb: 'Padding strip',
  picture: [draw.plate, draw.casing(draw.box(2, 30, 68, 14))],
  summary: 'Padding inside an edge, cut at the angle at which the shell closes.',
  station: 'shape',
  fields,
  places: ['edges'],
  start: ({ panel, edge }) => ({
    place: { on: 'edges', runs: [{ panel, edge }] },
    params: { widthMm: 25, madeOf: 'part', foamMm: 6, layers: 1, closesDeg: 180 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const runs = place.on === 'edges' ? place.runs : [];
    const sheet = ownSheet(on, params);
    const bevelDeg = closingBevelDeg(params.closesDeg);
    const cut = bevelDeg <= STEEPEST_BEVEL_DEG ? bevelDeg : 0;
    const laid = layBand(on, feature, {
      runs,
      widthMm: params.widthMm,
      foam: sheet,
      face: 'inner',
      name: 'padding strip',
      note: `Glued inside${cut > 0 ? `; the edge along the rim is cut at ${trimNumber(cut)}°, narrower on the face that is worn` : ''}.`,
    });
    if (laid.pieces.length === 0) return laid;
    const bevelled = laid.pieces.map((piece, i): Piece => {
      const run = runs[i];
      const edge = run && along(piece, panelOf(on, run.panel), run.edge, params.widthMm);
      return {
        ...piece,
        ...(params.layers > 1 && { each: params.layers }),
        edges: piece.edges.map((e) => (e.id === edge ? { ...e, bevelDeg: cut } : e)),
      };
    });
    const lengthMm = bevelled.reduce((sum, { outline }) => {
      const b = boundsOf(outline);
      return sum + Math.max(b.maxX - b.minX, b.maxY - b.minY);
    }, 0);
    return {
      ...laid,
      pieces: bevelled.map((p) => ({ ...p, ownStep: true as const })),
      work: [
        {
          step: 'padding',
          when: 'painted',
          verb: 'glue',
          what: 'padding strips',
          count: bevelled.length,
          eachMin: 4 + 2 * params.layers + (cut > 0 ? lengthMm / 250 / bevelled.length : 0),
          detail:
            'After paint, inside out: try it on before the glue, with what is worn under it. Longest strokes for the bevel, a fresh blade.',
          cautions: ['blade', 'solvent'],
          waitMin: 10,
          waitFor: 'glue holding',
        },
      ],
      checks: [
        ...laid.checks,
        ...checksOf(on, feature, params.layers * sheet.thicknessMm.value, sheet.thicknessMm.value),
      ],
    };
  },
});
