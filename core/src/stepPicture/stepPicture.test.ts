import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import type { BuildDoc } from '../document';
import { derive } from '../report';
import type { Step } from '../plan';
import { stepPicture } from '.';

const demos = readdirSync('demo')
  .filter((file) => file.endsWith('.json'))
  .map((file) => {
    const read = JSON.parse(readFileSync(`demo/${file}`, 'utf8')) as { build?: BuildDoc } & BuildDoc;
    return { file, doc: read.build ?? read };
  });

/** What a picture depends on; details differ from one another. */
const sort = (step: Step): string =>
  step.about === 'details' ? `${step.about} ${step.id.replace(/^[^:]*/, '')}` : step.about;

describe('pictures of steps', function () {
  this.timeout(240_000);
  const seen = new Map<string, number>();

  for (const { file, doc } of demos)
    it(`${file}: every kind of step has one, within its frame, with the work picked out`, () => {
      const report = derive(doc);
      for (const step of report.steps) {
        const times = seen.get(sort(step)) ?? 0;
        if (times > 1) continue;
        seen.set(sort(step), times + 1);
        const name = `${step.id} (${step.about})`;
        const drawing = stepPicture(step, report);
        const spots = [
          ...drawing.regions.flatMap((r) => r.rings),
          ...drawing.lines.flatMap((l) => l.runs),
        ].flat();
        expect(spots.length, name).to.be.greaterThan(3);
        for (const p of spots) {
          expect(Number.isFinite(p.x) && Number.isFinite(p.y), name).to.equal(true);
          expect(p.x, name).to.be.within(-1, drawing.width + 1);
          expect(p.y, name).to.be.within(-1, drawing.height + 1);
        }
        const looks = [...drawing.regions, ...drawing.lines].map((d) => d.look);
        if (step.about !== 'build')
          expect(
            looks.some((l) => l === 'work' || l === 'light'),
            `${name}: nothing is picked out`,
          ).to.equal(true);
      }
    });

  it('a step done on several parts shows each by name, and says how many pieces are not drawn', () => {
    const { doc } = demos.find((d) => d.file.includes('harness'))!;
    const report = derive({
      ...doc,
      make: { ...doc.make, calendar: { ...doc.make.calendar, order: 'batches' } },
    });
    const several = report.steps.filter((s) => (s.partIds?.length ?? 0) > 1);
    expect(several.length).to.be.greaterThan(0);
    for (const step of several.slice(0, 3)) {
      const { words, regions } = stepPicture(step, report);
      const said = words.map((w) => w.text).join(' · ');
      for (const id of step.partIds!.slice(0, 5))
        expect(said, step.title).to.include(report.parts.find((p) => p.id === id)!.name);
      expect(regions.length).to.be.greaterThan(1);
    }
    const pages = stepPicture(
      report.steps.find((s) => s.about === 'pages')!,
      report,
    );
    const pieces = report.parts.flatMap((p) => p.pieces).filter((p) => p.role !== 'lining').length;
    expect(pages.words.some((w) => w.text === `and ${pieces - 12} smaller pieces`)).to.equal(true);
  });

  it('covers every sort of step that is planned', () => {
    const sorts = new Set([...seen.keys()].map((k) => k.split(' ')[0]));
    for (const about of [
      'pieces',
      'bevels',
      'darts',
      'seams',
      'bends',
      'edges',
      'surface',
      'masks',
      'details',
      'items',
      'wires',
      'mount',
      'pages',
      'worn',
      'build',
    ])
      expect(sorts, about).to.include(about);
  });

  it('letters of seams are those of the pattern, and the knife stands at the bevel', () => {
    const { doc } = demos.find((d) => d.file.includes('harness'))!;
    const report = derive(doc);
    const helm = report.parts.find((p) => p.form === 'helmet')!;
    const seam = report.steps.find((s) => s.partId === helm.id && s.about === 'seams')!;
    const words = stepPicture(seam, report).words.map((w) => w.text);
    const letters = new Set(
      helm.pieces.flatMap((p) => p.edges.filter((e) => e.joint === 'seam').map((e) => e.letter)),
    );
    expect(words.length).to.be.greaterThan(3);
    for (const word of words) expect(letters).to.include(word);
    const bevel = report.steps.find((s) => s.partId === helm.id && s.about === 'bevels')!;
    const most = Math.max(...helm.pieces.flatMap((p) => p.edges.map((e) => Math.abs(e.bevelDeg))));
    expect(
      stepPicture(bevel, report)
        .words.map((w) => w.text)
        .join(),
    ).to.include(`${Math.round(most)}°`);
  });
});
