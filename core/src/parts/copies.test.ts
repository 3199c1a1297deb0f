import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { BuildDoc } from '../document';
import { readBuildFile } from '../files/buildFile';
import { checkDoc } from '../files/schema';
import { reportOf } from '../report/testing/reportOf';
import { copiedPart, keptAlone } from './copies';
import { newBuild } from './newPart';

const demo = (name: string): BuildDoc => {
  const read = readBuildFile(
    readFileSync(new URL(`../../../demo/lampwarden-${name}.fomrik.json`, import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.message);
  return read.value.build;
};
const empty = newBuild('Other', '2026-03-01', { name: 'Anyone', underLayerMm: 2, measures: [] });

describe('a part for the shop’s book', () => {
  it('is a build of its own that opens as any other, with the light that is wholly in it', () => {
    const doc = demo('tide');
    const dial = doc.parts.find((p) => p.id === 'dial')!;
    const kept = keptAlone(doc, dial, '2026-05-01');
    const checked = checkDoc(JSON.parse(JSON.stringify(kept)));
    if (!checked.ok) throw new Error(`${checked.field}: ${checked.message}`);
    expect(kept.parts).to.have.length(1);
    // What it was mounted on stays behind.
    expect(kept.parts[0]!.mount).to.deep.equal({ to: 'stand' });
    expect(kept.circuits).to.have.length(1);
    const [before] = reportOf(doc).circuits;
    const [after] = reportOf(kept).circuits;
    expect(after!.run!.hours).to.be.closeTo(before!.run!.hours, 1e-9);
    expect(kept.wearer.measures).to.deep.equal([]);
  });

  it('comes into a build twice under ids that are free there, each lit by its own pack', () => {
    const doc = demo('tide');
    const kept = keptAlone(
      doc,
      doc.parts.find((p) => p.id === 'dial')!,
      '2026-05-01',
    );
    const [part] = kept.parts;
    let build: BuildDoc = empty;
    for (let i = 0; i < 2; i++) {
      const copied = copiedPart(kept, part!, build, part!.name);
      build = {
        ...build,
        parts: [...build.parts, copied.part],
        circuits: [...build.circuits, ...copied.circuits],
      };
    }
    const checked = checkDoc(JSON.parse(JSON.stringify(build)));
    if (!checked.ok) throw new Error(`${checked.field}: ${checked.message}`);
    const report = reportOf(build);
    expect(report.circuits.map((c) => [c.lamps.length, c.missing.length, c.partIds.length])).to.deep.equal([
      [2, 0, 1],
      [2, 0, 1],
    ]);
    expect(new Set(report.circuits.map((c) => c.partIds[0])).size).to.equal(2);
  });

  it('keeps its colours, those of its details under the names these have there', () => {
    const doc = demo('harness');
    const part = doc.parts.find((p) => p.form === 'pauldron')!;
    const copied = copiedPart(doc, part, doc, 'Copy').part;
    const details = new Set(copied.features.map((f) => f.id));
    const areas = copied.scheme!.areas;
    expect(areas).to.have.length(part.scheme!.areas.length).and.to.have.length.greaterThan(1);
    for (const area of areas.filter((a) => a.of === 'detail')) expect(details).to.include(area.id);
    expect(copied.scheme!.base).to.deep.equal(part.scheme!.base);
  });

  it('brings the surface it is skinned over, once', () => {
    const gull = demo('gull');
    const mesh = {
      id: 'own-mesh',
      name: 'own',
      points: [0, 0, 0, 10, 0, 0, 0, 10, 0, 0, 0, 10],
      triangles: [0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2],
    } as unknown as NonNullable<BuildDoc['meshes']>[number];
    const part = { ...gull.parts[0]!, params: { ...gull.parts[0]!.params, mesh: 'own-mesh' } };
    const from = { circuits: [], meshes: [mesh] };
    const copied = copiedPart(from, part, empty, 'x');
    expect(copied.meshes).to.deep.equal([mesh]);
    expect(copiedPart(from, part, { ...empty, meshes: [mesh] }, 'x').meshes).to.deep.equal([]);
  });

  it('leaves the picture beneath its drawing behind, and keeps it in a copy beside it', () => {
    const doc = demo('harbour');
    const curtain = doc.parts.find((p) => p.id === 'curtain')!;
    expect(curtain.beneath).to.not.equal(undefined);
    const kept = keptAlone(doc, curtain, '2026-05-01');
    expect(kept.parts[0]!.beneath).to.equal(undefined);
    expect(checkDoc(JSON.parse(JSON.stringify(kept))).ok).to.equal(true);
    expect(copiedPart(doc, curtain, doc, 'x').part.beneath).to.deep.equal(curtain.beneath);
    const [hole] = doc.parts.flatMap((p) => p.features);
    const shot = { ...hole!, note: 'tight', picture: curtain.beneath!.picture };
    const photographed = { ...curtain, features: [shot] };
    expect(copiedPart(doc, photographed, doc, 'x').part.features[0]).to.include({
      note: 'tight',
      picture: shot.picture,
    });
    expect(copiedPart(doc, photographed, empty, 'x').part.features[0])
      .to.include({ note: 'tight' })
      .and.not.to.have.property('picture');
  });
});
