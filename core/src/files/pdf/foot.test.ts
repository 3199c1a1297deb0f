import { expect } from 'chai';
import { namesLine } from './foot';

describe('the line at the foot of a page', () => {
  it('names what there is room for and counts the rest', () => {
    expect(namesLine('Arms', ['Pike: grip', 'Pike: collar'])).to.equal('Arms · Pike: grip · Pike: collar');
    const many = Array.from({ length: 9 }, (_, i) => `Signal pistol, body: layer ${i + 1}`);
    const line = namesLine('Lampwarden arms', many);
    expect(line.length).to.be.at.most(80);
    expect(line).to.match(/^Lampwarden arms · Signal pistol, body: layer 1 · .*and \d more$/);
    expect(namesLine('x'.repeat(120), ['y']).length).to.be.at.most(80);
  });
});
