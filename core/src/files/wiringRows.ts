import { testPoints } from '../circuit';
import type { Report } from '../report';
import { printVolts, trimNumber } from '../units';

/** One line of the card for the repair kit. */
export interface WiringRow {
  circuit: string;
  what: string;
  where: string;
  value: string;
}

/** Every circuit line by line: what feeds what, its wire, how long it lasts, and what a meter shows. */
export function wiringRows(report: Report): WiringRow[] {
  const nameOf = (partId: string): string => report.parts.find((p) => p.id === partId)?.name ?? partId;
  return report.circuits.flatMap((c) => {
    const line = (what: string, where: string, value: string): WiringRow => ({
      circuit: c.name,
      what,
      where,
      value,
    });
    return [
      ...(c.pack && c.source ? [line('pack', nameOf(c.source.partId), c.pack.name)] : []),
      ...(c.switch && c.toggle ? [line('switch', nameOf(c.toggle.partId), c.switch.name)] : []),
      ...(c.solved?.strings ?? []).map((s, i) =>
        line('string', `${i + 1}`, `${s.lamps} × ${s.group} behind ${trimNumber(s.ohm)} ohm`),
      ),
      ...c.steady.map((s) => line('light', '', s.name)),
      line(
        'wire',
        'plus red, minus black, both conductors',
        `AWG ${c.awg}, ${trimNumber(c.wireMm / 1000, 2)} m`,
      ),
      ...(c.feed.regulator
        ? [
            line(
              'regulator',
              'behind the switch',
              `${c.feed.regulator.name}, ${trimNumber(c.feed.regulator.volts, 1)} V`,
            ),
          ]
        : []),
      ...(c.fused ? [line('fuse', 'by the plus pole of the pack', 'inline, replaceable')] : []),
      ...(c.crossings > 0 ? [line('connectors', 'where wires go from part to part', `${c.crossings}`)] : []),
      ...(c.run ? [line('lasts', 'fresh cells', `${trimNumber(c.run.hours, 1)} h`)] : []),
      ...testPoints(c).map((p) => line('meter', p.where, printVolts(p.volts))),
    ];
  });
}
