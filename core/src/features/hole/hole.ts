import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { distanceToEdge } from '../../geometry';
import { trimNumber } from '../../units';
import { offsetGrid, onGrid } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';

const fields = [length('diameterMm', 'Across', [2, 120], 'Of the hole.')] as const;

/** Least foam between a hole and an edge, mm; common practice, no source. */
const LEAST_MM = 6;

/** A round hole cut through. */
export const hole = defineFeature<ParamsOf<typeof fields>>({
  kind: 'hole',
  label: 'Hole',
  verb: 'Hole',
  picture: [draw.plate, draw.clear(draw.discs(10, [36, 24]))],
  summary: 'A round hole cut through, for a post, a cord or air.',
  station: 'shape',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { diameterMm: 10 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a hole is no longer there.');
    const uv = { x: place.u, y: place.v };
    const centre = laid.flatAt(uv);
    const left = distanceToEdge(laid.piece.outline, centre) - params.diameterMm / 2;
    if (left < 1)
      return notLaid(
        feature,
        'shape',
        `a hole of ${params.diameterMm} mm breaks the edge of ${laid.panel.name}.`,
      );
    const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
    return {
      ...nothing(),
      holes: [
        {
          pieceId: laid.panel.id,
          hole: { id: feature.id, kind: 'hole', centre, diameterMm: params.diameterMm },
        },
      ],
      drawn: [{ kind: 'hole', points: [onGrid(face, uv)], acrossMm: params.diameterMm }],
      work: [
        {
          step: 'holes',
          when: 'flat',
          verb: 'cut',
          what: 'holes',
          count: 1,
          eachMin: 3,
          detail: 'Before the outline, while the sheet still holds; a sharpened tube cuts them clean.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ],
      checks:
        left < LEAST_MM
          ? [
              {
                id: `hole-${feature.id}`,
                severity: 'mind',
                station: 'shape',
                title: `${laid.panel.name}: a hole stands ${trimNumber(left)} mm from an edge; keep ${LEAST_MM} mm.`,
                why: 'A thin bridge of foam tears when it is bent.',
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
