import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { add3, boundsOf, contains, cross3, scale3, type Vec2 } from '../../geometry';
import { offsetGrid, onGrid, onPlane, spotsAlong, stretchAlong } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { plateRun, spotsOnPlate } from '../laying/plateBand';

const fields = [
  length('insetMm', 'In from the edge', [3, 100], 'To the middle of each.'),
  length('spacingMm', 'Spacing', [8, 400], 'Middle to middle, about.'),
  length('diameterMm', 'Across', [3, 40], 'Of each head.'),
  length(
    'liftMm',
    'On layers of',
    [0, 60],
    'What lies under them on the face, a layer or a trim; 0 for none.',
  ),
] as const;

const CIRCLE = 16;

const circle = (c: Vec2, diameterMm: number): Vec2[] =>
  Array.from({ length: CIRCLE }, (_, i) => ({
    x: c.x + (diameterMm / 2) * Math.cos((i / CIRCLE) * 2 * Math.PI),
    y: c.y + (diameterMm / 2) * Math.sin((i / CIRCLE) * 2 * Math.PI),
  }));

/** Rows of rivet heads along edges. */
export const rivets = defineFeature<ParamsOf<typeof fields>>({
  kind: 'rivets',
  label: 'Rivets',
  verb: 'Rivets',
  picture: [draw.plate, draw.casing(draw.discs(8, [12, 24], [28, 24], [44, 24], [60, 24]))],
  summary: 'Half-round heads along an edge, glued on the painted face.',
  station: 'shape',
  ornamental: true,
  fields,
  places: ['edges'],
  start: ({ panel, edge }) => ({
    place: { on: 'edges', runs: [{ panel, edge }] },
    params: { insetMm: 12, spacingMm: 45, diameterMm: 9, liftMm: 0 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const made = nothing();
    let count = 0;
    for (const { panel, edge } of place.on === 'edges' ? place.runs : []) {
      const laid = panelOf(on, panel);
      const onPlate = laid && plateRun(laid, edge);
      if (laid && onPlate) {
        const { plate, run } = onPlate;
        const lift = scale3(cross3(plate.across, plate.up), laid.foam.thicknessMm.value + params.liftMm);
        const b = boundsOf(plate.outline);
        const spots = spotsOnPlate(run, params.insetMm, params.spacingMm).filter((p) =>
          contains(plate.outline, p),
        );
        for (const p of spots) {
          made.marks.push({
            pieceId: panel,
            mark: { kind: 'rivet', points: circle({ x: p.x - b.minX, y: p.y - b.minY }, params.diameterMm) },
          });
          made.drawn.push({
            kind: 'rivet',
            points: [add3(onPlane(plate, p), lift)],
            acrossMm: params.diameterMm,
          });
        }
        count += spots.length;
        continue;
      }
      const stretch = laid && stretchAlong(laid.panel, edge);
      if (!stretch)
        return notLaid(
          feature,
          'shape',
          `the edge “${edge}” of “${panel}” that carried rivets is no longer there.`,
        );
      const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value + params.liftMm);
      const spots = spotsAlong(face, stretch, params.insetMm, params.spacingMm);
      for (const uv of spots) {
        made.marks.push({
          pieceId: panel,
          mark: { kind: 'rivet', points: circle(laid.flatAt(uv), params.diameterMm) },
        });
        made.drawn.push({ kind: 'rivet', points: [onGrid(face, uv)], acrossMm: params.diameterMm });
      }
      count += spots.length;
    }
    if (count === 0)
      return notLaid(feature, 'shape', `there is no room for rivets ${params.spacingMm} mm apart.`);
    made.bought.push({
      what: 'rivet heads, half round',
      unit: 'pieces',
      count,
      each: 0.08,
      massG: count * 0.2,
      provenance: 'memory',
    });
    made.work.push({
      step: 'rivets',
      when: 'painted',
      verb: 'glue',
      what: 'rivets',
      count,
      eachMin: 0.5,
      detail: 'On the painted face, each on its mark; scuff the spot first.',
      cautions: ['instantGlue'],
      waitMin: 15,
      waitFor: 'glue set',
    });
    return made;
  },
});
