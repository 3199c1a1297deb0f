import { ledMaxA, leds } from '../materials';
import { faceLight, type Spotlight } from '../fit';
import { byId, trimNumber, firstOf } from '../units';
import { each } from './circuitContext';
import type { Finding } from '../document';

/** What a dim hall looks like, cd/m², and the share of contrast a veil may take of it; from memory. */
const HALL_CD_M2 = 10;
const VEIL_SHARE = 0.1;
/** Light on a face: below this it is lost in a lit room; from memory. */
const FAINT_LUX = 30;

/** Lamps of what is worn on the head that shine on the face: how brightly, and how much they blind its eyes. */
export const lampsOnFace = each(({ circuit, made, report, at }): Finding[] => {
  const worn = made.lamps.filter(
    ({ item, partId }) => item.lamp && byId(report.parts, partId)?.zone === 'head',
  );
  const shareOf = (featureId: string): number =>
    (circuit.loads.find((l) => l.feature === featureId)?.currentMa ?? 0) / 1000 / ledMaxA;
  const spots = worn.map(({ item }): Spotlight => ({
    at: item.at,
    normal: item.normal,
    candela: item.lamp!.led.candela * leds[item.lamp!.colour].bright * shareOf(item.featureId),
    halfDeg: item.lamp!.led.halfDeg,
  }));
  const light = faceLight(report.body, spots);
  if (!light) return [];
  const { faceLux, veilCdM2, nearestMm, offAxisDeg } = light;
  const partId = firstOf(worn).partId;
  const lost = veilCdM2 / (veilCdM2 + HALL_CD_M2);
  const halved = circuit.loads.flatMap((load, k) =>
    load.currentMa > 1 && worn.some(({ item }) => item.featureId === load.feature)
      ? [
          {
            path: ['circuits', at, 'loads', k, 'currentMa'],
            value: Math.max(1, Math.round(load.currentMa / 2)),
          },
        ]
      : [],
  );
  return [
    {
      id: `face-light:${made.id}`,
      severity: 'note',
      station: 'inside',
      title: `“${made.name}” puts about ${trimNumber(faceLux, 0)} lx on the face${faceLux < FAINT_LUX ? ': seen in the dark only' : ''}.`,
      why: `The nearest lamp is ${trimNumber(nearestMm, 0)} mm from the nose and ${trimNumber(offAxisDeg, 0)}° off its axis. Wide lamps set as far ahead as the peak goes light a face evenly; reflective tape behind them gives about a third more (from memory).`,
      provenance: 'memory',
      excess: 1,
      partId,
      remedies: [],
    },
    ...(lost > VEIL_SHARE
      ? [
          {
            id: `face-glare:${made.id}`,
            severity: 'mind' as const,
            station: 'inside' as const,
            title: `“${made.name}” veils what its wearer sees by ${trimNumber(veilCdM2, 1)} cd/m²: ${trimNumber(lost * 100, 0)} % of the contrast of a dim hall is lost.`,
            why: 'Light at the eye over the square of its angle from the line of sight (Stiles and Holladay). Turn lamps away from the eyes, hide them behind the edge of the peak, or dim them; no lamp is looked into from near.',
            provenance: 'standard' as const,
            excess: lost - VEIL_SHARE,
            partId,
            remedies: halved.length > 0 ? [{ label: 'Half the current', changes: halved }] : [],
          },
        ]
      : []),
  ];
});
