import { expect } from 'chai';
import type { BuildDoc } from '../document';
import { checkDoc } from '../files/schema';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';

const arms = demo('lampwarden-arms');
const reported = (brief: Partial<BuildDoc['brief']>): string[] =>
  reportOf({ ...arms, brief: { ...arms.brief, ...brief } }).findings.flatMap((f) =>
    f.id.startsWith('event-') ? [`${f.id.split(':')[0]} ${f.title}`] : [],
  );

describe('what an event admits', () => {
  it('is nothing where the brief does not say', () => {
    const brief = { ...arms.brief };
    for (const key of ['maxCarriedG', 'maxRigidMm', 'softEdges', 'noBarrel'] as const) delete brief[key];
    const findings = reportOf({ ...arms, brief: { ...brief, eventMaxMm: 10000 } }).findings;
    expect(findings.filter((f) => f.id.startsWith('event-'))).to.deep.equal([]);
  });

  it('is held against every thing that is carried, one limit at a time', () => {
    expect(
      reported({ maxCarriedG: 50 }).filter((t) => t.startsWith('event-heavy')),
    ).to.have.length.greaterThan(1);
    expect(reported({ maxRigidMm: 100 }).some((t) => t.startsWith('event-rigid'))).to.equal(true);
    expect(reported({ eventMaxMm: 300 }).some((t) => t.startsWith('event-long'))).to.equal(true);
    const barrels = reported({ noBarrel: true }).filter((t) => t.startsWith('event-barrel'));
    expect(barrels).to.have.length(1);
    expect(barrels[0]).to.match(/pistol.*plug/i);
    const hard = reported({ softEdges: true }).filter((t) => t.startsWith('event-hard'));
    const rigid = reportOf(arms).parts.filter((p) =>
      p.sheetKinds.some((k) => k === 'board' || k === 'acrylic'),
    );
    expect(hard.length).to.equal(rigid.length);
  });

  it('opens files that still carry the word hero or stunt, and lets it go', () => {
    const old = checkDoc({ ...arms, brief: { ...arms.brief, version: 'stunt' } });
    if (!old.ok) throw new Error(old.message);
    expect(old.value.brief).to.not.have.property('version');
  });
});
