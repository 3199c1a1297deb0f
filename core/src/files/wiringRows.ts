import { testPoints } from '../circuit';
import { controller } from '../materials';
import type { Report } from '../report';
import { byId, printVolts, trimNumber, itemAt } from '../units';

/** One line of the card for the repair kit. */
export interface WiringRow {
  circuit: string;
  what: string;
  where: string;
  value: string;
}

type Circuit = Report['circuits'][number];
type Placed = Circuit['lamps'][number];

/** How the data of addressable lights runs: from the controller to the first, from each to the next. Common practice, no source. */
function dataRows(
  { lamps, controlled }: Circuit,
  line: (what: string, where: string, value: string) => WiringRow,
  whereOf: (placed: Placed) => string,
): WiringRow[] {
  const digital = lamps.filter((l) => l.item.steady?.kind === 'digital');
  if (!controlled) return [];
  return [
    line('controller', 'by the pack, behind the switch', controller.name),
    ...digital.map((l, i) =>
      line(
        `data ${i + 1}`,
        whereOf(l),
        `from ${i === 0 ? 'the controller, 330 ohm in the line' : `the far end of ${itemAt(digital, i - 1).item.steady!.name}`} to the near end of ${l.item.steady!.name}`,
      ),
    ),
    line(
      'level',
      'at the controller',
      'a board of 3.3 V wants a level shifter to 5 V before the first light',
    ),
    line('ground', 'at the controller', 'pack, controller and every light share one minus'),
  ];
}

/** Every circuit line by line: what feeds what, its wire, how long it lasts, and what a meter shows. */
export function wiringRows(report: Report): WiringRow[] {
  const nameOf = (partId: string): string => byId(report.parts, partId)?.name ?? partId;
  /** The part a thing is in, and the piece it is behind. */
  const whereOf = ({ partId, item }: Placed): string => {
    const piece = byId(report.parts, partId)?.pieces.find((p) => p.id === item.pieceId);
    return piece ? `${nameOf(partId)}, behind ${piece.name}` : nameOf(partId);
  };
  const whereAll = (all: readonly Placed[]): string => [...new Set(all.map(whereOf))].join('; ');
  return report.circuits.flatMap((c) => {
    const line = (what: string, where: string, value: string): WiringRow => ({
      circuit: c.name,
      what,
      where,
      value,
    });
    return [
      ...(c.pack && c.source ? [line('pack', whereOf(c.source), c.pack.name)] : []),
      ...(c.switch && c.toggle ? [line('switch', whereOf(c.toggle), c.switch.name)] : []),
      ...(c.solved?.strings ?? []).map((s, i) =>
        line(
          `string ${i + 1}`,
          whereAll(c.lamps.filter((l) => l.item.lamp?.colour === s.group)),
          `${s.lamps} × ${s.group} behind ${trimNumber(s.ohm)} ohm`,
        ),
      ),
      ...c.lamps.flatMap((l) => (l.item.steady ? [line('light', whereOf(l), l.item.steady.name)] : [])),
      ...dataRows(c, line, whereOf),
      line(
        'wire',
        `from ${whereAll(c.source ? [c.source] : [])} to every light: plus red, minus black`,
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
