import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, panelOf } from '../contract';
import { discOn, ringPiece } from '../laying/ring';

const fields = [
  length('throughMm', 'Goes through', [2, 150], 'Across what passes: a lamp, a bush, a tube.'),
  length('holeMm', 'Hole', [2, 160], 'Across the hole as it was cut.'),
  length('lipMm', 'Lip', [3, 40], 'Of the ring beyond the hole, all round.'),
] as const;

/** Rings are of dense foam this thick, and their bore this much under what passes, so that it grips; common practice, no source. */
const ply = { foamId: 'dense-eva', nominalMm: 2 };
const GRIPS_MM = 1;
/** A ring of thin foam round what passes a hole: it hides the slop and grips. */
export const gasket = defineFeature<ParamsOf<typeof fields>>({
  kind: 'gasket',
  label: 'Gasket ring',
  verb: 'Gasket ring',
  picture: [draw.plate, draw.line(draw.discs(34, [36, 24])), draw.clear(draw.discs(24, [36, 24]))],
  summary: 'A ring of 2 mm foam round a lamp, bush or tube: it hides the slop of the hole and grips.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { throughMm: 10, holeMm: 11, lipMm: 5 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a gasket ring is no longer there.');
    const outerMm = Math.max(params.holeMm, params.throughMm) + 2 * params.lipMm;
    const boreMm = Math.max(1, params.throughMm - GRIPS_MM);
    const uv = { x: place.u, y: place.v };
    const sheet = on.sheet(ply);
    const { mesh, offEdgeMm: left } = discOn(laid, uv, outerMm, 0, sheet.thicknessMm.value);
    return {
      ...nothing(),
      pieces: [
        ringPiece(
          {
            id: feature.id,
            featureId: feature.id,
            name: `gasket ring ${trimNumber(params.throughMm)} mm`,
            note: `Round the hole in ${laid.panel.name}; its bore is ${trimNumber(GRIPS_MM)} mm under what passes.`,
          },
          { outerMm, boreMm },
          sheet,
        ),
      ],
      solids: [mesh],
      work: [
        {
          step: 'gaskets',
          when: 'formed',
          verb: 'fit',
          what: 'gasket rings',
          count: 1,
          eachMin: 4,
          detail:
            'Bore first, with a sharpened tube, then the outside. A dab of glue on the wall, none on what passes.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ],
      checks: [
        ...(params.holeMm < params.throughMm
          ? [
              {
                id: `gasket-hole-${feature.id}`,
                severity: 'mind' as const,
                station: 'shape' as const,
                title: `${trimNumber(params.throughMm)} mm do not go through a hole of ${trimNumber(params.holeMm)} mm.`,
                why: 'Drill half a millimetre to a millimetre over; the ring hides it.',
                provenance: 'practice' as const,
                excess: params.throughMm - params.holeMm,
                pieceId: laid.panel.id,
                remedies: [
                  {
                    label: `A hole of ${trimNumber(Math.min(160, params.throughMm + 1))} mm`,
                    changes: [
                      {
                        path: featurePath(on, feature, 'params', 'holeMm'),
                        value: Math.min(160, params.throughMm + 1),
                      },
                    ],
                  },
                ],
              },
            ]
          : []),
        ...(left < 0
          ? [
              {
                id: `gasket-edge-${feature.id}`,
                severity: 'mind' as const,
                station: 'shape' as const,
                title: `a gasket ring stands ${trimNumber(-left)} mm over the edge of ${laid.panel.name}.`,
                why: 'It is cut off there, or bent round.',
                provenance: 'standard' as const,
                excess: -left,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : []),
      ],
    };
  },
});
