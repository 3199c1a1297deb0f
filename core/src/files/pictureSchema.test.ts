import { expect } from 'chai';
import type { BuildDoc } from '../document';
import { newBuild } from '../parts';
import type { Picture } from '../picture';
import { checkDoc } from './schema';

const doc: BuildDoc = newBuild('Test', '2026-03-01', { name: 'Anyone', underLayerMm: 2, measures: [] });
const picture: Picture = {
  id: 'front',
  name: 'Front',
  content: 'a'.repeat(64),
  widthPx: 1000,
  heightPx: 800,
  view: 'front',
  lines: [{ id: 'line-1', from: [10, 10], to: [90, 10], part: 'shield', field: 'widthMm' }],
};
const said = (over: object): string => {
  const checked = checkDoc({ ...doc, pictures: [{ ...picture, ...over }] });
  return checked.ok ? 'fine' : `${checked.field}: ${checked.message}`;
};

describe('lines and views of pictures in a file', () => {
  it('are taken as they are, or refused by field', () => {
    expect(said({})).to.equal('fine');
    expect(said({ view: 'under' })).to.match(/^pictures\[0\]\.view|^pictures\.0\.view/);
    expect(said({ lines: [{ ...picture.lines![0]!, from: [10] }] })).to.match(/lines/);
    expect(said({ lines: [picture.lines![0]!, picture.lines![0]!] })).to.match(/lines/);
    expect(said({ lines: [{ ...picture.lines![0]!, to: [90_000, 10] }] })).to.match(/lines.*20/);
  });
});
