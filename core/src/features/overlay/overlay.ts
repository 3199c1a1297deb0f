import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { cross3, grown, largestRing, scale3, add3 } from '../../geometry';
import {
  edgeRun,
  growEdges,
  insetOf,
  type LaidPanel,
  offsetGrid,
  onGrid,
  type Piece,
  type Plate,
  plateMesh,
  platePiece,
} from '../../panel';
import { byId, trimNumber } from '../../units';
import { defineFeature, type Laid, type LaidPart, nothing, notLaid, panelOf } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { layPatch } from '../laying/patch';

const fields = [
  length('insetMm', 'Set in', [0, 150], 'From every edge of the piece; 0 covers it whole.'),
  madeOf,
  thicknessOf('Of the raised layer.'),
  length('lapMm', 'Overlap', [0, 60], 'Beyond its right edge, where it closes round a tube; 0 butts.'),
] as const;

/** A second layer or raised panel, its outline set in from the piece's by a distance. */
export const overlay = defineFeature<ParamsOf<typeof fields>>({
  kind: 'overlay',
  label: 'Layer',
  verb: 'Raised layer',
  picture: [draw.plate, draw.line(draw.box(12, 10, 48, 28)), draw.foam(draw.box(14, 12, 44, 24))],
  summary: 'A second layer on the outside, set in from every edge.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['panel'],
  spotless: true,
  start: ({ panel }) => ({
    place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
    params: { insetMm: 15, madeOf: 'part', foamMm: 2, lapMm: 0 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid) return notLaid(feature, 'shape', 'the piece that carried a layer is no longer there.');
    const { plate } = laid.panel;
    if (plate) return onPlate(on, feature, laid, plate);
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    const inset = insetOf(face, params.insetMm);
    const { name } = laid.panel;
    if (!inset)
      return notLaid(feature, 'shape', `${name} is too small for a layer set in by ${params.insetMm} mm.`);
    const sheet = ownSheet(on, params);
    const { piece, mesh } = layPatch(
      feature,
      '',
      inset.map((row) => row.map((uv) => onGrid(face, uv))),
      {
        name: `layer on ${name}`,
        edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
        note: `Glued on the outer face, ${params.insetMm} mm in from every edge. On ${name}.`,
      },
      sheet,
      'outer',
    );
    return {
      ...nothing(),
      pieces: [lapped(piece, params.lapMm)],
      solids: [mesh],
      stiffens: [{ pieceId: laid.panel.id, thicknessMm: sheet.thicknessMm.value }],
    };
  },
});

/** The piece with a strip more at its right edge, and the line it is glued to. */
function lapped(piece: Piece, lapMm: number): Piece {
  const edge = byId(piece.edges, 'right');
  if (lapMm === 0 || !edge) return piece;
  const wider = growEdges(
    piece,
    piece.edges.map((e) => (e === edge ? lapMm : 0)),
  );
  return {
    ...wider,
    marks: [
      ...wider.marks,
      { kind: 'glue', points: edgeRun(piece.outline, edge), text: `overlap ${trimNumber(lapMm)} mm` },
    ],
  };
}

/** On a flat piece the layer is its own outline drawn in. */
function onPlate(
  on: LaidPart,
  feature: { id: string; params: ParamsOf<typeof fields> },
  laid: LaidPanel,
  plate: Plate,
): Laid {
  const { params } = feature;
  // Sloped edges end where the outer face begins.
  const face = plate.sections?.at(-1)?.region ?? [plate.outline];
  const outline = largestRing(grown(face, -params.insetMm));
  if (outline.length < 3)
    return notLaid(
      feature,
      'shape',
      `${laid.panel.name} is too small for a layer set in by ${params.insetMm} mm.`,
    );
  const sheet = ownSheet(on, params);
  const lift = scale3(cross3(plate.across, plate.up), laid.foam.thicknessMm.value);
  const raised: Plate = {
    origin: add3(plate.origin, lift),
    across: plate.across,
    up: plate.up,
    outline,
    cuts: [],
  };
  return {
    ...nothing(),
    pieces: [
      {
        ...platePiece({ id: feature.id, name: `layer on ${laid.panel.name}` }, raised, sheet),
        role: 'laid',
        featureId: feature.id,
        face: 'outer',
        note: `Glued on the outer face, ${params.insetMm} mm in from every edge. On ${laid.panel.name}.`,
      },
    ],
    solids: [plateMesh(raised, sheet.thicknessMm.value)],
    stiffens: [{ pieceId: laid.panel.id, thicknessMm: sheet.thicknessMm.value }],
  };
}
