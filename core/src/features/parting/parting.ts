import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import { trimNumber } from '../../units';
import { defineFeature, nothing, notLaid, panelOf, type Work } from '../contract';
import { divided } from './divide';

const fields = [
  length(
    'staggerMm',
    'Stagger',
    [0, 200],
    'Layers are parted by half of this above and below the line in turn, so that no joint lies on another.',
  ),
  choice(
    'joint',
    'Joined by',
    [
      ['glue', 'glue, face to face'],
      ['pins', 'glue and two dowel pins'],
      ['magnets', 'magnets, to come apart'],
    ],
    'How the two parts hold together.',
  ),
] as const;

type PartingParams = ParamsOf<typeof fields>;

/** Work at one joint in minutes, what is bought for it, and what is done; from memory. */
const joints: Record<
  PartingParams['joint'],
  {
    eachMin: number;
    detail: string;
    bought?: { what: string; unit: string; count: number; each: number; massG: number };
  }
> = {
  glue: {
    eachMin: 8,
    detail: 'Glue the butted ends of each layer, then the layers over each other’s joints.',
  },
  pins: {
    eachMin: 18,
    detail: 'Drill both ends 30 mm deep for 6 mm dowel pins in the middle layer before gluing; try them dry.',
    bought: { what: '6 mm dowel pin, 60 mm', unit: 'pins', count: 2, each: 0.2, massG: 1 },
  },
  magnets: {
    eachMin: 15,
    detail:
      'Recess a magnet in each end, poles tried before they are glued. Leave the ends themselves dry: they come apart. Keep loose magnets from children and from pacemakers.',
    bought: { what: 'magnet, 10 × 3 mm', unit: 'magnets', count: 4, each: 0.5, massG: 1.8 },
  },
};

/** A straight line along which flat pieces are cut in two, for the sheet, the luggage, or the oven. */
export const parting = defineFeature<PartingParams>({
  kind: 'parting',
  label: 'Parting line',
  verb: 'Divide it',
  picture: [draw.foam(draw.box(2, 4, 31, 40)), draw.foam(draw.box(39, 4, 31, 40)), draw.line('M36 2V46')],
  summary: 'Parts a board or a lamination in two along a line: longer than a sheet, or than the luggage.',
  station: 'shape',
  parts: true,
  fields,
  places: ['panel'],
  remedies: 'split',
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { staggerMm: 30, joint: 'glue' },
  }),
  divide: (panels, { place, params }) =>
    place.on === 'panel'
      ? divided(panels, {
          panelId: place.panel,
          spot: { x: place.u, y: place.v },
          turn: (place.turnDeg * Math.PI) / 180,
          staggerMm: params.joint === 'magnets' ? 0 : params.staggerMm,
        })
      : [...panels],
  lay: (on, feature) => {
    const { place, params } = feature;
    const own = place.on === 'panel' ? place.panel : '';
    // It may be drawn on a part of a board that another line has parted.
    const whole = panelOf(on, own)?.panel.dividedFrom;
    const parts = on.panels.filter((l) => whole !== undefined && l.panel.dividedFrom === whole);
    if (parts.length < 2)
      return notLaid(
        feature,
        'shape',
        'a parting line crosses no flat piece; only boards and laminations are parted.',
      );
    const { eachMin, detail, bought } = joints[params.joint];
    const layers = new Set(on.panels.flatMap((l) => l.panel.dividedFrom ?? [])).size;
    const work: Work = {
      step: 'parting',
      when: 'flat',
      verb: params.joint === 'magnets' ? 'fit' : 'join',
      what: 'parted boards',
      count: 1,
      eachMin: eachMin * layers,
      detail: `${detail}${params.staggerMm > 0 && params.joint !== 'magnets' ? ` Joints stand ${trimNumber(params.staggerMm)} mm apart from layer to layer.` : ''}`,
      cautions: params.joint === 'pins' ? ['dust'] : [],
      waitMin: 0,
    };
    return {
      ...nothing(),
      work: [work],
      bought: bought ? [{ ...bought, provenance: 'memory' }] : [],
    };
  },
});
