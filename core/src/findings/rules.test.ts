import { expect } from 'chai';
import type { BuildDoc, Finding } from '../document';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';
import { surroundingsOf } from '../report/surroundings';
import { catalogue } from '../materials';
import { standardKinds } from '../parts';
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
