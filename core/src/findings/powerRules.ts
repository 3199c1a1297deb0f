import { leds, ledMaxA } from '../materials/lamps';
import type { Pack } from '../materials/packs';
import { resistorRatedW, solveCircuit } from '../power/circuit';
import { runTime } from '../power/runtime';
import { trimNumber } from '../units/length';
import { printHours } from '../units/time';
import type { Remedy } from './finding';
import { setPart, when, type PartContext, type PartRule } from './rule';

/** Hours the part's lamps would burn on another pack; 0 when they cannot be lit from it. */
function hoursOn(context: PartContext, pack: Pack, currentMa: number): number {
  const { lights } = context.part;
  if (!lights) return 0;
  const groups = lights.rows.map((row) => ({
    label: row.colour,
    count: row.count,
    forwardV: leds[row.colour].forwardV,
    currentA: currentMa / 1000,
  }));
  const solved = solveCircuit(pack.cell.nominalV * pack.series, groups);
  return solved.ok && solved.value.totalA <= pack.cell.maxA ? runTime(pack, solved.value).hours : 0;
}

const usePack = (context: PartContext, pack: Pack, why: string): Remedy => ({
  label: `${pack.name}${why}`,
  changes: [setPart(context, ['lights', 'packId'], pack.id)],
});

/** The lamps cannot be lit from this pack at all. */
export const stringsFeasible: PartRule = (context) => {
  const { part, made, catalogue } = context;
  const infeasible = made.inside?.infeasible;
  return when(infeasible !== undefined, () => ({
    id: `infeasible:${part.id}`,
    severity: 'stop',
    station: 'inside',
    title: `${part.name}: ${made.inside!.pack!.name} cannot light these lamps. ${infeasible}`,
    why: 'A lamp needs its forward voltage and something over for the resistor that sets its current.',
    sure: 'standard',
    partId: part.id,
    remedies: catalogue.packs
      .filter((p) => hoursOn(context, p, part.lights!.currentMa) > 0)
      .slice(0, 2)
      .map((p) => usePack(context, p, '')),
  }));
};

/** More current than the lamp stands. */
export const lampCurrent: PartRule = (context) => {
  const { part } = context;
  const most = ledMaxA * 1000;
  return when((part.lights?.currentMa ?? 0) > most && part.lights!.rows.length > 0, () => ({
    id: `lamp-current:${part.id}`,
    severity: 'stop',
    station: 'inside',
    title: `${part.name}: ${trimNumber(part.lights!.currentMa, 1)} mA through each lamp; ${most} mA is the most an ordinary one stands.`,
    why: 'It grows hot, fades and fails.',
    sure: 'memory',
    partId: part.id,
    remedies: [{ label: `${most} mA`, changes: [setPart(context, ['lights', 'currentMa'], most)] }],
  }));
};

/** A resistor past half its rating. */
export const resistorCool: PartRule = (context) => {
  const { part, made } = context;
  const hottest = Math.max(0, ...(made.inside?.circuit?.strings.map((s) => s.resistorW) ?? []));
  return when(hottest > resistorRatedW / 2, () => {
    const scale = resistorRatedW / 2 / hottest;
    const cooler = Math.max(1, Math.floor((part.lights!.currentMa * scale * 10) / 10));
    return {
      id: `resistor:${part.id}`,
      severity: 'mind',
      station: 'inside',
      title: `${part.name}: a resistor turns ${trimNumber(hottest * 1000, 0)} mW into heat; a ¼ W one should stay under ${trimNumber(resistorRatedW * 500, 0)} mW inside foam.`,
      why: 'Makers use a resistor at under half its rated watts; foam keeps the heat in.',
      sure: 'practice',
      partId: part.id,
      remedies: [
        { label: `${cooler} mA a lamp`, changes: [setPart(context, ['lights', 'currentMa'], cooler)] },
      ],
    };
  });
};

/** The cells or the switch carry more than they should. */
export const ratedCurrent: PartRule = (context) => {
  const { part, made, catalogue } = context;
  const { inside } = made;
  if (!inside?.circuit || !inside.pack) return [];
  const { totalA } = inside.circuit;
  const { cell } = inside.pack;
  const ma = (a: number): string => `${trimNumber(a * 1000, 0)} mA`;
  return [
    ...when(totalA > cell.maxA, () => ({
      id: `cell-current:${part.id}`,
      severity: 'stop',
      station: 'inside',
      title: `${part.name}: the lamps draw ${ma(totalA)}; ${cell.name} cells give ${ma(cell.maxA)} at most.`,
      why: 'Past that their voltage collapses and the hours are guesswork.',
      sure: cell.sure,
      partId: part.id,
      remedies: catalogue.packs
        .filter((p) => hoursOn(context, p, part.lights!.currentMa) > 0)
        .sort((a, b) => a.thickMm - b.thickMm)
        .slice(0, 2)
        .map((p) => usePack(context, p, '')),
    })),
    ...when(inside.switch !== undefined && totalA > inside.switch.maxA, () => ({
      id: `switch-current:${part.id}`,
      severity: 'mind',
      station: 'inside',
      title: `${part.name}: the lamps draw ${ma(totalA)} through a ${inside.switch!.name} rated ${ma(inside.switch!.maxA)}.`,
      why: 'Its contacts burn and stick.',
      sure: inside.switch!.sure,
      partId: part.id,
      remedies: catalogue.switches
        .filter((s) => s.maxA >= totalA && s.kind === 'latching')
        .map((s) => ({ label: s.name, changes: [setPart(context, ['lights', 'switchId'], s.id)] })),
    })),
  ];
};

/** The brightest setting at which some other pack lasts. */
function dimmerOnAnother(context: PartContext, dimmed: readonly number[], wanted: number): Remedy[] {
  const found = dimmed
    .flatMap((ma) => context.catalogue.packs.map((p) => ({ p, ma, hours: hoursOn(context, p, ma) })))
    .find(({ hours }) => hours >= wanted);
  if (!found) return [];
  const { p, ma, hours } = found;
  return [
    {
      label: `${p.name} at ${ma} mA a lamp (${printHours(hours)})`,
      changes: [setPart(context, ['lights', 'packId'], p.id), setPart(context, ['lights', 'currentMa'], ma)],
    },
  ];
}

/** The light ends before the day does. */
export const burnsLongEnough: PartRule = (context) => {
  const { part, made, doc, catalogue } = context;
  const { run, pack } = made.inside ?? {};
  const wanted = doc.brief.lightHours;
  return when(run !== undefined && pack !== undefined && run.hours < wanted, () => {
    const remedies: Remedy[] = catalogue.packs
      .map((p) => ({ p, hours: hoursOn(context, p, part.lights!.currentMa) }))
      .filter(({ p, hours }) => hours >= wanted && p.id !== pack!.id)
      .sort((a, b) => a.p.thickMm - b.p.thickMm || a.p.massG - b.p.massG)
      .slice(0, 2)
      .map(({ p, hours }) => usePack(context, p, ` (${printHours(hours)})`));
    const dimmed = [15, 10, 8, 5, 3, 2].filter((ma) => ma < part.lights!.currentMa);
    const dimmer = dimmed.find((ma) => hoursOn(context, pack!, ma) >= wanted);
    if (dimmer !== undefined) {
      const hours = printHours(hoursOn(context, pack!, dimmer));
      remedies.push({
        label: `${dimmer} mA a lamp (${hours})`,
        changes: [setPart(context, ['lights', 'currentMa'], dimmer)],
      });
    }
    if (remedies.length === 0) remedies.push(...dimmerOnAnother(context, dimmed, wanted));
    return {
      id: `burn:${part.id}`,
      severity: run!.hours < wanted / 2 ? 'stop' : 'mind',
      station: 'inside',
      title: `${part.name}: light for ${printHours(run!.hours)}, the event asks ${printHours(wanted)}.`,
      why:
        run!.endedBy === 'dim'
          ? 'As the cells sag the lamps fall below half their current.'
          : 'The cells are empty by then.',
      sure: 'memory',
      partId: part.id,
      remedies,
    };
  });
};

/** A push button in a picture. */
export const lightStaysOn: PartRule = (context) => {
  const { part, made } = context;
  return when(made.inside?.switch?.kind === 'momentary' && made.inside.lamps.length > 0, () => ({
    id: `momentary:${part.id}`,
    severity: 'mind',
    station: 'inside',
    title: `${part.name}: ${made.inside!.switch!.name} lights only while pressed.`,
    why: 'Photographs need a light that stays on with both hands free.',
    sure: 'practice',
    partId: part.id,
    remedies: [{ label: 'slide switch', changes: [setPart(context, ['lights', 'switchId'], 'slide')] }],
  }));
};
