import * as draw from '../../thumbnail';
import type { Check } from '../../document';
import { add3, contains, distanceToEdge, rotate2, scale3, type Vec2 } from '../../geometry';
import { litFace } from '../../light';
import { ledBodies } from '../../materials';
import { trimNumber } from '../../units';
import { defineFeature, featurePath, type Item, nothing, notLaid, panelOf } from '../contract';
import { footingOf } from '../laying/device';
import { deviceCut, pocketChecks } from '../laying/devicePocket';
import { ownSheet } from '../laying/ownSheet';
import { spotFrom } from '../laying/spot';
import { stripG, stripLoad, stripStepMm } from '../laying/stripParts';
import { needOf, overMm, pocketOf, segmentsAcross } from './box';
import { boxFace, tileUnexplainedPct } from './tile';
import { CELLS, evener } from './evener';
import { boxBought, boxPieces, boxWork, stripMm, tilePieces, tileWork } from './made';
import { type BoxParams, fields } from './fields';
import { boxRecipes } from './recipes';
import { boxShine } from './shine';

/** Wires of a box that stands on the wall come through a hole so wide, mm; from memory. */
const WIRE_HOLE_MM = 6;

/** A reading is explained when it is met this nearly, % of the mean; from memory. */
const UNEXPLAINED_PCT = 3;

/** A window with a diffuser, and a box of lamps behind it. */
export const lightBox = defineFeature<BoxParams>({
  kind: 'light-box',
  label: 'Light box',
  verb: 'Light box',
  picture: [
    draw.foam(draw.box(8, 4, 56, 40)),
    draw.light(draw.box(13, 9, 46, 30)),
    draw.line('M13 9L8 4M59 9L64 4M13 39L8 44M59 39L64 44'),
  ],
  summary: 'A window with a diffuser and a box of lamps behind it; how evenly it glows is worked out.',
  station: 'inside',
  electric: 'load',
  glows: true,
  fields,
  recipes: boxRecipes,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      widthMm: 50,
      heightMm: 20,
      side: 'inside',
      lit: 'lamps',
      columns: 3,
      rows: 1,
      brightPct: 30,
      colour: 'amber',
      shine: 'flat-top',
      deepMm: 12,
      diffuser: 'pe-3',
      layers: 1,
      over: 'none',
      boredMm: 0,
      walls: 'white',
      tile: 'none',
      tileReadPct: 0,
      evenPct: 60,
      madeOf: 'part',
      foamMm: 5,
    },
  }),
  divide: (panels, { id, place, params }, foamOf) =>
    params.side === 'outside' ? [...panels] : deviceCut(panels, { id, place }, pocketOf(params), foamOf),
  shine: boxShine,
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried a light box is no longer there.');
    const { widthMm: w, heightMm: h } = params;
    const outside = params.side === 'outside';
    const centre = laid.flatAt({ x: place.u, y: place.v });
    const onFlat = (x: number, y: number): Vec2 => {
      const p = rotate2({ x, y }, (-place.turnDeg * Math.PI) / 180);
      return { x: centre.x + p.x, y: centre.y + p.y };
    };
    const window = [
      onFlat(-w / 2, -h / 2),
      onFlat(w / 2, -h / 2),
      onFlat(w / 2, h / 2),
      onFlat(-w / 2, h / 2),
    ];
    const margin = Math.min(
      ...window.map((p) => (contains(laid.piece.outline, p) ? distanceToEdge(laid.piece.outline, p) : -1)),
    );
    const size = `${trimNumber(w)} × ${trimNumber(h)} mm`;
    if (margin < 1)
      return notLaid(feature, 'inside', `a window of ${size} breaks the edge of ${laid.panel.name}.`);
    if (params.lit !== 'lamps' && segmentsAcross(params) < 1)
      return notLaid(
        feature,
        'inside',
        `a row of strip in a light box ${trimNumber(w)} mm wide is too short: it is cut every ${trimNumber(stripStepMm(params.lit))} mm.`,
      );
    const foam = ownSheet(on, params);
    const sized = pocketOf(params);
    const footing = outside ? undefined : footingOf(on, feature, sized);
    // In a lamination the pocket is its box; behind a shell it has walls of its own.
    const layered = footing?.room.solid === true;
    const spot = spotFrom(laid, place, 0);
    const room = on.rooms.find((r) => r.panel === laid.panel.id && !r.solid);
    // Along the way out of the wall: behind it, or before it on its back.
    const lightsMm = outside
      ? foam.thicknessMm.value
      : -((layered ? 0 : laid.foam.thicknessMm.value) + overMm(params) + params.deepMm);
    // The lamps stand in the back; their leads and the wires lie behind it.
    const needMm = needOf(params);
    const haveMm = layered || outside ? needMm : (room?.depthAt(spot.flat) ?? 0);
    const lit = litFace(boxFace(params), CELLS);
    const wanted = params.evenPct / 100;
    const checks: Check[] = footing ? pocketChecks(on, feature, footing, sized) : [];
    if (lit.evenness < wanted)
      checks.push({
        id: `glow-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the window of ${size} glows unevenly: its darkest spot has ${trimNumber(lit.evenness * 100, 0)} % of the mean, ${params.evenPct} % is wanted; the brightest has ${trimNumber(lit.hotSpot, 1)} times it.`,
        why: 'Cosine and inverse square from every lamp, walls and diffuser counted. Try it with a lamp in the hand before cutting.',
        provenance: 'memory',
        excess: wanted - lit.evenness,
        pieceId: laid.panel.id,
        remedies: evener(on, id, params),
      });
    const unexplainedPct = tileUnexplainedPct(params);
    if (unexplainedPct > UNEXPLAINED_PCT)
      checks.push({
        id: `tile-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the test tile was read ${trimNumber(unexplainedPct, 0)} % away from anything its diffuser can do.`,
        why: 'From a fifth to five times the stated spread was tried, and the nearest is taken. Check the walls, the depth and the lamps of the tile, and read it again in the dark.',
        provenance: 'memory',
        excess: unexplainedPct - UNEXPLAINED_PCT,
        pieceId: laid.panel.id,
        remedies: [],
      });
    if (needMm > haveMm + 0.05)
      checks.push({
        id: `glow-deep-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the light box is ${trimNumber(needMm)} mm deep, ${trimNumber(needMm - haveMm)} mm more than there is behind ${laid.panel.name}.`,
        why: 'It presses into the wearer or does not go in.',
        provenance: 'standard',
        excess: needMm - haveMm,
        pieceId: laid.panel.id,
        remedies: [{ need: 'room', mm: needMm - haveMm }],
      });
    const at = (x: number, y: number): Pick<Item, 'at' | 'normal'> => {
      const uv = laid.uvAt(onFlat(x - w / 2, y - h / 2));
      const over = uv ? spotFrom(laid, { ...place, u: uv.x, v: uv.y }, 0) : spot;
      return { at: add3(over.at, scale3(over.normal, lightsMm)), normal: over.normal };
    };
    /** Room it takes behind the wall, so that nothing else is put there. */
    const fit: Item['fit'] =
      outside || layered
        ? undefined
        : {
            needMm,
            haveMm,
            widthMm: w,
            lengthMm: h,
            pocketMm: 0,
            foamMm: laid.foam.thicknessMm.value,
            roomId: `gap:${laid.panel.id}`,
            fromMm: 0,
            prints: [
              {
                at: centre,
                turnDeg: place.turnDeg,
                widthMm: w + 2 * foam.thicknessMm.value,
                lengthMm: h + 2 * foam.thicknessMm.value,
              },
            ],
            outline: [],
            profile: [],
          };
    const led = ledBodies['5mm'];
    const strip = params.lit === 'lamps' ? undefined : params.lit;
    const items: Item[] = strip
      ? [
          {
            id,
            featureId: id,
            name: `light box, ${trimNumber(stripMm(params), 0)} mm of strip`,
            ...at(w / 2, h / 2),
            marginMm: margin,
            massG: stripG(strip, stripMm(params)),
            steady: stripLoad(
              strip,
              'strip in the light box',
              params.rows * segmentsAcross(params),
              params.colour,
              params.brightPct / 100,
            ),
            ...(strip === '5v' && {
              dims: { path: featurePath(on, feature, 'params', 'brightPct'), pct: params.brightPct },
            }),
            ...(fit && { fit }),
          },
        ]
      : boxFace(params).sources.map((l, i): Item => ({
          id: `${id}-${i + 1}`,
          featureId: id,
          name: `${params.colour} lamp ${i + 1}`,
          ...at(l.xMm, l.yMm),
          marginMm: margin,
          massG: led.massG,
          lamp: { colour: params.colour, led },
          ...(fit && i === 0 && { fit }),
        }));
    return {
      ...nothing(),
      pieces: [
        ...boxPieces(on, id, laid.panel.name, params, foam, layered),
        ...tilePieces(on, id, laid.panel.name, params, foam),
      ],
      marks:
        layered || outside
          ? []
          : [{ pieceId: laid.panel.id, mark: { kind: 'slot', points: window, text: `window ${size}` } }],
      holes: outside
        ? [
            {
              pieceId: laid.panel.id,
              hole: { id: `${id}.wires`, kind: 'hole', centre, diameterMm: WIRE_HOLE_MM },
            },
          ]
        : [],
      items,
      bought: boxBought(params),
      work: [...tileWork(params), ...boxWork(params, layered)],
      checks,
    };
  },
});
