import { length, type ParamsOf } from '../../document';
import type { Vec2 } from '../../geometry';
import { offsetGrid, onGrid, type Side, sides, spotsAlong } from '../../panel';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';

const fields = [
  length('insetMm', 'In from the edge', [3, 100], 'To the middle of each.'),
  length('spacingMm', 'Apart', [8, 400], 'Middle to middle, about.'),
  length('diameterMm', 'Across', [3, 40], 'Of each head.'),
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
  summary: 'Half-round heads along an edge, glued on the painted face.',
  station: 'shape',
  fields,
  places: ['edges'],
  start: ({ panel, edge }) => ({
    place: { on: 'edges', runs: [{ panel, edge }] },
    params: { insetMm: 12, spacingMm: 45, diameterMm: 9 },
  }),
  lay: (on, feature) => {
    const { place, params } = feature;
    const made = nothing();
    let count = 0;
    for (const { panel, edge } of place.on === 'edges' ? place.runs : []) {
      const laid = panelOf(on, panel);
      if (!laid || !(sides as readonly string[]).includes(edge))
        return notLaid(
          feature,
          'shape',
          `the edge “${edge}” of “${panel}” that carried rivets is no longer there.`,
        );
      const face = offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value);
      const spots = spotsAlong(face, edge as Side, params.insetMm, params.spacingMm);
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
      sure: 'memory',
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
