import { type CircuitReport, hoursOn, resistorRatedW, solveOn, takes } from '../circuit';
import type { Change, Circuit } from '../document';
import { gaugeOhmPerM, gauges, ledMaxA, type Pack } from '../materials';
import { printHours, trimNumber } from '../units';
import type { Finding, Remedy } from './finding';
import type { BuildContext, BuildRule } from './rule';

interface CircuitContext extends BuildContext {
  circuit: Circuit;
  made: CircuitReport;
  at: number;
}

type CircuitRule = (context: CircuitContext) => Finding[];

const each =
  (rule: CircuitRule): BuildRule =>
  (context) =>
    context.doc.circuits.flatMap((circuit, at) => {
      const made = context.report.circuits[at];
      return made ? rule({ ...context, circuit, made, at }) : [];
    });

/** What a finding of a circuit always says. */
const about = (
  { made }: CircuitContext,
  id: string,
): Pick<Finding, 'id' | 'station'> & { partId?: string } => {
  const partId = made.source?.partId ?? made.partIds[0];
  return { id: `${id}:${made.id}`, station: 'inside', ...(partId && { partId }) };
};

/** A change of what an item is, such as another pack in the same place. */
function choose({ doc }: BuildContext, fitted: CircuitReport['source'], value: string): Change[] {
  const index = doc.parts.findIndex((p) => p.id === fitted?.partId);
  if (!fitted?.item.choose || index < 0) return [];
  return [{ path: ['parts', index, ...fitted.item.choose], value }];
}

const usePack = (context: CircuitContext, pack: Pack, words = ''): Remedy => ({
  label: `${pack.name}${words}`,
  changes: choose(context, context.made.source, pack.id),
});

/** Every load of the circuit at one current. */
const atCurrent = ({ circuit, at }: CircuitContext, currentMa: number): Change[] =>
  circuit.loads.map((_, i) => ({ path: ['circuits', at, 'loads', i, 'currentMa'], value: currentMa }));

const mostMa = ({ circuit }: CircuitContext): number => Math.max(0, ...circuit.loads.map((l) => l.currentMa));

/** The lamps cannot be lit from this pack at all. */
export const stringsFeasible = each((context) => {
  const { made, around } = context;
  if (made.infeasible === undefined || !made.pack) return [];
  return [
    {
      ...about(context, 'infeasible'),
      severity: 'stop',
      title: `${made.name}: ${made.pack.name} cannot light these lamps. ${made.infeasible}`,
      why: 'A lamp needs its forward voltage and something over for the resistor that sets its current.',
      sure: 'standard',
      excess: 1,
      remedies: around.catalogue.packs
        .filter((p) => hoursOn(made, p) > 0)
        .slice(0, 2)
        .map((p) => usePack(context, p)),
    },
  ];
});

/** Strips and rings on a pack of another voltage than they are made for. */
export const steadyVolts = each((context) => {
  const { made, around } = context;
  if (!made.pack || made.steady.length === 0 || takes(made.pack, made.steady)) return [];
  const [first] = made.steady;
  const volts = made.pack.cell.nominalV * made.pack.series;
  const wants = first!.kind === 'segments' ? first!.ratedV : 5;
  return [
    {
      ...about(context, 'steady-volts'),
      severity: 'stop',
      title: `${made.name}: the ${first!.name} is made for ${trimNumber(wants)} V; ${made.pack.name} gives ${trimNumber(volts, 1)} V.`,
      why: 'Less leaves it dim or dark, more burns it. Lights of different voltages want circuits of their own.',
      sure: 'memory',
      excess: Math.abs(volts - wants),
      remedies: around.catalogue.packs
        .filter((p) => hoursOn(made, p) > 0)
        .slice(0, 2)
        .map((p) => usePack(context, p)),
    },
  ];
});

/** The far end of a strip is told when it gets less than this of the near one's current; from memory. */
const EVEN_STRIP = 0.85;

/** A strip that fades towards its end. */
export const stripEven = each((context) => {
  const { made } = context;
  const worst = made.working?.steady.reduce<{ name: string; lastShare: number } | undefined>(
    (a, b) => (a && a.lastShare <= b.lastShare ? a : b),
    undefined,
  );
  if (!worst || worst.lastShare >= EVEN_STRIP) return [];
  return [
    {
      ...about(context, 'strip-fades'),
      severity: 'note',
      title: `${made.name}: the last segment of the ${worst.name} gets ${trimNumber(worst.lastShare * 100, 0)} % of the first one's current.`,
      why: 'Its thin copper loses volts along the way. Feed it in the middle or at both ends.',
      sure: 'memory',
      excess: EVEN_STRIP - worst.lastShare,
      remedies: [],
    },
  ];
});

/** More current than the lamp stands. */
export const lampCurrent = each((context) => {
  const { circuit, made, at } = context;
  const most = ledMaxA * 1000;
  const over = mostMa(context) - most;
  if (over <= 0 || made.groups.length === 0) return [];
  return [
    {
      ...about(context, 'lamp-current'),
      severity: 'stop',
      title: `${made.name}: ${trimNumber(mostMa(context), 1)} mA through each lamp; ${most} mA is the most an ordinary one stands.`,
      why: 'It grows hot, fades and fails.',
      sure: 'memory',
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

/** A resistor past half its rating. */
export const resistorCool = each((context) => {
  const { made } = context;
  const hottest = hottestW(made);
  if (hottest <= resistorRatedW / 2) return [];
  const cooler = [15, 12, 10, 8, 6, 5, 4, 3, 2, 1].find(
    (ma) => ma < mostMa(context) && hottestW(made, ma) <= resistorRatedW / 2,
  );
  return [
    {
      ...about(context, 'resistor'),
      severity: 'mind',
      title: `${made.name}: a resistor turns ${trimNumber(hottest * 1000, 0)} mW into heat; a ¼ W one should stay under ${trimNumber(resistorRatedW * 500, 0)} mW inside foam.`,
      why: 'Makers use a resistor at under half its rated watts; foam keeps the heat in.',
      sure: 'practice',
      excess: hottest - resistorRatedW / 2,
      remedies:
        cooler === undefined ? [] : [{ label: `${cooler} mA a lamp`, changes: atCurrent(context, cooler) }],
    },
  ];
});

const ma = (a: number): string => `${trimNumber(a * 1000, 0)} mA`;

/** The cells carry more than they should. */
export const cellCurrent = each((context) => {
  const { made, around } = context;
  const draws = Math.max(made.solved?.totalA ?? 0, made.working?.totalA ?? 0);
  if (!made.pack || draws <= made.pack.cell.maxA) return [];
  const { cell } = made.pack;
  return [
    {
      ...about(context, 'cell-current'),
      severity: 'stop',
      title: `${made.name}: the lamps draw ${ma(draws)}; ${cell.name} cells give ${ma(cell.maxA)} at most.`,
      why: 'Past that their voltage collapses and the hours are guesswork.',
      sure: cell.sure,
      excess: draws - cell.maxA,
      remedies: around.catalogue.packs
        .filter((p) => hoursOn(made, p) > 0)
        .sort((a, b) => a.thickMm - b.thickMm)
        .slice(0, 2)
        .map((p) => usePack(context, p)),
    },
  ];
});

/** The switch carries more than it should. */
export const switchCurrent = each((context) => {
  const { made, around } = context;
  const total = Math.max(made.solved?.totalA ?? 0, made.working?.totalA ?? 0);
  if (!made.switch || total <= made.switch.maxA) return [];
  return [
    {
      ...about(context, 'switch-current'),
      severity: 'mind',
      title: `${made.name}: the lamps draw ${ma(total)} through a ${made.switch.name} rated ${ma(made.switch.maxA)}.`,
      why: 'Its contacts burn and stick.',
      sure: made.switch.sure,
      excess: total - made.switch.maxA,
      remedies: around.catalogue.switches
        .filter((s) => s.maxA >= total && s.kind === 'latching')
        .map((s) => ({ label: s.name, changes: choose(context, made.toggle, s.id) })),
    },
  ];
});

/** Volts lost on the way to the lamps, as a share of the pack's, past which the light is told to suffer; from memory. */
const MOST_DROP = 0.05;

/** Wires too thin for what they carry, or so long that the lamps dim. */
export const wiresThickEnough = each((context) => {
  const { made, at } = context;
  const { working, awg } = made;
  if (!working) return [];
  const gauge = gauges.find((g) => g.awg === awg)!;
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
      ...about(context, 'wire'),
      severity: 'mind',
      title:
        over > 0
          ? `${made.name}: ${ma(working.totalA)} in AWG ${awg} wire; in a bundle it carries ${ma(gauge.maxA)}.`
          : `${made.name}: ${trimNumber(lost * 100, 1)} % of the volts are lost in ${trimNumber(made.wireMm / 1000, 1)} m of AWG ${awg} wire.`,
      why: 'Thin wire grows warm in foam, and the lamps at its end are dimmer.',
      sure: 'memory',
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

/** A lithium pack without a fuse. */
export const lithiumFused = each((context) => {
  const { made, circuit, at } = context;
  if (!made.pack?.cell.wantsFuse || circuit.fused) return [];
  return [
    {
      ...about(context, 'fuse'),
      severity: 'stop',
      title: `${made.name}: ${made.pack.name} without a fuse.`,
      why: 'A shorted lithium cell gives tens of amperes and can burn. Protected cells only, a fuse within a finger of the plus pole, charged outside the prop; the cell maker’s sheet and the event’s and carrier’s rules come first.',
      sure: 'practice',
      excess: 1,
      remedies: [
        { label: 'A fuse by the pack', changes: [{ path: ['circuits', at, 'fused'], value: true }] },
      ],
    },
  ];
});

/** A power bank that takes the lamps for nothing at all. */
export const bankStaysAwake = each((context) => {
  const { made, around } = context;
  const least = made.pack?.cell.sleepsBelowA;
  const draws = made.working?.totalA ?? 0;
  if (least === undefined || draws === 0 || draws >= least) return [];
  return [
    {
      ...about(context, 'asleep'),
      severity: 'mind',
      title: `${made.name}: the lamps draw ${ma(draws)}; a power bank switches itself off below about ${ma(least)}.`,
      why: 'Banks take a small load for a telephone that is full. Try yours for ten minutes, or take cells.',
      sure: 'memory',
      excess: least - draws,
      remedies: around.catalogue.packs
        .filter((p) => p.cell.sleepsBelowA === undefined && hoursOn(made, p) > 0)
        .sort((a, b) => a.thickMm - b.thickMm)
        .slice(0, 2)
        .map((p) => usePack(context, p)),
    },
  ];
});

/** The brightest setting at which some other pack lasts. */
function dimmerOnAnother(context: CircuitContext, dimmed: readonly number[], wanted: number): Remedy[] {
  const found = dimmed
    .flatMap((current) =>
      context.around.catalogue.packs.map((p) => ({ p, current, hours: hoursOn(context.made, p, current) })),
    )
    .find(({ hours }) => hours >= wanted);
  if (!found) return [];
  const { p, current, hours } = found;
  return [
    {
      label: `${p.name} at ${current} mA a lamp (${printHours(hours)})`,
      changes: [...choose(context, context.made.source, p.id), ...atCurrent(context, current)],
    },
  ];
}

/** The light ends before the day does. */
export const burnsLongEnough = each((context) => {
  const { made, doc, around } = context;
  const { run, pack } = made;
  const wanted = doc.brief.lightHours;
  if (!run || !pack || run.hours >= wanted) return [];
  const remedies: Remedy[] = around.catalogue.packs
    .map((p) => ({ p, hours: hoursOn(made, p) }))
    .filter(({ p, hours }) => hours >= wanted && p.id !== pack.id)
    .sort((a, b) => a.p.thickMm - b.p.thickMm || a.p.massG - b.p.massG)
    .slice(0, 2)
    .map(({ p, hours }) => usePack(context, p, ` (${printHours(hours)})`));
  const dimmed = [15, 10, 8, 5, 3, 2].filter((current) => current < mostMa(context));
  const dimmer = dimmed.find((current) => hoursOn(made, pack, current) >= wanted);
  if (dimmer !== undefined)
    remedies.push({
      label: `${dimmer} mA a lamp (${printHours(hoursOn(made, pack, dimmer))})`,
      changes: atCurrent(context, dimmer),
    });
  if (remedies.length === 0) remedies.push(...dimmerOnAnother(context, dimmed, wanted));
  return [
    {
      ...about(context, 'burn'),
      severity: run.hours < wanted / 2 ? 'stop' : 'mind',
      title: `${made.name}: light for ${printHours(run.hours)}, the event asks ${printHours(wanted)}.`,
      why:
        run.endedBy === 'dim'
          ? 'As the cells sag the lamps fall below half their current.'
          : 'The cells are empty by then.',
      sure: 'memory',
      excess: wanted - run.hours,
      remedies,
    },
  ];
});

/** A push button in a picture. */
export const lightStaysOn = each((context) => {
  const { made, around } = context;
  if (made.switch?.kind !== 'momentary' || made.lamps.length === 0) return [];
  return [
    {
      ...about(context, 'momentary'),
      severity: 'mind',
      title: `${made.name}: ${made.switch.name} lights only while pressed.`,
      why: 'Photographs need a light that stays on with both hands free.',
      sure: 'practice',
      excess: 1,
      remedies: around.catalogue.switches
        .filter((s) => s.kind === 'latching')
        .slice(0, 1)
        .map((s) => ({ label: s.name, changes: choose(context, made.toggle, s.id) })),
    },
  ];
});

/** Wires that go from one part to another. */
export const connectorsWhereParted = each((context) => {
  const { made, report } = context;
  if (made.crossings === 0) return [];
  const names = made.partIds.map((id) => report.parts.find((p) => p.id === id)!.name);
  return [
    {
      ...about(context, 'connector'),
      severity: 'note',
      title: `${made.name} joins ${names.join(' and ')}: ${made.crossings} connector${made.crossings > 1 ? 's' : ''} where the wires cross.`,
      why: 'Parts come off one by one; a wire without a connector tears out of the first that does. They are on the shopping list.',
      sure: 'practice',
      excess: made.crossings,
      remedies: [],
    },
  ];
});

/** A circuit that names what is not there. */
export const circuitWhole = each((context) => {
  const { made, circuit, at } = context;
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
      ...about(context, 'circuit-missing'),
      severity: 'mind',
      title: `${made.name}: ${made.missing.length} of the things it joins ${made.missing.length > 1 ? 'are' : 'is'} not there.`,
      why: 'A pack, switch or row of lamps was taken away, or cannot be laid.',
      sure: 'standard',
      excess: made.missing.length,
      remedies: [
        dead
          ? {
              label: 'Take the circuit away',
              changes: [
                { path: ['circuits'], value: context.doc.circuits.filter((c) => c.id !== circuit.id) },
              ],
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
        sure: 'standard',
        excess: dark.length,
        partId: part.id,
        remedies:
          at < 0
            ? []
            : [
                {
                  label: `Join to “${doc.circuits[at]!.name}”`,
                  changes: [
                    {
                      path: ['circuits', at, 'loads'],
                      value: [
                        ...doc.circuits[at]!.loads,
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
