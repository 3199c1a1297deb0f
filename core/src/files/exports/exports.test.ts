import { expect } from 'chai';
import { newBuild } from '../../parts';
import { derive } from '../../report';
import { reportOf } from '../../report/testing/reportOf';
import { demo } from '../testing/demo';
import { fontFile } from '../testing/font';
import { type FileExport, fileExports, makeExport, offeredExports } from '.';

const doc = demo('lampwarden-bracers');
const source = { doc, report: reportOf(doc), stamp: new Date(0), font: fontFile, unit: 'mm' as const };

describe('files that can be taken away', () => {
  it('have names of their own, each with the media type of its kind', () => {
    expect(new Set(fileExports.map((e) => e.id)).size).to.equal(fileExports.length);
    const types: Record<string, string> = { pdf: 'application/pdf', csv: 'text/csv', ics: 'text/calendar' };
    for (const { id, type } of fileExports) {
      const known = types[id.split('.').at(-1)!];
      if (known) expect(type, id).to.equal(known);
    }
  });

  it('all have something in them where they are offered, and only the plainest are for a build of nothing', async () => {
    // Those that take a while have tests of their own.
    for (const file of offeredExports(doc, source.report).filter((f) => !f.slow))
      expect((await makeExport(file, source)).length, file.id).to.be.greaterThan(60);
    const empty = newBuild('Bare', '2026-03-01', { name: 'Tam', underLayerMm: 2, measures: [] });
    const offered = offeredExports(empty, derive(empty)).map((e) => e.id);
    expect(offered).to.not.include.members(['wiring.pdf']);
    expect(offered).to.not.include.members(['event-card.pdf']);
    expect(offered).to.not.include.members(['hand-cutting.csv']);
  });

  it('are made by whatever a new one says, from the same source as the others', async () => {
    const masses: FileExport = {
      id: 'masses.txt',
      label: 'Masses',
      about: 'a line for each part',
      type: 'text/plain',
      load: () =>
        Promise.resolve(({ report }) =>
          report.parts.map((p) => `${p.name} ${Math.round(p.totalG)} g`).join('\n'),
        ),
    };
    expect(await makeExport(masses, source)).to.match(/^.+ \d+ g(\n.+ \d+ g)*$/);
  });
});
