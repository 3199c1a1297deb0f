import { readBuildFile } from '@fomrik/core/files/buildFile';
import { derive } from '@fomrik/core/report';
import { expect } from 'chai';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { buildPage } from './page';
import { recipes } from './recipes';

const at = (path: string): URL => new URL(path, import.meta.url);

describe('whole builds', () => {
  it('are fifteen, each with a file, a page and a picture, and none besides', () => {
    expect(recipes).to.have.length(15);
    const ids = recipes.map((r) => r.id).sort();
    const files = (folder: string, end: string): string[] =>
      readdirSync(at(folder))
        .filter((f) => f.endsWith(end))
        .map((f) => f.slice(0, -end.length))
        .sort();
    expect(files('.', '.fomrik.json')).to.deep.equal(ids);
    expect(files('../../docs/builds', '.md').filter((f) => f !== 'README')).to.deep.equal(ids);
    for (const id of ids) expect(existsSync(at(`../../docs/builds/${id}.png`)), id).to.equal(true);
  });

  for (const recipe of recipes)
    it(`${recipe.id}: its page says what is worked out today, and nothing of it stops`, () => {
      const read = readBuildFile(readFileSync(at(`${recipe.id}.fomrik.json`), 'utf8'));
      if (!read.ok) throw new Error(read.message);
      const { build } = read.value;
      expect(build.parts.map((p) => [p.form, p.name])).to.deep.equal(
        recipe.doing.flatMap((d) => ('add' in d ? [[d.add, d.as]] : [])),
      );
      const report = derive(build);
      expect(report.findings.filter((f) => f.severity === 'stop').map((f) => f.title)).to.deep.equal([]);
      expect(report.parts.every((p) => p.totalG > 0)).to.equal(true);
      expect(buildPage(recipe, build, report)).to.equal(
        readFileSync(at(`../../docs/builds/${recipe.id}.md`), 'utf8'),
      );
    });
});
