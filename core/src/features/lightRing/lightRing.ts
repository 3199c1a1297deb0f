import * as draw from '../../thumbnail';
import { choice, count, type ParamsOf } from '../../document';
import { add3, cross3, scale3, unit3, type Vec3 } from '../../geometry';
import { rings, strip5V } from '../../materials';
import { counted, trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid } from '../contract';
import { footingOf } from '../laying/device';
import { lampFlux, lampRgb, type LitPoint, noShine, shellsOf } from '../laying/shine';
import { deviceCut, pocketChecks } from '../laying/devicePocket';

const fields = [
  choice(
    'lamps',
    'Ring',
    rings.map((r) => [String(r.lamps), `${counted(r.lamps, 'lamp')}, ${r.acrossMm} mm`] as const),
    'How many lamps, and how wide.',
  ),
  count('brightPct', 'Brightness, %', [5, 100], 'Of full white, at its brightest.'),
] as const;

/** A lamp of a ring is so wide, and its middle so far from the rim; mm, from memory. */
const LAMP_MM = 5;
const LAMP_IN_MM = 4;
/** Board, lamps and the wires that leave it. */
const THICK_MM = 7;

type RingParams = ParamsOf<typeof fields>;

const ringOf = ({ lamps }: RingParams) => rings.find((r) => String(r.lamps) === lamps) ?? rings[0];
const sizedOf = (params: RingParams) => ({
  widthMm: ringOf(params).acrossMm,
  lengthMm: ringOf(params).acrossMm,
  deepMm: THICK_MM,
  name: 'ring',
  shape: 'disc' as const,
});

/** Two ways across another, square to it and to each other. */
function acrossOf(way: Vec3): [Vec3, Vec3] {
  const right = unit3(cross3(way, Math.abs(way.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }));
  return [right, cross3(way, right)];
}

/** An addressable ring of lamps, behind a piece or in a room; the controller of its circuit plays it. */
export const lightRing = defineFeature<RingParams>({
  kind: 'light-ring',
  label: 'Light ring',
  verb: 'Light ring',
  picture: [
    draw.casing(draw.discs(37, [36, 24])),
    draw.clear(draw.discs(23, [36, 24])),
    draw.light(
      draw.discs(5, [36, 9], [47, 13.5], [51, 24], [47, 34.5], [36, 39], [25, 34.5], [21, 24], [25, 13.5]),
    ),
  ],
  summary: 'An addressable LED ring behind a piece or in a lantern; one controller plays all of its circuit.',
  station: 'inside',
  electric: 'load',
  steady: true,
  fields,
  places: ['panel', 'room'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { lamps: '12', brightPct: 30 },
  }),
  divide: (panels, { id, place, params }, foamOf) =>
    deviceCut(panels, { id, place }, sizedOf(params), foamOf),
  shine: (on, feature) => {
    const { id, params } = feature;
    const { acrossMm, lamps } = ringOf(params);
    const footing = footingOf(on, feature, { widthMm: acrossMm, lengthMm: acrossMm, shape: 'disc' });
    if (!footing) return noShine();
    const [right, up] = acrossOf(footing.normal);
    const r = acrossMm / 2 - LAMP_IN_MM;
    return {
      ...noShine(),
      points: Array.from({ length: lamps }, (_, i): LitPoint => {
        const turn = (2 * Math.PI * i) / lamps;
        return {
          itemId: id,
          rgb: lampRgb.white,
          at: add3(footing.at, add3(scale3(right, r * Math.cos(turn)), scale3(up, r * Math.sin(turn)))),
          normal: footing.normal,
          flux: lampFlux('white', params.brightPct / 100),
          acrossMm: LAMP_MM,
          hidden: true,
        };
      }),
      shells: shellsOf(on, [id], lampRgb.white),
    };
  },
  lay: (on, feature) => {
    const { id, params } = feature;
    const ring = ringOf(params);
    const size = { widthMm: ring.acrossMm, lengthMm: ring.acrossMm, shape: 'disc' as const };
    const footing = footingOf(on, feature, size);
    if (!footing) return notLaid(feature, 'inside', 'the place that held a light ring is no longer there.');
    const name = `ring of ${counted(ring.lamps, 'lamp')}`;
    const short = THICK_MM - footing.depthMm;
    return {
      ...nothing(),
      items: [
        {
          id,
          featureId: id,
          name,
          at: footing.at,
          normal: footing.normal,
          ...(footing.laid && { pieceId: footing.laid.panel.id, flat: footing.flat }),
          marginMm: footing.marginMm,
          massG: ring.lamps * 0.5,
          steady: {
            kind: 'digital',
            name,
            lamps: ring.lamps,
            amps: ring.lamps * (strip5V.darkA + (strip5V.fullA * params.brightPct) / 100),
            restA: ring.lamps * strip5V.darkA,
            leastV: strip5V.leastV,
            ratedV: strip5V.ratedV,
          },
          dims: { path: featurePath(on, feature, 'params', 'brightPct'), pct: params.brightPct },
          fit: {
            needMm: THICK_MM,
            haveMm: footing.depthMm,
            widthMm: ring.acrossMm,
            lengthMm: ring.acrossMm,
            pocketMm: 0,
            foamMm: footing.room.solid ? 0 : (footing.laid?.foam.thicknessMm.value ?? 0),
            roomId: footing.room.id,
            fromMm: footing.fromMm,
            prints: [footing.print],
            outline: footing.outline,
            profile: footing.profile,
          },
        },
      ],
      bought: [
        {
          what: `addressable LED ${name}`,
          unit: 'pieces',
          count: 1,
          each: ring.price,
          massG: 0,
          provenance: 'memory',
        },
      ],
      checks: footing.room.solid
        ? pocketChecks(on, feature, footing, sizedOf(params))
        : short > 0.05
          ? [
              {
                id: `ring-deep-${id}`,
                severity: 'mind',
                station: 'inside',
                title: `the ${name} is ${THICK_MM} mm thick with its wires, ${trimNumber(Math.max(0, footing.depthMm))} mm is there.`,
                why: 'It does not go in, or presses through.',
                provenance: 'memory',
                excess: short,
                ...(footing.laid && { pieceId: footing.laid.panel.id }),
                remedies: [{ need: 'room', mm: short }],
              },
            ]
          : [],
    };
  },
});
