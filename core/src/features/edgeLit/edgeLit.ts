import * as draw from '../../thumbnail';
import type { Check } from '../../document';
import { add3, contains, distanceToEdge, rotate2, scale3, type Vec2 } from '../../geometry';
import { edgeGlow } from '../../light';
import { ledBodies } from '../../materials';
import { platePiece } from '../../panel';
import { trimNumber, firstOf } from '../../units';
import { defineFeature, nothing, notLaid, panelOf, type Item } from '../contract';
import { evener } from './evener';
import { type EdgeParams, fields, LIP_MM, sheetOf } from './fields';
import { layFree } from './free';
import { edgeShine } from './shine';
import { spotFrom } from '../laying/spot';

const start: EdgeParams = {
  stands: 'behind',
  widthMm: 60,
  heightMm: 40,
  sheetMm: 3,
  look: 'clear',
  engravedPct: 10,
  lamps: 3,
  colour: 'amber',
  edges: 'foil',
  evenPct: 60,
};

const LED_MM = ledBodies['3mm'];

/** Clear sheet, engraved and lit at its edge, behind a window or free: it glows where it is cut and is looked through elsewhere. */
export const edgeLit = defineFeature<EdgeParams>({
  kind: 'edge-lit',
  label: 'Edge-lit sheet',
  verb: 'Edge-lit sheet',
  picture: [
    draw.clear(draw.box(14, 4, 44, 32)),
    draw.line('M22 30L36 10L50 30M29 24H43'),
    draw.light(draw.box(14, 38, 44, 5)),
  ],
  summary:
    'Clear acrylic behind a window or standing free, engraved and lit at its edge: it glows and is seen through.',
  station: 'inside',
  electric: 'load',
  fields,
  places: ['panel'],
  methods: [
    {
      method: 'edge-lit',
      label: 'edge-lit engraved acrylic',
      is: () => true,
      along: ({ panel, from, to, turnDeg, lengthMm, colour }) => ({
        place: {
          on: 'panel',
          panel,
          u: (from.x + to.x) / 2,
          v: (from.y + to.y) / 2,
          turnDeg: ((turnDeg + 630) % 360) - 180,
        },
        params: {
          ...start,
          widthMm: Math.min(400, Math.max(15, lengthMm)),
          heightMm: 20,
          lamps: Math.min(40, Math.max(2, Math.round(lengthMm / 25))),
          colour,
        },
      }),
    },
  ],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: start,
  }),
  shine: edgeShine,
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried an edge-lit sheet is no longer there.');
    if (params.stands === 'free') return layFree(on, laid, place, id, params);
    const { widthMm: w, heightMm: h } = params;
    const centre = laid.flatAt({ x: place.u, y: place.v });
    const onFlat = (x: number, y: number): Vec2 => {
      const p = rotate2({ x, y }, (-place.turnDeg * Math.PI) / 180);
      return { x: centre.x + p.x, y: centre.y + p.y };
    };
    const ring = (more: number): Vec2[] => [
      onFlat(-w / 2 - more, -h / 2 - more),
      onFlat(w / 2 + more, -h / 2 - more),
      onFlat(w / 2 + more, h / 2 + more),
      onFlat(-w / 2 - more, h / 2 + more),
    ];
    const size = `${trimNumber(w)} × ${trimNumber(h)} mm`;
    const margin = Math.min(
      ...ring(LIP_MM).map((p) =>
        contains(laid.piece.outline, p) ? distanceToEdge(laid.piece.outline, p) : -1,
      ),
    );
    if (margin < 1)
      return notLaid(
        feature,
        'inside',
        `a sheet behind a window of ${size} runs over the edge of ${laid.panel.name}.`,
      );
    const sheet = on.sheet({ foamId: `acrylic-${params.look}`, nominalMm: params.sheetMm });
    const glow = edgeGlow(sheetOf(params));
    const wanted = params.evenPct / 100;
    const edges = params.edges === 'lit' ? [-1, 1] : [-1];
    const spot = spotFrom(laid, place, 0);
    const lamps = edges.flatMap((side) =>
      Array.from({ length: params.lamps }, (_, i) => ({
        x: ((i + 0.5) / params.lamps - 0.5) * (w + 2 * LIP_MM),
        y: side * (h / 2 + LIP_MM),
      })),
    );
    const needMm = Math.max(params.sheetMm, LED_MM.rimMm);
    const haveMm = on.rooms.find((r) => r.panel === laid.panel.id && !r.solid)?.depthAt(spot.flat) ?? 0;
    const checks: Check[] = [];
    if (glow.evenness < wanted)
      checks.push({
        id: `edge-even-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the edge-lit sheet of ${size} fades: its darkest spot has ${trimNumber(glow.evenness * 100, 0)} % of the mean, ${params.evenPct} % is wanted.`,
        why: 'Every engraved spot takes light from those behind it. Engrave less near the lamps and more away from them, if you do it by hand.',
        provenance: 'memory',
        excess: wanted - glow.evenness,
        pieceId: laid.panel.id,
        remedies: evener(on, id, params),
      });
    if (needMm > haveMm + 0.05)
      checks.push({
        id: `edge-deep-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the edge-lit sheet and its lamps are ${trimNumber(needMm)} mm deep, ${trimNumber(Math.max(0, haveMm))} mm is behind ${laid.panel.name}.`,
        why: 'It presses into the wearer or does not go in.',
        provenance: 'standard',
        excess: needMm - haveMm,
        pieceId: laid.panel.id,
        remedies: [{ need: 'room', mm: needMm - haveMm }],
      });
    return {
      ...nothing(),
      pieces: [
        {
          ...platePiece(
            { id: `${id}.sheet`, name: 'edge-lit sheet' },
            {
              origin: { x: 0, y: 0, z: 0 },
              across: { x: 1, y: 0, z: 0 },
              up: { x: 0, y: 1, z: 0 },
              outline: [
                { x: 0, y: 0 },
                { x: w + 2 * LIP_MM, y: 0 },
                { x: w + 2 * LIP_MM, y: h + 2 * LIP_MM },
                { x: 0, y: h + 2 * LIP_MM },
              ],
              cuts: [],
            },
            sheet,
          ),
          role: 'laid',
          featureId: id,
          face: 'inner',
          note: `Behind the window of ${laid.panel.name}; engrave ${params.engravedPct} % of its back, ${trimNumber(glow.clear * 100, 0)} % stays clear. Polish the lit edge.`,
        },
      ],
      marks: [
        { pieceId: laid.panel.id, mark: { kind: 'slot', points: ring(0), text: `window ${size}` } },
        {
          pieceId: laid.panel.id,
          mark: {
            kind: 'glue',
            points: [...ring(LIP_MM), firstOf(ring(LIP_MM))],
            text: 'edge-lit sheet, inside',
          },
        },
      ],
      items: lamps.map(({ x, y }, i): Item => {
        const flat = onFlat(x, y);
        const uv = laid.uvAt(flat);
        const over = uv ? spotFrom(laid, { ...place, u: uv.x, v: uv.y }, 0) : spot;
        return {
          id: `${id}-${i + 1}`,
          featureId: id,
          name: `${params.colour} lamp ${i + 1}`,
          at: add3(over.at, scale3(over.normal, -laid.foam.thicknessMm.value - params.sheetMm / 2)),
          normal: over.normal,
          marginMm: margin,
          massG: LED_MM.massG,
          lamp: { colour: params.colour, led: LED_MM },
        };
      }),
      bought: [
        {
          what: `3 mm ${params.colour} LED`,
          unit: 'lamps',
          count: lamps.length,
          each: LED_MM.price,
          massG: 0,
          provenance: 'memory',
        },
      ],
      work: [
        {
          step: 'edge-lit',
          when: 'lit',
          verb: 'engrave',
          what: 'edge-lit sheets',
          count: 1,
          eachMin: 45,
          detail:
            'Saw the sheet with its film on, drill the lit edge for the lamps and polish it; scratch or mill the back, test with a lamp in the dark, then glue it in at the rim only.',
          cautions: ['boardDust'],
          waitMin: 0,
        },
      ],
      checks,
    };
  },
});
