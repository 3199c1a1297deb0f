import { expect } from 'chai';
import type { BuildDoc, Feature, Mount, Part } from '../document';
import { newBuild, newPart, standardKinds } from '../parts';
import { derive } from '../report';
import type { Finding } from '../document';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
const start = standardKinds.features
  .get('switch')!
  .start({ panel: 'face', edge: '', at: { x: 0.5, y: 0.5 } });
const rocker: Feature = {
  id: 'sw',
  kind: 'switch',
  ...start,
  params: { ...start.params, switchId: 'rocker' },
};
const host: Part = { ...newPart('host', wearer, 'box'), features: [rocker] };

/** A second box on the face with the switch, so far off it and to the side; its floor is 6 mm under its own place. */
const build = (mount: Partial<Extract<Mount, { to: 'part' }>>): BuildDoc => ({
  ...newBuild('T', '2026-03-01', wearer),
  parts: [
    host,
    { ...newPart('lid', wearer, 'box'), mount: { to: 'part', part: 'host', anchor: 'face', ...mount } },
  ],
});
const reported = (mount: Partial<Extract<Mount, { to: 'part' }>>): Finding | undefined =>
  derive(build(mount)).findings.find((f) => f.id === 'covered:host:sw');

describe('what is in front of a switch', () => {
  it('on it, nothing moves: a stop, unless what covers it comes off', () => {
    expect(reported({ offMm: 6 })?.severity).to.equal('stop');
    expect(reported({ offMm: 6, apart: true })?.severity).to.equal('mind');
  });

  it('a part nearer than a fingertip raises a finding; one further off or to the side does not', () => {
    expect(reported({ offMm: 15 })?.title).to.include('no room for a finger');
    expect(reported({ offMm: 15 })?.severity).to.equal('mind');
    expect(reported({ offMm: 30 })).to.equal(undefined);
    expect(reported({ offMm: 6, acrossMm: 200 })).to.equal(undefined);
  });
});
