import { expect } from 'chai';
import { readFileSync } from 'node:fs';

const root = new URL('../../../', import.meta.url);
const rows = [
  ...readFileSync(new URL('docs/checked.md', root), 'utf8').matchAll(/^\| .*? \| `([^`]+)`: (.*) \|$/gm),
];

describe('the list of what is checked against the outside', () => {
  it('names sixty checks or more, each of which is there', () => {
    expect(rows.length).to.be.at.least(60);
    for (const [, file, title] of rows)
      expect(readFileSync(new URL(file!, root), 'utf8'), `${file}: ${title}`).to.include(title!);
  });
});
