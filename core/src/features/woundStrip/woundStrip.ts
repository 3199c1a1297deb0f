import * as draw from '../../thumbnail';
import { trimNumber } from '../../units';
import { defineFeature, nothing, notLaid } from '../contract';
import { footingOf } from '../laying/device';
import { stripBought, stripG, stripLoad, stripStepMm } from '../laying/stripParts';
import { woundChecks } from './checks';
import { fields, type WoundParams } from './fields';
import { glowOver } from './glow';
import { BRIGHT, woundShine } from './shine';
import { sleevePieces } from './sleeve';
import { alongMm, lyingOf, windingOf } from './wound';

/** A strip wound round a core, in the middle of a sleeve or a lantern: how much of it, and how evenly it glows. */
export const woundStrip = defineFeature<WoundParams>({
  kind: 'wound-strip',
  label: 'Wound strip',
  verb: 'Wound strip',
  picture: [
    draw.foam(draw.box(20, 2, 32, 44)),
    draw.light('M20 12L52 6V10L20 16ZM20 26L52 20V24L20 30ZM20 40L52 34V38L20 44Z'),
  ],
  summary:
    'A light strip on a core, within a sleeve, a clear tube or the walls of a hollow: how much of it, and how it glows.',
  station: 'inside',
  electric: 'load',
  steady: true,
  bareWalls: (params) =>
    params['through'] === 'walls' && params['coat'] === 'bare' ? { ...params, coat: 'thin' } : undefined,
  fields,
  places: ['room'],
  start: () => ({
    place: { on: 'room', room: 'light', alongMm: 0, acrossMm: 0, turnDeg: 0 },
    params: {
      type: '12v',
      colour: 'amber',
      way: 'wound',
      coreMm: 20,
      wideMm: 30,
      thickMm: 3,
      faces: 2,
      rows: 1,
      lies: 'face',
      lengthMm: 100,
      pitchMm: 25,
      through: 'sleeve',
      coat: 'bare',
      sleeveMm: 80,
      diffuser: 'pe-3',
      layers: 1,
      evenPct: 60,
    },
  }),
  shine: woundShine,
  lay: (on, feature) => {
    const { id, params } = feature;
    const along = params.way === 'along';
    const step = stripStepMm(params.type);
    const { turns, stripMm } = along ? { turns: 0, stripMm: alongMm(params, step) } : windingOf(params);
    const parts = Math.floor(stripMm / step + 1e-6);
    const lying = lyingOf(params);
    const footing = footingOf(on, feature, lying);
    if (!footing) return notLaid(feature, 'inside', 'the room that held a wound strip is no longer there.');
    if (parts < 1)
      return notLaid(
        feature,
        'inside',
        `a wound strip of ${trimNumber(stripMm, 0)} mm is shorter than one segment.`,
      );
    const name = `${along ? 'strip on a flat core' : 'wound strip'} of ${parts} ${params.type === '5v' ? 'lamps' : 'segments'}`;
    const steady = stripLoad(params.type, name, parts, params.colour, BRIGHT);
    const last =
      params.through === 'sleeve'
        ? 'The sleeve goes round it last.'
        : 'It goes into its hollow last, its core held in the middle at both ends.';
    const glows = glowOver(footing, params);
    return {
      ...nothing(),
      items: [
        {
          id,
          featureId: id,
          name,
          at: footing.at,
          normal: footing.normal,
          marginMm: footing.marginMm,
          massG: stripG(params.type, stripMm),
          steady,
          fit: {
            needMm: lying.needMm,
            haveMm: footing.depthMm,
            widthMm: lying.widthMm,
            lengthMm: params.lengthMm,
            pocketMm: 0,
            foamMm: 0,
            roomId: footing.room.id,
            fromMm: footing.fromMm,
            prints: [footing.print],
            outline: footing.outline,
            profile: footing.profile,
          },
        },
      ],
      bought: stripBought(params.type, stripMm),
      pieces: sleevePieces(on, id, params),
      work: [
        {
          step: 'wound-strips',
          when: 'lit',
          verb: 'wind',
          what: 'light strips',
          count: 1,
          eachMin: 20,
          detail: along
            ? `${params.rows} ${params.rows === 1 ? 'row' : 'rows'} on ${params.faces === 1 ? 'one face' : 'both faces'}, each of ${trimNumber(Math.floor(params.lengthMm / step + 1e-6) * step, 0)} mm and cut on a mark; join rows with wire at the ends. Solder and test before it is stuck down. ${last}`
            : `${trimNumber(turns, 1)} turns ${trimNumber(params.pitchMm)} mm apart on ${trimNumber(params.coreMm)} mm, ${trimNumber(stripMm, 0)} mm of strip. Mark the turns on the core first; solder and test before it is stuck down. ${last}`,
          cautions: ['solder'],
          waitMin: 0,
        },
      ],
      checks: woundChecks({ on, id, name, params, footing, glows }, lying.needMm),
    };
  },
});
