import * as draw from '../../thumbnail';
import { isRigid } from '../../materials';
import { choice, length, type ParamsOf } from '../../document';
import { contains, distanceToEdge } from '../../geometry';
import { offsetGrid, onGrid } from '../../panel';
import { trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { cutThrough, openingRing } from '../laying/cutThrough';

const fields = [
  length('widthMm', 'Width', [2, 300], 'Across.'),
  length('lengthMm', 'Length', [2, 600], 'Along.'),
  choice(
    'ends',
    'Ends',
    [
      ['round', 'round'],
      ['square', 'square'],
    ],
    'Round ends are drilled and do not tear.',
  ),
  choice(
    'through',
    'Through',
    [
      ['all', 'every layer'],
      ['one', 'this piece'],
    ],
    'Of a lamination: all layers that lie there, or the one alone.',
  ),
] as const;

type OpeningParams = ParamsOf<typeof fields>;

/** Least foam between an opening and an edge, mm; common practice, no source. */
const LEAST_MM = 8;
/** A slot or window cut through: in one piece, or through every layer of a lamination at once. */
export const opening = defineFeature<OpeningParams>({
  kind: 'opening',
  label: 'Opening',
  verb: 'Opening',
  picture: [draw.plate, draw.clear('M22 18h28a6 6 0 0 1 0 12h-28a6 6 0 0 1 0 -12Z')],
  summary: 'A slot or window cut through a piece, or through every layer of a lamination.',
  station: 'shape',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { widthMm: 12, lengthMm: 40, ends: 'round', through: 'all' },
  }),
  divide: (panels, { id, place, params }) =>
    place.on === 'panel'
      ? cutThrough(panels, { id, name: 'opening', place, params, layers: params.through })
      : [...panels],
  lay: (on, feature) => {
    const { place, params } = feature;
    const cut = on.panels.filter((l) => l.panel.plate?.cuts.some((c) => c.id === feature.id));
    const own = place.on === 'panel' ? place.panel : '';
    // Of a board that is parted, the half it lies on.
    const laid = cut.find((l) => l.panel.id === own || l.panel.dividedFrom === own) ?? panelOf(on, own);
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried an opening is no longer there.');
    const size = `${trimNumber(params.lengthMm)} × ${trimNumber(params.widthMm)} mm`;
    const uv = { x: place.u, y: place.v };
    const spot = laid.flatAt(uv);
    const ring = openingRing(params, place.turnDeg).map((p) => ({ x: spot.x + p.x, y: spot.y + p.y }));
    const left = Math.min(
      ...ring.map((p) => (contains(laid.piece.outline, p) ? distanceToEdge(laid.piece.outline, p) : -1)),
    );
    if (left < 1)
      return notLaid(feature, 'shape', `an opening of ${size} breaks the edge of ${laid.panel.name}.`);
    const layers = cut.length;
    const rigid = isRigid(laid.foam.kind);
    return {
      ...nothing(),
      // In a flat piece it is cut already; on a bent one it is drawn where the piece lies flat.
      marks:
        layers > 0
          ? []
          : [
              {
                pieceId: laid.panel.id,
                mark: { kind: 'slot', points: ring, text: `opening ${size}`, airs: true },
              },
            ],
      drawn: [
        {
          kind: 'hole',
          points: [onGrid(offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value), uv)],
          acrossMm: Math.min(params.widthMm, params.lengthMm),
        },
      ],
      work: [
        {
          step: 'openings',
          when: 'flat',
          verb: 'cut',
          what: 'openings',
          count: Math.max(1, layers),
          eachMin: rigid ? 8 : 4,
          detail: rigid
            ? 'Drill a pilot hole in each end, then the full size, then saw between and file to the line; clamp it on waste board.'
            : `${params.ends === 'round' ? 'Punch the ends first with a sharpened tube, then cut between them.' : 'Cut each side from the corners inwards.'} Before the outline, while the sheet still holds; glue a lamination over a stick as wide as the opening, so that the layers line up.`,
          cautions: [rigid ? 'boardDust' : 'blade'],
          waitMin: 0,
        },
      ],
      checks:
        left < LEAST_MM
          ? [
              {
                id: `opening-${feature.id}`,
                severity: 'mind',
                station: 'shape',
                title: `${laid.panel.name}: an opening of ${size} stands ${trimNumber(left)} mm from an edge; keep ${LEAST_MM} mm.`,
                why: 'A thin bridge tears when it is bent or knocked.',
                provenance: 'practice',
                excess: LEAST_MM - left,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : [],
    };
  },
});
