import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import { add3, cross3, grown, largestRing, scale3, signedArea } from '../../geometry';
import { growEdges, offsetGrid, type Piece, type Plate, plateMesh, platePiece } from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
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

/** A thin skin over the whole face of a piece, turned over its edges. */
export const skin = defineFeature<ParamsOf<typeof fields>>({
  kind: 'skin',
  label: 'Skin',
  verb: 'Skin',
  picture: [draw.plate, draw.casing('M2 4H70V44H2ZM40 44L70 22V44Z')],
  summary: 'A thin sheet over the whole face, turned over its edges: hard thermoplastic, or foam over seams.',
  station: 'shape',
  fields,
  places: ['panel'],
  spotless: true,
  start: ({ panel }) => ({
    place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
    params: { sheet: 'thermoplastic-1', turnedMm: 15 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid) return notLaid(feature, 'shape', 'the piece that carried a skin is no longer there.');
    const { foamId, nominalMm, gives } = sheets[params.sheet];
    const sheet = on.sheet({ foamId, nominalMm });
    const { name, plate } = laid.panel;
    const note = `Over the whole face of ${name}${params.turnedMm > 0 ? `, turned over every edge by ${trimNumber(params.turnedMm)} mm; snip it to the corners` : ''}.`;
    const t = laid.foam.thicknessMm.value;
    const words = {
      name: `skin over ${name}`,
      edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
      note,
    };
    const own = (piece: Piece): Piece => ({
      ...piece,
      role: 'laid',
      featureId: feature.id,
      face: 'outer',
      note,
    });
    const made = plate
      ? overPlate(plate)
      : (({ piece, mesh }) => ({
          piece: growEdges(
            piece,
            piece.edges.map(() => params.turnedMm),
          ),
          mesh,
        }))(layPatch(feature, '', offsetGrid(laid.panel.grid, t), words, sheet, 'outer'));
    function overPlate(flat: Plate): { piece: Piece; mesh: ReturnType<typeof plateMesh> } {
      const lift = scale3(cross3(flat.across, flat.up), t);
      const face: Plate = {
        origin: add3(flat.origin, lift),
        across: flat.across,
        up: flat.up,
        outline: largestRing(flat.sections?.at(-1)?.region ?? [flat.outline]),
        cuts: [],
      };
      const cut = { ...face, outline: largestRing(grown([face.outline], params.turnedMm)) };
      return {
        piece: platePiece({ id: feature.id, name: words.name }, cut, sheet),
        mesh: plateMesh(face, sheet.thicknessMm.value),
      };
    }
    const worst = made.piece.stretch?.mostly ?? 0;
    const hot = sheet.kind === 'thermoplastic';
    const m2 = Math.abs(signedArea(made.piece.outline)) * 1e-6;
    return {
      ...nothing(),
      pieces: [own(made.piece)],
      solids: [made.mesh],
      stiffens: [{ pieceId: laid.panel.id, thicknessMm: sheet.thicknessMm.value }],
      work: [
        {
          step: hot ? 'skin' : 'cover',
          when: 'formed',
          verb: hot ? 'heat and press' : 'glue',
          what: hot ? 'thermoplastic skins' : 'skins of thin foam',
          count: 1,
          eachMin: Math.max(4, Math.round(m2 * (hot ? 240 : 160))),
          detail: hot
            ? 'Warm it until it sags, lay it on from the middle outwards, press it round the edges, and let it cool before it is moved.'
            : 'Glue both faces, lay it on from the middle outwards, then round the edges.',
          cautions: hot ? ['heat'] : ['solvent', 'blade'],
          waitMin: hot ? 10 : 0,
          ...(hot && { waitFor: 'cooling' }),
        },
      ],
      checks:
        worst > gives
          ? [
              {
                id: `skin-${feature.id}`,
                severity: 'mind',
                station: 'shape',
                title: `the skin over ${name} must stretch by ${trimNumber(worst * 100, 0)} %; ${sheet.name} gives about ${trimNumber(gives * 100, 0)} %.`,
                why: 'Lay it in two or more skins with a seam between, or heat it and work it in slowly.',
                provenance: 'memory',
                excess: worst - gives,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : [],
    };
  },
});
