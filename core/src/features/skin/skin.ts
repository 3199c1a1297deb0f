import { choice, count, length, type ParamsOf } from '../../document';
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
      ['thermoplastic', 'thermoplastic sheet'],
      ['dense-eva', 'dense EVA'],
      ['light-eva', 'light EVA'],
    ],
    'Thermoplastic makes it hard; thin foam covers seams and grooves.',
  ),
  count('thickMm', 'Thickness, mm', [1, 3], 'The nearest that is sold is taken.'),
  length(
    'turnedMm',
    'Turned over',
    [0, 40],
    'Beyond every edge: round the edge of the foam and on its back, or over the neighbour.',
  ),
] as const;

/** Hot thermoplastic gives about this much before it tears, thin foam less; from memory. */
const gives = { thermoplastic: 0.3, 'dense-eva': 0.12, 'light-eva': 0.12 } as const;

/** A thin skin over the whole face of a piece, turned over its edges. */
export const skin = defineFeature<ParamsOf<typeof fields>>({
  kind: 'skin',
  label: 'Skin',
  verb: 'Skin',
  summary: 'A thin sheet over the whole face, turned over its edges: hard thermoplastic, or foam over seams.',
  station: 'shape',
  fields,
  places: ['panel'],
  spotless: true,
  start: ({ panel }) => ({
    place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
    params: { sheet: 'thermoplastic', thickMm: 1, turnedMm: 15 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid) return notLaid(feature, 'shape', 'the piece that carried a skin is no longer there.');
    const sheet = on.sheet({ foamId: params.sheet, nominalMm: params.thickMm });
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
    const limit = gives[params.sheet];
    const hot = params.sheet === 'thermoplastic';
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
        worst > limit
          ? [
              {
                id: `skin-${feature.id}`,
                severity: 'mind',
                station: 'shape',
                title: `the skin over ${name} must stretch by ${trimNumber(worst * 100, 0)} %; ${sheet.name} gives about ${trimNumber(limit * 100, 0)} %.`,
                why: 'Lay it in two or more skins with a seam between, or heat it and work it in slowly.',
                sure: 'memory',
                excess: worst - limit,
                pieceId: laid.panel.id,
                cures: [],
              },
            ]
          : [],
    };
  },
});
