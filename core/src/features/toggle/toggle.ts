import * as draw from '../../thumbnail';
import { choice, type ParamsOf } from '../../document';
import { type Switch, switches, switchPicture } from '../../materials';
import { byId, trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid } from '../contract';
import { OWN, ownSwitch, ownSwitchFields, ownSwitchStart } from './ownSwitch';
import { footingOf } from '../laying/device';
import { deviceCut, pocketChecks } from '../laying/devicePocket';

const fields = [
  choice(
    'switchId',
    'Switch',
    [
      ...switches.map((s) => [s.id, `${s.name} (${s.kind})`, switchPicture(s)] as const),
      [OWN, 'another, measured'] as const,
    ],
    'Up means on.',
    'Size',
    { open: true },
  ),
  ...ownSwitchFields,
] as const;

/** Room for the switch, its lever and its legs. */
const sizedOf = ({ widthMm, lengthMm, throwMm, deepMm, name }: Switch) => ({
  widthMm,
  lengthMm: lengthMm + throwMm,
  deepMm,
  name,
});

/** A switch set in the foam or in a room. */
export const toggle = defineFeature<ParamsOf<typeof fields>>({
  kind: 'switch',
  label: 'Switch',
  verb: 'Switch',
  picture: [
    draw.casing(draw.box(26, 17, 20, 14)),
    draw.clear(draw.box(30, 21, 6, 6)),
    draw.line('M22 24h4M46 24h4'),
  ],
  summary: 'Turns a circuit on and off.',
  station: 'inside',
  electric: 'switch',
  fields,
  places: ['panel', 'room'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { switchId: 'slide', ...ownSwitchStart },
  }),
  divide: (panels, { id, place, params }, foamOf) => {
    const found = params.switchId === OWN ? ownSwitch(params) : byId(switches, params.switchId);
    return found ? deviceCut(panels, { id, place }, sizedOf(found), foamOf) : panels;
  },
  lay: (on, feature) => {
    const { id, params } = feature;
    const found = params.switchId === OWN ? ownSwitch(params) : byId(on.switches, params.switchId);
    if (!found)
      return {
        ...nothing(),
        checks: [
          {
            id: `switch-unknown-${id}`,
            severity: 'stop',
            station: 'inside',
            title: `the switch “${params.switchId}” is not in the catalogue.`,
            why: 'Its size and rating are not known.',
            provenance: 'standard',
            excess: 1,
            remedies: on.switches.slice(0, 1).map((s) => ({
              label: s.name,
              changes: [{ path: featurePath(on, feature, 'params', 'switchId'), value: s.id }],
            })),
          },
        ],
      };
    const footing = footingOf(on, feature, found);
    if (!footing) return notLaid(feature, 'inside', 'the place that held the switch is no longer there.');
    const made = nothing();
    // A switch is set through the foam, so that its thickness counts.
    const { solid } = footing.room;
    const haveMm = footing.depthMm + (solid ? 0 : (footing.laid?.foam.thicknessMm.value ?? 0));
    made.items.push({
      id,
      featureId: id,
      name: found.name,
      at: footing.at,
      normal: footing.normal,
      ...(footing.laid && { pieceId: footing.laid.panel.id, flat: footing.flat }),
      marginMm: footing.marginMm,
      massG: found.massG,
      toggle: found,
      choose: featurePath(on, feature, 'params', 'switchId'),
      fit: {
        needMm: found.deepMm,
        haveMm,
        widthMm: found.widthMm,
        lengthMm: found.lengthMm,
        pocketMm: haveMm - footing.depthMm,
        foamMm: haveMm - footing.depthMm,
        roomId: footing.room.id,
        fromMm: footing.fromMm,
        prints: [footing.print],
        outline: footing.outline,
        profile: footing.profile,
      },
    });
    // One that was salvaged is not bought.
    if (params.switchId !== OWN)
      made.bought.push({
        what: found.name,
        unit: 'switches',
        count: 1,
        each: found.price,
        massG: 0,
        provenance: found.provenance,
      });
    made.checks.push(...pocketChecks(on, feature, footing, sizedOf(found)));
    const short = found.deepMm - haveMm;
    if (short > 0.05 && !solid)
      made.checks.push({
        id: `switch-room-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the ${found.name} is ${trimNumber(found.deepMm)} mm deep, foam and room are ${trimNumber(haveMm)} mm.`,
        why: 'It presses into the sleeve, and its lever stands too far out.',
        provenance: found.provenance,
        excess: short,
        remedies: [
          { need: 'room', mm: short },
          ...on.switches
            .filter((s) => s.deepMm <= haveMm && s.kind === 'latching')
            .map((s) => ({
              label: s.name,
              changes: [{ path: featurePath(on, feature, 'params', 'switchId'), value: s.id }],
            })),
        ],
      });
    return made;
  },
});
