import { type CircuitReport, hoursOn, resistorRatedW, solveOn, takes } from '../circuit';
import type { Circuit } from '../document';
import { ledMaxA, regulators } from '../materials';
import { printHours, trimNumber, findIn, itemAt } from '../units';
import {
  about,
  atCurrent,
  choose,
  type CircuitContext,
  each,
  handiest,
  ma,
  mostMa,
  usePack,
} from './circuitContext';
import { dimmedTo } from './dimmed';
import type { Finding, Remedy } from '../document';
import type { BuildRule } from './rule';

/** The lamps cannot be lit from this pack at all. */
export const stringsFeasible = each((input) => {
  const { made, context } = input;
  if (made.infeasible === undefined || !made.pack) return [];
  return [
    {
      ...about(input, 'infeasible'),
      severity: 'stop',
      title: `${made.name}: ${made.pack.name} cannot light these lamps. ${made.infeasible}`,
      why: 'A lamp needs its forward voltage and something over for the resistor that sets its current.',
      provenance: 'standard',
      excess: 1,
      remedies: handiest(context.catalogue.packs)
        .filter((p) => hoursOn(made, p) > 0)
        .slice(0, 2)
        .map((p) => usePack(input, p)),
    },
  ];
});

/** More current than the lamp stands. */
export const lampCurrent = each((input) => {
  const { circuit, made, at } = input;
  const most = ledMaxA * 1000;
  const over = mostMa(input) - most;
  if (over <= 0 || made.groups.length === 0) return [];
  return [
    {
      ...about(input, 'lamp-current'),
      severity: 'stop',
      title: `${made.name}: ${trimNumber(mostMa(input), 1)} mA through each lamp; ${most} mA is the most an ordinary one stands.`,
      why: 'It grows hot, fades and fails.',
      provenance: 'memory',
      excess: over,
      remedies: [
        {
          label: `${most} mA`,
          changes: circuit.loads.flatMap((l, i) =>
            l.currentMa > most ? [{ path: ['circuits', at, 'loads', i, 'currentMa'], value: most }] : [],
          ),
        },
      ],
    },
  ];
});

const hottestW = (made: CircuitReport, currentMa?: number): number => {
  const solved = made.pack && solveOn(made.groups, made.pack, currentMa);
  return solved?.ok ? Math.max(0, ...solved.value.strings.map((s) => s.resistorW)) : 0;
};

/** Currents a lamp may be run at instead, mA, the brightest first. */
const gentler = [15, 12, 10, 8, 6, 5, 4, 3, 2, 1];

/** What the pack gives when every lamp is run at a current; more than any pack where that cannot be solved. */
function totalAt(made: CircuitReport, currentMa: number): number {
  const solved = made.pack && !made.feed.regulator && solveOn(made.groups, made.pack, currentMa);
  return solved && solved.ok ? solved.value.totalA : Infinity;
}

/** A resistor past half its rating. */
export const resistorCool = each((input) => {
  const { made } = input;
  const hottest = hottestW(made);
  if (hottest <= resistorRatedW / 2) return [];
  const cooler = gentler.find((ma) => ma < mostMa(input) && hottestW(made, ma) <= resistorRatedW / 2);
  return [
    {
      ...about(input, 'resistor'),
      severity: 'mind',
      title: `${made.name}: a resistor turns ${trimNumber(hottest * 1000, 0)} mW into heat; a ¼ W one should stay under ${trimNumber(resistorRatedW * 500, 0)} mW inside foam.`,
      why: 'Makers use a resistor at under half its rated watts; foam keeps the heat in.',
      provenance: 'practice',
      excess: hottest - resistorRatedW / 2,
      remedies:
        cooler === undefined ? [] : [{ label: `${cooler} mA a lamp`, changes: atCurrent(input, cooler) }],
    },
  ];
});

/** What the pack gives at most: as solved, and never less than the strings add up to without a regulator between. */
const drawnA = ({ working, solved, feed }: CircuitContext['made']): number =>
  Math.max(feed.regulator ? 0 : (solved?.totalA ?? 0), working?.totalA ?? 0);

/** What each strip, ring and board draws, as in “ring of 12 lamps 228 mA”. */
const drawnEach = ({ steady }: CircuitContext['made']): string =>
  steady.map((s) => `${s.name} ${ma(s.kind === 'segments' ? s.segments * s.ratedA : s.amps)}`).join(', ');

/** The cells carry more than they should. */
export const cellCurrent = each((input) => {
  const { made, context } = input;
  const draws = drawnA(made);
  if (!made.pack || draws <= made.pack.cell.maxA) return [];
  const { cell } = made.pack;
  const dimmed = dimmedTo(input, draws, cell.maxA);
  const less = gentler.find((mA) => mA < mostMa(input) && totalAt(made, mA) <= cell.maxA);
  return [
    {
      ...about(input, 'cell-current'),
      severity: 'stop',
      title: `${made.name}: the lamps draw ${ma(draws)}; ${made.pack.name} gives ${ma(cell.maxA)} at most.`,
      why: dimmed
        ? `At their brightest together: ${drawnEach(made)}. Past what it gives, the voltage collapses or the pack switches itself off.`
        : 'Past that its voltage collapses and the hours are guesswork.',
      provenance: cell.provenance,
      excess: draws - cell.maxA,
      remedies: (dimmed ? [dimmed] : [])
        .concat(
          handiest(context.catalogue.packs)
            .filter((p) => hoursOn(made, p) > 0)
            .slice(0, 2)
            .map((p) => usePack(input, p)),
        )
        .concat(less === undefined ? [] : [{ label: `${less} mA a lamp`, changes: atCurrent(input, less) }]),
    },
  ];
});

/** The switch carries more than it should. */
export const switchCurrent = each((input) => {
  const { made, context } = input;
  const total = drawnA(made);
  if (!made.switch || total <= made.switch.maxA) return [];
  const dimmed = dimmedTo(input, total, made.switch.maxA);
  return [
    {
      ...about(input, 'switch-current'),
      severity: 'mind',
      title: `${made.name}: the lamps draw ${ma(total)} through a ${made.switch.name} rated ${ma(made.switch.maxA)}.`,
      why: 'Its contacts burn and stick.',
      provenance: made.switch.provenance,
      excess: total - made.switch.maxA,
      remedies: context.catalogue.switches
        .filter((s) => s.maxA >= total && s.kind === 'latching')
        .map((s): Remedy => ({ label: s.name, changes: choose(input, made.toggle, s.id) }))
        .concat(dimmed ? [dimmed] : []),
    },
  ];
});

/** The brightest setting at which some other pack lasts. */
function dimmerOnAnother(input: CircuitContext, dimmed: readonly number[], wanted: number): Remedy[] {
  const found = dimmed
    .flatMap((current) =>
      input.context.catalogue.packs.map((p) => ({ p, current, hours: hoursOn(input.made, p, current) })),
    )
    .find(({ hours }) => hours >= wanted);
  if (!found) return [];
  const { p, current, hours } = found;
  return [
    {
      label: `${p.name} at ${current} mA a lamp (${printHours(hours)})`,
      changes: [...choose(input, input.made.source, p.id), ...atCurrent(input, current)],
    },
  ];
}

/** A board that steps the pack up to what the lamps are made for, where that lasts longer. */
function stepUp({ made, at }: CircuitContext, wanted: number): Remedy[] {
  const { run, pack, steady, feed } = made;
  const volts = steady.find((s) => s.kind === 'digital')?.ratedV;
  if (!run || !pack || volts === undefined || run.endedBy !== 'out' || feed.regulator) return [];
  const up = { ...feed, regulator: { ...regulators['step-up'], volts } };
  const hours = hoursOn({ ...made, feed: up }, pack);
  return hours > run.hours
    ? [
        {
          label: `A step-up board (${printHours(hours)}${hours < wanted ? ', still short' : ''})`,
          changes: [{ path: ['circuits', at, 'regulator'], value: { kind: 'step-up', volts } }],
        },
      ]
    : [];
}

/** Whether the same cells in a holder of one more still give what the lamps stand. */
function oneMoreCell({ pack, steady, feed }: CircuitReport): boolean {
  return pack !== undefined && takes({ ...pack, series: pack.series + 1 }, steady, feed);
}

/** Why the light ends when it does. */
function endWords(made: CircuitReport): string {
  // A bank holds its voltage until it is empty.
  if (made.pack?.cell.sleepsBelowA !== undefined)
    return 'The power bank is empty by then; it holds its voltage until it is.';
  switch (made.run!.endedBy) {
    case 'dim':
      return 'As the cells sag the lamps fall below half their current.';
    case 'out':
      return `As the cells sag the addressable lamps drop out; ${oneMoreCell(made) ? 'a step-up board or one cell more' : 'a step-up board'} would use the rest.`;
    case 'empty':
      return 'The cells are empty by then.';
  }
}

/** The light ends before the day does. */
export const burnsLongEnough = each((input) => {
  const { made, doc, context } = input;
  const { run, pack } = made;
  const wanted = doc.brief.lightHours;
  if (!run || !pack || run.hours >= wanted) return [];
  const remedies: Remedy[] = handiest(context.catalogue.packs)
    .map((p) => ({ p, hours: hoursOn(made, p) }))
    .filter(({ p, hours }) => hours >= wanted && p.id !== pack.id)
    .slice(0, 2)
    .map(({ p, hours }) => usePack(input, p, ` (${printHours(hours)})`));
  const dimmed = [15, 10, 8, 5, 3, 2].filter((current) => current < mostMa(input));
  const dimmer = dimmed.find((current) => hoursOn(made, pack, current) >= wanted);
  if (dimmer !== undefined)
    remedies.push({
      label: `${dimmer} mA a lamp (${printHours(hoursOn(made, pack, dimmer))})`,
      changes: atCurrent(input, dimmer),
    });
  remedies.push(...stepUp(input, wanted));
  if (remedies.length === 0) remedies.push(...dimmerOnAnother(input, dimmed, wanted));
  return [
    {
      ...about(input, 'burn'),
      severity: run.hours < wanted / 2 ? 'stop' : 'mind',
      title: `${made.name}: light for ${printHours(run.hours)}, the event asks ${printHours(wanted)}.`,
      why: endWords(made),
      provenance: 'memory',
      excess: wanted - run.hours,
      remedies,
    },
  ];
});

/** A push button in a picture. */
export const lightStaysOn = each((input) => {
  const { made, context } = input;
  if (made.switch?.kind !== 'momentary' || made.lamps.length === 0) return [];
  return [
    {
      ...about(input, 'momentary'),
      severity: 'mind',
      title: `${made.name}: ${made.switch.name} lights only while pressed.`,
      why: 'Photographs need a light that stays on with both hands free.',
      provenance: 'practice',
      excess: 1,
      remedies: context.catalogue.switches
        .filter((s) => s.kind === 'latching')
        .slice(0, 1)
        .map((s): Remedy => ({ label: s.name, changes: choose(input, made.toggle, s.id) })),
    },
  ];
});

/** Wires that go from one part to another. */
export const connectorsWhereParted = each((input) => {
  const { made, report } = input;
  if (made.crossings === 0) return [];
  const names = made.partIds.map((id) => findIn(report.parts, (p) => p.id === id).name);
  return [
    {
      ...about(input, 'connector'),
      severity: 'note',
      title: `${made.name} joins ${names.join(' and ')}: ${made.crossings} connector${made.crossings > 1 ? 's' : ''} where the wires cross.`,
      why: 'Parts come off one by one; a wire without a connector tears out of the first that does. They are on the shopping list.',
      provenance: 'practice',
      excess: made.crossings,
      remedies: [],
    },
  ];
});

/** A circuit that names what is not there. */
export const circuitWhole = each((input) => {
  const { made, circuit, at } = input;
  if (made.missing.length === 0) return [];
  const gone = new Set(made.missing);
  const left: Circuit = {
    ...circuit,
    switch: circuit.switch && gone.has(circuit.switch) ? null : circuit.switch,
    loads: circuit.loads.filter((l) => !gone.has(l.feature)),
  };
  const dead = gone.has(circuit.source) || left.loads.length === 0;
  return [
    {
      ...about(input, 'circuit-missing'),
      severity: 'mind',
      title: `${made.name}: ${made.missing.length} of the things it joins ${made.missing.length > 1 ? 'are' : 'is'} not there.`,
      why: 'A pack, switch or row of lamps was taken away, or cannot be laid.',
      provenance: 'standard',
      excess: made.missing.length,
      remedies: [
        dead
          ? {
              label: 'Take the circuit away',
              changes: [{ path: ['circuits'], value: input.doc.circuits.filter((c) => c.id !== circuit.id) }],
            }
          : { label: 'Leave them out', changes: [{ path: ['circuits', at], value: left }] },
      ],
    },
  ];
});

/** Lamps that nothing feeds. */
export const lampsFed: BuildRule = ({ doc, report }) => {
  const fed = new Set(doc.circuits.flatMap((c) => c.loads.map((l) => l.feature)));
  return report.parts.flatMap((part): Finding[] => {
    const dark = [
      ...new Set(
        part.items.filter((i) => (i.lamp ?? i.steady) && !fed.has(i.featureId)).map((i) => i.featureId),
      ),
    ];
    if (dark.length === 0) return [];
    const near = report.circuits.findIndex((c) => c.source?.partId === part.id);
    const at = near >= 0 ? near : report.circuits.length > 0 ? 0 : -1;
    return [
      {
        id: `unfed:${part.id}`,
        severity: 'mind',
        station: 'inside',
        title: `${part.name}: ${dark.length} row${dark.length > 1 ? 's' : ''} of lamps on no circuit.`,
        why: 'Nothing feeds them; join them to a pack.',
        provenance: 'standard',
        excess: dark.length,
        partId: part.id,
        remedies:
          at < 0
            ? []
            : [
                {
                  label: `Join to “${itemAt(doc.circuits, at).name}”`,
                  changes: [
                    {
                      path: ['circuits', at, 'loads'],
                      value: [
                        ...itemAt(doc.circuits, at).loads,
                        ...dark.map((feature) => ({ feature, currentMa: 15 })),
                      ],
                    },
                  ],
                },
              ],
      },
    ];
  });
};
