import { expect } from 'chai';
import { type BuildDoc, inVersion, schemaVersion } from '../document';
import { demo, demoNames } from '../files/testing/demo';
import { readBuildFile, writeBuildFile } from '../files/buildFile';
import { rods } from '../materials';
import { derive, stuntVersion } from '.';

describe('a stunt version by rule', () => {
  for (const name of demoNames())
    it(`${name}: nothing lit, nothing held that is rigid or pointed, and no more stops than before`, () => {
      const doc = demo(name);
      const report = derive(doc);
      const version = stuntVersion(doc, report, 'stunt');
      const stunt = derive(inVersion(doc, version));
      expect(stunt.circuits).to.have.length(0);
      expect(stunt.parts.flatMap((p) => p.items.filter((i) => i.source ?? i.lamp))).to.deep.equal([]);
      const held = new Set(stunt.carried.flatMap((c) => c.partIds));
      for (const part of stunt.parts.filter((p) => held.has(p.id))) {
        expect(
          part.sheetKinds.filter((k) => ['board', 'acrylic', 'thermoplastic'].includes(k)),
          part.id,
        ).to.deep.equal([]);
        const shown = inVersion(doc, version).parts.find((p) => p.id === part.id)!;
        if (part.form === 'blade') expect(shown.params['point']).to.be.oneOf(['round', 'square']);
        if (part.form === 'haft' && shown.params['rod'] !== 'none')
          expect(rods.find((r) => r.id === shown.params['rod'])!.matter).to.be.oneOf(['pvc', 'foam']);
      }
      const stops = (r: typeof report): number => r.findings.filter((f) => f.severity === 'stop').length;
      expect(stops(stunt)).to.be.at.most(stops(report));
    });

  it('by hand: a pointed blade of foam and board on an aluminium bar becomes round, all foam, on PVC', () => {
    const arms = demo('lampwarden-arms');
    const doc: BuildDoc = {
      ...arms,
      parts: arms.parts.map((p) =>
        p.id === 'knife-blade'
          ? { ...p, stack: [p.stack[0]!, { foamId: 'pvc-board', nominalMm: 5 }, p.stack[0]!] }
          : p.form === 'haft'
            ? { ...p, params: { ...p.params, rod: rods.find((r) => r.matter === 'aluminium')!.id } }
            : p,
      ),
    };
    const { parts } = stuntVersion(doc, derive(doc), 'stunt');
    expect(parts['knife-blade']!.params).to.deep.equal({ point: 'round' });
    expect(parts['knife-blade']!.stack!.map((p) => p.foamId)).to.not.include('pvc-board');
    expect(parts['knife-blade']!.stack![1]).to.deep.equal({ foamId: 'dense-eva', nominalMm: 5 });
    const hafts = arms.parts.filter((p) => p.form === 'haft');
    expect(hafts.length).to.be.greaterThan(0);
    for (const { id } of hafts)
      expect(rods.find((r) => r.id === parts[id]!.params!['rod'])!.matter, id).to.equal('pvc');
  });

  it('cuts from foam what is held and printed', () => {
    const arms = demo('lampwarden-arms');
    const doc: BuildDoc = {
      ...arms,
      parts: arms.parts.map((p) => (p.id === 'knife-blade' ? { ...p, printed: true as const } : p)),
    };
    const report = derive(doc);
    const { printing, ...rest } = report.parts.find((p) => p.id === 'knife-blade')!;
    expect(printing).to.not.equal(undefined);
    const soft = derive({ ...doc, brief: { ...doc.brief, softEdges: true } });
    expect(soft.findings.map((f) => f.title).join()).to.include(`${rest.name} is printed in hard plastic`);
    const version = stuntVersion(doc, report, 'stunt');
    const stunt = derive(inVersion(doc, version)).parts.find((p) => p.id === 'knife-blade')!;
    expect(stunt.printing).to.equal(undefined);
  });

  it('leaves what is worn as it is, and what is mounted on it', () => {
    const doc = demo('lampwarden-harness');
    const report = derive(doc);
    const held = new Set(report.carried.flatMap((c) => c.partIds));
    for (const id of Object.keys(stuntVersion(doc, report, 'stunt').parts)) expect(held).to.include(id);
    const arms = demo('lampwarden-arms');
    const worn = { ...derive(arms), carried: [] };
    expect(stuntVersion(arms, worn, 'stunt').parts).to.deep.equal({});
  });

  it('goes to a file and back', () => {
    const doc = demo('lampwarden-arms');
    const build: BuildDoc = { ...doc, versions: [stuntVersion(doc, derive(doc), 'stunt')] };
    const read = readBuildFile(writeBuildFile({ fomrik: schemaVersion, build, pins: [], log: [] }));
    if (!read.ok) throw new Error(`${read.field} ${read.message}`);
    expect(read.value.build.versions).to.deep.equal(build.versions);
  });
});
