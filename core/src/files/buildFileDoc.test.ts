import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { standardKinds } from '../parts';
import { derive } from '../report';
import { readBuildFile } from './buildFile';

describe('docs/build-file.md', () => {
  const text = readFileSync(new URL('../../../docs/build-file.md', import.meta.url), 'utf8');
  const example = /```json\n([\s\S]*?)```/.exec(text)![1]!;

  it('has an example that is a sound build file and can be worked out', () => {
    const read = readBuildFile(example);
    if (!read.ok) throw new Error(read.message);
    const report = derive(read.value.build);
    expect(report.parts[0]!.foam.thicknessMm).to.deep.equal({ value: 6.4, provenance: 'measured' });
    expect(report.schedule.slots.map((s) => s.stepId)).not.to.include('print');
  });

  it('names every form and every feature there is', () => {
    for (const kind of [...standardKinds.forms.keys(), ...standardKinds.features.keys()])
      expect(text).to.include(`\`${kind}\``);
  });

  it('names every field of a document', () => {
    const { build } = JSON.parse(example) as { build: Record<string, object> };
    for (const [key, value] of Object.entries(build)) {
      expect(text).to.include(`build.${key}`);
      if (key !== 'wearer' && !Array.isArray(value))
        for (const inner of Object.keys(value))
          if (key === 'brief' || key === 'cut') expect(text).to.include(`\`${inner}\``);
    }
  });
});
