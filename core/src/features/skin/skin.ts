import * as draw from '../../thumbnail';
import { type Check, choice, length, type ParamsOf } from '../../document';
import { add3, cross3, grown, largestRing, type Mesh, scale3, signedArea } from '../../geometry';
import type { FoamSheet } from '../../materials';
import {
  growEdges,
  type LaidPanel,
  offsetGrid,
  type Piece,
  type Plate,
  plateMesh,
  platePiece,
} from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, glued, type LaidPart, nothing, notLaid, panelOf } from '../contract';
import { layPatch } from '../laying/patch';

const fields = [
  choice(
    'sheet',
    'Of',
    [
      ['thermoplastic-1', '1 mm thermoplastic sheet'],
      ['thermoplastic-2', '2 mm thermoplastic sheet'],
      ['dense-eva-2', '2 mm dense EVA'],
      ['light-eva-2', '2 mm light EVA'],
      ['light-eva-3', '3 mm light EVA'],
    ],
    'Thermoplastic makes it hard; thin foam covers seams and grooves.',
  ),
  choice(
    'over',
    'Over',
    [
      ['piece', 'this piece'],
      ['joined', 'it and all that is glued to it'],
    ],
    'Each piece has a skin of its own; two that meet overlap once.',
  ),
  length(
    'turnedMm',
    'Turned over',
    [0, 40],
    'Beyond every edge: round the edge of the foam and on its back, or over the neighbour.',
  ),
] as const;

/** What each is cut from, and how much it gives before it tears: hot thermoplastic more than thin foam; from memory. */
const sheets = {
  'thermoplastic-1': { foamId: 'thermoplastic', nominalMm: 1, gives: 0.3 },
  'thermoplastic-2': { foamId: 'thermoplastic', nominalMm: 2, gives: 0.3 },
  'dense-eva-2': { foamId: 'dense-eva', nominalMm: 2, gives: 0.12 },
  'light-eva-2': { foamId: 'light-eva', nominalMm: 2, gives: 0.12 },
  'light-eva-3': { foamId: 'light-eva', nominalMm: 3, gives: 0.12 },
} as const;

type SkinParams = ParamsOf<typeof fields>;

/** A piece and all that hang together with it by glued seams, in the order they are reached. */
function gluedTo(on: LaidPart, first: LaidPanel): LaidPanel[] {
  const found = [first];
  for (const { piece } of found)
    for (const edge of piece.edges) {
      const next = glued(on, edge);
      if (next && !next.panel.loose && !found.includes(next)) found.push(next);
    }
  return found;
}

const edgeNames = { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' };

/** A skin over one piece: cut to the edge where it laps over a neighbour that is skinned before it, turned over elsewhere. */
function skinOf(
  id: string,
  laid: LaidPanel,
  before: readonly LaidPanel[],
  { turnedMm }: SkinParams,
  sheet: FoamSheet,
): { piece: Piece; mesh: Mesh } {
  const { name, plate, grid } = laid.panel;
  const t = laid.foam.thicknessMm.value;
  // An outline of its own is turned over all round.
  const laps = plate
    ? []
    : laid.piece.edges.filter((e) => before.some((l) => l.panel.id === e.mate?.pieceId));
  const turned = turnedMm > 0 && laps.length < laid.piece.edges.length;
  const note = [
    `Over the whole face of ${name}`,
    ...(turned
      ? [
          `turned over ${laps.length > 0 ? 'every other edge' : 'every edge'} by ${trimNumber(turnedMm)} mm; snip it to the corners`,
        ]
      : []),
    ...(laps.length > 0
      ? [`cut to ${laps.map((e) => `the ${e.name}`).join(' and ')}, over what is turned there already`]
      : []),
  ].join(', ');
  const finished = (piece: Piece): Piece => ({ ...piece, role: 'laid', face: 'outer', note: `${note}.` });
  if (plate) {
    const face: Plate = {
      origin: add3(plate.origin, scale3(cross3(plate.across, plate.up), t)),
      across: plate.across,
      up: plate.up,
      outline: largestRing(plate.sections?.at(-1)?.region ?? [plate.outline]),
      cuts: [],
    };
    const cut = { ...face, outline: largestRing(grown([face.outline], turnedMm)) };
    return {
      piece: finished(platePiece({ id, name: `skin over ${name}` }, cut, sheet)),
      mesh: plateMesh(face, sheet.thicknessMm.value),
    };
  }
  const { piece, mesh } = layPatch(
    { id },
    '',
    offsetGrid(grid, t),
    { name: `skin over ${name}`, edges: edgeNames, note },
    sheet,
    'outer',
  );
  const grow = piece.edges.map((e) => (laps.some((l) => l.id === e.id) ? 0 : turnedMm));
  return { piece: finished(growEdges(piece, grow)), mesh };
}

/** A thin skin over the whole face of a piece, or of all that is glued to it, turned over the edges. */
export const skin = defineFeature<SkinParams>({
  kind: 'skin',
  label: 'Skin',
  verb: 'Skin',
  picture: [draw.plate, draw.casing('M2 4H70V44H2ZM40 44L70 22V44Z')],
  summary:
    'A thin sheet over one face or several, turned over the edges: hard thermoplastic, or foam over seams.',
  station: 'shape',
  fields,
  places: ['panel'],
  spotless: true,
  start: ({ panel }) => ({
    place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
    params: { sheet: 'thermoplastic-1', over: 'piece', turnedMm: 15 },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const first = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!first) return notLaid(feature, 'shape', 'the piece that carried a skin is no longer there.');
    const { foamId, nominalMm, gives } = sheets[params.sheet];
    const sheet = on.sheet({ foamId, nominalMm });
    const covered = params.over === 'joined' ? gluedTo(on, first) : [first];
    const skins = covered.map((laid, i) => ({
      laid,
      ...skinOf(i === 0 ? id : `${id}.${laid.panel.id}`, laid, covered.slice(0, i), params, sheet),
    }));
    const hot = sheet.kind === 'thermoplastic';
    const m2 = skins.reduce((sum, { piece }) => sum + Math.abs(signedArea(piece.outline)), 0) * 1e-6;
    return {
      ...nothing(),
      pieces: skins.map(({ piece }) => ({ ...piece, featureId: id })),
      solids: skins.map(({ mesh }) => mesh),
      stiffens: skins.map(({ laid }) => ({
        pieceId: laid.panel.id,
        thicknessMm: sheet.thicknessMm.value,
      })),
      work: [
        {
          step: hot ? 'skin' : 'cover',
          when: 'formed',
          verb: hot ? 'heat and press' : 'glue',
          what: hot ? 'thermoplastic skins' : 'skins of thin foam',
          count: skins.length,
          eachMin: Math.max(4, Math.round((m2 * (hot ? 240 : 160)) / skins.length)),
          detail: hot
            ? 'Warm it until it sags, lay it on from the middle outwards, press it round the edges, and let it cool before it is moved.'
            : 'Glue both faces, lay it on from the middle outwards, then round the edges.',
          cautions: hot ? ['heat'] : ['solvent', 'blade'],
          waitMin: hot ? 10 : 0,
          ...(hot && { waitFor: 'cooling' }),
        },
      ],
      checks: skins.flatMap(({ laid, piece }, i): Check[] => {
        const worst = piece.stretch?.mostly ?? 0;
        return worst > gives
          ? [
              {
                id: i === 0 ? `skin-${id}` : `skin-${id}-${laid.panel.id}`,
                severity: 'mind',
                station: 'shape',
                title: `the skin over ${laid.panel.name} must stretch by ${trimNumber(worst * 100, 0)} %; ${sheet.name} gives about ${trimNumber(gives * 100, 0)} %.`,
                why: 'Lay it in two or more skins with a seam between, or heat it and work it in slowly.',
                provenance: 'memory',
                excess: worst - gives,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : [];
      }),
    };
  },
});
