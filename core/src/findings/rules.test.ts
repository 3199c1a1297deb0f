import { expect } from 'chai';
import type { BuildDoc, Finding } from '../document';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';
import { surroundingsOf } from '../report/surroundings';
import { catalogue } from '../materials';
import { newBuild, newPart, standardKinds } from '../parts';
import { derive } from '../report';
import { allFindings } from './allFindings';
import type { BuildRule, PartRule, RuleInput } from './rule';
import { rules, weights } from './rules';

const doc: BuildDoc = demo('lampwarden-bracers');
const input: RuleInput = {
  doc,
  report: reportOf(doc),
  context: surroundingsOf(doc, catalogue, standardKinds).context,
};

const found = (id: string, severity: Finding['severity']): Finding => ({
  id,
  severity,
  station: 'shape',
  title: id,
  why: id,
  provenance: 'practice',
  excess: 1,
  remedies: [],
});
const ofBuild =
  (id: string, severity: Finding['severity']): BuildRule =>
  () => [found(id, severity)];
const ofParts =
  (id: string, severity: Finding['severity']): PartRule =>
  ({ part }) => [found(`${id}:${part.id}`, severity)];

describe('rules as they are declared', () => {
  it('come worst first, then by what they are about, then as they were written', () => {
    const all = allFindings(input, [
      { weight: 'plan', build: [ofBuild('late', 'stop'), ofBuild('dear', 'mind')] },
      { weight: 'fit', parts: [ofParts('tight', 'stop')], build: [ofBuild('loose', 'note')] },
      { weight: 'safety', build: [ofBuild('hot', 'stop'), ofBuild('warm', 'mind')] },
    ]);
    const parts = doc.parts.map((p) => `tight:${p.id}`);
    expect(all.map((f) => f.id)).to.deep.equal(['hot', ...parts, 'late', 'warm', 'dear', 'loose']);
  });

  it('are each declared once, under a weight there is', () => {
    const functions = rules.flatMap((r) => [...(r.parts ?? []), ...(r.build ?? [])]);
    expect(new Set(functions).size).to.equal(functions.length);
    expect(rules.map((r) => r.weight)).to.deep.equal([...weights]);
  });
});

describe('findings that are alike', () => {
  it('are one with their number, led by the worst, and the next is shown when that is gone', () => {
    const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
    const hole = (i: number, diameterMm: number) => ({
      id: `h${i}`,
      kind: 'hole',
      place: { on: 'panel' as const, panel: 'a', u: 0.15 + 0.1 * i, v: 0.002, turnDeg: 0 },
      params: { diameterMm, count: 1, ringMm: 40 },
    });
    const titled = (holes: number): string[] => {
      const features = Array.from({ length: holes }, (_, i) => hole(i, 20 + i));
      const part = { ...newPart('one', wearer, 'bracer'), features };
      return derive({ ...newBuild('One', '2026-03-01', wearer), parts: [part] }, { untried: true })
        .findings.map((f) => f.title)
        .filter((t) => /hole/i.test(t));
    };
    expect(titled(2)).to.have.length(2);
    const many = titled(7);
    expect(many).to.have.length(1);
    expect(many[0]).to.match(/ 6 more like it\.$/);
  });
});
