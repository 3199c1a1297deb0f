import { hoursOn } from '../circuit';
import { linearMostW, regulators } from '../materials';
import { printVolts, trimNumber, firstOf } from '../units';
import { about, each, handiest, ma, usePack } from './circuitContext';

/** A regulator that cannot hold its voltage even on fresh cells, or gives more than it may. */
export const regulatorHolds = each((input) => {
  const { made, context, at } = input;
  const { regulator } = made.feed;
  if (!regulator || !made.pack || !made.solved) return [];
  const { working } = made;
  const over = working ? working.lightA / regulator.maxA - 1 : -1;
  if (working?.regulated?.holds === true && over <= 0) return [];
  const fresh = firstOf(made.pack.cell.voltage).volts * made.pack.series;
  const starved = working?.regulated?.holds !== true;
  const other = regulator.kind === 'step-up' ? regulators['step-down'] : regulators['step-up'];
  return [
    {
      ...about(input, 'regulator'),
      severity: 'stop',
      title: starved
        ? `${made.name}: the ${regulator.name} cannot make ${printVolts(regulator.volts)} of the ${printVolts(fresh)} of ${made.pack.name}.`
        : `${made.name}: the ${regulator.name} gives ${ma(working!.lightA)}; it may give ${ma(regulator.maxA)}.`,
      why: starved
        ? 'A linear regulator and a step-down want more than they give, a step-up less, and both want a pack that can give the power.'
        : 'Past its rating it shuts down or burns.',
      provenance: regulator.provenance,
      excess: Math.max(over, 1),
      remedies: [
        ...(starved
          ? [
              {
                label: `A ${other.name}`,
                changes: [{ path: ['circuits', at, 'regulator', 'kind'], value: other.kind }],
              },
            ]
          : []),
        ...handiest(context.catalogue.packs)
          .filter((p) => hoursOn(made, p) > 0)
          .slice(0, 2)
          .map((p) => usePack(input, p)),
      ],
    },
  ];
});

/** A linear regulator that turns too much of the pack into heat. */
export const regulatorCool = each((input) => {
  const { made, at } = input;
  const heatW = made.working?.regulated?.heatW ?? 0;
  if (made.feed.regulator?.kind !== 'linear' || heatW <= linearMostW) return [];
  return [
    {
      ...about(input, 'regulator-hot'),
      severity: 'mind',
      title: `${made.name}: the linear regulator gives off ${trimNumber(heatW, 1)} W; in foam ${trimNumber(linearMostW, 1)} W is the most.`,
      why: 'What the lamps do not need it turns into heat, and foam keeps heat in. A step-down board does not.',
      provenance: 'memory',
      excess: heatW - linearMostW,
      remedies: [
        {
          label: 'A step-down board',
          changes: [{ path: ['circuits', at, 'regulator', 'kind'], value: 'step-down' }],
        },
      ],
    },
  ];
});

/** A switch stands this many times its rating for the moment its capacitors fill; from memory. */
const MOMENT = 20;

/** Addressable lamps carry capacitors: for a moment the pack is nearly shorted through the switch. */
export const inrushBorne = each((input) => {
  const { made } = input;
  if (!made.pack || !made.switch || !made.steady.some((s) => s.kind === 'digital')) return [];
  const volts = firstOf(made.pack.cell.voltage).volts * made.pack.series;
  const ohm = made.pack.series * made.pack.cell.internalOhm + made.feed.switchOhm + made.feed.wireOhm;
  const moment = volts / Math.max(0.02, ohm);
  if (moment <= made.switch.maxA * MOMENT) return [];
  return [
    {
      ...about(input, 'inrush'),
      severity: 'note',
      title: `${made.name}: for a moment ${trimNumber(moment, 0)} A fill the capacitors through a ${made.switch.name} rated ${trimNumber(made.switch.maxA, 1)} A.`,
      why: 'Its contacts pit and may weld in time. A rocker or toggle stands it; so does a switch that only tells the controller.',
      provenance: 'memory',
      excess: moment / made.switch.maxA,
      remedies: [],
    },
  ];
});
