import { hoursOn, takes } from '../circuit';
import { flashesPerSecond } from '../light';
import { gaugeOhmPerM, gauges } from '../materials';
import { trimNumber, findIn } from '../units';
import { about, each, handiest, ma, usePack } from './circuitContext';

/** Strips and rings on a pack of another voltage than they are made for. */
export const steadyVolts = each((input) => {
  const { made, context } = input;
  if (!made.pack || made.steady.length === 0 || takes(made.pack, made.steady, made.feed)) return [];
  const { pack } = made;
  const wrong = findIn(made.steady, (s) => !takes(pack, [s], made.feed));
  const { regulator } = made.feed;
  const volts = regulator?.volts ?? pack.cell.nominalV * pack.series;
  const wants = wrong.ratedV;
  return [
    {
      ...about(input, 'steady-volts'),
      severity: 'stop',
      title: `${made.name}: the ${wrong.name} is made for ${trimNumber(wants)} V; ${regulator?.name ?? pack.name} gives ${trimNumber(volts, 1)} V.`,
      why: 'Less leaves it dim or dark, more burns it. Lights of different voltages want circuits of their own.',
      provenance: 'memory',
      excess: Math.abs(volts - wants),
      remedies: handiest(context.catalogue.packs)
        .filter((p) => hoursOn(made, p) > 0)
        .slice(0, 2)
        .map((p) => usePack(input, p)),
    },
  ];
});

/** The far end of a strip is reported when it gets less than this of the near one's current; from memory. */
const EVEN_STRIP = 0.85;

/** A strip that fades towards its end. */
export const stripEven = each((input) => {
  const { made } = input;
  const worst = made.working?.steady.reduce<{ name: string; lastShare: number } | undefined>(
    (a, b) => (a && a.lastShare <= b.lastShare ? a : b),
    undefined,
  );
  if (!worst || worst.lastShare >= EVEN_STRIP) return [];
  return [
    {
      ...about(input, 'strip-fades'),
      severity: 'note',
      title: `${made.name}: the last segment of the ${worst.name} gets ${trimNumber(worst.lastShare * 100, 0)} % of the first one's current.`,
      why: 'Its thin copper loses volts along the way. Feed it in the middle or at both ends.',
      provenance: 'memory',
      excess: EVEN_STRIP - worst.lastShare,
      remedies: [],
    },
  ];
});

/** Volts lost on the way to the lamps, as a share of the pack's, past which the light is told to suffer; from memory. */
const MOST_DROP = 0.05;

/** Wires too thin for what they carry, or so long that the lamps dim. */
export const wiresThickEnough = each((input) => {
  const { made, at } = input;
  const { working, awg } = made;
  if (!working) return [];
  const gauge = findIn(gauges, (g) => g.awg === awg);
  const lost = working.wireVolts / working.packVolts;
  const over = working.totalA / gauge.maxA - 1;
  if (over <= 0 && lost <= MOST_DROP) return [];
  // Losses go as resistance does.
  const thicker = [...gauges]
    .reverse()
    .find(
      (g) =>
        g.awg < awg &&
        working.totalA <= g.maxA &&
        lost * (gaugeOhmPerM(g.awg) / gaugeOhmPerM(awg)) <= MOST_DROP,
    );
  return [
    {
      ...about(input, 'wire'),
      severity: 'mind',
      title:
        over > 0
          ? `${made.name}: ${ma(working.totalA)} in AWG ${awg} wire; in a bundle it carries ${ma(gauge.maxA)}.`
          : `${made.name}: ${trimNumber(lost * 100, 1)} % of the volts are lost in ${trimNumber(made.wireMm / 1000, 1)} m of AWG ${awg} wire.`,
      why: 'Thin wire grows warm in foam, and the lamps at its end are dimmer.',
      provenance: 'memory',
      excess: Math.max(over, lost / MOST_DROP - 1),
      remedies: thicker
        ? [
            {
              label: `AWG ${thicker.awg}`,
              changes: [{ path: ['circuits', at, 'wireAwg'], value: thicker.awg }],
            },
          ]
        : [],
    },
  ];
});

/** More flashes in a second are reported as dangerous (WCAG 2.2, success criterion 2.3.1). */
const MOST_FLASHES = 3;

/** An effect that flashes too often. */
export const flashesSafely = each((input) => {
  const { made, circuit, at } = input;
  const { effect } = circuit;
  if (!effect || made.flashes <= MOST_FLASHES) return [];
  const slower = [0.5, 0.8, 1, 1.5, 2, 3, 5, 8].find(
    (periodS) =>
      periodS > effect.periodS && flashesPerSecond({ ...effect, periodS }, made.played) <= MOST_FLASHES,
  );
  return [
    {
      ...about(input, 'flash'),
      severity: 'stop',
      title: `${made.name}: ${made.flashes} flashes in a second; three are the most.`,
      why: 'Flashing light can cause seizures. Tell people near you, keep it from faces, and follow the event’s rules.',
      provenance: 'standard',
      excess: made.flashes - MOST_FLASHES,
      remedies: [
        ...(slower === undefined
          ? []
          : [
              {
                label: `A round in ${trimNumber(slower)} s`,
                changes: [{ path: ['circuits', at, 'effect', 'periodS'], value: slower }],
              },
            ]),
        {
          label: 'Steady light',
          changes: [{ path: ['circuits', at, 'effect'], value: { kind: 'steady', periodS: effect.periodS } }],
        },
      ],
    },
  ];
});

/** An effect on lamps that nothing plays. */
export const effectPlayed = each((input) => {
  const { made, circuit } = input;
  const plays = made.steady.some((s) => s.kind === 'digital');
  if (!circuit.effect || circuit.effect.kind === 'steady' || plays || made.lamps.length === 0) return [];
  return [
    {
      ...about(input, 'effect'),
      severity: 'note',
      title: `${made.name}: lamps on a pack alone only shine; an effect wants a controller with a transistor for each string, or addressable lamps.`,
      why: 'A microcontroller board switches tens of milliamperes by itself; more goes through a transistor. The effect goes out as a table under Cut.',
      provenance: 'practice',
      excess: 1,
      remedies: [],
    },
  ];
});

/** A lithium pack without a fuse. */
export const lithiumFused = each((input) => {
  const { made, circuit, at } = input;
  if (!made.pack?.cell.wantsFuse || circuit.fused) return [];
  return [
    {
      ...about(input, 'fuse'),
      severity: 'stop',
      title: `${made.name}: ${made.pack.name} without a fuse.`,
      why: 'A shorted lithium cell gives tens of amperes and can burn. Protected cells only, a fuse within a finger of the plus pole, charged outside the prop; the cell maker’s sheet and the event’s and carrier’s rules come first.',
      provenance: 'practice',
      excess: 1,
      remedies: [
        { label: 'A fuse by the pack', changes: [{ path: ['circuits', at, 'fused'], value: true }] },
      ],
    },
  ];
});

/** A power bank that takes the lamps for nothing at all. */
export const bankStaysAwake = each((input) => {
  const { made, context } = input;
  const least = made.pack?.cell.sleepsBelowA;
  const draws = made.working?.totalA ?? 0;
  if (least === undefined || draws === 0 || draws >= least) return [];
  return [
    {
      ...about(input, 'asleep'),
      severity: 'mind',
      title: `${made.name}: the lamps draw ${ma(draws)}; a power bank switches itself off below about ${ma(least)}.`,
      why: 'Banks take a small load for a telephone that is full. Try yours for ten minutes, or take cells.',
      provenance: 'memory',
      excess: least - draws,
      remedies: handiest(context.catalogue.packs)
        .filter((p) => p.cell.sleepsBelowA === undefined && hoursOn(made, p) > 0)
        .slice(0, 2)
        .map((p) => usePack(input, p)),
    },
  ];
});
