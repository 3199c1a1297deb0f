import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { trimNumber } from '../../units';
import { offsetGrid, onGrid } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { discOn, ringPiece } from '../laying/ring';

const fields = [
  length('acrossMm', 'Across', [5, 150], 'Of the lens, over its rim.', 'Lens'),
  length('thickMm', 'Thickness', [0.5, 40], 'Of the lens at its rim.', 'Lens'),
  length('ledgeMm', 'Ledge', [1, 30], 'What holds it in, all round, before and behind.', 'Seat'),
  length('lipMm', 'Lip', [3, 40], 'Of the seat beyond the lens, all round.', 'Seat'),
  madeOf,
  thicknessOf('Of the seat; as many layers as the lens is thick.', { group: 'Seat' }),
] as const;

type LensParams = ParamsOf<typeof fields>;

/** The ring before the lens is of dense foam this thick, and the seat is bored this much under it; common practice, no source. */
const keeper = { foamId: 'dense-eva', nominalMm: 2 };
const GRIPS_MM = 1;
/** A window smaller than this is none. */
const LEAST_WINDOW_MM = 3;
/** Foam gives so much of a lens that is thicker than its seat. */
const GIVES_MM = 0.5;

/**
 * A recess for a lens: a window cut in the piece, which is the ledge behind it; a seat of foam rings on the outer face,
 * as deep as the lens; and a thin ring over both that keeps it in.
 */
export const lens = defineFeature<LensParams>({
  kind: 'lens',
  label: 'Lens recess',
  verb: 'Lens recess',
  picture: [draw.plate, draw.clear(draw.discs(30, [36, 24])), draw.line(draw.discs(36, [36, 24]))],
  summary: 'A window with a ledge, a seat as deep as the lens and a ring that keeps it in.',
  station: 'shape',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { acrossMm: 40, thickMm: 3, ledgeMm: 3, lipMm: 8, madeOf: 'part', foamMm: 2 },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a lens is no longer there.');
    const { name } = laid.panel;
    const { acrossMm, thickMm, ledgeMm, lipMm } = params;
    const windowMm = acrossMm - 2 * ledgeMm;
    if (windowMm < LEAST_WINDOW_MM)
      return notLaid(
        feature,
        'shape',
        `a ledge of ${trimNumber(ledgeMm)} mm all round closes a lens of ${trimNumber(acrossMm)} mm.`,
      );
    const uv = { x: place.u, y: place.v };
    const sheet = ownSheet(on, params);
    const front = on.sheet(keeper);
    const layers = Math.max(1, Math.ceil((thickMm - GIVES_MM) / sheet.thicknessMm.value));
    const seatMm = layers * sheet.thicknessMm.value;
    const outerMm = acrossMm + 2 * lipMm;
    const seat = discOn(laid, uv, outerMm, 0, seatMm + front.thicknessMm.value);
    if (seat.offEdgeMm + outerMm / 2 - windowMm / 2 < 1)
      return notLaid(feature, 'shape', `the window of a lens breaks the edge of ${name}.`);
    const loose = seatMm - thickMm;
    return {
      ...nothing(),
      holes: [
        {
          pieceId: laid.panel.id,
          hole: { id, kind: 'hole', centre: laid.flatAt(uv), diameterMm: windowMm },
        },
      ],
      drawn: [
        {
          kind: 'hole',
          points: [onGrid(offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value), uv)],
          acrossMm: windowMm,
        },
      ],
      pieces: [
        ringPiece(
          {
            id,
            featureId: id,
            name: `lens seat ${trimNumber(acrossMm)} mm`,
            note: `Round the window in ${name}; bored ${trimNumber(GRIPS_MM)} mm under the lens, so that it grips.`,
            each: layers,
          },
          { outerMm, boreMm: acrossMm - GRIPS_MM },
          sheet,
        ),
        ringPiece(
          {
            id: `${id}.keeper`,
            featureId: id,
            name: `lens ring ${trimNumber(acrossMm)} mm`,
            note: 'Over the seat, when the lens is in and everything is painted.',
          },
          { outerMm, boreMm: windowMm },
          front,
        ),
      ],
      solids: [seat.mesh],
      work: [
        {
          step: 'lens-seats',
          when: 'formed',
          verb: 'seat',
          what: 'lenses',
          count: 1,
          eachMin: 6 + 3 * layers,
          detail: 'Window first, then the seat round it; try the lens dry and take it out again.',
          cautions: ['blade', 'solvent'],
          waitMin: 0,
        },
        {
          step: 'lenses',
          when: 'painted',
          verb: 'set',
          what: 'lenses',
          count: 1,
          eachMin: 5,
          detail:
            'After paint, the ring over both. Solvent glue fogs and crazes clear plastic: only on the foam, and none on the lens.',
          cautions: ['solvent'],
          waitMin: 0,
        },
      ],
      checks: [
        ...(loose > 1
          ? [
              {
                id: `lens-loose-${id}`,
                severity: 'note' as const,
                station: 'shape' as const,
                title: `the lens lies ${trimNumber(loose)} mm loose in its seat in ${name}.`,
                why: 'A strip of thin foam behind it takes that up, or thinner foam for the seat.',
                provenance: 'standard' as const,
                excess: loose,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : []),
        ...(seat.offEdgeMm < 0
          ? [
              {
                id: `lens-edge-${id}`,
                severity: 'mind' as const,
                station: 'shape' as const,
                title: `a lens seat stands ${trimNumber(-seat.offEdgeMm)} mm over the edge of ${name}.`,
                why: 'It is cut off there, or bent round; a narrower lip may do.',
                provenance: 'standard' as const,
                excess: -seat.offEdgeMm,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : []),
      ],
    };
  },
});
