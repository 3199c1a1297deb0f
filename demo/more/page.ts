import type { BuildDoc } from '@fomrik/core/document';
import { aboutLines } from '@fomrik/core/fit';
import type { Report } from '@fomrik/core/report';
import { byId, counted, trimNumber } from '@fomrik/core/units';
import type { Recipe } from './recipe';

const SAID = { stop: 'Stops', mind: 'Warning', note: 'Note' } as const;

const hours = (minutes: number): string => `${trimNumber(minutes / 60, 1)} h`;

/** What a build comes to and what was foreseen, as a page of the handbook. */
export function buildPage({ id, name, about, doing }: Recipe, doc: BuildDoc, report: Report): string {
  const { totals, parts, circuits, sticks } = report;
  const foreseen = report.findings
    .map((f) => `- **${SAID[f.severity]}.** ${f.title}${f.remedies[0] ? ` *${f.remedies[0].label}.*` : ''}`)
    .sort();
  const lights = circuits.map(
    (c) =>
      `- ${c.name}: ${c.run ? `${trimNumber(c.run.hours, 1)} h of ${trimNumber(doc.brief.lightHours, 1)} h` : 'not worked out'}.`,
  );
  const cuts = sticks.flatMap(({ rod, sticks: all }) =>
    all.map((s) => `- ${rod.name}: ${s.cuts.map((c) => `${trimNumber(c.lengthMm, 0)} mm`).join(', ')}.`),
  );
  const section = (title: string, lines: readonly string[]): string[] =>
    lines.length > 0 ? [`## ${title}`, '', ...lines, ''] : [];
  return [
    `# ${name}`,
    '',
    about,
    '',
    `![${name}, finished](${id}.png)`,
    '',
    `Planned through the interface in ${counted(doing.length, 'step')}; the file is [\`demo/more/${id}.fomrik.json\`](../../demo/more/${id}.fomrik.json).`,
    '',
    '| Mass | Foam | Sheets | To buy | Work |',
    '|---|---|---|---|---|',
    `| ${trimNumber(totals.massG, 0)} g | ${trimNumber(totals.foamAreaMm2 / 1e4, 1)} dm² | ${totals.sheets} | ${trimNumber(totals.cost, 0)} ${doc.brief.currency} | ${hours(totals.workMin)} |`,
    '',
    ...section(
      'Parts',
      doc.parts.map((p) => {
        const made = byId(parts, p.id)!;
        const cut = made.pieces.reduce((sum, piece) => sum + piece.quantity, 0);
        return `- ${p.name}: ${cut > 0 ? counted(cut, 'piece') : 'no sheet'}, ${trimNumber(made.totalG, 0)} g${made.copies > 1 ? `, ${made.copies} of it` : ''}.`;
      }),
    ),
    ...section('Lengths to saw', cuts),
    ...section('Light', lights),
    ...section('Getting about', report.about ? aboutLines(report.about).map((l) => `- ${l}`) : []),
    ...section('What Fomrik foresaw', foreseen.length > 0 ? foreseen : ['- Nothing.']),
  ].join('\n');
}
