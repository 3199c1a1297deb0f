import type { BuildDoc } from '../document';
import { aboutLines, hotShare } from '../fit';
import { cautions, type CautionKey } from '../materials';
import type { Report } from '../report';
import { byId, printMm, trimNumber } from '../units';

/** A part of the card for the day: a heading and its lines. */
export interface CardSection {
  title: string;
  lines: string[];
}

const timesWords = (n: number): string => (n === 1 ? 'one spare set' : `${n} spare sets`);

/** What is wanted on the day, in the order it is wanted; sections with nothing to say are left out. */
export function eventCard(doc: BuildDoc, report: Report): CardSection[] {
  const { fitting, circuits, carried, parts, about } = report;
  const { brief } = doc;
  const nameOf = (partId: string): string => byId(parts, partId)?.name ?? partId;
  const flashing = doc.circuits.some((c) => c.effect && c.effect.kind !== 'steady');
  const care: CautionKey[] = [
    ...(fitting.dressing.length > 0 ? (['wear'] as const) : []),
    ...(carried.length > 0 ? (['carry'] as const) : []),
    ...(circuits.length > 0 ? (['cells'] as const) : []),
    ...(flashing ? (['flash'] as const) : []),
  ];
  const open = report.findings.filter((f) => f.severity === 'stop');
  const limits = [
    `Longest piece ${printMm(brief.eventMaxMm, 0)}`,
    ...(brief.maxCarriedG === undefined ? [] : [`each thing carried up to ${brief.maxCarriedG} g`]),
    ...(brief.maxRigidMm === undefined ? [] : [`nothing hard longer than ${printMm(brief.maxRigidMm, 0)}`]),
    ...(brief.softEdges ? ['soft edges'] : []),
    ...(brief.noBarrel ? ['no barrel'] : []),
  ];
  return [
    {
      title: 'Putting on',
      lines: fitting.dressing.map(
        (d, i) => `${i + 1}. ${d.name}: ${d.how}${d.helper ? '; someone helps' : ''}`,
      ),
    },
    { title: 'Getting about', lines: about ? aboutLines(about) : [] },
    {
      title: 'Lights',
      lines: circuits.flatMap((c) => {
        const hours = c.run?.hours;
        const spares = hours && hours > 0 ? Math.max(0, Math.ceil(brief.lightHours / hours - 1e-6) - 1) : 0;
        return [
          `${c.name}${c.copies > 1 ? `, ${c.copies} alike` : ''}: ${[
            c.switch && c.toggle ? `${c.switch.name} in ${nameOf(c.toggle.partId)}` : 'no switch',
            ...(c.pack && c.source ? [`${c.pack.name} in ${nameOf(c.source.partId)}`] : []),
          ].join(', ')}`,
          ...(hours
            ? [
                `burns ${trimNumber(hours, 1)} h of ${trimNumber(brief.lightHours, 1)} h; ${spares === 0 ? 'no spares needed, take one set' : timesWords(spares * c.copies)}`,
              ]
            : []),
        ];
      }),
    },
    {
      title: 'Carried',
      lines: carried.map(
        (c) =>
          `${c.name}: ${printMm(c.lengthMm, 0)}, ${trimNumber(c.massG, 0)} g${c.apartMm < c.lengthMm - 1 ? `, taken apart ${printMm(c.apartMm, 0)}` : ''}`,
      ),
    },
    { title: 'The event admits', lines: [`${limits.join(', ')}. Its own rules and staff decide.`] },
    {
      title: 'Heat',
      lines:
        fitting.covered > hotShare
          ? [
              `Foam covers ${trimNumber(fitting.covered * 100, 0)} % of the body: drink, and a break out of it every 30 minutes. Off at once at dizziness, headache or chill.`,
            ]
          : [],
    },
    {
      title: 'Repair kit',
      lines:
        parts.length === 0
          ? []
          : [
              'Contact cement or instant glue, hook-and-loop, cloth tape, safety pins, needle and thread, wipes; scissors where the venue admits them.',
              ...(circuits.length > 0
                ? ['Spare cells, a spare lamp of each kind, insulating tape, the wiring card.']
                : []),
              ...(circuits.some((c) => c.fused) ? ['A spare fuse.'] : []),
            ],
    },
    { title: 'Still open', lines: open.map((f) => f.title) },
    { title: 'Care', lines: care.map((key) => cautions[key]) },
  ].filter((s) => s.lines.length > 0);
}
