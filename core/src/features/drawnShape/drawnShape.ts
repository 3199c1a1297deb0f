import * as draw from '../../thumbnail';
import { add3, outlineLength, scale3, signedArea, type Vec2, type Vec3 } from '../../geometry';
import {
  gridNormals,
  type LaidPanel,
  offsetGrid,
  onGrid,
  plateMesh,
  platePiece,
  type Plate,
} from '../../panel';
import type { CautionKey } from '../../materials';
import { trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { ownSheet } from '../laying/ownSheet';
import { fields, type ShapeParams } from './fields';
import { spreadOver } from './over';
import { middlesOf, ringOf } from './ring';

/** So much foam is left under a hollow, mm; common practice, no source. */
const LEFT_MM = 1;
/** Carving by knife and sander, a square centimetre, and a line with a fine tip, a metre; from memory. */
const CARVE_MIN_PER_CM2 = 0.6;
const LINE_MIN_PER_M = 12;

/** A level plate of an outline, to be bent onto a face. */
const plateOf = (outline: Vec2[]): Plate => ({
  origin: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
  outline,
  cuts: [],
});

/** From a place on the flat piece and a height above its face into space. */
function ontoFace({ panel, foam, uvAt }: LaidPanel): (p: Vec2, aboveMm: number) => Vec3 | undefined {
  const face = offsetGrid(panel.grid, foam.thicknessMm.value);
  const normals = gridNormals(panel.grid);
  return (p, aboveMm) => {
    const uv = uvAt(p);
    return uv && add3(onGrid(face, uv), scale3(onGrid(normals, uv), aboveMm));
  };
}

const closed = (ring: readonly Vec2[]): Vec2[] => [...ring, ...ring.slice(0, 1)];

const work = {
  carved: {
    step: 'carve',
    verb: 'carve',
    what: 'hollows in the face',
    how: 'Cut along the line to the depth with the depth stop set, then level the floor with a rotary tool or a curved blade, from the middle out.',
    cautions: ['blade', 'dust'] as CautionKey[],
  },
  engraved: {
    step: 'engrave',
    verb: 'engrave',
    what: 'drawn lines',
    how: 'Pricked through the paper, joined with a pen; a shallow cut opened by heat, or a fine hot tip drawn along. Where a band goes under another, the line stops short of it.',
    cautions: ['blade', 'heat'] as CautionKey[],
  },
  inlaid: {
    step: 'inlay',
    verb: 'let in',
    what: 'inlays',
    how: 'Trace the cut piece itself, cut to its thickness along the line with the depth stop set, level the floor, glue it in flush, sand both as one.',
    cautions: ['blade', 'solvent', 'dust'] as CautionKey[],
  },
};

/** A shape of any outline on a face, or over the seams to the next ones: laid on, let in flush, carved or engraved, once or in a row. */
export const drawnShape = defineFeature<ShapeParams>({
  kind: 'drawn-shape',
  label: 'Drawn shape',
  verb: 'Draw a shape',
  picture: [
    draw.plate,
    draw.foam('M36 8C44 18 56 16 60 24C50 30 48 38 36 40C24 38 22 30 12 24C16 16 28 18 36 8Z'),
  ],
  summary: 'A free outline on the face: laid on, inlaid, carved or engraved, drawn or read from a file.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      way: 'layer',
      deepMm: 2,
      scalePct: 100,
      count: 1,
      stepMm: 60,
      outline: [
        { xMm: 0, yMm: 22, node: 'corner' },
        { xMm: 18, yMm: 0, node: 'smooth' },
        { xMm: 0, yMm: -22, node: 'corner' },
        { xMm: -18, yMm: 0, node: 'smooth' },
      ],
      madeOf: 'part',
      foamMm: 2,
    },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a drawn shape is no longer there.');
    const { name } = laid.panel;
    const { way, count } = params;
    const sheet = ownSheet(on, params);
    const deepMm = way === 'inlaid' ? sheet.thicknessMm.value : params.deepMm;
    const { ring, crosses } = ringOf(params, place.turnDeg);
    const spot = laid.flatAt({ x: place.u, y: place.v });
    const rings = middlesOf(params, place.turnDeg).map(({ x, y }) =>
      ring.map((p) => ({ x: p.x + spot.x + x, y: p.y + spot.y + y })),
    );
    const spread = rings.map((r) => spreadOver(on, laid, r));
    const placed = spread.flatMap((s) => s ?? []);
    if (spread.some((s) => s === undefined))
      return notLaid(
        feature,
        'shape',
        `a drawn shape reaches beyond ${name} and what is glued to it: make it smaller or move it.`,
      );
    const under = [...new Set(placed.map((s) => s.laid))];
    const thin = under.find((l) => way !== 'layer' && deepMm > l.foam.thicknessMm.value - LEFT_MM);
    if (thin)
      return notLaid(
        feature,
        'shape',
        `a drawn shape ${trimNumber(deepMm)} mm deep goes through ${thin.panel.name}, which is ${trimNumber(thin.foam.thicknessMm.value)} mm thick.`,
      );
    const names = under.map((l) => l.panel.name).join(' and ');
    const made = nothing();
    const sunkMm = way === 'layer' ? 0 : -deepMm;
    if (way === 'layer' || way === 'inlaid') {
      made.pieces.push({
        ...platePiece({ id, name: way === 'layer' ? 'drawn shape' : 'inlay' }, plateOf(ring), sheet),
        role: 'laid',
        featureId: id,
        face: 'outer',
        each: count,
        note: `${count > 1 ? `${count} from one template, ` : ''}${way === 'layer' ? 'glued on' : 'let in flush with'} the face of ${names}${under.length > 1 ? ', once they are joined' : ''}.`,
      });
      for (const { laid: own, ring: part } of placed) {
        const flat = plateMesh(plateOf(part), sheet.thicknessMm.value);
        const toSpace = ontoFace(own);
        const points = flat.points.map((p) => toSpace(p, p.z + sunkMm));
        if (points.every((p) => p !== undefined)) made.solids.push({ points, triangles: flat.triangles });
      }
    }
    for (const { laid: own, ring: part } of placed) {
      made.marks.push({
        pieceId: own.panel.id,
        mark: {
          kind: way === 'layer' ? 'glue' : 'score',
          points: closed(part),
          ...(way !== 'layer' && {
            text: `${way === 'engraved' ? 'engrave' : 'cut out'} ${trimNumber(deepMm)} mm deep`,
            ...(way !== 'engraved' && { takesMm: deepMm }),
          }),
        },
      });
      if (way !== 'layer')
        made.drawn.push({
          kind: 'score',
          points: closed(part).flatMap((p) => ontoFace(own)(p, 0) ?? []),
          acrossMm: way === 'engraved' ? 1.5 : 1,
        });
    }
    if (way !== 'layer') {
      const cm2 = Math.abs(signedArea(ring)) / 100;
      const m = outlineLength(ring) / 1000;
      const { how, ...rest } = work[way];
      made.work.push({
        ...rest,
        when: 'flat',
        count,
        eachMin: 2 + m * LINE_MIN_PER_M + (way === 'engraved' ? 0 : cm2 * CARVE_MIN_PER_CM2),
        detail: `${trimNumber(deepMm)} mm deep. ${how}`,
        waitMin: 0,
      });
    }
    if (crosses)
      made.checks.push({
        id: `crosses-${id}`,
        severity: 'mind',
        station: 'shape',
        title: `${name}: the line of a drawn shape crosses itself; its largest loop is cut.`,
        why: 'A knot is drawn as its outer line, and its loops as shapes of their own.',
        provenance: 'standard',
        excess: 1,
        pieceId: laid.panel.id,
        remedies: [],
      });
    return made;
  },
});
